package rivulus.air;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import rivulus.check.SceneProof;
import rivulus.gear.Setting;
import rivulus.hearing.Tracer;
import rivulus.show.Ear;
import rivulus.show.Limit;
import rivulus.show.Names;
import rivulus.show.Source;
import rivulus.signal.KnobUse;
import rivulus.signal.Positions;
import rivulus.words.Words;

/// One knob to turn at a change of scene, with whom it lets in or silences.
///
/// @param lets what comes to be heard by it, as clauses: "lets Maren in for the stream"
/// @param takes what no longer is: "silences the music bed for everybody"
public record Press(KnobUse use, Setting from, Setting to, List<String> lets, List<String> takes) {
    private static final int NAMED = 3;

    public Press {
        lets = List.copyOf(lets);
        takes = List.copyOf(takes);
    }

    /// As an order: "Show desk · MIC 1 mute to off".
    public String words() {
        return "%s to %s".formatted(use.words(), use.say(to));
    }

    /// What it does, in a sentence without full stop.
    public String effect() {
        List<String> all = new ArrayList<>(takes);
        all.addAll(lets);
        return all.isEmpty() ? "nobody hears a difference yet" : String.join("; ", all);
    }

    /// What to press between two scenes, in order: what silences first, so that nothing slips out.
    /// What a playback presses by itself is not in it. Costs two tracings for each knob.
    public static List<Press> between(SceneProof from, SceneProof to) {
        var graph = from.tracer().live().graph();
        Positions was = from.tracer().live().positions();
        Positions is = to.tracer().live().positions();
        List<Integer> turned = new ArrayList<>();
        for (int k = 0; k < graph.knobs().size(); k++)
            if (!was.get(k).equals(is.get(k))
                    && !from.show().isTurnedByItself(graph.knobs().get(k).ref())) turned.add(k);
        List<Integer> order = new ArrayList<>(turned);
        Map<Integer, Press> alone = new LinkedHashMap<>();
        for (int k : turned) alone.put(k, of(from, from.tracer(), k, is.get(k)));
        order.sort(Comparator.comparing(k -> alone.get(k).takes().isEmpty()));
        List<Press> presses = new ArrayList<>();
        Tracer before = from.tracer();
        for (int k : order) {
            presses.add(of(from, before, k, is.get(k)));
            before = after(before, k, is.get(k));
        }
        return presses;
    }

    private static Tracer after(Tracer before, int knob, Setting to) {
        Positions then = before.live().positions().with(knob, to);
        return Tracer.after(before.live().at(then), List.of(before));
    }

    private static Press of(SceneProof scene, Tracer before, int knob, Setting to) {
        Tracer after = after(before, knob, to);
        double least = scene.limit(Limit.HEARD);
        List<String> lets = new ArrayList<>();
        List<String> takes = new ArrayList<>();
        for (Source source : scene.show().sources()) {
            List<Ear> gains = new ArrayList<>();
            List<Ear> losses = new ArrayList<>();
            int left = 0;
            for (Ear ear : scene.show().ears()) {
                boolean was = before.hearing(ear.id(), source.id()).levelDb() >= least;
                boolean is = after.hearing(ear.id(), source.id()).levelDb() >= least;
                if (is && !was) gains.add(ear);
                if (was && !is) losses.add(ear);
                if (is) left++;
            }
            if (!gains.isEmpty())
                lets.add("lets %s in for %s".formatted(Names.of(source), ears(gains)));
            if (!losses.isEmpty())
                takes.add(
                        "silences %s for %s"
                                .formatted(
                                        Names.of(source), left == 0 ? "everybody" : ears(losses)));
        }
        return new Press(
                before.live().graph().knobs().get(knob),
                before.live().positions().get(knob),
                to,
                lets,
                takes);
    }

    private static String ears(List<Ear> ears) {
        return Words.few(ears.stream().map(Names::of).toList(), NAMED);
    }
}
