package rivulus.sound;

import java.io.BufferedInputStream;
import java.io.ByteArrayInputStream;
import java.io.EOFException;
import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.SequenceInputStream;
import java.nio.ByteBuffer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import org.kc7bfi.jflac.FLACDecoder;
import org.kc7bfi.jflac.frame.Frame;
import org.kc7bfi.jflac.util.ByteData;
import rivulus.disk.FileTrouble;

/// A FLAC file (RFC 9639) that is read from beginning to end: 16 or 24 bits, of a length that it
/// says. Nothing is unpacked beside it, and memory depends neither on its length nor on what it
/// claims.
///
/// What it says of itself is read and weighed here; the decoder is given that and the frames, from
/// a stream that ends for good. So whatever is broken in it, it is refused after as much work as it
/// has bytes.
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
    private final FLACDecoder decoder;
    private final WavFormat format;
    private final long frames;
    private ByteData bytes;

    /// What was decoded and not read yet: as many samples from there on in the bytes.
    private int left;

    private int at;
    private long next;

    private FlacFile(
            String name, InputStream in, FLACDecoder decoder, WavFormat format, long frames) {
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
        String name = file.getFileName().toString();
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
            FLACDecoder decoder = decoder(info, new Ending(in));
            return new FlacFile(
                    name, in, decoder, new WavFormat(channels, rate, bits, false), samples);
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

    private static FLACDecoder decoder(byte[] info, InputStream frames)
            throws IOException, FileTrouble {
        ByteBuffer head = ByteBuffer.allocate(MARK.length + BLOCK_HEAD + INFO);
        head.put(MARK).putInt(0x80 << 24 | INFO).put(info);
        FLACDecoder decoder =
                new FLACDecoder(
                        new SequenceInputStream(new ByteArrayInputStream(head.array()), frames));
        decoder.readMetadata();
        return decoder;
    }

    /// A stream of which the end cannot be read over and over.
    private static final class Ending extends FilterInputStream {
        private static final int OFTEN = 64;
        private int ends;

        Ending(InputStream in) {
            super(in);
        }

        private int told(int read) throws IOException {
            if (read < 0 && ++ends > OFTEN) throw new EOFException("it ends early");
            return read;
        }

        @Override
        public int read() throws IOException {
            return told(in.read());
        }

        @Override
        public int read(byte[] into, int from, int length) throws IOException {
            return told(in.read(into, from, length));
        }
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
            copy(into, done, here);
            left -= here;
            done += here;
        }
        next += done;
        return done;
    }

    /// The samples of the next frame, byte by byte; in the same place as those before, where that
    /// is large enough.
    private void decodeNext(long done) throws FileTrouble {
        try {
            Frame frame = decoder.readNextFrame();
            if (frame == null
                    || decoder.getBadFrames() > 0
                    || frame.header.channels != format.channels()
                    || frame.header.bitsPerSample != format.bits()) throw broken(done, null);
            bytes = decoder.decodeFrame(frame, bytes);
        } catch (IOException | RuntimeException broken) {
            throw broken(done, broken);
        }
        left = bytes.getLen() / format.frameBytes();
        at = 0;
        if (left == 0) throw broken(done, null);
    }

    private FileTrouble broken(long done, Exception why) {
        String words = "%s is broken after %d of its %d samples".formatted(name, done, frames);
        return why == null ? new FileTrouble(words) : new FileTrouble(words, why);
    }

    private void copy(double[][] into, int from, int count) {
        byte[] raw = bytes.getData();
        int width = format.bits() / 8;
        double full = 1 << format.bits() - 1;
        for (int i = from; i < from + count; i++)
            for (int c = 0; c < format.channels(); c++) {
                int value = raw[at + width - 1];
                for (int b = width - 2; b >= 0; b--) value = value << 8 | raw[at + b] & 0xFF;
                into[c][i] = value / full;
                at += width;
            }
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
