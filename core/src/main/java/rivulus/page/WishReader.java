package rivulus.page;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/// Who is to hear whom, in the many ways of saying it ([WishShapes]).
final class WishReader {
    private static final Set<String> LOUD = Set.of("loudspeakers", "pa");
    private static final Set<String> PRONOUNS = Set.of("i", "they", "he", "she", "we", "everyone");

    private final Gathered so;

    WishReader(Gathered so) {
        this.so = so;
    }

    /// Whether a clause says something of what somebody hears.
    static boolean isOne(Clause clause) {
        return clause.has(Meant.HEAR)
                && clause.has(Meant.NAME, Meant.ROLE, Meant.GROUP, Meant.OUT, Meant.SOUND)
                && clause.all(
                                        Meant.NAME,
                                        Meant.ROLE,
                                        Meant.GROUP,
                                        Meant.OUT,
                                        Meant.SOUND,
                                        Meant.PLACE)
                                .size()
                        > 1;
    }

    void read(Sheet.Line line, Clause clause) {
        new One(line, clause).read();
    }

    private interface Take {
        void of(Matcher matcher);
    }

    /// One clause while it is read: what a shape took of it is taken out, so that no other takes it
    /// too.
    private final class One {
        private final Sheet.Line line;
        private final Clause clause;
        private final String when;
        private final int before = so.wishes.size();

        /// What is left to be read.
        private String coded;

        One(Sheet.Line line, Clause clause) {
            this.line = line;
            this.clause = clause;
            coded = clause.coded();
            when = when();
        }

        void read() {
            if (ofTheLast() || labelled()) return;
            same();
            if (complaint() || notTo()) return;
            each(WishShapes.NEITHER, this::mustNot);
            each(WishShapes.MUST_NOT, this::mustNot);
            each(WishShapes.ONLY, m -> wish(either(m, "who"), "only", either(m, "whom")));
            each(
                    WishShapes.REACH,
                    m ->
                            wish(
                                    m.group("who"),
                                    m.group("not") == null ? "must" : "must not",
                                    m.group("whom")));
            each(WishShapes.FOR_IS, m -> wish(m.group("who"), "only", m.group("whom")));
            each(WishShapes.MINUS, this::mixMinus);
            each(WishShapes.EACH_OTHER, this::eachOther);
            each(WishShapes.ONLY_GETS, m -> alone(m, m.group("who")));
            each(WishShapes.KEEP_OUT, this::mustNot);
            if (so.effort.matcher(WishShapes.NEVER_OUT, coded).find()) programme();
            coded = so.effort.matcher(WishShapes.NEVER_OUT, coded).replaceAll(" ");
            if (clause.has(Meant.OUT)) each(WishShapes.NO_ON_IT, this::notOnIt);
            each(WishShapes.TALKS, this::talks);
            if (clause.has(Meant.OUT)) each(WishShapes.NOT_ON_OUT, this::notOnOut);
            each(WishShapes.ONLY_TO, m -> alone(m, either(m, "who")));
            each(WishShapes.NOT_ON, this::mustNot);
            each(WishShapes.NO_FOR, this::mustNot);
            if (clause.has(Meant.HEAR, Meant.OUT) || coded.contains(" carr")) {
                bare();
                each(WishShapes.MUST, this::must);
                each(WishShapes.FRONTED, this::mustNot);
            }
            each(WishShapes.GOES_TO, m -> wish(m.group("who"), "must", m.group("whom")));
            each(WishShapes.BUT_SELF, m -> wish(m.group("who"), "must not", m.group("self")));
        }

        /// Takes each place where a shape fits out of what is left.
        private void each(Pattern shape, Take take) {
            Matcher matcher = so.effort.matcher(shape, coded);
            StringBuilder left = new StringBuilder();
            int at = 0;
            while (matcher.find()) {
                take.of(matcher);
                left.append(coded, at, matcher.start()).append("| ");
                at = matcher.end();
            }
            coded = left.append(coded.substring(at)).toString();
        }

