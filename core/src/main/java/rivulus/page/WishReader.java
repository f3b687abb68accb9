package rivulus.page;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/// Who is to hear whom, in the many ways of saying it.
final class WishReader {
    /// One thing or person, with the small words around it.
    static final String ITEM =
            "(?:(?:the|a|an|his|her|its|our|my|their|your|those|these|all|of|lots|same|other|old|any|some|in|little|good|own|us|two|both|from|at|with) )*(?:<C\\d+> )?(?:(?!less|not|no|minus|without|but|except|never|nor|neither|only|and|or|to|is|are|may|must|into|on|than|for|that|when|if|so|as|it|who|which|hate|hates|apart|nothing)\\w+ )??(?:<U\\d+> (?:(?!to|on|in|at|from|but)\\w+ )?(?=$|[,.)|]|and |not )|<[NRUOSGILWQ]\\d+> )(?:'s? |(?:one|ones|people|guests?|voice|voices|sound|sounds|side) )*";

    /// Several of them.
    static final String LIST =
            "(?:"
                    + ITEM
                    + "(?:(?:, |and |& |\\+ |or |nor |/ |, and |plus |as well as |too |also |but |not )+?"
                    + ITEM
                    + ")*)";

    private static final String PLAIN =
            "(?:"
                    + ITEM
                    + "(?:(?:, |and |& |\\+ |or |nor |/ |, and |plus |as well as )+(?!(?:\\w+ )?<Q)"
                    + ITEM
                    + ")*)";
    /// The same, of whom is heard: it ends where the next one does something.
    private static final String WHOM =
            "(?:"
                    + ITEM
                    + "(?:(?:, |and |& |\\+ |or |nor |/ |, and |plus |as well as )+(?!(?:\\w+ )?<Q)(?!(?:the )?<[A-Z]\\d+> (?:must|may|should|shall|can|does|do|will|is|are|has|have|not|never|<H|gets?|hates?|wants?|needs?))"
                    + ITEM
                    + ")*)";
    private static final String SMALL =
            "(?:(?:must|has|have|should|shall|can|is|are|to|also|may|will|would|like|be|able|all|always|each|both|really|of|course|still|who|that|do|does|want|wants|need|needs|by|phone|call|there|again|very|much|dearly|love|then|may|too|in the \\w+|at the \\w+|both|shall|let) )*";
    private static final String NOT = "(?:not|never|neither|nor)";
    private static final String HEARS =
            "(?:<H\\d+> |carry |carries |plays? |has |have |gets? |takes? )";
    private static final String EXCEPT =
            "(?:(?:, |but |- |\\( ?)*(?:but|except|not|without|minus|less|no|apart from|bar|and not|nor|never|neither) (?:for |of |also |even )*(?<but>"
                    + PLAIN
                    + "))?";

