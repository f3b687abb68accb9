package rivulus.cli;

import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import rivulus.disk.FileTrouble;

/// The command line: hearing tables, findings and ways of a show, without a window.
@Command(
        name = "rivulus",
        description = "Who hears what, how loud, how late, by which way.",
        subcommands = {
            HearCommand.class,
            CheckCommand.class,
            TraceCommand.class,
            SheetCommand.class,
            TakeCommand.class
        })
public final class Main {
    /// Everything was as wished.
    static final int FINE = 0;

    /// There are findings of severity danger or problem.
    static final int FOUND = 1;

    /// The input cannot be used.
    static final int UNUSABLE = 2;

    private Main() {}

    /// Runs one command and ends with its exit code.
    public static void main(String[] args) {
        PrintWriter out = new PrintWriter(System.out, true, StandardCharsets.UTF_8);
        PrintWriter err = new PrintWriter(System.err, true, StandardCharsets.UTF_8);
        System.exit(run(out, err, args));
    }

    /// Runs one command.
    ///
    /// @return its exit code: 0 fine, 1 findings, 2 unusable input
    static int run(PrintWriter out, PrintWriter err, String... args) {
        CommandLine line = new CommandLine(new Main());
        line.setOut(out);
        line.setErr(err);
        line.setExecutionExceptionHandler(
                (trouble, _, _) -> {
                    if (!(trouble instanceof FileTrouble)) throw trouble;
                    err.println(trouble.getMessage());
                    return UNUSABLE;
                });
        line.setParameterExceptionHandler(
                (wrong, _) -> {
                    err.println(wrong.getMessage() + "; see ./rivulus help");
                    return UNUSABLE;
                });
        int code = line.execute(args);
        out.flush();
        err.flush();
        return code;
    }
}
