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
import rivulus.disk.FileTrouble;
import rivulus.disk.SafeFile;
import rivulus.sheet.Sheet;
import rivulus.sheet.Sheets;

/// A sheet to take along: the whole rig, or one part of it.
@Command(name = "sheet", description = "A sheet to take along, as Markdown, CSV, PDF or SVG.")
final class SheetCommand implements Callable<Integer> {
    @Mixin private ShowArgument show;

    @Option(
            names = "--kind",
            required = true,
            paramLabel = "KIND",
            description =
                    "rig, drawing, leads, channels, labels, shopping, packing, computers, levels, power, setup or log")
    private String kind;

    @Option(
            names = "--out",
            paramLabel = "FILE",
            description =
                    "Where to write it, ending in .md, .csv, .pdf or, for drawings, .svg; to the screen where left out.")
    private Path out;

    @Mixin private Force force;

    @Spec private CommandSpec spec;

    @Override
    public Integer call() throws Exception {
        force.mayWrite(out);
        Proof proof = show.proof();
        Sheets sheets = new Sheets(proof, show.prover().catalogue());

        Sheet sheet = sheets.of(kind());
        if (out == null) spec.commandLine().getOut().print(sheet.markdown());
        else write(sheet, out);
        return Main.FINE;
    }

    private Sheets.Kind kind() throws FileTrouble {
        List<String> known = Arrays.stream(Sheets.Kind.values()).map(Sheets.Kind::word).toList();
        if (!known.contains(kind)) throw show.unknown("kind of sheet", kind, known);
        return Sheets.Kind.values()[known.indexOf(kind)];
    }

    /// Writes a sheet to a file, as its name asks for.
    static void write(Sheet sheet, Path out) throws FileTrouble {
        String name = SafeFile.name(out);
        if (sheet.endings().stream().noneMatch(name::endsWith))
            throw new FileTrouble(
                    "%s: this sheet is written as %s"
                            .formatted(out, String.join(", ", sheet.endings())));
        SafeFile.replace(out, sheet.in(name));
    }
}
