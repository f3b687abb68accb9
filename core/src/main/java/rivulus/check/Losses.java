package rivulus.check;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import rivulus.hearing.Tracer;
import rivulus.show.Ear;
import rivulus.show.Limit;
import rivulus.show.Names;
import rivulus.show.Source;
import rivulus.show.Wish;
import rivulus.words.Words;

/// Who no longer hears whom they must, between a scene as it is and the same graph in another
/// state.
///
/// @param all ears that lose somebody, in the order of the show
public record Losses(List<Loss> all) {
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

    /// What is lost from a scene to another state of its graph.
    public static Losses between(SceneProof scene, Tracer then) {
        List<Loss> losses = new ArrayList<>();
        double least = scene.limit(Limit.HEARD);
        for (Ear ear : scene.show().ears()) {
            List<Source> lost = new ArrayList<>();
            int heard = 0;
            for (SceneProof.Heard cell : scene.of(ear.id())) {
                boolean wanted = cell.standing().wish() == Wish.MUST;
                if (!wanted || cell.hearing().levelDb() < least) continue;
                heard++;
                double left = then.hearing(ear.id(), cell.source().id()).levelDb();
                if (left < least) lost.add(cell.source());
            }
            if (!lost.isEmpty()) losses.add(new Loss(ear, lost, lost.size() == heard));
        }
        return new Losses(losses);
    }

    /// Whether nobody loses anybody.
    public boolean isEmpty() {
        return all.isEmpty();
    }

    /// "the stream loses all there is to hear; Nadia no longer hears Maren".
    public String words() {
        return words("loses", "lose", "no longer hears", "no longer hear");
    }

    /// What there is to lose, as what is gained by it: "the stream hears all there is to hear;
    /// Nadia hears Maren".
    public String asGains() {
        return words("hears", "hear", "hears", "hear");
    }

    private String words(String losesAll, String loseAll, String loses, String lose) {
        List<String> deaf = new ArrayList<>();
        Map<String, List<String>> without = new LinkedHashMap<>();
        for (Loss loss : all) {
            String ear = Names.of(loss.ear());
            if (loss.everything()) deaf.add(ear);
            else
                without.computeIfAbsent(
                                Words.list(loss.lost().stream().map(Names::of).toList()),
                                _ -> new ArrayList<>())
                        .add(ear);
        }
        List<String> clauses = new ArrayList<>();
        if (!deaf.isEmpty()) clauses.add(clause(deaf, losesAll, loseAll, "all there is to hear"));
        without.forEach((whom, ears) -> clauses.add(clause(ears, loses, lose, whom)));
        return String.join("; ", clauses);
    }

    private static String clause(List<String> ears, String one, String many, String what) {
        return "%s %s %s".formatted(Words.list(ears), ears.size() == 1 ? one : many, what);
    }
}
