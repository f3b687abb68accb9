package rivulus.page;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/// What gear a page names, how many of each, and whose it is. A number said once holds; a kind
/// that is spoken of again is the same one.
final class GearReader {
    private static final Set<String> EACH = Set.of("each", "all", "both", "everybody", "everyone");
    private static final Set<String> NOBODYS =
            Set.of(
                    "mixer",
                    "interface",
                    "loudspeakers",
                    "pa",
                    "pc",
                    "laptop",
                    "player",
                    "streaming box",
                    "isolator",
                    "phone hybrid",
                    "stage box",
                    "recorder",
                    "camera",
                    "di box",
                    "audience mic",
                    "radio receiver",
                    "capture device");
    private static final Set<String> ELSEWHERE =
            Set.of(
                    "from", "to", "into", "for", "off", "of", "through", "via", "over", "out",
                    "runs", "plays", "starts", "->", "hears", "hear", "gets", "get", "past", "no",
                    "not", "never");
    private static final Set<String> NONE =
            Set.of("no", "without", "neither", "nor", "not", "none");
    /// What is counted of a piece of gear, and is no number of pieces: "8 channel interface".
    private static final Set<String> PARTS =
            Set.of(
                    "ch",
                    "channel",
                    "channels",
                    "input",
                    "inputs",
                    "in",
                    "way",
                    "track",
                    "tracks",
                    "fader",
                    "faders",
                    "strip",
                    "m",
                    "metre",
                    "metres",
                    "bit",
                    "port",
                    "ports");
    private static final Set<String> DEFINITE =
            Set.of("the", "same", "into", "to", "from", "'s", "that", "this");

    /// Of one kind: how many were said at once at most, and whose.
    private static final class Kind {
        double said;
        /// How many more there are than what was said before and who has one.
        double more;
        boolean many;
        int line = -1;
        /// Whether it is a computer that is told apart by a name of its own.
        boolean own;
        final List<String> whose = new ArrayList<>();
    }

    private final Gathered so;
    private final Map<String, Kind> kinds = new LinkedHashMap<>();

    GearReader(Gathered so) {
        this.so = so;
    }

    /// Reads the gear of a clause.
    ///
    /// @param joins whether it says what is joined: then nothing in it is anybody's
    void read(Sheet.Line line, Clause clause, boolean joins) {
        Map<String, Double> here = new HashMap<>();
        for (Chunk gear : clause.all(Meant.GEAR)) {
            if (isDenied(clause, gear)) continue;
            String key = key(gear);
            Kind kind = kinds.computeIfAbsent(key, _ -> new Kind());
            kind.own = !key.equals(gear.value());
            if (kind.line < 0) kind.line = line.number();
            so.used.add(line.number());
            boolean worn =
                    gear.value().endsWith("mic")
                            || gear.value().equals("headset")
                            || gear.value().equals("headphones");
            List<String> whose = joins && !worn ? List.of() : whose(line, clause, gear);
            double count = count(clause, gear);
            boolean several = isSeveral(gear);
            if (!whose.isEmpty()) {
                boolean each = whose.size() > 1 && isEach(clause);
                if (whose.size() == 1 || each || Double.isNaN(count) || count >= whose.size())
                    for (String who : whose) if (!kind.whose.contains(who)) kind.whose.add(who);
                if (!Double.isNaN(count) && !each && count > 1) here.merge(key, count, Double::sum);
            } else if (!Double.isNaN(count) && isApart(clause)) kind.more += count;
            else if (!Double.isNaN(count)) here.merge(key, count, Double::sum);
            else if (several) kind.many = true;
            else if (kind.said == 0 && kind.whose.isEmpty()) here.merge(key, 1.0, Math::max);
        }
        here.forEach(
                (value, count) -> kinds.get(value).said = Math.max(kinds.get(value).said, count));
    }

    /// By what a kind is told apart: computers by names of their own.
    private static String key(Chunk gear) {
        String low = gear.text().toLowerCase(Locale.ROOT);
        boolean own =
                Chunker.COMPUTERS.contains(gear.value()) && low.contains(" ") && !low.endsWith("s");
        return own ? gear.text() : gear.value();
    }

