package rivulus.bench;

import java.util.List;
import java.util.Locale;
import java.util.function.IntFunction;
import java.util.function.LongSupplier;
import rivulus.app.session.Picture;
import rivulus.chart.Courses;
import rivulus.chart.Ruler;
import rivulus.check.Proof;
import rivulus.check.Prover;
import rivulus.check.Trouble;
import rivulus.gear.Setting;
import rivulus.remedy.Remedies;
import rivulus.rule.Rules;
import rivulus.show.Show;

/// How time and memory grow with a rig: sources, ears and scenes, alone and together, each doubled
/// until 128, with the exponent of the last two doublings. Prints a table in Markdown.
public final class Growth {
    private static final List<Integer> SIZES = List.of(4, 8, 16, 32, 64, 128);
    private static final int RUNS = 7;
    private static final Prover PROVER = Rules.prover();

    private static final int MOST_CUBED = 32;

    private Growth() {}

    /// Prints the table; `quick` leaves the largest size out.
    public static void main(String[] args) {
        List<Integer> sizes = args.length == 0 ? SIZES : SIZES.subList(0, SIZES.size() - 1);
        row("", sizes, String::valueOf, "exponent");
        System.out.println("|---|" + "---|".repeat(sizes.size() + 1));
        times("proving, sources", sizes, n -> proving(new GrowingRig(n, 4, 1)));
        times("proving, ears", sizes, n -> proving(new GrowingRig(4, n, 1)));
        times("proving, scenes", sizes, n -> proving(new GrowingRig(4, 4, n)));
        times("proving, sources and ears", sizes, n -> proving(new GrowingRig(n, n, 1)));
        times(
                "proving, sources, ears and scenes (at most 32)",
                sizes.stream().filter(n -> n <= MOST_CUBED).toList(),
                n -> proving(new GrowingRig(n, n, n)));
        times("one fader, sources and ears", sizes, n -> fading(new GrowingRig(n, n, 1)));
        times("one fader, scenes", sizes, n -> fading(new GrowingRig(4, 4, n)));
        times("picture, sources and ears", sizes, n -> picturing(new GrowingRig(n, n, 1)));
        times(
                "picture, a finding in every cell",
                sizes,
                n -> picturing(new GrowingRig(n, n, 1, true)));
        times("first cure, sources and ears", sizes, n -> curing(new GrowingRig(n, n, 1)));
        times(
                "first cure, a finding in every cell",
                sizes,
                n -> curing(new GrowingRig(n, n, 1, true)));
        memory(sizes);
    }

    private static void row(
            String name, List<Integer> sizes, IntFunction<String> cell, String last) {
        StringBuilder line = new StringBuilder("| ").append(name).append(" |");
        for (int size : sizes) line.append(' ').append(cell.apply(size)).append(" |");
        System.out.println(line.append(' ').append(last).append(" |"));
    }

    private static void times(String name, List<Integer> sizes, IntFunction<LongSupplier> work) {
        double[] ms = new double[sizes.size()];
        for (int i = 0; i < ms.length; i++) ms[i] = best(work.apply(sizes.get(i))) / 1e6;
        row(name + ", ms", sizes, size -> figure(ms[sizes.indexOf(size)]), figure(exponent(ms)));
    }

    /// Over the last two doublings.
    private static double exponent(double[] values) {
        int last = values.length - 1;
        return Math.log(values[last] / values[last - 2]) / Math.log(4);
    }

    private static long best(LongSupplier work) {
        long best = Long.MAX_VALUE;
        for (int run = 0; run < RUNS; run++) best = Math.min(best, work.getAsLong());
        return best;
    }

    private static LongSupplier proving(GrowingRig rig) {
        Show show = rig.show(PROVER.catalogue());
        return () -> {
            long start = System.nanoTime();
            PROVER.prove(show).findings();
            return System.nanoTime() - start;
        };
    }

    private static LongSupplier fading(GrowingRig rig) {
        Show show = rig.show(PROVER.catalogue());
        Proof proof = PROVER.prove(show);
        proof.findings();
        Show faded = Shows.turned(show, "o1.i2", new Setting.Level(-7));
        return () -> {
            long start = System.nanoTime();
            PROVER.prove(faded, proof).heard();
            return System.nanoTime() - start;
        };
    }

    private static LongSupplier picturing(GrowingRig rig) {
        Show show = rig.show(PROVER.catalogue());
        Picture.Choice choice = new Picture.Choice("s1", "t1", "", "");
        return () -> {
            Proof proof = PROVER.prove(show);
            proof.findings();
            long start = System.nanoTime();
            Picture picture = Picture.of(proof, choice);
            Courses.toEar(picture.scene(), picture.ear().id(), PROVER.catalogue());
            Ruler.of(picture.scene(), picture.ear());
            return System.nanoTime() - start;
        };
    }

    private static LongSupplier curing(GrowingRig rig) {
        Show show = rig.show(PROVER.catalogue());
        Proof proof = PROVER.prove(show);
        List<Trouble> troubles = Trouble.of(proof);
        return () -> {
            long start = System.nanoTime();
            if (!troubles.isEmpty()) Remedies.of(PROVER, proof, troubles.getFirst(), 3);
            return System.nanoTime() - start;
        };
    }

    /// What a proof of so many sources, ears and scenes holds.
    private static void memory(List<Integer> sizes) {
        double[] mb = new double[sizes.size()];
        for (int i = 0; i < mb.length; i++) {
            int n = Math.min(64, sizes.get(i));
            Show show = new GrowingRig(n, n, n).show(PROVER.catalogue());
            long before = used();
            Proof proof = PROVER.prove(show);
            proof.findings();
            mb[i] = (used() - before) / 1e6;
            if (proof.scenes().isEmpty()) throw new IllegalStateException("it has to be held");
        }
        row(
                "held, sources, ears and scenes (at most 64), MB",
                sizes,
                size -> figure(mb[sizes.indexOf(size)]),
                "");
    }

    private static long used() {
        for (int i = 0; i < 3; i++) System.gc();
        Runtime runtime = Runtime.getRuntime();
        return runtime.totalMemory() - runtime.freeMemory();
    }

    private static String figure(double value) {
        return String.format(Locale.ROOT, value < 10 ? "%.1f" : "%.0f", value);
    }
}
