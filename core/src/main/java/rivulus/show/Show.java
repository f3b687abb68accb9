package rivulus.show;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import rivulus.disk.Extras;
import rivulus.gear.Keyed;
import rivulus.gear.Setting;

/// The show document.
///
/// @param changes the brief: exceptions from the defaults that follow from roles
/// @param mutes knobs that people reach for to silence something, and what they expect
/// @param templates gear that is kept with the show beside the shipped catalogue
public record Show(
        String title,
        Cast cast,
        List<Place> places,
        List<Ear> ears,
        List<WishChange> changes,
        Rig rig,
        List<Scene> scenes,
        List<MuteKey> mutes,
        List<OwnTemplate> templates,
        Extras extras) {
    /// The version of the file format that this program writes.
    public static final int VERSION = 1;

    private static final int LONGEST_STEM = 70;

    public Show {
        places = Keyed.copyOf(places, Place::id);
        ears = Keyed.copyOf(ears, Ear::id);
        changes = List.copyOf(changes);
        scenes = Keyed.copyOf(scenes, Scene::id);
        mutes = List.copyOf(mutes);
        templates = List.copyOf(templates);
    }

    /// A show in which nothing has been said yet.
    public static Show untitled() {
        return new Show(
                "Untitled show",
                new Cast(List.of(), List.of(), Extras.NONE),
                List.of(),
                List.of(),
                List.of(),
                new Rig(List.of(), List.of(), List.of(), Extras.NONE),
                List.of(
                        new Scene(
                                Scene.ONLY,
                                "Show",
                                List.of(),
                                0,
                                new LinkedHashMap<>(),
                                Extras.NONE)),
                List.of(),
                List.of(),
                Extras.NONE);
    }

    /// The ear of that id.
    public Optional<Ear> ear(String id) {
        return Keyed.find(ears, id);
    }

    /// The scene of that id.
    public Optional<Scene> scene(String id) {
        return Keyed.find(scenes, id);
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
        String begins = stem.substring(0, Math.min(stem.length(), LONGEST_STEM));
        int n = from;
        while (has(begins + "-" + n)) n++;
        return begins + "-" + n;
    }

    /// The sources that somebody is meant to hear.
    public List<Source> sources() {
        return cast.sources();
    }

    /// The show under another name.
    public Show titled(String newTitle) {
        return new Show(
                newTitle, cast, places, ears, changes, rig, scenes, mutes, templates, extras);
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
        return new Show(
                title, cast, places, ears, changes, newRig, scenes, mutes, templates, extras);
    }

    /// The show in other places.
    public Show withPlaces(List<Place> newPlaces) {
        return new Show(
                title, cast, newPlaces, ears, changes, rig, scenes, mutes, templates, extras);
    }

    /// The show with other gear kept in it.
    public Show withTemplates(List<OwnTemplate> newTemplates) {
        return new Show(
                title, cast, places, ears, changes, rig, scenes, mutes, newTemplates, extras);
    }

    /// The show with another brief.
    public Show withChanges(List<WishChange> newChanges) {
        return new Show(
                title, cast, places, ears, newChanges, rig, scenes, mutes, templates, extras);
    }

    /// The show with one exception in the brief in place of any other for the same ear, source and
    /// scene.
    public Show with(WishChange change) {
        List<WishChange> all =
                new ArrayList<>(
                        withoutChange(change.ear(), change.source(), change.scene()).changes);
        all.add(change);
        return withChanges(all);
    }

    /// The show without the exception for exactly that ear, source and scene: the default holds
    /// again.
    public Show withoutChange(String ear, String source, String scene) {
        return withChanges(
                changes.stream()
                        .filter(
                                c ->
                                        !(c.ear().equals(ear)
                                                && c.source().equals(source)
                                                && c.scene().equals(scene)))
                        .toList());
    }

    /// The show with one scene edited.
    public Show withScene(String id, UnaryOperator<Scene> edit) {
        List<Scene> edited =
                scenes.stream().map(s -> s.id().equals(id) ? edit.apply(s) : s).toList();
        return new Show(title, cast, places, ears, changes, rig, edited, mutes, templates, extras);
    }
}
