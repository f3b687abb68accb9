package rivulus.rule;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.gear.PictureFormat;
import rivulus.gear.PictureRoute;
import rivulus.gear.Port;
import rivulus.gear.Setting;
import rivulus.leads.End;
import rivulus.leads.LeadReport;
import rivulus.leads.Survey;
import rivulus.show.Device;
import rivulus.show.Limits;
import rivulus.show.Ref;
import rivulus.words.Severity;

/// Pictures that are sent in a format that something on their way does not pass.
final class PictureFormats implements Rule {
    @Override
    public String id() {
        return "picture";
    }

    @Override
    public List<Finding.Draft> inRig(Proof proof, Limits limits) {
        Survey survey = proof.survey();
        List<Finding.Draft> findings = new ArrayList<>();
        for (Device device : survey.devices()) {
            for (PictureRoute route : survey.template(device).pictures()) {
                if (!route.from().equals(PictureRoute.LENS)) continue;
                survey.template(device)
                        .port(route.to())
                        .ifPresent(port -> from(survey, new End(device, port), findings));
            }
        }
        return findings;
    }

    private void from(Survey survey, End source, List<Finding.Draft> findings) {
        format(survey, source)
                .ifPresent(sent -> follow(survey, source, source, sent, findings, new HashSet<>()));
    }

    /// The format a port is set to give.
    private static Optional<PictureFormat> format(Survey survey, End source) {
        Port port = source.port();
        if (port.pictureKnob().isEmpty()) return port.picture();
        return survey.stands(source.device(), port.pictureKnob())
                .map(Setting::word)
                .flatMap(PictureFormat::of);
    }

    private void follow(
            Survey survey,
            End source,
            End at,
            PictureFormat sent,
            List<Finding.Draft> findings,
            Set<Ref> seen) {
        if (!seen.add(at.ref())) return;
        for (LeadReport lead : survey.leadsIn(at.ref())) {
            End far = Survey.far(lead, at.ref());
            Optional<PictureFormat> most = far.port().picture();
            if (most.isPresent() && !most.get().passes(sent)) {
                findings.add(finding(source, far, sent, most.get()));
                continue;
            }
            for (PictureRoute route : survey.template(far.device()).pictures())
                if (route.from().equals(far.port().id()))
                    survey.template(far.device())
                            .port(route.to())
                            .ifPresent(
                                    on ->
                                            follow(
                                                    survey,
                                                    source,
                                                    new End(far.device(), on),
                                                    sent,
                                                    findings,
                                                    seen));
        }
    }

    private Finding.Draft finding(End source, End far, PictureFormat sent, PictureFormat most) {
        String knob = source.port().pictureKnob();
        return finding(
                        Severity.PROBLEM,
                        "%s sends %s and %s passes %s at most: no picture, or none of its sound, comes through."
                                .formatted(
                                        source.device().name(),
                                        sent.words(),
                                        far.words(),
                                        most.words()))
                .gear(source.device().id(), far.device().id())
                .figure("lines", sent.lines())
                .figure("perSecond", sent.perSecond())
                .knobs(knob.isEmpty() ? List.of() : List.of(new Ref(source.device().id(), knob)));
    }

    @Override
    public List<Idea> ideas(Finding finding, Workshop workshop) {
        return workshop.turns(finding.knobs());
    }
}
