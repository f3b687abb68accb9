package rivulus.show;

import java.util.Optional;
import rivulus.gear.Setting;

/// One knob turned, in the base or in one scene.
///
/// @param scene the scene whose own setting is changed; empty for the base, which every scene
///     without a setting of its own follows
public record Turn(Ref knob, Setting from, Setting to, Optional<String> scene) {}
