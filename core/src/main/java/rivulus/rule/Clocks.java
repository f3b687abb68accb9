package rivulus.rule;

import java.util.ArrayList;
import java.util.List;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.leads.Survey;
import rivulus.show.Limits;
import rivulus.timing.ClockTrouble;

/// Rates and clocks along digital leads and in programs; see [ClockTrouble].
public final class Clocks implements Rule {
    @Override
    public String id() {
        return "clock";
    }

    @Override
    public List<Finding.Draft> inRig(Proof proof, Limits limits) {
        Survey survey = proof.survey();
        List<Finding.Draft> findings = new ArrayList<>();
        for (ClockTrouble trouble : ClockTrouble.all(survey))
            findings.add(
                    finding(trouble.severity(), trouble.sentence())
                            .gear(trouble.about())
                            .knobs(trouble.knobs()));
        return findings;
    }

    @Override
    public List<Idea> ideas(Finding finding, Workshop workshop) {
        return workshop.turns(finding.knobs());
    }
}
