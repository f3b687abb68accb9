package rivulus.chart;

import java.util.ArrayList;
import java.util.List;
import rivulus.recording.Track;
import rivulus.show.Limit;
import rivulus.show.Limits;
import rivulus.sound.Channel;
import rivulus.words.Words;

/// A track over time, ready to be drawn: its loudness, its peaks, and marks where it clipped or
/// fell silent. Across from 0 to 1 is the time, upward from 0 to 1 the level from [#LOW] to 0.
///
/// @param curve short-term loudness, evenly spread from `curveFrom` to 1 − `curveFrom`: each value
///     is that of the three seconds around it
/// @param curveFrom where the curve begins, 0 to 1
/// @param peaks the largest samples, evenly spread
/// @param bandLow the lower edge of where the loudness should be
/// @param bandHigh its upper edge
/// @param hum how loud it hums, as a level from 0 to 1; 0 where it does not
/// @param figures what was measured, in words
public record SoundPicture(
        Track track,
        float[] curve,
        double curveFrom,
        float[] peaks,
        double bandLow,
        double bandHigh,
        List<Mark> marks,
        double hum,
        String figures) {
    /// The bottom of the drawing, in LUFS or dBFS.
    public static final double LOW = -60;

    private static final double SHORT_TERM_S = 3;
    private static final double STILL = -110;
    private static final double VOICE_LUFS = -24;
    private static final double VOICE_SPREAD = 3;
    private static final int MOST_MARKS = 60;

    public SoundPicture {
        curve = curve.clone();
        peaks = peaks.clone();
        marks = List.copyOf(marks);
    }

    /// Something at a time.
    ///
    /// @param from its beginning, 0 to 1
    /// @param to its end, 0 to 1
    public record Mark(Kind kind, double from, double to) {
        /// What it marks.
        public enum Kind {
            CLIPPED,
            SILENT
        }
    }

    /// The picture of a track. A voice should lie around nominal, what goes out around its target.
    public static SoundPicture of(Track track, Limits limits) {
        boolean mix = track.source().isEmpty();
        double middle = mix ? limits.get(Limit.PUBLIC_LUFS) : VOICE_LUFS;
        double spread = mix ? limits.get(Limit.PUBLIC_SPREAD) : VOICE_SPREAD;
        Channel sound = track.sound();
        float[] curve =
                track.channel() < 0 && track.measured().programme().isPresent()
                        ? track.measured().programme().get().curve()
                        : sound.curve();
        double seconds = Math.max(1e-3, track.measured().seconds());
        List<Mark> marks = new ArrayList<>();
        add(marks, Mark.Kind.SILENT, sound.silences(), seconds);
        add(marks, Mark.Kind.CLIPPED, sound.clips(), seconds);
        return new SoundPicture(
                track,
                parts(curve),
                Math.min(0.5, SHORT_TERM_S / 2 / seconds),
                parts(sound.peaks()),
                part(middle - spread),
                part(middle + spread),
                marks,
                sound.hum().map(hum -> part(hum.dbfs())).orElse(0.0),
                figures(track));
    }

    private static void add(
            List<Mark> marks, Mark.Kind kind, List<Channel.Span> spans, double seconds) {
        for (Channel.Span span : spans.subList(0, Math.min(MOST_MARKS, spans.size())))
            marks.add(new Mark(kind, span.from() / seconds, span.to() / seconds));
    }

    private static float[] parts(float[] levels) {
        float[] parts = new float[levels.length];
        for (int i = 0; i < parts.length; i++) parts[i] = (float) part(levels[i]);
        return parts;
    }

    /// Where a level lies, from 0 to 1.
    private static double part(double level) {
        return Math.clamp((level - LOW) / -LOW, 0, 1);
    }

    private static String figures(Track track) {
        Channel sound = track.sound();
        if (sound.isSilent()) return "silent";
        List<String> words = new ArrayList<>();
        words.add(Words.figure(track.lufs(), 1, "LUFS"));
        words.add("peaks " + Words.figure(track.truePeakDbtp(), 1, "dBTP"));
        if (sound.floorDbfs() > STILL)
            words.add("floor " + Words.figure(sound.floorDbfs(), 0, "dBFS"));
        if (sound.clipped() > 0) words.add("clipped " + Words.times(sound.clipped()));
        sound.hum().ifPresent(hum -> words.add("hums at " + hum.hz() + Words.THIN + "Hz"));
        return String.join(", ", words);
    }

    /// For who does not see it.
    public String words() {
        return track.name() + ": " + figures;
    }
}
