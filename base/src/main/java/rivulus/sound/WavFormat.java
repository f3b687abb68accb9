package rivulus.sound;

/// What the samples of a WAV file are.
///
/// @param rateHz samples a second
/// @param bits of a sample: 16, 24 or 32; 32 or 64 where they are floating point
public record WavFormat(int channels, int rateHz, int bits, boolean isFloat) {
    /// Bytes of one sample of every channel.
    public int frameBytes() {
        return channels * bits / 8;
    }

    /// "48 kHz, 24 bit, 2 channels".
    public String words() {
        double khz = rateHz / 1000.0;
        return "%s kHz, %d bit%s, %d channel%s"
                .formatted(
                        khz == Math.rint(khz) ? String.valueOf((int) khz) : String.valueOf(khz),
                        bits,
                        isFloat ? " float" : "",
                        channels,
                        channels == 1 ? "" : "s");
    }
}
