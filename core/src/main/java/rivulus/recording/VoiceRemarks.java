package rivulus.recording;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.DoublePredicate;
import rivulus.disk.FileTrouble;
import rivulus.level.Staircase;
import rivulus.level.Turning;
import rivulus.recording.Remark.Kind;
import rivulus.show.Device;
import rivulus.show.Ear;
import rivulus.show.Limit;
import rivulus.show.Person;
import rivulus.show.Ref;
import rivulus.show.Source;
import rivulus.sound.Compared;
import rivulus.sound.Comparing;
import rivulus.words.Severity;
import rivulus.words.Words;

/// What the tracks of voices say beside each other: who is softer or louder than the plan says, and
/// who is heard in whose track.
final class VoiceRemarks {
    private static final int SLOW_HZ = Recording.SLOW_HZ;
    private static final double ECHO_FROM_MS = 30;
    private static final double ECHO_TO_MS = 1000;
    private static final double ECHO_LEAST_DB = -50;
    private static final double BLEED_LEAST_DB = -15;
    private static final double NOISE_OVER_DB = 10;
    private static final int MOST_VOICES = 8;

    private final Foretold plan;
    private final Said said;
    private final List<Track> tracks;

    VoiceRemarks(Foretold plan, List<Track> tracks, Said said) {
        this.plan = plan;
        this.tracks = tracks;
        this.said = said;
    }

    private List<Track> ofVoices() {
        return tracks.stream()
                .filter(track -> track.source().filter(Person.class::isInstance).isPresent())
                .filter(track -> !track.sound().isSilent())
                .toList();
    }

    /// Voices against each other.
    void voices() {
        Map<Track, Double> off = new LinkedHashMap<>();
        for (Track track : ofVoices()) {
            double foretold = plan.planned(track);
            if (foretold < plan.limit(Limit.HEARD))
                said.say(
                        Kind.SILENT,
                        Severity.CAUTION,
                        track,
                        "%s is heard, though by the plan nothing comes there: the plan is not what is plugged."
                                .formatted(track.name()),
                        Map.of());
            else if (track.sound().clipped() == 0) off.put(track, track.lufs() - foretold);
        }
        if (off.size() < 2) return;
        double middle = median(List.copyOf(off.values()));
        Track nearest =
                off.keySet().stream()
                        .min(Comparator.comparingDouble(t -> Math.abs(off.get(t) - middle)))
                        .orElseThrow();
        off.forEach(
                (track, value) -> {
                    double by = value - middle;
                    if (track != nearest && Math.abs(by) > plan.limit(Limit.UNEVEN))
                        uneven(track, nearest, by);
                    noisy(track);
                });
        peaks(off);
    }

    private static double median(List<Double> values) {
        List<Double> sorted = values.stream().sorted().toList();
        int half = sorted.size() / 2;
        return sorted.size() % 2 == 1
                ? sorted.get(half)
                : (sorted.get(half - 1) + sorted.get(half)) / 2;
    }

    private void uneven(Track track, Track other, double by) {
        Optional<Turning> turning = plan.gain(track, -by);
        String who = track.source().orElseThrow().name();
        said.add(
                new Remark(
                        Kind.UNEVEN,
                        Severity.PROBLEM,
                        "%s is %s %s %s%s."
                                .formatted(
                                        who,
                                        TrackRemarks.lu(Math.rint(Math.abs(by) * 10) / 10),
                                        by < 0 ? "under" : "over",
                                        other.source().orElseThrow().name(),
                                        turning.map(t -> ": " + t.words())
                                                .orElse(
                                                        by < 0
                                                                ? ": nearer to the microphone"
                                                                : ": farther from the microphone")),
                        track.ear().map(Ear::id).stream().toList(),
                        Optional.empty(),
                        turning.stream().toList(),
                        Map.of(track.source().orElseThrow().id(), by),
                        Remark.figures("lufs", track.lufs(), "offLu", by)));
    }

