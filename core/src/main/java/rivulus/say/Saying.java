package rivulus.say;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import rivulus.disk.Extras;
import rivulus.edit.Edit;
import rivulus.edit.Ids;
import rivulus.edit.ShowEdits;
import rivulus.file.Change;
import rivulus.gear.Catalogue;
import rivulus.gear.Setting;
import rivulus.gear.Speech;
import rivulus.listening.Listening;
import rivulus.show.Cast;
import rivulus.show.Ear;
import rivulus.show.Person;
import rivulus.show.Place;
import rivulus.show.Playback;
import rivulus.show.Ref;
import rivulus.show.Role;
import rivulus.show.Scene;
import rivulus.show.Show;
import rivulus.show.WishChange;
import rivulus.words.Words;

/// What comes of lines: people with an ear each, places that are not there yet, gear with its
/// programs, leads, playback, listeners, scenes, wishes; as one step.
final class Saying {
    private static final int MOST_SCENES = 200;
    private static final int MOST_NAMES = 6;

    /// So much gear can be said; more is no evening any more.
    private static final long MOST_GEAR = 2_000;

    private final Show show;
    private final Catalogue catalogue;
    private final Set<String> noWays;

    /// Lines said to a show whose templates are in the catalogue.
    ///
    /// @param noWays between what there is no way, as lines before found
    Saying(Show show, Catalogue catalogue, Set<String> noWays) {
        this.show = show;
        this.catalogue = catalogue;
        this.noWays = noWays;
    }

    /// What comes of a line.
    ///
    /// @param besides what it takes besides, a clause each: "through Line isolator"
    /// @param lacking what of it cannot be, a clause each
    record Taken(Show after, List<String> besides, List<String> lacking) {}

    /// The show with what a line says added; who came to listen is put where that is plain.
    Taken add(Said said) {
        List<String> besides = new ArrayList<>();
        List<String> lacking = new ArrayList<>();
        Show after = added(show, said.meant(), besides, lacking);
        Show placed = new Listening(after, catalogue).placed(newEars(after));
        return new Taken(placed, besides, lacking);
    }

    /// What came of lines as one step. What was added is chosen: the last ear.
    static Edit edit(List<Said> lines, Show before, Show after) {
        List<Said> clear = lines.stream().filter(Said::isClear).toList();
        String words =
                Words.few(
                        clear.stream().map(said -> said.words().split(" · ")[0]).toList(),
                        MOST_NAMES);
        boolean wishes =
                !clear.isEmpty()
                        && clear.stream()
                                .map(Said::meant)
                                .allMatch(
                                        meant ->
                                                meant instanceof Meaning.Wishes
                                                        || meant instanceof Meaning.Aims);
        String chosen =
                after.ears().size() > before.ears().size() ? after.ears().getLast().id() : "";
        return new Edit(
                (wishes ? "Wish: " : "Add ") + words, new Change(before, after), List.of(), chosen);
    }

    private Set<String> newEars(Show after) {
        Set<String> ids = new HashSet<>();
        for (Ear ear : after.ears()) if (show.ear(ear.id()).isEmpty()) ids.add(ear.id());
        return ids;
    }

    private Show added(Show to, Meaning meant, List<String> besides, List<String> lacking) {
        return switch (meant) {
            case Meaning.Somebody who -> somebody(to, who);
            case Meaning.Part part -> part(to, part);
            case Meaning.Listener listener -> listener(to, listener);
            case Meaning.Tracks tracks -> tracks(to, tracks.at());
            case Meaning.Plays plays -> new Fitting(to, catalogue, noWays).plays(plays);
            case Meaning.Gear gear -> gear(to, gear, lacking);
            case Meaning.Joins joins ->
                    new Fitting(to, catalogue, noWays).joined(joins, besides, lacking);
            case Meaning.Picks picks ->
                    to.withKnob(
                            new Ref(picks.program(), picks.picker()),
                            new Setting.Choice(picks.option()));
            case Meaning.Wishes wishes -> wished(to, wishes);
            case Meaning.Aims aims -> aimed(to, aims);
            case Meaning.Title title -> to.titled(Spoken.clipped(title.title()));
            case Meaning.Nothing _ -> to;
        };
    }

    private Show gear(Show to, Meaning.Gear gear, List<String> lacking) {
        long pieces = to.rig().devices().size() + gear.allPieces();
        if (pieces <= MOST_GEAR) return new Fitting(to, catalogue, noWays).gear(gear);
        lacking.add("that would be %d pieces of gear; %d can be said".formatted(pieces, MOST_GEAR));
        return to;
    }

