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
import rivulus.gear.Signal;
import rivulus.gear.Template;
import rivulus.leads.End;
import rivulus.leads.Survey;
import rivulus.show.Device;
import rivulus.show.Limits;
import rivulus.show.Ref;
import rivulus.words.Severity;

/// A microphone in a channel whose switch stands at a remote: nobody hears it there.
final class RemoteSwitches implements Rule {
    private static final Knob.Role ROLE = Knob.Role.REMOTE;

    @Override
    public String id() {
        return "remote-switch";
    }

    @Override
    public List<Finding.Draft> inRig(Proof proof, Limits limits) {
        Survey survey = proof.survey();
        List<Finding.Draft> findings = new ArrayList<>();
        for (Device device : survey.devices()) {
            Template template = survey.template(device);
            if (template.knobs().stream().noneMatch(knob -> knob.role() == ROLE)) continue;
            for (Port port : template.ports()) {
                Ref ref = new Ref(device.id(), port.id());
                if (port.carries() != Signal.MIC) continue;
                Optional<End> microphone = survey.across(ref);
                if (microphone.isEmpty()) continue;
                closing(survey, device, port)
                        .ifPresent(
                                knob ->
                                        findings.add(
                                                finding(
                                                        microphone.get(),
                                                        new End(device, port),
                                                        knob)));
            }
        }
        return findings;
    }

    /// The switch that shuts a port off as it stands.
    private static Optional<Knob> closing(Survey survey, Device device, Port port) {
        Template template = survey.template(device);
        for (Route route : template.routes()) {
            if (!route.from().equals(port.inPoint())) continue;
            for (Governor governor : route.governors()) {
                Optional<Knob> knob = template.knob(governor.knob()).filter(k -> k.role() == ROLE);
                Optional<Setting> stands = survey.stands(device, governor.knob());
                if (knob.isPresent() && !governor.opens(stands.orElseThrow())) return knob;
            }
        }
        return Optional.empty();
    }

    private Finding.Draft finding(End microphone, End port, Knob knob) {
        return finding(
                        Severity.PROBLEM,
                        "%s is plugged into %s while its %s stands at the remote: nobody hears it there."
                                .formatted(microphone.device().name(), port.words(), knob.label()))
                .gear(port.device().id(), port.port().id())
                .knobs(List.of(new Ref(port.device().id(), knob.id())));
    }

    @Override
    public List<Idea> ideas(Finding finding, Workshop workshop) {
        return workshop.turns(finding.knobs());
    }
}
