package rivulus.level;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SequencedMap;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import rivulus.gear.Knob;
import rivulus.gear.Setting;
import rivulus.gear.Speech;
import rivulus.hearing.Ways;
import rivulus.show.Habit;
import rivulus.show.Limit;
import rivulus.show.Limits;
import rivulus.show.Ref;
import rivulus.show.Scene;
import rivulus.show.Show;
import rivulus.show.Source;
import rivulus.signal.KnobUse;
import rivulus.signal.Leg;
import rivulus.signal.LiveGraph;

/// Every input gain of a rig, as it stands and as it should.
///
/// By the school that somebody named ([Habit#LEVEL]), else the first: by *peaks*, a gain stands
/// well where the peaks of the loud moments of whoever comes in loudest lie between two lines
/// ([Limit#PEAKS_LOW], [Limit#PEAKS_HIGH]), and is else turned to the middle between them; by
/// *loudness*, where loud moments stand at line-up, so that the average has the nominal loudness.
/// What only comes from afar, as to a microphone for the room, is left to the ear. Looked at in
/// every scene in which somebody does not rest; the loudest scene counts.
///
/// What lies behind a gain that is off is looked at with that set. Costs one pass through the graph
/// for each source and scene, and again for every gain that is turned.
public final class Gains {
    private Gains() {}

    /// The gains of a show, in the order of its rig.
    ///
    /// @param lives what is open in each scene, in their order
    public static List<InputGain> of(
            Show show, LevelMap levels, SequencedMap<Scene, LiveGraph> lives) {
        if (lives.isEmpty()) return List.of();
        LiveGraph first = lives.firstEntry().getValue();
        Map<Ref, Preamp> inputs = new LinkedHashMap<>();
        for (Leg leg : first.graph().legs())
            levels.preamp(first, leg).ifPresent(p -> inputs.putIfAbsent(p.use().ref(), p));
        Comes comes = new Comes(show, lives);
        SequencedMap<Ref, InputGain> set = new LinkedHashMap<>();
        while (true) {
            SequencedMap<Ref, InputGain> now = gains(show, inputs, comes, set);
            List<InputGain> off =
                    now.values().stream()
                            .filter(gain -> gain.turn().isPresent())
                            .filter(gain -> !set.containsKey(gain.knob()))
                            .toList();
            if (off.isEmpty()) return List.copyOf(now.values());
            Set<Ref> waiting = new HashSet<>();
            off.forEach(gain -> waiting.add(gain.knob()));
            List<InputGain> foremost = new ArrayList<>();
            for (InputGain gain : off)
                if (comes.knobsBefore(gain).stream().noneMatch(waiting::contains))
                    foremost.add(gain);
            if (foremost.isEmpty()) foremost.add(off.getFirst());
            for (InputGain gain : foremost) {
                set.put(gain.knob(), gain);
                comes = comes.with(gain);
            }
        }
    }

    private static SequencedMap<Ref, InputGain> gains(
            Show show, Map<Ref, Preamp> inputs, Comes comes, Map<Ref, InputGain> set) {
        SequencedMap<Ref, InputGain> gains = new LinkedHashMap<>();
        inputs.forEach(
                (knob, input) ->
                        gains.put(
                                knob,
                                set.containsKey(knob)
                                        ? set.get(knob)
                                        : gain(show, input, comes.loudest(input.from()))));
        return gains;
    }

    private static InputGain gain(Show show, Preamp input, Optional<Loudest> comes) {
        double arrives = comes.map(Loudest::db).orElse(Double.NEGATIVE_INFINITY);
        return new InputGain(
                input,
                comes.map(Loudest::source),
                arrives,
                arrives < show.checks().limits().get(Limit.FAINT),
                input.at(wanted(show, input, arrives)),
                show.checks().limits().get(Limit.CREST));
    }

    /// Who comes loudest, and where that is so.
    private record Loudest(Source source, double db, LiveGraph live) {}

    /// How loud a source comes to every node, in one state.
    private record Follows(LiveGraph live, double[] db) {}

    /// What comes where, in every scene, with the gains before it set.
    private static final class Comes {
        private final Show show;
        private final SequencedMap<Scene, LiveGraph> lives;
        private final Map<Source, List<Follows>> strongest = new LinkedHashMap<>();

        Comes(Show show, SequencedMap<Scene, LiveGraph> lives) {
            this.show = show;
            this.lives = lives;
            Set<Object> done = new HashSet<>();
            lives.forEach(
                    (scene, live) -> {
                        for (Source source : show.sources())
                            if (!scene.quiet().contains(source.id())
                                    && done.add(List.of(source.id(), live.positions())))
                                strongest
                                        .computeIfAbsent(source, _ -> new ArrayList<>())
                                        .add(new Follows(live, live.gainsDb(source.id())));
                    });
        }

        /// Whoever comes loudest to a point, if anybody is heard there.
        Optional<Loudest> loudest(Ref point) {
            int[] nodes = lives.firstEntry().getValue().graph().nodesOf(point);
            Optional<Loudest> loudest = Optional.empty();
            double most = show.checks().limits().get(Limit.HEARD);
            for (Map.Entry<Source, List<Follows>> source : strongest.entrySet())
                for (Follows in : source.getValue())
                    for (int node : nodes)
                        if (in.db()[node] > most) {
                            most = in.db()[node];
                            loudest = Optional.of(new Loudest(source.getKey(), most, in.live()));
                        }
            return loudest;
        }

        /// The knobs that what comes in loudest passes before an input.
        Set<Ref> knobsBefore(InputGain gain) {
            return loudest(gain.now().from()).stream()
                    .flatMap(comes -> knobs(comes, gain.now().from()))
                    .map(KnobUse::ref)
                    .collect(Collectors.toSet());
        }

        private static Stream<KnobUse> knobs(Loudest comes, Ref point) {
            return Ways.of(comes.live()).strongestTo(comes.source().id(), point).stream()
                    .flatMap(way -> way.knobs(comes.live().graph()));
        }

        /// The same with a gain set, but in scenes that have it otherwise.
        Comes with(InputGain gain) {
            SequencedMap<Scene, LiveGraph> then = new LinkedHashMap<>();
            Setting to = gain.turn().orElseThrow().to();
            lives.forEach(
                    (scene, live) -> {
                        Ref knob = gain.knob();
                        int k = live.graph().knobIndex(knob.device(), knob.name());
                        boolean own = show.own(scene).containsKey(knob);
                        then.put(scene, own ? live : live.at(live.positions().with(k, to)));
                    });
            return new Comes(show, then);
        }
    }

    private static double wanted(Show show, Preamp input, double arrives) {
        Knob.Level knob = input.knob();
        if (Double.isInfinite(arrives))
            return knob.closes() ? Double.NEGATIVE_INFINITY : knob.minDb();
        Limits limits = show.checks().limits();
        if (arrives < limits.get(Limit.FAINT)) return input.turnedDb();
        boolean byLoudness = show.habits().says(Habit.LEVEL, "loudness");
        if (byLoudness) return knob.nearest(-arrives).db();
        double low = limits.get(Limit.PEAKS_LOW);
        double high = limits.get(Limit.PEAKS_HIGH);
        double untouched = Speech.LINE_UP_DBFS + arrives + limits.get(Limit.CREST);
        double peaks = untouched + input.turnedDb();
        double hair = 0.05;
        if (peaks >= low - hair && peaks <= high + hair) return input.turnedDb();
        return knob.nearest((low + high) / 2 - untouched).db();
    }
}
