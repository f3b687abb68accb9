package rivulus.bench;

import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import rivulus.check.Proof;
import rivulus.check.Prover;
import rivulus.check.Trouble;
import rivulus.remedy.Remedies;

/// Cures for every trouble of a show: the best of each, proven least, and three of each.
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 4, time = 2)
@Measurement(iterations = 4, time = 2)
@Fork(value = 1, jvmArgs = "-XX:+UseParallelGC")
public class CureBenchmark {
    /// `demo` or `large`.
    @Param("demo")
    public String show;

    private Prover prover;
    private Proof proven;

    /// Proves the show.
    @Setup
    public void open() {
        prover = Shows.prover();
        proven = prover.prove(Shows.named(show, prover));
        proven.findings();
    }

    /// Three of each.
    @Benchmark
    public int everyCure() {
        return cures(3);
    }

    /// The best of each.
    @Benchmark
    public int bestCures() {
        return cures(1);
    }

    private int cures(int most) {
        int cures = 0;
        for (Trouble trouble : Trouble.of(proven))
            cures += Remedies.of(prover, proven, trouble, most).all().size();
        return cures;
    }
}
