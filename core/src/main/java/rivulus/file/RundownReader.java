package rivulus.file;

import java.util.ArrayList;
import java.util.Collection;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SequencedMap;
import java.util.Set;
import rivulus.disk.Entry;
import rivulus.disk.FileTrouble;
import rivulus.disk.Worded;
import rivulus.gear.Setting;
import rivulus.gear.Template;
import rivulus.show.Aim;
import rivulus.show.Checks;
import rivulus.show.Going;
import rivulus.show.Habit;
import rivulus.show.Habits;
import rivulus.show.Limit;
import rivulus.show.Limits;
import rivulus.show.Mix;
import rivulus.show.MuteKey;
import rivulus.show.Output;
import rivulus.show.Profile;
import rivulus.show.Ref;
import rivulus.show.Rundown;
import rivulus.show.Scene;
import rivulus.show.Show;
import rivulus.show.Wish;
import rivulus.show.WishChange;

/// Reads what is wished and what happens in a show, and how it wants to be judged.
final class RundownReader {
    private final Entry root;
    private final ShowNames names;

    RundownReader(Entry root, ShowNames names) {
        this.root = root;
        this.names = names;
    }

    Rundown rundown() throws FileTrouble {
        return new Rundown(changes(), aims(), scenes(), mutes(), mixes(), profiles(), going());
    }

    private List<WishChange> changes() throws FileTrouble {
        List<WishChange> changes = new ArrayList<>();
        for (Entry item : root.items("brief")) {
            changes.add(
                    new WishChange(
                            ShowNames.known(item.field("ear"), "ear", names.ears),
                            ShowNames.known(item.field("source"), "source", names.sources),
                            ShowNames.known(item, "scene", "scene", names.scenes),
                            item.field("wish").word("wish", Wish.class),
                            item.text("reason", ""),
                            item.extras()));
        }
        return changes;
    }

    private List<Aim> aims() throws FileTrouble {
        List<Aim> aims = new ArrayList<>();
        for (Entry item : root.items("aims")) {
            List<Aim.Kind> said = new ArrayList<>();
            for (Aim.Kind kind : Aim.Kind.values())
                if (item.maybe(kind.word()).isPresent()) said.add(kind);
            if (said.size() != 1)
                throw item.trouble(
                        "this should say one of %s",
                        String.join(" and ", Worded.words(Aim.Kind.class).keySet()));
            Aim.Kind kind = said.getFirst();
            Aim aim =
                    new Aim(
                            ShowNames.known(item.field("ear"), "ear", names.ears),
                            ShowNames.known(item.field("source"), "source", names.sources),
                            ShowNames.known(item, "scene", "scene", names.scenes),
                            kind,
                            item.field(kind.word()).number(0, kind.most()),
                            item.text("reason", ""),
                            item.extras());
            if (aims.stream().anyMatch(aim::replaces))
                throw item.trouble("there is another aim for the same");
            aims.add(aim);
        }
        return aims;
    }

    private List<Mix> mixes() throws FileTrouble {
        List<Mix> mixes = new ArrayList<>();
        for (Entry item : root.items("mixes")) {
            Ref at = names.point(item.field("at"));
            if (mixes.stream().anyMatch(other -> other.at().equals(at)))
                throw item.trouble("there is another mix at %s", at);
            List<Mix.Step> steps = new ArrayList<>();
            for (Entry step : item.items("carries")) steps.add(step(step));
            mixes.add(new Mix(at, steps, item.extras()));
        }
        return mixes;
    }

    private Mix.Step step(Entry step) throws FileTrouble {
        boolean group = step.maybe("group").isPresent();
        if (group == step.maybe("source").isPresent())
            throw step.trouble("this should say a group or a source");
        Mix.Who who =
                group
                        ? step.field("group").word("group", Mix.Group.class)
                        : new Mix.One(
                                ShowNames.known(step.field("source"), "source", names.sources));
        boolean but = step.truth("but", false);
        double db = step.number("db", -Mix.MOST_DB, Mix.MOST_DB, 0);
        if (but && db != 0) throw step.trouble("what is left out has no level");
        return new Mix.Step(who, but, db);
    }

    private List<Scene> scenes() throws FileTrouble {
        List<Scene> scenes = new ArrayList<>();
        for (Entry item : root.items("scenes")) {
            scenes.add(
                    new Scene(
                            item.text("id"),
                            item.name("name", item.text("id")),
                            ShowNames.allKnown(item, "quiet", "source", names.sources),
                            item.number("minutes", 0, 6000, 0),
                            knobs(item),
                            item.extras()));
        }
        return scenes.isEmpty() ? Show.untitled().scenes() : scenes;
    }

    private SequencedMap<Ref, Setting> knobs(Entry item) throws FileTrouble {
        SequencedMap<Ref, Setting> knobs = new LinkedHashMap<>();
        Optional<Entry> turned = item.maybe("knobs");
        if (turned.isEmpty()) return knobs;
        for (var knob : turned.get().each().entrySet()) {
            Ref ref = ShowNames.knobRef(knob.getValue(), knob.getKey());
            Template template = names.device(knob.getValue(), ref);
            for (String meant : template.meant(ref.name()))
                knobs.put(
                        new Ref(ref.device(), meant),
                        SettingReader.read(knob.getValue(), template, meant));
        }
        return knobs;
    }

