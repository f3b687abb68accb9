package rivulus.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import rivulus.disk.FileTrouble;

/// WAV files as they are written, and as they come from broken cards, cut recordings and jokers.
class WavFileTest {
    @TempDir Path folder;

    private Path file(byte[] bytes) throws IOException {
        return Files.write(Files.createTempFile(folder, "odd", ".wav"), bytes);
    }

    /// A header that says what it likes over some bytes of sound.
    private static byte[] wav(
            int kind, int channels, int rate, int bits, long dataLength, byte[] data)
            throws IOException {
        ByteBuffer head = ByteBuffer.allocate(44).order(ByteOrder.LITTLE_ENDIAN);
        head.put("RIFF".getBytes()).putInt(36 + data.length).put("WAVE".getBytes());
        head.put("fmt ".getBytes()).putInt(16).putShort((short) kind).putShort((short) channels);
        head.putInt(rate).putInt(rate * channels * bits / 8);
        head.putShort((short) (channels * bits / 8)).putShort((short) bits);
        head.put("data".getBytes()).putInt((int) dataLength);
        ByteArrayOutputStream all = new ByteArrayOutputStream();
        all.write(head.array());
        all.write(data);
        return all.toByteArray();
    }

    private static double[][] read(Path file) throws FileTrouble {
        try (SoundFile wav = SoundFile.open(file)) {
            double[][] all = new double[wav.format().channels()][(int) wav.frames()];
            double[][] some = new double[all.length][1000];
            int at = 0;
            for (int n = wav.read(some); n > 0; n = wav.read(some)) {
                for (int c = 0; c < all.length; c++) System.arraycopy(some[c], 0, all[c], at, n);
                at += n;
            }
            assertThat(at).isEqualTo(all[0].length);
            return all;
        }
    }

    @ParameterizedTest(name = "{0} bit, float {1}")
    @CsvSource({"16, false", "24, false", "32, true"})
    void whatIsWrittenIsRead(int bits, boolean isFloat) throws FileTrouble {
        double[] left = new Tones().tone(997, -3, 0.1).samples();
        double[] right = new Tones().noise(-30, 0.1, 7).samples();
        double[][] back = read(Tones.write(folder, 44_100, bits, isFloat, left, right));
        double step = isFloat ? 1e-7 : Math.pow(2, 1 - bits);
        for (int i = 0; i < left.length; i++) {
            assertThat(back[0][i]).isCloseTo(left[i], within(step));
            assertThat(back[1][i]).isCloseTo(right[i], within(step));
        }
    }

    @Test
    void whatIsLouderThanFullScaleIsClippedButInFloatingPoint() throws FileTrouble {
        double[] loud = {1.5, -1.5};
        assertThat(read(Tones.write(folder, 48_000, 24, false, loud))[0])
                .containsExactly(1 - Math.pow(2, -23), -1);
        assertThat(read(Tones.write(folder, 48_000, 32, true, loud))[0]).containsExactly(1.5, -1.5);
    }

    @Test
    void aCutRecordingIsReadAsFarAsItGoesAndSaysSo() throws Exception {
        byte[] second = new byte[48_000 * 2];
        Path cut = file(wav(1, 1, 48_000, 16, 10L * 48_000 * 2, second));
        Measured measured = Tones.of(cut);
        assertThat(measured.seconds()).isEqualTo(1);
        assertThat(measured.notes())
                .containsExactly(
                        "It ends 9.0 s before its header says: all that is there was read.");
        assertThat(Tones.of(file(wav(1, 1, 48_000, 16, 0xFFFFFFFFL, second))).notes().getFirst())
                .contains("does not say how long it is");
        assertThat(Tones.of(file(wav(1, 1, 48_000, 16, 0, second))).seconds()).isEqualTo(1);
    }

