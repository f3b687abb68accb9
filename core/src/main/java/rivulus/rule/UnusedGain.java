package rivulus.rule;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import rivulus.check.Finding;
import rivulus.check.Proof;
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
        for (Device device : survey.devices())
            for (Knob knob : survey.template(device).knobs())
                if (knob.role() == Knob.Role.GAIN
                        && device.knobs().get(knob.id()) instanceof Setting.Level(double db)
                        && db > 0)
                    unused(survey, device, knob)
                            .ifPresent(port -> findings.add(finding(new End(device, port), db)));
        return findings;
    }

    /// The first port that a gain is for, where nothing is plugged into any of them.
    private static Optional<Port> unused(Survey survey, Device device, Knob gain) {
        Template template = survey.template(device);
        Optional<Port> first = Optional.empty();
        for (Route route : template.routes()) {
            if (route.governors().stream().noneMatch(g -> g.knob().equals(gain.id()))) continue;
            for (Port port : template.ports()) {
                boolean feeds =
                        port.takes() > 0 && route.from().equals(port.inPoint())
                                || template.endpoints().stream()
                                        .filter(e -> e.plays().equals(Optional.of(route.from())))
                                        .anyMatch(e -> e.port().equals(Optional.of(port.id())));
                if (!feeds) continue;
                if (!survey.leadsIn(new Ref(device.id(), port.id())).isEmpty())
                    return Optional.empty();
                if (first.isEmpty()) first = Optional.of(port);
            }
        }
        return first;
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
