package rivulus.recording;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.DoublePredicate;
import java.util.stream.Collectors;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.check.SceneProof;
import rivulus.disk.FileTrouble;
import rivulus.gear.Canceller;
import rivulus.gear.Knob;
import rivulus.gear.Setting;
import rivulus.hearing.Way;
import rivulus.hearing.Ways;
import rivulus.level.Preamp;
import rivulus.level.Staircase;
import rivulus.recording.Remark.Kind;
import rivulus.show.Device;
import rivulus.show.Ear;
import rivulus.show.Limit;
import rivulus.show.Names;
import rivulus.show.Person;
import rivulus.show.Ref;
import rivulus.show.Role;
import rivulus.show.Show;
import rivulus.show.Source;
import rivulus.show.Turn;
import rivulus.signal.KnobUse;
import rivulus.signal.Leg;
import rivulus.signal.LiveGraph;
import rivulus.sound.Channel;
import rivulus.sound.Compared;
import rivulus.sound.Comparing;
import rivulus.sound.Hum;
import rivulus.words.Severity;
import rivulus.words.Words;

/// What the tracks of a recording say against the plan: each difference a sentence, with what to
/// turn.
///
/// Voices are compared with each other, less what the plan says that they differ by; whoever is off
/// is turned to the middle of the rest. Costs two passes over every file (one has measured it) and
/// a few Fourier transforms for each pair of voices.
public final class Recording {
    private static final int SLOW_HZ = 8_000;
    private static final double ECHO_FROM_MS = 30;
    private static final double ECHO_TO_MS = 1000;
    private static final double ECHO_LEAST_DB = -50;
    private static final double BLEED_LEAST_DB = -15;
    private static final double SAME_LENGTH_S = 0.5;
    private static final double NOISE_OVER_DB = 10;
    private static final int MOST_VOICES = 8;

    private final Proof proof;
    private final SceneProof scene;
    private final List<Track> tracks;
    private final List<Remark> remarks = new ArrayList<>();
    private final LiveGraph live;

    private Recording(Proof proof, SceneProof scene, List<Track> tracks) {
        this.proof = proof;
        this.scene = scene;
        this.tracks = tracks;
        live = scene.tracer().live();
    }

    /// Compares tracks with what is heard in a scene.
    ///
    /// @param goesOn asked now and then with the part that is done; no ends it
    /// @return empty where it was ended
    public static Optional<Recording> of(
            Proof proof, SceneProof scene, List<Track> tracks, DoublePredicate goesOn)
            throws FileTrouble {
        Recording recording = new Recording(proof, scene, List.copyOf(tracks));
        return recording.compare(goesOn) ? Optional.of(recording) : Optional.empty();
    }

    private boolean compare(DoublePredicate goesOn) throws FileTrouble {
        for (Track track : tracks) ofOne(track);
        voices();
        if (!goesOn.test(0.2) || !pairs(goesOn)) return false;
        picture();
        remarks.sort(Comparator.comparing(Remark::severity).thenComparing(Remark::kind));
        return true;
    }

    /// The tracks, as they were matched.
    public List<Track> tracks() {
        return tracks;
    }

    /// What they say, worst first.
    public List<Remark> remarks() {
        return List.copyOf(remarks);
    }

    /// The remarks that can be taken, together in one step.
    public List<Remark> taken() {
        return remarks.stream().filter(Remark::canBeTaken).toList();
    }

    private double limit(Limit limit) {
        return proof.show().checks().limits().get(limit);
    }

    private void say(
            Kind kind,
            Severity severity,
            Track track,
            String sentence,
            Map<String, Double> figures) {
        say(kind, severity, track, sentence, List.of(), figures);
    }

    private void say(
            Kind kind,
            Severity severity,
            Track track,
            String sentence,
            List<Turn> turns,
            Map<String, Double> figures) {
        remarks.add(
                new Remark(
                        kind,
                        severity,
                        sentence,
                        track.ear().map(Ear::id).stream().toList(),
                        Optional.empty(),
                        turns,
                        Map.of(),
                        figures));
    }

    // One track

    private void ofOne(Track track) {
        for (String note : track.measured().notes())
            say(Kind.FILE, Severity.CAUTION, track, track.name() + ": " + note, Map.of());
        if (track.sound().isSilent()) {
            silent(track);
            return;
        }
        clipped(track);
        hum(track);
        sides(track);
        if (track.ear().filter(ear -> goesOut(ear)).isPresent()) loudness(track);
    }