    private static final Pattern MUST_NOT =
            Pattern.compile(
                    "(?<who>"
                            + PLAIN
                            + ")(?:, )?(?:who |they |he |she |we )?"
                            + SMALL
                            + "(?:"
                            + NOT
                            + ") (?:(?:ever|to|be|able|even|allowed|necessarily|go|want|wants) )*<H\\d+> (?:to <H\\d+> |of |any |either )?(?<whom>"
                            + WHOM
                            + ")");
    private static final Pattern FRONTED =
            Pattern.compile(
                    "(?<whom>"
                            + PLAIN
                            + ")(?:, )?(?<who>"
                            + PLAIN
                            + ")"
                            + SMALL
                            + NOT
                            + " (?:ever )?<H\\d+>");
    private static final Pattern ONLY =
            Pattern.compile(
                    "(?<who>"
                            + PLAIN
                            + ")"
                            + SMALL
                            + "(?:only <H\\d+> |<H\\d+> (?:only|just|nothing but|nobody but|no one but) )(?<whom>"
                            + WHOM
                            + ")|(?<who2>"
                            + PLAIN
                            + ")"
                            + SMALL
                            + "<H\\d+> (?<whom2>"
                            + WHOM
                            + ")(?:only|, (?:and )?(?:no one|nobody|nothing) else|alone|, and <U\\d+>)");
    private static final Pattern MUST =
            Pattern.compile(
                    "(?<who>"
                            + PLAIN
                            + ")(?:, )?"
                            + SMALL
                            + HEARS
                            + "(?:to <H\\d+> )?(?:only |just )?(?<whom>"
                            + WHOM
                            + ")"
                            + EXCEPT);
    private static final Pattern REACH =
            Pattern.compile(
                    "(?<whom>"
                            + PLAIN
                            + ")(?:, )?"
                            + SMALL
                            + "(?<not>not |never )?reach(?:es)? (?<who>"
                            + PLAIN
                            + ")");
    private static final Pattern FOR_IS =
            Pattern.compile("for (?<who>" + PLAIN + ")(?:it is |only |just )(?<whom>" + WHOM + ")");
    private static final Pattern BARE =
            Pattern.compile(
                    "^(?:and |but )?"
                            + SMALL
                            + "(?<not>not |never )?<H\\d+> (?<only>only |just |nothing but )?(?<whom>"
                            + WHOM
                            + ")"
                            + EXCEPT);
    private static final Pattern MINUS =
            Pattern.compile(
                    "(?:mix-minus|mix minus|n - <C\\d+>|clean feed)(?: \\w+){0,2} (?:to|for) (?<who>"
                            + PLAIN
                            + ")");
    private static final Pattern NO_ON_IT =
            Pattern.compile("(?:no|not|without) (?<whom>" + WHOM + ")(?:on|in) <U\\d+>");
    private static final Pattern MORE_NOT =
            Pattern.compile(
                    "\\G(?:, |and |but |or |\\( ?)*(?:no|not|never|without|minus|nor|neither) (?:for |the )?(?<whom>"
                            + WHOM
                            + ")");
    private static final Pattern NOT_ON_OUT =
            Pattern.compile("(?:not|never) (?:on|in) (?:the )?(?<who><O\\d+>)");
    private static final Pattern NO_FOR =
            Pattern.compile(
                    "(?:no|not|without) (?<whom>" + WHOM + ")(?:for|to) (?<who>" + PLAIN + ")");
    private static final Pattern NOT_ON =
            Pattern.compile(
                    "(?<whom>"
                            + PLAIN
                            + ")(?:, )?(?:(?:is|are|goes|go|comes|come|stays?|must|may|should|shall|can|be|kept|to|does|do|will|ever|heard) )*(?:not|never|nowhere)(?: (?:be|go|come|ever|to|heard|wanted|kept|back))* (?:on|in|into|to|over|through|out of|for) (?<who>"
                            + PLAIN
                            + ")");
    private static final Pattern KEEP_OUT =
            Pattern.compile(
                    "keep (?<whom>"
                            + PLAIN
                            + ")(?:out of|off|away from|from) (?<who>"
                            + PLAIN
                            + ")");
    private static final Pattern ONLY_TO =
            Pattern.compile(
                    "(?<whom>"
                            + PLAIN
                            + ")(?:from (?:the |my )?<G\\d+> |off (?:the |my )?<G\\d+> )?(?:, )?(?:(?:goes|go|comes|is|are|just|talks?|speaks?) )*(?:only (?:to|into|in|on|for) (?<who>"
                            + PLAIN
                            + ")|(?:to|into|in|on|for) (?<who2>"
                            + PLAIN
                            + ")(?:only|alone|(?:, )?(?:and )?(?:nowhere else|nobody else|no one else|<U\\d+>)))");
    private static final Pattern GOES_TO =
            Pattern.compile(
                    "(?<whom>"
                            + PLAIN
                            + ")(?:(?:goes|go|comes|come|is|are|to|be|also|heard|sent|played) )+(?:to|into|on|over|through|in) (?<who>"
                            + PLAIN
                            + ")");
    private static final Pattern TALKS =
            Pattern.compile(
                    "(?:(?<whom>"
                            + PLAIN
                            + ")(?:, )?(?:(?:can|may|must|should|has|have|with|a|who|will|wants?|to|be|able|<G\\d+>) )*)?(?:talks?|<G\\d+>|speaks?|whispers?|comments?|talkback|talk back|cuts? in|says? \\w+|hints?)(?: \\w+){0,2} (?:to|into|in) (?<who>"
                            + PLAIN
                            + ")(?<only>only)?");
    private static final Pattern NEVER_OUT =
            Pattern.compile(
                    "(?:without it going out|never goes? out|never out|not out|never on (?:the )?(?:air|<U\\d+>)|never <U\\d+>|not on (?:the )?<U\\d+>|without <U\\d+> <U\\d+>|without it <U\\d+>|that never <U\\d+>|not go on air|is never on air|isn't on air)");
    private static final Pattern EACH_OTHER =
            Pattern.compile(
                    "(?<who>"
                            + PLAIN
                            + ")(?:\\w+ ){0,4}(?:<H\\d+> )(?:each other |one another )(?:and (?<whom>"
                            + WHOM
                            + "))?");
    private static final Pattern BUT_SELF =
            Pattern.compile(
                    "(?<who>"
                            + PLAIN
                            + ")(?:\\w+ )?(?:, )?(?:but |must |should |may |and )*"
                            + NOT
                            + " (?:<H\\d+> |get |hear )?(?:to )?(?<self><U\\d+>)");
    private static final Pattern LABEL = Pattern.compile("^(?<who>" + PLAIN + "): (?<rest>.*)$");
    private static final Pattern ONLY_GETS =
            Pattern.compile("only (?<who>" + PLAIN + ")" + HEARS + "(?<whom>" + WHOM + ")");
    private static final Pattern ELLIPSIS =
            Pattern.compile(
                    "^(?:and |but |again )*(?<who>"
                            + PLAIN
                            + ")(?:must|does|do|may|will|should|shall|is|are) (?<not>not )?$");
    private static final Pattern LABELLED =
            Pattern.compile(
                    "^(?:on |in |into |for )?(?<label>"
                            + PLAIN
                            + ")(?:(?:from|off) (?:the |my |her |his )?(?:<U\\d+> )?<G\\d+> )?: (?<list>"
                            + WHOM
                            + ")(?<only>only)?");
    private static final Pattern SAME =
            Pattern.compile(
                    "(?<who>" + PLAIN + ")" + SMALL + "<H\\d+> (?:the same|the same thing)");
    private static final Pattern NOT_TO =
            Pattern.compile("^(?:and |but )?(?:not|never) to (?<who>" + PLAIN + ")");
    private static final Pattern AND_TO =
            Pattern.compile("(?:, |and |, and )(?:also )?to (?<who>" + PLAIN + ")");
    private static final Pattern COMPLAINT =
            Pattern.compile(
                    "(?<who>" + PLAIN + ")(?:\\w+ ){0,4}(?:heard|hear|<H\\d+>) (?<self><U\\d+>)");
    private static final Pattern NEITHER =
            Pattern.compile(
                    "(?:neither of|none of|nobody of) (?<who>"
                            + PLAIN
                            + ")"
                            + SMALL
                            + "<H\\d+> (?<whom>"
                            + WHOM
                            + ")");
    private static final Pattern WHEN =
            Pattern.compile("(?:^| )(?:in|during|at|for|under|to) (?:the )?");
    private static final Pattern NONE_OF =
            Pattern.compile("(?:^|, |and )(?:no|not|without|never) (?<whom>" + ITEM + ")");