    /// Where all voices together peak too low or too high, no single one is to be turned.
    private void peaks(Map<Track, Double> voices) {
        double peaks = median(voices.keySet().stream().map(Track::loudPeaksDbfs).toList());
        double low = plan.limit(Limit.PEAKS_LOW);
        double high = plan.limit(Limit.PEAKS_HIGH);
        double hair = 3;
        if (peaks >= low - hair && peaks <= high + hair) return;
        double by = (low + high) / 2 - peaks;
        List<Turning> turns = new ArrayList<>();
        for (Track track : voices.keySet()) plan.gain(track, by).ifPresent(turns::add);
        said.add(
                new Remark(
                        Kind.PEAKS,
                        Severity.CAUTION,
                        "The loud moments of the voices peak at %s dBFS; %s to %s is the habit: every input gain %s by %s."
                                .formatted(
                                        Words.signed(peaks, 0),
                                        Words.signed(low, 0),
                                        Words.signed(high, 0),
                                        by > 0 ? "up" : "down",
                                        Words.db(Math.rint(Math.abs(by)))),
                        voices.keySet().stream().map(t -> t.ear().orElseThrow().id()).toList(),
                        Optional.empty(),
                        turns,
                        Map.of(),
                        Remark.figures("peaksDbfs", peaks)));
    }

    /// A floor that is far over what the plan says of the way.
    private void noisy(Track track) {
        Optional<Staircase> way =
                plan.proof()
                        .staircase(
                                plan.scene().scene().id(),
                                track.source().orElseThrow().id(),
                                track.ear().orElseThrow().id());
        if (way.isEmpty() || Double.isInfinite(way.get().signalToNoiseDb())) return;
        double measured = track.lufs() - track.sound().floorDbfs();
        double foretold = way.get().signalToNoiseDb();
        if (measured > foretold - NOISE_OVER_DB || measured > plan.limit(Limit.NOISE)) return;
        said.say(
                Kind.NOISE,
                Severity.CAUTION,
                track,
                "In pauses %s is only %s under what is said; the plan foretells %s. Something hisses or runs that the plan does not know of."
                        .formatted(track.name(), Words.db(measured), Words.db(foretold)),
                Remark.figures("underDb", measured, "foretoldDb", foretold));
    }

    /// Voices in each other's tracks; says whether it went on to the end.
    boolean pairs(DoublePredicate goesOn) throws FileTrouble {
        List<Track> all = ofVoices();
        List<Track> voices = new ArrayList<>(all.stream().limit(MOST_VOICES).toList());
        if (voices.size() < 2) return true;
        if (all.size() > voices.size())
            said.say(
                    Kind.FILE,
                    Severity.NOTE,
                    voices.getLast(),
                    "Echo and bleed were looked for among the first %s voices only."
                            .formatted(Words.number(MOST_VOICES)),
                    Map.of());
        List<Comparing.Stretch> read = new ArrayList<>();
        for (Track track : voices)
            read.add(Comparing.slower(Comparing.read(track.file(), track.channel()), SLOW_HZ));
        ofOneRate(voices, read);
        if (voices.size() < 2) return true;
        List<Comparing.Ready> ready = Comparing.ready(read);
        int pairs = voices.size() * (voices.size() - 1);
        int done = 0;
        for (int in = 0; in < voices.size(); in++)
            for (int of = 0; of < voices.size(); of++) {
                if (voices.get(in).source().equals(voices.get(of).source())) continue;
                pair(voices.get(in), ready.get(in), voices.get(of), ready.get(of));
                if (!goesOn.test(0.2 + 0.75 * ++done / pairs)) return false;
            }
        return true;
    }

    /// Leaves out, and tells, what was kept at another rate than most.
    private void ofOneRate(List<Track> voices, List<Comparing.Stretch> read) {
        int most = mostCommon(read);
        for (int i = voices.size() - 1; i >= 0; i--) {
            if (read.get(i).rateHz() == most) continue;
            said.say(
                    Kind.FILE,
                    Severity.NOTE,
                    voices.get(i),
                    "%s was kept at another rate than the others: echo and bleed were not looked for in it."
                            .formatted(voices.get(i).name()),
                    Map.of());
            voices.remove(i);
            read.remove(i);
        }
    }

