package rivulus.desk;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import rivulus.check.SceneProof;
import rivulus.gear.Setting;
import rivulus.hearing.Tracer;
import rivulus.show.Ear;
import rivulus.show.Limit;
import rivulus.show.MuteKey;
import rivulus.show.Names;
import rivulus.show.Ref;
import rivulus.show.Source;
import rivulus.signal.KnobUse;
import rivulus.signal.LiveGraph;
import rivulus.words.Words;

/// What a key of a channel silences, and who hears it all the same.
///
/// @param key the mute, or the fader where there is no mute
/// @param silenced the ears that hear the channel and would not with the key pressed
/// @param still the ears that would hear it all the same
public record Silencing(KnobUse key, List<Ear> silenced, List<Ear> still) {
    private static final int NAMED = 3;

    public Silencing {
        silenced = List.copyOf(silenced);
        still = List.copyOf(still);
    }

    /// What every mute of a channel does; its fader, where it has none. Costs a tracing for each.
    public static List<Silencing> of(SceneProof scene, Channel channel) {
        List<Silencing> all = new ArrayList<>();
        List<Ref> keys = channel.mutes().isEmpty() ? List.of(channel.fader()) : channel.mutes();
        for (Ref key : keys) of(scene, channel, key).ifPresent(all::add);
        return all;
    }

    private static Optional<Silencing> of(SceneProof scene, Channel channel, Ref key) {
        Optional<KnobUse> use = scene.tracer().live().graph().knob(key);
        if (use.isEmpty()) return Optional.empty();
        boolean mute = channel.mutes().contains(key);
        LiveGraph live = scene.tracer().live();
        int knob = live.graph().knobIndex(key.device(), key.name());
        LiveGraph open = live.with(knob, mute ? new Setting.Switch(false) : new Setting.Level(0));
        LiveGraph closed = live.with(knob, mute ? new Setting.Switch(true) : Setting.Level.OFF);
        Set<String> reached = open.earsBehind(channel.before());
        List<Ear> ears =
                scene.show().ears().stream().filter(ear -> reached.contains(ear.id())).toList();
        return Optional.of(
                between(
                        use.get(),
                        ears,
                        channel.comes(),
                        scene.tracer().in(open),
                        scene.tracer().in(closed),
                        scene.limit(Limit.LEAK)));
    }

    /// What a mute key does to whom it should silence as the scene stands, at every ear but their
    /// own and tracks; empty where it is no knob of the rig. Costs a tracing.
    public static Optional<Silencing> of(SceneProof scene, MuteKey key) {
        List<Source> sources =
                key.silences().stream()
                        .flatMap(id -> scene.show().cast().source(id).stream())
                        .toList();
        List<Ear> ears =
                scene.show().ears().stream()
                        .filter(ear -> ear.kind() != Ear.Kind.TRACK)
                        .filter(
                                ear ->
                                        ear.kind() != Ear.Kind.PERSON
                                                || !key.silences().contains(ear.of()))
                        .toList();
        Tracer closed = scene.with(key.knob(), key.to());
        return scene.tracer()
                .live()
                .graph()
                .knob(key.knob())
                .map(
                        use ->
                                between(
                                        use,
                                        ears,
                                        sources,
                                        scene.tracer()::hearing,
                                        closed::hearing,
                                        scene.limit(Limit.LEAK)));
    }

    private static Silencing between(
            KnobUse use,
            List<Ear> ears,
            List<Source> sources,
            Tracer.Listening open,
            Tracer.Listening closed,
            double least) {
        List<Ear> silenced = new ArrayList<>();
        List<Ear> still = new ArrayList<>();
        for (Ear ear : ears) {
            boolean heard = false;
            boolean left = false;
            for (Source source : sources) {
                double with = open.hearing(ear.id(), source.id()).byWireDb();
                double without = closed.hearing(ear.id(), source.id()).byWireDb();
                heard |= with > least;
                left |= without > least;
            }
            if (left) still.add(ear);
            else if (heard) silenced.add(ear);
        }
        return new Silencing(use, silenced, still);
    }

    /// In words, behind the name of the key: "silences it for all but the stream".
    public String words() {
        return words("it");
    }

    /// The same of somebody: "silences Maren for all but the stream".
    public String words(String whom) {
        if (silenced.isEmpty() && still.isEmpty())
            return "silences nothing: nobody hears %s".formatted(whom);
        String silences = "silences " + whom;
        if (still.isEmpty()) return silences + " for everybody";
        if (silenced.isEmpty()) return silences + " for nobody";
        return still.size() <= silenced.size()
                ? silences + " for all but " + few(still)
                : silences + " only for " + few(silenced);
    }

    private static String few(List<Ear> ears) {
        return Words.few(ears.stream().map(Names::of).toList(), NAMED);
    }
}
