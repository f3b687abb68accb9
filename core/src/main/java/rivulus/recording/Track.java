package rivulus.recording;

import java.nio.file.Path;
import java.util.Optional;
import java.util.stream.IntStream;
import rivulus.show.Ear;
import rivulus.show.Source;
import rivulus.sound.Channel;
import rivulus.sound.Measured;

/// One track of a recording: a channel of a file, or both channels of a stereo file.
///
/// @param channel counted from 0; −1 for both
/// @param ear what listened there; empty where nobody knows
/// @param source the one source that it is of; empty for a mix, or where nobody knows
/// @param isByContent whether that is known by what is on it, and not by a name
/// @param isPicture whether it is a camera's own sound, which is as late as its picture
public record Track(
        Path file,
        int channel,
        Measured measured,
        Optional<Ear> ear,
        Optional<Source> source,
        boolean isByContent,
        boolean isPicture) {
    /// What is softer than the largest sample by more is a pause.
    private static final double QUIET_DB = 30;

    /// The channel; of a stereo track the louder.
    public Channel sound() {
        if (channel >= 0) return measured.channels().get(channel);
        return measured.channels().stream()
                .max((a, b) -> Double.compare(a.lufs(), b.lufs()))
                .orElseThrow();
    }

    /// Integrated loudness.
    public double lufs() {
        return channel < 0 && measured.programme().isPresent()
                ? measured.programme().get().lufs()
                : sound().lufs();
    }

    /// True peak, in dBTP.
    public double truePeakDbtp() {
        return channel < 0 && measured.programme().isPresent()
                ? measured.programme().get().truePeakDbtp()
                : sound().truePeakDbtp();
    }

    /// Where the peaks of loud moments lie, in dBFS: what nine tenths of the time in which somebody
    /// is heard stay under.
    public double loudPeaksDbfs() {
        double heard = sound().peakDbfs() - QUIET_DB;
        double[] peaks =
                IntStream.range(0, sound().peaks().length)
                        .mapToDouble(i -> sound().peaks()[i])
                        .filter(peak -> peak > heard)
                        .sorted()
                        .toArray();
        return peaks.length == 0
                ? Double.NEGATIVE_INFINITY
                : peaks[(int) ((peaks.length - 1) * 0.9)];
    }

    /// What it is called: the ear, the source, or the file.
    public String name() {
        String plain =
                measured.channels().size() > 1 && channel >= 0
                        ? "%s, channel %d".formatted(measured.name(), channel + 1)
                        : measured.name();
        return ear.map(Ear::name).or(() -> source.map(Source::name)).orElse(plain);
    }

    /// The same, known to be of an ear.
    public Track of(Ear newEar, Optional<Source> newSource) {
        return of(newEar, newSource, false);
    }

    /// The same, found to be of an ear by what is on it.
    Track byContent(Ear newEar, Optional<Source> newSource) {
        return of(newEar, newSource, true);
    }

    private Track of(Ear newEar, Optional<Source> newSource, boolean byContent) {
        return new Track(
                file,
                channel,
                measured,
                Optional.of(newEar),
                newSource,
                byContent,
                newEar.kind() == Ear.Kind.CAMERA);
    }
}
