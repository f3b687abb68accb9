package rivulus.sound;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.List;
import rivulus.disk.FileTrouble;
import rivulus.disk.SafeFile;

/// A WAV file that is read from beginning to end: RIFF/WAVE, Broadcast Wave (EBU Tech 3285) and
/// RF64 (EBU Tech 3306); PCM of 16, 24 and 32 bits, floating point of 32 and 64.
///
/// Reads in blocks of its own; memory does not depend on its length. What is wrong with it and can
/// be borne is a note ([#notes()]); what cannot is refused with the place. A sample that is not a
/// number, or infinite, is read as silence and counted.
public final class WavFile implements SoundFile {
    /// More channels are not read.
    public static final int MOST_CHANNELS = 256;

    private static final int LEAST_RATE = 4_000;
    private static final int MOST_RATE = 768_000;
    private static final int PCM = 1;
    private static final int FLOAT = 3;
    private static final int EXTENSIBLE = 0xFFFE;
    private static final int BLOCK_BYTES = 1 << 18;
    private static final long UNKNOWN = 0xFFFFFFFFL;

    /// More parts than any header has.
    private static final int MOST_CHUNKS = 1000;

    private final String name;
    private final FileChannel channel;
    private final List<String> notes = new ArrayList<>();
    private WavFormat format;
    private long frames;
    private long dataAt;
    private boolean whole = true;

    /// RF64 and BW64 say their length in a part of its own.
    private boolean saysElsewhere;

    private long next;
    private long lost;
    private ByteBuffer bytes;

    private WavFile(String name, FileChannel channel) {
        this.name = name;
        this.channel = channel;
    }

    /// Opens a file.
    ///
    /// @throws FileTrouble where it is no WAV that this program can read; says why, and at which
    ///     byte
    static WavFile open(Path file) throws IOException, FileTrouble {
        String name = SafeFile.name(file);
        FileChannel channel = FileChannel.open(file, StandardOpenOption.READ);
        WavFile wav = new WavFile(name, channel);
        try {
            wav.readHeader();
            return wav;
        } catch (IOException | FileTrouble | RuntimeException broken) {
            channel.close();
            throw broken;
        }
    }

    // The header

    private void readHeader() throws IOException, FileTrouble {
        ByteBuffer head = at(0, 12);
        String riff = head == null ? "" : text(head, 0);
        boolean rf64 = riff.equals("RF64") || riff.equals("BW64");
        if (head == null || !rf64 && !riff.equals("RIFF") || !text(head, 8).equals("WAVE"))
            throw new FileTrouble(
                    "%s is neither WAV nor FLAC: it does not begin with RIFF and WAVE"
                            .formatted(name));
        saysElsewhere = rf64;
        long size = channel.size();
        long dataSize64 = -1;
        long place = 12;
        for (int chunks = 0; ; chunks++) {
            ByteBuffer chunk = at(place, 8);
            if (chunk == null)
                throw new FileTrouble(
                        format == null
                                ? "%s has no format: its header ends at byte %d"
                                        .formatted(name, size)
                                : "%s holds no sound: no data begins before byte %d, its end"
                                        .formatted(name, size));
            String id = text(chunk, 0);
            if (!isName(chunk) || chunks == MOST_CHUNKS)
                throw new FileTrouble(
                        "%s holds no sound: its header ends at byte %d, and behind it %s"
                                .formatted(name, place, behind(chunk)));
            long length = chunk.getInt(4) & UNKNOWN;
            if (id.equals("ds64")) {
                ByteBuffer sizes = at(place + 8, 16);
                if (sizes != null) dataSize64 = sizes.getLong(8);
            } else if (id.equals("fmt ")) {
                readFormat(place + 8, length);
            } else if (id.equals("data")) {
                if (format == null)
                    throw new FileTrouble(
                            "%s has sound at byte %d before it says what kind"
                                    .formatted(name, place));
                boolean told = !(rf64 && length == UNKNOWN && dataSize64 >= 0);
                begin(place + 8, told ? length : dataSize64, told && length == UNKNOWN);
                return;
            }
            place += 8 + length + (length & 1);
        }
    }

    private static boolean isName(ByteBuffer chunk) {
        for (int i = 0; i < 4; i++) if (chunk.get(i) < ' ' || chunk.get(i) > '~') return false;
        return true;
    }

