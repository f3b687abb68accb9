package rivulus.page;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/// What a page says, fact by fact, each with the line it stands on and whether it is sure.
///
/// @param title what the evening is called; empty where the page has no title
/// @param asked lines on which something is left open, with the question
/// @param aside lines that hold nothing of sound
public record Facts(
        String title,
        List<Who> who,
        List<Plays> plays,
        List<Listens> listens,
        List<Gear> gear,
        List<Joined> joined,
        List<Part> parts,
        List<Wish> wishes,
        List<Level> levels,
        List<Asked> asked,
        List<String> aside) {
    public Facts {
        who = List.copyOf(who);
        plays = List.copyOf(plays);
        listens = List.copyOf(listens);
        gear = List.copyOf(gear);
        joined = List.copyOf(joined);
        parts = List.copyOf(parts);
        wishes = List.copyOf(wishes);
        levels = List.copyOf(levels);
        asked = List.copyOf(asked);
        aside = List.copyOf(aside);
    }

    /// Somebody, or several without names.
    ///
    /// @param name empty for several without names
    /// @param role what they do; empty where nobody said
    /// @param place where they are, of those who are here; empty where nobody said
    /// @param by the way they come from afar: `call`, `phone` or `second computer`; empty for those
    ///     who are here
    /// @param count how many; null where a number is not said
    /// @param speaks false where no sound of theirs is wanted; null where that is not said
    /// @param called how the page speaks of several without names; empty where it does not
    public record Who(
            String name,
            String role,
            String place,
            String by,
            Integer count,
            Boolean speaks,
            String called,
            int line,
            boolean sure) {
        boolean isAfar() {
            return !by.isEmpty();
        }
    }

    /// Something that is played.
    ///
    /// @param kind music, cues, clip, alerts, game or film
    /// @param from what plays it; empty where nobody said
    public record Plays(String name, String kind, String from, int line, boolean sure) {}

    /// An output that somebody listens to.
    ///
    /// @param without what must not be in it
    public record Listens(String kind, List<String> without, int line, boolean sure) {
        public Listens {
            without = List.copyOf(without);
        }
    }

    /// Gear.
    ///
    /// @param count null where no number is said
    /// @param whose the name of whoever has it; empty where it is nobody's
    public record Gear(String kind, Integer count, String whose, int line, boolean sure) {}

    /// Two things joined, in the direction of the sound.
    public record Joined(String from, String to, int line, boolean sure) {}

    /// A part of the evening.
    ///
    /// @param minutes null where no number is said
    /// @param rests who and what is silent in it
    public record Part(String name, Double minutes, List<String> rests, int line, boolean sure) {
        public Part {
            rests = List.copyOf(rests);
        }

        /// The same with several without names spoken of as the page does.
        Part with(Map<String, String> called) {
            List<String> words =
                    rests.stream().map(one -> called.getOrDefault(one, one)).distinct().toList();
            return new Part(name, minutes, words, line, sure);
        }
    }

    /// Who is to hear whom.
    ///
    /// @param hears `must`, `must not`, `may` or `only`
    /// @param when the part of the evening; empty for all of it
    public record Wish(String who, String hears, String whom, String when, int line, boolean sure) {
        /// The same with several without names spoken of as the page does.
        Wish with(Map<String, String> called) {
            return new Wish(
                    called.getOrDefault(who, who),
                    hears,
                    called.getOrDefault(whom, whom),
                    when,
                    line,
                    sure);
        }
    }

    /// How loud, or how late, something is wanted.
    ///
    /// @param who for whom; empty for everybody
    /// @param says in the words of the page
    public record Level(String who, String what, String says, int line, boolean sure) {}

    /// A line that leaves something open.
    public record Asked(String line, String question) {}

    /// The same as maps and lists, in the form of docs/page-facts.md; lists that would be empty are
    /// left out.
    public Map<String, Object> plain() {
        Map<String, Object> plain = new LinkedHashMap<>();
        if (!title.isEmpty()) plain.put("title", title);
        put(plain, "here", who.stream().filter(one -> !one.isAfar()).map(Facts::here).toList());
        put(plain, "afar", who.stream().filter(Who::isAfar).map(Facts::afar).toList());
        put(plain, "plays", plays.stream().map(Facts::plain).toList());
        put(plain, "listens", listens.stream().map(Facts::plain).toList());
        put(plain, "gear", gear.stream().map(Facts::plain).toList());
        put(plain, "joined", joined.stream().map(one -> List.of(one.from(), one.to())).toList());
        put(plain, "scenes", parts.stream().map(Facts::plain).toList());
        put(plain, "wishes", wishes.stream().map(Facts::plain).toList());
        put(plain, "levels", levels.stream().map(Facts::plain).toList());
        put(
                plain,
                "ask",
                asked.stream()
                        .map(one -> map("line", one.line(), "question", one.question()))
                        .toList());
        put(plain, "ignore", aside);
        return plain;
    }

    private static void put(Map<String, Object> to, String name, List<?> list) {
        if (!list.isEmpty()) to.put(name, list);
    }

    private static Object orNull(String text) {
        return text.isEmpty() ? null : text;
    }

    private static Map<String, Object> map(Object... pairs) {
        Map<String, Object> map = new LinkedHashMap<>();
        for (int i = 0; i < pairs.length; i += 2) map.put((String) pairs[i], pairs[i + 1]);
        return map;
    }

    private static Map<String, Object> here(Who one) {
        return map(
                "name", orNull(one.name()),
                "role", orNull(one.role()),
                "place", orNull(one.place()),
                "count", one.count(),
                "speaks", one.speaks(),
                "sure", one.sure());
    }

    private static Map<String, Object> afar(Who one) {
        Map<String, Object> map =
                map(
                        "name", orNull(one.name()),
                        "role", orNull(one.role()),
                        "by", one.by(),
                        "count", one.count());
        if (Boolean.FALSE.equals(one.speaks())) map.put("speaks", false);
        if (!one.called().isEmpty()) map.put("aka", List.of(one.called()));
        map.put("sure", one.sure());
        return map;
    }

    private static Map<String, Object> plain(Plays one) {
        return map(
                "name",
                one.name(),
                "kind",
                one.kind(),
                "from",
                orNull(one.from()),
                "sure",
                one.sure());
    }

    private static Map<String, Object> plain(Listens one) {
        Map<String, Object> map = map("kind", one.kind());
        if (!one.without().isEmpty()) map.put("without", new ArrayList<>(one.without()));
        map.put("sure", one.sure());
        return map;
    }

    private static Map<String, Object> plain(Gear one) {
        return map(
                "kind",
                one.kind(),
                "count",
                one.count(),
                "for",
                orNull(one.whose()),
                "sure",
                one.sure());
    }

    private static Map<String, Object> plain(Part one) {
        Double minutes = one.minutes();
        Object number = null;
        if (minutes != null)
            number = minutes == Math.rint(minutes) ? (Object) minutes.intValue() : minutes;
        Map<String, Object> map = map("name", one.name(), "minutes", number);
        if (!one.rests().isEmpty()) map.put("rests", new ArrayList<>(one.rests()));
        map.put("sure", one.sure());
        return map;
    }

    private static Map<String, Object> plain(Wish one) {
        return map(
                "who",
                one.who(),
                "hears",
                one.hears(),
                "whom",
                one.whom(),
                "when",
                orNull(one.when()),
                "sure",
                one.sure());
    }

    private static Map<String, Object> plain(Level one) {
        return map(
                "who",
                orNull(one.who()),
                "what",
                one.what(),
                "says",
                one.says(),
                "sure",
                one.sure());
    }
}