    private final Gathered so;

    /// What patterns are held against just now.
    private String text = "";

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

    boolean read(Sheet.Line line, Clause clause) {
        int before = so.wishes.size();
        String when = when(clause);
        String coded = clause.coded();
        Matcher ellipsis = so.effort.matcher(ELLIPSIS, coded);
        if (ellipsis.find() && !so.wishes.isEmpty()) {
            Facts.Wish last = so.wishes.getLast();
            List<String> whom =
                    so.wishes.stream()
                            .filter(w -> w.line() == last.line() && w.who().equals(last.who()))
                            .map(Facts.Wish::whom)
                            .toList();
            for (String who : so.meant(heard(clause, clause.in(ellipsis.group("who"))), List.of()))
                for (String source : whom)
                    so.wish(
                            who,
                            ellipsis.group("not") == null ? "must" : "must not",
                            source,
                            when,
                            line.number());
            return so.wishes.size() > before;
        }
        if (labelled(line, clause, coded, when)) return true;
        Matcher same = so.effort.matcher(SAME, coded);
        if (same.find() && !so.wishes.isEmpty()) same(line, clause, same, when);
        if (clause.says("last", "complained", "complain", "never again", "again")) {
            Matcher complaint = so.effort.matcher(COMPLAINT, coded);
            while (complaint.find())
                if (clause.in(complaint.group("self")).getFirst().value().equals("themselves"))
                    for (String ear :
                            so.meant(heard(clause, clause.in(complaint.group("who"))), List.of()))
                        so.wish(ear, "must not", ear, when, line.number());
            if (clause.says("last")) return so.wishes.size() > before;
        }
        Matcher notTo = so.effort.matcher(NOT_TO, coded);
        if (notTo.find() && !so.wishes.isEmpty()) {
            String last = so.wishes.getLast().whom();
            for (String who : so.meant(clause.in(notTo.group("who")), List.of()))
                so.wish(who, "must not", last, when, line.number());
            return true;
        }
        coded =
                each(
                        NEITHER,
                        coded,
                        m -> wish(line, clause, m.group("who"), "must not", m.group("whom"), when));
        coded =
                each(
                        MUST_NOT,
                        coded,
                        m -> wish(line, clause, m.group("who"), "must not", m.group("whom"), when));
        coded =
                each(
                        ONLY,
                        coded,
                        m -> {
                            String who = m.group("who") != null ? m.group("who") : m.group("who2");
                            String whom =
                                    m.group("whom") != null ? m.group("whom") : m.group("whom2");
                            wish(line, clause, who, "only", whom, when);
                        });
        coded =
                each(
                        REACH,
                        coded,
                        m ->
                                wish(
                                        line,
                                        clause,
                                        m.group("who"),
                                        m.group("not") == null ? "must" : "must not",
                                        m.group("whom"),
                                        when));
        coded =
                each(
                        FOR_IS,
                        coded,
                        m -> wish(line, clause, m.group("who"), "only", m.group("whom"), when));
        coded =
                each(
                        MINUS,
                        coded,
                        m -> {
                            for (String who :
                                    so.meant(heard(clause, clause.in(m.group("who"))), List.of())) {
                                so.wish(who, "must", "programme", when, line.number());
                                so.wish(who, "must not", who, when, line.number());
                            }
                        });
        coded =
                each(
                        EACH_OTHER,
                        coded,
                        m -> {
                            eachOther(line, clause, m.group("who"), when);
                            if (m.group("whom") != null)
                                wish(line, clause, m.group("who"), "must", m.group("whom"), when);
                            more(line, clause, m, m.group("who"), when);
                        });
        coded =
                each(
                        ONLY_GETS,
                        coded,
                        m -> {
                            wish(line, clause, m.group("who"), "must", m.group("whom"), when);
                            others(line, clause, m.group("whom"), when);
                        });
        coded =
                each(
                        KEEP_OUT,
                        coded,
                        m -> wish(line, clause, m.group("who"), "must not", m.group("whom"), when));
        boolean never = so.effort.matcher(NEVER_OUT, coded).find();
        if (never) programme(line, clause);
        coded = so.effort.matcher(NEVER_OUT, coded).replaceAll(" ");
        if (clause.has(Meant.OUT))
            coded =
                    each(
                            NO_ON_IT,
                            coded,
                            m -> {
                                boolean it = clause.in(m.group()).getLast().value().equals("it");
                                String out =
                                        so.meant(List.of(clause.first(Meant.OUT).get()), List.of())
                                                .getFirst();
                                if (it)
                                    for (String sound :
                                            so.meant(clause.in(m.group("whom")), List.of()))
                                        so.wish(out, "must not", sound, when, line.number());
                            });
        coded =
                each(
                        TALKS,
                        coded,
                        m -> {
                            List<Chunk> verb =
                                    clause.in(
                                            m.group()
                                                    .substring(
                                                            m.group("whom") == null
                                                                    ? 0
                                                                    : m.group("whom").length()));
                            boolean gear = !verb.isEmpty() && verb.getFirst().kind() == Meant.GEAR;
                            if (gear && !verb.getFirst().value().equals("talkback mic")) return;
                            List<String> whom = talkers(clause, m.group("whom"), m.start());
                            for (String ear :
                                    so.meant(heard(clause, clause.in(m.group("who"))), List.of()))
                                for (String source : whom)
                                    if (!ear.equals(source))
                                        so.wish(ear, "must", source, when, line.number());
                            Matcher more = AND_TO.matcher(text.substring(m.end()));
                            while (more.find())
                                for (String ear :
                                        so.meant(
                                                heard(clause, clause.in(more.group("who"))),
                                                List.of()))
                                    for (String source : whom)
                                        if (!ear.equals(source))
                                            so.wish(ear, "must", source, when, line.number());
                            if (m.group("only") != null
                                    || clause.tokens().stream()
                                            .anyMatch(t -> t.low().equals("only")))
                                for (String source : whom)
                                    so.wish(
                                            "everyone else",
                                            "must not",
                                            source,
                                            when,
                                            line.number());
                        });
        if (clause.has(Meant.OUT))
            coded =
                    each(
                            NOT_ON_OUT,
                            coded,
                            m -> {
                                if (clause.first(Meant.NAME).isPresent())
                                    for (String source :
                                            so.meant(
                                                    List.of(clause.first(Meant.NAME).get()),
                                                    List.of()))
                                        for (String out :
                                                so.meant(clause.in(m.group("who")), List.of()))
                                            so.wish(out, "must not", source, when, line.number());
                            });
        coded =
                each(
                        ONLY_TO,
                        coded,
                        m -> {
                            wish(
                                    line,
                                    clause,
                                    m.group("who") != null ? m.group("who") : m.group("who2"),
                                    "must",
                                    m.group("whom"),
                                    when);
                            others(line, clause, m.group("whom"), when);
                        });
        coded =
                each(
                        NOT_ON,
                        coded,
                        m -> wish(line, clause, m.group("who"), "must not", m.group("whom"), when));
        coded =
                each(
                        NO_FOR,
                        coded,
                        m -> wish(line, clause, m.group("who"), "must not", m.group("whom"), when));
        if (clause.has(Meant.HEAR) || coded.contains(" carr") || clause.has(Meant.OUT)) {
            Matcher bare = so.effort.matcher(BARE, coded);
            if (bare.find() && so.roster.one().isPresent()) {
                List<String> ears = so.roster.one().map(one -> List.of(one.name)).orElse(List.of());
                for (String ear : ears) {
                    String hears =
                            bare.group("not") != null
                                    ? "must not"
                                    : bare.group("only") != null ? "only" : "must";
                    for (String source : so.meant(clause.in(bare.group("whom")), List.of(ear)))
                        so.wish(ear, hears, source, when, line.number());
                    if (bare.group("but") != null)
                        for (String source : so.meant(clause.in(bare.group("but")), List.of(ear)))
                            so.wish(ear, "must not", source, when, line.number());
                }
                coded = "| ";
            }
            coded =
                    each(
                            MUST,
                            coded,
                            m -> {
                                boolean may = (" " + m.group()).contains(" may ");
                                wish(
                                        line,
                                        clause,
                                        m.group("who"),
                                        may ? "may" : "must",
                                        m.group("whom"),
                                        when);
                                if (m.group("but") != null)
                                    wish(
                                            line,
                                            clause,
                                            m.group("who"),
                                            "must not",
                                            m.group("but"),
                                            when);
                                more(line, clause, m, m.group("who"), when);
                            });
            coded =
                    each(
                            FRONTED,
                            coded,
                            m ->
                                    wish(
                                            line,
                                            clause,
                                            m.group("who"),
                                            "must not",
                                            m.group("whom"),
                                            when));
        }
        coded =
                each(
                        GOES_TO,
                        coded,
                        m -> wish(line, clause, m.group("who"), "must", m.group("whom"), when));
        coded =
                each(
                        BUT_SELF,
                        coded,
                        m -> wish(line, clause, m.group("who"), "must not", m.group("self"), when));
        return so.wishes.size() > before;
    }

