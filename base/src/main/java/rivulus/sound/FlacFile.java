package rivulus.sound;

import java.io.BufferedInputStream;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.kc7bfi.jflac.FLACDecoder;
import org.kc7bfi.jflac.frame.Frame;
import org.kc7bfi.jflac.metadata.StreamInfo;
import org.kc7bfi.jflac.util.ByteData;
import rivulus.disk.FileTrouble;

/// A FLAC file, unpacked once to a WAV file that goes with the program: 16 or 24 bits, of a length
/// that it says. Memory does not depend on its length.
final class FlacFile {
    private static final byte[] MARK = {'f', 'L', 'a', 'C'};
    private static final Map<Key, Path> UNPACKED = new ConcurrentHashMap<>();

    private FlacFile() {}

    /// What a file was when it was unpacked.
    private record Key(Path file, long size, long changed) {}

    /// Whether a file begins as FLAC does.
    static boolean is(Path file) throws IOException {
        try (InputStream in = Files.newInputStream(file)) {
            return Arrays.equals(in.readNBytes(MARK.length), MARK);
        }
    }

    /// The WAV file that it was unpacked to.
    ///
    /// @throws FileTrouble where it is broken, or not of a kind that is read
    static Path unpacked(Path file) throws IOException, FileTrouble {
        Key key =
                new Key(
                        file.toAbsolutePath(),
                        Files.size(file),
                        Files.getLastModifiedTime(file).toMillis());
        Path known = UNPACKED.get(key);
        if (known != null && Files.exists(known)) return known;
        Path wav = Files.createTempFile("rivulus", ".wav");
        wav.toFile().deleteOnExit();
        try {
            unpack(file, wav);
        } catch (IOException | FileTrouble | RuntimeException broken) {
            Files.deleteIfExists(wav);
            throw broken;
        }
        UNPACKED.put(key, wav);
        return wav;
    }

    private static void unpack(Path file, Path wav) throws IOException, FileTrouble {
        String name = file.getFileName().toString();
        try (InputStream in = new BufferedInputStream(Files.newInputStream(file), 1 << 16)) {
            FLACDecoder decoder = new FLACDecoder(in);
            StreamInfo info = begun(decoder, name);
            WavFormat format =
                    new WavFormat(
                            info.getChannels(),
                            info.getSampleRate(),
                            info.getBitsPerSample(),
                            false);
            long bytes = info.getTotalSamples() * format.frameBytes();
            if (bytes > Files.getFileStore(wav).getUsableSpace())
                throw new FileTrouble(
                        "%s unpacks to %d MB, and there is no room for that in %s"
                                .formatted(name, bytes >> 20, wav.getParent()));
            try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(wav), 1 << 16)) {
                decode(decoder, name, format, out, info.getTotalSamples());
            }
        }
    }

    /// Writes all frames; what ends early is refused before silence is written for the rest.
    private static void decode(
            FLACDecoder decoder, String name, WavFormat format, OutputStream out, long frames)
            throws IOException, FileTrouble {
        WavWriter writer = new WavWriter(out, format, frames);
        long done = 0;
        ByteData bytes = null;
        while (done < frames) {
            bytes = next(decoder, bytes, name, done, frames);
            int count = bytes.getLen() / format.frameBytes();
            writer.write(samples(bytes.getData(), count, format), count);
            done += count;
        }
        writer.close();
    }

    private static StreamInfo begun(FLACDecoder decoder, String name) throws FileTrouble {
        StreamInfo info;
        try {
            decoder.readMetadata();
            info = decoder.getStreamInfo();
        } catch (IOException | RuntimeException broken) {
            throw new FileTrouble("%s has a broken FLAC header".formatted(name), broken);
        }
        if (info == null || info.getTotalSamples() <= 0)
            throw new FileTrouble("%s does not say how long it is".formatted(name));
        int bits = info.getBitsPerSample();
        if (bits != 16 && bits != 24)
            throw new FileTrouble(
                    "%s is FLAC of %d bits; 16 and 24 are read".formatted(name, bits));
        return info;
    }

    /// The samples of the next frame, byte by byte; in the same place as those before, where that
    /// is large enough.
    private static ByteData next(
            FLACDecoder decoder, ByteData into, String name, long done, long frames)
            throws FileTrouble {
        try {
            Frame frame = decoder.readNextFrame();
            if (frame != null && decoder.getBadFrames() == 0)
                return decoder.decodeFrame(frame, into);
        } catch (IOException | RuntimeException broken) {
            throw broken(name, done, frames, broken);
        }
        throw broken(name, done, frames, null);
    }

    private static FileTrouble broken(String name, long done, long frames, Exception why) {
        String words = "%s is broken after %d of its %d samples".formatted(name, done, frames);
        return why == null ? new FileTrouble(words) : new FileTrouble(words, why);
    }

    private static double[][] samples(byte[] bytes, int count, WavFormat format) {
        int width = format.bits() / 8;
        double full = 1 << format.bits() - 1;
        double[][] samples = new double[format.channels()][count];
        int at = 0;
        for (int i = 0; i < count; i++)
            for (double[] channel : samples) {
                int value = bytes[at + width - 1];
                for (int b = width - 2; b >= 0; b--) value = value << 8 | bytes[at + b] & 0xFF;
                channel[i] = value / full;
                at += width;
            }
        return samples;
    }
}
