package rivulus.page;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/// Who is there: a name with a sign of a person beside it (what they do, where they are, how they
/// come in, what they wear or play), and counts of people without names.
final class PeopleReader {
    private static final Set<String> JOINING =
            Set.of(",", "and", "&", "+", "plus", "or", "then", "/");
    private static final Set<String> FILL =
            Set.of(
                    "the", "a", "an", "our", "his", "her", "their", "my", "is", "are", "as", ":",
                    "=", "(", ")", ",", "-", "–", "both", "by", "with", "has", "have", "in", "at",
                    "on", "'s", "who", "will", "be", "one", "each", "here", "there", "from", "not",
                    "but", "old", "dear");
    private static final Pattern ME =
            Pattern.compile(
                    "(?:<[UQ]\\d+> \\( (<N\\d+>)|<[UQ]\\d+> , (<N\\d+>)|(<N\\d+>) , <[UQ]\\d+>|<[UQ]\\d+> am (<N\\d+>)|<[UQ]\\d+> (<N\\d+>))");
    private static final Set<String> LISTEN_ONLY = Set.of("listen", "listens", "watch", "watches");
    private static final int NEAR = 4;

    /// What is several by itself, and how many; 0 where that is not said.
    private static final Map<String, Integer> ENSEMBLES =
            Map.of(
                    "choir",
                    0,
                    "band",
                    0,
                    "ensemble",
                    0,
                    "orchestra",
                    0,
                    "trio",
                    3,
                    "quartet",
                    4,
                    "duo",
                    2);

    /// So many in a room, of whom nothing else is said, are its audience.
    private static final int HALL = 5;

    /// So many guests in a room are its audience.
    private static final int CROWD = 15;

    private final Gathered so;
    private Sheet.Line line;

    PeopleReader(Gathered so) {
        this.so = so;
    }

    /// Reads the people of a clause.
    ///
    /// @param hearing whether it says who hears whom: then only what stands beside a name counts
    void read(Sheet.Line of, Clause clause, boolean hearing) {
        line = of;
        me(clause);
        List<List<Chunk>> groups = groups(clause);
        for (int g = 0; g < groups.size(); g++) {
            int from = g == 0 ? 0 : groups.get(g - 1).getLast().to();
            int to =
                    g + 1 < groups.size()
                            ? groups.get(g + 1).getFirst().from()
                            : clause.tokens().size();
            group(clause, groups.get(g), from, to, g == 0, hearing);
        }
        note(so, clause);
        if (groups.isEmpty() && !hearing) pronoun(clause);
        if (!hearing) counted(clause, groups);
    }

    /// Whom a pronoun means that stands behind a name in its own clause.
    static void own(Gathered so, Clause clause) {
        Optional<Chunk> name = clause.first(Meant.NAME);
        boolean behind =
                name.isPresent()
                        && clause.all(Meant.SUBJECT, Meant.GROUP).stream()
                                .filter(c -> List.of("he", "she").contains(c.value()))
                                .anyMatch(c -> c.from() > name.get().from());
        if (behind) so.roster.spokenOf(List.of(so.roster.get(name.get().value())));
    }

    /// Notes who and what a clause speaks of, for "she", "they" and "it" behind it.
    static void note(Gathered so, Clause clause) {
        List<List<Chunk>> groups = groups(clause);
        if (!groups.isEmpty()) {
            List<Roster.Somebody> spoken = new ArrayList<>();
            for (Chunk one : groups.getFirst()) spoken.add(so.roster.get(one.value()));
            so.roster.spokenOf(spoken);
            so.roster.subject(spoken.stream().map(one -> one.name).toList());
            Set<Roster.Somebody> together = new LinkedHashSet<>();
            for (Chunk name : clause.all(Meant.NAME)) together.add(so.roster.get(name.value()));
            so.roster.together(new ArrayList<>(together));
        } else {
            List<Chunk> roles = clause.all(Meant.ROLE);
            if (!roles.isEmpty()) {
                List<String> names = so.meant(List.of(roles.getFirst()), List.of());
                List<Roster.Somebody> spoken =
                        so.roster.there().stream()
                                .filter(one -> one.isNamed() && names.contains(one.name))
                                .toList();
                so.roster.spokenOf(spoken);
                so.roster.subject(names);
            }
        }
        clause.all(Meant.SOUND, Meant.OUT, Meant.GEAR).stream()
                .filter(c -> c.kind() != Meant.GEAR || Wishing.LOUD.contains(c.value()))
                .findFirst()
                .ifPresent(
                        thing ->
                                so.meant(List.of(thing), List.of()).stream()
                                        .findFirst()
                                        .ifPresent(so.roster::spokenOf));
    }

