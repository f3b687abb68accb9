package rivulus.say;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.IntPredicate;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import rivulus.page.Facts;

/// What a page says in words of its own, said again in lines of docs/lines.md: so that whoever
/// wrote it sees what was taken, in words that are taken as they stand.
///
/// People come first, then gear, what plays, who listens, the parts of the evening, leads, and last
/// wishes, so that each line finds what it names.
final class Reworded {
    /// One such line.
    ///
    /// @param line the line of the page that it comes from
    /// @param sure whether it was said so plainly that nobody needs to look
    record Line(int line, String words, boolean sure) {}

    private static final Map<String, String> ROLES =
            Map.of(
                    "host", "host",
                    "guest", "guest",
                    "caller", "caller",
                    "producer", "producer",
                    "technician", "producer",
                    "interpreter", "interpreter",
                    "audience", "audience",
                    "musician", "guest",
                    "player", "guest",
                    "listener", "audience");
    private static final Map<String, String> LISTENERS =
            Map.of(
                    "stream", "stream",
                    "recording", "on-demand copy",
                    "on-demand", "on-demand copy",
                    "house", "house",
                    "assistive", "assistive feed",
                    "second-language", "second language",
                    "camera", "camera");
    private static final Map<String, String> PLAYS =
            Map.of("game", "computer", "film", "programme", "noise", "cues");
    private static final Pattern UNDER =
            Pattern.compile(
                    "(\\d+(?:[.,]\\d+)?) ?db (?:under|below|lower|down)", Pattern.CASE_INSENSITIVE);

    /// So many without names are named one by one.
    private static final int NAMED = 6;

    private final Facts facts;
    private final IntPredicate wanted;
    private final List<Line> lines = new ArrayList<>();

    private Reworded(Facts facts, IntPredicate wanted) {
        this.facts = facts;
        this.wanted = wanted;
    }

    /// Lines for what some lines of a page say.
    ///
    /// @param wanted which, by their numbers
    static List<Line> of(Facts facts, IntPredicate wanted) {
        Reworded reworded = new Reworded(facts, wanted);
        reworded.people();
        reworded.gear();
        reworded.plays();
        reworded.listens();
        reworded.parts();
        reworded.joins();
        reworded.wishes();
        reworded.levels();
        return reworded.lines;
    }

    private void add(int line, String words, boolean sure) {
        if (wanted.test(Math.max(line, 0))) lines.add(new Line(Math.max(line, 0), words, sure));
    }

    private void people() {
        for (Facts.Who who : facts.who()) {
            String role = ROLES.getOrDefault(who.role(), who.by().isEmpty() ? "guest" : "caller");
            List<String> names = names(who);
            for (String name : names) {
                StringBuilder words = new StringBuilder(name).append(", ").append(role);
                if (!who.by().isEmpty()) words.append(", ").append(way(who.by()));
                else if (!who.place().isEmpty()) words.append(", ").append(who.place());
                if (names.size() == 1 && who.count() != null && who.count() > 1)
                    words.append(", ").append(who.count()).append(" people");
                boolean listens =
                        Boolean.FALSE.equals(who.speaks()) || who.role().equals("listener");
                if (listens && !role.equals("audience")) words.append(", only listens");
                add(who.line(), words.toString(), who.sure());
            }
        }
    }

    private static List<String> names(Facts.Who who) {
        if (!who.name().isEmpty()) return List.of(who.name());
        String called =
                switch (who.role()) {
                    case "audience" -> "Audience";
                    case "caller" -> "Caller";
                    default ->
                            !who.by().isEmpty()
                                    ? "Guest online"
                                    : who.called().isEmpty() ? "Guests" : capital(who.called());
                };
        boolean each = !who.by().isEmpty() && who.count() != null && who.count() <= NAMED;
        if (!each) return List.of(called);
        List<String> names = new ArrayList<>();
        for (int n = 1; n <= who.count(); n++)
            names.add(who.count() == 1 ? called : called + " " + n);
        return names;
    }

    private static String way(String by) {
        return by.equals("call") ? "call program" : by;
    }

    private void gear() {
        for (Facts.Gear gear : facts.gear()) {
            int count = gear.count() == null ? 1 : gear.count();
            String words =
                    gear.whose().isEmpty()
                            ? (count > 1 ? count + " " : "") + gear.kind()
                            : gear.kind() + " for " + gear.whose();
            add(gear.line(), words, gear.sure());
        }
    }

    private void plays() {
        for (Facts.Plays one : facts.plays()) {
            String from = one.from().isEmpty() ? "" : ", " + one.from();
            add(
                    one.line(),
                    capital(one.name()) + ", " + PLAYS.getOrDefault(one.kind(), one.kind()) + from,
                    one.sure());
        }
    }

