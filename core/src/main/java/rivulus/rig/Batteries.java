package rivulus.rig;

import java.util.List;
import rivulus.check.Proof;
import rivulus.check.Severity;
import rivulus.leads.Survey;
import rivulus.power.BatteryLife;
import rivulus.words.Words;

/// Whether what runs from a battery lasts the evening: set-up, every scene, and an overrun.
///
/// Shows that do not say how long their scenes last are passed over.
final class Batteries implements RigCheck {
    @Override
    public void check(Survey survey, Proof proof, List<RigFinding> findings) {
        for (BatteryLife life : BatteryLife.all(survey))
            if (life.isTight()) findings.add(finding(life));
    }

    private static RigFinding finding(BatteryLife life) {
        return new RigFinding(
                "battery",
                life.dies() ? Severity.PROBLEM : Severity.CAUTION,
                List.of(life.device().id()),
                "%s; the evening, with an hour to set up and half an hour over, takes %s%s."
                        .formatted(
                                life.words(),
                                Words.hours(life.wantedMinutes()),
                                life.dies() ? "; swap or feed it " + life.swap() : ""),
                Figures.of(
                        "lastsMinutes", Math.round(life.lastsMinutes()),
                        "wantedMinutes", life.wantedMinutes()));
    }
}
