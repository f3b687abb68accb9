package rivulus.cli;

import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;
import rivulus.check.Proof;
import rivulus.file.FileTrouble;
import rivulus.file.PlainFile;
import rivulus.file.Templates;
import rivulus.rig.RigProver;
import rivulus.sheet.Sheet;
import rivulus.sheet.Sheets;

/// A sheet to take along: leads, shopping, packing, computers, power.
@Command(name = "sheet", description = "A sheet to take along, as Markdown, CSV or PDF.")
final class SheetCommand implements Callable<Integer> {
    @Mixin private ShowArgument show;

    @Option(
            names = "--kind",
            required = true,
            paramLabel = "KIND",
            description = "leads, shopping, packing, computers or power")
    private String kind;

    @Option(
            names = "--out",
            paramLabel = "FILE",
            description =
                    "Where to write it, ending in .md, .csv or .pdf; to the screen where left out.")
    private Path out;

    @Spec private CommandSpec spec;

    @Override
    public Integer call() throws Exception {
        Proof proof = show.proof();
        Sheets sheets =
                new Sheets(
                        proof,
                        new RigProver(show.prover(), Templates.leads()).prove(proof),
                        show.prover().catalogue());
        Sheet sheet = sheets.of(kind());
        if (out == null) spec.commandLine().getOut().print(sheet.markdown());
        else write(sheet);
        return Main.FINE;
    }

    private Sheets.Kind kind() throws FileTrouble {
        List<String> known = Arrays.stream(Sheets.Kind.values()).map(Sheets.Kind::word).toList();
        if (!known.contains(kind)) throw show.unknown("kind of sheet", kind, known);
        return Sheets.Kind.values()[known.indexOf(kind)];
    }

    private void write(Sheet sheet) throws FileTrouble {
        String name = out.getFileName().toString();
        if (!name.matches(".*\\.(md|csv|pdf)"))
            throw new FileTrouble(out + ": a sheet is written as .md, .csv or .pdf");
        PlainFile.write(out, sheet.in(name));
    }
}
