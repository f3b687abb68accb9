package rivulus.rule;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.gear.Power;
import rivulus.gear.Signal;
import rivulus.leads.Survey;
import rivulus.power.Grounds;
import rivulus.power.Hum;
import rivulus.power.Ring;
import rivulus.show.Device;
import rivulus.show.Limits;
import rivulus.words.Severity;

/// What runs from its battery and would close a ring of grounds while it charges: its two states.
public final class ChargingRings implements Rule {
    @Override
    public String id() {
        return "charging-ring";
    }

    @Override
    public List<Finding.Draft> inRig(Proof proof, Limits limits) {
        Survey survey = proof.survey();
        Set<String> closed =
                Grounds.rings(survey).stream()
                        .map(ring -> ring.lead().cable().id())
                        .collect(Collectors.toSet());
        List<Finding.Draft> findings = new ArrayList<>();
        for (Device device : survey.devices()) {
            if (survey.runsOn(device) != Power.Source.BATTERY) continue;
            for (Power.Source charger : survey.template(device).power().from())
                if (earths(survey, device, charger))
                    Grounds.rings(survey.with(device.poweredBy(charger))).stream()
                            .filter(ring -> ring.hum().grade() != Hum.Grade.INAUDIBLE)
                            .filter(ring -> !closed.contains(ring.lead().cable().id()))
                            .findFirst()
                            .ifPresent(ring -> findings.add(finding(device, charger, ring)));
        }
        return findings;
    }

    private static boolean earths(Survey survey, Device device, Power.Source charger) {
        return switch (charger) {
            case MAINS -> survey.template(device).power().earthed();
            case USB -> hasCharger(survey, device);
            case BATTERY, PHANTOM, JACK, NONE -> false;
        };
    }

    private static boolean hasCharger(Survey survey, Device device) {
        return survey.leadsOf(device).stream()
                .anyMatch(
                        lead ->
                                lead.a().port().carries() == Signal.POWER
                                        || lead.b().port().carries() == Signal.POWER);
    }

    private Finding.Draft finding(Device device, Power.Source charger, Ring ring) {
        return finding(
                        Severity.NOTE,
                        "While %s charges from %s, the lead from %s to %s closes a ring of grounds (%s) and %s; on its battery there is none."
                                .formatted(
                                        device.name(),
                                        charger.words(),
                                        ring.lead().a().words(),
                                        ring.lead().b().words(),
                                        ring.words(),
                                        ring.hum().grade().words()))
                .gear(device.id(), ring.lead().cable().id())
                .figure("humBelowDb", ring.hum().belowDbInTenths());
    }
}
