package rivulus.rule;

import java.util.ArrayList;
import java.util.List;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.gear.Port;
import rivulus.leads.End;
import rivulus.leads.LeadReport;
import rivulus.leads.Survey;
import rivulus.show.Device;
import rivulus.show.Limits;
import rivulus.show.Ref;
import rivulus.words.Severity;

/// A port that more leads are meant for than the one it takes.
final class PortsUsedTwice implements Rule {
    @Override
    public String id() {
        return "port-twice";
    }

    @Override
    public List<Finding.Draft> inRig(Proof proof, Limits limits) {
        Survey survey = proof.survey();
        List<Finding.Draft> findings = new ArrayList<>();
        for (Device device : survey.devices()) {
            for (Port port : survey.template(device).ports()) {
                List<LeadReport> leads = survey.leadsIn(new Ref(device.id(), port.id()));
                boolean radio = port.connector().equals("radio");
                if (leads.size() < 2 || radio) continue;
                findings.add(
                        finding(
                                        Severity.PROBLEM,
                                        "%d leads are meant for %s, which takes one."
                                                .formatted(
                                                        leads.size(),
                                                        new End(device, port).words()))
                                .gear(leads.reversed().stream().map(l -> l.cable().id()).toList())
                                .figure("leads", leads.size()));
            }
        }
        return findings;
    }

    @Override
    public List<Idea> ideas(Finding finding, Workshop workshop) {
        return workshop.lead(finding).map(workshop::rejoined).orElse(List.of());
    }
}
