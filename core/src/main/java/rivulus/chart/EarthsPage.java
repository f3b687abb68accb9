package rivulus.chart;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import rivulus.check.Finding;
import rivulus.edit.Edit;
import rivulus.power.Grounds;
import rivulus.power.HumPlan;
import rivulus.power.Ring;
import rivulus.rule.ChargingRings;
import rivulus.rule.Rules;
import rivulus.show.Device;
import rivulus.words.Words;

/// Rings of grounds, the least that ends them, and what charging does.
final class EarthsPage extends LayerPage {
    EarthsPage(RigPages.Asked asked) {
        super(asked);
    }

    @Override
    RigPage page() {
        List<RigPage.Section> sections = new ArrayList<>();
        List<Ring> rings = Grounds.rings(survey);
        List<RigPage.Row> rows = new ArrayList<>();
        for (int r = 0; r < rings.size(); r++) {
            Ring ring = rings.get(r);
            rows.add(
                    new RigPage.Row(
                            "Ring %s  %s → %s"
                                    .formatted(
                                            RigDrawing.letter(r),
                                            ring.lead().a().words(),
                                            ring.lead().b().words()),
                            "%s; round by %s; about %s under the signal."
                                    .formatted(
                                            Words.sentence(ring.hum().grade().words()),
                                            ring.words(),
                                            Words.db(ring.hum().belowDb())),
                            worst(proof.ofLead(ring.lead().cable().id())),
                            ring.lead().a().device().id(),
                            Optional.empty()));
        }
        if (rows.isEmpty())
            rows.add(
                    RigPage.Row.of(
                            "No ring", "No ring of grounds goes through an audio lead.", ""));
        add(sections, "Rings of grounds", rows);
        add(sections, "The least that ends them", plan());
        List<RigPage.Row> states = new ArrayList<>();
        for (Finding finding : proof.ofTheRig())
            if (Rules.of(finding) instanceof ChargingRings)
                states.add(
                        new RigPage.Row(
                                survey.device(finding.gear().getFirst())
                                        .map(Device::name)
                                        .orElse(""),
                                finding.sentence(),
                                Optional.of(finding.severity()),
                                finding.gear().getFirst(),
                                Optional.empty()));
        add(sections, "Charging or not", states);
        add(
                sections,
                "The safety earth",
                List.of(
                        RigPage.Row.of(
                                "Never lifted",
                                "It is there so that a fault blows the fuse and not a person; no plan here takes it"
                                        + " off. Part the grounds of the signal instead. For the wiring of the"
                                        + " building ask a licensed electrician, by the local code.",
                                "")));
        return new RigPage(sections);
    }

    private List<RigPage.Row> plan() {
        HumPlan plan = HumPlan.of(proof.show(), catalogue, survey.kinds());
        if (!plan.isNeeded()) return List.of();
        List<RigPage.Row> rows = new ArrayList<>();
        Optional<Edit> edit =
                plan.steps().isEmpty()
                        ? Optional.empty()
                        : Optional.of(
                                Edit.of("End the rings of grounds", proof.show(), plan.after()));
        rows.add(
                new RigPage.Row(
                        plan.left() == 0 ? "All rings end" : "Not all rings end",
                        plan.words(),
                        Optional.empty(),
                        "",
                        edit));
        for (String step : plan.steps()) rows.add(RigPage.Row.of("Step", step, ""));
        return rows;
    }
}
