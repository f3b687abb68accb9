package rivulus.show;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SequencedMap;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;
import rivulus.disk.Extras;
import rivulus.gear.Catalogue;
import rivulus.gear.Keyed;
import rivulus.gear.Setting;

/// The show document.
///
/// @param occasion when it is
/// @param checks how it wants to be judged
/// @param templates gear that is kept with the show beside the shipped catalogue
/// @param day what happened with it
/// @param typed what was typed and not entered yet, by where; kept in the file, and no part of what
///     is planned
public record Show(
        String title,
        Occasion occasion,
        Cast cast,
        List<Place> places,
        List<Ear> ears,
        Rig rig,
        Rundown rundown,
        List<OwnTemplate> templates,
        Checks checks,
        Day day,
        SequencedMap<String, String> typed,
        Extras extras) {
    /// The version of the file format that this program writes.
    public static final int VERSION = 1;

    private static final int LONGEST_STEM = 70;

    public Show {
        places = Keyed.copyOf(places, Place::id);
        ears = Keyed.copyOf(ears, Ear::id);
        templates = List.copyOf(templates);
        typed = Collections.unmodifiableSequencedMap(new LinkedHashMap<>(typed));
    }

    /// A show in which nothing has been said yet.
    public static Show untitled() {
        return new Show(
                "Untitled show",
                Occasion.UNSAID,
                new Cast(List.of(), List.of(), Extras.NONE),
                List.of(),
                List.of(),
                new Rig(List.of(), List.of(), List.of(), Extras.NONE),
                new Rundown(
                        List.of(),
                        List.of(),
                        List.of(Scene.only()),
                        List.of(),
                        List.of(),
                        List.of(),
                        Going.UNSAID),
                List.of(),
                Checks.USUAL,
                Day.AHEAD,
                new LinkedHashMap<>(),
                Extras.NONE);
    }

    /// A show with some of its parts replaced.
    private Show but(Consumer<Parts> edit) {
        Parts parts = new Parts(this);
        edit.accept(parts);
        return new Show(
                parts.title,
                parts.occasion,
                parts.cast,
                parts.places,
                parts.ears,
                parts.rig,
                parts.rundown,
                parts.templates,
                parts.checks,
                parts.day,
                parts.typed,
                extras);
    }

    /// The parts of a show while one is made from another.
    private static final class Parts {
        String title;
        Occasion occasion;
        Cast cast;
        List<Place> places;
        List<Ear> ears;
        Rig rig;
        Rundown rundown;
        List<OwnTemplate> templates;
        Checks checks;
        Day day;
        SequencedMap<String, String> typed;

        Parts(Show show) {
            title = show.title;
            occasion = show.occasion;
            cast = show.cast;
            places = show.places;
            ears = show.ears;
            rig = show.rig;
            rundown = show.rundown;
            templates = show.templates;
            checks = show.checks;
            day = show.day;
            typed = show.typed;
        }
    }

    /// The brief: exceptions from the defaults that follow from roles.
    public List<WishChange> changes() {
        return rundown.changes();
    }

    /// How loud and how soon somebody is wanted.
    public List<Aim> aims() {
        return rundown.aims();
    }

    /// How one likes to work.
    public Habits habits() {
        return checks.habits();
    }

    /// The scenes, in their order.
    public List<Scene> scenes() {
        return rundown.scenes();
    }

    /// Knobs that people reach for to silence something.
    public List<MuteKey> mutes() {
        return rundown.mutes();
    }

    /// How knobs stand in a scene that has settings of its own for them: what a playback presses
    /// while it plays, else what the scene says.
    public Map<Ref, Setting> own(Scene scene) {
        List<MuteKey> pressed = mutes().stream().filter(key -> key.isPressedIn(scene)).toList();
        if (pressed.isEmpty()) return scene.knobs();
        Map<Ref, Setting> own = new LinkedHashMap<>(scene.knobs());
        for (MuteKey key : pressed) own.put(key.knob(), key.to());
        return own;
    }

    /// Where a knob has to be turned to be heard in a scene: in that scene, where it has a setting
    /// of its own for it; else, empty, in the base.
    public Optional<String> turnedIn(String scene, Ref knob) {
        return scene(scene).filter(in -> in.knobs().containsKey(knob)).map(Scene::id);
    }

    /// Whether some playback turns a knob by itself, so that nobody else can.
    public boolean isTurnedByItself(Ref knob) {
        return mutes().stream()
                .anyMatch(key -> key.knob().equals(knob) && !key.pressed().during().isEmpty());
    }

    /// How what goes out and is kept is set.
    public Going going() {
        return rundown.going();
    }

    /// How all knobs stood, under names.
    public List<Profile> profiles() {
        return rundown.profiles();
    }

    /// What feeds are to carry.
    public List<Mix> mixes() {
        return rundown.mixes();
    }

    /// What the feed that is mixed at a point is to carry, where somebody said so.
    public Optional<Mix> mix(Ref at) {
        return mixes().stream().filter(mix -> mix.at().equals(at)).findFirst();
    }

    /// The show in which a feed is to carry something, or, empty, nobody says what.
    public Show mixing(Ref at, Optional<Mix> mix) {
        List<Mix> mixes = new ArrayList<>();
        for (Mix other : mixes()) {
            if (!other.at().equals(at)) mixes.add(other);
            else mix.ifPresent(mixes::add);
        }
        if (mix.isPresent() && mix(at).isEmpty()) mixes.add(mix.get());
        return withRundown(rundown.withMixes(mixes));
    }

    /// The ear of that id.
    public Optional<Ear> ear(String id) {
        return Keyed.find(ears, id);
    }

    /// The scene of that id.
    public Optional<Scene> scene(String id) {
        return Keyed.find(scenes(), id);
    }

    /// The place of that id.
    public Optional<Place> place(String id) {
        return Keyed.find(places, id);
    }

    /// Whether a device, a person or a playback has that id.
    public boolean has(String id) {
        return rig.device(id).isPresent()
                || cast.person(id).isPresent()
                || Keyed.find(cast.playback(), id).isPresent();
    }

    /// An id that nothing has: the stem with a number behind it, cut so that the file takes it.
    ///
    /// @param from the first number to try
    public String freeId(String stem, int from) {
        return freeId(stem, from, ids());
    }

    /// An id that none of some is: the stem with a number behind it, cut so that the file takes it.
    ///
    /// @param from the first number to try
    public static String freeId(String stem, int from, Set<String> taken) {
        String begins = stem.substring(0, Math.min(stem.length(), LONGEST_STEM));
        int n = from;
        while (taken.contains(begins + "-" + n)) n++;
        return begins + "-" + n;
    }

    /// The ids of every device, person and playback.
    public Set<String> ids() {
        Set<String> ids = new HashSet<>();
        for (Device device : rig.devices()) ids.add(device.id());
        for (Source source : sources()) ids.add(source.id());
        return ids;
    }

    /// The kinds of gear there are for it: those that ship, and its own.
    public Catalogue kinds(Catalogue shipped) {
        return shipped.with(templates.stream().map(OwnTemplate::template).toList());
    }

    /// The sources that somebody is meant to hear.
    public List<Source> sources() {
        return cast.sources();
    }

    /// The show under another name.
    public Show titled(String newTitle) {
        return but(show -> show.title = newTitle);
    }

    /// The show on another occasion.
    public Show on(Occasion newOccasion) {
        return but(show -> show.occasion = newOccasion);
    }

    /// The show with one knob turned where the turn says.
    public Show with(Turn turn) {
        return turn.scene().isPresent()
                ? withScene(turn.scene().get(), scene -> scene.withKnob(turn.knob(), turn.to()))
                : withKnob(turn.knob(), turn.to());
    }

    /// The show with every turn made, in order.
    public Show with(List<Turn> turns) {
        Show show = this;
        for (Turn turn : turns) show = show.with(turn);
        return show;
    }

    /// The show with one knob of the base turned. A device that is not there leaves the show as it
    /// is.
    public Show withKnob(Ref knob, Setting setting) {
        return rig.device(knob.device())
                .map(device -> withRig(rig.with(device.withKnob(knob.name(), setting))))
                .orElse(this);
    }

    /// The show with another rig.
    public Show withRig(Rig newRig) {
        return but(show -> show.rig = newRig);
    }

    /// The show in other places.
    public Show withPlaces(List<Place> newPlaces) {
        return but(show -> show.places = newPlaces);
    }

    /// The show with other gear kept in it.
    public Show withTemplates(List<OwnTemplate> newTemplates) {
        return but(show -> show.templates = newTemplates);
    }

    /// The show with other people and playback.
    public Show withCast(Cast newCast) {
        return but(show -> show.cast = newCast);
    }

    /// The show with other ears.
    public Show withEars(List<Ear> newEars) {
        return but(show -> show.ears = newEars);
    }

    /// The show with other wishes, scenes and mute keys.
    public Show withRundown(Rundown newRundown) {
        return but(show -> show.rundown = newRundown);
    }

    /// The show judged otherwise.
    public Show withChecks(Checks newChecks) {
        return but(show -> show.checks = newChecks);
    }

    /// The same with other things typed and not entered yet.
    public Show withTyped(SequencedMap<String, String> now) {
        return now.equals(typed) ? this : but(parts -> parts.typed = now);
    }

    /// The show on which something else happened.
    public Show withDay(Day newDay) {
        return but(show -> show.day = newDay);
    }

    /// The same show for another evening: without its date, and with nothing of what happened but
    /// what was learned.
    public Show nextTime() {
        String evening =
                occasion.date().isEmpty() ? title : "%s, %s".formatted(title, occasion.date());
        return on(Occasion.UNSAID).withDay(day.next(evening));
    }

    /// The show with another brief.
    public Show withChanges(List<WishChange> newChanges) {
        return withRundown(rundown.withChanges(newChanges));
    }

    /// The show with one exception in the brief in place of any other for the same ear, source and
    /// scene.
    public Show with(WishChange change) {
        List<WishChange> all =
                new ArrayList<>(
                        withoutChange(change.ear(), change.source(), change.scene()).changes());
        all.add(change);
        return withChanges(all);
    }

    /// The show without the exception for exactly that ear, source and scene: the default holds
    /// again.
    public Show withoutChange(String ear, String source, String scene) {
        return withChanges(
                changes().stream()
                        .filter(
                                c ->
                                        !(c.ear().equals(ear)
                                                && c.source().equals(source)
                                                && c.scene().equals(scene)))
                        .toList());
    }

    /// The show with one aim in place of any other for the same, for the same reason and in its
    /// place; without it where it is not given.
    ///
    /// @param figure in the unit of the kind
    public Show aiming(
            String ear, String source, String scene, Aim.Kind kind, Optional<Double> figure) {
        Aim fresh = new Aim(ear, source, scene, kind, figure.orElse(0.0), "", Extras.NONE);
        List<Aim> aims = new ArrayList<>(aims());
        if (figure.isEmpty()) aims.removeIf(fresh::replaces);
        else if (aims.stream().noneMatch(fresh::replaces)) aims.add(fresh);
        else aims.replaceAll(aim -> fresh.replaces(aim) ? aim.of(figure.get()) : aim);
        return withRundown(rundown.withAims(aims));
    }

    /// The show with one scene edited.
    public Show withScene(String id, UnaryOperator<Scene> edit) {
        return withRundown(
                rundown.withScenes(
                        scenes().stream()
                                .map(s -> s.id().equals(id) ? edit.apply(s) : s)
                                .toList()));
    }
}