    /// A card is filled with zeros beforehand, and the power fails.
    @Test
    void zerosBehindAHeaderAreToldAndNotWalked() throws Exception {
        byte[] head = Arrays.copyOf(wav(1, 1, 48_000, 16, 0, new byte[0]), 36);
        Path died = folder.resolve("died.wav");
        try (RandomAccessFile file = new RandomAccessFile(died.toFile(), "rw")) {
            file.write(head);
            file.setLength(3_000_000_000L);
        }
        assertThatThrownBy(() -> SoundFile.open(died))
                .hasMessage(
                        "died.wav holds no sound: its header ends at byte 36, and behind it are"
                                + " zeros: the recorder was cut off before it wrote any");
        byte[] sound = new byte[5 * 48_000 * 2];
        Arrays.fill(sound, 0, 48_000 * 2, (byte) 17);
        Measured measured = Tones.of(file(wav(1, 1, 48_000, 16, 0, sound)));
        assertThat(measured.seconds()).isEqualTo(1);
        assertThat(measured.notes())
                .containsExactly(
                        "Its header does not say how long it is: a recording that was cut off. Its"
                                + " sound ends after 1.0 s; behind that are zeros.");
    }

    /// Of a recording that was cut off two figures are written, and not a byte of sound.
    @ParameterizedTest
    @ValueSource(longs = {0, 0xFFFFFFFFL, 480_000, 10})
    void theHeaderOfACutRecordingIsMended(long says) throws Exception {
        byte[] sound = new byte[48_000 * 2];
        Arrays.fill(sound, (byte) 17);
        byte[] before = wav(1, 1, 48_000, 16, says, sound);
        Path cut = file(before);
        Optional<WavMending> mending = WavMending.of(cut);
        if (says == 10) {
            assertThat(mending).as("what stands behind the sound may be anything").isEmpty();
            return;
        }
        assertThat(mending.orElseThrow().words()).contains("1.0 s of sound");
        mending.get().write();
        assertThat(WavMending.of(cut)).isEmpty();
        assertThat(Tones.of(cut).notes()).isEmpty();
        assertThat(Tones.of(cut).seconds()).isEqualTo(1);
        assertThat(Files.readAllBytes(cut)).isEqualTo(wav(1, 1, 48_000, 16, sound.length, sound));
        assertThatThrownBy(() -> mending.get().write()).hasMessageContaining("changed meanwhile");
    }

    @ParameterizedTest(name = "{0} channels, {1} Hz, {2} bit, kind {3}: {4}")
    @CsvSource({
        "0, 48000, 16, 1, no channels (byte 22)",
        "10000, 48000, 16, 1, 10000 channels (byte 22); at most 256",
        "2, 1, 16, 1, 1 Hz (byte 24); 4000 to 768000",
        "1, 48000, 8, 1, PCM of 8 bits (byte 20)",
        "2, 48000, 16, 85, samples of kind 85 (byte 20)"
    })
    void whatCannotBeIsSaidWithItsPlace(int channels, int rate, int bits, int kind, String says)
            throws IOException {
        Path odd = file(wav(kind, channels, rate, bits, 100, new byte[100]));
        assertThatThrownBy(() -> SoundFile.open(odd))
                .isInstanceOf(FileTrouble.class)
                .hasMessageContaining(says)
                .hasMessageContaining(odd.getFileName().toString());
    }

    @Test
    void whatIsNoWavSaysSo() throws IOException {
        Path text = file("Dear Maren, here is the recording".getBytes());
        assertThatThrownBy(() -> SoundFile.open(text))
                .hasMessageContaining("is neither WAV nor FLAC");
        Path nothing = file(new byte[0]);
        assertThatThrownBy(() -> SoundFile.open(nothing))
                .hasMessageContaining("is neither WAV nor FLAC");
        assertThatThrownBy(() -> SoundFile.open(folder)).hasMessageContaining("is a folder");
        assertThatThrownBy(() -> SoundFile.open(folder.resolve("gone.wav")))
                .hasMessageContaining("there is no such file");
        byte[] whole = wav(1, 1, 48_000, 16, 10, new byte[10]);
        for (int length = 0; length < 44; length++) {
            Path cut = file(Arrays.copyOf(whole, length));
            assertThatThrownBy(() -> SoundFile.open(cut)).isInstanceOf(FileTrouble.class);
        }
    }