    private void me(Clause clause) {
        Matcher matcher = so.effort.matcher(ME, clause.coded());
        while (matcher.find()) {
            List<Chunk> in = clause.in(matcher.group());
            Optional<Chunk> name = Sheet.of(in, Meant.NAME);
            boolean first =
                    in.stream()
                            .anyMatch(
                                    c ->
                                            c.is(Meant.GROUP, Meant.SUBJECT)
                                                    && c.value().equals("i")
                                                    && !c.text().equalsIgnoreCase("my"));
            if (first && name.isPresent()) {
                Roster.Somebody who = so.roster.get(name.get().value());
                sign(who);
                if (so.roster.me().isEmpty()) so.roster.me(who);
            }
        }
    }

    /// Names that stand together.
    private static List<List<Chunk>> groups(Clause clause) {
        List<List<Chunk>> groups = new ArrayList<>();
        Chunk before = null;
        for (Chunk chunk : clause.all(Meant.NAME)) {
            boolean joined = before != null && isJoining(clause, before.to(), chunk.from());
            if (joined) groups.getLast().add(chunk);
            else groups.add(new ArrayList<>(List.of(chunk)));
            before = chunk;
        }
        return groups;
    }

    private static boolean isJoining(Clause clause, int from, int to) {
        for (int t = from; t < to; t++)
            if (!JOINING.contains(clause.tokens().get(t).low())) return false;
        return to > from;
    }

    private void group(
            Clause clause, List<Chunk> names, int from, int to, boolean first, boolean hearing) {
        boolean owned =
                names.getLast().to() < clause.tokens().size()
                        && clause.tokens().get(names.getLast().to()).low().startsWith("'");
        Chunk role = role(clause, names, from, to);
        boolean row = line.text().contains("\t") && names.getFirst().from() == 0;
        if (role == null && row) role = clause.first(Meant.ROLE).orElse(null);
        List<Roster.Somebody> people = new ArrayList<>();
        for (Chunk name : names) people.add(so.roster.get(name.value()));
        if (role != null && !owned) for (Roster.Somebody one : people) role(one, role);
        if (hearing || owned) {
            if (first && !owned)
                for (Roster.Somebody one : people) {
                    sign(one);
                    attributes(clause, one, before(clause, names), role);
                    if (clause.chunks().getFirst().kind() == Meant.PLACE
                            && line.label().contains(clause.chunks().getFirst()))
                        attributes(clause, one, line.label(), role);
                }
            return;
        }
        List<Chunk> attributes = new ArrayList<>();
        for (Chunk chunk : clause.chunks())
            if (chunk.from() >= names.getLast().to() && chunk.to() <= to) attributes.add(chunk);
        boolean own =
                attributes.stream()
                        .anyMatch(c -> c.is(Meant.PLACE, Meant.WAY, Meant.GEAR, Meant.INSTRUMENT));
        for (Chunk chunk : clause.chunks()) {
            if (chunk.from() < from || chunk.to() > names.getFirst().from()) continue;
            boolean beside = isFill(clause, chunk.to(), names.getFirst().from());
            boolean cut = says(clause, chunk.to(), names.getFirst().from(), ",");
            if (chunk.is(Meant.PLACE, Meant.WAY) && (beside && !cut || first && !own && !cut))
                attributes.add(chunk);
            if (chunk.is(Meant.INSTRUMENT) && first) attributes.add(chunk);
        }
        boolean relative = says(clause, names.getLast().to(), to, "who");
        if (relative && people.size() > 1) {
            Roster.Somebody last = people.getLast();
            attributes(clause, last, attributes, role);
            attributes.removeIf(chunk -> chunk.is(Meant.WAY));
        }
        for (Chunk chunk : line.label())
            if (chunk.is(Meant.PLACE, Meant.WAY)) attributes.add(chunk);
        if (Sheet.of(line.label(), Meant.ROLE).isPresent() && role == null)
            for (Roster.Somebody one : people) role(one, Sheet.of(line.label(), Meant.ROLE).get());
        for (Roster.Somebody one : people) attributes(clause, one, attributes, role);
        boolean leads =
                first
                        && names.getFirst().from() <= 1
                        && followedByVerb(clause, names.getLast().to());
        boolean beside = clause.has(Meant.SPEAKLESS, Meant.SILENT) || names.size() > 1;
        if (leads || beside) for (Roster.Somebody one : people) sign(one);
        if (Sheet.of(clause.chunks(), Meant.SPEAKLESS).isPresent()) {
            int at = Sheet.of(clause.chunks(), Meant.SPEAKLESS).get().from();
            if (at >= names.getLast().to() && at < to)
                for (Roster.Somebody one : people) one.speaks = false;
        }
    }

