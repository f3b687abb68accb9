package rivulus.rig;

import java.util.List;
import rivulus.check.Proof;
import rivulus.check.Severity;
import rivulus.leads.Survey;
import rivulus.power.StripLoad;

/// Outlet strips that feed more than they may, or hang on another strip.
final class Strips implements RigCheck {
    /// A strip should not be asked for more than this share for hours on end ~.
    private static final double USUAL_SHARE = 0.8;

    @Override
    public void check(Survey survey, Proof proof, List<RigFinding> findings) {
        for (StripLoad load : StripLoad.all(survey)) {
            boolean over = load.watts() > load.mostWatts();
            if (over || load.watts() > load.mostWatts() * USUAL_SHARE)
                findings.add(
                        finding(
                                load,
                                over ? Severity.DANGER : Severity.CAUTION,
                                over
                                        ? "%s: it gets hot and can burn. Spread the load over circuits; if in doubt ask a licensed electrician."
                                                .formatted(load.words())
                                        : "%s, with little to spare.".formatted(load.words())));
            if (load.inStrip())
                findings.add(
                        finding(
                                load,
                                Severity.DANGER,
                                "%s is plugged into another strip: strips in a row overload the first and can burn. Plug each into the wall."
                                        .formatted(load.strip().name())));
        }
    }

    private static RigFinding finding(StripLoad load, Severity severity, String sentence) {
        return new RigFinding(
                "strip",
                severity,
                List.of(load.strip().id()),
                sentence,
                Figures.of("watts", load.watts(), "mostWatts", load.mostWatts()));
    }
}
