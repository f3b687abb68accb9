package rivulus.file;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import rivulus.disk.Entry;
import rivulus.disk.FileTrouble;
import rivulus.gear.Amplifies;
import rivulus.gear.Delay;
import rivulus.gear.Governor;
import rivulus.gear.Knob;
import rivulus.gear.Setting;

/// Reads the knobs of a template, and how they govern its routes.
final class KnobReader {
    private KnobReader() {}

    static Knob read(Entry item) throws FileTrouble {
        String id = item.text("id");
        String label = item.text("label");
        Optional<Entry> said = item.maybe("role");
        Knob.Role role =
                said.isPresent() ? said.get().word("role", Knob.Role.class) : Knob.Role.NONE;
        Entry kind = item.field("kind");
        return switch (kind.text()) {
            case "level" ->
                    new Knob.Level(
                            id,
                            label,
                            role,
                            item.whole("effort", 1, 9, 1),
                            item.number("minDb", -120, 60, -60),
                            item.number("maxDb", -120, 60, 10),
                            item.number("stepDb", 0.01, 60, 0.5),
                            item.truth("closes", true),
                            "dB",
                            amplifies(item.maybe("amplifies")),
                            levelOf(item.maybe("standing")));
            case "switch" ->
                    new Knob.Switch(
                            id,
                            label,
                            role,
                            item.whole("effort", 1, 9, 1),
                            new Setting.Switch(item.truth("standing", false)));
            case "time" ->
                    new Knob.Time(
                            id,
                            label,
                            role,
                            item.whole("effort", 1, 9, 1),
                            item.number("minMs", 0, Delay.LONGEST_MS, 0),
                            item.number("maxMs", 0, Delay.LONGEST_MS, 500),
                            item.number("stepMs", 0.01, 1000, 1),
                            new Setting.Time(item.number("standing", 0, Delay.LONGEST_MS, 0)));
            case "choice" -> {
                List<Knob.Option> options = options(item);
                yield new Knob.Choice(
                        id,
                        label,
                        role,
                        item.whole("effort", 1, 9, 2),
                        options,
                        new Setting.Choice(item.text("standing", options.getFirst().id())));
            }
            default ->
                    throw kind.unknown(
                            "kind of knob",
                            kind.text(),
                            List.of("level", "switch", "time", "choice"));
        };
    }

    private static Optional<Amplifies> amplifies(Optional<Entry> said) throws FileTrouble {
        if (said.isEmpty()) return Optional.empty();
        Entry gain = said.get();
        double from = gain.number("fromDb", -40, 80, 0);
        double to = gain.field("toDb").number(-40, 100);
        if (to <= from)
            throw gain.trouble("the top of %s dB should lie over the bottom of %s dB", to, from);
        Optional<Entry> marks = gain.maybe("marks");
        Amplifies read =
                new Amplifies(
                        from,
                        to,
                        marks.isPresent()
                                ? marks.get().word("marking", Amplifies.Marks.class)
                                : Amplifies.Marks.DB);
        gain.nothingElse();
        return Optional.of(read);
    }

    private static Setting levelOf(Optional<Entry> standing) throws FileTrouble {
        if (standing.isEmpty()) return new Setting.Level(0);
        return SettingReader.level(standing.get());
    }

    private static List<Knob.Option> options(Entry item) throws FileTrouble {
        List<Knob.Option> options = new ArrayList<>();
        for (var option : item.field("options").each().entrySet()) {
            options.add(new Knob.Option(option.getKey(), option.getValue().text()));
        }
        if (options.size() < 2)
            throw item.field("options").trouble("a choice needs at least two options");
        return options;
    }

    /// What governs a route or a picker; the ids of those knobs are noted.
    static List<Governor> governors(Entry item, Map<String, Knob> knobs, Set<String> governing)
            throws FileTrouble {
        List<Governor> governors = new ArrayList<>();
        for (Entry entry : item.items("knobs")) {
            Entry name = entry.isText() ? entry : entry.field("knob");
            Knob knob = knobs.get(name.text());
            if (knob == null) throw name.unknown("knob", name.text(), knobs.keySet());
            governing.add(knob.id());
            governors.add(entry.isText() ? plain(entry, knob) : governor(entry, knob));
        }
        return governors;
    }

    private static Governor plain(Entry entry, Knob knob) throws FileTrouble {
        if (isPlain(knob)) return Governor.plain(knob.id());
        throw entry.trouble(
                "say when \"%s\" opens this route: {\"knob\": …, \"open\": […]}", knob.id());
    }

    private static Governor governor(Entry entry, Knob knob) throws FileTrouble {
        if (isPlain(knob)) {
            entry.nothingElse();
            return Governor.plain(knob.id());
        }
        List<String> words =
                knob instanceof Knob.Choice choice
                        ? choice.options().stream().map(Knob.Option::id).toList()
                        : List.of("on", "off");
        Map<String, Double> effects = new HashMap<>();
        Optional<Entry> gains = entry.maybe("gainDb");
        Optional<Entry> open = entry.maybe("open");
        Map<String, Double> delays = new HashMap<>();
        Optional<Entry> late = entry.maybe("delayMs");
        boolean oneOfThem = gains.isPresent() != open.isPresent();
        if (!oneOfThem && (gains.isPresent() || late.isEmpty()))
            throw entry.trouble("either \"open\" or \"gainDb\" should stand here, or \"delayMs\"");
        if (open.isPresent()) {
            if (open.get().items().isEmpty())
                throw open.get().trouble("name at least one setting that opens it");
            for (Entry word : open.get().items()) effects.put(word.oneOf("setting", words), 0.0);
        }
        if (gains.isPresent()) perWord(gains.get(), words, -120, 40, effects);
        if (late.isPresent()) perWord(late.get(), words, 0, Delay.LONGEST_MS, delays);
        Set<String> whileUsed = new HashSet<>();
        for (Entry port : entry.items("whileUsed")) whileUsed.add(port.text());
        entry.nothingElse();
        double otherwise = open.isPresent() ? Double.NEGATIVE_INFINITY : 0;
        return new Governor(knob.id(), effects, otherwise, delays, whileUsed);
    }

    private static boolean isPlain(Knob knob) {
        return knob instanceof Knob.Level || knob instanceof Knob.Time;
    }

    private static void perWord(
            Entry figures, List<String> words, double least, double most, Map<String, Double> into)
            throws FileTrouble {
        for (var figure : figures.each().entrySet()) {
            if (!words.contains(figure.getKey()))
                throw figure.getValue().unknown("setting", figure.getKey(), words);
            Entry gain = figure.getValue();
            boolean off = least < 0 && gain.isText() && gain.text().equals("off");
            into.put(figure.getKey(), off ? Double.NEGATIVE_INFINITY : gain.number(least, most));
        }
    }
}
