package rivulus.sound;

import java.io.BufferedInputStream;
import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import rivulus.disk.FileTrouble;
import rivulus.disk.SafeFile;

/// A FLAC file (RFC 9639) that is read from beginning to end: 16 or 24 bits, of a length that it
/// says. Nothing is unpacked beside it, and memory depends neither on its length nor on what it
/// claims.
///
/// What it says of itself is read and weighed here; [FlacFrames] decodes what follows.
final class FlacFile implements SoundFile {
    private static final byte[] MARK = {'f', 'L', 'a', 'C'};

    /// The block that says what is in it: 34 bytes, and the four before each block.
    private static final int INFO = 34;

    private static final int BLOCK_HEAD = 4;

    /// A frame has at least so many bytes, and at most so many samples of each channel.
    private static final int LEAST_FRAME_BYTES = 11;

    private static final long MOST_FRAME_SAMPLES = 65_535;
    private static final int LEAST_RATE = 4_000;

    private final String name;
    private final InputStream in;
    private final FlacFrames decoder;
    private final WavFormat format;
    private final long frames;

    /// What was decoded and not read yet: as many samples from there on in the last frame.
    private int left;

    private int at;
    private long next;

    private FlacFile(
            String name, InputStream in, FlacFrames decoder, WavFormat format, long frames) {
        this.name = name;
        this.in = in;
        this.decoder = decoder;
        this.format = format;
        this.frames = frames;
    }

    /// Whether a file begins as FLAC does.
    static boolean is(Path file) throws IOException {
        try (InputStream in = Files.newInputStream(file)) {
            return Arrays.equals(in.readNBytes(MARK.length), MARK);
        }
    }

    /// Opens a file that begins as FLAC does.
    ///
    /// @throws FileTrouble where it is broken, or not of a kind that is read
    static FlacFile open(Path file) throws IOException, FileTrouble {
        String name = SafeFile.name(file);
        InputStream in = new BufferedInputStream(Files.newInputStream(file), 1 << 16);
        try {
            byte[] info = info(in, name);
            ByteBuffer said = ByteBuffer.wrap(info);
            long packed = said.getLong(10);
            int rate = (int) (packed >>> 44);
            int channels = (int) (packed >>> 41 & 7) + 1;
            int bits = (int) (packed >>> 36 & 31) + 1;
            long samples = packed & 0xFFFFFFFFFL;
            if (rate < LEAST_RATE)
                throw new FileTrouble("%s has a broken FLAC header".formatted(name));
            if (samples == 0)
                throw new FileTrouble("%s does not say how long it is".formatted(name));
            if (bits != 16 && bits != 24)
                throw new FileTrouble(
                        "%s is FLAC of %d bits; 16 and 24 are read".formatted(name, bits));
            long most = (Files.size(file) / LEAST_FRAME_BYTES + 1) * MOST_FRAME_SAMPLES;
            if (samples > most || samples / rate > SoundFile.MOST_HOURS * 3600L)
                throw new FileTrouble(
                        "%s says that it holds %s of sound, more than there can be in it"
                                .formatted(name, WavFile.clock(samples / (double) rate)));
            WavFormat format = new WavFormat(channels, rate, bits, false);
            return new FlacFile(name, in, new FlacFrames(in, format), format, samples);
        } catch (IOException | FileTrouble | RuntimeException broken) {
            in.close();
            throw broken;
        }
    }

    /// What is in it; the stream stands at the first frame then.
    private static byte[] info(InputStream in, String name) throws IOException, FileTrouble {
        in.skipNBytes(MARK.length);
        byte[] info = null;
        try {
            for (boolean last = false; !last; ) {
                byte[] head = in.readNBytes(BLOCK_HEAD);
                if (head.length < BLOCK_HEAD) throw new EOFException();
                last = (head[0] & 0x80) != 0;
                int length = ByteBuffer.wrap(head).getInt() & 0xFFFFFF;
                if ((head[0] & 0x7F) == 0 && length == INFO) info = in.readNBytes(INFO);
                else in.skipNBytes(length);
            }
        } catch (EOFException early) {
            throw new FileTrouble("%s has a broken FLAC header".formatted(name), early);
        }
        if (info == null || info.length < INFO)
            throw new FileTrouble("%s has a broken FLAC header".formatted(name));
        return info;
    }

    @Override
    public String name() {
        return name;
    }

    @Override
    public WavFormat format() {
        return format;
    }

    @Override
    public long frames() {
        return frames;
    }

    @Override
    public List<String> notes() {
        return List.of();
    }

    @Override
    public int read(double[][] into) throws FileTrouble {
        int wanted = (int) Math.min(into[0].length, frames - next);
        int done = 0;
        while (done < wanted) {
            if (left == 0) decodeNext(next + done);
            int here = Math.min(wanted - done, left);
            decoder.copy(at, into, done, here);
            at += here;
            left -= here;
            done += here;
        }
        next += done;
        return done;
    }

    private void decodeNext(long done) throws FileTrouble {
        try {
            left = decoder.next();
            at = 0;
        } catch (IOException broken) {
            throw broken(done, broken);
        }
    }

    private FileTrouble broken(long done, Exception why) {
        return new FileTrouble(
                "%s is broken after %d of its %d samples".formatted(name, done, frames), why);
    }

    @Override
    public void close() throws FileTrouble {
        try {
            in.close();
        } catch (IOException broken) {
            throw new FileTrouble("%s cannot be closed".formatted(name), broken);
        }
    }
}
