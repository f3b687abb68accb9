package rivulus.chart;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import rivulus.check.Finding;
import rivulus.rule.Clocks;
import rivulus.rule.Rules;
import rivulus.show.Device;
import rivulus.show.Ear;
import rivulus.show.Limit;
import rivulus.show.Names;
import rivulus.show.Source;
import rivulus.signal.KnobUse;
import rivulus.timing.BufferAdvice;
import rivulus.timing.DelayBudget;
import rivulus.timing.DigitalPath;
import rivulus.timing.PictureSync;
import rivulus.timing.PictureWay;
import rivulus.timing.Rates;
import rivulus.words.Words;

/// What delays are made of, buffers, pictures and clocks.
final class TimePage extends LayerPage {
    TimePage(RigPages.Asked asked) {
        super(asked);
    }

    @Override
    RigPage page() {
        List<RigPage.Section> sections = new ArrayList<>();
        List<RigPage.Row> budgets = new ArrayList<>();
        if (source.isPresent()) {
            for (Ear listener : proof.show().ears())
                budget(listener, source.get(), listener.name()).ifPresent(budgets::add);
            add(sections, "How late " + Names.of(source.get()) + " is", budgets);
        } else if (ear.isPresent()) {
            for (Source heard : proof.show().sources())
                budget(ear.get(), heard, heard.name()).ifPresent(budgets::add);
            add(sections, "How late it all is for " + Names.of(ear.get()), budgets);
        }
        add(sections, "Buffers", buffers());
        add(sections, "Sound against picture", pictures());
        add(sections, "Clocks", clocks());
        return new RigPage(sections);
    }

    private Optional<RigPage.Row> budget(Ear listener, Source heard, String head) {
        double level = scene.of(listener.id(), heard.id()).hearing().levelDb();
        if (level < scene.limit(Limit.HEARD)) return Optional.empty();
        return DelayBudget.of(scene, listener.id(), heard.id())
                .map(budget -> RigPage.Row.of(head, budget.words() + ".", ""));
    }

    private List<RigPage.Row> buffers() {
        List<RigPage.Row> rows = new ArrayList<>();
        for (KnobUse use : scene.tracer().live().graph().knobs()) {
            if (use.knob().role() != BufferAdvice.ROLE) continue;
            int rate = survey.device(use.ref().device()).map(d -> Rates.of(survey, d)).orElse(0);
            for (Ear listener : proof.show().ears())
                BufferAdvice.of(scene, use, listener, rate == 0 ? 48_000 : rate, wantedMs)
                        .ifPresent(advice -> rows.add(row(advice, listener)));
        }
        return rows;
    }

    private static RigPage.Row row(BufferAdvice advice, Ear listener) {
        List<String> sizes = new ArrayList<>();
        for (BufferAdvice.Row row : advice.rows())
            sizes.add(
                    "%d: %s%s"
                            .formatted(
                                    row.frames(),
                                    Words.ms(row.roundTripMs()),
                                    row.stands() ? " (as it stands)" : ""));
        return RigPage.Row.of(
                "%s, for %s".formatted(advice.knob().words(), Names.of(listener)),
                "%s Round trips at %s: %s."
                        .formatted(
                                advice.words(),
                                Rates.words(advice.rateHz()),
                                String.join(", ", sizes)),
                advice.knob().ref().device());
    }

    private List<RigPage.Row> pictures() {
        List<RigPage.Row> rows = new ArrayList<>();
        for (PictureWay way : PictureWay.all(survey))
            rows.add(
                    RigPage.Row.of(
                            way.source().name(),
                            "Picture by %s: %s (%s to %s%sms)."
                                    .formatted(
                                            String.join(" → ", way.stations()),
                                            Words.ms(way.delay().ms()),
                                            Words.signed(way.delay().minMs(), 0),
                                            Words.signed(way.delay().maxMs(), 0),
                                            Words.THIN),
                            way.source().id()));
        for (PictureSync sync : PictureSync.all(scene, survey))
            rows.add(
                    new RigPage.Row(
                            Names.subject(sync.ear()),
                            sync.words() + verdict(sync),
                            sync.severity(),
                            sync.picture().program().id(),
                            Optional.empty()));
        return rows;
    }

    private String verdict(PictureSync sync) {
        return sync.severity().isEmpty()
                ? ": within the %s early and %s late of EBU R 37."
                        .formatted(
                                Words.ms(scene.limit(Limit.CHAIN_EARLY)),
                                Words.ms(scene.limit(Limit.CHAIN_LATE)))
                : ": ITU-R BT.1359 lets it be %s early or %s late before it is noticed."
                        .formatted(
                                Words.ms(scene.limit(Limit.PICTURE_EARLY)),
                                Words.ms(scene.limit(Limit.PICTURE_LATE)));
    }

    private List<RigPage.Row> clocks() {
        List<RigPage.Row> rows = new ArrayList<>();
        for (Finding finding : proof.ofTheRig())
            if (Rules.of(finding) instanceof Clocks)
                rows.add(
                        new RigPage.Row(
                                "Clock",
                                finding.sentence(),
                                Optional.of(finding.severity()),
                                finding.gear().getFirst(),
                                Optional.empty()));
        for (DigitalPath path : DigitalPath.all(survey))
            rows.add(
                    RigPage.Row.of(
                            path.from().words() + " → " + path.to().words(),
                            path.words() + ".",
                            path.from().device().id()));
        for (Device device : survey.devices()) {
            int rate = Rates.of(survey, device);
            if (rate > 0 && !survey.template(device).clock().rateKnob().isEmpty())
                rows.add(
                        RigPage.Row.of(device.name(), "runs at " + Rates.words(rate), device.id()));
        }
        return rows;
    }
}
