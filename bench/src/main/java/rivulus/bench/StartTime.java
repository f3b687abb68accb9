package rivulus.bench;

import java.io.BufferedReader;
import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.ToDoubleFunction;
import java.util.stream.Collectors;

/// From the start of the process to a usable window, the demo show against an empty window, in turn
/// on the toolkit's headless platform. Usable is: the demo's findings are told.
///
/// Run by hand, see docs/benchmarks.md. Further arguments go to every Java that is started; with
/// `cached` as the first, both windows have a cache of their classes and code, as the launcher and
/// the image have it.
public final class StartTime {
    private static final int RUNS = 9;

    private StartTime() {}

    /// Of one start: by the clock, and of the processor, in ms.
    private record Taken(double clock, double processor) {}

    /// Prints medians in ms and their ratio.
    public static void main(String[] args) throws IOException, InterruptedException {
        Path state = Files.createTempDirectory("rivulus-start");
        boolean cached = args.length > 0 && args[0].equals("cached");
        List<String> options = List.of(args).subList(cached ? 1 : 0, args.length);
        List<Taken> empty = new ArrayList<>();
        List<Taken> demo = new ArrayList<>();
        if (cached)
            for (Class<?> window : List.of(EmptyWindow.class, DemoWindow.class))
                taken(window, with(options, "-XX:AOTCacheOutput=" + cache(window, state)), state);
        for (int run = -2; run < RUNS; run++) {
            Taken emptyTook =
                    taken(EmptyWindow.class, options(options, cached, state, true), state);
            Taken demoTook = taken(DemoWindow.class, options(options, cached, state, false), state);
            if (run < 0) continue;
            empty.add(emptyTook);
            demo.add(demoTook);
        }
        tell("by the clock", empty, demo, Taken::clock);
        tell("of the processor", empty, demo, Taken::processor);
    }

    private static void tell(
            String what, List<Taken> empty, List<Taken> demo, ToDoubleFunction<Taken> of) {
        double one = median(empty, of);
        double other = median(demo, of);
        System.out.printf(
                "%s: empty window %.0f ms, demo show %.0f ms, ratio %.2f (medians of %d)%n",
                what, one, other, other / one, RUNS);
    }

    private static List<String> options(
            List<String> options, boolean cached, Path state, boolean empty) {
        Class<?> window = empty ? EmptyWindow.class : DemoWindow.class;
        return cached ? with(options, "-XX:AOTCache=" + cache(window, state)) : options;
    }

    private static Path cache(Class<?> window, Path state) {
        return state.resolve(window.getSimpleName() + ".aot");
    }

    private static List<String> with(List<String> options, String more) {
        List<String> all = new ArrayList<>(options);
        all.add(more);
        return all;
    }

    private static Taken taken(Class<?> main, List<String> options, Path state)
            throws IOException, InterruptedException {
        List<String> command = new ArrayList<>();
        command.add(Path.of(System.getProperty("java.home"), "bin", "java").toString());
        command.addAll(options);
        command.addAll(
                List.of(
                        "-Dglass.platform=Headless",
                        "-Dprism.order=sw",
                        "--enable-native-access=javafx.graphics",
                        "--module-path",
                        jars(true),
                        "--add-modules",
                        "javafx.controls",
                        "-cp",
                        jars(false),
                        main.getName()));
        ProcessBuilder builder = new ProcessBuilder(command);
        builder.environment().put("RIVULUS_STATE", state.toString());
        builder.redirectError(ProcessBuilder.Redirect.DISCARD);
        long start = System.nanoTime();
        Process process = builder.start();
        try (BufferedReader said = process.inputReader()) {
            String line = said.readLine();
            double ms = (System.nanoTime() - start) * 1e-6;
            if (line == null || !line.startsWith(Usable.WORD))
                throw new IllegalStateException(main.getSimpleName() + " said " + line);
            process.waitFor();
            return new Taken(ms, Double.parseDouble(line.substring(Usable.WORD.length())));
        }
    }

    /// The toolkit's jars, which go on the module path, or all others.
    private static String jars(boolean toolkit) {
        return Arrays.stream(System.getProperty("java.class.path").split(File.pathSeparator))
                .filter(
                        jar ->
                                Path.of(jar).getFileName().toString().startsWith("javafx-")
                                        == toolkit)
                .filter(
                        jar ->
                                !toolkit
                                        || jar.contains("-linux")
                                        || jar.contains("-mac")
                                        || jar.contains("-win"))
                .collect(Collectors.joining(File.pathSeparator));
    }

    private static double median(List<Taken> times, ToDoubleFunction<Taken> of) {
        return times.stream().mapToDouble(of).sorted().toArray()[times.size() / 2];
    }
}
