package rivulus.mix;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.check.Prover;
import rivulus.disk.Extras;
import rivulus.edit.Edit;
import rivulus.least.Scope;
import rivulus.remedy.Cures;
import rivulus.remedy.Remedies;
import rivulus.remedy.Remedy;
import rivulus.search.Budget;
import rivulus.show.Mix;
import rivulus.show.Ref;
import rivulus.show.Show;
import rivulus.signal.SignalGraph;

/// Mixes written into a show, with the knobs turned so that feeds carry what they say.
///
/// First turns are looked for among the knobs that the feed has to itself, that harm nobody; then,
/// for one feed alone, among those whatever they cost its listeners: who says what a feed carries
/// wants to hear that, whatever the brief has to say to it, and what that costs is told like any
/// finding. Then all knobs are asked, and again nobody is harmed.
public final class MixWriting {
    private static final String MIX = "mix";

    /// What writing the mixes of a show may cost, in steps.
    public static final long STEPS = 96_000;

    private final Prover prover;
    private final Budget budget;

    /// @param budget for all that is written; no search may take more than half of what is left
    public MixWriting(Prover prover, Budget budget) {
        this.prover = prover;
        this.budget = budget;
    }

    /// A mix written.
    ///
    /// @param feed which one
    /// @param words what is turned for it, or why it cannot be had: "Set … to off."; empty where
    ///     the knobs stand so already
    /// @param carried whether it carries what it says
    /// @param complete whether everything was tried; if not, a larger budget may find how
    public record Line(Feed feed, String words, boolean carried, boolean complete) {}

    /// What comes of writing.
    ///
    /// @param edit one step of undo
    /// @param proof of what comes of it
    public record Written(Edit edit, Proof proof, List<Line> lines) {
        public Written {
            lines = List.copyOf(lines);
        }

        /// Whether everything was tried; if not, a larger budget may find more.
        public boolean isComplete() {
            return lines.stream().allMatch(Line::complete);
        }
    }

    /// One feed is to carry something; or, empty, nobody says what any more.
    public Written one(Proof proof, Feed feed, Optional<List<Mix.Step>> steps) {
        Show show = proof.show();
        Optional<Mix> mix = steps.map(s -> new Mix(feed.at(), s, Extras.NONE));
        Proof said = prover.prove(show.mixing(feed.at(), mix), proof);
        if (steps.isEmpty())
            return new Written(
                    Edit.of(
                            "Say nothing of what %s carries".formatted(feed.name()),
                            show,
                            said.show()),
                    said,
                    List.of());
        Carried carried = carriedOut(said, feed, true);
        String name =
                "Let %s carry %s"
                        .formatted(feed.name(), new MixLanguage(show.cast()).print(steps.get()));
        return new Written(
                Edit.of(name, show, carried.proof().show()),
                carried.proof(),
                List.of(carried.line()));
    }

    /// Every feed that somebody listens to is to carry what the brief would ask for.
    ///
    /// @param soFar told each as it is done
    public Written all(Proof proof, Consumer<Line> soFar) {
        Show show = proof.show();
        List<Line> lines = new ArrayList<>();
        List<Feed> feeds = Feeds.reliedOn(Feeds.of(prover, proof));
        Show said = show;
        for (Feed feed : feeds)
            if (feed.asked().isPresent())
                said =
                        said.mixing(
                                feed.at(),
                                Optional.of(new Mix(feed.at(), feed.asked().get(), Extras.NONE)));
        Proof now = prover.prove(said, proof);
        for (Feed feed : feeds) {
            if (budget.isStopped()) break;
            if (feed.asked().isEmpty()) {
                if (!feed.torn().isEmpty())
                    lines.add(new Line(feed, String.join("; ", feed.torn()) + ".", false, true));
                continue;
            }
            Carried carried = carriedOut(now, feed, false);
            now = carried.proof();
            lines.add(carried.line());
            soFar.accept(carried.line());
        }
        return new Written(Edit.of("Write every mix from the brief", show, now.show()), now, lines);
    }

    private record Carried(Proof proof, Line line) {}

    private Carried carriedOut(Proof proof, Feed feed, boolean whatever) {
        List<Finding> all =
                proof.heard().stream()
                        .filter(f -> f.rule().equals(MIX) && isAbout(f, feed))
                        .toList();
        if (all.isEmpty()) return new Carried(proof, new Line(feed, "", true, true));
        Mix mix = proof.show().mix(feed.at()).orElseThrow();
        List<Double> levels = mix.steps().stream().map(Mix.Step::db).distinct().toList();
        Set<Ref> own = own(proof.graph(), feed.at());
        Scope ofItsOwn = new Scope(own::contains, levels);
        Cures cures = turns(proof, all, Optional.empty(), ofItsOwn);
        if (cures.isEmpty() && whatever) cures = turns(proof, all, Optional.of(MIX), ofItsOwn);
        Cures any =
                cures.isEmpty()
                        ? turns(proof, all, Optional.empty(), new Scope(_ -> true, levels))
                        : cures;
        // what its own knobs cannot do together says more than that nothing else was found
        if (!any.isEmpty() || any.complete() || !cures.complete()) cures = any;
        if (cures.isEmpty())
            return new Carried(proof, new Line(feed, cures.words(), false, cures.complete()));
        Remedy best = cures.all().getFirst();
        return new Carried(best.after(), new Line(feed, best.sentence(), true, true));
    }

    private Cures turns(Proof proof, List<Finding> all, Optional<String> alone, Scope scope) {
        return Remedies.turns(prover, proof, all, alone, scope, budget.part(budget.left() / 2));
    }

    /// The knobs that a feed has to itself: whatever they govern ends where it is mixed, or comes
    /// from there.
    private static Set<Ref> own(SignalGraph graph, Ref at) {
        Set<Ref> own = new HashSet<>();
        for (int k = 0; k < graph.knobs().size(); k++)
            if (!graph.governedBy(k).isEmpty()
                    && graph.governedBy(k).stream()
                            .allMatch(leg -> leg.to().equals(at) || leg.from().equals(at)))
                own.add(graph.knobs().get(k).ref());
        return own;
    }

    private static boolean isAbout(Finding finding, Feed feed) {
        return finding.key().about().equals(feed.at().toString());
    }
}
