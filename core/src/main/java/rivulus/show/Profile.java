package rivulus.show;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Optional;
import java.util.SequencedMap;
import rivulus.disk.Extras;
import rivulus.gear.Setting;

/// How all knobs stood at some time, kept under a name: "stream", "rehearsal".
///
/// @param knobs those that somebody had touched; whatever is not among them stood as it comes
public record Profile(String id, String name, SequencedMap<Ref, Setting> knobs, Extras extras) {
    public Profile {
        knobs = Collections.unmodifiableSequencedMap(new LinkedHashMap<>(knobs));
    }

    /// How the knobs of a show stand now.
    public static Profile of(String id, String name, Show show) {
        SequencedMap<Ref, Setting> knobs = new LinkedHashMap<>();
        for (Device device : show.rig().devices())
            device.knobs().forEach((knob, stands) -> knobs.put(new Ref(device.id(), knob), stands));
        return new Profile(id, name, knobs, Extras.NONE);
    }

    /// The same under another name.
    public Profile named(String newName) {
        return new Profile(id, newName, knobs, extras);
    }

    /// The same with other knobs.
    public Profile with(SequencedMap<Ref, Setting> newKnobs) {
        return new Profile(id, name, newKnobs, extras);
    }

    /// A show with its knobs as they stand here; whoever was touched only since stands as it comes.
    public Show set(Show show) {
        List<Device> devices =
                show.rig().devices().stream().map(device -> device.withKnobs(of(device))).toList();
        return show.withRig(show.rig().with(devices, show.rig().cables()));
    }

    private SequencedMap<String, Setting> of(Device device) {
        SequencedMap<String, Setting> own = new LinkedHashMap<>();
        knobs.forEach(
                (ref, stands) -> {
                    if (ref.device().equals(device.id())) own.put(ref.name(), stands);
                });
        return own;
    }

    /// The knobs that stand otherwise in a show, each with how it stands here; empty where it
    /// stands as it comes.
    public SequencedMap<Ref, Optional<Setting>> against(Show show) {
        SequencedMap<Ref, Setting> now = of("", "", show).knobs();
        SequencedMap<Ref, Optional<Setting>> differs = new LinkedHashMap<>();
        knobs.forEach(
                (ref, stands) -> {
                    if (show.rig().device(ref.device()).isPresent() && !stands.equals(now.get(ref)))
                        differs.put(ref, Optional.of(stands));
                });
        for (Ref ref : now.sequencedKeySet())
            if (!knobs.containsKey(ref)) differs.put(ref, Optional.empty());
        return differs;
    }
}
