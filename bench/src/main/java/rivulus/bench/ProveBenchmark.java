package rivulus.bench;

import java.util.List;
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
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.check.Prover;
import rivulus.gear.Setting;
import rivulus.show.Show;
import rivulus.signal.Compiler;
import rivulus.signal.SignalGraph;

/// From an edit to a verdict for every ear in every scene, and the same from nothing.
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 5, time = 2)
@Measurement(iterations = 5, time = 2)
@Fork(value = 1, jvmArgs = "-XX:+UseParallelGC")
public class ProveBenchmark {
    /// Which show.
    @Param({"demo", "large"})
    public String show;

    private Prover prover;
    private Show plain;
    private Proof proven;
    private List<Show> faded;
    private int next;

    /// Reads and proves the show once.
    @Setup
    public void open() {
        prover = Shows.prover();
        plain = Shows.named(show, prover);
        proven = prover.prove(plain);
        proven.heard();
        String fader = show.equals("large") ? "m3.fader" : "mic2.fader";
        faded =
                List.of(
                        Shows.turned(plain, fader, new Setting.Level(-3)),
                        Shows.turned(plain, fader, new Setting.Level(-6)));
    }

    /// One fader is moved: every scene is proven again.
    @Benchmark
    public List<Finding> editToVerdict() {
        return prover.prove(faded.get(next++ & 1), proven).heard();
    }

    /// One fader is moved, and only the scene on the screen is proven.
    @Benchmark
    public List<Finding> editToScene() {
        String first = plain.scenes().getFirst().id();
        return prover.prove(faded.get(next++ & 1), proven).scene(first).orElseThrow().findings();
    }

    /// One fader moved, and everything that is wrong, the rig surveyed and judged too.
    @Benchmark
    public List<Finding> editToEveryFinding() {
        return prover.prove(faded.get(next++ & 1), proven).findings();
    }

    /// Everything is worked out from nothing.
    @Benchmark
    public List<Finding> fromNothing() {
        return prover.prove(plain).heard();
    }

    /// Only the graph.
    @Benchmark
    public SignalGraph compile() {
        return Compiler.compile(plain, prover.catalogue());
    }
}
