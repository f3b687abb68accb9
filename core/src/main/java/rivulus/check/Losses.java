package rivulus.check;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import rivulus.show.Ear;
import rivulus.show.Names;
import rivulus.show.Source;
import rivulus.words.Words;

/// Who no longer hears whom they must, between a scene as it is and the same graph in another
/// state.
///
/// @param all ears that lose somebody, in the order of the show
public record Losses(List<Loss> all) {
    private static final int MOST_NAMED = 5;

    /// Nobody loses anybody.
    public static final Losses NONE = new Losses(List.of());

    public Losses {
        all = List.copyOf(all);
    }

    /// One ear.
    ///
    /// @param lost the sources it must hear, heard, and no longer hears
    /// @param everything whether that is all it must hear
    public record Loss(Ear ear, List<Source> lost, boolean everything) {
        public Loss {
            lost = List.copyOf(lost);
        }
    }

    /// Whether nobody loses anybody.
    public boolean isEmpty() {
        return all.isEmpty();
    }

    /// "the stream goes silent; Nadia no longer hears Maren".
    public String words() {
        List<String> deaf =
                all.stream().filter(Loss::everything).map(loss -> Names.of(loss.ear())).toList();
        List<String> clauses = new ArrayList<>();
        if (!deaf.isEmpty()) clauses.add(clause(deaf, "goes", "go", "silent"));
        byWhom(all.stream().filter(loss -> !loss.everything()).toList())
                .forEach(
                        (whom, ears) ->
                                clauses.add(
                                        clause(ears, "no longer hears", "no longer hear", whom)));
        return String.join("; ", clauses);
    }

    /// What there is to lose, as what is gained by it: "the stream hears Maren and Ivo; Nadia hears
    /// Maren".
    public String asGains() {
        List<String> clauses = new ArrayList<>();
        byWhom(all).forEach((whom, ears) -> clauses.add(clause(ears, "hears", "hear", whom)));
        return String.join("; ", clauses);
    }

    /// The ears that lose the same sources, by those.
    private static Map<String, List<String>> byWhom(List<Loss> losses) {
        Map<String, List<String>> ears = new LinkedHashMap<>();
        for (Loss loss : losses)
            ears.computeIfAbsent(
                            Words.few(loss.lost().stream().map(Names::of).toList(), MOST_NAMED),
                            _ -> new ArrayList<>())
                    .add(Names.of(loss.ear()));
        return ears;
    }

    private static String clause(List<String> ears, String one, String many, String what) {
        return "%s %s %s".formatted(Words.list(ears), ears.size() == 1 ? one : many, what);
    }
}
