package rivulus.rule;

import java.util.ArrayList;
import java.util.List;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.leads.LeadReport;
import rivulus.leads.Stock;
import rivulus.leads.Survey;
import rivulus.show.Device;
import rivulus.show.Limits;
import rivulus.words.Severity;
import rivulus.words.Words;

/// Leads and boxes that the plan takes from the cupboard and that are not in it.
final class Shortages implements Rule {
    @Override
    public String id() {
        return "stock";
    }

    @Override
    public List<Finding.Draft> inRig(Proof proof, Limits limits) {
        Survey survey = proof.survey();
        List<Finding.Draft> findings = new ArrayList<>();
        Stock stock = Stock.of(survey.show(), survey.leads());
        for (LeadReport lead : stock.shortOf()) {
            double metres = lead.cable().metres();
            findings.add(
                    finding(
                                    Severity.PROBLEM,
                                    "No %s%s is left for %s to %s: more are planned than there are."
                                            .formatted(
                                                    lead.kindInWords(),
                                                    metres == 0
                                                            ? ""
                                                            : " of %s%sm"
                                                                    .formatted(
                                                                            Words.signed(metres, 0),
                                                                            Words.THIN),
                                                    lead.a().words(),
                                                    lead.b().words()))
                            .gear(lead.cable().id())
                            .figure("metres", metres));
        }
        for (Device device : stock.missing())
            findings.add(
                    finding(
                                    Severity.PROBLEM,
                                    "%s is planned, and no %s is left in the cupboard."
                                            .formatted(
                                                    device.name(),
                                                    survey.template(device)
                                                            .name()
                                                            .toLowerCase(java.util.Locale.ROOT)))
                            .gear(device.id()));
        return findings;
    }

    @Override
    public List<Idea> ideas(Finding finding, Workshop workshop) {
        return workshop.bought(finding);
    }
}
