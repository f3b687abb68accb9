package rivulus.leads;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import rivulus.gear.Electric;
import rivulus.gear.Port;
import rivulus.gear.Setting;
import rivulus.show.Cable;
import rivulus.show.Ref;
import rivulus.show.Scene;

/// Where phantom power comes from (IEC 61938): the inputs that give it, on or off, through Y leads,
/// pads and splitters that pass it.
final class Phantom {
    private final LeadReader reader;

    Phantom(LeadReader reader) {
        this.reader = reader;
    }

    /// An input that can feed something.
    ///
    /// @param on whether it is on in the base, or always
    /// @param scenes the names of those that switch it on where the base does not, by their ids
    record Source(End end, boolean on, Map<String, String> scenes) {
        Source {
            scenes = Map.copyOf(scenes);
        }

        /// Whether it is ever on.
        boolean isEverOn() {
            return on || !scenes.isEmpty();
        }

        /// Whether there is no switch for it.
        boolean isAlways() {
            return end.port().electric().phantomKnob().isEmpty();
        }

        /// "is on at Recorder, input 2", "always on at …", "switched on in Call-in at …".
        String words() {
            String how =
                    isAlways()
                            ? "always on"
                            : on ? "on" : "switched on in " + String.join(", ", scenes.values());
            return "%s at %s".formatted(how, end.words());
        }
    }

    /// What can feed what is at the other end of a lead, those that are on first.
    ///
    /// @param from the end that it would come from
    List<Source> into(Cable lead, End from) {
        List<Source> sources = new ArrayList<>();
        gather(lead, from, new HashSet<>(), sources);
        List<Source> sorted = new ArrayList<>(sources.stream().filter(Source::isEverOn).toList());
        sources.stream().filter(source -> !source.isEverOn()).forEach(sorted::add);
        return sorted;
    }

    private void gather(Cable lead, End at, Set<Ref> seen, List<Source> sources) {
        if (!seen.add(at.ref())) return;
        Electric.Phantom kind = at.port().electric().phantom();
        if (kind == Electric.Phantom.GIVES && at.port().takes() > 0) sources.add(source(at));
        if (kind != Electric.Phantom.PASSES) return;
        for (Port port : reader.template(at.device()).ports()) {
            Ref ref = new Ref(at.device().id(), port.id());
            if (port.electric().phantom() != Electric.Phantom.PASSES || ref.equals(at.ref()))
                continue;
            for (Cable next : reader.cablesIn(ref))
                if (!next.equals(lead))
                    gather(
                            next,
                            reader.end(next.from().equals(ref) ? next.to() : next.from()),
                            seen,
                            sources);
        }
    }

    private Source source(End end) {
        String knob = end.port().electric().phantomKnob();
        if (knob.isEmpty()) return new Source(end, true, Map.of());
        Setting stands = end.device().knobs().get(knob);
        Optional<Setting> base =
                stands != null
                        ? Optional.of(stands)
                        : reader.template(end.device()).knob(knob).map(k -> k.standing());
        boolean on = base.filter(Phantom::isOn).isPresent();
        Map<String, String> scenes = new LinkedHashMap<>();
        Ref ref = new Ref(end.device().id(), knob);
        for (Scene scene : reader.show().scenes())
            if (!on && scene.knobs().get(ref) instanceof Setting here && isOn(here))
                scenes.put(scene.id(), scene.name());
        return new Source(end, on, scenes);
    }

    static boolean isOn(Setting setting) {
        return setting instanceof Setting.Switch(boolean on) && on;
    }
}
