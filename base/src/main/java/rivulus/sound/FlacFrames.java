package rivulus.sound;

import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.util.Arrays;

/// The frames of a FLAC stream (RFC 9639), decoded one after the other. Every bit is read once, and
/// every frame is held to its check sums, so that whatever stands there is refused after as much
/// work as it has bytes.
final class FlacFrames {
    private static final int SYNC = 0x3FFE;
    private static final int[] CRC8 = table(8, 0x07);
    private static final int[] CRC16 = table(16, 0x8005);

    private final InputStream in;
    private final WavFormat format;
    private final byte[] bytes = new byte[1 << 16];
    private int at;
    private int end;

    /// Bits that were taken from the bytes and not read yet: the lowest so many.
    private long held;

    private int count;
    private int crc8;
    private int crc16;

    /// The samples of the last frame, a row for each channel.
    private final int[][] samples;

    private int size;

    /// @param in stands at the first frame
    FlacFrames(InputStream in, WavFormat format) {
        this.in = in;
        this.format = format;
        samples = new int[format.channels()][0];
    }

    private static int[] table(int width, int polynomial) {
        int[] table = new int[256];
        for (int b = 0; b < 256; b++) {
            int crc = b << width - 8;
            for (int bit = 0; bit < 8; bit++)
                crc = (crc & 1 << width - 1) == 0 ? crc << 1 : crc << 1 ^ polynomial;
            table[b] = crc & (1 << width) - 1;
        }
        return table;
    }

    /// A frame that is none.
    private static IOException broken(String why) {
        return new IOException(why);
    }

    // Bits

    private int nextByte() throws IOException {
        if (at == end) {
            end = in.read(bytes);
            at = 0;
            if (end <= 0) {
                end = 0;
                throw new EOFException("it ends within a frame");
            }
        }
        int next = bytes[at++] & 0xFF;
        crc8 = CRC8[crc8 ^ next];
        crc16 = crc16 << 8 & 0xFFFF ^ CRC16[crc16 >>> 8 ^ next];
        return next;
    }

    /// @param width 0 to 32
    private long bits(int width) throws IOException {
        while (count < width) {
            held = held << 8 | nextByte();
            count += 8;
        }
        count -= width;
        return held >>> count & (1L << width) - 1;
    }

    private int signed(int width) throws IOException {
        return width == 0 ? 0 : (int) (bits(width) << 64 - width >> 64 - width);
    }

    /// How many noughts stand before the next one.
    private int noughts() throws IOException {
        int noughts = 0;
        while (true) {
            if (count == 0) {
                held = nextByte();
                count = 8;
            }
            long here = held & (1L << count) - 1;
            if (here == 0) {
                noughts += count;
                count = 0;
                continue;
            }
            int before = Long.numberOfLeadingZeros(here) - (64 - count);
            count -= before + 1;
            return noughts + before;
        }
    }

    // Frames

    /// Decodes the next frame.
    ///
    /// @return how many samples of each channel it has, at least one
    /// @throws IOException where there is none, or it is broken
    int next() throws IOException {
        crc8 = 0;
        crc16 = 0;
        count = 0;
        if (bits(14) != SYNC || bits(1) != 0) throw broken("no frame begins there");
        bits(1);
        int sizeCode = (int) bits(4);
        int rateCode = (int) bits(4);
        int channelCode = (int) bits(4);
        int widthCode = (int) bits(3);
        if (bits(1) != 0) throw broken("no frame begins there");
        number();
        size = size(sizeCode);
        rate(rateCode);
        int sum = crc8;
        if (bits(8) != sum) throw broken("the head of a frame is broken");
        boolean together = channelCode >= 8;
        int channels = together ? 2 : channelCode + 1;
        if (channelCode > 10 || channels != format.channels() || !isWidth(widthCode))
            throw broken("a frame is of another kind");
        for (int c = 0; c < channels; c++) {
            if (samples[c].length < size) samples[c] = new int[size];
            boolean side = channelCode == 9 && c == 0 || c == 1 && (channelCode & 9) == 8;
            subframe(samples[c], format.bits() + (together && side ? 1 : 0));
        }
        count -= count % 8;
        sum = crc16;
        if (bits(16) != sum) throw broken("a frame is broken");
        if (together) apart(channelCode);
        return size;
    }

    /// The number of the frame or of its first sample, written as UTF-8 writes letters.
    private void number() throws IOException {
        int first = (int) bits(8);
        int ones = Integer.numberOfLeadingZeros(~(first << 24));
        if (ones == 1 || ones > 7) throw broken("the head of a frame is broken");
        for (int more = 1; more < ones; more++)
            if (bits(8) >> 6 != 2) throw broken("the head of a frame is broken");
    }