    private static int mostCommon(List<Comparing.Stretch> read) {
        return read.stream()
                .map(Comparing.Stretch::rateHz)
                .max(Comparator.comparingLong(rate -> times(read, rate)))
                .orElseThrow();
    }

    private static long times(List<Comparing.Stretch> read, int rate) {
        return read.stream().filter(one -> one.rateHz() == rate).count();
    }

    private void pair(Track in, Comparing.Ready into, Track of, Comparing.Ready ofWhom) {
        boolean far = in.source().filter(VoiceRemarks::isCaller).isPresent();
        double from = far ? ECHO_FROM_MS : 0;
        Compared found = Comparing.within(ofWhom, into, from, ECHO_TO_MS);
        if (!found.isFound()) return;
        double foretold =
                plan.scene()
                        .of(in.ear().orElseThrow().id(), of.source().orElseThrow().id())
                        .hearing()
                        .levelDb();
        if (far && found.levelDb() > ECHO_LEAST_DB)
            echo(in, of, found, foretold >= plan.limit(Limit.HEARD));
        else if (!far && found.levelDb() > BLEED_LEAST_DB && found.levelDb() > foretold + 6)
            said.say(
                    Kind.BLEED,
                    Severity.CAUTION,
                    in,
                    "%s carries %s as well, %s under, %s later: farther apart, nearer to their own microphones, or softer loudspeakers."
                            .formatted(
                                    in.name(),
                                    of.source().orElseThrow().name(),
                                    Words.db(-found.levelDb()),
                                    Words.ms(found.delayMs())),
                    Remark.figures("levelDb", found.levelDb(), "delayMs", found.delayMs()));
    }

    private static boolean isCaller(Source source) {
        return source instanceof Person person && person.isCaller();
    }

    private void echo(Track in, Track of, Compared found, boolean isForetold) {
        if (said.has(Kind.ECHO, in)) return;
        Person caller = (Person) in.source().orElseThrow();
        Optional<Turning> canceller = canceller(caller);
        said.say(
                Kind.ECHO,
                Severity.PROBLEM,
                in,
                "%s comes back from %s's end after %s, %s under%s: %s."
                        .formatted(
                                of.source().orElseThrow().name(),
                                caller.name(),
                                Words.ms(found.delayMs()),
                                Words.db(-found.levelDb()),
                                isForetold ? ", as the plan foretells" : "",
                                remedy(caller, canceller)),
                canceller.stream().toList(),
                Remark.figures("delayMs", found.delayMs(), "levelDb", found.levelDb()));
    }

    private String remedy(Person caller, Optional<Turning> canceller) {
        String them = caller.object();
        if (canceller.isPresent())
            return "set %s to on, or headphones for %s"
                    .formatted(canceller.get().use().words(), them);
        return plan.proof().survey().devices().stream()
                .filter(device -> device.worn().equals(caller.id()))
                .filter(device -> plan.proof().survey().template(device).isWorn())
                .findFirst()
                .map(
                        worn ->
                                "by the plan %s is worn; it is off, or the call plays to loudspeakers"
                                        .formatted(worn.name()))
                .orElse("headphones for %s, or loudspeakers softer".formatted(them));
    }

    /// The echo canceller of a machine at somebody's end that is off.
    private Optional<Turning> canceller(Person caller) {
        return plan.proof().survey().devices().stream()
                .filter(device -> place(device).equals(caller.place()))
                .flatMap(
                        device ->
                                plan.proof().survey().template(device).cancellers().stream()
                                        .map(c -> new Ref(device.id(), c.knob())))
                .flatMap(knob -> plan.switchedOn(knob).stream())
                .findFirst();
    }

    /// Where a machine stands; of a program its computer.
    private String place(Device device) {
        return plan.show().rig().device(device.on()).orElse(device).place();
    }
}