    private static String behind(ByteBuffer chunk) {
        return chunk.getLong(0) == 0
                ? "are zeros: the recorder was cut off before it wrote any"
                : "is nothing that belongs there";
    }

    private void readFormat(long place, long length) throws IOException, FileTrouble {
        ByteBuffer fmt = length < 16 ? null : at(place, 16);
        if (fmt == null)
            throw new FileTrouble(
                    "%s has a broken format at byte %d: %d bytes where 16 are needed"
                            .formatted(name, place, length));
        int kind = fmt.getShort(0) & 0xFFFF;
        int channels = fmt.getShort(2) & 0xFFFF;
        long rate = fmt.getInt(4) & UNKNOWN;
        int bits = fmt.getShort(14) & 0xFFFF;
        if (kind == EXTENSIBLE) {
            ByteBuffer more = length < 40 ? null : at(place + 24, 2);
            if (more == null)
                throw new FileTrouble(
                        "%s does not say what its samples are (byte %d)".formatted(name, place));
            kind = more.getShort(0) & 0xFFFF;
        }
        if (channels == 0)
            throw new FileTrouble(
                    "%s says that it has no channels (byte %d)".formatted(name, place + 2));
        if (channels > MOST_CHANNELS)
            throw new FileTrouble(
                    "%s says that it has %d channels (byte %d); at most %d are read"
                            .formatted(name, channels, place + 2, MOST_CHANNELS));
        if (rate < LEAST_RATE || rate > MOST_RATE)
            throw new FileTrouble(
                    "%s says %d Hz (byte %d); %d to %d are read"
                            .formatted(name, rate, place + 4, LEAST_RATE, MOST_RATE));
        boolean pcm = kind == PCM && (bits == 16 || bits == 24 || bits == 32);
        boolean floating = kind == FLOAT && (bits == 32 || bits == 64);
        if (!pcm && !floating)
            throw new FileTrouble(
                    "%s holds %s (byte %d); PCM of 16, 24 or 32 bits and floating point of 32 or 64 are read"
                            .formatted(name, kindOf(kind, bits), place));
        format = new WavFormat(channels, (int) rate, bits, floating);
    }

    private static String kindOf(int kind, int bits) {
        return switch (kind) {
            case PCM -> "PCM of %d bits".formatted(bits);
            case FLOAT -> "floating point of %d bits".formatted(bits);
            default -> "samples of kind %d".formatted(kind);
        };
    }

    private void begin(long place, long length, boolean untold) throws IOException, FileTrouble {
        long there = Math.max(0, channel.size() - place);
        long all = there / format.frameBytes();
        long told = length / format.frameBytes();
        dataAt = place;
        if (length == 0 && all > 0 || untold) {
            whole = false;
            long sound = withoutZeros(place, all * format.frameBytes());
            long heard = -Math.floorDiv(-sound, (long) format.frameBytes());
            boolean filled = heard > 0 && all - heard > format.rateHz();
            frames = filled ? heard : all;
            notes.add(
                    "Its header does not say how long it is: a recording that was cut off."
                            + (frames < all
                                    ? " Its sound ends after %s; behind that are zeros."
                                            .formatted(clock(seconds()))
                                    : ""));
        } else if (told > all || length < 0) {
            whole = false;
            frames = all;
            notes.add(
                    "It ends %s before its header says: all that is there was read."
                            .formatted(clock((told - all) / (double) format.rateHz())));
        } else {
            frames = told;
            if (length % format.frameBytes() != 0)
                notes.add("Its last sample is not whole and was left out.");
        }
        if (seconds() > MOST_HOURS * 3600.0)
            throw new FileTrouble(
                    "%s holds %s of sound; at most %d h are read"
                            .formatted(name, clock(seconds()), MOST_HOURS));
        channel.position(place);
        int perBlock = Math.max(1, BLOCK_BYTES / format.frameBytes());
        bytes = ByteBuffer.allocate(perBlock * format.frameBytes()).order(ByteOrder.LITTLE_ENDIAN);
        bytes.limit(0);
    }

    /// How much there is before nothing but zeros follow: a card is filled with them beforehand.
    private long withoutZeros(long place, long length) throws IOException {
        long end = length;
        while (end > 0) {
            int part = (int) Math.min(BLOCK_BYTES, end);
            ByteBuffer block = at(place + end - part, part);
            if (block == null) return length;
            for (int i = part - 1; i >= 0; i--) if (block.get(i) != 0) return end - part + i + 1;
            end -= part;
        }
        return 0;
    }

