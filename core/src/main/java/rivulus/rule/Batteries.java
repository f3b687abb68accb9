package rivulus.rule;

import java.util.ArrayList;
import java.util.List;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.leads.Survey;
import rivulus.power.BatteryLife;
import rivulus.show.Limits;
import rivulus.words.Severity;
import rivulus.words.Words;

/// Whether what runs from a battery lasts the evening: set-up, every scene, and an overrun.
///
/// Shows that do not say how long their scenes last are passed over.
final class Batteries implements Rule {
    @Override
    public String id() {
        return "battery";
    }

    @Override
    public List<Finding.Draft> inRig(Proof proof, Limits limits) {
        Survey survey = proof.survey();
        List<Finding.Draft> findings = new ArrayList<>();
        for (BatteryLife life : BatteryLife.all(survey))
            if (life.tight()) findings.add(finding(life));
        return findings;
    }

    private Finding.Draft finding(BatteryLife life) {
        return finding(
                        life.dies() ? Severity.PROBLEM : Severity.CAUTION,
                        "%s; the evening, with an hour to set up and half an hour over, takes %s%s."
                                .formatted(
                                        life.words(),
                                        Words.hours(life.wantedMinutes()),
                                        life.dies() ? "; swap or feed it " + life.swap() : ""))
                .gear(life.device().id())
                .figure("lastsMinutes", Math.round(life.lastsMinutes()))
                .figure("wantedMinutes", life.wantedMinutes());
    }

    @Override
    public List<Idea> ideas(Finding finding, Workshop workshop) {
        return workshop.device(finding).map(workshop.power()::fed).orElse(List.of());
    }
}
