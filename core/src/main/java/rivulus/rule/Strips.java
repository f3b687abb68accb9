package rivulus.rule;

import java.util.ArrayList;
import java.util.List;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.leads.Survey;
import rivulus.power.StripLoad;
import rivulus.show.Limit;
import rivulus.show.Limits;
import rivulus.words.Severity;

/// Outlet strips that feed more than they may, or hang on another strip.
final class Strips implements Rule {
    @Override
    public String id() {
        return "strip";
    }

    @Override
    public List<Finding.Draft> inRig(Proof proof, Limits limits) {
        Survey survey = proof.survey();
        List<Finding.Draft> findings = new ArrayList<>();
        for (StripLoad load : StripLoad.all(survey)) {
            boolean over = load.watts() > load.mostWatts();
            if (over || load.watts() > load.mostWatts() * limits.get(Limit.STRIP_SHARE))
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
        return findings;
    }

    private Finding.Draft finding(StripLoad load, Severity severity, String sentence) {
        return finding(severity, sentence)
                .gear(load.strip().id())
                .figure("watts", load.watts())
                .figure("mostWatts", load.mostWatts());
    }

    @Override
    public List<Idea> ideas(Finding finding, Workshop workshop) {
        return workshop.device(finding).map(workshop.power()::unloaded).orElse(List.of());
    }
}