    /// What stands behind names and before the first word of hearing: "Fenn joins by video call, he
    /// must not hear himself".
    private static List<Chunk> before(Clause clause, List<Chunk> names) {
        int to = clause.first(Meant.HEAR).map(Chunk::from).orElse(0);
        int way = clause.first(Meant.HEAR).map(Chunk::to).orElse(0);
        return clause.all(Meant.WAY, Meant.PLACE, Meant.INSTRUMENT).stream()
                .filter(c -> c.from() >= names.getLast().to())
                .filter(c -> c.to() <= to || c.kind() == Meant.WAY && c.from() == way)
                .filter(c -> !says(clause, names.getLast().to(), c.from(), "to"))
                .toList();
    }

    private static boolean says(Clause clause, int from, int to, String word) {
        for (int t = from; t < to; t++) if (clause.tokens().get(t).low().equals(word)) return true;
        return false;
    }

    private static boolean followedByVerb(Clause clause, int t) {
        if (t >= clause.tokens().size()) return false;
        String low = clause.tokens().get(t).low();
        return English.shipped().isVerb(low) && !low.equals(":");
    }

    /// What stands beside names as what they do.
    private Chunk role(Clause clause, List<Chunk> names, int from, int to) {
        Chunk best = null;
        for (Chunk chunk : clause.all(Meant.ROLE)) {
            boolean before =
                    chunk.from() >= from
                            && chunk.to() <= names.getFirst().from()
                            && isFill(clause, chunk.to(), names.getFirst().from());
            boolean after =
                    chunk.from() >= names.getLast().to()
                            && chunk.to() <= to
                            && chunk.from() - names.getLast().to() <= NEAR
                            && isFill(clause, names.getLast().to(), chunk.from());
            boolean many = isPlural(chunk);
            boolean loose = before && says(clause, chunk.to(), names.getFirst().from(), ",");
            if (many && names.size() == 1 && (loose || after)) continue;
            if (before || after && best == null) best = chunk;
        }
        return best;
    }

    private static boolean isPlural(Chunk role) {
        String low = role.text().toLowerCase(Locale.ROOT);
        String single = Names.singular(low);
        return !single.equals(low)
                && (!Vocabulary.shipped().of(single).isEmpty() || English.shipped().isNoun(single));
    }

    private static boolean isFill(Clause clause, int from, int to) {
        for (int t = from; t < to; t++) {
            int at = t;
            boolean chunked =
                    clause.chunks().stream()
                            .anyMatch(
                                    c ->
                                            c.from() <= at
                                                    && at < c.to()
                                                    && !c.is(
                                                            Meant.COUNT,
                                                            Meant.GROUP,
                                                            Meant.SUBJECT,
                                                            Meant.PLACE));
            if (!chunked
                    && !FILL.contains(clause.tokens().get(t).low())
                    && clause.chunks().stream().noneMatch(c -> c.from() <= at && at < c.to()))
                return false;
            if (chunked) return false;
        }
        return true;
    }

    private void sign(Roster.Somebody who) {
        if (!who.signed) who.line = line.number();
        who.signed = true;
        so.used.add(line.number());
    }

    private void role(Roster.Somebody who, Chunk role) {
        sign(who);
        String low = role.text().toLowerCase(Locale.ROOT);
        who.words.add(low);
        who.words.add(Names.singular(low));
        if (!who.role.isEmpty() || role.value().isEmpty()) return;
        who.sure = true;
        who.role = role.value().equals("audience") ? "guest" : role.value();
        if (role.value().equals("caller")) afar(who, "phone");
    }

    private void afar(Roster.Somebody who, String by) {
        if (!who.by.isEmpty()) return;
        who.by = by;
        who.place = "";
        sign(who);
    }

