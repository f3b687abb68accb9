package rivulus.sheet;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import rivulus.chart.GainSheet;
import rivulus.check.Proof;
import rivulus.check.SceneProof;
import rivulus.gear.Knob;
import rivulus.hearing.Way;
import rivulus.hearing.Ways;
import rivulus.leads.Survey;
import rivulus.level.InputGain;
import rivulus.show.Device;
import rivulus.show.Ear;
import rivulus.show.Limit;
import rivulus.show.Person;
import rivulus.show.Playback;
import rivulus.show.Ref;
import rivulus.show.Source;
import rivulus.signal.LiveGraph;
import rivulus.timing.PictureSync;
import rivulus.timing.Rates;
import rivulus.words.Words;

/// What is set for levels, recording and stream: input gains, tracks with their taps and bytes,
/// what goes out and how loud, and whose leave is asked.
final class LevelSheets {
    /// Bytes of a sample of 24 bits.
    private static final int SAMPLE_BYTES = 3;

    private static final int USUAL_RATE = 48_000;

    /// A WAV file under RIFF holds less.
    private static final double WAV_BYTES = 4.0 * (1L << 30);

    private final Proof proof;
    private final Survey survey;
    private final SceneProof scene;

    LevelSheets(Proof proof, Survey survey) {
        this.proof = proof;
        this.survey = survey;
        scene = proof.scenes().getFirst();
    }

    List<Part> tables() {
        return List.of(gains(), tracks(), goingOut(), leave());
    }

    private double limit(Limit limit) {
        return proof.show().checks().limits().get(limit);
    }

    private Part.Table gains() {
        GainSheet sheet = GainSheet.of(proof);
        List<List<String>> rows = new ArrayList<>();
        for (InputGain gain : sheet.used())
            rows.add(
                    List.of(
                            gain.now().use().words(),
                            gain.source().map(Source::name).orElse(""),
                            gain.should().marks(),
                            gain.why()));
        List<String> notes = new ArrayList<>();
        sheet.idle().ifPresent(idle -> notes.add(idle + ": gain at the bottom."));
        notes.add(
                "Turn up from the bottom while somebody talks as loudly as they will; what the meter says then comes first.");
        return new Part.Table("Input gains", List.of("knob", "who", "set to", "then"), rows, notes);
    }

    // Recording

    private double minutes() {
        double scenes = proof.show().scenes().stream().mapToDouble(s -> s.minutes()).sum();
        return scenes + limit(Limit.OVERRUN);
    }

    private Part.Table tracks() {
        List<List<String>> rows = new ArrayList<>();
        Map<Device, Integer> channels = new LinkedHashMap<>();
        Set<String> voices = new LinkedHashSet<>();
        for (Ear ear : proof.show().ears()) {
            boolean kept =
                    ear.kind() == Ear.Kind.TRACK
                            || ear.kind() == Ear.Kind.ON_DEMAND
                            || ear.kind() == Ear.Kind.SECOND_LANGUAGE;
            if (!kept || ear.isNowhere()) continue;
            Ref at = ear.at().getFirst();
            Device machine = survey.device(at.device()).orElseThrow();
            int wide = scene.tracer().live().graph().nodesOf(at).length;
            channels.merge(machine, wide, Integer::sum);
            voices.add(ear.of());
            rows.add(
                    List.of(
                            ear.name(),
                            proof.show().cast().source(ear.of()).map(Source::name).orElse("a mix"),
                            place(machine, at),
                            tap(ear),
                            String.valueOf(wide)));
        }
        List<String> notes = new ArrayList<>();
        channels.forEach((machine, wide) -> notes.add(room(machine, wide)));
        List<String> without =
                proof.show().cast().people().stream()
                        .filter(Person::speaks)
                        .filter(person -> !voices.contains(person.id()))
                        .map(Person::name)
                        .toList();
        if (!without.isEmpty() && !rows.isEmpty())
            notes.add("No track of their own: %s.".formatted(Words.list(without)));
        if (channels.size() == 1)
            notes.add(
                    "All of it is recorded on %s alone: when that stops, nothing is left."
                            .formatted(channels.keySet().iterator().next().name()));
        if (rows.isEmpty()) notes.add("Nothing is recorded.");
        return new Part.Table(
                "Tracks", List.of("track", "of", "where", "taken", "channels"), rows, notes);
    }

    private String place(Device machine, Ref at) {
        LiveGraph live = scene.tracer().live();
        int[] nodes = live.graph().nodesOf(at);
        return nodes.length == 0 ? machine.name() : live.graph().nodes().get(nodes[0]).words();
    }

