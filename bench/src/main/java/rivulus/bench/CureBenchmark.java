package rivulus.bench;

import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import rivulus.check.Proof;
import rivulus.check.Prover;
import rivulus.check.Trouble;
import rivulus.remedy.Remedies;

/// Three tried cures for every trouble of the demo show.
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 4, time = 2)
@Measurement(iterations = 4, time = 2)
@Fork(value = 1, jvmArgs = "-XX:+UseParallelGC")
public class CureBenchmark {
    private Prover prover;
    private Proof proven;

    /// Proves the demo show.
    @Setup
    public void open() {
        prover = Shows.prover();
        proven = prover.prove(Shows.named("demo", prover));
        proven.findings();
    }

    /// All of them.
    @Benchmark
    public int everyCure() {
        int cures = 0;
        for (Trouble trouble : Trouble.of(proven))
            cures += Remedies.of(prover, proven, trouble, 3, () -> false).all().size();
        return cures;
    }
}
