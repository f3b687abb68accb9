package rivulus.bench;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
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
import org.openjdk.jmh.annotations.TearDown;
import org.openjdk.jmh.annotations.Warmup;
import rivulus.disk.FileTrouble;
import rivulus.sound.Measured;
import rivulus.sound.Measuring;
import rivulus.sound.Talk;
import rivulus.sound.WavFormat;
import rivulus.sound.WavWriter;

/// How long it takes to measure a minute of a stereo recording, all of it: loudness, true peak,
/// clipping, hum.
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 4, time = 3)
@Fork(1)
public class SoundBenchmark {
    private static final int RATE = 48_000;
    private static final int SECONDS = 60;

    private Path file;

    /// Two voices, one a side.
    @Setup
    public void write() throws IOException {
        file = Files.createTempFile("rivulus", ".wav");
        double[][] voices = {
            Talk.of(120, 1, SECONDS, RATE), Talk.of(210, 2, SECONDS, RATE),
        };
        try (WavWriter out =
                new WavWriter(
                        new BufferedOutputStream(Files.newOutputStream(file)),
                        new WavFormat(2, RATE, 24, false),
                        voices[0].length)) {
            out.write(voices, voices[0].length);
        }
    }

    /// Leaves nothing behind.
    @TearDown
    public void delete() throws IOException {
        Files.deleteIfExists(file);
    }

    /// All that is measured of a minute.
    @Benchmark
    public Measured measure() throws FileTrouble {
        return Measuring.of(file, _ -> true).orElseThrow();
    }
}