    /// Whether a clause speaks of pieces that stand somewhere by themselves, and are nobody's: "two
    /// microphones hang above the choir".
    private static boolean isApart(Clause clause) {
        return !clause.has(Meant.NAME)
                && clause.tokens().stream()
                        .anyMatch(t -> t.low().matches("hangs?|above|overhead|over"));
    }

    private static boolean isSeveral(Chunk gear) {
        String low = gear.text().toLowerCase(Locale.ROOT);
        return low.endsWith("s") && !gear.value().equals("headphones");
    }

    private static boolean isDenied(Clause clause, Chunk gear) {
        for (int t = Math.max(0, gear.from() - 2); t < gear.from(); t++)
            if (NONE.contains(clause.tokens().get(t).low())) return true;
        return false;
    }

    private static double count(Clause clause, Chunk gear) {
        for (int t = gear.from() - 1; t >= Math.max(0, gear.from() - 3); t--) {
            int at = t;
            for (Chunk chunk : clause.chunks())
                if (chunk.to() == at + 1) {
                    if (chunk.kind() == Meant.COUNT) return chunk.number();
                    if (chunk.is(Meant.NAME, Meant.GEAR, Meant.ROLE)) return Double.NaN;
                }
            String low = clause.tokens().get(t).low();
            if (PARTS.contains(low) && t > 0 && clause.tokens().get(t - 1).isNumber()) return 1;
            if (low.equals("a") || low.equals("an") || low.equals("another")) return 1;
            if (low.equals("pair")) return 2;
            boolean cut = !Character.isLetterOrDigit(low.charAt(0)) && !"×-".contains(low);
            if (cut || low.equals("and") || DEFINITE.contains(low)) return Double.NaN;
        }
        // "mics: 4", "headphones 3"
        for (Chunk chunk : clause.all(Meant.COUNT))
            if (chunk.from() >= gear.to()
                    && chunk.from() - gear.to() <= 1
                    && clause.tokens().get(gear.to()).low().matches(":|x|\\d+"))
                return chunk.number();
        return Double.NaN;
    }

    /// Whose a piece of gear is: of those for whom it is said to be; of everybody who was named
    /// where each has one; else of those before it, where nothing between says otherwise.
    private List<String> whose(Sheet.Line line, Clause clause, Chunk gear) {
        if (clause.tokens().stream().anyMatch(t -> t.low().startsWith("share"))) return List.of();
        List<String> meant = meantFor(clause, gear);
        if (!meant.isEmpty()) return meant;
        boolean own = gear.from() > 0 && clause.tokens().get(gear.from() - 1).low().equals("'s");
        if (NOBODYS.contains(gear.value()) && !own) return List.of();
        if (isEach(clause)) {
            List<String> all = new ArrayList<>();
            for (Clause other : line.clauses()) {
                for (Chunk name : other.all(Meant.NAME))
                    if (other != clause || name.to() <= gear.from())
                        add(all, so.roster.get(name.value()));
                if (other == clause) break;
            }
            if (all.isEmpty()) for (Roster.Somebody one : so.roster.several()) add(all, one);
            return all;
        }
        List<String> whose = new ArrayList<>();
        int end = gear.from();
        for (Chunk chunk : clause.chunks().reversed()) {
            if (chunk.to() > end) continue;
            if (chunk.kind() == Meant.NAME) {
                if (whose.isEmpty()
                        ? isElsewhere(clause, chunk.to(), gear.from())
                        : !isJoined(clause, chunk.to(), end)) break;
                whose.addFirst(so.roster.get(chunk.value()).name);
                end = chunk.from();
            } else if (chunk.kind() == Meant.GROUP
                    && !(gear.from() - chunk.to() <= 1)
                    && !chunk.value().equals("they")
                    && !chunk.value().equals("i")) {
                continue;
            } else if (whose.isEmpty()
                    && chunk.is(Meant.GROUP, Meant.SUBJECT, Meant.ROLE)
                    && !isElsewhere(clause, chunk.to(), gear.from())) {
                if (chunk.is(Meant.ROLE)) {
                    for (String name : so.meant(List.of(chunk), List.of()))
                        if (so.roster.there().stream()
                                .anyMatch(one -> one.isNamed() && one.name.equals(name)))
                            whose.add(name);
                } else
                    switch (chunk.value()) {
                        case "i" -> so.roster.me().ifPresent(me -> whose.add(me.name));
                        case "he", "she" -> {
                            List<Chunk> before =
                                    clause.all(Meant.NAME).stream()
                                            .filter(c -> c.to() <= chunk.from())
                                            .toList();
                            if (!before.isEmpty())
                                add(whose, so.roster.get(before.getLast().value()));
                            else so.roster.one().ifPresent(one -> add(whose, one));
                        }
                        case "they" -> so.roster.several().forEach(one -> add(whose, one));
                        default -> {}
                    }
                if (!whose.isEmpty()) break;
            } else if (!whose.isEmpty()) break;
        }
        if (!whose.isEmpty()) return whose;
        // an input list: "10 trumpet, clip-on    Lazar"
        List<Chunk> names = clause.all(Meant.NAME);
        boolean list =
                names.size() == 1
                        && names.getFirst().to() == clause.tokens().size()
                        && clause.chunks().getFirst().is(Meant.COUNT, Meant.INSTRUMENT);
        if (list) add(whose, so.roster.get(names.getFirst().value()));
        // "Jochen commentates, Mette is the expert. 2 headsets"
        double count = count(clause, gear);
        if (whose.isEmpty() && names.isEmpty() && count > 1) {
            List<String> all = new ArrayList<>();
            for (Clause other : line.clauses())
                for (Chunk name : other.all(Meant.NAME)) add(all, so.roster.get(name.value()));
            if (all.size() == (int) count) whose.addAll(all);
        }
        return whose;
    }

