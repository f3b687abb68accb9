package rivulus.cli;

import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.util.function.IntSupplier;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import rivulus.disk.FileTrouble;
import rivulus.disk.Line;

/// The command line: hearing tables, findings and ways of a show, without a window.
@Command(
        name = "rivulus",
        description = "Who hears what, how loud, how late, by which way.",
        subcommands = {
            SayCommand.class,
            HearCommand.class,
            CheckCommand.class,
            TraceCommand.class,
            LevelsCommand.class,
            MeasureCommand.class,
            SignalCommand.class,
            SheetCommand.class,
            TakeCommand.class,
            MixCommand.class,
            PlanCommand.class,
            TroubleCommand.class,
            LogCommand.class
        })
public final class Main {
    /// Everything was as wished.
    static final int FINE = 0;

    /// There are findings of severity danger or problem.
    static final int FOUND = 1;

    /// The input cannot be used.
    static final int UNUSABLE = 2;

    /// The program itself failed.
    static final int FAILED = 70;

    private static final int LONGEST_CAUSE = 300;

    private Main() {}

    /// Runs one command and ends with its exit code.
    public static void main(String[] args) {
        PrintWriter out = new PrintWriter(System.out, true, StandardCharsets.UTF_8);
        PrintWriter err = new PrintWriter(System.err, true, StandardCharsets.UTF_8);
        System.exit(run(out, err, args));
    }

    /// Runs one command.
    ///
    /// @return its exit code: 0 fine, 1 findings, 2 unusable input, 70 the program failed
    static int run(PrintWriter out, PrintWriter err, String... args) {
        PrintWriter screen = new PrintWriter(new Harmless(out), true);
        PrintWriter complaints = new PrintWriter(new Harmless(err), true);
        int code = guarded(complaints, () -> execute(screen, complaints, args));
        screen.flush();
        complaints.flush();
        return code;
    }

    /// Does something; whatever it throws ends in a sentence and [#FAILED].
    static int guarded(PrintWriter complaints, IntSupplier deed) {
        try {
            return deed.getAsInt();
        } catch (Throwable broken) {
            complaints.println(failure(broken));
            return FAILED;
        }
    }

    private static String failure(Throwable broken) {
        String cause =
                switch (broken) {
                    case OutOfMemoryError _ -> "there was not enough memory for it";
                    case StackOverflowError _ -> "it goes round without an end";
                    default -> Line.clipped(Line.of(String.valueOf(broken)), LONGEST_CAUSE);
                };
        return "the program failed, which is a fault of its own: " + cause;
    }

    private static int execute(PrintWriter out, PrintWriter err, String... args) {
        CommandLine line = new CommandLine(new Main());
        line.setOut(out);
        line.setErr(err);
        line.setExecutionExceptionHandler(
                (trouble, _, _) -> {
                    boolean said = trouble instanceof FileTrouble;
                    err.println(said ? trouble.getMessage() : failure(trouble));
                    return said ? UNUSABLE : FAILED;
                });
        line.setParameterExceptionHandler(
                (wrong, _) -> {
                    err.println(Line.of(wrong.getMessage()) + "; see ./rivulus help");
                    return UNUSABLE;
                });
        return line.execute(args);
    }
}