    /// "Didrik gets the same": what was last said of somebody else, not of themselves.
    private void same(Sheet.Line line, Clause clause, Matcher same, String when) {
        Facts.Wish last = so.wishes.getLast();
        List<Facts.Wish> before =
                so.wishes.stream().filter(w -> w.who().equals(last.who())).toList();
        for (String who : so.meant(heard(clause, clause.in(same.group("who"))), List.of()))
            for (Facts.Wish one : before)
                so.wish(
                        who,
                        one.hears(),
                        one.whom().equals(one.who()) ? who : one.whom(),
                        when,
                        line.number());
    }

    /// What follows a match by way of "no beds, no jingles": not that either.
    private void more(Sheet.Line line, Clause clause, Matcher match, String who, String when) {
        Matcher more = so.effort.matcher(MORE_NOT, text);
        int at = match.end();
        while (more.find(at) && more.start() == at) {
            wish(line, clause, who, "must not", more.group("whom"), when);
            at = more.end();
        }
    }

    private interface Take {
        void of(Matcher matcher);
    }

    /// Takes each place where a pattern fits, and what is left without it.
    private String each(Pattern pattern, String coded, Take take) {
        text = coded;
        Matcher matcher = pattern.matcher(coded);
        StringBuilder left = new StringBuilder();
        int at = 0;
        while (matcher.find()) {
            take.of(matcher);
            left.append(coded, at, matcher.start()).append("| ");
            at = matcher.end();
        }
        return left.append(coded.substring(at)).toString();
    }