    private static void add(List<String> to, Roster.Somebody one) {
        if (one.isNamed() && !to.contains(one.name)) to.add(one.name);
    }

    private static boolean isEach(Clause clause) {
        return clause.tokens().stream().anyMatch(t -> EACH.contains(t.low()));
    }

    /// "a headset for Maren", "in-ears for all three".
    private List<String> meantFor(Clause clause, Chunk gear) {
        if (gear.to() >= clause.tokens().size()
                || !clause.tokens().get(gear.to()).low().equals("for")) return List.of();
        List<String> whose = new ArrayList<>();
        int end = gear.to() + 1;
        for (Chunk chunk : clause.chunks()) {
            if (chunk.from() < end) continue;
            if (!isJoined(clause, end, chunk.from()) && chunk.from() > end + 1) break;
            if (chunk.kind() == Meant.NAME) add(whose, so.roster.get(chunk.value()));
            else if (chunk.kind() == Meant.GROUP && chunk.value().equals("they"))
                so.roster.several().forEach(one -> add(whose, one));
            else break;
            end = chunk.to();
        }
        return whose;
    }

    private static boolean isElsewhere(Clause clause, int from, int to) {
        for (int t = from; t < to; t++)
            if (ELSEWHERE.contains(clause.tokens().get(t).low())) return true;
        return false;
    }

    private static boolean isJoined(Clause clause, int from, int to) {
        for (int t = from; t < to; t++)
            if (!Set.of(",", "and", "&", "+").contains(clause.tokens().get(t).low())) return false;
        return true;
    }

    /// All of it, told.
    List<Facts.Gear> all() {
        List<Facts.Gear> all = new ArrayList<>();
        kinds.forEach(
                (value, kind) -> {
                    if (kind.line < 0) return;
                    for (String who : kind.whose)
                        all.add(new Facts.Gear(value, 1, who, kind.line, false));
                    boolean plain = Chunker.COMPUTERS.contains(value);
                    long own = plain ? kinds.values().stream().filter(one -> one.own).count() : 0;
                    if (plain && kind.said <= 1 && own > 0 && kind.whose.isEmpty()) return;
                    double left = Math.max(0, kind.said - kind.whose.size() - own) + kind.more;
                    boolean mic =
                            value.equals("mic")
                                    && kinds.keySet().stream()
                                            .anyMatch(k -> !k.equals("mic") && k.endsWith("mic"));
                    if (left > 0) all.add(new Facts.Gear(value, (int) left, "", kind.line, false));
                    else if (kind.whose.isEmpty() && kind.many && !mic)
                        all.add(new Facts.Gear(value, null, "", kind.line, false));
                });
        return all;
    }
}
