package rivulus.rig;

import java.util.List;
import java.util.Optional;
import rivulus.show.Show;

/// A rig proven: what becomes of what goes through every lead, and what is wrong.
///
/// @param findings worst first
public record RigProof(Show show, List<LeadReport> leads, List<RigFinding> findings) {
    public RigProof {
        leads = List.copyOf(leads);
        findings = List.copyOf(findings);
    }

    /// The leads in one device.
    public List<LeadReport> leadsOf(String device) {
        return leads.stream().filter(lead -> lead.cable().touches(device)).toList();
    }

    /// What is wrong with a device or a lead in it, worst first.
    public List<RigFinding> findingsOf(String device) {
        return findings.stream()
                .filter(
                        finding ->
                                finding.about().contains(device)
                                        || leadsOf(device).stream()
                                                .anyMatch(
                                                        lead ->
                                                                finding.about()
                                                                        .contains(
                                                                                lead.cable().id())))
                .toList();
    }

    /// The report on one lead.
    public Optional<LeadReport> lead(String cable) {
        return leads.stream().filter(lead -> lead.cable().id().equals(cable)).findFirst();
    }
}
