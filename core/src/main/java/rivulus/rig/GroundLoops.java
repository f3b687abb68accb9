package rivulus.rig;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.SequencedMap;
import rivulus.check.Severity;
import rivulus.show.Show;

/// Leads that close a ring of grounds; see [Grounds].
final class GroundLoops implements RigCheck {
    @Override
    public void check(
            Show show, LeadReader reader, List<LeadReport> leads, List<RigFinding> findings) {
        for (Grounds.Loop loop : Grounds.loops(show, reader, leads)) {
            LeadReport lead = loop.lead();
            boolean balanced = Grounds.isBalanced(lead);
            List<String> round = loop.round();
            SequencedMap<String, Double> figures = new LinkedHashMap<>();
            figures.put("machines", (double) round.size());
            if (lead.cable().metres() > 0) figures.put("metres", lead.cable().metres());
            String hum =
                    balanced
                            ? "it is balanced and mostly rejects the hum"
                            : "it may hum at the mains frequency";
            findings.add(
                    new RigFinding(
                            "ground-loop",
                            balanced ? Severity.NOTE : Severity.PROBLEM,
                            List.of(lead.cable().id()),
                            "The lead from %s to %s closes a ring of grounds (%s): %s."
                                    .formatted(
                                            lead.a().words(),
                                            lead.b().words(),
                                            String.join(" – ", round),
                                            hum),
                            figures));
        }
    }
}
