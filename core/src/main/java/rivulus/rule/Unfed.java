package rivulus.rule;

import java.util.ArrayList;
import java.util.List;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.gear.Power;
import rivulus.leads.Survey;
import rivulus.power.Feeding;
import rivulus.show.Device;
import rivulus.show.Limits;
import rivulus.words.Severity;

/// Gear that runs from USB and hangs on nothing that feeds it.
final class Unfed implements Rule {
    @Override
    public String id() {
        return "unfed";
    }

    @Override
    public List<Finding.Draft> inRig(Proof proof, Limits limits) {
        Survey survey = proof.survey();
        Feeding feeding = Feeding.of(survey);
        List<Finding.Draft> findings = new ArrayList<>();
        for (Device device : survey.devices()) {
            boolean wants =
                    survey.runsOn(device) == Power.Source.USB
                            && survey.template(device).ports().stream()
                                    .anyMatch(port -> port.electric().drawsMa() > 0);
            if (wants && feeding.of(device).isEmpty())
                findings.add(
                        finding(
                                        Severity.PROBLEM,
                                        "%s runs from USB and no lead brings it any power."
                                                .formatted(device.name()))
                                .gear(device.id()));
        }
        return findings;
    }

    @Override
    public List<Idea> ideas(Finding finding, Workshop workshop) {
        return workshop.device(finding).map(workshop.power()::fed).orElse(List.of());
    }
}