        private static String either(Matcher match, String group) {
            return match.group(group) != null ? match.group(group) : match.group(group + "2");
        }

        // By what was said before

        /// What is said by what was said last.
        ///
        /// @return whether that is all that the clause says
        private boolean ofTheLast() {
            if (so.wishes.isEmpty()) return false;
            Matcher ellipsis = so.effort.matcher(WishShapes.ELLIPSIS, coded);
            if (!ellipsis.find()) return false;
            Facts.Wish last = so.wishes.getLast();
            List<String> whom =
                    so.wishes.stream()
                            .filter(w -> w.line() == last.line() && w.who().equals(last.who()))
                            .map(Facts.Wish::whom)
                            .toList();
            String hears = ellipsis.group("not") == null ? "must" : "must not";
            for (String ear : ears(ellipsis.group("who")))
                for (String source : whom) add(ear, hears, source);
            return true;
        }

        /// "Didrik gets the same": what was last said of somebody else, not of themselves.
        private void same() {
            Matcher same = so.effort.matcher(WishShapes.SAME, coded);
            if (so.wishes.isEmpty() || !same.find()) return;
            Facts.Wish last = so.wishes.getLast();
            List<Facts.Wish> all =
                    so.wishes.stream().filter(w -> w.who().equals(last.who())).toList();
            for (String ear : ears(same.group("who")))
                for (Facts.Wish one : all)
                    add(ear, one.hears(), one.whom().equals(one.who()) ? ear : one.whom());
        }

        /// "Last time Bram heard himself": what went wrong then must not be.
        ///
        /// @return whether the clause tells of then
        private boolean complaint() {
            if (!clause.says("last", "complained", "complain", "never again", "again"))
                return false;
            Matcher complaint = so.effort.matcher(WishShapes.COMPLAINT, coded);
            while (complaint.find())
                if (isSelf(clause.in(complaint.group("self"))))
                    for (String ear : ears(complaint.group("who"))) add(ear, "must not", ear);
            return clause.says("last");
        }

        /// "Not to Sunniva", behind what somebody else hears.
        private boolean notTo() {
            Matcher notTo = so.effort.matcher(WishShapes.NOT_TO, coded);
            if (so.wishes.isEmpty() || !notTo.find()) return false;
            String last = so.wishes.getLast().whom();
            for (String ear : so.meant(clause.in(notTo.group("who")), List.of()))
                add(ear, "must not", last);
            return true;
        }

        // By shapes

        private void mustNot(Matcher match) {
            wish(match.group("who"), "must not", match.group("whom"));
        }

        private void must(Matcher match) {
            boolean may = (" " + match.group()).contains(" may ");
            wish(match.group("who"), may ? "may" : "must", match.group("whom"));
            if (match.group("but") != null)
                wish(match.group("who"), "must not", match.group("but"));
            more(match);
        }

        /// Whom one hears, and nobody else does.
        private void alone(Matcher match, String who) {
            wish(who, "must", match.group("whom"));
            others(so.meant(clause.in(match.group("whom")), List.of()));
        }

        private void mixMinus(Matcher match) {
            for (String ear : ears(match.group("who"))) {
                add(ear, "must", "programme");
                add(ear, "must not", ear);
            }
        }

        private void eachOther(Matcher match) {
            List<String> all = so.meant(clause.in(match.group("who")), List.of());
            for (String one : all)
                for (String other : all) if (!one.equals(other)) add(one, "must", other);
            if (match.group("whom") != null) wish(match.group("who"), "must", match.group("whom"));
            more(match);
        }

        /// What follows a match by way of "no beds, no jingles": not that either.
        private void more(Matcher match) {
            Matcher more = so.effort.matcher(WishShapes.MORE_NOT, coded);
            int at = match.end();
            while (more.find(at) && more.start() == at) {
                wish(match.group("who"), "must not", more.group("whom"));
                at = more.end();
            }
        }

