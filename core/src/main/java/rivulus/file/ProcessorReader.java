package rivulus.file;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SequencedMap;
import java.util.Set;
import java.util.TreeSet;
import rivulus.disk.Entry;
import rivulus.disk.FileTrouble;
import rivulus.gear.Chain;
import rivulus.gear.Knob;
import rivulus.gear.Processor;
import rivulus.gear.Processor.Figure;
import rivulus.gear.Processor.Kind;
import rivulus.gear.Processor.Part;
import rivulus.gear.Processor.Unit;
import rivulus.gear.Processor.Usual;
import rivulus.gear.Setting;

/// Reads the processors of a template, with the knobs that they bring along, and where they stand.
final class ProcessorReader {
    private static final double[] RATIOS = {1.5, 2, 3, 4, 6, 10};
    private static final double[] FREQUENCIES = {60, 80, 100, 120, 150};

    /// To turn one of its figures, or to put it elsewhere, is less than to do without it.
    private static final int OFF_EFFORT = 2;

    private static final double BOTTOM_DBFS = -80;

    private final Map<String, Processor> processors = new LinkedHashMap<>();
    private final Set<String> standing = new HashSet<>();
    private final Map<String, Knob> knobs;
    private final Set<String> governing;

    /// @param knobs their knobs are added to it
    /// @param governing the ids of those knobs are added to it
    ProcessorReader(Map<String, Knob> knobs, Set<String> governing) {
        this.knobs = knobs;
        this.governing = governing;
    }

    void read(List<Entry> items) throws FileTrouble {
        Set<String> seen = new HashSet<>();
        for (Entry item : items) {
            TemplateReader.once(seen, item, "processor");
            Processor processor = processor(item);
            processors.put(processor.id(), processor);
            item.nothingElse();
        }
    }

    private Processor processor(Entry item) throws FileTrouble {
        String id = item.text("id");
        String label = item.text("label");
        Kind kind = item.field("kind").word("kind of processor", Kind.class);
        Optional<Entry> said = item.maybe("unit");
        Unit unit =
                said.isEmpty()
                        ? Unit.DBFS
                        : said.get().word(Map.of("dBFS", Unit.DBFS, "dBu", Unit.DBU));
        add(
                item,
                new Knob.Switch(
                        id,
                        label,
                        Knob.Role.NONE,
                        OFF_EFFORT,
                        new Setting.Switch(item.truth("standing", false))));
        Map<Part, Figure> figures = new EnumMap<>(Part.class);
        for (Usual usual : kind.parts())
            figures.put(usual.part(), figure(item, label, unit, usual));
        return new Processor(id, label, kind, unit, figures);
    }

    private void add(Entry item, Knob knob) throws FileTrouble {
        if (knobs.put(knob.id(), knob) != null)
            throw item.field("id")
                    .trouble("there are two knobs \"%s\"; an id may be used once", knob.id());
        governing.add(knob.id());
    }

    private Figure figure(Entry item, String label, Unit unit, Usual usual) throws FileTrouble {
        Part part = usual.part();
        double more = part.isLevel() ? unit.lineUp() - Unit.DBFS.lineUp() : 0;
        double figure = usual.figure() + more;
        boolean turned = usual.turned();
        Optional<Entry> said = item.maybe(part.field());
        if (said.isPresent()) {
            Entry value = said.get();
            double least = part.least() + more;
            double most = part.most() + more;
            if (value.isObject()) {
                turned = value.maybe("turned").isPresent();
                figure = value.field(turned ? "turned" : "fixed").number(least, most);
                value.nothingElse();
            } else figure = value.number(least, most);
        }
        if (!turned) return new Figure(figure, "");
        Knob knob = knob(item.text("id") + "." + part.word(), label, part, unit, figure);
        add(item, knob);
        return new Figure(figure, knob.id());
    }

    private static Knob knob(String id, String label, Part part, Unit unit, double figure) {
        String words = label + " " + part.words();
        return switch (part) {
            case RATIO -> choice(id, words, RATIOS, part.unit(), figure);
            case FREQUENCY -> choice(id, words, FREQUENCIES, part.unit(), figure);
            case ATTACK, HOLD, RELEASE, LOOK_AHEAD ->
                    new Knob.Time(
                            id,
                            words,
                            Knob.Role.NONE,
                            1,
                            part.least(),
                            part.most(),
                            part.most() > 100 ? 1 : 0.1,
                            new Setting.Time(figure));
            case THRESHOLD, CEILING, TARGET ->
                    level(
                            id,
                            words,
                            unit.lineUp() - Unit.DBFS.lineUp() + BOTTOM_DBFS,
                            unit.lineUp() - Unit.DBFS.lineUp(),
                            unit.word(),
                            figure);
            case MAKE_UP, RANGE, KNEE ->
                    level(id, words, part.least(), part.most(), part.unit(), figure);
        };
    }

    private static Knob level(
            String id, String label, double least, double most, String unit, double figure) {
        return new Knob.Level(
                id,
                label,
                Knob.Role.NONE,
                1,
                least,
                most,
                0.5,
                false,
                unit,
                Optional.empty(),
                new Setting.Level(figure));
    }

    private static Knob choice(
            String id, String label, double[] usual, String unit, double figure) {
        Set<Double> figures = new TreeSet<>();
        for (double one : usual) figures.add(one);
        figures.add(figure);
        List<Knob.Option> options = new ArrayList<>();
        for (double one : figures) options.add(new Knob.Option(word(one), word(one) + " " + unit));
        return new Knob.Choice(
                id, label, Knob.Role.NONE, 1, options, new Setting.Choice(word(figure)));
    }

    private static String word(double figure) {
        return figure == Math.rint(figure) ? String.valueOf((long) figure) : String.valueOf(figure);
    }

    /// What stands on a route: a list of processors, or several orders of the same with the choice
    /// that picks one.
    Chain chain(Entry route) throws FileTrouble {
        Optional<Entry> through = route.maybe("through");
        if (through.isEmpty()) return Chain.NONE;
        if (!through.get().isObject()) return Chain.of(row(through.get()));
        Entry name = through.get().field("knob");
        if (!(knobs.get(name.text()) instanceof Knob.Choice knob))
            throw name.unknown("choice", name.text(), knobs.keySet());
        governing.add(knob.id());
        SequencedMap<String, List<Processor>> orders = new LinkedHashMap<>();
        Entry said = through.get().field("orders");
        for (Knob.Option option : knob.options())
            orders.put(option.id(), row(said.field(option.id())));
        said.nothingElse();
        through.get().nothingElse();
        Set<Processor> first = new HashSet<>(orders.firstEntry().getValue());
        for (List<Processor> order : orders.values())
            if (!first.equals(new HashSet<>(order)))
                throw said.trouble("every order should be of the same processors");
        return new Chain(knob.id(), orders);
    }

    private List<Processor> row(Entry names) throws FileTrouble {
        Set<Processor> row = new LinkedHashSet<>();
        for (Entry name : names.items()) {
            Processor processor = processors.get(name.text());
            if (processor == null)
                throw name.unknown("processor", name.text(), processors.keySet());
            if (!row.add(processor)) throw name.trouble("\"%s\" stands here twice", processor.id());
            standing.add(processor.id());
        }
        if (row.isEmpty()) throw names.trouble("name at least one processor");
        return List.copyOf(row);
    }

    /// What is nowhere is a mistake.
    void allStand(List<Entry> items) throws FileTrouble {
        for (Entry item : items)
            if (!standing.contains(item.text("id")))
                throw item.trouble(
                        "\"%s\" stands on no route; name it in a route's \"through\"",
                        item.text("id"));
    }
}
