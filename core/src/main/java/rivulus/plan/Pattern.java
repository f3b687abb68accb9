package rivulus.plan;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import rivulus.disk.Entry;
import rivulus.disk.FileTrouble;
import rivulus.disk.Json;
import rivulus.file.Templates;
import rivulus.show.Habit;

/// A way to build a show: which machines there are, the first of them the hub, and how each part of
/// a brief is served, as lines. One without machines keeps what is there. Patterns are data:
/// docs/plan-pattern.md tells them.
///
/// @param good what it is good at, as a clause
/// @param costs what it costs, as a clause
/// @param hub by which school the mix is made, of [Habit#HUB]; empty where the pattern has no view
/// @param gear by a word that lines may use in braces: the kinds that will do, the best first
public record Pattern(
        String id,
        String name,
        String good,
        String costs,
        Optional<String> hub,
        Map<String, List<String>> gear,
        List<Machine> machines,
        List<Step> steps) {
    private static final String FOLDER = "/rivulus/plans/";

    /// Every pattern that ships, the commonest first.
    public static final List<Pattern> ALL = all();

    public Pattern {
        gear = Map.copyOf(gear);
        machines = List.copyOf(machines);
        steps = List.copyOf(steps);
    }

    /// Whether it only makes right what is there.
    public boolean isOfWhatIsThere() {
        return machines.isEmpty();
    }

    /// A machine of the plan.
    ///
    /// @param as by what word lines mean it in braces
    /// @param kinds the templates that will do, the best first
    /// @param called its name where it is new
    /// @param when it is there if any of these parts is; empty for always
    /// @param runs the programs that run on it
    public record Machine(
            String as, List<String> kinds, String called, List<Part> when, List<Runs> runs) {
        public Machine {
            kinds = List.copyOf(kinds);
            when = List.copyOf(when);
            runs = List.copyOf(runs);
        }
    }

    /// A program that runs on a machine.
    ///
    /// @param when it is there if any of these parts is; empty for always
    public record Runs(String program, List<Part> when) {
        public Runs {
            when = List.copyOf(when);
        }
    }

    /// How some part of the brief is served.
    ///
    /// @param each for everybody in this part, `{name}` in the lines being theirs; or null for once
    /// @param when it is done if any of these parts is there; empty for always
    public record Step(Part each, List<Part> when, List<String> lines) {
        public Step {
            when = List.copyOf(when);
            lines = List.copyOf(lines);
        }
    }

    private static List<Pattern> all() {
        try {
            List<Pattern> all = new ArrayList<>();
            for (String file : Templates.resource(FOLDER + "index.txt").lines().toList())
                all.add(parse(Templates.resource(FOLDER + file), file));
            return List.copyOf(all);
        } catch (FileTrouble broken) {
            throw new IllegalStateException(
                    "the program is damaged: " + broken.getMessage(), broken);
        }
    }

    /// Reads a pattern.
    ///
    /// @throws FileTrouble where something in it cannot be
    public static Pattern parse(String text, String file) throws FileTrouble {
        Entry root = Entry.root(file, Json.parse(text, file));
        Map<String, List<String>> gear = new LinkedHashMap<>();
        var words = root.maybe("gear");
        if (words.isPresent())
            for (var word : words.get().each().entrySet())
                gear.put(word.getKey(), texts(word.getValue()));
        List<Machine> machines = new ArrayList<>();
        for (Entry machine : root.items("machines")) machines.add(machine(machine));
        List<Step> steps = new ArrayList<>();
        for (Entry step : root.items("steps")) {
            var each = step.maybe("each");
            steps.add(
                    new Step(
                            each.isPresent() ? each.get().word("part", Part.class) : null,
                            parts(step),
                            texts(step.field("lines"))));
        }
        return new Pattern(
                root.text("id"),
                root.text("name"),
                root.text("good"),
                root.text("costs"),
                hub(root),
                gear,
                machines,
                steps);
    }

    private static Optional<String> hub(Entry root) throws FileTrouble {
        Optional<Entry> hub = root.maybe("hub");
        if (hub.isEmpty()) return Optional.empty();
        Map<String, String> schools = new LinkedHashMap<>();
        for (Habit.Way way : Habit.HUB.ways()) schools.put(way.word(), way.word());
        return Optional.of(hub.get().word(schools));
    }

    private static Machine machine(Entry machine) throws FileTrouble {
        List<Runs> runs = new ArrayList<>();
        for (Entry program : machine.items("runs"))
            runs.add(new Runs(program.text("program"), parts(program)));
        return new Machine(
                machine.text("as"),
                texts(machine.field("kinds")),
                machine.text("called"),
                parts(machine),
                runs);
    }

    private static List<Part> parts(Entry of) throws FileTrouble {
        List<Part> parts = new ArrayList<>();
        for (Entry part : of.items("when")) parts.add(part.word("part", Part.class));
        return parts;
    }

    private static List<String> texts(Entry list) throws FileTrouble {
        List<String> texts = new ArrayList<>();
        for (Entry text : list.items()) texts.add(text.text());
        return texts;
    }
}