    private void silent(Track track) {
        boolean planned =
                track.ear().isPresent()
                        && scene.of(track.ear().get().id()).stream()
                                .anyMatch(h -> h.hearing().levelDb() > limit(Limit.HEARD));
        say(
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
        double middle = (limit(Limit.PEAKS_LOW) + limit(Limit.PEAKS_HIGH)) / 2;
        Optional<Turning> turning = gain(track, middle - Math.max(sound.peakDbfs(), -3));
        say(
                Kind.CLIPPED,
                Severity.PROBLEM,
                track,
                "%s clipped %s, first at %s%s."
                        .formatted(
                                track.name(),
                                Words.times(sound.clipped()),
                                clock(sound.clips().getFirst().from()),
                                turning.map(t -> ": " + t.words()).orElse(": less gain before it")),
                turning.map(Turning::turn).stream().toList(),
                figures("clipped", sound.clipped(), "firstS", sound.clips().getFirst().from()));
    }

    private static String clock(double seconds) {
        return "%d:%02d".formatted((int) seconds / 60, (int) seconds % 60);
    }

    private void hum(Track track) {
        Optional<Hum> found = track.sound().hum();
        if (found.isEmpty()) return;
        Hum hum = found.get();
        double under = track.lufs() - hum.dbfs();
        Optional<Finding> ring = ring(track);
        String what =
                "%s hums at %d%sHz, %s under what is said"
                        .formatted(track.name(), hum.hz(), Words.THIN, Words.db(under));
        remarks.add(
                new Remark(
                        Kind.HUM,
                        under < limit(Limit.HUM_PLAIN) ? Severity.PROBLEM : Severity.CAUTION,
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
                        figures("hz", hum.hz(), "dbfs", hum.dbfs(), "underDb", under)));
    }

    /// The ring of grounds that the way to a track's ear has most to do with.
    private Optional<Finding> ring(Track track) {
        Set<String> passed =
                ways(track).stream()
                        .flatMap(way -> way.legs().stream())
                        .flatMap(leg -> List.of(leg.from().device(), leg.to().device()).stream())
                        .collect(Collectors.toSet());
        return proof.ofTheRig().stream()
                .filter(finding -> finding.rule().equals("ground-loop"))
                .filter(
                        finding ->
                                finding.gear().stream()
                                        .flatMap(
                                                cable ->
                                                        proof.show().rig().cables().stream()
                                                                .filter(c -> c.id().equals(cable)))
                                        .anyMatch(c -> passed.stream().anyMatch(c::touches)))
                .findFirst();
    }

    private List<Way> ways(Track track) {
        if (track.ear().isEmpty()) return List.of();
        String ear = track.ear().get().id();
        List<Source> of = track.source().map(List::of).orElseGet(() -> proof.show().sources());
        return of.stream()
                .flatMap(source -> Ways.of(live).strongest(source.id(), ear, 1).first().stream())
                .toList();
    }

    private void sides(Track track) {
        if (track.channel() >= 0 || track.measured().stereo().isEmpty()) return;
        var stereo = track.measured().stereo().get();
        if (stereo.isInverted())
            say(
                    Kind.SIDES,
                    Severity.PROBLEM,
                    track,
                    "One side of %s is the other turned over: who listens in mono hears nothing. Look for a lead with its pins exchanged, or a polarity switch."
                            .formatted(track.name()),
                    figures("correlation", stereo.correlation()));
        else if (stereo.isOneSided())
            say(
                    Kind.SIDES,
                    Severity.PROBLEM,
                    track,
                    "%s is on the %s only: the other side of its lead, or a pan."
                            .formatted(
                                    track.name(), stereo.leftOverRightDb() > 0 ? "left" : "right"),
                    figures("leftOverRightDb", stereo.leftOverRightDb()));
    }

    private static boolean goesOut(Ear ear) {
        return ear.kind() == Ear.Kind.STREAM || ear.kind() == Ear.Kind.ON_DEMAND;
    }

    private void loudness(Track track) {
        double target = limit(Limit.PUBLIC_LUFS);
        double off = track.lufs() - target;
        if (Math.abs(off) > limit(Limit.PUBLIC_SPREAD)) {
            Optional<Turning> turning = level(track, -off);
            say(
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
                    turning.map(Turning::turn).stream().toList(),
                    figures("lufs", track.lufs(), "offLu", off));
        }
        if (track.truePeakDbtp() > limit(Limit.PUBLIC_PEAK))
            say(
                    Kind.LOUDNESS,
                    Severity.CAUTION,
                    track,
                    "%s peaks at %s dBTP; %s is the most that survives coding: a limiter with that ceiling, last before the stream."
                            .formatted(
                                    track.name(),
                                    Words.signed(track.truePeakDbtp(), 1),
                                    Words.signed(limit(Limit.PUBLIC_PEAK), 0)),
                    figures("dbtp", track.truePeakDbtp()));
    }

    private static String lu(double lu) {
        return Words.signed(lu, lu == Math.rint(lu) ? 0 : 1) + Words.THIN + "LU";
    }

    // Voices against each other

    private List<Track> ofVoices() {
        return tracks.stream()
                .filter(track -> track.source().filter(Person.class::isInstance).isPresent())
                .filter(track -> !track.sound().isSilent())
                .toList();
    }

    private double planned(Track track) {
        return scene.of(track.ear().orElseThrow().id(), track.source().orElseThrow().id())
                .hearing()
                .levelDb();
    }

    private void voices() {
        Map<Track, Double> off = new LinkedHashMap<>();
        for (Track track : ofVoices()) {
            double foretold = planned(track);
            if (foretold < limit(Limit.HEARD))
                say(
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
                    if (track != nearest && Math.abs(by) > limit(Limit.UNEVEN))
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
        Optional<Turning> turning = gain(track, -by);
        String who = track.source().orElseThrow().name();
        remarks.add(
                new Remark(
                        Kind.UNEVEN,
                        Severity.PROBLEM,
                        "%s is %s %s %s%s."
                                .formatted(
                                        who,
                                        lu(Math.rint(Math.abs(by) * 10) / 10),
                                        by < 0 ? "under" : "over",
                                        other.source().orElseThrow().name(),
                                        turning.map(t -> ": " + t.words())
                                                .orElse(
                                                        by < 0
                                                                ? ": nearer to the microphone"
                                                                : ": farther from the microphone")),
                        track.ear().map(Ear::id).stream().toList(),
                        Optional.empty(),
                        turning.map(Turning::turn).stream().toList(),
                        Map.of(track.source().orElseThrow().id(), by),
                        figures("lufs", track.lufs(), "offLu", by)));
    }

    /// Where all voices together peak too low or too high, no single one is to be turned.
    private void peaks(Map<Track, Double> voices) {
        double peaks = median(voices.keySet().stream().map(Track::loudPeaksDbfs).toList());
        double low = limit(Limit.PEAKS_LOW);
        double high = limit(Limit.PEAKS_HIGH);
        double hair = 3;
        if (peaks >= low - hair && peaks <= high + hair) return;
        double by = (low + high) / 2 - peaks;
        List<Turn> turns = new ArrayList<>();
        for (Track track : voices.keySet())
            gain(track, by).map(Turning::turn).ifPresent(turns::add);
        remarks.add(
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
                        figures("peaksDbfs", peaks)));
    }

    /// A floor that is far over what the plan says of the way.
    private void noisy(Track track) {
        Optional<Staircase> way =
                proof.staircase(
                        scene.scene().id(),
                        track.source().orElseThrow().id(),
                        track.ear().orElseThrow().id());
        if (way.isEmpty() || Double.isInfinite(way.get().signalToNoiseDb())) return;
        double measured = track.lufs() - track.sound().floorDbfs();
        double foretold = way.get().signalToNoiseDb();
        if (measured > foretold - NOISE_OVER_DB || measured > limit(Limit.NOISE)) return;
        say(
                Kind.NOISE,
                Severity.CAUTION,
                track,
                "In pauses %s is only %s under what is said; the plan foretells %s. Something hisses or runs that the plan does not know of."
                        .formatted(track.name(), Words.db(measured), Words.db(foretold)),
                figures("underDb", measured, "foretoldDb", foretold));
    }

    // Voices in each other's tracks

    private boolean pairs(DoublePredicate goesOn) throws FileTrouble {
        List<Track> voices = ofVoices().stream().limit(MOST_VOICES).toList();
        if (voices.size() < 2) return true;
        List<Comparing.Stretch> read = new ArrayList<>();
        for (Track track : voices)
            read.add(Comparing.slower(Comparing.read(track.file(), track.channel()), SLOW_HZ));
        List<Comparing.Ready> ready = Comparing.ready(read);
        int all = voices.size() * (voices.size() - 1);
        int done = 0;
        for (int in = 0; in < voices.size(); in++)
            for (int of = 0; of < voices.size(); of++) {
                if (in == of) continue;
                pair(voices.get(in), ready.get(in), voices.get(of), ready.get(of));
                if (!goesOn.test(0.2 + 0.75 * ++done / all)) return false;
            }
        return true;
    }

    private void pair(Track in, Comparing.Ready into, Track of, Comparing.Ready ofWhom) {
        boolean far = in.source().filter(Recording::isCaller).isPresent();
        double from = far ? ECHO_FROM_MS : 0;
        Compared found = Comparing.within(ofWhom, into, from, ECHO_TO_MS);
        if (!found.isFound()) return;
        double foretold =
                scene.of(in.ear().orElseThrow().id(), of.source().orElseThrow().id())
                        .hearing()
                        .levelDb();
        if (far && found.levelDb() > ECHO_LEAST_DB && foretold < limit(Limit.HEARD))
            echo(in, of, found);
        else if (!far && found.levelDb() > BLEED_LEAST_DB && found.levelDb() > foretold + 6)
            say(
                    Kind.BLEED,
                    Severity.CAUTION,
                    in,
                    "%s carries %s as well, %s under, %s later: farther apart, nearer to their own microphones, or softer loudspeakers."
                            .formatted(
                                    in.name(),
                                    of.source().orElseThrow().name(),
                                    Words.db(-found.levelDb()),
                                    Words.ms(found.delayMs())),
                    figures("levelDb", found.levelDb(), "delayMs", found.delayMs()));
    }

    private static boolean isCaller(Source source) {
        return source instanceof Person person && person.role() == Role.CALLER;
    }

    private void echo(Track in, Track of, Compared found) {
        boolean told =
                remarks.stream()
                        .anyMatch(
                                r ->
                                        r.kind() == Kind.ECHO
                                                && r.ears().contains(in.ear().orElseThrow().id()));
        if (told) return;
        Person caller = (Person) in.source().orElseThrow();
        Optional<Turn> canceller = canceller(caller);
        say(
                Kind.ECHO,
                Severity.PROBLEM,
                in,
                "%s comes back from %s's end after %s, %s under: %s."
                        .formatted(
                                of.source().orElseThrow().name(),
                                caller.name(),
                                Words.ms(found.delayMs()),
                                Words.db(-found.levelDb()),
                                remedy(caller, canceller)),
                canceller.stream().toList(),
                figures("delayMs", found.delayMs(), "levelDb", found.levelDb()));
    }

    private String remedy(Person caller, Optional<Turn> canceller) {
        String them = caller.object();
        if (canceller.isPresent())
            return "set %s to on, or headphones for %s"
                    .formatted(
                            live.graph().knob(canceller.get().knob()).orElseThrow().words(), them);
        return proof.survey().devices().stream()
                .filter(device -> device.worn().equals(caller.id()))
                .filter(device -> proof.survey().template(device).isWorn())
                .findFirst()
                .map(
                        worn ->
                                "by the plan %s is worn; it is off, or the call plays to loudspeakers"
                                        .formatted(worn.name()))
                .orElse("headphones for %s, or loudspeakers softer".formatted(them));
    }

    /// The echo canceller of a machine at somebody's end that is off.
    private Optional<Turn> canceller(Person caller) {
        Show show = proof.show();
        for (Device device : proof.survey().devices()) {
            String place = show.rig().device(device.on()).map(Device::place).orElse(device.place());
            if (!place.equals(caller.place())) continue;
            for (Canceller canceller : proof.survey().template(device).cancellers()) {
                Setting now =
                        proof.survey()
                                .stands(device, canceller.knob())
                                .orElse(new Setting.Switch(false));
                if (now.equals(new Setting.Switch(false)))
                    return Optional.of(
                            new Turn(
                                    new Ref(device.id(), canceller.knob()),
                                    now,
                                    new Setting.Switch(true),
                                    Optional.empty()));
            }
        }
        return Optional.empty();
    }

    // Sound against picture

    private void picture() throws FileTrouble {
        for (Track camera : tracks) {
            if (!camera.isPicture() || camera.sound().isSilent()) continue;
            List<Track> out =
                    tracks.stream()
                            .filter(track -> track.ear().filter(Recording::goesOut).isPresent())
                            .toList();
            List<Track> beside =
                    out.stream().filter(track -> track.file().equals(camera.file())).toList();
            for (Track sound : beside.isEmpty() ? out : beside) {
                double longer = sound.measured().seconds() - camera.measured().seconds();
                if (Math.abs(longer) < SAME_LENGTH_S) picture(camera, sound);
            }
        }
    }

    private void picture(Track camera, Track sound) throws FileTrouble {
        Compared found =
                Comparing.same(
                        Comparing.slower(Comparing.read(camera.file(), camera.channel()), SLOW_HZ),
                        Comparing.slower(Comparing.read(sound.file(), sound.channel()), SLOW_HZ));
        if (!found.isFound()) return;
        double late = found.delayMs();
        boolean fine = late <= limit(Limit.PICTURE_LATE) && late >= -limit(Limit.PICTURE_EARLY);
        if (fine) return;
        Optional<Turning> turning = late < 0 ? later(sound, -late) : Optional.empty();
        say(
                Kind.PICTURE,
                Severity.PROBLEM,
                sound,
                "The sound of %s is %s %s the picture%s."
                        .formatted(
                                Names.of(sound.ear().orElseThrow()),
                                Words.ms(Math.rint(Math.abs(late))),
                                late < 0 ? "ahead of" : "behind",
                                turning.map(t -> ": " + t.words())
                                        .orElse(
                                                late < 0
                                                        ? ": delay it by as much"
                                                        : ": delay the picture by as much")),
                turning.map(Turning::turn).stream().toList(),
                figures("lateMs", late));
    }

    // What to turn

    /// A turn, and how it is said.
    private record Turning(Turn turn, String words) {}

    /// The gain that a track's source passes first, turned by so much; else another level on its
    /// way.
    private Optional<Turning> gain(Track track, double byDb) {
        for (Way way : ways(track)) {
            for (Leg leg : way.legs()) {
                Optional<Preamp> preamp = proof.levels().preamp(live, leg);
                if (preamp.isPresent()) return turned(preamp.get().use(), byDb);
            }
            Optional<Turning> other = level(way, byDb);
            if (other.isPresent()) return other;
        }
        return Optional.empty();
    }

    /// The last level before a track's ear, turned by so much.
    private Optional<Turning> level(Track track, double byDb) {
        List<Way> ways = ways(track);
        if (ways.isEmpty()) return Optional.empty();
        List<KnobUse> last = levels(ways.getFirst());
        for (Way way : ways) last = last.stream().filter(levels(way)::contains).toList();
        return last.reversed().stream().flatMap(use -> turned(use, byDb).stream()).findFirst();
    }

    private Optional<Turning> level(Way way, double byDb) {
        return levels(way).stream().flatMap(use -> turned(use, byDb).stream()).findFirst();
    }

    private List<KnobUse> levels(Way way) {
        List<KnobUse> levels = new ArrayList<>();
        for (Leg leg : way.legs())
            for (Leg.Govern govern : leg.governors()) {
                KnobUse use = live.graph().knobs().get(govern.knob());
                if (use.knob() instanceof Knob.Level) levels.add(use);
            }
        return levels;
    }

    private Optional<Turning> turned(KnobUse use, double byDb) {
        int k = live.graph().knobIndex(use.ref().device(), use.ref().name());
        if (!(use.knob() instanceof Knob.Level level)
                || !(live.positions().get(k) instanceof Setting.Level now)
                || now.isOff()) return Optional.empty();
        double wanted = Math.rint((now.db() + byDb) / level.stepDb()) * level.stepDb();
        Setting.Level to = new Setting.Level(Math.clamp(wanted, level.minDb(), level.maxDb()));
        double by = to.db() - now.db();
        if (Math.abs(by) < level.stepDb() / 2) return Optional.empty();
        return Optional.of(
                new Turning(
                        new Turn(use.ref(), now, to, Optional.empty()),
                        "%s %s%s%s"
                                .formatted(
                                        use.words(),
                                        by > 0 ? "+" : "",
                                        Words.shortest(by),
                                        Words.THIN + "dB")));
    }

    /// A delay on the way to a track's ear, made longer.
    private Optional<Turning> later(Track track, double byMs) {
        for (Way way : ways(track))
            for (Leg leg : way.legs())
                for (Leg.Govern govern : leg.governors()) {
                    KnobUse use = live.graph().knobs().get(govern.knob());
                    if (!(use.knob() instanceof Knob.Time time)
                            || !(live.positions().get(govern.knob()) instanceof Setting.Time now))
                        continue;
                    double wanted = Math.rint((now.ms() + byMs) / time.stepMs()) * time.stepMs();
                    Setting.Time to =
                            new Setting.Time(Math.clamp(wanted, time.minMs(), time.maxMs()));
                    if (to.ms() > now.ms())
                        return Optional.of(
                                new Turning(
                                        new Turn(use.ref(), now, to, Optional.empty()),
                                        use.words() + " to " + Words.ms(to.ms())));
                }
        return Optional.empty();
    }

    private static Map<String, Double> figures(Object... namesAndValues) {
        Map<String, Double> figures = new LinkedHashMap<>();
        for (int i = 0; i < namesAndValues.length; i += 2)
            figures.put((String) namesAndValues[i], ((Number) namesAndValues[i + 1]).doubleValue());
        return figures;
    }

    /// The files that the tracks are of.
    public List<Path> files() {
        return tracks.stream().map(Track::file).distinct().toList();
    }
}
