package rivulus.form;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import rivulus.disk.Entry;
import rivulus.disk.Line;
import rivulus.edit.Edit;
import rivulus.gear.Catalogue;
import rivulus.gear.Desk;
import rivulus.gear.Template;
import rivulus.leads.End;
import rivulus.listening.Listening;
import rivulus.listening.Points;
import rivulus.show.Cable;
import rivulus.show.Device;
import rivulus.show.Ear;
import rivulus.show.MuteKey;
import rivulus.show.Occasion;
import rivulus.show.Person;
import rivulus.show.Place;
import rivulus.show.Playback;
import rivulus.show.Profile;
import rivulus.show.Scene;
import rivulus.show.Show;
import rivulus.show.Source;
import rivulus.words.Words;

/// Every part of a show, listed, and each as a form.
public final class Forms {
    private final Ground on;
    private final CastForms cast;
    private final RundownForms rundown;
    private final RigForms rig;
    private final DeskForms desks;
    private final WayForms ways;

    /// The forms of a show whose templates are in the catalogue.
    public Forms(Show show, Catalogue catalogue) {
        on = Ground.of(show, catalogue);
        cast = new CastForms(on);
        rundown = new RundownForms(on);
        rig = new RigForms(on);
        desks = new DeskForms(on);
        ways = new WayForms(on);
    }

    /// The form of a part, by its key in the outline; empty where there is no such part any more.
    public Optional<Form> form(String key) {
        Show show = on.show();
        int slash = key.indexOf('/');
        if (slash < 0) return Optional.empty();
        String id = key.substring(slash + 1);
        return switch (key.substring(0, slash)) {
            case "show" -> Optional.of(title());
            case "person" -> show.cast().person(id).map(cast::of);
            case "playback" ->
                    show.cast().playback().stream()
                            .filter(plays -> plays.id().equals(id))
                            .findFirst()
                            .map(cast::of);
            case "place" -> show.place(id).map(cast::of);
            case "ear" -> show.ear(id).map(rundown::of);
            case "scene" -> show.scene(id).map(rundown::of);
            case "mute" ->
                    show.mutes().stream()
                            .filter(mute -> mute.id().equals(id))
                            .findFirst()
                            .map(rundown::of);
            case "profile" ->
                    show.profiles().stream()
                            .filter(profile -> profile.id().equals(id))
                            .findFirst()
                            .map(rundown::of);
            case "device" -> show.rig().device(id).map(rig::of);
            case "lead" ->
                    show.rig().cables().stream()
                            .filter(lead -> lead.id().equals(id))
                            .findFirst()
                            .map(rig::of);
            case "strips" -> show.rig().device(id).flatMap(rig::strips);
            case "desk" -> show.rig().device(id).flatMap(desks::of);
            case "pads" -> show.rig().device(id).flatMap(desks::pads);
            case "aims" -> ways.aims(id);
            case "habits" -> Optional.of(ways.habits());
            case "checks" -> Optional.of(rundown.checks());
            default -> Optional.empty();
        };
    }

    private Form title() {
        return new Form(
                "show/show",
                on.show().title(),
                List.of(
                        Field.Text.of(
                                "title",
                                "Title",
                                on.show().title(),
                                typed -> on.edits().title(Ground.name(typed))),
                        new Field.Text(
                                "date",
                                "When",
                                on.show().occasion().date(),
                                "1 December, doors at 19:30",
                                List.of(),
                                typed ->
                                        on.parts()
                                                .put(
                                                        "Say when it is",
                                                        new Occasion(
                                                                Ground.words(typed),
                                                                on.show().occasion().air(),
                                                                on.show().occasion().notes()))),
                        new Field.Text(
                                "air",
                                "On air at",
                                on.show().occasion().air(),
                                "20:00",
                                List.of(),
                                typed ->
                                        on.parts()
                                                .put(
                                                        "Say when it goes on air",
                                                        new Occasion(
                                                                on.show().occasion().date(),
                                                                Ground.clock(typed),
                                                                on.show().occasion().notes()))),
                        new Field.Text(
                                "notes",
                                "Notes",
                                on.show().occasion().notes(),
                                "what not to forget",
                                List.of(),
                                typed ->
                                        on.parts()
                                                .put(
                                                        "Change the notes",
                                                        new Occasion(
                                                                on.show().occasion().date(),
                                                                on.show().occasion().air(),
                                                                Line.clipped(
                                                                        typed.strip(),
                                                                        Entry.LONGEST_TEXT))))),
                List.of());
    }

