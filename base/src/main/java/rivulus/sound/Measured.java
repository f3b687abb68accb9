package rivulus.sound;

import java.util.List;
import java.util.Optional;

/// What was measured of one recording.
///
/// @param programme all channels as one programme, where they are one: mono, stereo, 5.0 and 5.1
/// @param stereo left against right, where there are two
/// @param notes what is wrong with the file itself, in sentences
public record Measured(
        String name,
        WavFormat format,
        double seconds,
        List<Channel> channels,
        Optional<Programme> programme,
        Optional<Stereo> stereo,
        List<String> notes) {
    public Measured {
        channels = List.copyOf(channels);
        notes = List.copyOf(notes);
    }

    /// Loudness of all channels together (ITU-R BS.1770-5).
    ///
    /// @param momentaryLufs the loudest 400 ms
    /// @param shortTermLufs the loudest 3 s
    /// @param curve its short-term loudness over time, evenly spread
    public record Programme(
            double lufs,
            double rangeLu,
            double momentaryLufs,
            double shortTermLufs,
            double truePeakDbtp,
            float[] curve) {
        public Programme {
            curve = curve.clone();
        }
    }

    /// Left against right.
    ///
    /// @param correlation 1 where both are the same, 0 where they have nothing to do with each
    ///     other, −1 where one is the other turned over
    /// @param leftOverRightDb by how much left is louder
    public record Stereo(double correlation, double leftOverRightDb) {
        private static final double ONE_SIDED_DB = 20;

        /// Whether one is the other turned over: a mono listener hears nothing.
        public boolean isInverted() {
            return correlation < -0.6;
        }

        /// Whether all but nothing is on one side.
        public boolean isOneSided() {
            return Math.abs(leftOverRightDb) > ONE_SIDED_DB;
        }
    }
}
