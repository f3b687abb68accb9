package rivulus.rule;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.gear.Route;
import rivulus.leads.Survey;
import rivulus.show.Device;
import rivulus.show.Limits;
import rivulus.show.Ref;
import rivulus.words.Severity;
import rivulus.words.Words;

/// Two outputs on one input by a Y lead: splitting is allowed, joining is not.
final class JoinedOutputs implements Rule {
    private static final String MARK = "joins-outputs";

    @Override
    public String id() {
        return "y-lead";
    }

    @Override
    public List<Finding.Draft> inRig(Proof proof, Limits limits) {
        Survey survey = proof.survey();
        List<Finding.Draft> findings = new ArrayList<>();
        for (Device device : survey.devices()) {
            Set<String> fed = new LinkedHashSet<>();
            for (Route route : survey.template(device).routes()) {
                if (!route.marks().contains(MARK)) continue;
                String port = route.from().replaceAll("\\.in$", "");
                survey.across(new Ref(device.id(), port))
                        .filter(far -> far.port().gives() > 0)
                        .ifPresent(far -> fed.add(far.words()));
            }
            if (fed.size() < 2) continue;
            findings.add(
                    finding(
                                    Severity.DANGER,
                                    "%s joins the outputs of %s: each drives the other, both sound thin and may be harmed. Give each a channel of a mixer."
                                            .formatted(device.name(), Words.list(List.copyOf(fed))))
                            .gear(device.id())
                            .figure("outputs", fed.size()));
        }
        return findings;
    }
}