    private void listens() {
        Set<String> said = new LinkedHashSet<>();
        for (Facts.Listens one : facts.listens()) {
            String words =
                    one.kind().equals("tracks") ? "a track per voice" : LISTENERS.get(one.kind());
            if (words != null && said.add(words)) add(one.line(), words, one.sure());
        }
    }

    private void parts() {
        for (Facts.Part part : facts.parts()) {
            StringBuilder words =
                    new StringBuilder("scene ")
                            .append(capital(part.name().replaceAll("[,;·\t]", " ")));
            if (part.minutes() != null && part.minutes() >= 0.01)
                words.append(", ").append(number(part.minutes())).append(" min");
            for (String rests : part.rests())
                for (String name : people(rests)) words.append(", ").append(name).append(" rests");
            add(part.line(), words.toString(), part.sure());
        }
    }

    private void joins() {
        for (Facts.Joined one : facts.joined())
            add(one.line(), one.from() + " > " + one.to(), one.sure());
    }

    private void wishes() {
        for (Facts.Listens one : facts.listens()) {
            String ear = LISTENERS.get(one.kind());
            if (ear != null)
                for (String without : one.without())
                    for (String source : people(without))
                        add(one.line(), ear + " must not hear " + source, false);
        }
        for (Facts.Wish wish : facts.wishes()) {
            String hears = wish.hears().equals("only") ? "must" : wish.hears();
            String when = wish.when().isEmpty() ? "" : ", " + wish.when();
            for (String ear : ears(wish))
                for (String source : people(wish.whom()))
                    if (!isGroup(source) && !(source.equals(ear) && wish.whom().equals("everyone")))
                        add(wish.line(), ear + " " + hears + " hear " + source + when, wish.sure());
        }
    }

    private void levels() {
        for (Facts.Level level : facts.levels()) {
            Matcher under = UNDER.matcher(level.says());
            if (under.find()
                    && level.who().isEmpty()
                    && facts.listens().stream().anyMatch(one -> one.kind().equals("stream")))
                add(
                        level.line(),
                        "%s %s dB under the voices on stream"
                                .formatted(level.what(), under.group(1)),
                        false);
        }
    }

    // Groups

    private static boolean isGroup(String words) {
        return Set.of(
                        "everyone",
                        "everyone else",
                        "everything",
                        "programme",
                        "floor",
                        "house",
                        "online",
                        "callers",
                        "guests")
                .contains(words);
    }

    /// Whom a word for several stands for, by name.
    private List<String> people(String words) {
        String low = words.toLowerCase(Locale.ROOT);
        List<String> names = new ArrayList<>();
        for (Facts.Who who : facts.who()) {
            boolean meant =
                    switch (low) {
                        case "callers" -> who.by().equals("phone");
                        case "online" -> who.by().equals("call");
                        case "everyone" ->
                                !Boolean.FALSE.equals(who.speaks())
                                        && !who.role().equals("audience");
                        case "guests" -> who.role().equals("guest");
                        default -> !who.called().isEmpty() && low.equals(who.called());
                    };
            if (meant) names.addAll(names(who));
        }
        return names.isEmpty() ? List.of(words) : names;
    }

    private List<String> ears(Facts.Wish wish) {
        return switch (wish.who()) {
            case "programme" ->
                    facts.listens().stream()
                            .map(one -> LISTENERS.get(one.kind()))
                            .filter(one -> one != null && !one.equals("house"))
                            .distinct()
                            .toList();
            case "everyone else" -> {
                Set<String> those = new LinkedHashSet<>();
                for (Facts.Wish other : facts.wishes())
                    if (other.whom().equals(wish.whom()) && !other.hears().equals("must not"))
                        those.addAll(people(other.who()));
                List<String> rest = new ArrayList<>();
                for (Facts.Who who : facts.who())
                    for (String name : names(who))
                        if (!those.contains(name)
                                && !name.equals(wish.whom())
                                && !who.role().equals("audience")) rest.add(name);
                yield rest;
            }
            case "everyone" -> List.of("everybody");
            case "everything" -> List.of();
            default ->
                    LISTENERS.containsKey(wish.who())
                            ? List.of(LISTENERS.get(wish.who()))
                            : people(wish.who());
        };
    }

    private static String capital(String name) {
        return name.isEmpty()
                ? name
                : name.substring(0, 1).toUpperCase(Locale.ROOT) + name.substring(1);
    }

    private static String number(double minutes) {
        return minutes == Math.rint(minutes)
                ? String.valueOf((int) minutes)
                : String.valueOf(Math.round(minutes * 100) / 100.0);
    }
}