        private void notOnIt(Matcher match) {
            if (!clause.in(match.group()).getLast().value().equals("it")) return;
            String out = so.meant(clause.all(Meant.OUT), List.of()).getFirst();
            for (String source : so.meant(clause.in(match.group("whom")), List.of()))
                add(out, "must not", source);
        }

        private void notOnOut(Matcher match) {
            clause.first(Meant.NAME)
                    .ifPresent(
                            name -> {
                                for (String source : so.meant(List.of(name), List.of()))
                                    for (String out : ears(match.group("who")))
                                        add(out, "must not", source);
                            });
        }

        private void talks(Matcher match) {
            int verb = match.group("whom") == null ? 0 : match.group("whom").length();
            List<Chunk> behind = clause.in(match.group().substring(verb));
            boolean gear = !behind.isEmpty() && behind.getFirst().kind() == Meant.GEAR;
            if (gear && !behind.getFirst().value().equals("talkback mic")) return;
            List<String> talkers = talkers(match);
            heardBy(match.group("who"), talkers);
            Matcher more = so.effort.matcher(WishShapes.AND_TO, coded.substring(match.end()));
            while (more.find()) heardBy(more.group("who"), talkers);
            if (clause.tokens().stream().anyMatch(token -> token.low().equals("only")))
                others(talkers);
        }

        private void heardBy(String who, List<String> talkers) {
            for (String ear : ears(who))
                for (String source : talkers) if (!ear.equals(source)) add(ear, "must", source);
        }

        /// Who talks: those who are named, else the last named before, else who was spoken of.
        private List<String> talkers(Matcher match) {
            if (match.group("whom") != null) {
                List<String> named = ears(match.group("whom"));
                if (!named.isEmpty()) return named;
            }
            for (Chunk chunk : clause.in(coded.substring(0, match.start())).reversed())
                if (chunk.is(Meant.NAME)) return so.meant(List.of(chunk), List.of());
            return spokenOf();
        }

        /// "Hears the bandmaster, and no one else": of whoever was spoken of.
        private void bare() {
            Matcher bare = so.effort.matcher(WishShapes.BARE, coded);
            if (!bare.find() || spokenOf().isEmpty()) return;
            String ear = spokenOf().getFirst();
            String hears =
                    bare.group("not") != null
                            ? "must not"
                            : bare.group("only") != null ? "only" : "must";
            for (String source : so.meant(clause.in(bare.group("whom")), List.of(ear)))
                add(ear, hears, source);
            for (String source : so.meant(clause.in(bare.group("but")), List.of(ear)))
                add(ear, "must not", source);
            coded = "| ";
        }

        private void programme() {
            Optional<Chunk> who = clause.first(Meant.NAME, Meant.ROLE, Meant.SOUND);
            if (who.isEmpty()) who = line.clauses().getFirst().first(Meant.NAME, Meant.SOUND);
            List<String> names =
                    who.map(chunk -> so.meant(List.of(chunk), List.of())).orElseGet(this::spokenOf);
            for (String name : names) so.wish("programme", "must not", name, "", line.number());
        }

        // By labels

        /// "callers: no beds, no jingles", "stream: both games", "click: the drummer only".
        private boolean labelled() {
            Matcher list = so.effort.matcher(WishShapes.LABELLED, coded);
            if (list.find()) labelled(list);
            Matcher label = so.effort.matcher(WishShapes.LABEL, coded);
            if (label.find()) {
                Matcher none = so.effort.matcher(WishShapes.NONE_OF, label.group("rest"));
                while (none.find())
                    for (String ear : ears(label.group("who")))
                        for (String source : so.meant(clause.in(none.group("whom")), List.of(ear)))
                            add(ear, "must not", source);
            }
            return so.wishes.size() > before;
        }

