package rivulus.page;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/// A clause while it is read for who hears whom: what is left of it, and what has been said. What a
/// shape took of it is taken out, so that no other takes it too.
class Wishing {
    static final Set<String> LOUD = Set.of("loudspeakers", "pa");
    private static final Set<String> PRONOUNS = Set.of("i", "they", "he", "she", "we", "everyone");

    final Gathered so;
    final Sheet.Line line;
    final Clause clause;
    private final String when;
    final int before;

    /// What is left to be read.
    String coded;

    /// How often something was said of who hears whom.
    int said;

    /// What is said where a shape fits.
    interface Take {
        void of(Matcher matcher);
    }

    Wishing(Gathered so, Sheet.Line line, Clause clause) {
        this.so = so;
        this.line = line;
        this.clause = clause;
        before = so.wishes.size();
        coded = clause.coded();
        when = when();
    }

    /// Takes each place where a shape fits, and says something, out of what is left.
    void each(Pattern shape, Take take) {
        Matcher matcher = so.effort.matcher(shape, coded);
        StringBuilder left = new StringBuilder();
        int at = 0;
        while (matcher.find()) {
            int before = said;
            take.of(matcher);
            if (said == before) continue;
            left.append(coded, at, matcher.start()).append("| ");
            at = matcher.end();
        }
        coded = left.append(coded.substring(at)).toString();
    }

    static String either(Matcher match, String group) {
        return match.group(group) != null ? match.group(group) : match.group(group + "2");
    }

    /// What follows a match by way of "no beds, no jingles": not that either.
    void more(Matcher match) {
        int at = match.end();
        Matcher hears = so.effort.matcher(WishShapes.MORE_HEARS, coded);
        while (hears.find(at) && hears.start() == at) {
            wish(match.group("who"), "must", hears.group("whom"));
            at = hears.end();
        }
        Matcher each = so.effort.matcher(WishShapes.AND_EACH_OTHER, coded);
        if (each.find(at) && each.start() == at) {
            List<String> all = ears(match.group("who"));
            for (String one : all)
                for (String other : all) if (!one.equals(other)) add(one, "must", other);
            at = each.end();
        }
        at = nothingElse(at, match.group("who"));
        moreNot(at, match.group("who"));
    }

    /// "And no one else": then those are all.
    int nothingElse(int from, String who) {
        Matcher none = so.effort.matcher(WishShapes.ELSE, coded);
        if (!none.find(from) || none.start() != from) return from;
        Chunk chunk = clause.in(none.group("none")).getFirst();
        boolean but = chunk.value().equals("nobody") && none.group("whom") != null;
        if (!chunk.isNobodyElse() && !but) return from;
        for (String ear : ears(who))
            so.wishes.replaceAll(
                    one ->
                            one.who().equals(ear)
                                            && one.line() == line.number()
                                            && one.hears().equals("must")
                                    ? new Facts.Wish(
                                            ear,
                                            "only",
                                            one.whom(),
                                            one.when(),
                                            one.line(),
                                            one.sure())
                                    : one);
        return none.end();
    }

    /// @return where what is left begins
    int moreNot(int from, String who) {
        int at = from;
        Matcher more = so.effort.matcher(WishShapes.MORE_NOT, coded);
        while (more.find(at) && more.start() == at) {
            wish(who, "must not", more.group("whom"));
            at = more.end();
        }
        return at;
    }

    // What is added

    void add(String ear, String hears, String source) {
        said++;
        so.wish(ear, hears, source, when, line.number());
    }

    void others(List<String> sources) {
        for (String source : sources) add("everyone else", "must not", source);
    }

    /// What a shape says: whom one hears, if anybody, and whom not besides.
    void wish(Matcher match, String who, String hears) {
        if (match.group("whom") != null) wish(who, hears, match.group("whom"));
        if (match.group("but") != null) wish(who, "must not", match.group("but"));
    }

    void wish(String who, String hears, String whom) {
        if (isNobody(who) && !hears.equals("must not")) {
            wish(who, "must not", whom);
            return;
        }
        List<Chunk> sounds = new ArrayList<>(clause.in(whom));
        if (sounds.isEmpty()) return;
        sounds.removeIf(
                chunk ->
                        chunk.kind() == Meant.PLACE
                                && so.meant(List.of(chunk), List.of()).equals(List.of("house"))
                                && sounds.size() > 1);
        boolean only = sounds.removeIf(Chunk::isNobodyElse);
        boolean thing =
                sounds.size() == 1
                        && sounds.getFirst().text().matches("(?i)them|it|those|this|that")
                        && !it(sounds.getFirst()).isEmpty();
        for (String ear : ears(who))
            for (String source :
                    thing ? List.of(it(sounds.getFirst())) : so.meant(sounds, List.of(ear))) {
                boolean own =
                        ear.equals(source)
                                && hears.equals("must")
                                && !isSelf(sounds)
                                && !ear.equals("everyone");
                if (!own) add(ear, only ? "only" : hears, source);
            }
    }