    private void attributes(
            Clause clause, Roster.Somebody who, List<Chunk> attributes, Chunk role) {
        boolean placed = !who.place.isEmpty();
        for (Chunk chunk : attributes) if (chunk.is(Meant.WAY) && !placed) afar(who, chunk.value());
        for (Chunk chunk : attributes) {
            switch (chunk.kind()) {
                case PLACE -> {
                    if (who.place.isEmpty() && !who.isAfar() && isPlaced(clause, chunk)) {
                        who.place = chunk.text();
                        sign(who);
                    }
                }
                case DOES -> {
                    boolean only =
                            chunk.value().equals("listener")
                                    && clause.all(Meant.PLACE).stream()
                                            .anyMatch(
                                                    p ->
                                                            p.from() >= chunk.to()
                                                                    && p.from() - chunk.to() <= 2);
                    if (who.role.isEmpty() && role == null && !only) who.role = chunk.value();
                    String does = chunk.text().toLowerCase(Locale.ROOT);
                    who.words.add(does.substring(does.lastIndexOf(' ') + 1));
                    sign(who);
                }
                case INSTRUMENT -> {
                    if (who.role.isEmpty() && role == null) who.role = "musician";
                    who.words.add(chunk.text().toLowerCase(Locale.ROOT));
                    sign(who);
                }
                case GEAR -> {
                    boolean at =
                            chunk.from() > 0
                                    && says(
                                            clause,
                                            Math.max(0, chunk.from() - 3),
                                            chunk.from(),
                                            "at");
                    if (chunk.value().equals("mixer") && at && who.role.isEmpty() && role == null)
                        who.role = "technician";
                    if (!chunk.value().equals("mixer") || at) sign(who);
                }
                default -> {}
            }
        }
    }

    /// Whether a place is where somebody is, and not what sound goes to.
    private static boolean isPlaced(Clause clause, Chunk place) {
        boolean heading = !clause.chunks().contains(place);
        if (heading || place.from() == 0) return true;
        String before = clause.tokens().get(place.from() - 1).low();
        String further = place.from() > 1 ? clause.tokens().get(place.from() - 2).low() : "";
        return !before.equals("to") && !further.equals("to") && !before.equals("of");
    }

    /// "She sits in the hall": of whoever was spoken of.
    private void pronoun(Clause clause) {
        Optional<Chunk> group = clause.first(Meant.GROUP, Meant.SUBJECT);
        if (group.isEmpty() || group.get().from() > 1) return;
        List<Roster.Somebody> meant =
                switch (group.get().value()) {
                    case "he", "she" -> so.roster.one().stream().toList();
                    case "they" -> so.roster.several();
                    case "i" -> so.roster.me().stream().toList();
                    default -> List.of();
                };
        List<Chunk> attributes =
                clause.chunks().stream()
                        .filter(c -> c.is(Meant.PLACE, Meant.WAY, Meant.GEAR, Meant.DOES))
                        .toList();
        for (Roster.Somebody one : meant)
            if (one.signed) {
                attributes(clause, one, attributes, null);
                if (clause.has(Meant.SPEAKLESS)) one.speaks = false;
                for (Chunk role : clause.all(Meant.ROLE)) if (one.role.isEmpty()) role(one, role);
            }
    }

    // Counts

    private void counted(Clause clause, List<List<Chunk>> groups) {
        // "about 40 in the hall"
        if (clause.chunks().size() > 1 && !clause.has(Meant.ROLE)) {
            Chunk first = clause.chunks().getFirst();
            Chunk second = clause.chunks().get(1);
            boolean hall =
                    first.kind() == Meant.COUNT
                            && first.from() <= 1
                            && first.number() >= HALL
                            && second.kind() == Meant.PLACE
                            && second.from() - first.to() <= 2
                            && second.from() > first.to();
            if (hall)
                several(
                        clause,
                        new Chunk(
                                Meant.ROLE,
                                "audience",
                                "people",
                                first.from(),
                                first.to(),
                                Double.NaN),
                        Optional.of(first));
        }
        pews(clause);
        listening(clause);
        for (Chunk role : clause.all(Meant.ROLE)) {
            boolean ensemble = ENSEMBLES.containsKey(role.text().toLowerCase(Locale.ROOT));
            boolean many =
                    ensemble
                            || isPlural(role)
                            || role.value().equals("audience")
                                    && !role.text().equalsIgnoreCase("public");
            if (!many && !role.text().equals("people")) continue;
            boolean named =
                    groups.stream()
                            .anyMatch(
                                    names ->
                                            role == role(clause, names, 0, clause.tokens().size())
                                                    || names.getFirst().from() >= role.to()
                                                            && isFillOrPlaced(
                                                                    clause,
                                                                    role.to(),
                                                                    names.getFirst().from()));
            if (named) continue;
            Optional<Chunk> count = count(clause, role);
            boolean audience = role.value().equals("audience");
            boolean alone =
                    count.isEmpty()
                            && audience
                            && (role.from() == 0 || role.from() == 1)
                            && clause.first();
            if (count.isEmpty() && ensemble) {
                double size = ENSEMBLES.get(role.text().toLowerCase(Locale.ROOT));
                boolean there =
                        clause.has(Meant.PLACE, Meant.GEAR) || clause.first() && role.from() < 3;
                if (there)
                    several(
                            clause,
                            role,
                            size > 0
                                    ? Optional.of(
                                            new Chunk(
                                                    Meant.COUNT,
                                                    "",
                                                    "",
                                                    role.from(),
                                                    role.to(),
                                                    size))
                                    : count);
                continue;
            }
            if (count.isEmpty() && !alone) continue;
            several(clause, role, count);
        }
    }

