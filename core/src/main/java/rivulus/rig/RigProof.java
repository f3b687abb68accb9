package rivulus.rig;

import java.util.List;
import java.util.Optional;
import rivulus.leads.LeadReport;
import rivulus.leads.Survey;
import rivulus.show.Show;

/// A rig proven: what becomes of what goes through every lead, and what is wrong.
///
/// @param findings worst first
public record RigProof(Survey survey, List<RigFinding> findings) {
    public RigProof {
        findings = List.copyOf(findings);
    }

    /// The show that was proven.
    public Show show() {
        return survey.show();
    }

    /// Every lead, in the order of the rig.
    public List<LeadReport> leads() {
        return survey.leads();
    }

    /// The leads in one device.
    public List<LeadReport> leadsOf(String device) {
        return survey.device(device).map(survey::leadsOf).orElse(List.of());
    }

    /// What is wrong with a device or a lead in it, worst first.
    public List<RigFinding> findingsOf(String device) {
        List<String> ids = leadsOf(device).stream().map(lead -> lead.cable().id()).toList();
        return findings.stream()
                .filter(
                        finding ->
                                finding.about().contains(device)
                                        || finding.about().stream().anyMatch(ids::contains))
                .toList();
    }

    /// What is wrong with one lead, worst first.
    public List<RigFinding> findingsOfLead(String cable) {
        return findings.stream().filter(finding -> finding.about().contains(cable)).toList();
    }

    /// The report on one lead.
    public Optional<LeadReport> lead(String cable) {
        return leads().stream().filter(lead -> lead.cable().id().equals(cable)).findFirst();
    }
}
