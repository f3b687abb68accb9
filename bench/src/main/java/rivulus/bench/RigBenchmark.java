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
import rivulus.leads.Joiner;
import rivulus.leads.Joining;
import rivulus.rig.RigEdits;
import rivulus.show.Device;
import rivulus.show.Show;

/// The checks of a rig, and finding the ways to join two machines over the whole catalogue.
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 4, time = 2)
@Measurement(iterations = 4, time = 2)
@Fork(value = 1, jvmArgs = "-XX:+UseParallelGC")
public class RigBenchmark {
    /// Which show.
    @Param({"demo", "large"})
    public String show;

    private Prover prover;
    private Show rig;
    private Proof proof;
    private Joiner joiner;
    private Device console;
    private Device laptop;

    /// Reads the show and puts a console and a laptop beside it.
    @Setup
    public void open() {
        prover = Shows.prover();
        rig = Shows.named(show, prover);
        proof = prover.prove(rig);
        proof.findings();
        Show more = new RigEdits(rig, prover.catalogue()).add("digital-console", "").after();
        more = new RigEdits(more, prover.catalogue()).add("laptop", "").after();
        List<Device> devices = more.rig().devices();
        console = devices.get(devices.size() - 2);
        laptop = devices.getLast();
        joiner = new Joiner(more, prover.catalogue(), prover.leads());
    }

    /// Every lead read and every rule of the rig asked, after an edit.
    @Benchmark
    public List<Finding> prove() {
        return prover.prove(rig, proof).ofTheRig();
    }

    /// The three best ways from a console with 32 channels to a laptop.
    @Benchmark
    public List<Joining> join() {
        return joiner.ways(console, laptop, 3).all();
    }
}
