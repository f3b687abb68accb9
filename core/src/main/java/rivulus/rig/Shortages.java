package rivulus.rig;

import java.util.List;
import rivulus.check.Proof;
import rivulus.check.Severity;
import rivulus.leads.LeadReport;
import rivulus.leads.Stock;
import rivulus.leads.Survey;
import rivulus.show.Device;
import rivulus.words.Words;

/// Leads and boxes that the plan takes from the cupboard and that are not in it.
final class Shortages implements RigCheck {
    @Override
    public void check(Survey survey, Proof proof, List<RigFinding> findings) {
        Stock stock = Stock.of(survey.show(), survey.leads());
        for (LeadReport lead : stock.shortOf()) {
            double metres = lead.cable().metres();
            findings.add(
                    new RigFinding(
                            "stock",
                            Severity.PROBLEM,
                            List.of(lead.cable().id()),
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
                                            lead.b().words()),
                            Figures.of("metres", metres)));
        }
        for (Device device : stock.missing())
            findings.add(
                    new RigFinding(
                            "stock",
                            Severity.PROBLEM,
                            List.of(device.id()),
                            "%s is planned, and no %s is left in the cupboard."
                                    .formatted(
                                            device.name(),
                                            survey.template(device)
                                                    .name()
                                                    .toLowerCase(java.util.Locale.ROOT)),
                            Figures.of()));
    }
}
