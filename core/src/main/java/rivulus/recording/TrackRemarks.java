package rivulus.recording;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import rivulus.check.Finding;
import rivulus.level.Turning;
import rivulus.recording.Remark.Kind;
import rivulus.show.Ear;
import rivulus.show.Limit;
import rivulus.sound.Channel;
import rivulus.sound.Hum;
import rivulus.words.Severity;
import rivulus.words.Words;

/// What one track says by itself.
final class TrackRemarks {
    private final Foretold plan;
    private final Said said;

    TrackRemarks(Foretold plan, Said said) {
        this.plan = plan;
        this.said = said;
    }

    void look(Track track) {
        for (String note : track.measured().notes())
            said.say(Kind.FILE, Severity.CAUTION, track, track.name() + ": " + note, Map.of());
        if (track.sound().isSilent()) {
            silent(track);
            return;
        }
        clipped(track);
        hum(track);
        sides(track);
        if (track.ear().filter(Ear::isSent).isPresent()) loudness(track);
    }

    private void silent(Track track) {
        boolean planned =
                track.ear().isPresent()
                        && plan.scene().of(track.ear().get().id()).stream()
                                .anyMatch(h -> h.hearing().levelDb() > plan.limit(Limit.HEARD));
        said.say(
                Kind.SILENT,
                planned ? Severity.PROBLEM : Severity.NOTE,
                track,
                "%s is silent%s."
                        .formatted(
                                track.name(),
                                planned
                                        ? ", though by the plan something is heard there: look"
                                                + " whether it is armed, plugged in and unmuted"
                                        : ""),
                Map.of());
    }

    private void clipped(Track track) {
        Channel sound = track.sound();
        if (sound.clipped() == 0) return;
        double middle = (plan.limit(Limit.PEAKS_LOW) + plan.limit(Limit.PEAKS_HIGH)) / 2;
        Optional<Turning> turning = plan.gain(track, middle - Math.max(sound.peakDbfs(), -3));
        said.say(
                Kind.CLIPPED,
                Severity.PROBLEM,
                track,
                "%s clipped %s, first at %s%s."
                        .formatted(
                                track.name(),
                                Words.times(sound.clipped()),
                                clock(sound.clips().getFirst().from()),
                                turning.map(t -> ": " + t.words()).orElse(": less gain before it")),
                turning.stream().toList(),
                Remark.figures(
                        "clipped", sound.clipped(), "firstS", sound.clips().getFirst().from()));
    }

    private static String clock(double seconds) {
        return "%d:%02d".formatted((int) seconds / 60, (int) seconds % 60);
    }

    private void hum(Track track) {
        Optional<Hum> found = track.sound().hum();
        if (found.isEmpty()) return;
        Hum hum = found.get();
        double under = track.lufs() - hum.dbfs();
        Optional<Finding> ring = plan.ring(track);
        String what =
                "%s hums at %d%sHz, %s under what is said"
                        .formatted(track.name(), hum.hz(), Words.THIN, Words.db(under));
        said.add(
                new Remark(
                        Kind.HUM,
                        under < plan.limit(Limit.HUM_PLAIN) ? Severity.PROBLEM : Severity.CAUTION,
                        ring.map(f -> what + ". The plan foretells it: " + f.headline() + ".")
                                .orElse(
                                        what
                                                + ". The plan has no ring of grounds on its way: look"
                                                + " for a lead beside mains, a dimmer, or a power"
                                                + " supply on the same table."),
                        track.ear().map(Ear::id).stream().toList(),
                        ring.map(Finding::id),
                        List.of(),
                        Map.of(),
                        Remark.figures("hz", hum.hz(), "dbfs", hum.dbfs(), "underDb", under)));
    }

    private void sides(Track track) {
        if (track.channel() >= 0 || track.measured().stereo().isEmpty()) return;
        var stereo = track.measured().stereo().get();
        if (stereo.isInverted())
            said.say(
                    Kind.SIDES,
                    Severity.PROBLEM,
                    track,
                    "One side of %s is the other turned over: who listens in mono hears nothing. Look for a lead with its pins exchanged, or a polarity switch."
                            .formatted(track.name()),
                    Remark.figures("correlation", stereo.correlation()));
        else if (stereo.isOneSided())
            said.say(
                    Kind.SIDES,
                    Severity.PROBLEM,
                    track,
                    "%s is on the %s only: the other side of its lead, or a pan."
                            .formatted(
                                    track.name(), stereo.leftOverRightDb() > 0 ? "left" : "right"),
                    Remark.figures("leftOverRightDb", stereo.leftOverRightDb()));
    }

    private void loudness(Track track) {
        double target = plan.limit(Limit.PUBLIC_LUFS);
        double off = track.lufs() - target;
        if (Math.abs(off) > plan.limit(Limit.PUBLIC_SPREAD)) {
            Optional<Turning> turning = plan.level(track, -off);
            said.say(
                    Kind.LOUDNESS,
                    Severity.CAUTION,
                    track,
                    "%s measures %s LUFS, %s %s than the %s that are usual%s."
                            .formatted(
                                    track.name(),
                                    Words.signed(track.lufs(), 1),
                                    lu(Math.abs(off)),
                                    off < 0 ? "softer" : "louder",
                                    Words.signed(target, 0),
                                    turning.map(t -> ": " + t.words()).orElse("")),
                    turning.stream().toList(),
                    Remark.figures("lufs", track.lufs(), "offLu", off));
        }
        if (track.truePeakDbtp() > plan.limit(Limit.PUBLIC_PEAK))
            said.say(
                    Kind.LOUDNESS,
                    Severity.CAUTION,
                    track,
                    "%s peaks at %s dBTP; %s is the most that survives coding: a limiter with that ceiling, last before the stream."
                            .formatted(
                                    track.name(),
                                    Words.signed(track.truePeakDbtp(), 1),
                                    Words.signed(plan.limit(Limit.PUBLIC_PEAK), 0)),
                    Remark.figures("dbtp", track.truePeakDbtp()));
    }

    static String lu(double lu) {
        return Words.shortest(lu) + Words.THIN + "LU";
    }
}