    @Test
    void whatIsNoNumberIsSilenceAndCounted() throws Exception {
        ByteBuffer data = ByteBuffer.allocate(48_000 * 4).order(ByteOrder.LITTLE_ENDIAN);
        for (int i = 0; i < 48_000; i++)
            data.putFloat(
                    i % 1000 == 3 ? Float.NaN : i % 1000 == 5 ? Float.NEGATIVE_INFINITY : 0.1f);
        Measured measured = Tones.of(file(wav(3, 1, 48_000, 32, 48_000 * 4, data.array())));
        assertThat(measured.notes())
                .containsExactly("96 samples are no number or infinite, and were read as silence.");
        assertThat(measured.channels().getFirst().lufs()).isFinite();
        assertThat(measured.channels().getFirst().peakDbfs()).isCloseTo(-20, within(0.01));
    }

    /// A file of 20 GB that takes no room on the disk: its length is believed, nothing is kept.
    @Test
    void twentyGigabytesAreReadInBoundedMemoryAndCanBeEnded() throws Exception {
        Path sparse = folder.resolve("sparse.wav");
        try (RandomAccessFile file = new RandomAccessFile(sparse.toFile(), "rw")) {
            ByteBuffer head = ByteBuffer.allocate(80).order(ByteOrder.LITTLE_ENDIAN);
            long data = 20_000_000_000L;
            head.put("RF64".getBytes()).putInt(-1).put("WAVE".getBytes());
            head.put("ds64".getBytes()).putInt(28).putLong(data + 72).putLong(data).putLong(0);
            head.putInt(0);
            head.put("fmt ".getBytes()).putInt(16).putShort((short) 1).putShort((short) 8);
            head.putInt(48_000).putInt(48_000 * 16).putShort((short) 16).putShort((short) 16);
            head.put("data".getBytes()).putInt(-1);
            file.write(head.array());
            file.setLength(80 + data);
        }
        try (SoundFile wav = SoundFile.open(sparse)) {
            assertThat(wav.frames()).isEqualTo(1_250_000_000L);
            assertThat(wav.seconds()).isCloseTo(26_041, within(1.0));
        }
        double[] asked = new double[1];
        Optional<Measured> ended =
                Measuring.of(
                        sparse,
                        done -> {
                            asked[0] = done;
                            return done < 0.0005;
                        });
        assertThat(ended).isEmpty();
        assertThat(asked[0]).isBetween(0.0005, 0.01);
    }

    @Test
    void aFileThatGrowsWhileItIsReadIsReadAsItWas() throws Exception {
        Path growing = new Tones().tone(440, -20, 2).file(folder, 16, false);
        boolean[] grown = {false};
        Optional<Measured> measured =
                Measuring.of(
                        growing,
                        _ -> {
                            if (!grown[0]) append(growing);
                            grown[0] = true;
                            return true;
                        });
        assertThat(measured.orElseThrow().seconds()).isEqualTo(2);
    }

    private static void append(Path file) {
        try {
            Files.write(file, new byte[100_000], java.nio.file.StandardOpenOption.APPEND);
        } catch (IOException broken) {
            throw new java.io.UncheckedIOException(broken);
        }
    }

    @Test
    void aFileThatShrinksWhileItIsReadEndsWhereItEnds() throws Exception {
        Path shrinking = new Tones().tone(440, -20, 20).file(folder, 16, false);
        boolean[] cut = {false};
        Measured measured =
                Measuring.of(
                                shrinking,
                                _ -> {
                                    if (!cut[0]) truncate(shrinking, 2_000_000);
                                    cut[0] = true;
                                    return true;
                                })
                        .orElseThrow();
        assertThat(measured.seconds()).isBetween(5.0, 12.0);
        assertThat(measured.notes()).singleElement().asString().contains("became shorter");
    }

    private static void truncate(Path file, long length) {
        try (RandomAccessFile access = new RandomAccessFile(file.toFile(), "rw")) {
            access.setLength(length);
        } catch (IOException broken) {
            throw new java.io.UncheckedIOException(broken);
        }
    }
}