    /// Everything the show says, by kind.
    public Outline outline() {
        return new Outline(
                List.of(
                        section("show", "The evening", "", List.of(evening())),
                        section("people", "People", "Maren, host, Reading Room", people()),
                        section("playback", "Playback", "Music bed, music, Cue laptop", playback()),
                        section("places", "Places", "come with who is in them", places()),
                        new Outline.Section(
                                "ears",
                                "Who listens",
                                ears(),
                                placing(),
                                "stream · a track per voice"),
                        section(
                                "aims",
                                "How loud, how soon",
                                "music 12 under the voices on the stream",
                                ways.rows()),
                        section("scenes", "Scenes", "scene Doors, 10 min", scenes()),
                        section("gear", "Gear", "2 dynamic microphones", devices()),
                        section("leads", "Leads", "mics > Show desk", leads()),
                        new Outline.Section(
                                "mutes",
                                "Mute keys",
                                mutes(),
                                rundown.more(),
                                "keys that somebody relies on"),
                        new Outline.Section(
                                "profiles",
                                "Knobs kept",
                                profiles(),
                                keeping(),
                                "how all knobs stand, under a name"),
                        section("habits", "How you like to work", "", List.of(ways.worked())),
                        section("checks", "How it is judged", "", List.of(judged()))));
    }

    /// Puts whoever listens nowhere yet where that is plain by now.
    private Optional<Deed> placing() {
        Set<String> nowhere = new HashSet<>();
        for (Ear ear : on.show().ears()) if (ear.isNowhere()) nowhere.add(ear.id());
        if (nowhere.isEmpty() || on.show().rig().devices().isEmpty()) return Optional.empty();
        Show placed = new Listening(on.show(), on.catalogue()).placed(nowhere);
        long found = placed.ears().stream().filter(ear -> !ear.isNowhere()).count();
        long were = on.show().ears().stream().filter(ear -> !ear.isNowhere()).count();
        if (found == were) return Optional.empty();
        return Optional.of(
                Deed.of(
                        "place-ears",
                        "Put %s where they hear"
                                .formatted(Words.count((int) (found - were), "listener")),
                        Edit.of("Put listeners where they hear", on.show(), placed)));
    }

    private static Outline.Section section(
            String id, String title, String hint, List<Outline.Row> rows) {
        return new Outline.Section(id, title, rows, Optional.empty(), hint);
    }

    private Outline.Row evening() {
        double minutes = on.show().scenes().stream().mapToDouble(Scene::minutes).sum();
        List<String> words = new ArrayList<>();
        if (!on.show().occasion().date().isEmpty()) words.add(on.show().occasion().date());
        if (!on.show().occasion().air().isEmpty())
            words.add("on air at " + on.show().occasion().air());
        if (minutes > 0) words.add(Words.minutes(minutes) + " in all");
        return new Outline.Row(
                "show/show",
                on.show().title(),
                words.isEmpty() ? "when it is, and notes" : String.join(", ", words));
    }

    private List<Outline.Row> people() {
        List<Outline.Row> rows = new ArrayList<>();
        for (Person person : on.show().cast().people()) {
            String place = on.show().place(person.place()).map(Place::name).orElse("");
            String words =
                    person.role().word()
                            + (person.count() > 1 ? ", " + person.count() + " people" : "")
                            + (place.isEmpty() ? "" : ", " + place)
                            + (person.speaks() ? "" : ", only listens");
            rows.add(new Outline.Row("person/" + person.id(), person.name(), words));
        }
        return rows;
    }

    private List<Outline.Row> playback() {
        List<Outline.Row> rows = new ArrayList<>();
        for (Playback plays : on.show().cast().playback()) {
            String by =
                    plays.at()
                            .map(at -> "played by " + Points.words(at, on.show(), on.catalogue()))
                            .orElse("nothing plays it yet");
            String words = plays.kind().word() + ", " + by;
            rows.add(new Outline.Row("playback/" + plays.id(), plays.name(), words));
        }
        return rows;
    }

    private List<Outline.Row> places() {
        List<Outline.Row> rows = new ArrayList<>();
        for (Place place : on.show().places()) {
            String room = on.catalogue().find(place.room()).map(Template::name).orElse("");
            rows.add(new Outline.Row("place/" + place.id(), place.name(), room));
        }
        return rows;
    }

    private List<Outline.Row> ears() {
        List<Outline.Row> rows = new ArrayList<>();
        for (Ear ear : on.show().ears()) {
            List<String> at =
                    ear.at().stream()
                            .map(ref -> Points.words(ref, on.show(), on.catalogue()))
                            .toList();
            String words =
                    ear.kind().word().replace('-', ' ')
                            + (ear.isNowhere() ? ", nowhere yet" : "")
                            + (at.isEmpty() ? "" : ", at " + Words.list(at));
            rows.add(new Outline.Row("ear/" + ear.id(), ear.name(), words));
        }
        return rows;
    }