    private String when(Clause clause) {
        Matcher in = WHEN.matcher(clause.coded());
        if (!in.find()) return "";
        StringBuilder low = new StringBuilder();
        for (Token token : clause.tokens()) low.append(token.low()).append(' ');
        String words = low.toString();
        for (Gathered.PartSoFar part : so.parts)
            if (words.matches(
                    ".*\\b(?:in|during|at|for|under) (?:the )?" + Pattern.quote(part.key) + " .*"))
                return part.name;
        return "";
    }

    private void wish(
            Sheet.Line line, Clause clause, String who, String hears, String whom, String when) {
        List<String> ears = so.meant(heard(clause, clause.in(who)), List.of());
        List<Chunk> sounds = new ArrayList<>(clause.in(whom));
        sounds.removeIf(
                c ->
                        c.kind() == Meant.PLACE
                                && so.meant(List.of(c), List.of()).equals(List.of("house"))
                                && sounds.size() > 1);
        boolean only =
                sounds.removeIf(
                        c -> c.value().equals("everyone else") && c.text().startsWith("no"));
        boolean thing =
                sounds.size() == 1
                        && sounds.getFirst().text().matches("(?i)them|it|those|this|that")
                        && !so.roster.it().isEmpty()
                        && !clause.has(Meant.SOUND);
        for (String ear : ears)
            for (String source : thing ? List.of(so.roster.it()) : so.meant(sounds, List.of(ear)))
                if (isSound(clause, whom)
                        && !(ear.equals(source)
                                && hears.equals("must")
                                && !isSelf(sounds)
                                && !ear.equals("everyone")))
                    so.wish(ear, only ? "only" : hears, source, when, line.number());
    }

