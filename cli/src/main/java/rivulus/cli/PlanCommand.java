package rivulus.cli;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;
import rivulus.check.Trouble;
import rivulus.disk.JsonText;
import rivulus.plan.Offer;
import rivulus.plan.Pattern;
import rivulus.plan.PlanReport;
import rivulus.plan.Planner;
import rivulus.show.Show;
import rivulus.words.Words;

/// Whole plans for a brief, each proven; whatever the rig has already is kept.
@Command(
        name = "plan",
        description =
                "Plans gear, leads, programs and mixes for what the show asks, and proves it. Exit 0: the best is clean; 1: something is left.")
final class PlanCommand implements Callable<Integer> {
    @Mixin private ShowArgument show;

    @Option(names = "--pattern", paramLabel = "ID", description = "Only by this pattern.")
    private String pattern = "";

    @Option(names = "--out", paramLabel = "FILE", description = "Where to write the best plan.")
    private Path out;

    @Mixin private Thoroughness how;

    @Mixin private Force force;

    @Spec private CommandSpec spec;

    @Override
    public Integer call() throws Exception {
        force.mayWrite(out, show.file());
        Show brief = show.show();
        List<Pattern> patterns =
                Pattern.ALL.stream()
                        .filter(one -> pattern.isEmpty() || one.id().equals(pattern))
                        .toList();
        if (patterns.isEmpty())
            throw show.unknown("pattern", pattern, Pattern.ALL.stream().map(Pattern::id).toList());
        List<Offer> offers =
                new Planner(show.prover(), () -> false, how.steps(Planner.STEPS))
                        .best(brief, patterns, Planner.Progress.NONE);
        PrintWriter print = spec.commandLine().getOut();
        if (show.json()) print.print(JsonText.of(PlanReport.of(offers)));
        else offers.forEach(offer -> write(print, offer));
        Offer best = offers.getFirst();
        if (out != null) force.save(best.proof().show(), out);
        return best.isClean() ? Main.FINE : Main.FOUND;
    }

    private static void write(PrintWriter print, Offer offer) {
        print.printf(
                "%s (%s)%n  good at: %s%n  costs:   %s%n",
                offer.pattern().name(),
                offer.pattern().id(),
                offer.pattern().good(),
                offer.pattern().costs());
        print.printf(
                "  proof:   %s%n",
                offer.left().isEmpty()
                        ? "clean"
                        : offer.left().stream()
                                .map(Trouble::headline)
                                .collect(Collectors.joining("; ")));
        if (offer.mayBeBettered())
            print.printf("  so far:  not everything was tried; --thorough searches on%n");
        for (String line : offer.undone()) print.printf("  undone:  %s%n", line);
        print.printf(
                "  to buy:  %s%n",
                offer.toBuy().isEmpty() ? "nothing" : String.join(", ", offer.toBuy()));
        print.printf("  leads:   %d, %d inputs spare%n", offer.leads(), offer.spare());
        offer.ownVoiceMs()
                .ifPresent(ms -> print.printf("  late:    own voice %s by wire%n", Words.ms(ms)));
        print.printf("  fails:   %s%n", offer.failing());
        for (String line : offer.lines()) print.printf("  line:    %s%n", line);
        for (String turn : offer.turned()) print.printf("  turn:    %s%n", turn);
        print.println();
    }
}
