package rivulus.chart;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Optional;
import java.util.SequencedMap;
import rivulus.check.Proof;
import rivulus.check.Prover;
import rivulus.check.SceneProof;
import rivulus.edit.Edit;
import rivulus.level.InputGain;
import rivulus.show.Limit;
import rivulus.show.Names;
import rivulus.show.Show;
import rivulus.show.Turn;
import rivulus.words.Words;

/// How the input gains of a rig stand and should, what is turned for it, and what is heard of that.
public record GainSheet(List<InputGain> gains) {
    /// Nothing is known of any.
    public static final GainSheet EMPTY = new GainSheet(List.of());

    private static final int EARS_NAMED = 3;

    public GainSheet {
        gains = List.copyOf(gains);
    }

    /// The gains of a proven show.
    public static GainSheet of(Proof proof) {
        return new GainSheet(proof.gains());
    }

    /// Those that something comes into, or that are turned up.
    public List<InputGain> used() {
        return gains.stream().filter(gain -> !gain.isIdle()).toList();
    }

    /// How many are not in use, in words: "One input is not in use"; empty where all are.
    public Optional<String> idle() {
        int idle = gains.size() - used().size();
        if (idle == 0) return Optional.empty();
        return Optional.of((idle == 1 ? "One input is" : idle + " inputs are") + " not in use");
    }

    /// The turns that set every gain as it should be.
    public List<Turn> turns() {
        return gains.stream().flatMap(gain -> gain.turn().stream()).toList();
    }

    /// Sets every gain as it should be; empty where all stand so.
    public Optional<Edit> set(Show show) {
        List<Turn> turns = turns();
        return turns.isEmpty()
                ? Optional.empty()
                : Optional.of(
                        Edit.of(
                                "Set " + Words.count(turns.size(), "input gain"),
                                show,
                                show.with(turns)));
    }

    /// Sets one gain as it should be; empty where it stands so.
    public static Optional<Edit> set(InputGain gain, Show show) {
        return gain.turn()
                .map(
                        turn ->
                                Edit.of(
                                        "Set %s to %s"
                                                .formatted(
                                                        gain.now().use().words(),
                                                        gain.should().marks()),
                                        show,
                                        show.with(turn)));
    }

    /// What setting all of them makes louder or softer in a scene, for whom: "Maren 12 dB softer
    /// for the stream, Ivo and three more". Proves the show with them set.
    public List<String> effects(Proof proof, SceneProof scene, Prover prover) {
        List<Turn> turns = turns();
        if (turns.isEmpty()) return List.of();
        return prover.prove(proof.show().with(turns), proof)
                .scene(scene.scene().id())
                .map(then -> between(scene, then))
                .orElse(List.of());
    }

    private static List<String> between(SceneProof before, SceneProof after) {
        SequencedMap<String, List<String>> ears = new LinkedHashMap<>();
        for (SceneProof.Heard was : before.all()) {
            double now = after.of(was.ear().id(), was.source().id()).hearing().levelDb();
            double then = was.hearing().levelDb();
            double by = Math.rint(now - then);
            if (Math.max(now, then) < before.limit(Limit.HEARD) || by == 0) continue;
            String change =
                    "%s %s %s"
                            .formatted(
                                    was.source().name(),
                                    Words.figure(Math.abs(by), 0, "dB"),
                                    by > 0 ? "louder" : "softer");
            ears.computeIfAbsent(change, _ -> new ArrayList<>()).add(Names.of(was.ear()));
        }
        return ears.entrySet().stream()
                .map(e -> e.getKey() + " for " + Words.few(e.getValue(), EARS_NAMED))
                .toList();
    }
}