    private List<Outline.Row> scenes() {
        List<Outline.Row> rows = new ArrayList<>();
        for (Scene scene : on.show().scenes()) {
            List<String> words = new ArrayList<>();
            if (scene.minutes() > 0) words.add(Words.minutes(scene.minutes()));
            if (!scene.quiet().isEmpty()) words.add(Words.list(names(scene.quiet())) + " rest");
            if (!scene.knobs().isEmpty())
                words.add(Words.count(scene.knobs().size(), "knob") + " of its own");
            rows.add(
                    new Outline.Row("scene/" + scene.id(), scene.name(), String.join(", ", words)));
        }
        return rows;
    }

    private List<String> names(List<String> sources) {
        return sources.stream()
                .flatMap(id -> on.show().cast().source(id).stream())
                .map(Source::name)
                .toList();
    }

    private List<Outline.Row> devices() {
        List<Outline.Row> rows = new ArrayList<>();
        for (Device device : on.show().rig().devices()) {
            List<String> words = new ArrayList<>();
            String kind = on.catalogue().get(device.template()).name();
            if (!kind.equals(device.name())) words.add(kind);
            on.show().place(device.place()).map(Place::name).ifPresent(words::add);
            on.show().rig().device(device.on()).ifPresent(host -> words.add("on " + host.name()));
            on.show()
                    .cast()
                    .person(device.worn())
                    .ifPresent(person -> words.add("worn by " + person.name()));
            rows.add(
                    new Outline.Row(
                            "device/" + device.id(), device.name(), String.join(", ", words)));
            int channels = on.catalogue().get(device.template()).faders().size();
            if (channels > 1)
                rows.add(
                        new Outline.Row(
                                "strips/" + device.id(),
                                device.name() + ", channels",
                                device.strips().isEmpty()
                                        ? "bear the names of what comes in"
                                        : device.strips().size() + " written on"));
            Desk desk = on.catalogue().get(device.template()).desk();
            if (!desk.controls().isEmpty())
                rows.add(
                        new Outline.Row(
                                "desk/" + device.id(),
                                device.name() + ", laid out",
                                device.layout().isLaidOut() ? "by hand" : "as it comes"));
            if (desk.pads() > 0)
                rows.add(
                        new Outline.Row(
                                "pads/" + device.id(),
                                device.name() + ", cue pads",
                                device.layout().pads().isEmpty()
                                        ? "nothing on them yet"
                                        : Words.count(device.layout().pads().size(), "pad")));
        }
        return rows;
    }

    private List<Outline.Row> leads() {
        List<Outline.Row> rows = new ArrayList<>();
        for (Cable lead : on.show().rig().cables())
            rows.add(
                    new Outline.Row(
                            "lead/" + lead.id(),
                            End.words(lead, on.show().rig(), on.catalogue()),
                            lead.metres() == 0 ? "" : Words.metres(lead.metres())));
        return rows;
    }

    private List<Outline.Row> mutes() {
        List<Outline.Row> rows = new ArrayList<>();
        for (MuteKey mute : on.show().mutes())
            rows.add(
                    new Outline.Row(
                            "mute/" + mute.id(),
                            mute.name(),
                            "silences " + Words.list(names(mute.silences()))));
        return rows;
    }

    private List<Outline.Row> profiles() {
        List<Outline.Row> rows = new ArrayList<>();
        for (Profile profile : on.show().profiles()) {
            int differ = profile.against(on.show()).size();
            String words =
                    differ == 0
                            ? "as the knobs stand"
                            : Words.count(differ, "knob") + " stand otherwise now";
            rows.add(new Outline.Row("profile/" + profile.id(), profile.name(), words));
        }
        return rows;
    }

    private Optional<Deed> keeping() {
        if (on.show().rig().devices().isEmpty()) return Optional.empty();
        return Optional.of(
                Deed.of("keep-knobs", "Keep how the knobs stand", on.edits().keepKnobs()));
    }

    private Outline.Row judged() {
        int changed = on.show().checks().limits().changed().size();
        int silenced = on.show().checks().silenced().size();
        String words =
                changed + silenced == 0
                        ? "as usual"
                        : Words.list(
                                List.of(
                                        Words.count(changed, "line") + " drawn elsewhere",
                                        Words.count(silenced, "finding") + " silenced"));
        return new Outline.Row("checks/show", "Limits and silenced findings", words);
    }
}
