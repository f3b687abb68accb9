package rivulus.sound;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.channels.FileChannel;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.Optional;
import rivulus.disk.FileTrouble;
import rivulus.disk.SafeFile;

/// The header of a WAV file whose recorder was cut off, by its power or its card: it says no
/// length, or another one than there is. Two figures of four bytes each are written; the sound is
/// not touched.
///
/// @param file the recording
/// @param dataAt where its samples begin, in bytes
/// @param bytes how many there are
/// @param seconds how long that is
public record WavMending(Path file, long dataAt, long bytes, double seconds) {
    private static final long MOST = 0xFFFFFFFEL;
    private static final int SIZE_AT = 4;
    private static final int RIFF_HEAD = 8;

    /// What could be mended of a file; empty where its header says what is there, or cannot say it.
    public static Optional<WavMending> of(Path file) throws FileTrouble {
        try (SoundFile sound = SoundFile.open(file)) {
            if (!(sound instanceof WavFile wav)) return Optional.empty();
            long bytes = wav.frames() * wav.format().frameBytes();
            long at = wav.dataAt();
            return wav.isWhole() || bytes == 0 || at + bytes > MOST
                    ? Optional.empty()
                    : Optional.of(new WavMending(file, at, bytes, wav.seconds()));
        }
    }

    /// What would be written, in a sentence.
    public String words() {
        return "The header of %s does not say that %s of sound are there; two figures in it would be written, and no sound."
                .formatted(SafeFile.name(file), WavFile.clock(seconds));
    }

    /// Writes it.
    ///
    /// @throws FileTrouble where the file cannot be written to, or has changed meanwhile
    public void write() throws FileTrouble {
        if (!of(file).equals(Optional.of(this)))
            throw new FileTrouble(
                    SafeFile.name(file) + " has changed meanwhile; it is left as it is");
        try (FileChannel channel = FileChannel.open(file, StandardOpenOption.WRITE)) {
            put(channel, dataAt - SIZE_AT, bytes);
            put(channel, SIZE_AT, Math.max(channel.size(), dataAt + bytes) - RIFF_HEAD);
            channel.force(false);
        } catch (IOException failed) {
            throw new FileTrouble(
                    "%s cannot be written to: %s"
                            .formatted(SafeFile.name(file), SafeFile.why(failed)),
                    failed);
        }
    }

    private static void put(FileChannel channel, long at, long size) throws IOException {
        ByteBuffer bytes = ByteBuffer.allocate(4).order(ByteOrder.LITTLE_ENDIAN);
        bytes.putInt(0, (int) Math.min(size, 0xFFFFFFFFL));
        channel.write(bytes, at);
    }
}
