package rivulus.rule;

import java.util.ArrayList;
import java.util.List;
import java.util.function.BiFunction;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.leads.Fault;
import rivulus.leads.LeadReport;
import rivulus.show.Limits;

/// One kind of fault of single leads; see [rivulus.leads.LeadReader].
///
/// @param against what might end it
record LeadRule(Fault.Kind kind, BiFunction<Workshop, LeadReport, List<Idea>> against)
        implements Rule {
    @Override
    public String id() {
        return kind.word();
    }

    @Override
    public List<Finding.Draft> inRig(Proof proof, Limits limits) {
        List<Finding.Draft> findings = new ArrayList<>();
        for (LeadReport lead : proof.survey().leads())
            for (Fault fault : lead.faults())
                if (fault.kind() == kind) findings.add(finding(lead, fault));
        return findings;
    }

    private Finding.Draft finding(LeadReport lead, Fault fault) {
        Finding.Draft finding =
                finding(
                                fault.severity(),
                                "From %s to %s: %s."
                                        .formatted(
                                                lead.a().words(), lead.b().words(), fault.words()))
                        .gear(lead.cable().id());
        return fault.unit().isEmpty() ? finding : finding.figure(fault.unit(), fault.figure());
    }

    @Override
    public boolean maybeMilder() {
        return false;
    }

    @Override
    public List<Idea> ideas(Finding finding, Workshop workshop) {
        return workshop.lead(finding).map(lead -> against.apply(workshop, lead)).orElse(List.of());
    }
}