    private Show somebody(Show to, Meaning.Somebody who) {
        boolean afar = !who.by().isEmpty();
        String where =
                !who.place().isEmpty()
                        ? who.place()
                        : afar
                                ? who.name() + "'s end"
                                : firstPlace(to).map(Place::name).orElse("The room");
        Show with = ShowEdits.withPlace(to, where, catalogue);
        String id = Ids.ofThing(with, who.name());
        List<Person> people = new ArrayList<>(with.cast().people());
        people.add(
                new Person(
                        id,
                        who.name(),
                        who.role(),
                        ShowEdits.placeCalled(with, where).id(),
                        who.pronoun(),
                        who.speaks(),
                        who.count(),
                        who.loudness(),
                        0,
                        Extras.NONE));
        List<Ear> ears = new ArrayList<>(with.ears());
        ears.add(
                new Ear(
                        Ids.ofEar(ears, id),
                        who.name(),
                        Ear.Kind.PERSON,
                        id,
                        List.of(),
                        Extras.NONE));
        Show there =
                with.withCast(new Cast(people, with.cast().playback(), with.cast().extras()))
                        .withEars(ears);
        return afar
                ? new Fitting(there, catalogue, noWays)
                        .afar(people.getLast(), Afar.ALL.get(who.by()))
                : there;
    }

    /// The place that the hosts are in, else the first.
    static Optional<Place> firstPlace(Show in) {
        Optional<Place> hosts =
                in.cast().people().stream()
                        .filter(person -> person.role() == Role.HOST)
                        .flatMap(person -> in.place(person.place()).stream())
                        .findFirst();
        return hosts.or(() -> in.places().stream().findFirst());
    }

    // Who listens

    /// One that listens nowhere yet is put there; else there is one more.
    private Show listener(Show to, Meaning.Listener said) {
        Optional<Ear> nowhere =
                to.ears().stream()
                        .filter(ear -> ear.kind() == said.kind() && ear.isNowhere())
                        .findFirst();
        if (nowhere.isPresent() && !said.at().isEmpty())
            return new Listening(to, catalogue).placed(Set.of(nowhere.get().id()), said.at());
        List<Ear> ears = new ArrayList<>(to.ears());
        String id = Ids.ofEar(ears, said.kind().word());
        Ear ear = new Ear(id, Meaning.name(said.kind()), said.kind(), "", List.of(), Extras.NONE);
        ears.add(ear);
        Show with = to.withEars(ears);
        return said.at().isEmpty()
                ? with
                : new Listening(with, catalogue).placed(Set.of(id), said.at());
    }

    private Show tracks(Show to, String at) {
        List<Ear> ears = new ArrayList<>(to.ears());
        Set<String> tracked = new HashSet<>();
        Set<String> added = new HashSet<>();
        for (Ear ear : ears)
            if (ear.kind() == Ear.Kind.TRACK) {
                tracked.add(ear.of());
                if (ear.isNowhere()) added.add(ear.id());
            }
        for (Person person : to.cast().people())
            if (person.speaks() && !tracked.contains(person.id())) {
                String id = Ids.ofEar(ears, "track-" + person.id());
                added.add(id);
                ears.add(
                        new Ear(
                                id,
                                person.name() + "'s track",
                                Ear.Kind.TRACK,
                                person.id(),
                                List.of(),
                                Extras.NONE));
            }
        Show with = to.withEars(ears);
        return at.isEmpty() ? with : new Listening(with, catalogue).placed(added, at);
    }

    // The rundown

    /// The one scene of a show that has none written down is taken over by the first that is said.
    private static Show part(Show to, Meaning.Part part) {
        List<Scene> scenes = new ArrayList<>(to.scenes());
        boolean only = scenes.equals(Show.untitled().scenes());
        if (only) scenes.clear();
        if (scenes.size() >= MOST_SCENES) return to;
        scenes.add(
                new Scene(
                        Ids.ofScene(scenes, part.name()),
                        part.name(),
                        part.rests(),
                        part.minutes(),
                        new LinkedHashMap<>(),
                        Extras.NONE));
        return to.withRundown(to.rundown().withScenes(scenes));
    }

    private static Show aimed(Show to, Meaning.Aims aims) {
        Show with = to;
        for (String ear : aims.ears())
            for (String source : aims.sources())
                with =
                        with.aiming(
                                ear, source, aims.scene(), aims.kind(), Optional.of(aims.figure()));
        return with;
    }

    private static Show wished(Show to, Meaning.Wishes wishes) {
        Show with = to;
        for (String ear : wishes.ears())
            for (String source : wishes.sources())
                if (!to.ear(ear).orElseThrow().of().equals(source))
                    with =
                            with.with(
                                    new WishChange(
                                            ear,
                                            source,
                                            wishes.scene(),
                                            wishes.wish(),
                                            "",
                                            Extras.NONE));
        return with;
    }

    /// Something that plays, in a show. What is called so and is played by nothing yet is played
    /// there; else there is one more.
    static Show with(Show to, Meaning.Plays plays, Optional<Ref> at) {
        List<Playback> playback = new ArrayList<>(to.cast().playback());
        Predicate<Playback> unplayed =
                one ->
                        one.at().isEmpty()
                                && one.kind() == plays.kind()
                                && one.name().equalsIgnoreCase(plays.name());
        if (at.isPresent() && playback.stream().anyMatch(unplayed))
            playback.replaceAll(one -> unplayed.test(one) ? one.from(at) : one);
        else
            playback.add(
                    new Playback(
                            Ids.ofThing(to, plays.name()),
                            plays.name(),
                            plays.kind(),
                            at,
                            Speech.NOMINAL_LUFS,
                            List.of(),
                            Extras.NONE));
        return to.withCast(new Cast(to.cast().people(), playback, to.cast().extras()));
    }
}
