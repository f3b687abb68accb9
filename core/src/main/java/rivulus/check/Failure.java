package rivulus.check;

import java.util.Set;
import rivulus.show.Device;

/// Who loses whom when something fails.
///
/// @param what fails, in a sentence: "Show desk", "the outlets of Reading Room"
public record Failure(String what, Losses losses) {
    /// What the failure of a device, with whatever runs on it, does in a scene. Costs a tracing of
    /// what lies around it.
    public static Failure of(SceneProof scene, Device device) {
        return of(scene, device.name(), scene.show().rig().goingWith(device));
    }

    /// What it does in a scene when some devices go dark.
    ///
    /// @param dead the ids of the devices
    public static Failure of(SceneProof scene, String what, Set<String> dead) {
        return new Failure(what, scene.losses(scene.tracer().live().withoutDevices(dead)));
    }

    /// "Without Show desk, the stream goes silent; Nadia no longer hears Maren."
    public String words() {
        return losses.isEmpty()
                ? "Without %s everybody still hears whom they must.".formatted(what)
                : "Without %s, %s.".formatted(what, losses.words());
    }
}
