package rivulus.rule;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.gear.Governor;
import rivulus.gear.Knob;
import rivulus.gear.Port;
import rivulus.gear.Route;
import rivulus.gear.Setting;
import rivulus.gear.Template;
import rivulus.leads.End;
import rivulus.leads.Survey;
import rivulus.show.Device;
import rivulus.show.Limits;
import rivulus.show.Ref;
import rivulus.words.Severity;
import rivulus.words.Words;

/// An input that nothing is plugged into, with its gain turned up: it adds hiss, and picks up what
/// is near.
final class UnusedGain implements Rule {
    @Override
    public String id() {
        return "unused-gain";
    }

    @Override
    public List<Finding.Draft> inRig(Proof proof, Limits limits) {
        Survey survey = proof.survey();
        List<Finding.Draft> findings = new ArrayList<>();
        for (Device device : survey.devices()) {
            Template template = survey.template(device);
            for (Port port : template.ports()) {
                if (port.takes() == 0 || !survey.leadsIn(new Ref(device.id(), port.id())).isEmpty())
                    continue;
                turnedUp(template, port, device)
                        .ifPresent(db -> findings.add(finding(new End(device, port), db)));
            }
        }
        return findings;
    }

    /// By how much the gain of a port has been turned up, if it has.
    private static Optional<Double> turnedUp(Template template, Port port, Device device) {
        for (Route route : template.routes()) {
            if (!route.from().equals(port.inPoint())) continue;
            for (Governor governor : route.governors()) {
                boolean gain =
                        template.knob(governor.knob())
                                .map(Knob::role)
                                .filter(Knob.Role.GAIN::equals)
                                .isPresent();
                Setting stands = device.knobs().get(governor.knob());
                if (gain && stands instanceof Setting.Level(double db) && db > 0)
                    return Optional.of(db);
            }
        }
        return Optional.empty();
    }

    private Finding.Draft finding(End end, double db) {
        return finding(
                        Severity.CAUTION,
                        "Nothing is plugged into %s and its gain is up by %s: it adds hiss."
                                .formatted(end.words(), Words.db(db)))
                .gear(end.device().id(), end.port().id())
                .figure("gainDb", db);
    }

    @Override
    public List<Idea> ideas(Finding finding, Workshop workshop) {
        return workshop.turnedDown(finding);
    }
}
