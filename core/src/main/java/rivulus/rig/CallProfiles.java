package rivulus.rig;

import java.util.List;
import java.util.Optional;
import rivulus.check.Proof;
import rivulus.check.Severity;
import rivulus.computer.Picked;
import rivulus.gear.Knob;
import rivulus.gear.Picker;
import rivulus.gear.Setting;
import rivulus.leads.Survey;
import rivulus.show.Device;
import rivulus.show.Ref;

/// Wireless earbuds that fall back to their call profile, mono and narrow, because a program takes
/// their microphone, or because they were set so.
final class CallProfiles implements RigCheck {
    @Override
    public void check(Survey survey, Proof proof, List<RigFinding> findings) {
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
                        new RigFinding(
                                "call-profile",
                                Severity.CAUTION,
                                List.of(buds.id()),
                                "%s stand in their call profile: mono, and nothing above 7 kHz. Nobody takes their microphone, so they can go back to stereo."
                                        .formatted(buds.name()),
                                Figures.of(),
                                List.of(knob)));
        }
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

    private static RigFinding taken(Device buds, Picked taker) {
        return new RigFinding(
                "call-profile",
                Severity.PROBLEM,
                List.of(buds.id(), taker.owner().id()),
                "%s takes the microphone of %s: they fall back to their call profile, mono and nothing above 7 kHz, in both directions. Take another microphone."
                        .formatted(taker.owner().name(), buds.name()),
                Figures.of("highHz", 7000),
                List.of(new Ref(taker.owner().id(), taker.picker().id())));
    }
}