    /// Before or after which fader it is taken, where it is one source's.
    private String tap(Ear ear) {
        if (proof.show().cast().source(ear.of()).isEmpty()) return "";
        LiveGraph live = scene.tracer().live();
        Optional<Way> way = Ways.of(live).strongest(ear.of(), ear.id(), 1).first();
        if (way.isEmpty()) return "nothing comes";
        return way.get()
                .knob(live.graph(), Knob.Role.FADER)
                .map(fader -> "after " + fader.knob().label())
                .orElse("before the fader");
    }

    /// Rate · bytes · channels · time, with the overrun.
    private String room(Device machine, int channels) {
        int rate = rate(machine);
        double second = (double) rate * SAMPLE_BYTES * channels;
        double all = second * 60 * minutes();
        String split =
                all > WAV_BYTES
                        ? "; one WAV file of all channels is full after %s, so let it split or use RF64"
                                .formatted(Words.hours(WAV_BYTES / second / 60))
                        : "";
        return "%s: %d channels at %s and 24 bits are %s an hour, %s for %s and the overrun%s."
                .formatted(
                        machine.name(),
                        channels,
                        Rates.words(rate),
                        bytes(second * 3600),
                        bytes(all),
                        Words.minutes(minutes() - limit(Limit.OVERRUN)),
                        split);
    }

    private int rate(Device machine) {
        int own = Rates.of(survey, machine);
        if (own > 0) return own;
        return survey.device(machine.on())
                .map(d -> Rates.of(survey, d))
                .filter(r -> r > 0)
                .orElse(USUAL_RATE);
    }

    private static String bytes(double bytes) {
        double gigabytes = bytes / 1e9;
        return gigabytes >= 1
                ? Words.figure(gigabytes, 1, "GB")
                : Words.figure(bytes / 1e6, 0, "MB");
    }

    // Going out

    private Part.Table goingOut() {
        List<List<String>> rows = new ArrayList<>();
        for (Ear ear : proof.show().ears()) {
            boolean out = ear.kind() == Ear.Kind.STREAM || ear.kind() == Ear.Kind.ON_DEMAND;
            if (!out || ear.isNowhere()) continue;
            Device machine = survey.device(ear.at().getFirst().device()).orElseThrow();
            rows.add(
                    List.of(
                            ear.name(),
                            machine.name(),
                            Rates.words(rate(machine)) + ", stereo",
                            "%s%sLUFS ± %s, ceiling %s%sdBTP"
                                    .formatted(
                                            Words.signed(limit(Limit.PUBLIC_LUFS), 0),
                                            Words.THIN,
                                            Words.shortest(limit(Limit.PUBLIC_SPREAD)),
                                            Words.signed(limit(Limit.PUBLIC_PEAK), 0),
                                            Words.THIN),
                            sync(ear)));
        }
        return new Part.Table(
                "What goes out",
                List.of("what", "by", "format", "loudness", "sound against picture"),
                rows,
                rows.isEmpty()
                        ? List.of("Nothing goes out.")
                        : List.of(
                                "160 kbit/s of sound or more, a key frame every two seconds, as a rule of thumb.",
                                "A stream key is typed where it belongs and never into this program."));
    }

    private String sync(Ear ear) {
        return PictureSync.all(scene, survey).stream()
                .filter(sync -> sync.ear().equals(ear))
                .findFirst()
                .map(
                        sync ->
                                "%s: %s"
                                        .formatted(
                                                sync.source().name(),
                                                sync.offsetMs() == 0
                                                        ? "together"
                                                        : Words.ms(Math.abs(sync.offsetMs()))
                                                                + (sync.offsetMs() > 0
                                                                        ? " late"
                                                                        : " early")))
                .orElse("");
    }

    /// Whose consent and which licences local law may ask for; to be ticked on paper.
    private Part.Table leave() {
        List<List<String>> rows = new ArrayList<>();
        for (Person person : proof.show().cast().people())
            if (person.speaks())
                rows.add(List.of(person.name(), "may be recorded and heard", "", "", ""));
        for (Playback playback : proof.show().cast().playback())
            rows.add(
                    List.of(
                            playback.name(),
                            playback.licensed().isEmpty()
                                    ? "licence for what is heard of it"
                                    : "licence for "
                                            + Words.list(
                                                    playback.licensed().stream()
                                                            .map(Ear.Kind::word)
                                                            .toList()),
                            "",
                            "",
                            ""));
        return new Part.Table(
                "Asked and allowed",
                List.of("who or what", "asked", "yes", "date", "name"),
                rows,
                List.of("Local law says whose leave is needed, and in which form."));
    }
}
