package rivulus.remedy;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.SequencedMap;
import java.util.stream.Stream;
import rivulus.check.Proof;
import rivulus.file.Change;
import rivulus.show.Show;
import rivulus.show.Turn;
import rivulus.words.Words;

/// A change of the show that was tried, on the graph and on the rig: it ends a trouble, nobody
/// hears worse, and nothing new is wrong.
///
/// @param sentence as an order: "Set Show desk · USB 1 call feed to mix-minus."
/// @param turns what to turn, in order; empty where gear changes
/// @param change what it does, to be done to the show as it is when it is taken
/// @param losses what goes with it, one clause each: "the lead Show desk · speakers → House
///     loudspeakers · in"
/// @param effort the sum of the knobs' efforts; 0 where gear changes
/// @param least whether it is proven that nothing cheaper does it, see [LeastTurns]
/// @param proven the proof of the show with it done, see [#after()]
/// @param effects what changes for any ear, in any scene
/// @param brings what is worth a caution and comes with it, as sentences without full stop: "The
///     stream hears Ivo 5.0 LU softer than Maren"
public record Remedy(
        String sentence,
        List<Turn> turns,
        Change change,
        List<String> losses,
        int effort,
        boolean least,
        After proven,
        List<Effect> effects,
        List<String> brings) {
    public Remedy {
        turns = List.copyOf(turns);
        losses = List.copyOf(losses);
        effects = List.copyOf(effects);
        brings = List.copyOf(brings);
    }

    /// The proof of the show with it done. Whoever looks at it for long keeps it: it may have to be
    /// made again at the next call.
    public Proof after() {
        return proven.proof();
    }

    /// What it costs somebody, in words: "Teo no longer hears himself"; each once.
    public List<String> price() {
        List<Effect> taken = effects.stream().filter(Effect::takes).toList();
        return Stream.concat(brings.stream(), inWords(taken).stream()).distinct().toList();
    }

    /// What changes for any ear, in words, each once, with the scenes where it is not all of them:
    /// "The stream no longer hears Maren in Doors".
    public List<String> effectsInWords() {
        return inWords(effects);
    }

    private List<String> inWords(List<Effect> some) {
        Show show = change.before();
        SequencedMap<String, List<String>> scenes = new LinkedHashMap<>();
        for (Effect effect : some)
            scenes.computeIfAbsent(effect.words(), _ -> new ArrayList<>())
                    .add(show.scene(effect.scene()).orElseThrow().name());
        List<String> words = new ArrayList<>();
        scenes.forEach(
                (effect, in) ->
                        words.add(
                                in.size() == show.scenes().size()
                                        ? effect
                                        : effect + " in " + Words.list(in)));
        return words;
    }

    /// Whether somebody no longer hears somebody else, or something, that they may; or something
    /// comes with it that is worth a caution.
    boolean hasPrice() {
        return !brings.isEmpty()
                || effects.stream()
                        .anyMatch(
                                effect ->
                                        effect.takes()
                                                && !effect.ear().of().equals(effect.source().id()));
    }

    Remedy provenLeast() {
        return new Remedy(sentence, turns, change, losses, effort, true, proven, effects, brings);
    }

    /// As the name of an edit: without the full stop.
    public String name() {
        return sentence.substring(0, sentence.length() - 1);
    }
}
