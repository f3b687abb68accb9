package rivulus.chart;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import rivulus.check.Failure;
import rivulus.power.BatteryLife;
import rivulus.power.Feeding;
import rivulus.power.PortBudget;
import rivulus.power.StripLoad;
import rivulus.power.Supply;
import rivulus.show.Device;
import rivulus.words.Severity;
import rivulus.words.Words;

/// What everything runs on: ports, strips, batteries, and who goes dark.
final class PowerPage extends LayerPage {
    PowerPage(RigPages.Asked asked) {
        super(asked);
    }

    @Override
    RigPage page() {
        List<RigPage.Section> sections = new ArrayList<>();
        List<RigPage.Row> budgets = new ArrayList<>();
        for (PortBudget budget : PortBudget.all(survey))
            budgets.add(
                    new RigPage.Row(
                            budget.host().words(),
                            budget.words() + ".",
                            budget.isOver()
                                    ? Optional.of(Severity.PROBLEM)
                                    : budget.tight()
                                            ? Optional.of(Severity.CAUTION)
                                            : Optional.empty(),
                            budget.host().device().id(),
                            Optional.empty()));
        add(sections, "At 5 V", budgets);
        List<RigPage.Row> strips = new ArrayList<>();
        for (StripLoad load : StripLoad.all(survey))
            strips.add(
                    new RigPage.Row(
                            load.strip().name(),
                            load.words() + ": " + Words.list(names(load.fed())) + ".",
                            worst(proof.ofDevice(load.strip().id())),
                            load.strip().id(),
                            Optional.empty()));
        add(sections, "Outlet strips", strips);
        List<RigPage.Row> batteries = new ArrayList<>();
        for (BatteryLife life : BatteryLife.all(survey))
            batteries.add(
                    new RigPage.Row(
                            life.device().name(),
                            life.words() + against(life),
                            life.dies()
                                    ? Optional.of(Severity.PROBLEM)
                                    : life.tight() && life.wantedMinutes() > 0
                                            ? Optional.of(Severity.CAUTION)
                                            : Optional.empty(),
                            life.device().id(),
                            Optional.empty()));
        add(sections, "Batteries", batteries);
        add(sections, "If a supply fails", failures());
        if (!sections.isEmpty())
            add(
                    sections,
                    "Circuits",
                    List.of(
                            RigPage.Row.of(
                                    "By the local code",
                                    "How much one circuit may feed, the house and the local code say; if in doubt ask a licensed electrician. A strip is no circuit of its own.",
                                    "")));
        return new RigPage(sections);
    }

    private static List<String> names(List<Device> devices) {
        return devices.stream().map(Device::name).toList();
    }

    private static String against(BatteryLife life) {
        if (life.wantedMinutes() == 0)
            return ", at %s; how long the evening takes is not said.".formatted(watts(life));
        String evening =
                ", at %s; the evening takes %s with set-up and an overrun"
                        .formatted(watts(life), Words.hours(life.wantedMinutes()));
        return evening + (life.dies() ? ": swap or feed it " + life.swap() + "." : ".");
    }

    private static String watts(BatteryLife life) {
        return Words.signed(life.watts(), 1) + Words.THIN + "W";
    }

    /// "If it fails, Mixer and Laptop run on from their batteries. "
    private String runsOn(List<Device> fed, Set<String> dark) {
        List<String> on =
                names(
                        fed.stream()
                                .filter(device -> !dark.contains(device.id()))
                                .filter(device -> survey.template(device).power().batteryWh() > 0)
                                .toList());
        if (on.isEmpty()) return "";
        return "If it fails, %s %s. "
                .formatted(
                        Words.list(on),
                        on.size() == 1
                                ? "runs on from its battery"
                                : "run on from their batteries");
    }

    private List<RigPage.Row> failures() {
        Feeding feeding = Feeding.of(survey);
        List<RigPage.Row> rows = new ArrayList<>();
        for (Supply supply : feeding.supplies()) {
            Set<String> dark = feeding.darkWithout(supply);
            Failure failure = Failure.of(scene, supply.name(), dark);
            List<Device> fed = feeding.fedBy(supply);
            String feeds = fed.isEmpty() ? "" : "Feeds " + Words.list(names(fed)) + ". ";
            rows.add(
                    RigPage.Row.of(
                            Words.sentence(supply.name()),
                            feeds + runsOn(fed, dark) + failure.words(),
                            survey.device(supply.id()).map(Device::id).orElse("")));
        }
        return rows;
    }
}
