package rivulus.desk;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import rivulus.check.SceneProof;
import rivulus.gear.Setting;
import rivulus.hearing.Tracer;
import rivulus.show.Ear;
import rivulus.show.Limit;
import rivulus.show.Names;
import rivulus.show.Ref;
import rivulus.show.Source;
import rivulus.signal.KnobUse;
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
        Tracer open = scene.with(key, mute ? new Setting.Switch(false) : new Setting.Level(0));
        Tracer closed = scene.with(key, mute ? new Setting.Switch(true) : Setting.Level.OFF);
        double least = scene.limit(Limit.LEAK);
        List<Ear> silenced = new ArrayList<>();
        List<Ear> still = new ArrayList<>();
        for (Ear ear : scene.show().ears()) {
            if (!open.live().leads(channel.before(), ear.id())) continue;
            boolean heard = false;
            boolean left = false;
            for (Source source : channel.comes()) {
                double with = open.hearing(ear.id(), source.id()).byWireDb();
                double without = closed.hearing(ear.id(), source.id()).byWireDb();
                heard |= with > least;
                left |= without > least;
            }
            if (left) still.add(ear);
            else if (heard) silenced.add(ear);
        }
        return Optional.of(new Silencing(use.get(), silenced, still));
    }

    /// In words, behind the name of the key: "silences it for all but the stream".
    public String words() {
        if (silenced.isEmpty() && still.isEmpty()) return "silences nothing: nobody hears it";
        if (still.isEmpty()) return "silences it for everybody";
        if (silenced.isEmpty()) return "silences it for nobody";
        return still.size() <= silenced.size()
                ? "silences it for all but " + few(still)
                : "silences it only for " + few(silenced);
    }

    private static String few(List<Ear> ears) {
        return Words.few(ears.stream().map(Names::of).toList(), NAMED);
    }
}
