package rivulus.chart;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import rivulus.check.Failure;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.check.SceneProof;
import rivulus.computer.ComputerReport;
import rivulus.gear.Catalogue;
import rivulus.leads.LeadReport;
import rivulus.leads.Survey;
import rivulus.power.BatteryLife;
import rivulus.power.Feeding;
import rivulus.power.Grounds;
import rivulus.power.HumPlan;
import rivulus.power.PortBudget;
import rivulus.power.Ring;
import rivulus.power.StripLoad;
import rivulus.power.Supply;
import rivulus.rig.RigEdit;
import rivulus.rule.ChargingRings;
import rivulus.rule.Clocks;
import rivulus.show.Device;
import rivulus.show.Ear;
import rivulus.show.Limit;
import rivulus.show.Names;
import rivulus.show.Owned;
import rivulus.show.Source;
import rivulus.signal.KnobUse;
import rivulus.timing.BufferAdvice;
import rivulus.timing.DelayBudget;
import rivulus.timing.DigitalPath;
import rivulus.timing.PictureSync;
import rivulus.timing.PictureWay;
import rivulus.timing.Rates;
import rivulus.words.Severity;
import rivulus.words.Words;

/// Draws up the pages of the rig's layers.
public final class RigPages {
    private final Proof proof;
    private final SceneProof scene;
    private final Survey survey;
    private final Catalogue catalogue;
    private final Optional<Ear> ear;
    private final Optional<Source> source;
    private final double wantedMs;

    /// Pages of a proven rig in a scene, for whoever is chosen.
    ///
    /// @param wantedMs how long a round trip may be where buffers are advised on
    public RigPages(
            Proof proof,
            SceneProof scene,
            Catalogue catalogue,
            Optional<Ear> ear,
            Optional<Source> source,
            double wantedMs) {
        this.wantedMs = wantedMs;
        this.proof = proof;
        this.scene = scene;
        this.survey = proof.survey();
        this.catalogue = catalogue;
        this.ear = ear;
        this.source = source;
    }

    /// The page of a layer.
    public RigPage of(RigLayer layer) {
        RigPage page =
                switch (layer) {
                    case LEADS -> leads();
                    case POWER -> power();
                    case EARTHS -> earths();
                    case TIME -> time();
                    case COMPUTERS -> computers();
                };
        return page.sections().isEmpty() ? nothing(layer) : page;
    }

    private static RigPage nothing(RigLayer layer) {
        RigPage.Row row =
                switch (layer) {
                    case LEADS ->
                            RigPage.Row.of(
                                    "No lead", "Choose a machine and join it to another.", "");
                    case POWER -> RigPage.Row.of("No supply", "Nothing here has to be fed.", "");
                    case EARTHS -> RigPage.Row.of("No earth", "Nothing here is earthed.", "");
                    case TIME ->
                            RigPage.Row.of(
                                    "Nobody is chosen",
                                    "Choose an ear or a source to see what its delay is made of.",
                                    "");
                    case COMPUTERS ->
                            RigPage.Row.of(
                                    "No computer", "Add one to see what has to be set on it.", "");
                };
        return new RigPage(List.of(new RigPage.Section(layer.title(), List.of(row))));
    }

    private static void add(List<RigPage.Section> sections, String title, List<RigPage.Row> rows) {
        if (!rows.isEmpty()) sections.add(new RigPage.Section(title, rows));
    }

    // Leads

    private RigPage leads() {
        Map<String, String> tags = RigDrawing.tags(survey);
        List<RigPage.Row> laid = new ArrayList<>();
        List<RigPage.Row> other = new ArrayList<>();
        survey.leads().stream()
                .sorted(Comparator.comparing(lead -> tags.get(lead.cable().id())))
                .forEach(
                        lead ->
                                (RigDrawing.isLaid(survey, lead) ? laid : other)
                                        .add(row(lead, tags.get(lead.cable().id()))));
        List<RigPage.Section> sections = new ArrayList<>();
        add(sections, "Leads to lay", laid);
        add(sections, "Networks and radio", other);
        add(sections, "In the cupboard", cupboard());
        return new RigPage(sections);
    }

    private RigPage.Row row(LeadReport lead, String tag) {
        List<String> words = new ArrayList<>();
        String metres =
                lead.cable().metres() == 0
                        ? ""
                        : ", " + Words.signed(lead.cable().metres(), 1) + Words.THIN + "m";
        words.add(lead.kindInWords() + metres + (lead.cable().toBuy() ? ", to buy" : ""));
        words.addAll(lead.facts().subList(1, lead.facts().size()));
        return new RigPage.Row(
                "%s  %s → %s".formatted(tag, lead.a().words(), lead.b().words()),
                String.join("; ", words),
                worst(proof.ofLead(lead.cable().id())),
                lead.a().device().id(),
                Optional.empty());
    }

    private static Optional<Severity> worst(List<Finding> findings) {
        return findings.stream().map(Finding::severity).findFirst();
    }

    private List<RigPage.Row> cupboard() {
        List<RigPage.Row> rows = new ArrayList<>();
        for (Owned owned : proof.show().rig().stock())
            rows.add(
                    RigPage.Row.of(
                            "%d × %s".formatted(owned.pieces(), what(owned)),
                            owned.metres() == 0
                                    ? ""
                                    : Words.signed(owned.metres(), 1) + Words.THIN + "m",
                            ""));
        return rows;
    }

    private String what(Owned owned) {
        return catalogue.find(owned.what()).map(t -> t.name()).orElse(owned.what());
    }

    // Power

    private RigPage power() {
        List<RigPage.Section> sections = new ArrayList<>();
        List<RigPage.Row> budgets = new ArrayList<>();
        for (PortBudget budget : PortBudget.all(survey))
            budgets.add(
                    new RigPage.Row(
                            budget.host().words(),
                            "%s, %d%smA to spare."
                                    .formatted(budget.words(), budget.marginMa(), Words.THIN),
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

    private List<RigPage.Row> failures() {
        Feeding feeding = Feeding.of(survey);
        List<RigPage.Row> rows = new ArrayList<>();
        for (Supply supply : feeding.supplies()) {
            Failure failure = Failure.of(scene, supply.name(), feeding.darkWithout(supply));
            List<Device> fed = feeding.fedBy(supply);
            String feeds = fed.isEmpty() ? "" : "Feeds " + Words.list(names(fed)) + ". ";
            rows.add(
                    RigPage.Row.of(
                            Words.sentence(supply.name()),
                            feeds + failure.words(),
                            survey.device(supply.id()).map(Device::id).orElse("")));
        }
        return rows;
    }

    // Earths

    private RigPage earths() {
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
            if (finding.rule().equals(ChargingRings.ID))
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
        Optional<RigEdit> edit =
                plan.steps().isEmpty()
                        ? Optional.empty()
                        : Optional.of(
                                RigEdit.of("End the rings of grounds", proof.show(), plan.after()));
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

    // Time

    private RigPage time() {
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
            if (finding.rule().equals(Clocks.ID))
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

    // Computers

    private RigPage computers() {
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
