package rivulus.rig;

import java.util.List;
import java.util.SequencedMap;
import rivulus.check.Proof;
import rivulus.check.Severity;
import rivulus.gear.Power;
import rivulus.gear.Signal;
import rivulus.leads.LeadReport;
import rivulus.leads.Survey;
import rivulus.power.Grounds;
import rivulus.power.Hum;
import rivulus.power.Ring;
import rivulus.show.Device;
import rivulus.words.Words;

/// Leads that close a ring of grounds, and batteries whose charging would close one; see [Grounds].
final class GroundLoops implements RigCheck {
    @Override
    public void check(Survey survey, Proof proof, List<RigFinding> findings) {
        List<Ring> rings = Grounds.rings(survey);
        for (Ring ring : rings) findings.add(finding(ring));
        for (Device device : survey.devices()) charging(survey, device, rings, findings);
    }

    private static RigFinding finding(Ring ring) {
        LeadReport lead = ring.lead();
        SequencedMap<String, Double> figures =
                Figures.of(
                        "machines",
                        ring.round().size(),
                        "humBelowDb",
                        tenths(ring.hum().belowDb()));
        if (lead.cable().metres() > 0) figures.put("metres", lead.cable().metres());
        return new RigFinding(
                "ground-loop",
                severity(ring),
                List.of(lead.cable().id()),
                "The lead from %s to %s closes a ring of grounds (%s): it %s, about %s under the signal."
                        .formatted(
                                lead.a().words(),
                                lead.b().words(),
                                ring.words(),
                                ring.hum().grade().words(),
                                Words.db(ring.hum().belowDb())),
                figures);
    }

    private static double tenths(double value) {
        return Math.round(value * 10) / 10.0;
    }

    private static Severity severity(Ring ring) {
        return switch (ring.hum().grade()) {
            case PLAIN, AUDIBLE -> Severity.PROBLEM;
            case FAINT -> Severity.CAUTION;
            case INAUDIBLE -> Severity.NOTE;
        };
    }

    private static boolean hasCharger(Survey survey, Device device) {
        return survey.leadsOf(device).stream()
                .anyMatch(
                        lead ->
                                lead.a().port().carries() == Signal.POWER
                                        || lead.b().port().carries() == Signal.POWER);
    }

    /// The two states of what runs from its battery: as it is, and while it charges.
    private static void charging(
            Survey survey, Device device, List<Ring> rings, List<RigFinding> findings) {
        Power power = survey.template(device).power();
        if (survey.runsOn(device) != Power.Source.BATTERY) return;
        for (Power.Source charger : power.from()) {
            boolean joins =
                    charger == Power.Source.MAINS
                            ? power.earthed()
                            : charger == Power.Source.USB && hasCharger(survey, device);
            if (!joins) continue;
            List<Ring> then = Grounds.rings(survey.with(device.poweredBy(charger)));
            List<Ring> closed =
                    then.stream()
                            .filter(ring -> ring.hum().grade() != Hum.Grade.INAUDIBLE)
                            .filter(
                                    ring ->
                                            rings.stream()
                                                    .noneMatch(
                                                            known ->
                                                                    known.lead()
                                                                            .cable()
                                                                            .id()
                                                                            .equals(
                                                                                    ring.lead()
                                                                                            .cable()
                                                                                            .id())))
                            .toList();
            if (closed.isEmpty()) continue;
            Ring ring = closed.getFirst();
            findings.add(
                    new RigFinding(
                            "charging-ring",
                            Severity.NOTE,
                            List.of(device.id(), ring.lead().cable().id()),
                            "While %s charges from %s, the lead from %s to %s closes a ring of grounds (%s) and %s; on its battery there is none."
                                    .formatted(
                                            device.name(),
                                            charger.words(),
                                            ring.lead().a().words(),
                                            ring.lead().b().words(),
                                            ring.words(),
                                            ring.hum().grade().words()),
                            Figures.of("humBelowDb", tenths(ring.hum().belowDb()))));
        }
    }
}