    private static boolean isSelf(List<Chunk> chunks) {
        return chunks.stream().anyMatch(c -> c.value().equals("themselves"));
    }

    /// Of who hears: without what only says by which way; the name in place of what stands behind
    /// it as what they do.
    private static List<Chunk> heard(Clause clause, List<Chunk> chunks) {
        if (chunks.isEmpty()) return chunks;
        Chunk first = chunks.getFirst();
        boolean apposition =
                chunks.size() == 1
                        && first.kind() == Meant.ROLE
                        && first.from() > 0
                        && clause.tokens().get(first.from() - 1).low().matches(",|\\(|-")
                        && clause.chunks().getFirst().kind() == Meant.NAME;
        if (apposition) return List.of(clause.chunks().getFirst());
        boolean named = chunks.stream().anyMatch(c -> c.kind() == Meant.NAME);
        return chunks.stream()
                .filter(c -> !(named && c.is(Meant.WAY, Meant.GEAR, Meant.PLACE)))
                .toList();
    }

    /// Who talks: those who are named, else the last named before, else who was spoken of.
    private List<String> talkers(Clause clause, String whom, int at) {
        if (whom != null) {
            List<String> named = so.meant(heard(clause, clause.in(whom)), List.of());
            if (!named.isEmpty()) return named;
        }
        List<Chunk> before =
                clause.in(clause.coded().substring(0, Math.min(at, clause.coded().length())));
        for (Chunk chunk : before.reversed())
            if (chunk.is(Meant.NAME)) return so.meant(List.of(chunk), List.of());
        return so.roster.one().map(one -> List.of(one.name)).orElse(List.of());
    }

