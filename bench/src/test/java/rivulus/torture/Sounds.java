package rivulus.torture;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import java.util.stream.Stream;
import net.sourceforge.javaflacencoder.FLAC_FileEncoder;
import net.sourceforge.javaflacencoder.StreamConfiguration;
import rivulus.disk.FileTrouble;
import rivulus.file.Journal;
import rivulus.file.ShowFile;
import rivulus.file.Templates;
import rivulus.show.Show;
import rivulus.sound.Talk;
import rivulus.sound.WavFormat;
import rivulus.sound.WavWriter;

/// Sound files that are sound, to be broken.
final class Sounds {
    private static final int RATE = 16_000;

    /// A second of talk in stereo.
    static final byte[] WAV;

    /// The same.
    static final byte[] FLAC;

    static {
        try {
            Path folder = Files.createTempDirectory("rivulus-sounds");
            Path wav = folder.resolve("a.wav");
            Path flac = folder.resolve("a.flac");
            double[][] talk = {Talk.of(110, 1, 1, RATE), Talk.of(190, 2, 1, RATE)};
            try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(wav));
                    WavWriter writer =
                            new WavWriter(out, new WavFormat(2, RATE, 16, false), talk[0].length)) {
                writer.write(talk, talk[0].length);
            }
            FLAC_FileEncoder encoder = new FLAC_FileEncoder();
            encoder.useThreads(false);
            encoder.setStreamConfig(new StreamConfiguration());
            encoder.encode(wav.toFile(), flac.toFile());
            WAV = Files.readAllBytes(wav);
            FLAC = Files.readAllBytes(flac);
            for (Path file : new Path[] {wav, flac, folder}) Files.delete(file);
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    private Sounds() {}

    /// The journal of a program that made a few edits.
    static String journal(String show) {
        try {
            Path folder = Files.createTempDirectory("rivulus-journals");
            Journal journal = Journal.in(folder);
            Show now = ShowFile.parse(show, "a", Templates.shipped());
            for (int edit = 0; edit < 5; edit++)
                journal.keep(now.titled("Edit " + edit), Optional.of(Path.of("/shows/a.rivulus")));
            try (Stream<Path> files = Files.list(folder)) {
                Path written =
                        files.filter(f -> f.toString().endsWith(".journal"))
                                .findFirst()
                                .orElseThrow();
                return Files.readString(written);
            } finally {
                journal.close();
                Files.delete(folder);
            }
        } catch (IOException | FileTrouble failed) {
            throw new IllegalStateException(failed);
        }
    }
}
