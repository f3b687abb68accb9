package rivulus.rule;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.gear.Port;
import rivulus.gear.Signal;
import rivulus.gear.Template;
import rivulus.leads.End;
import rivulus.leads.Survey;
import rivulus.show.Device;
import rivulus.show.Limits;
import rivulus.show.Person;
import rivulus.show.Ref;
import rivulus.show.Role;
import rivulus.words.Severity;
import rivulus.words.Words;

/// Solo that the one who needs it cannot hear: it works on one headphone output, and the producer
/// listens at another.
final class SoloHeard implements Rule {
    @Override
    public String id() {
        return "solo";
    }

    @Override
    public List<Finding.Draft> inRig(Proof proof, Limits limits) {
        Survey survey = proof.survey();
        List<Finding.Draft> findings = new ArrayList<>();
        for (Device device : survey.devices()) {
            Template template = survey.template(device);
            if (template.soloOn().isEmpty()) continue;
            for (Port port : template.ports()) {
                if (port.carries() != Signal.HEADPHONES || template.soloOn().contains(port.id()))
                    continue;
                producerAt(survey, new Ref(device.id(), port.id()))
                        .ifPresent(
                                producer ->
                                        findings.add(finding(template, device, port, producer)));
            }
        }
        return findings;
    }

    private static Optional<Person> producerAt(Survey survey, Ref port) {
        return survey.across(port)
                .map(End::device)
                .flatMap(worn -> survey.show().cast().person(worn.worn()))
                .filter(person -> person.role() == Role.PRODUCER);
    }

    private Finding.Draft finding(Template template, Device device, Port port, Person producer) {
        List<String> solo =
                template.soloOn().stream()
                        .map(id -> template.port(id).map(Port::label).orElse(id))
                        .toList();
        return finding(
                        Severity.NOTE,
                        "Solo on %s is heard at %s only; %s listens at %s."
                                .formatted(
                                        device.name(),
                                        Words.list(solo),
                                        producer.name(),
                                        port.label()))
                .gear(device.id(), port.id());
    }
}
