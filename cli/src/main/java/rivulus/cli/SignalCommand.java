package rivulus.cli;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import rivulus.disk.FileTrouble;
import rivulus.recording.Recipe;
import rivulus.sound.Signals;

/// Makes test signals, and the made-up test recording.
@Command(
        name = "signal",
        description = "Makes a test signal as a WAV file, or a folder of made-up recordings.")
final class SignalCommand implements Callable<Integer> {
    @Parameters(
            arity = "0..1",
            paramLabel = "KIND",
            description = "Which; without it they are listed.")
    private String kind = "";

    @Option(names = "--out", paramLabel = "FILE", description = "Where to; KIND.wav otherwise.")
    private Path to;

    @Mixin private Force force;

    @Spec private CommandSpec spec;

    @Override
    public Integer call() throws Exception {
        PrintWriter out = spec.commandLine().getOut();
        if (kind.isEmpty()) {
            for (Signals signal : Signals.values())
                out.printf("%-16s %s%n", signal.word(), signal.about());
            out.printf(
                    "%-16s %s%n",
                    Recipe.TIDE_TABLE_TALK,
                    "A folder of recordings: " + Recipe.shipped(Recipe.TIDE_TABLE_TALK).about());
            return Main.FINE;
        }
        try {
            if (kind.equals(Recipe.TIDE_TABLE_TALK)) {
                Path folder = to == null ? Path.of(kind) : to;
                for (Path file : Recipe.shipped(kind).make(folder)) out.println(file);
                return Main.FINE;
            }
            Optional<Signals> signal =
                    Arrays.stream(Signals.values()).filter(s -> s.word().equals(kind)).findFirst();
            if (signal.isEmpty())
                throw new FileTrouble(
                        "there is no signal \"%s\"; ./rivulus signal lists them".formatted(kind));
            Path file = to == null ? Path.of(kind + ".wav") : to;
            force.mayWrite(file);
            signal.get().write(new BufferedOutputStream(Files.newOutputStream(file)));
            out.printf("%s: %s %s%n", file, signal.get().about(), Signals.caution());
            return Main.FINE;
        } catch (IOException broken) {
            throw new FileTrouble("it cannot be written: " + broken.getMessage(), broken);
        }
    }
}
