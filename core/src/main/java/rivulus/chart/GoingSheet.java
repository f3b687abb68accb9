package rivulus.chart;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import rivulus.check.Proof;
import rivulus.check.SceneProof;
import rivulus.edit.Edit;
import rivulus.form.Field;
import rivulus.form.Form;
import rivulus.form.NumberField;
import rivulus.form.Option;
import rivulus.keeping.Room;
import rivulus.keeping.Track;
import rivulus.leads.Survey;
import rivulus.level.Reinforced;
import rivulus.show.Device;
import rivulus.show.Ear;
import rivulus.show.Going;
import rivulus.show.Limit;
import rivulus.show.Output;
import rivulus.show.Person;
import rivulus.show.Playback;
import rivulus.show.Show;
import rivulus.timing.PictureSync;
import rivulus.timing.Rates;
import rivulus.words.Words;

/// What goes out and is kept: how it is set, the room it takes, whose leave was given; with a form
/// in which all of it is said. A stream key has no field.
///
/// @param form what can be said of it
public record GoingSheet(List<Section> sections, Form form) {
    /// One key, one word of caution.
    public static final String NO_KEY =
            "A stream key is typed where it belongs and never into this program.";

    private static final double MOST_GB = 1_000_000;

    public GoingSheet {
        sections = List.copyOf(sections);
    }

    /// Rows under a title.
    public record Section(String title, List<Row> rows, List<String> notes) {
        public Section {
            rows = List.copyOf(rows);
            notes = List.copyOf(notes);
        }
    }

    /// One thing.
    ///
    /// @param isLacking whether something is still to be done about it
    public record Row(String name, String words, boolean isLacking) {}

    /// What goes out and is kept of a show, by its first scene.
    public static GoingSheet of(Proof proof) {
        return new Drawn(proof, proof.scenes().getFirst()).sheet();
    }

    private record Drawn(Proof proof, SceneProof scene) {
        private Show show() {
            return proof.show();
        }

        private Survey survey() {
            return proof.survey();
        }

        private Going going() {
            return show().going();
        }

        private double limit(Limit limit) {
            return show().checks().limits().get(limit);
        }

        GoingSheet sheet() {
            List<Track> tracks = Track.all(scene, survey());
            List<Room> rooms = Room.all(scene, survey());
            List<Section> sections = new ArrayList<>(List.of(sent(), kept(tracks, rooms), leave()));
            List<Reinforced> audience = Reinforced.all(show(), scene.scene(), scene.tracer());
            if (!audience.isEmpty()) sections.add(1, inTheRoom(audience));
            return new GoingSheet(sections, form(rooms, tracks));
        }

        private List<Ear> sentEars() {
            return show().ears().stream().filter(ear -> ear.isSent() && !ear.isNowhere()).toList();
        }

        private Section sent() {
            List<Row> rows = new ArrayList<>();
            Map<Ear, PictureSync> first = new HashMap<>();
            for (PictureSync sync : PictureSync.all(scene, survey()))
                first.putIfAbsent(sync.ear(), sync);
            for (Ear ear : sentEars()) {
                Output output = going().output(ear.id());
                Device machine = survey().device(ear.at().getFirst().device()).orElseThrow();
                rows.add(
                        new Row(
                                ear.name(),
                                "by %s at %s, %s, %d kbit/s of sound, a key frame every %s; %s ± %s, ceiling %s%s"
                                        .formatted(
                                                machine.name(),
                                                Rates.words(Room.rate(survey(), machine)),
                                                output.channels() == 1 ? "mono" : "stereo",
                                                output.kbps(),
                                                Words.figure(output.keyFrameS(), 0, "s"),
                                                Words.figure(limit(Limit.PUBLIC_LUFS), 0, "LUFS"),
                                                Words.shortest(limit(Limit.PUBLIC_SPREAD)),
                                                Words.figure(limit(Limit.PUBLIC_PEAK), 0, "dBTP"),
                                                sync(Optional.ofNullable(first.get(ear)))),
                                false));
            }
            return new Section(
                    "What goes out", rows, List.of(rows.isEmpty() ? "Nothing goes out." : NO_KEY));
        }

