package rivulus.sound;

import java.util.List;
import java.util.Optional;

/// What was measured of one channel.
///
/// @param number counted from 1
/// @param lufs integrated loudness of it alone
/// @param rangeLu loudness range
/// @param momentaryLufs the loudest 400 ms
/// @param shortTermLufs the loudest 3 s
/// @param peakDbfs the largest sample
/// @param truePeakDbtp the largest that a converter makes of it
/// @param dc the mean, 1 at full scale
/// @param floorDbfs what is left in pauses, RMS: the 5th percentile of all tenths of a second
/// @param clips where it clipped, the first [#MOST_SPANS]
/// @param clipped how often it clipped
/// @param silences where it was silent for two seconds and more, the first [#MOST_SPANS]
/// @param activity the part of the time in which something stands out of the floor, 0 to 1
/// @param curve its short-term loudness over time, evenly spread, in LUFS
/// @param peaks its largest samples over time, as evenly spread, in dBFS
public record Channel(
        int number,
        double lufs,
        double rangeLu,
        double momentaryLufs,
        double shortTermLufs,
        double peakDbfs,
        double truePeakDbtp,
        double dc,
        double floorDbfs,
        List<Span> clips,
        int clipped,
        List<Span> silences,
        Optional<Hum> hum,
        double activity,
        float[] curve,
        float[] peaks) {
    /// More places are counted and not kept.
    public static final int MOST_SPANS = 200;

    public Channel {
        clips = List.copyOf(clips);
        silences = List.copyOf(silences);
        curve = curve.clone();
        peaks = peaks.clone();
    }

    /// A stretch of time, in seconds from the beginning.
    public record Span(double from, double to) {}

    /// Whether there is nothing in it.
    public boolean isSilent() {
        return peakDbfs < -80;
    }
}
