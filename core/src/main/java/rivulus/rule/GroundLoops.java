package rivulus.rule;

import java.util.List;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.leads.LeadReport;
import rivulus.power.Grounds;
import rivulus.power.Hum;
import rivulus.power.Ring;
import rivulus.show.Limits;
import rivulus.words.Severity;
import rivulus.words.Words;

/// Leads that close a ring of grounds; see [Grounds].
final class GroundLoops implements Rule {
    @Override
    public String id() {
        return "ground-loop";
    }

    @Override
    public List<Finding.Draft> inRig(Proof proof, Limits limits) {
        return Grounds.rings(proof.survey()).stream().map(this::finding).toList();
    }

    private Finding.Draft finding(Ring ring) {
        LeadReport lead = ring.lead();
        Finding.Draft finding =
                finding(
                                severity(ring),
                                "The lead from %s to %s closes a ring of grounds (%s): it %s."
                                        .formatted(
                                                lead.a().words(),
                                                lead.b().words(),
                                                ring.words(),
                                                hums(ring)))
                        .gear(lead.cable().id())
                        .figure("machines", ring.round().size())
                        .figure("humBelowDb", ring.hum().belowDbInTenths());
        double metres = lead.cable().metres();
        return metres > 0 ? finding.figure("metres", metres) : finding;
    }

    /// "hums plainly, about 23.1 dB under the signal"; what nobody hears has no figure.
    private static String hums(Ring ring) {
        String words = ring.hum().grade().words();
        return ring.hum().grade() == Hum.Grade.INAUDIBLE
                ? words
                : "%s, about %s under the signal".formatted(words, Words.db(ring.hum().belowDb()));
    }

    private static Severity severity(Ring ring) {
        return switch (ring.hum().grade()) {
            case PLAIN, AUDIBLE -> Severity.PROBLEM;
            case FAINT -> Severity.CAUTION;
            case INAUDIBLE -> Severity.NOTE;
        };
    }

    @Override
    public List<Idea> ideas(Finding finding, Workshop workshop) {
        return workshop.lead(finding).map(workshop::unearthed).orElse(List.of());
    }
}