    private int size(int code) throws IOException {
        return switch (code) {
            case 0 -> throw broken("a frame has no size");
            case 1 -> 192;
            case 2, 3, 4, 5 -> 576 << code - 2;
            case 6 -> (int) bits(8) + 1;
            case 7 -> (int) bits(16) + 1;
            default -> 256 << code - 8;
        };
    }

    /// The rate is that of the whole; where a frame says it in full it is read over.
    private void rate(int code) throws IOException {
        if (code == 15) throw broken("a frame has no rate");
        if (code >= 12) bits(code == 12 ? 8 : 16);
    }

    private boolean isWidth(int code) {
        return switch (code) {
            case 0 -> true;
            case 4 -> format.bits() == 16;
            case 6 -> format.bits() == 24;
            default -> false;
        };
    }

    /// What was coded together, apart: the left and the difference, the difference and the right,
    /// or the middle and the difference.
    private void apart(int code) {
        int[] one = samples[0];
        int[] two = samples[1];
        for (int i = 0; i < size; i++) {
            if (code == 8) {
                two[i] = one[i] - two[i];
            } else if (code == 9) {
                one[i] += two[i];
            } else {
                int middle = one[i] << 1 | two[i] & 1;
                int difference = two[i];
                one[i] = middle + difference >> 1;
                two[i] = middle - difference >> 1;
            }
        }
    }

    private void subframe(int[] into, int wide) throws IOException {
        if (bits(1) != 0) throw broken("a channel is broken");
        int kind = (int) bits(6);
        int wasted = bits(1) == 0 ? 0 : noughts() + 1;
        int width = wide - wasted;
        if (width <= 0) throw broken("a channel has no bits");
        if (kind == 0) {
            Arrays.fill(into, 0, size, signed(width));
        } else if (kind == 1) {
            for (int i = 0; i < size; i++) into[i] = signed(width);
        } else if (kind >= 8 && kind <= 12) {
            fixed(into, kind - 8, width);
        } else if (kind >= 32) {
            predicted(into, kind - 31, width);
        } else {
            throw broken("a channel is of a kind that there is not");
        }
        if (wasted > 0) for (int i = 0; i < size; i++) into[i] <<= wasted;
    }

    private void begin(int[] into, int order, int width) throws IOException {
        if (order > size) throw broken("a channel is broken");
        for (int i = 0; i < order; i++) into[i] = signed(width);
    }

    private void fixed(int[] into, int order, int width) throws IOException {
        begin(into, order, width);
        residual(into, order);
        for (int i = order; i < size; i++)
            into[i] +=
                    switch (order) {
                        case 0 -> 0;
                        case 1 -> into[i - 1];
                        case 2 -> 2 * into[i - 1] - into[i - 2];
                        case 3 -> 3 * (into[i - 1] - into[i - 2]) + into[i - 3];
                        default -> 4 * (into[i - 1] + into[i - 3]) - 6 * into[i - 2] - into[i - 4];
                    };
    }

    private void predicted(int[] into, int order, int width) throws IOException {
        begin(into, order, width);
        int precision = (int) bits(4) + 1;
        int shift = signed(5);
        if (precision == 16 || shift < 0) throw broken("a channel is broken");
        int[] weights = new int[order];
        for (int w = 0; w < order; w++) weights[w] = signed(precision);
        residual(into, order);
        for (int i = order; i < size; i++) {
            long sum = 0;
            for (int w = 0; w < order; w++) sum += (long) weights[w] * into[i - 1 - w];
            into[i] += (int) (sum >> shift);
        }
    }

    /// What prediction is off by, from the first predicted sample on.
    private void residual(int[] into, int order) throws IOException {
        int method = (int) bits(2);
        if (method > 1) throw broken("a channel is broken");
        int width = method == 0 ? 4 : 5;
        int escape = (1 << width) - 1;
        int parts = 1 << (int) bits(4);
        int each = size / parts;
        if (size % parts != 0 || each < order) throw broken("a channel is broken");
        for (int part = 0, i = order; part < parts; part++) {
            int to = (part + 1) * each;
            int rice = (int) bits(width);
            if (rice == escape) {
                int plain = (int) bits(5);
                for (; i < to; i++) into[i] = signed(plain);
            } else {
                for (; i < to; i++) {
                    long folded = (long) noughts() << rice | bits(rice);
                    into[i] = (int) (folded >>> 1 ^ -(folded & 1));
                }
            }
        }
    }

    /// Copies some samples of the last frame, as −1 to 1 at full scale.
    void copy(int from, double[][] into, int to, int many) {
        double full = 1 << format.bits() - 1;
        for (int c = 0; c < samples.length; c++)
            for (int i = 0; i < many; i++) into[c][to + i] = samples[c][from + i] / full;
    }
}
