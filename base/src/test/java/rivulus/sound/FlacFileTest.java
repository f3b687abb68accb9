package rivulus.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Random;
import java.util.stream.Stream;
import net.sourceforge.javaflacencoder.FLAC_FileEncoder;
import net.sourceforge.javaflacencoder.StreamConfiguration;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import rivulus.disk.FileTrouble;

/// FLAC against the WAV file that it was made from.
class FlacFileTest {
    @TempDir Path folder;

    private Path wav(int channels, int bits, int rate) throws Exception {
        Path wav = folder.resolve("a.wav");
        double[][] sound = new double[channels][];
        for (int c = 0; c < channels; c++) sound[c] = Talk.of(110 + 40 * c, c + 1, 3, rate);
        try (OutputStream out = Files.newOutputStream(wav);
                WavWriter writer =
                        new WavWriter(
                                out, new WavFormat(channels, rate, bits, false), sound[0].length)) {
            writer.write(sound, sound[0].length);
        }
        return wav;
    }

    private Path flac(Path wav) {
        Path flac = folder.resolve("a.flac");
        FLAC_FileEncoder encoder = new FLAC_FileEncoder();
        encoder.useThreads(false);
        encoder.setStreamConfig(new StreamConfiguration());
        assertThat(encoder.encode(wav.toFile(), flac.toFile()))
                .isEqualTo(FLAC_FileEncoder.Status.FULL_ENCODE);
        return flac;
    }

    @ParameterizedTest
    @CsvSource({"1, 16, 48000", "2, 16, 44100", "2, 24, 48000", "1, 24, 96000"})
    void itIsMeasuredAsTheWavFileThatItCameFrom(int channels, int bits, int rate) throws Exception {
        Path wav = wav(channels, bits, rate);
        Path flac = flac(wav);
        assertThat(Files.size(flac)).isLessThan(Files.size(wav));
        Measured from = Measuring.of(wav, _ -> true).orElseThrow();
        Measured to = Measuring.of(flac, _ -> true).orElseThrow();
        assertThat(to.name()).isEqualTo("a.flac");
        assertThat(to.format()).isEqualTo(from.format());
        assertThat(to.seconds()).isEqualTo(from.seconds());
        for (int c = 0; c < channels; c++) {
            assertThat(to.channels().get(c).lufs()).isEqualTo(from.channels().get(c).lufs());
            assertThat(to.channels().get(c).truePeakDbtp())
                    .isEqualTo(from.channels().get(c).truePeakDbtp());
            assertThat(Comparing.read(flac, c).samples())
                    .isEqualTo(Comparing.read(wav, c).samples());
        }
    }

    @Test
    void aBrokenOneIsRefusedInWordsHoweverItIsBroken() throws Exception {
        byte[] good = Files.readAllBytes(flac(wav(2, 16, 48_000)));
        Path half = Files.write(folder.resolve("half.flac"), Arrays.copyOf(good, good.length / 2));
        assertThatThrownBy(() -> Measuring.of(half, _ -> true))
                .isInstanceOf(FileTrouble.class)
                .hasMessageMatching("half.flac is broken after \\d+ of its 144000 samples");
        Path head = Files.write(folder.resolve("head.flac"), Arrays.copyOf(good, 20));
        assertThatThrownBy(() -> Measuring.of(head, _ -> true))
                .isInstanceOf(FileTrouble.class)
                .hasMessage("head.flac has a broken FLAC header");
        Random random = new Random(7);
        for (int n = 0; n < 200; n++) {
            byte[] bytes = good.clone();
            for (int b = 0; b < 1 + random.nextInt(20); b++)
                bytes[4 + random.nextInt(n % 2 == 0 ? 60 : bytes.length - 4)] =
                        (byte) random.nextInt();
            Path file = Files.write(folder.resolve("x" + n + ".flac"), bytes);
            try {
                Measuring.of(file, _ -> true).orElseThrow();
            } catch (FileTrouble told) {
                assertThat(told.getMessage()).startsWith("x" + n + ".flac ").doesNotContain("\n");
            }
        }
    }

    /// A header may say what it likes: nothing is laid out for it, and nothing beside it.
    @Test
    void whatItClaimsCostsNothing() throws Exception {
        byte[] good = Files.readAllBytes(flac(wav(1, 16, 48_000)));
        byte[] claims = Arrays.copyOf(good, 110);
        for (int b = 21; b < 26; b++) claims[b] |= (byte) (b == 21 ? 0x0F : 0xFF);
        Path file = Files.write(folder.resolve("claims.flac"), claims);
        assertThatThrownBy(() -> SoundFile.open(file))
                .isInstanceOf(FileTrouble.class)
                .hasMessageContaining("more than there can be in it");
        Path temporary = Path.of(System.getProperty("java.io.tmpdir"));
        long before = wavs(temporary);
        Measuring.of(flac(wav(2, 24, 48_000)), _ -> true).orElseThrow();
        assertThat(wavs(temporary)).isEqualTo(before);
    }

    private static long wavs(Path folder) throws Exception {
        try (Stream<Path> files = Files.list(folder)) {
            return files.filter(f -> f.getFileName().toString().startsWith("rivulus"))
                    .filter(f -> f.toString().endsWith(".wav"))
                    .count();
        }
    }

    /// A picture that is larger than the file, before the sound.
    @Test
    void whatStandsBeforeTheSoundIsSkipped() throws Exception {
        byte[] good = Files.readAllBytes(flac(wav(1, 16, 48_000)));
        byte[] with = new byte[good.length + 4 + 900];
        System.arraycopy(good, 0, with, 0, 42);
        boolean last = (good[4] & 0x80) != 0;
        with[4] &= 0x7F;
        with[42] = (byte) (last ? 0x86 : 6);
        with[44] = (byte) (900 >> 8);
        with[45] = (byte) 900;
        System.arraycopy(good, 42, with, 946, good.length - 42);
        Path picture = Files.write(folder.resolve("picture.flac"), with);
        assertThat(Measuring.of(picture, _ -> true).orElseThrow().seconds()).isEqualTo(3);
        with[43] = (byte) 0xFF;
        Path larger = Files.write(folder.resolve("larger.flac"), with);
        assertThatThrownBy(() -> SoundFile.open(larger)).hasMessageContaining("broken FLAC header");
    }

    @Test
    void itIsGivenUpWhenNobodyWantsItAnyMore() throws Exception {
        assertThat(Measuring.of(flac(wav(1, 16, 48_000)), _ -> false)).isEmpty();
    }
}
