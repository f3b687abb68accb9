package rivulus.show;

import java.util.List;
import rivulus.gear.Keyed;

/// What is wished and what happens: everything about an evening that can change without the signal
/// graph changing, but for where mixes are listened to.
///
/// @param changes the brief: exceptions from the defaults that follow from roles
/// @param aims how loud and how soon somebody is wanted
/// @param mutes knobs that people reach for to silence something, and what they expect
/// @param mixes what feeds are to carry
/// @param profiles how all knobs stood, under names
/// @param going how what goes out and is kept is set
public record Rundown(
        List<WishChange> changes,
        List<Aim> aims,
        List<Scene> scenes,
        List<MuteKey> mutes,
        List<Mix> mixes,
        List<Profile> profiles,
        Going going) {
    public Rundown {
        changes = List.copyOf(changes);
        aims = List.copyOf(aims);
        scenes = Keyed.copyOf(scenes, Scene::id);
        mutes = List.copyOf(mutes);
        mixes = List.copyOf(mixes);
        profiles = Keyed.copyOf(profiles, Profile::id);
    }

    /// The same with another brief.
    public Rundown withChanges(List<WishChange> newChanges) {
        return new Rundown(newChanges, aims, scenes, mutes, mixes, profiles, going);
    }

    /// The same with other aims.
    public Rundown withAims(List<Aim> newAims) {
        return new Rundown(changes, newAims, scenes, mutes, mixes, profiles, going);
    }

    /// The same with other mute keys.
    public Rundown withMutes(List<MuteKey> newMutes) {
        return new Rundown(changes, aims, scenes, newMutes, mixes, profiles, going);
    }

    /// The same with other scenes.
    public Rundown withScenes(List<Scene> newScenes) {
        return new Rundown(changes, aims, newScenes, mutes, mixes, profiles, going);
    }

    /// The same with other mixes.
    public Rundown withMixes(List<Mix> newMixes) {
        return new Rundown(changes, aims, scenes, mutes, newMixes, profiles, going);
    }

    /// The same with other profiles.
    public Rundown withProfiles(List<Profile> newProfiles) {
        return new Rundown(changes, aims, scenes, mutes, mixes, newProfiles, going);
    }

    /// The same with what goes out set otherwise.
    public Rundown withGoing(Going newGoing) {
        return new Rundown(changes, aims, scenes, mutes, mixes, profiles, newGoing);
    }
}
