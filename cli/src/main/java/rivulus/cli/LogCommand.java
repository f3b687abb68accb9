package rivulus.cli;

import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;
import rivulus.air.Chapters;
import rivulus.disk.FileTrouble;
import rivulus.disk.SafeFile;
import rivulus.sheet.Sheet;
import rivulus.sheet.Sheets;

/// What happened on the evening.
@Command(
        name = "log",
        description = "The log of the evening, as Markdown, CSV, PDF or chapter marks (WebVTT).")
final class LogCommand implements Callable<Integer> {
    private static final String CHAPTERS = ".vtt";

    @Mixin private ShowArgument show;

    @Option(
            names = "--out",
            paramLabel = "FILE",
            description =
                    "Where to write it, ending in .md, .csv, .pdf or .vtt; to the screen where left out.")
    private Path out;

    @Mixin private Force force;

    @Spec private CommandSpec spec;

    @Override
    public Integer call() throws Exception {
        force.mayWrite(out);
        if (out != null && SafeFile.name(out).endsWith(CHAPTERS)) {
            byte[] chapters = Chapters.webVtt(show.show()).getBytes(StandardCharsets.UTF_8);
            SafeFile.replace(out, chapters);
            return Main.FINE;
        }
        Sheet sheet = new Sheets(show.proof(), show.prover().catalogue()).of(Sheets.Kind.LOG);
        if (out == null) spec.commandLine().getOut().print(sheet.markdown());
        else if (sheet.endings().stream().noneMatch(SafeFile.name(out)::endsWith))
            throw new FileTrouble(
                    "%s: a log is written as %s or %s"
                            .formatted(out, String.join(", ", sheet.endings()), CHAPTERS));
        else SafeFile.replace(out, sheet.in(SafeFile.name(out)));
        return Main.FINE;
    }
}
