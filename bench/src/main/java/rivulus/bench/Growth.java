package rivulus.bench;

import com.sun.management.ThreadMXBean;
import java.lang.management.ManagementFactory;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.IntFunction;
import rivulus.check.Proof;
import rivulus.check.Prover;
import rivulus.rule.Rules;
import rivulus.show.Show;

/// How time and memory of every answer that the window can ask for grow with a rig: `Growth rig
/// 16,32,64` (that many people and ears in one room) or `Growth house 14,28,56` (that many studios,
/// two machines and 36 leads each), with the exponents of the last doubling. A further argument
/// asks only for the answers whose names hold it. Prints tables in Markdown.
public final class Growth {
    private static final int RUNS = 3;
    private static final int TALKERS = 4;
    private static final double LONG_MS = 1500;
    private static final double TOO_LONG_MS = 60_000;
    private static final ThreadMXBean THREADS = (ThreadMXBean) ManagementFactory.getThreadMXBean();

    private Growth() {}

    /// What an answer takes at one size.
    private record Taken(double ms, double mb) {
        static final Taken NOT = new Taken(Double.NaN, Double.NaN);
    }

    /// Prints the tables.
    public static void main(String[] args) {
        List<Integer> sizes = Arrays.stream(args[1].split(",")).map(Integer::valueOf).toList();
        String only = args.length > 2 ? args[2] : "";
        Prover prover = Rules.prover();
        List<Asked> answers =
                Asked.all(prover).stream().filter(asked -> asked.name().contains(only)).toList();
        Map<String, Taken[]> all = new LinkedHashMap<>();
        for (Asked asked : answers) all.put(asked.name(), new Taken[sizes.size()]);
        for (int n = 0; n < sizes.size(); n++) {
            Show show = show(args[0], sizes.get(n), prover);
            System.out.printf(
                    "%d: %d sources, %d ears, %d devices, %d leads%n",
                    sizes.get(n),
                    show.sources().size(),
                    show.ears().size(),
                    show.rig().devices().size(),
                    show.rig().cables().size());
            Proof proof = prover.prove(show);
            proof.findings();
            for (Asked asked : answers) {
                Taken[] taken = all.get(asked.name());
                boolean late = n > 0 && !(taken[n - 1].ms < TOO_LONG_MS);
                taken[n] = late ? Taken.NOT : taken(asked.of().apply(proof));
            }
        }
        print(sizes, all);
    }

    private static Show show(String kind, int size, Prover prover) {
        return kind.equals("rig")
                ? new GrowingRig(size, size, 1).show(prover.catalogue())
                : new GrowingHouse(size, TALKERS, 2).show(prover.catalogue());
    }

    private static Taken taken(Runnable answer) {
        double best = Double.POSITIVE_INFINITY;
        double mb = 0;
        for (int run = 0; run < RUNS && (run == 0 || best < LONG_MS); run++) {
            long allocated = THREADS.getTotalThreadAllocatedBytes();
            long start = System.nanoTime();
            answer.run();
            best = Math.min(best, (System.nanoTime() - start) * 1e-6);
            mb = (THREADS.getTotalThreadAllocatedBytes() - allocated) * 1e-6;
        }
        return new Taken(best, mb);
    }

    private static void print(List<Integer> sizes, Map<String, Taken[]> all) {
        row("ms, and MB allocated", sizes, String::valueOf, "exponents");
        System.out.println("|---|" + "---|".repeat(sizes.size() + 1));
        all.forEach(
                (name, taken) ->
                        row(
                                name,
                                sizes,
                                size -> figure(taken[sizes.indexOf(size)]),
                                exponents(sizes, taken)));
    }

    private static void row(
            String name, List<Integer> sizes, IntFunction<String> cell, String last) {
        StringBuilder line = new StringBuilder("| ").append(name).append(" |");
        for (int size : sizes) line.append(' ').append(cell.apply(size)).append(" |");
        System.out.println(line.append(' ').append(last).append(" |"));
    }

    private static String figure(Taken taken) {
        return figure(taken.ms) + ", " + figure(taken.mb);
    }

    private static String figure(double value) {
        return String.format(Locale.ROOT, value < 10 ? "%.1f" : "%.0f", value);
    }

    /// Of time and of memory, from the last size but one to the last.
    private static String exponents(List<Integer> sizes, Taken[] taken) {
        int last = taken.length - 1;
        if (last == 0) return "";
        double grown = Math.log((double) sizes.get(last) / sizes.get(last - 1));
        return "%s, %s"
                .formatted(
                        figure(Math.log(taken[last].ms / taken[last - 1].ms) / grown),
                        figure(Math.log(taken[last].mb / taken[last - 1].mb) / grown));
    }
}
