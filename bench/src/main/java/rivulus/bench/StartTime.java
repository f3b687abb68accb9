package rivulus.bench;

import java.io.BufferedReader;
import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;

/// From the start of the process to a usable window, the demo show against an empty window, in turn
/// on the toolkit's headless platform. Usable is: the demo's findings are told.
///
/// Run by hand, see docs/benchmarks.md. Further arguments go to every Java that is started.
public final class StartTime {
    private static final int RUNS = 9;

    private StartTime() {}

    /// Prints medians in ms and their ratio.
    public static void main(String[] options) throws IOException, InterruptedException {
        Path state = Files.createTempDirectory("rivulus-start");
        double[] empty = new double[RUNS];
        double[] demo = new double[RUNS];
        for (int run = -2; run < RUNS; run++) {
            double emptyMs = ms(EmptyWindow.class, options, state);
            double demoMs = ms(DemoWindow.class, options, state);
            if (run < 0) continue;
            empty[run] = emptyMs;
            demo[run] = demoMs;
        }
        System.out.printf(
                "empty window %.0f ms, demo show %.0f ms, ratio %.2f (medians of %d)%n",
                median(empty), median(demo), median(demo) / median(empty), RUNS);
    }

    private static double ms(Class<?> main, String[] options, Path state)
            throws IOException, InterruptedException {
        List<String> command = new ArrayList<>();
        command.add(Path.of(System.getProperty("java.home"), "bin", "java").toString());
        command.addAll(Arrays.asList(options));
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
            if (!Usable.WORD.equals(line))
                throw new IllegalStateException(main.getSimpleName() + " said " + line);
            process.waitFor();
            return ms;
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

    private static double median(double[] times) {
        double[] sorted = times.clone();
        Arrays.sort(sorted);
        return sorted[sorted.length / 2];
    }
}
