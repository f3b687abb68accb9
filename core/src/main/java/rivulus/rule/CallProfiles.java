package rivulus.rule;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.computer.Picked;
import rivulus.gear.Knob;
import rivulus.gear.Picker;
import rivulus.gear.Setting;
import rivulus.leads.Survey;
import rivulus.show.Device;
import rivulus.show.Limits;
import rivulus.show.Ref;
import rivulus.words.Severity;

/// Wireless earbuds that fall back to their call profile, mono and narrow, because a program takes
/// their microphone, or because they were set so.
final class CallProfiles implements Rule {
    @Override
    public String id() {
        return "call-profile";
    }

    @Override
    public List<Finding.Draft> inRig(Proof proof, Limits limits) {
        Survey survey = proof.survey();
        List<Finding.Draft> findings = new ArrayList<>();
        for (Device buds : survey.devices()) {
            Optional<Knob> profile =
                    survey.template(buds).knobs().stream()
                            .filter(knob -> knob.role() == Knob.Role.PROFILE)
                            .findFirst();
            if (profile.isEmpty()) continue;
            Optional<Picked> taker = taker(survey, buds);
            Ref knob = new Ref(buds.id(), profile.get().id());
            boolean set =
                    survey.stands(buds, profile.get().id())
                            .map(Setting::word)
                            .filter("call"::equals)
                            .isPresent();
            if (taker.isPresent()) findings.add(taken(buds, taker.get()));
            else if (set)
                findings.add(
                        finding(
                                        Severity.CAUTION,
                                        "%s stand in their call profile: mono, and nothing above 7 kHz. Nobody takes their microphone, so they can go back to stereo."
                                                .formatted(buds.name()))
                                .gear(buds.id())
                                .knobs(List.of(knob)));
        }
        return findings;
    }

    private static Optional<Picked> taker(Survey survey, Device buds) {
        for (Device program : survey.devices()) {
            if (!Survey.isProgram(program)) continue;
            for (Picked picked : Picked.of(survey, program)) {
                boolean here = picked.gear().filter(g -> g.id().equals(buds.id())).isPresent();
                if (here && picked.picker().picks() == Picker.Picks.INPUT)
                    return Optional.of(picked);
            }
        }
        return Optional.empty();
    }

    private Finding.Draft taken(Device buds, Picked taker) {
        return finding(
                        Severity.PROBLEM,
                        "%s takes the microphone of %s: they fall back to their call profile, mono and nothing above 7 kHz, in both directions. Take another microphone."
                                .formatted(taker.owner().name(), buds.name()))
                .gear(buds.id(), taker.owner().id())
                .figure("highHz", 7000)
                .knobs(List.of(new Ref(taker.owner().id(), taker.picker().id())));
    }

    @Override
    public List<Idea> ideas(Finding finding, Workshop workshop) {
        return workshop.turns(finding.knobs());
    }
}