    /// "About sixty in the pews": many who are somewhere, of whom nothing else is said.
    private void pews(Clause clause) {
        Optional<Chunk> count = clause.first(Meant.COUNT);
        if (clause.has(Meant.ROLE, Meant.NAME)
                || count.isEmpty()
                || !isFirst(clause, count.get())
                || !(count.get().number() >= HALL)) return;
        int in = count.get().to();
        if (in + 2 >= clause.tokens().size()
                || !clause.tokens().get(in).low().matches("in|at|on|round|around|along")) return;
        int t = clause.tokens().get(in + 1).low().equals("the") ? in : in - 1;
        if (!English.shipped().isNoun(clause.tokens().get(t + 2).low())
                || clause.chunks().stream()
                        .anyMatch(c -> c.from() == t + 2 && c.kind() != Meant.PLACE)) return;
        Chunk people = new Chunk(Meant.ROLE, "audience", "people", t, t, Double.NaN);
        several(clause, people, count);
        so.roster.there().stream()
                .filter(one -> one.role.equals("audience") && !one.isNamed() && !one.isAfar())
                .filter(one -> one.place.isEmpty())
                .findFirst()
                .ifPresent(one -> one.place = clause.tokens().get(t + 2).text());
    }

    /// Whether nothing stands before a count but that it is none exactly: "up to 25".
    private static boolean isFirst(Clause clause, Chunk count) {
        if (clause.chunks().getFirst() != count || count.from() > 2) return false;
        for (int t = 0; t < count.from(); t++)
            if (!clause.tokens()
                    .get(t)
                    .low()
                    .matches("up|to|about|some|around|roughly|another|maybe|the|ca|~|and|then|say"))
                return false;
        return true;
    }

    /// "About 80 listen on the webinar": several from afar of whom it is said how they come.
    private void listening(Clause clause) {
        Optional<Chunk> count = clause.first(Meant.COUNT);
        if (clause.has(Meant.ROLE, Meant.NAME)
                || count.isEmpty()
                || !isFirst(clause, count.get())
                || !clause.has(Meant.WAY)
                || count.get().to() >= clause.tokens().size()) return;
        String does = clause.tokens().get(count.get().to()).low();
        boolean comes =
                does.matches("listen|watch|follow|join|are|come|more|at|by|on|over|via|from")
                        || clause.first(Meant.WAY).get().from() == count.get().to();
        if (!comes) return;
        int t = count.get().to();
        several(clause, new Chunk(Meant.ROLE, "guest", "people", t, t, Double.NaN), count);
        if (does.matches("listen|watch|follow") || clause.has(Meant.SILENT))
            so.roster.there().stream()
                    .filter(one -> !one.isNamed() && one.isAfar() && one.line == line.number())
                    .forEach(one -> one.speaks = false);
    }

    private static boolean isFillOrPlaced(Clause clause, int from, int to) {
        return to - from <= 3 && isFill(clause, from, to);
    }

