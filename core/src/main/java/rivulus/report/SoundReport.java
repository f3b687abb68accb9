package rivulus.report;

import static rivulus.report.Report.map;
import static rivulus.report.Report.number;

import java.util.List;
import java.util.Map;
import rivulus.level.Turning;
import rivulus.recording.Recording;
import rivulus.recording.Remark;
import rivulus.recording.Track;
import rivulus.show.Ear;
import rivulus.show.Source;
import rivulus.show.Turn;
import rivulus.sound.Channel;
import rivulus.sound.Measured;

/// What was measured of recordings, and what they say, as plain maps ready to be written as JSON.
public final class SoundReport {
    private SoundReport() {}

    /// `{"files": [{"file", "format", "seconds", "notes", "programme", "stereo", "channels"}]}`.
    public static Map<String, Object> measured(List<Measured> all) {
        return map("files", all.stream().map(SoundReport::file).toList());
    }

    private static Map<String, Object> file(Measured measured) {
        return map(
                "file", measured.name(),
                "format", measured.format().words(),
                "seconds", number(measured.seconds()),
                "notes", measured.notes(),
                "programme",
                        measured.programme()
                                .map(
                                        p ->
                                                map(
                                                        "lufs", number(p.lufs()),
                                                        "rangeLu", number(p.rangeLu()),
                                                        "momentaryLufs", number(p.momentaryLufs()),
                                                        "shortTermLufs", number(p.shortTermLufs()),
                                                        "truePeakDbtp", number(p.truePeakDbtp())))
                                .orElse(null),
                "stereo",
                        measured.stereo()
                                .map(
                                        s ->
                                                map(
                                                        "correlation", number(s.correlation()),
                                                        "leftOverRightDb",
                                                                number(s.leftOverRightDb())))
                                .orElse(null),
                "channels", measured.channels().stream().map(SoundReport::channel).toList());
    }

    private static Map<String, Object> channel(Channel channel) {
        return map(
                "channel", channel.number(),
                "lufs", number(channel.lufs()),
                "rangeLu", number(channel.rangeLu()),
                "momentaryLufs", number(channel.momentaryLufs()),
                "shortTermLufs", number(channel.shortTermLufs()),
                "peakDbfs", number(channel.peakDbfs()),
                "truePeakDbtp", number(channel.truePeakDbtp()),
                "dc", number(channel.dc()),
                "floorDbfs", number(channel.floorDbfs()),
                "clipped", channel.clipped(),
                "clips", channel.clips().stream().map(SoundReport::span).toList(),
                "silences", channel.silences().stream().map(SoundReport::span).toList(),
                "activity", number(channel.activity()),
                "hum",
                        channel.hum()
                                .map(
                                        hum ->
                                                map(
                                                        "hz", hum.hz(),
                                                        "dbfs", number(hum.dbfs()),
                                                        "overFloorDb", number(hum.overFloorDb())))
                                .orElse(null));
    }

    private static Map<String, Object> span(Channel.Span span) {
        return map("from", number(span.from()), "to", number(span.to()));
    }

    /// The same with what was found against a show: `"tracks": [{"file", "channel", "ear",
    /// "source", "byContent", "lufs"}], "remarks": [{"kind", "severity", "sentence", "ears",
    /// "finding", "turns", "measured", "figures"}]`.
    public static Map<String, Object> against(List<Measured> all, Recording recording) {
        Map<String, Object> report = measured(all);
        report.put("tracks", recording.tracks().stream().map(SoundReport::track).toList());
        report.put("remarks", recording.remarks().stream().map(SoundReport::remark).toList());
        return report;
    }

    private static Map<String, Object> track(Track track) {
        return map(
                "file", track.measured().name(),
                "channel", track.channel() < 0 ? null : track.channel() + 1,
                "ear", track.ear().map(Ear::id).orElse(null),
                "source", track.source().map(Source::id).orElse(null),
                "byContent", track.isByContent(),
                "lufs", number(track.lufs()));
    }

    private static Map<String, Object> remark(Remark remark) {
        return map(
                "kind", remark.kind().word(),
                "severity", remark.severity().word(),
                "sentence", remark.sentence(),
                "ears", remark.ears(),
                "finding", remark.finding().orElse(null),
                "turns", remark.turns().stream().map(Turning::turn).map(SoundReport::turn).toList(),
                "measured", remark.louder(),
                "figures", remark.figures());
    }

    private static Map<String, Object> turn(Turn turn) {
        return map(
                "knob", turn.knob().toString(),
                "from", turn.from().word(),
                "to", turn.to().word());
    }
}