        private void labelled(Matcher list) {
            List<Chunk> label = clause.in(list.group("label"));
            List<Chunk> items = clause.in(list.group("list"));
            if (label.stream().allMatch(WishReader::isOut)
                    && items.stream().allMatch(WishReader::isHeard))
                wish(list.group("label"), "must", list.group("list"));
            boolean sound = label.stream().allMatch(chunk -> chunk.kind() == Meant.SOUND);
            if (!sound || !items.stream().allMatch(WishReader::isEar)) return;
            wish(list.group("list"), "must", list.group("label"));
            if (list.group("only") != null) others(so.meant(label, List.of()));
        }

        // What is added

        private void add(String ear, String hears, String source) {
            so.wish(ear, hears, source, when, line.number());
        }

        private void others(List<String> sources) {
            for (String source : sources) add("everyone else", "must not", source);
        }

        private void wish(String who, String hears, String whom) {
            List<Chunk> sounds = new ArrayList<>(clause.in(whom));
            if (sounds.isEmpty()) return;
            sounds.removeIf(
                    chunk ->
                            chunk.kind() == Meant.PLACE
                                    && so.meant(List.of(chunk), List.of()).equals(List.of("house"))
                                    && sounds.size() > 1);
            boolean only =
                    sounds.removeIf(
                            chunk ->
                                    chunk.value().equals("everyone else")
                                            && chunk.text().startsWith("no"));
            boolean thing =
                    sounds.size() == 1
                            && sounds.getFirst().text().matches("(?i)them|it|those|this|that")
                            && !so.roster.it().isEmpty()
                            && !clause.has(Meant.SOUND);
            for (String ear : ears(who))
                for (String source :
                        thing ? List.of(so.roster.it()) : so.meant(sounds, List.of(ear))) {
                    boolean own =
                            ear.equals(source)
                                    && hears.equals("must")
                                    && !isSelf(sounds)
                                    && !ear.equals("everyone");
                    if (!own) add(ear, only ? "only" : hears, source);
                }
        }

        /// Who hears, of some words: without what only says by which way; the name in place of what
        /// stands behind it as what they do.
        private List<String> ears(String who) {
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
            boolean named = chunks.stream().anyMatch(chunk -> chunk.kind() == Meant.NAME);
            List<Chunk> heard =
                    chunks.stream()
                            .filter(c -> !(named && c.is(Meant.WAY, Meant.GEAR, Meant.PLACE)))
                            .toList();
            return so.meant(heard, List.of());
        }

        private List<String> spokenOf() {
            return so.roster.one().map(one -> List.of(one.name)).orElse(List.of());
        }

        /// The part of the evening in which it holds; empty for all.
        private String when() {
            if (!WishShapes.WHEN.matcher(clause.coded()).find()) return "";
            String words = clause.low();
            for (Gathered.PartSoFar part : so.parts)
                if (words.matches(
                        ".*\\b(?:in|during|at|for|under) (?:the )?"
                                + Pattern.quote(part.key)
                                + " .*")) return part.name;
            return "";
        }
    }

    private static boolean isSelf(List<Chunk> chunks) {
        return chunks.stream().anyMatch(chunk -> chunk.value().equals("themselves"));
    }

    private static boolean isOut(Chunk chunk) {
        return chunk.kind() == Meant.OUT
                || chunk.kind() == Meant.GEAR && LOUD.contains(chunk.value());
    }

    private static boolean isHeard(Chunk chunk) {
        return chunk.is(Meant.SOUND, Meant.NAME, Meant.INSTRUMENT, Meant.ROLE)
                || chunk.kind() == Meant.GROUP && chunk.value().equals("everything");
    }

    private static boolean isEar(Chunk chunk) {
        return chunk.is(Meant.NAME, Meant.OUT, Meant.ROLE)
                || chunk.is(Meant.GROUP, Meant.SUBJECT) && PRONOUNS.contains(chunk.value());
    }
}
