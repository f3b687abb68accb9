package rivulus.show;

import rivulus.disk.Extras;

/// How a stream is sent, or a track kept.
///
/// @param ear where it is listened to
/// @param bits of a sample of what is kept: 16, 24 or 32
/// @param channels 1 or 2; 0 as many as come
/// @param kbps of the sound of what is sent
/// @param keyFrameS seconds from one whole picture to the next
/// @param saferDb by how much a second copy is kept softer, against surprises; 0 where none is
public record Output(
        String ear,
        int bits,
        int channels,
        int kbps,
        double keyFrameS,
        double saferDb,
        Extras extras) {
    /// What is usual ~ (REFERENCE, streams).
    public static final int USUAL_BITS = 24;

    /// The same in kbit/s.
    public static final int USUAL_KBPS = 160;

    /// The same in seconds.
    public static final double USUAL_KEY_FRAME_S = 2;

    /// As usual.
    static Output usual(String ear) {
        return new Output(ear, USUAL_BITS, 0, USUAL_KBPS, USUAL_KEY_FRAME_S, 0, Extras.NONE);
    }

    boolean isUsual() {
        return equals(usual(ear));
    }

    /// With samples of so many bits.
    public Output withBits(int newBits) {
        return new Output(ear, newBits, channels, kbps, keyFrameS, saferDb, extras);
    }

    /// With so many channels.
    public Output withChannels(int newChannels) {
        return new Output(ear, bits, newChannels, kbps, keyFrameS, saferDb, extras);
    }

    /// With so many kbit/s of sound.
    public Output withKbps(int newKbps) {
        return new Output(ear, bits, channels, newKbps, keyFrameS, saferDb, extras);
    }

    /// With a whole picture so often.
    public Output withKeyFrame(double seconds) {
        return new Output(ear, bits, channels, kbps, seconds, saferDb, extras);
    }

    /// With a second copy so much softer.
    public Output withSafer(double db) {
        return new Output(ear, bits, channels, kbps, keyFrameS, db, extras);
    }
}
