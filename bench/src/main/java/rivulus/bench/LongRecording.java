package rivulus.bench;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.lang.management.ManagementFactory;
import java.lang.management.MemoryPoolMXBean;
import java.lang.management.MemoryType;
import java.nio.file.Files;
import java.nio.file.Path;
import rivulus.disk.FileTrouble;
import rivulus.sound.Measured;
import rivulus.sound.Measuring;
import rivulus.sound.Talk;
import rivulus.sound.WavFormat;
import rivulus.sound.WavWriter;

/// A recording of hours with many channels, measured in one go: how long it takes, and how much
/// memory at most.
///
///     java -Xmx256m -cp 'bench/target/lib/*' rivulus.bench.LongRecording HOURS CHANNELS [FOLDER]
///
/// Two hours of eight channels are 8.3 GB on disk, which goes again.
public final class LongRecording {
    private static final int RATE = 48_000;
    private static final int BLOCK_S = 6;

    private LongRecording() {}

    /// Writes, measures, deletes.
    public static void main(String[] args) throws IOException, FileTrouble {
        int minutes = (int) Math.rint(60 * Double.parseDouble(args[0]));
        int channels = Integer.parseInt(args[1]);
        Path folder =
                args.length > 2 ? Path.of(args[2]) : Path.of(System.getProperty("java.io.tmpdir"));
        Path file = Files.createTempFile(folder, "rivulus", ".wav");
        try {
            write(file, minutes, channels);
            System.out.printf(
                    "%d minutes of %d channels, %,d bytes%n", minutes, channels, Files.size(file));
            for (MemoryPoolMXBean pool : ManagementFactory.getMemoryPoolMXBeans())
                pool.resetPeakUsage();
            long began = System.nanoTime();
            Measured measured = Measuring.of(file, _ -> true).orElseThrow();
            double seconds = (System.nanoTime() - began) * 1e-9;
            long most = 0;
            for (MemoryPoolMXBean pool : ManagementFactory.getMemoryPoolMXBeans())
                if (pool.getType() == MemoryType.HEAP) most += pool.getPeakUsage().getUsed();
            System.out.printf(
                    "measured in %.1f s, %.0f times as fast as it plays; at most %d MB of heap; channel 1 at %.1f LUFS%n",
                    seconds,
                    measured.seconds() / seconds,
                    most >> 20,
                    measured.channels().getFirst().lufs());
        } finally {
            Files.delete(file);
        }
    }

    private static void write(Path file, int minutes, int channels) throws IOException {
        double[][] block = new double[channels][];
        for (int c = 0; c < channels; c++) block[c] = Talk.of(100 + 12 * c, c + 1, BLOCK_S, RATE);
        int blocks = minutes * 60 / BLOCK_S;
        try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(file), 1 << 20);
                WavWriter wav =
                        new WavWriter(
                                out,
                                new WavFormat(channels, RATE, 24, false),
                                (long) blocks * BLOCK_S * RATE)) {
            for (int b = 0; b < blocks; b++) wav.write(block, block[0].length);
        }
    }
}
