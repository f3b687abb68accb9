package rivulus.rig;

import java.util.List;
import rivulus.check.Proof;
import rivulus.check.Severity;
import rivulus.gear.Port;
import rivulus.leads.End;
import rivulus.leads.LeadReport;
import rivulus.leads.Survey;
import rivulus.show.Device;
import rivulus.show.Ref;

/// A port that more leads are meant for than the one it takes.
final class PortsUsedTwice implements RigCheck {
    @Override
    public void check(Survey survey, Proof proof, List<RigFinding> findings) {
        for (Device device : survey.devices()) {
            for (Port port : survey.template(device).ports()) {
                List<LeadReport> leads = survey.leadsIn(new Ref(device.id(), port.id()));
                boolean radio = port.connector().equals("radio");
                if (leads.size() < 2 || radio) continue;
                findings.add(
                        new RigFinding(
                                "port-twice",
                                Severity.PROBLEM,
                                leads.reversed().stream().map(l -> l.cable().id()).toList(),
                                "%d leads are meant for %s, which takes one."
                                        .formatted(leads.size(), new End(device, port).words()),
                                Figures.of("leads", leads.size())));
            }
        }
    }
}
