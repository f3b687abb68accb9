package rivulus.chart;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import rivulus.computer.ComputerReport;
import rivulus.words.Severity;
import rivulus.words.Words;

/// What a person sets on each computer, and why.
final class ComputersPage extends LayerPage {
    ComputersPage(RigPages.Asked asked) {
        super(asked);
    }

    @Override
    RigPage page() {
        List<RigPage.Section> sections = new ArrayList<>();
        for (ComputerReport report : ComputerReport.all(scene, survey)) {
            List<RigPage.Row> rows = new ArrayList<>();
            String id = report.computer().id();
            for (String said : report.onAir()) rows.add(RigPage.Row.of("On air", said, id));
            for (String said : report.twice())
                rows.add(
                        new RigPage.Row(
                                "Twice",
                                said,
                                Optional.of(Severity.CAUTION),
                                id,
                                Optional.empty()));
            int step = 1;
            for (ComputerReport.Line line : report.lines())
                rows.add(
                        RigPage.Row.of(
                                "%d  %s".formatted(step++, line.where()),
                                "%s: %s%s"
                                        .formatted(
                                                Words.sentence(line.knob().knob().label()),
                                                line.setTo(),
                                                line.why().isEmpty() ? "" : ", " + line.why()),
                                line.knob().ref().device()));
            rows.add(RigPage.Row.of("When it is off", report.without(), id));
            for (String said : report.undone()) rows.add(RigPage.Row.of("Look again", said, id));
            add(sections, report.computer().name(), rows);
        }
        return new RigPage(sections);
    }
}