    private Going going() throws FileTrouble {
        List<Output> outputs = new ArrayList<>();
        Set<String> seen = new HashSet<>();
        for (Entry item : root.items("outputs")) {
            Entry ear = item.field("ear");
            if (!seen.add(ShowNames.known(ear, "ear", names.ears)))
                throw ear.trouble("\"%s\" is set twice", ear.text());
            Output usual = Going.UNSAID.output(ear.text());
            outputs.add(
                    new Output(
                            ear.text(),
                            bits(item, usual.bits()),
                            item.whole("channels", 1, 2, 0),
                            item.whole("kbps", 8, 5000, usual.kbps()),
                            item.number("keyFrameSeconds", 0.1, 60, usual.keyFrameS()),
                            item.number("saferDb", 0, 60, 0),
                            item.extras()));
        }
        SequencedMap<String, Double> cards = new LinkedHashMap<>();
        SequencedMap<String, String> leave = new LinkedHashMap<>();
        for (Map.Entry<String, Entry> card : each("cards")) {
            named(card, "device", names.devices.keySet());
            cards.put(card.getKey(), card.getValue().number(0.01, 1_000_000));
        }
        for (Map.Entry<String, Entry> given : each("leave")) {
            named(given, "source", names.sources);
            leave.put(given.getKey(), given.getValue().text());
        }
        return new Going(outputs, cards, leave);
    }

    private static int bits(Entry item, int usual) throws FileTrouble {
        int bits = item.whole("bits", 16, 32, usual);
        if (bits % 8 != 0)
            throw item.field("bits").trouble("16, 24 or 32 bits were expected, not %d", bits);
        return bits;
    }

    private Collection<Map.Entry<String, Entry>> each(String field) throws FileTrouble {
        Optional<Entry> said = root.maybe(field);
        return said.isEmpty() ? List.of() : said.get().each().entrySet();
    }

    private static void named(Map.Entry<String, Entry> of, String what, Collection<String> known)
            throws FileTrouble {
        if (!known.contains(of.getKey())) throw of.getValue().unknown(what, of.getKey(), known);
    }

    private List<Profile> profiles() throws FileTrouble {
        List<Profile> profiles = new ArrayList<>();
        Set<String> seen = new HashSet<>();
        for (Entry item : root.items("profiles")) {
            ShowNames.unique(seen, item, "profile");
            profiles.add(
                    new Profile(
                            item.text("id"),
                            item.name("name", item.text("id")),
                            knobs(item),
                            item.extras()));
        }
        return profiles;
    }

    private List<MuteKey> mutes() throws FileTrouble {
        List<MuteKey> mutes = new ArrayList<>();
        Set<String> seen = new HashSet<>();
        for (Entry item : root.items("mutes")) {
            ShowNames.unique(seen, item, "mute key");
            Entry knob = item.field("knob");
            Ref ref = ShowNames.ref(knob);
            Template template = names.device(knob, ref);
            mutes.add(
                    new MuteKey(
                            item.text("id"),
                            item.name("name", item.text("id")),
                            ref,
                            SettingReader.read(item.field("to"), template, ref.name()),
                            new MuteKey.Pressed(
                                    item.truth("held", false),
                                    ShowNames.known(item, "during", "source", names.sources)),
                            ShowNames.allKnown(item, "silences", "source", names.sources),
                            ShowNames.allKnown(item, "except", "ear", names.ears),
                            item.extras()));
        }
        return mutes;
    }

    Checks checks() throws FileTrouble {
        Optional<Entry> said = root.maybe("checks");
        if (said.isEmpty()) return Checks.USUAL;
        Map<Limit, Double> limits = new EnumMap<>(Limit.class);
        Optional<Entry> lines = said.get().maybe("limits");
        if (lines.isPresent())
            for (var line : lines.get().each().entrySet()) {
                Limit limit = Worded.words(Limit.class).get(line.getKey());
                if (limit == null)
                    throw line.getValue()
                            .unknown("limit", line.getKey(), Worded.words(Limit.class).keySet());
                limits.put(limit, line.getValue().number(limit.least(), limit.most()));
            }
        List<Checks.Silenced> silenced = new ArrayList<>();
        for (Entry item : said.get().items("silenced"))
            silenced.add(
                    new Checks.Silenced(
                            item.text("finding"), item.text("reason", ""), item.extras()));
        return new Checks(Limits.of(limits), silenced, habits(said.get()), said.get().extras());
    }

    private static Habits habits(Entry checks) throws FileTrouble {
        Optional<Entry> said = checks.maybe("habits");
        Habits habits = Habits.UNSAID;
        if (said.isEmpty()) return habits;
        for (var each : said.get().each().entrySet()) {
            Habit habit = Worded.words(Habit.class).get(each.getKey());
            if (habit == null)
                throw each.getValue()
                        .unknown("habit", each.getKey(), Worded.words(Habit.class).keySet());
            List<String> ways = habit.ways().stream().map(Habit.Way::word).toList();
            habits = habits.with(habit, each.getValue().oneOf("way", ways));
        }
        return habits;
    }
}