        /// What the room hears bare, what loudspeakers add, and what that means for what goes out.
        private Section inTheRoom(List<Reinforced> audience) {
            List<Row> rows = new ArrayList<>();
            double kept = limit(Limit.LOOP_MARGIN);
            for (Reinforced one : audience) {
                double needed = one.neededDb(limit(Limit.AS_FROM));
                String bare = "bare at %s".formatted(Words.db(one.bareDb()));
                String words =
                        one.isWired()
                                ? "%s, by loudspeakers at %s; needs %s, can have %s before feedback; %s more in what goes out"
                                        .formatted(
                                                bare,
                                                Words.db(one.wiredDb()),
                                                Words.db(needed),
                                                one.round().isEmpty()
                                                        ? "any amount"
                                                        : Words.db(one.possibleDb(kept)),
                                                Words.db(one.offsetDb()))
                                : bare + ", by no loudspeaker";
                rows.add(
                        new Row(
                                "%s for %s".formatted(one.talker().name(), one.listener().name()),
                                words,
                                one.isShort(show().checks().limits())));
            }
            return new Section(
                    "In the room",
                    rows,
                    List.of(
                            "Needed: to be heard as from %s in the open. Before feedback: with %s of margin kept and every microphone open as it is. What goes out has no room to help it: so much louder than the loudspeakers' mix they have to be in it."
                                    .formatted(
                                            Words.figure(limit(Limit.AS_FROM), 1, "m"),
                                            Words.db(kept))));
        }

