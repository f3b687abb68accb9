package rivulus.sound;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;

/// Writes a WAV file of a length that is known before, 16 or 24 bits of PCM or 32 of floating
/// point; as RF64 where RIFF cannot hold it (EBU Tech 3306).
public final class WavWriter implements AutoCloseable {
    private static final int FMT_BYTES = 16;
    private static final int DS64_BYTES = 28;

    private final OutputStream out;
    private final WavFormat format;
    private long left;

    /// @param frames how many samples of each channel will be written; what is not is silence
    public WavWriter(OutputStream out, WavFormat format, long frames) throws IOException {
        boolean writable =
                format.isFloat() ? format.bits() == 32 : format.bits() == 16 || format.bits() == 24;
        if (!writable) throw new IllegalArgumentException("cannot write " + format.words());
        this.out = out;
        this.format = format;
        left = frames;
        long data = frames * format.frameBytes();
        boolean large = data + 36 > 0xFFFFFFFFL;
        ByteBuffer head =
                ByteBuffer.allocate(12 + (large ? 8 + DS64_BYTES : 0) + 8 + FMT_BYTES + 8);
        head.order(ByteOrder.LITTLE_ENDIAN);
        long riff = head.capacity() - 8 + data + (data & 1);
        head.put(ascii(large ? "RF64" : "RIFF")).putInt(large ? -1 : (int) riff).put(ascii("WAVE"));
        if (large)
            head.put(ascii("ds64"))
                    .putInt(DS64_BYTES)
                    .putLong(riff)
                    .putLong(data)
                    .putLong(frames)
                    .putInt(0);
        head.put(ascii("fmt "))
                .putInt(FMT_BYTES)
                .putShort((short) (format.isFloat() ? 3 : 1))
                .putShort((short) format.channels())
                .putInt(format.rateHz())
                .putInt(format.rateHz() * format.frameBytes())
                .putShort((short) format.frameBytes())
                .putShort((short) format.bits());
        head.put(ascii("data")).putInt(large ? -1 : (int) data);
        out.write(head.array());
    }

    private static byte[] ascii(String text) {
        return text.getBytes(StandardCharsets.ISO_8859_1);
    }

    /// Writes on. What lies over full scale is clipped, but for floating point.
    ///
    /// @param samples an array for each channel
    /// @param count how many of each
    public void write(double[][] samples, int count) throws IOException {
        int frames = (int) Math.min(count, left);
        ByteBuffer bytes =
                ByteBuffer.allocate(frames * format.frameBytes()).order(ByteOrder.LITTLE_ENDIAN);
        for (int i = 0; i < frames; i++)
            for (int c = 0; c < format.channels(); c++) put(bytes, samples[c][i]);
        out.write(bytes.array());
        left -= frames;
    }

    private void put(ByteBuffer bytes, double sample) {
        if (format.isFloat()) {
            bytes.putFloat((float) sample);
            return;
        }
        double full = 1 << format.bits() - 1;
        int value = (int) Math.clamp(Math.rint(sample * full), -full, full - 1);
        if (format.bits() == 16) {
            bytes.putShort((short) value);
        } else {
            bytes.put((byte) value).put((byte) (value >> 8)).put((byte) (value >> 16));
        }
    }

    @Override
    public void close() throws IOException {
        double[][] silence = new double[format.channels()][1 << 12];
        while (left > 0) write(silence, silence[0].length);
        out.flush();
        out.close();
    }
}
