package rivulus.remedy;

import java.util.ArrayList;
import java.util.List;
import rivulus.check.Proof;
import rivulus.check.SceneProof;
import rivulus.check.Verdict;
import rivulus.show.Ear;
import rivulus.show.Limit;
import rivulus.show.Names;
import rivulus.show.Source;
import rivulus.show.Wish;
import rivulus.words.Words;

/// A difference for one ear and one source in one scene between two proofs.
///
/// @param heardDb above this a source is said to be heard, in dB against nominal
public record Effect(
        String scene,
        Ear ear,
        Source source,
        SceneProof.Heard before,
        SceneProof.Heard after,
        Verdict was,
        Verdict becomes,
        double heardDb) {
    /// Every difference that can be heard, or that changes a verdict, between two proofs of shows
    /// with the same ears, sources and scenes; others are passed over.
    public static List<Effect> between(Proof before, Proof after) {
        List<Effect> effects = new ArrayList<>();
        for (SceneProof scene : before.scenes()) {
            SceneProof then = after.scene(scene.scene().id()).orElse(null);
            if (then == null || then == scene) continue;
            for (SceneProof.Heard cell : scene.all()) {
                compare(scene, then, cell, effects);
            }
        }
        return effects;
    }

    private static void compare(
            SceneProof scene, SceneProof then, SceneProof.Heard cell, List<Effect> effects) {
        String ear = cell.ear().id();
        String source = cell.source().id();
        SceneProof.Heard after = then.of(ear, source);
        Verdict was = scene.verdict(ear, source);
        Verdict becomes = then.verdict(ear, source);
        if (was == becomes && cell.hearing().soundsLike(after.hearing())) return;
        effects.add(
                new Effect(
                        scene.scene().id(),
                        cell.ear(),
                        cell.source(),
                        cell,
                        after,
                        was,
                        becomes,
                        scene.show().checks().limits().get(Limit.HEARD)));
    }

    /// Whether an ear no longer hears what it may.
    public boolean takes() {
        return isHeard(before) && !isHeard(after) && after.standing().wish() != Wish.MUST_NOT;
    }

    /// Whether an ear comes to hear what it need not.
    public boolean intrudes() {
        return !isHeard(before) && isHeard(after) && after.standing().wish() != Wish.MUST;
    }

    private boolean isHeard(SceneProof.Heard cell) {
        return cell.hearing().levelDb() > heardDb;
    }

    /// The difference in words: "Teo no longer hears himself".
    public String words() {
        String who = Names.subject(ear);
        String whom = ear.of().equals(source.id()) ? source.self() : Names.of(source);
        boolean heard = isHeard(before);
        boolean hears = isHeard(after);
        if (heard && !hears) return "%s no longer hears %s".formatted(who, whom);
        if (!heard && hears) {
            return "%s now hears %s, %s".formatted(who, whom, Words.db(after.hearing().levelDb()));
        }
        int times = after.hearing().arrivals().size();
        if (times < before.hearing().arrivals().size()) {
            return "%s hears %s %s".formatted(who, whom, times == 1 ? "once" : times + " times");
        }
        String is = Words.db(after.hearing().levelDb());
        String earlier = Words.db(before.hearing().levelDb());
        if (!is.equals(earlier))
            return "%s hears %s at %s, was %s".formatted(who, whom, is, earlier);
        if (hears && times == before.hearing().arrivals().size() && times > 0)
            return "%s hears %s after %s, was %s".formatted(who, whom, first(after), first(before));
        return "%s hears %s: %s, was %s".formatted(who, whom, becomes.word(), was.word());
    }

    private static String first(SceneProof.Heard cell) {
        return Words.ms(cell.hearing().arrivals().getFirst().ms());
    }
}
