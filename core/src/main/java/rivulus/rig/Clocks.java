package rivulus.rig;

import java.util.List;
import rivulus.check.Proof;
import rivulus.leads.Survey;
import rivulus.timing.ClockTrouble;

/// Rates and clocks along digital leads and in programs; see [ClockTrouble].
final class Clocks implements RigCheck {
    @Override
    public void check(Survey survey, Proof proof, List<RigFinding> findings) {
        for (ClockTrouble trouble : ClockTrouble.all(survey))
            findings.add(
                    new RigFinding(
                            "clock",
                            trouble.severity(),
                            trouble.about(),
                            trouble.sentence(),
                            Figures.of(),
                            trouble.knobs()));
    }
}
