package rivulus.least;

import rivulus.gear.Setting;

/// A knob turned, for the whole show or in one scene.
///
/// @param scene the place of the scene; [#FOR_ALL] for every scene that has no setting of its own
/// @param knob its place in the graph's knobs
public record Turned(int scene, int knob, Setting to) {
    static final int FOR_ALL = -1;

    boolean isForAll() {
        return scene == FOR_ALL;
    }
}
