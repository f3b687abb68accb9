package rivulus.sheet;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import rivulus.chart.Lit;
import rivulus.chart.RigDrawing;
import rivulus.chart.RigLayer;
import rivulus.chart.RigPage;
import rivulus.chart.RigPages;
import rivulus.check.Proof;
import rivulus.gear.Catalogue;
import rivulus.gear.Power;
import rivulus.leads.Survey;
import rivulus.say.Unlooked;
import rivulus.show.Device;
import rivulus.show.Limit;
import rivulus.words.Words;

/// Draws up the sheets of a proven rig.
public final class Sheets {
    /// How wide a drawing is made, in points: the width of a page.
    private static final double WIDTH = 760;

    /// The kinds of sheet there are.
    public enum Kind {
        RIG("The whole rig"),
        DRAWING("Drawing"),
        LEADS("Lead list"),
        CHANNELS("The desks laid out"),
        LABELS("Labels"),
        SHOPPING("Shopping list"),
        PACKING("Packing list"),
        COMPUTERS("Settings of every computer"),
        LEVELS("Levels, recording and stream"),
        POWER("Power and earths"),
        SETUP("Set-up"),
        LOG("Log");

        private final String title;

        Kind(String title) {
            this.title = title;
        }

        /// What stands over it.
        public String title() {
            return title;
        }

        /// As commands name it: `leads`.
        public String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    private final Proof proof;
    private final Survey survey;
    private final Catalogue catalogue;
    private final LeadSheets leads;
    private final ChannelSheets channels;
    private final ComputerSheets computers;

    /// Sheets of a show whose templates are in the catalogue.
    public Sheets(Proof proof, Catalogue catalogue) {
        this.proof = proof;
        this.survey = proof.survey();
        this.catalogue = proof.show().kinds(catalogue);
        leads = new LeadSheets(proof);
        channels = new ChannelSheets(proof, this.catalogue);
        computers = new ComputerSheets(proof, survey);
    }

    /// The sheet of that kind.
    public Sheet of(Kind kind) {
        String title = proof.show().title() + ": " + kind.title();
        return switch (kind) {
            case RIG -> new Sheet(title, whole());
            case DRAWING -> Sheet.of(title, drawing(RigLayer.LEADS));
            case LEADS -> Sheet.of(title, leads.list());
            case SETUP -> Sheet.of(title, new DaySheets(proof).setUp().toArray(Part[]::new));
            case LOG -> Sheet.of(title, new DaySheets(proof).log().toArray(Part[]::new));
            case CHANNELS -> Sheet.of(title, channels.tables().toArray(Part[]::new));
            case LABELS -> Sheet.of(title, leads.labels());
            case SHOPPING -> Sheet.of(title, leads.shopping());
            case PACKING -> Sheet.of(title, leads.packing());
            case COMPUTERS -> new Sheet(title, settings());
            case LEVELS -> Sheet.of(title, new LevelSheets(proof).tables().toArray(Part[]::new));
            case POWER -> Sheet.of(title, power().toArray(Part[]::new));
        };
    }

    private List<Sheet.Chapter> whole() {
        List<Sheet.Chapter> chapters = new ArrayList<>();
        chapters.add(new Sheet.Chapter("Drawing", List.of(drawing(RigLayer.LEADS))));
        List<String> unlooked =
                Unlooked.of(proof.show(), catalogue).stream().map(Unlooked::name).toList();
        if (!unlooked.isEmpty())
            chapters.add(
                    new Sheet.Chapter(
                            "Not looked at",
                            List.of(
                                    note(
                                            "Nothing is proven for %s."
                                                    .formatted(Words.list(unlooked))))));
        chapters.add(new Sheet.Chapter("Lead list", List.of(leads.list())));
        chapters.add(new Sheet.Chapter("The desks laid out", channels.tables()));
        chapters.addAll(computers.chapters());
        chapters.add(
                new Sheet.Chapter("Levels, recording and stream", new LevelSheets(proof).tables()));
        chapters.add(new Sheet.Chapter("Power and earths", power()));
        chapters.add(new Sheet.Chapter("Shopping list", List.of(leads.shopping())));
        chapters.add(new Sheet.Chapter("Packing list", List.of(leads.packing())));
        chapters.add(new Sheet.Chapter("Labels", List.of(leads.labels())));
        return chapters;
    }

    private List<Sheet.Chapter> settings() {
        List<Sheet.Chapter> chapters = computers.chapters();
        return chapters.isEmpty()
                ? List.of(new Sheet.Chapter("", List.of(note("No computer is in this rig."))))
                : chapters;
    }

    private static Part.Table note(String words) {
        return new Part.Table("", List.of(), List.of(), List.of(words));
    }

    private Part.Drawing drawing(RigLayer layer) {
        String about =
                switch (layer) {
                    case EARTHS ->
                            "Heavy lines join grounds; a letter names the lead that closes a ring."
                                    + " Filled triangle: danger; filled diamond: problem; open"
                                    + " diamond: caution.";
                    default ->
                            "Numbers are those of the lead list. Filled triangle: danger; filled"
                                    + " diamond: problem; open diamond: caution.";
                };
        return new Part.Drawing(RigDrawing.of(proof, Lit.NOTHING, layer, WIDTH), about);
    }

    /// What every machine runs on, budgets, batteries, who goes dark; then rings of grounds.
    private List<Part> power() {
        List<Part> parts = new ArrayList<>();
        parts.add(machines());
        RigPages pages =
                new RigPages(
                        proof,
                        proof.scenes().getFirst(),
                        catalogue,
                        Optional.empty(),
                        Optional.empty(),
                        proof.show().checks().limits().get(Limit.OWN_VOICE));
        for (RigLayer layer : List.of(RigLayer.POWER, RigLayer.EARTHS)) {
            if (layer == RigLayer.EARTHS && !survey.devices().isEmpty()) parts.add(drawing(layer));
            for (RigPage.Section section : pages.of(layer).sections()) parts.add(table(section));
        }
        return parts;
    }

    private static Part.Table table(RigPage.Section section) {
        List<List<String>> rows = new ArrayList<>();
        for (RigPage.Row row : section.rows())
            rows.add(
                    List.of(
                            row.head(),
                            row.severity().map(s -> Words.sentence(s.word()) + ": ").orElse("")
                                    + row.text()));
        return new Part.Table(section.title(), List.of("what", "how it stands"), rows, List.of());
    }

    private Part.Table machines() {
        List<List<String>> rows = new ArrayList<>();
        double watts = 0;
        for (Device device : survey.devices()) {
            Power power = survey.template(device).power();
            Power.Source from = survey.runsOn(device);
            if (from == Power.Source.NONE) continue;
            boolean mains = from == Power.Source.MAINS;
            if (mains) watts += power.watts();
            rows.add(
                    List.of(
                            device.name(),
                            from.word(),
                            power.watts() == 0 ? "" : Words.signed(power.watts(), 1),
                            power.batteryWh() == 0 ? "" : Words.signed(power.batteryWh(), 0),
                            mains && power.earthed() ? "yes" : ""));
        }
        return new Part.Table(
                "",
                List.of("machine", "runs from", "watts", "battery Wh", "earthed"),
                rows,
                List.of("From the mains: %s W in all.".formatted(Words.signed(watts, 0))));
    }
}