    /// Whether it is as long as its header says, or of a kind that says it elsewhere.
    boolean isWhole() {
        return whole || saysElsewhere;
    }

    /// Where its samples begin, in bytes.
    long dataAt() {
        return dataAt;
    }

    static String clock(double seconds) {
        if (seconds < 60) return "%.1f s".formatted(Math.max(0, seconds));
        long whole = Math.round(seconds);
        return whole < 3600
                ? "%d:%02d min".formatted(whole / 60, whole % 60)
                : "%d:%02d h".formatted(whole / 3600, whole / 60 % 60);
    }

    private ByteBuffer at(long place, int length) throws IOException {
        ByteBuffer some = ByteBuffer.allocate(length).order(ByteOrder.LITTLE_ENDIAN);
        while (some.hasRemaining())
            if (channel.read(some, place + some.position()) < 0) return null;
        return some.flip();
    }

    private static String text(ByteBuffer bytes, int at) {
        return new String(bytes.array(), at, 4, StandardCharsets.ISO_8859_1);
    }

    // What it is

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
        List<String> all = new ArrayList<>(notes);
        if (lost > 0)
            all.add(
                    "%d %s no number or infinite, and %s read as silence."
                            .formatted(
                                    lost,
                                    lost == 1 ? "sample is" : "samples are",
                                    lost == 1 ? "was" : "were"));
        return all;
    }

    // Its samples

    @Override
    public int read(double[][] into) throws FileTrouble {
        int wanted = (int) Math.min(into[0].length, frames - next);
        int done = 0;
        try {
            while (done < wanted) {
                if (bytes.remaining() < format.frameBytes() && !fill()) {
                    notes.add(
                            "It became shorter while it was read: it ends after %s."
                                    .formatted(clock((next + done) / (double) format.rateHz())));
                    frames = next + done;
                    break;
                }
                int here = Math.min(wanted - done, bytes.remaining() / format.frameBytes());
                decode(into, done, here);
                done += here;
            }
        } catch (IOException broken) {
            throw new FileTrouble(
                    "%s cannot be read further than %s: %s"
                            .formatted(
                                    name,
                                    clock((next + done) / (double) format.rateHz()),
                                    SafeFile.why(broken)),
                    broken);
        }
        next += done;
        return done;
    }

    private boolean fill() throws IOException {
        bytes.compact();
        while (bytes.hasRemaining() && channel.read(bytes) >= 0) {
            // until it is full, or the file ends
        }
        bytes.flip();
        return bytes.remaining() >= format.frameBytes();
    }

    private void decode(double[][] into, int from, int count) {
        int channels = format.channels();
        byte[] raw = bytes.array();
        int at = bytes.arrayOffset() + bytes.position();
        int step = format.frameBytes();
        for (int c = 0; c < channels; c++) {
            double[] out = into[c];
            int place = at + c * format.bits() / 8;
            if (format.isFloat()) {
                floats(out, from, count, at - bytes.arrayOffset() + c * format.bits() / 8);
            } else if (format.bits() == 16) {
                for (int i = 0; i < count; i++, place += step)
                    out[from + i] = ((raw[place + 1] << 8) | (raw[place] & 0xFF)) * 0x1p-15;
            } else if (format.bits() == 24) {
                for (int i = 0; i < count; i++, place += step)
                    out[from + i] =
                            ((raw[place + 2] << 16)
                                            | (raw[place + 1] & 0xFF) << 8
                                            | (raw[place] & 0xFF))
                                    * 0x1p-23;
            } else {
                for (int i = 0; i < count; i++)
                    out[from + i] = bytes.getInt(bytes.position() + i * step + c * 4) * 0x1p-31;
            }
        }
        bytes.position(bytes.position() + count * step);
    }

    private void floats(double[] out, int from, int count, int place) {
        int step = format.frameBytes();
        for (int i = 0; i < count; i++) {
            double value =
                    format.bits() == 32
                            ? bytes.getFloat(place + i * step)
                            : bytes.getDouble(place + i * step);
            if (Double.isFinite(value)) {
                out[from + i] = value;
            } else {
                out[from + i] = 0;
                lost++;
            }
        }
    }

    @Override
    public void close() throws FileTrouble {
        try {
            channel.close();
        } catch (IOException broken) {
            throw new FileTrouble(
                    "%s cannot be closed: %s".formatted(name, SafeFile.why(broken)), broken);
        }
    }
}