    /// "Nobody in the room hears it", "nobody else hears it": that they must not.
    boolean isNobody(String who) {
        List<Chunk> chunks = new ArrayList<>(clause.in(who));
        for (Chunk chunk : clause.chunks())
            if (!chunks.isEmpty() && chunk.to() == chunks.getFirst().from()) chunks.addFirst(chunk);
        return chunks.stream().anyMatch(c -> c.value().equals("nobody") || c.isNobodyElse());
    }

    /// What is meant by "it": the sound last named before it in its clause, else what was
    /// spoken of; nothing where a sound stands behind it.
    String it(Chunk it) {
        List<Chunk> sounds = clause.all(Meant.SOUND);
        for (Chunk sound : sounds.reversed()) if (sound.to() <= it.from()) return so.sound(sound);
        return sounds.isEmpty() ? so.roster.it() : "";
    }

    /// Who hears, of some words: without what only says by which way; the name in place of what
    /// stands behind it as what they do.
    List<String> ears(String who) {
        List<Chunk> chunks = clause.in(who);
        if (chunks.isEmpty()) return List.of();
        Chunk first = chunks.getFirst();
        boolean apposition =
                chunks.size() == 1
                        && first.kind() == Meant.ROLE
                        && first.from() > 0
                        && clause.tokens().get(first.from() - 1).low().matches(",|\\(|-")
                        && clause.chunks().getFirst().kind() == Meant.NAME;
        if (apposition) return so.meant(clause.chunks().subList(0, 1), List.of());
        boolean she =
                chunks.size() == 1
                        && first.kind() == Meant.SUBJECT
                        && List.of("he", "she").contains(first.value());
        if (she)
            return so.roster
                    .one(
                            clause.all(Meant.NAME).stream()
                                    .filter(name -> name.from() > first.from())
                                    .map(name -> so.roster.get(name.value()))
                                    .toList())
                    .filter(Roster.Somebody::isNamed)
                    .map(one -> List.of(one.name))
                    .orElse(List.of());
        boolean everyone =
                first.kind() == Meant.GROUP
                        && List.of("everyone", "nobody").contains(first.value());
        if (everyone && chunks.size() == 2 && chunks.getLast().kind() == Meant.PLACE) {
            List<String> there = so.meant(chunks.subList(1, 2), List.of());
            if (!there.isEmpty()) return there;
        }
        if (first.value().equals("nobody") && chunks.size() == 1) return List.of("everyone");
        boolean named = chunks.stream().anyMatch(chunk -> chunk.kind() == Meant.NAME);
        List<Chunk> heard =
                chunks.stream()
                        .filter(c -> !(named && c.is(Meant.WAY, Meant.GEAR, Meant.PLACE)))
                        .toList();
        return so.meant(heard, List.of());
    }

    List<String> spokenOf() {
        return so.roster.one().map(one -> List.of(one.name)).orElse(List.of());
    }

    /// The part of the evening in which it holds; empty for all.
    String when() {
        if (!WishShapes.WHEN.matcher(clause.coded()).find()) return "";
        String words = clause.low();
        for (Gathered.PartSoFar part : so.parts)
            if (words.contains(part.key)
                    && so.effort.fits(
                            words,
                            ".*\\b(?:in|during|at|for|under) (?:the )?"
                                    + Pattern.quote(part.key)
                                    + " .*")) return part.name;
        return "";
    }

    static boolean isSelf(List<Chunk> chunks) {
        return chunks.stream().anyMatch(chunk -> chunk.value().equals("themselves"));
    }

    static boolean isOut(Chunk chunk) {
        return chunk.kind() == Meant.OUT
                || chunk.kind() == Meant.GEAR && LOUD.contains(chunk.value());
    }

    static boolean isHeard(Chunk chunk) {
        return chunk.is(Meant.SOUND, Meant.NAME, Meant.INSTRUMENT, Meant.ROLE)
                || chunk.kind() == Meant.GROUP && chunk.value().equals("everything");
    }

    static boolean isEar(Chunk chunk) {
        return chunk.is(Meant.NAME, Meant.OUT, Meant.ROLE)
                || chunk.is(Meant.GROUP, Meant.SUBJECT) && PRONOUNS.contains(chunk.value());
    }
}
