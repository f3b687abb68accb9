package rivulus.cli;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import rivulus.disk.FileTrouble;
import rivulus.file.Templates;
import rivulus.intake.Intake;
import rivulus.intake.Listing;
import rivulus.intake.Lists;
import rivulus.intake.Matching;
import rivulus.intake.Meaning;
import rivulus.intake.Plan;
import rivulus.show.Device;
import rivulus.show.Show;

/// Takes an input list or a lead list into a show: told row by row, written where asked.
@Command(
        name = "take",
        description = "What an input list or a lead list would change; with --out, changes it.")
final class TakeCommand implements Callable<Integer> {
    @Mixin private ShowArgument show;

    @Parameters(index = "1", paramLabel = "LIST", description = "The list, a CSV file.")
    private Path list;

    @Option(names = "--as", paramLabel = "KIND", description = "inputs, leads or people")
    private String kind = "";

    @Option(
            names = "--column",
            paramLabel = "MEANING=COLUMN",
            description = "Which column means what, where its name does not say so.")
    private Map<String, String> columns = new LinkedHashMap<>();

    @Option(names = "--into", paramLabel = "ID", description = "The mixer of an input list.")
    private String into = "";

    @Option(names = "--out", paramLabel = "FILE", description = "Where to write the new show.")
    private Path out;

    @Mixin private Force force;

    @Spec private CommandSpec spec;

    @Override
    public Integer call() throws Exception {
        force.mayWrite(out, show.file());
        Show before = show.show();
        Listing listing = Lists.open(list);
        Intake intake = new Intake(before, show.prover().catalogue(), Templates.leads());
        Matching matching = matching(listing);
        if (!matching.missing().isEmpty())
            throw new FileTrouble(
                    "%s: no column says the %s; name it: --column %s=…; there is %s"
                            .formatted(
                                    list.getFileName(),
                                    matching.missing().getFirst().word(),
                                    matching.missing().getFirst().word(),
                                    String.join(", ", listing.columns())));
        Plan plan = intake.plan(listing, matching, into(intake));
        PrintWriter print = spec.commandLine().getOut();
        for (Plan.Line line : plan.lines())
            print.printf("row %-4d %-9s %s%n", line.row(), line.outcome().word(), line.words());
        print.println(plan.words());
        if (out != null) force.save(plan.after(), out);
        return plan.count(Plan.Outcome.REFUSED) == 0 ? Main.FINE : Main.FOUND;
    }

    private Matching matching(Listing listing) throws FileTrouble {
        Matching matching =
                kind.isEmpty() ? Matching.guess(listing) : Matching.guess(listing, listed());
        for (Map.Entry<String, String> said : columns.entrySet()) {
            Meaning meaning = meaning(matching.listed(), said.getKey());
            if (!listing.columns().contains(said.getValue()))
                throw show.unknown("column", said.getValue(), listing.columns());
            matching = matching.with(meaning, Optional.of(said.getValue()));
        }
        return matching;
    }

    private Meaning.Listed listed() throws FileTrouble {
        List<String> known =
                Arrays.stream(Meaning.Listed.values())
                        .map(listed -> listed.name().toLowerCase(Locale.ROOT))
                        .toList();
        if (!known.contains(kind)) throw show.unknown("kind of list", kind, known);
        return Meaning.Listed.values()[known.indexOf(kind)];
    }

    private Meaning meaning(Meaning.Listed listed, String word) throws FileTrouble {
        List<Meaning> all = Meaning.in(listed);
        List<String> known = all.stream().map(Meaning::word).toList();
        if (!known.contains(word)) throw show.unknown("meaning of a column", word, known);
        return all.get(known.indexOf(word));
    }

    private String into(Intake intake) {
        return into.isEmpty()
                ? intake.mixers().stream().findFirst().map(Device::id).orElse("")
                : into;
    }
}