        /// How far its sound is from its picture.
        private static String sync(Optional<PictureSync> first) {
            return first.map(
                            sync ->
                                    "; %s against the picture %s"
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

        private Section kept(List<Track> tracks, List<Room> rooms) {
            List<Row> rows = new ArrayList<>();
            for (Track track : tracks)
                rows.add(
                        new Row(
                                track.ear().name(),
                                "%s%s, %s, %d bits%s"
                                        .formatted(
                                                track.where(),
                                                track.taken().isEmpty() ? "" : ", " + track.taken(),
                                                Words.count(track.channels(), "channel"),
                                                track.output().bits(),
                                                track.output().saferDb() > 0
                                                        ? ", and again %s softer"
                                                                .formatted(
                                                                        Words.db(
                                                                                track.output()
                                                                                        .saferDb()))
                                                        : ""),
                                false));
            List<String> notes = new ArrayList<>();
            rooms.forEach(room -> notes.add(room.words()));
            String without =
                    show().cast().people().stream()
                            .filter(Person::speaks)
                            .filter(
                                    p ->
                                            tracks.stream()
                                                    .noneMatch(t -> t.ear().of().equals(p.id())))
                            .map(Person::name)
                            .collect(Collectors.joining(", "));
            if (!without.isEmpty() && !tracks.isEmpty())
                notes.add("No track of their own: %s.".formatted(without));
            if (rooms.size() == 1)
                notes.add(
                        "All of it is kept on %s alone: when that stops, nothing is left."
                                .formatted(rooms.getFirst().machine().name()));
            if (tracks.isEmpty()) notes.add("Nothing is kept.");
            return new Section("What is kept", rows, notes);
        }

        private Section leave() {
            List<Row> rows = new ArrayList<>();
            for (Asked asked : asked())
                rows.add(
                        new Row(
                                asked.name(),
                                asked.what()
                                        + (asked.given().isEmpty()
                                                ? ": not yet"
                                                : ": yes, " + asked.given()),
                                asked.given().isEmpty()));
            return new Section(
                    "Asked and allowed",
                    rows,
                    List.of("Local law says whose leave is needed, and in which form."));
        }

        /// Whose leave is asked, or for what.
        private record Asked(String id, String name, String what, String label, String given) {}

        private List<Asked> asked() {
            List<Asked> all = new ArrayList<>();
            for (Person person : show().cast().people())
                if (person.speaks())
                    all.add(
                            new Asked(
                                    person.id(),
                                    person.name(),
                                    "may be heard and kept",
                                    person.name() + " may be heard and kept",
                                    given(person.id())));
            for (Playback playback : show().cast().playback())
                all.add(
                        new Asked(
                                playback.id(),
                                playback.name(),
                                playback.licensed().isEmpty()
                                        ? "licence for what is heard of it"
                                        : "licence for "
                                                + Words.list(
                                                        playback.licensed().stream()
                                                                .map(Ear.Kind::word)
                                                                .toList()),
                                playback.name() + ", licence",
                                given(playback.id())));
            return all;
        }

        private String given(String source) {
            return going().leave().getOrDefault(source, "");
        }

        // What can be said

        private Form form(List<Room> rooms, List<Track> tracks) {
            List<Field> fields = new ArrayList<>();
            for (Ear ear : sentEars()) {
                Output now = going().output(ear.id());
                String of = ear.name() + ", ";
                fields.add(
                        channels(
                                ear.id(),
                                of + "channels",
                                now.channels() == 1,
                                mono -> now.withChannels(mono ? 1 : 0)));
                fields.add(
                        NumberField.of(
                                ear.id() + "-kbps",
                                of + "kbit/s of sound",
                                now.kbps(),
                                "",
                                8,
                                5000,
                                kbps -> put(now.withKbps((int) Math.round(kbps)), ear)));
                fields.add(
                        NumberField.of(
                                ear.id() + "-key-frame",
                                of + "s between key frames",
                                now.keyFrameS(),
                                "",
                                0.1,
                                60,
                                s -> put(now.withKeyFrame(s), ear)));
            }
            for (Room room : rooms) kept(room, tracks, fields);
            for (Asked asked : asked())
                fields.add(
                        new Field.Text(
                                "leave-" + asked.id(),
                                asked.label(),
                                asked.given(),
                                "when, or by what",
                                List.of(),
                                typed ->
                                        edit(
                                                "Say when leave was given for " + asked.name(),
                                                going().withLeave(asked.id(), typed.strip()))));
            return new Form("going/show", "What goes out and is kept", fields, List.of());
        }

        private void kept(Room room, List<Track> tracks, List<Field> fields) {
            Device machine = room.machine();
            String of = machine.name() + ", ";
            List<Track> own = tracks.stream().filter(t -> t.machine().equals(machine)).toList();
            Output first = own.getFirst().output();
            fields.add(
                    new Field.Choice(
                            machine.id() + "-bits",
                            of + "bits",
                            String.valueOf(first.bits()),
                            List.of(
                                    new Option("16", "16"),
                                    new Option("24", "24"),
                                    new Option("32", "32")),
                            room.words(),
                            bits -> all(own, o -> o.withBits(Integer.parseInt(bits)), machine)));
            fields.add(
                    NumberField.of(
                            machine.id() + "-safer",
                            of + "second copy softer by dB",
                            first.saferDb(),
                            "none",
                            0,
                            60,
                            db -> all(own, o -> o.withSafer(db), machine)));
            fields.add(
                    NumberField.of(
                            machine.id() + "-card",
                            of + "GB of card or disk",
                            going().cards().getOrDefault(machine.id(), 0.0),
                            "not said",
                            0,
                            MOST_GB,
                            gb ->
                                    edit(
                                            "Say what the card of %s holds"
                                                    .formatted(machine.name()),
                                            going().withCard(machine.id(), gb))));
        }

        private Field channels(
                String ear, String label, boolean mono, Function<Boolean, Output> to) {
            Ear of = show().ear(ear).orElseThrow();
            return new Field.Choice(
                    ear + "-channels",
                    label,
                    mono ? "1" : "2",
                    List.of(new Option("2", "stereo"), new Option("1", "mono")),
                    word -> put(to.apply(word.equals("1")), of));
        }

        private Edit put(Output changed, Ear ear) {
            return edit("Set how %s is sent".formatted(ear.name()), going().with(changed));
        }

        private Edit all(List<Track> tracks, Function<Output, Output> change, Device machine) {
            Going changed = going();
            for (Track track : tracks) changed = changed.with(change.apply(track.output()));
            return edit("Set how %s keeps tracks".formatted(machine.name()), changed);
        }

        private Edit edit(String name, Going changed) {
            Show show = show();
            return Edit.of(name, show, show.withRundown(show.rundown().withGoing(changed)));
        }
    }
}
