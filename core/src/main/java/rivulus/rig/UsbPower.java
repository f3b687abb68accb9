package rivulus.rig;

import java.util.List;
import rivulus.check.Proof;
import rivulus.check.Severity;
import rivulus.gear.Port;
import rivulus.gear.Power;
import rivulus.leads.Survey;
import rivulus.power.Feeding;
import rivulus.power.PortBudget;
import rivulus.show.Device;

/// Ports of computers, hubs and packs that are asked for more than they can give, and gear that
/// runs from USB and hangs on nothing.
final class UsbPower implements RigCheck {
    @Override
    public void check(Survey survey, Proof proof, List<RigFinding> findings) {
        for (PortBudget budget : PortBudget.all(survey))
            if (budget.isTight()) findings.add(overdrawn(budget));
        Feeding feeding = Feeding.of(survey);
        for (Device device : survey.devices()) {
            boolean wants =
                    survey.runsOn(device) == Power.Source.USB
                            && survey.template(device).ports().stream().anyMatch(UsbPower::isFed);
            if (wants && feeding.of(device).isEmpty()) findings.add(unfed(device));
        }
    }

    private static boolean isFed(Port port) {
        return port.electric().drawsMa() > 0;
    }

    private static RigFinding overdrawn(PortBudget budget) {
        return new RigFinding(
                "power",
                budget.isOver() ? Severity.PROBLEM : Severity.CAUTION,
                List.of(budget.host().device().id(), budget.host().port().id()),
                "%s from %s%s."
                        .formatted(
                                budget.words(),
                                budget.host().words(),
                                budget.isOver()
                                        ? "; put a powered hub between"
                                        : ", with little to spare"),
                Figures.of(
                        "drawsMa", budget.drawsMa(),
                        "givesMa", budget.givesMa(),
                        "marginMa", budget.marginMa()));
    }

    private static RigFinding unfed(Device device) {
        return new RigFinding(
                "unfed",
                Severity.PROBLEM,
                List.of(device.id()),
                "%s runs from USB and no lead brings it any power.".formatted(device.name()),
                Figures.of());
    }
}
