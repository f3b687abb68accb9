package rivulus.rig;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.SequencedMap;
import rivulus.check.Proof;
import rivulus.leads.Fault;
import rivulus.leads.LeadReport;
import rivulus.leads.Survey;

/// What is wrong with single leads.
final class LeadFaults implements RigCheck {
    @Override
    public void check(Survey survey, Proof proof, List<RigFinding> findings) {
        for (LeadReport lead : survey.leads())
            for (Fault fault : lead.faults()) findings.add(finding(lead, fault));
    }

    private static RigFinding finding(LeadReport lead, Fault fault) {
        SequencedMap<String, Double> figures = new LinkedHashMap<>();
        if (!fault.unit().isEmpty()) figures.put(fault.unit(), fault.figure());
        return new RigFinding(
                fault.rule(),
                fault.severity(),
                List.of(lead.cable().id()),
                "From %s to %s: %s.".formatted(lead.a().words(), lead.b().words(), fault.words()),
                figures);
    }
}