    private static boolean isSound(Clause clause, String whom) {
        return clause.in(whom).stream()
                .anyMatch(
                        c ->
                                c.is(
                                        Meant.NAME,
                                        Meant.ROLE,
                                        Meant.GROUP,
                                        Meant.SOUND,
                                        Meant.INSTRUMENT,
                                        Meant.WAY,
                                        Meant.PLACE,
                                        Meant.GEAR,
                                        Meant.OUT));
    }

    private void eachOther(Sheet.Line line, Clause clause, String who, String when) {
        List<String> all = new ArrayList<>(so.meant(clause.in(who), List.of()));
        for (String one : all)
            for (String other : all)
                if (!one.equals(other)) so.wish(one, "must", other, when, line.number());
    }

    private void others(Sheet.Line line, Clause clause, String whom, String when) {
        for (String source : so.meant(clause.in(whom), List.of()))
            so.wish("everyone else", "must not", source, when, line.number());
    }

    private void programme(Sheet.Line line, Clause clause) {
        Optional<Chunk> who = clause.first(Meant.NAME, Meant.ROLE, Meant.SOUND);
        if (who.isEmpty()) who = line.clauses().getFirst().first(Meant.NAME, Meant.SOUND);
        List<String> names =
                who.map(c -> so.meant(List.of(c), List.of()))
                        .orElse(so.roster.one().map(one -> List.of(one.name)).orElse(List.of()));
        for (String name : names) so.wish("programme", "must not", name, "", line.number());
    }

    /// "callers: no beds, no jingles", "stream: both games", "click: the drummer only".
    private boolean labelled(Sheet.Line line, Clause clause, String coded, String when) {
        int before = so.wishes.size();
        Matcher list = so.effort.matcher(LABELLED, coded);
        if (list.find()) {
            List<Chunk> label = clause.in(list.group("label"));
            List<Chunk> items = clause.in(list.group("list"));
            boolean out =
                    label.stream()
                            .allMatch(
                                    c ->
                                            c.kind() == Meant.OUT
                                                    || c.kind() == Meant.GEAR
                                                            && Set.of("loudspeakers", "pa")
                                                                    .contains(c.value()));
            boolean sounds =
                    items.stream()
                            .allMatch(
                                    c ->
                                            c.is(
                                                            Meant.SOUND,
                                                            Meant.NAME,
                                                            Meant.INSTRUMENT,
                                                            Meant.ROLE)
                                                    || c.kind() == Meant.GROUP
                                                            && c.value().equals("everything"));
            if (out && sounds)
                wish(line, clause, list.group("label"), "must", list.group("list"), when);
            boolean sound = label.stream().allMatch(c -> c.kind() == Meant.SOUND);
            boolean ears =
                    items.stream()
                            .allMatch(
                                    c ->
                                            c.is(Meant.NAME, Meant.OUT, Meant.ROLE)
                                                    || c.is(Meant.GROUP, Meant.SUBJECT)
                                                            && Set.of(
                                                                            "i",
                                                                            "they",
                                                                            "he",
                                                                            "she",
                                                                            "we",
                                                                            "everyone")
                                                                    .contains(c.value()));
            if (sound && ears) {
                wish(line, clause, list.group("list"), "must", list.group("label"), when);
                if (list.group("only") != null) others(line, clause, list.group("label"), when);
            }
        }
        Matcher label = so.effort.matcher(LABEL, coded);
        if (!label.find()) return so.wishes.size() > before;
        List<String> ears = so.meant(heard(clause, clause.in(label.group("who"))), List.of());
        Matcher none = so.effort.matcher(NONE_OF, label.group("rest"));
        while (none.find())
            for (String ear : ears)
                for (String source : so.meant(clause.in(none.group("whom")), List.of(ear)))
                    so.wish(ear, "must not", source, when, line.number());
        return so.wishes.size() > before;
    }
}
