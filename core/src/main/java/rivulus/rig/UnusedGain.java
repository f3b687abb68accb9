package rivulus.rig;

import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Optional;
import java.util.SequencedMap;
import java.util.Set;
import rivulus.check.Severity;
import rivulus.gear.Governor;
import rivulus.gear.Knob;
import rivulus.gear.Port;
import rivulus.gear.Route;
import rivulus.gear.Setting;
import rivulus.gear.Template;
import rivulus.show.Cable;
import rivulus.show.Device;
import rivulus.show.Ref;
import rivulus.show.Show;
import rivulus.words.Words;

/// An input that nothing is plugged into, with its gain turned up: it adds hiss, and picks up what
/// is near.
final class UnusedGain implements RigCheck {
    @Override
    public void check(
            Show show, LeadReader reader, List<LeadReport> leads, List<RigFinding> findings) {
        Set<Ref> used = new HashSet<>();
        for (Cable cable : show.rig().cables()) {
            used.add(cable.from());
            used.add(cable.to());
        }
        for (Device device : show.rig().devices()) {
            Template template = reader.template(device);
            for (Port port : template.ports()) {
                if (port.takes() == 0 || used.contains(new Ref(device.id(), port.id()))) continue;
                turnedUp(template, port, device)
                        .ifPresent(db -> findings.add(finding(new End(device, port), db)));
            }
        }
    }

    /// By how much the gain of a port has been turned up, if it has.
    private static Optional<Double> turnedUp(Template template, Port port, Device device) {
        for (Route route : template.routes()) {
            if (!route.from().equals(port.inPoint())) continue;
            for (Governor governor : route.governors()) {
                boolean gain =
                        template.knob(governor.knob())
                                .map(Knob::role)
                                .filter("gain"::equals)
                                .isPresent();
                Setting stands = device.knobs().get(governor.knob());
                if (gain && stands instanceof Setting.Level(double db) && db > 0)
                    return Optional.of(db);
            }
        }
        return Optional.empty();
    }

    private static RigFinding finding(End end, double db) {
        SequencedMap<String, Double> figures = new LinkedHashMap<>();
        figures.put("gainDb", db);
        return new RigFinding(
                "unused-gain",
                Severity.CAUTION,
                List.of(end.device().id(), end.port().id()),
                "Nothing is plugged into %s and its gain is up by %s: it adds hiss."
                        .formatted(end.words(), Words.db(db)),
                figures);
    }
}