    private static Optional<Chunk> count(Clause clause, Chunk role) {
        Optional<Chunk> before =
                clause.all(Meant.COUNT).stream()
                        .filter(c -> c.to() <= role.from() && role.from() - c.to() <= 3)
                        .filter(c -> !isApart(clause, c.to(), role.from()))
                        .filter(
                                c ->
                                        clause.chunks().stream()
                                                .noneMatch(
                                                        o ->
                                                                o.from() >= c.to()
                                                                        && o.to() <= role.from()
                                                                        && o.is(
                                                                                Meant.NAME,
                                                                                Meant.GEAR,
                                                                                Meant.OUT)))
                        .reduce((a, b) -> b);
        boolean labels =
                role.to() < clause.tokens().size()
                        && List.of(":", "of").contains(clause.tokens().get(role.to()).low());
        if (before.isEmpty() && labels)
            return clause.all(Meant.COUNT).stream()
                    .filter(c -> c.from() == role.to() + 1)
                    .findFirst();
        if (before.isEmpty()) {
            Optional<Chunk> bracketed =
                    clause.all(Meant.COUNT).stream()
                            .filter(
                                    c ->
                                            isBracketed(clause, role, c)
                                                    || c.from() - role.to() <= 2
                                                            && c.from() > role.to()
                                                            && clause.text(
                                                                            c.to(),
                                                                            Math.min(
                                                                                    c.to() + 2,
                                                                                    clause.tokens()
                                                                                            .size()))
                                                                    .equals("of them"))
                            .findFirst();
            if (bracketed.isPresent()) return bracketed;
        }
        if (before.isPresent() || !role.value().equals("audience")) return before;
        return clause.all(Meant.COUNT).stream().filter(c -> c.from() >= role.to()).findFirst();
    }

    /// A choir and a quartet are two.
    private static boolean isOtherEnsemble(Roster.Somebody one, Chunk role) {
        String low = role.text().toLowerCase(Locale.ROOT);
        return ENSEMBLES.containsKey(low)
                && !one.words.contains(low)
                && one.words.stream().anyMatch(ENSEMBLES::containsKey);
    }

    /// Whether a word between says that they are two things: "two over the choir".
    private static boolean isApart(Clause clause, int from, int to) {
        for (int t = from; t < to; t++)
            if (clause.tokens()
                    .get(t)
                    .low()
                    .matches("over|above|for|from|to|in|at|on|with|before|behind|under|near"))
                return true;
        return false;
    }

    /// "Brass quintet (5)".
    private static boolean isBracketed(Clause clause, Chunk role, Chunk count) {
        return count.from() == role.to() + 1
                && count.to() < clause.tokens().size()
                && clause.tokens().get(role.to()).low().equals("(")
                && clause.tokens().get(count.to()).low().equals(")");
    }

    private void several(Clause clause, Chunk role, Optional<Chunk> count) {
        Optional<Chunk> way = Optional.empty();
        for (Chunk chunk : clause.all(Meant.WAY)) way = Optional.of(chunk);
        if (way.isEmpty()) way = Sheet.of(line.label(), Meant.WAY);
        Optional<Chunk> place =
                clause.all(Meant.PLACE).stream().filter(p -> isPlaced(clause, p)).findFirst();
        if (place.isEmpty()) place = Sheet.of(line.label(), Meant.PLACE);
        boolean phone =
                role.value().equals("caller") || way.map(Chunk::value).orElse("").equals("phone");
        String by = phone ? "phone" : way.map(Chunk::value).orElse("");
        Double many = count.map(Chunk::number).orElse(null);
        boolean crowd = role.value().equals("guest") && many != null && many >= CROWD;
        boolean audience = (role.value().equals("audience") || crowd) && by.isEmpty();
        for (Roster.Somebody one : so.roster.all())
            if (!one.isNamed()
                    && one.by.equals(by)
                    && audience == one.role.equals("audience")
                    && !isOtherEnsemble(one, role)) {
                if (one.count == null) one.count = many;
                return;
            }
        Roster.Somebody group = so.roster.add("");
        group.role =
                audience
                        ? "audience"
                        : by.equals("phone")
                                ? "caller"
                                : role.value().equals("audience") ? "guest" : role.value();
        if (role.value().equals("musician") || role.value().equals("player"))
            group.role = role.value();
        group.count = many;
        group.words.add(role.text().toLowerCase(Locale.ROOT));
        if (by.isEmpty()) place.ifPresent(chunk -> group.place = chunk.text());
        else {
            group.by = by;
        }
        boolean mute =
                clause.has(Meant.SPEAKLESS)
                        || clause.tokens().stream().anyMatch(t -> LISTEN_ONLY.contains(t.low()))
                                && clause.says("only", "just");
        if (mute) group.speaks = false;
        sign(group);
    }
}
