package rivulus.sheet;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import rivulus.check.Proof;
import rivulus.check.SceneProof;
import rivulus.computer.ComputerReport;
import rivulus.leads.Survey;
import rivulus.show.Device;
import rivulus.show.Ref;
import rivulus.signal.KnobUse;
import rivulus.words.Words;

/// What a person sets on each computer, in the order of clicks, with why.
final class ComputerSheets {
    private final Proof proof;
    private final Survey survey;

    ComputerSheets(Proof proof, Survey survey) {
        this.proof = proof;
        this.survey = survey;
    }

    /// One chapter for each computer.
    List<Sheet.Chapter> chapters() {
        List<Sheet.Chapter> chapters = new ArrayList<>();
        for (ComputerReport report : ComputerReport.all(proof.fullest(), survey))
            chapters.add(
                    new Sheet.Chapter(
                            "Settings of " + report.computer().name(), List.of(table(report))));
        return chapters;
    }

    private Part.Table table(ComputerReport report) {
        List<List<String>> rows = new ArrayList<>();
        for (ComputerReport.Line line : report.lines())
            rows.add(
                    List.of(
                            String.valueOf(rows.size() + 1),
                            line.where(),
                            line.knob().knob().label(),
                            line.setTo(),
                            line.why()));
        List<String> notes = new ArrayList<>(report.onAir());
        notes.addAll(report.twice());
        notes.add(report.without());
        notes.addAll(report.undone());
        notes.addAll(turned(report.computer()));
        if (proof.scenes().size() > 1)
            notes.add("Told for %s, when most is heard.".formatted(proof.fullest().scene().name()));
        return new Part.Table(
                "", List.of("step", "where", "setting", "set to", "why"), rows, notes);
    }

    /// What of it is turned in single scenes.
    private List<String> turned(Device computer) {
        List<String> notes = new ArrayList<>();
        for (SceneProof scene : proof.scenes()) {
            List<String> turns = new ArrayList<>();
            scene.scene()
                    .knobs()
                    .forEach(
                            (ref, setting) ->
                                    use(scene, ref, computer)
                                            .ifPresent(
                                                    use ->
                                                            turns.add(
                                                                    "%s to %s"
                                                                            .formatted(
                                                                                    use.words(),
                                                                                    use.say(
                                                                                            setting)))));
            if (!turns.isEmpty())
                notes.add("In %s: set %s.".formatted(scene.scene().name(), Words.list(turns)));
        }
        return notes;
    }

    private Optional<KnobUse> use(SceneProof scene, Ref ref, Device computer) {
        boolean here =
                ref.device().equals(computer.id())
                        || survey.device(ref.device())
                                .filter(d -> d.on().equals(computer.id()))
                                .isPresent();
        return here ? scene.tracer().live().graph().knob(ref) : Optional.empty();
    }
}
