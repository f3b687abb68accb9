package rivulus.page;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/// Who rests in the parts of an evening: by what stands beside a part, and by what is said of it
/// elsewhere.
final class RestReader {
    private static final String LIST = WishShapes.LIST;
    private static final String BUT =
            "(?:but|except|besides|beside|apart from|bar|other than|save) (?:for |only )?";
    private static final String SPEAKS =
            "(?:talks?|speaks?|talking|speaking|heard|says|sings?|singing|plays?|playing|joins?)";

    /// "All but Tadhg silent", "everybody muted apart from Hildred", and "the organ too".
    private static final Pattern ALL_BUT =
            Pattern.compile(
                    "(?<who><[UQ]\\d+>|all) (?:\\w+ |<Z\\d+> ){0,3}?"
                            + BUT
                            + "(?<but>"
                            + LIST
                            + ")(?:\\w+ ){0,3}?(?:<Z\\d+> )?(?:, (?:and )?(?<too>"
                            + LIST
                            + ")(?:too|as well|also) )?");
    /// "Nobody speaks", "none of us five to be heard", "without anyone speaking".
    private static final Pattern NOBODY =
            Pattern.compile(
                    "(?:<U\\d+> (?:is|are|be) <U\\d+>|(?:no (?:person|one|voice|voices|people)|noone|<U\\d+>) (?:of (?:<U\\d+> |them ))?(?:<C\\d+> )?(?:\\w+ ){0,3}?"
                            + SPEAKS
                            + "|no (?:talk|talking|speech|voices|speaking)) ");
    /// "Everyone's mic off", "we all shut up", "everybody on stage keeps quiet", "all closed".
    private static final Pattern EVERYBODY =
            Pattern.compile(
                    "(?<who><[UQ]\\d+>|all) (?:'s? )?(?:<U\\d+> )?(?:of (?:<U\\d+> |them ))?(?:<[GC]\\d+> |(?!not)\\w+ ){0,3}?(?<at><L\\d+> )?(?:<Z\\d+>|(?:shuts?|shutting) up)");
    private static final Pattern SILENCE =
            Pattern.compile(
                    "(?<!with )(?<who>"
                            + LIST
                            + "|<[UQC]\\d+> )(?:(?:in|on|at|from) (?:the )?(?<at><L\\d+>) )?(?:, )?(?:(?:all|both|is|are|stays?|keeps?|must|be|to|will|should|has|have|goes|naturally|being|in|which|they|three|we|do|not|here|there|also|too|of|it|the|then|can|may|shall|just|kept|mic|mics|microphones|lines?|channels?) |<G\\d+> ){0,5}<Z\\d+>(?: ?, (?:and )?(?<too>"
                            + LIST
                            + ")(?:too|as well|also))?");
    private static final Pattern IN_SILENCE =
            Pattern.compile("^[ ,:(-]*(?:all )?<Z\\d+> *(?:[).,]|$)");
    /// "Mute the callers".
    private static final Pattern MUTE =
            Pattern.compile(
                    "(?:<Z\\d+> |(?:mute|close|silence|shut|cut|kill|turn <Z\\d+>|switch <Z\\d+>) )(?<who>"
                            + LIST
                            + ")");
    private static final Pattern WITHOUT =
            Pattern.compile(
                    "(?:^|[ ,(|])(?:no|without|minus|leave out|take away|take out|not) (?<who>"
                            + LIST
                            + ")");
    private static final Pattern ALONE =
            Pattern.compile(
                    "(?:(?:only|just|nothing but|nobody but) (?<a>"
                            + LIST
                            + ")(?!(?:in|for|during|after|until) )|(?<b>"
                            + LIST
                            + ")(?:is |are |speaks? |talks? |plays? )?(?:alone|only|on (?:his|her|their) own|by <U\\d+>)(?! (?:there |here |on |in )?(?:in|for|during|after|until) ))");
    /// Where a part is named: "in the second", "during the talk".
    private static final Pattern IN =
            Pattern.compile(
                    "\\b(?:in|during|for|at|within) (?:the |each |every |both |our |my |that )*(?<part>\\w+(?: \\w+){0,2})");
    /// Words for everything, which nobody is.
    private static final Set<String> ALL = Set.of("programme", "everyone", "everything");
    private static final Pattern ONLY_THEN =
            Pattern.compile("\\bonly (?:then|there)\\b|\\b(?:then|there) only\\b");
    /// Who sounds in spite of it: "Baptiste may announce".
    private static final Pattern YET =
            Pattern.compile(
                    "(?:, |but |only )(?<who>"
                            + LIST
                            + ")(?:may|can|still|does|do|is allowed|are allowed) (?:\\w+ )?");

    private static final Pattern UNTIL =
            Pattern.compile(
                    "\\b(?:waits?|not (?:there |here |on |in |heard )?|silent |quiet |muted? |off |closed |away |rests? )(?:\\w+ )?(?:until|till|before) ");
    private static final Pattern COMES =
            Pattern.compile(
                    "\\b(?:comes?|joins?|enters?|arrives?|starts?|is on|are on|opens?)(?: in| on| us| only)* (?:only )?(?:after|with|from) ");
    private static final Pattern LEAVES =
            Pattern.compile(
                    "\\b(?:leaves?|goes|go|is gone|are gone|is off|are off|is out|drops? out|hangs? up|is muted|are muted|silent|off)(?: us)? (?:after|from) ");
    private static final Pattern FOR =
            Pattern.compile(
                    "\\b(?:comes?|joins?|is|are|here|there|calls?|rings?)(?: in| on| there| here| us)* (?:just |only )?for (?:the )?");

    private final Gathered so;

    RestReader(Gathered so) {
        this.so = so;
    }

    // Beside a part

    /// Who rests by what a part of a clause says.
    void read(Gathered.PartSoFar part, Clause clause, int from, int to) {
        read(part, clause, clause.coded(from, to));
    }

    private boolean read(Gathered.PartSoFar part, Clause clause, String said) {
        Set<String> rests = new LinkedHashSet<>();
        String coded = said;
        Matcher allBut = so.effort.matcher(ALL_BUT, coded);
        while (allBut.find()) {
            if (!isEverybody(clause, allBut.group("who"))) continue;
            rests.addAll(others(meant(clause, allBut.group("but"))));
            rests.addAll(sounding(meant(clause, allBut.group("too"))));
            coded = blank(coded, allBut);
        }
        Matcher nobody = so.effort.matcher(NOBODY, coded);
        while (nobody.find()) {
            if (!isNobody(clause, coded.substring(0, nobody.start()), nobody.group())) continue;
            rests.addAll(everybody(clause, nobody.group()));
            coded = blank(coded, nobody);
        }
        Matcher every = so.effort.matcher(EVERYBODY, coded);
        while (every.find()) {
            if (!isEverybody(clause, every.group("who"))) continue;
            List<String> at = meant(clause, every.group("at"));
            rests.addAll(at.isEmpty() ? everybody(clause, every.group()) : at);
            coded = blank(coded, every);
            Matcher yet = so.effort.matcher(YET, coded);
            if (yet.find()) meant(clause, yet.group("who")).forEach(rests::remove);
        }
        Matcher silence = so.effort.matcher(SILENCE, coded);
        while (silence.find()) {
            List<String> who = meant(clause, lastOf(clause, silence.group("who")));
            if (silence.group("at") != null && isPronoun(clause, silence.group("who")))
                who = meant(clause, silence.group("at"));
            rests.addAll(sounding(who));
            rests.addAll(sounding(meant(clause, silence.group("too"))));
        }
        if (so.effort.matcher(IN_SILENCE, coded).find()) rests.addAll(so.speaking());
        Matcher mute = so.effort.matcher(MUTE, coded);
        if (mute.lookingAt()
                || mute.find() && coded.substring(0, mute.start()).matches("(?:\\w+ ){0,5}[,:]? ?"))
            rests.addAll(sounding(meant(clause, mute.group("who"))));
        Matcher without = so.effort.matcher(WITHOUT, coded);
        while (without.find()) rests.addAll(sounding(meant(clause, without.group("who"))));
        Matcher alone = so.effort.matcher(ALONE, coded);
        if (alone.find()) {
            String words = alone.group("a") != null ? alone.group("a") : alone.group("b");
            List<String> who = meant(clause, words);
            boolean sounds =
                    clause.in(words).stream().allMatch(c -> c.is(Meant.SOUND, Meant.INSTRUMENT));
            if (sounds || who.stream().anyMatch(this::isSource)) rests.addAll(others(who));
        }
        rests.removeIf(one -> Gathered.key(one).equals(part.key));
        return part.rests.addAll(rests);
    }

    /// Of two that only a comma parts, the last: "(Ciaran, Salome off)".
    private static String lastOf(Clause clause, String who) {
        List<Chunk> all = clause.in(who);
        boolean row =
                all.size() == 2
                        && who.contains("> , ")
                        && !who.matches(".*(?:and|&|\\+|/|or|nor) .*");
        return row && all.stream().allMatch(c -> c.kind() == Meant.NAME)
                ? who.substring(who.indexOf("> , ") + 4)
                : who;
    }

    /// The same text with what was read of it made blank, so that it is not read again.
    private static String blank(String coded, Matcher read) {
        return coded.substring(0, read.start())
                + "|".repeat(read.end() - read.start())
                + coded.substring(read.end());
    }

    private List<String> meant(Clause clause, String coded) {
        return so.meant(clause.in(coded), List.of());
    }

    /// Whether it speaks or is played.
    private boolean isSource(String one) {
        return so.speaking().contains(one) || isPlayed(one);
    }

    private boolean isPlayed(String one) {
        return so.plays.stream().anyMatch(played -> played.name().equals(one));
    }

    /// Everybody else who speaks; and where it is played, all else that is played, too.
    private List<String> others(List<String> but) {
        List<String> others = new ArrayList<>(so.speaking());
        if (!but.isEmpty() && but.stream().allMatch(this::isPlayed))
            for (Facts.Plays played : so.plays) others.add(played.name());
        others.removeAll(but);
        return others;
    }

    /// Everybody who speaks; where the rest is meant, but those the clause names.
    private List<String> everybody(Clause clause, String said) {
        List<String> all = new ArrayList<>(so.speaking());
        boolean rest = clause.in(said).stream().anyMatch(c -> c.value().equals("everyone else"));
        if (rest) all.removeAll(so.meant(clause.all(Meant.NAME), List.of()));
        return all;
    }

    private static boolean isEverybody(Clause clause, String who) {
        return who.startsWith("all")
                || clause.in(who).stream()
                        .anyMatch(
                                c ->
                                        c.value().startsWith("everyone")
                                                || c.value().equals("we")
                                                || c.value().equals("everything"));
    }

    private static boolean isNobody(Clause clause, String before, String said) {
        if (said.startsWith("no")) return true;
        String value = clause.in(said).getFirst().value();
        return value.equals("nobody") || value.equals("everyone") && before.endsWith("without ");
    }

    private static boolean isPronoun(Clause clause, String who) {
        return clause.in(who).stream().allMatch(c -> c.is(Meant.GROUP, Meant.SUBJECT, Meant.COUNT));
    }

    private static List<String> sounding(List<String> all) {
        return all.stream()
                .map(one -> one.equals("floor") ? "house" : one)
                .filter(one -> !Gathered.isOutput(one) && !ALL.contains(one))
                .toList();
    }

    // Elsewhere

    /// A clause that says who rests in a part named before: "in the break everybody mute".
    boolean read(Sheet.Line line, Clause clause) {
        String words = clause.plain();
        List<Gathered.PartSoFar> parts = named(words);
        if (parts.isEmpty() && WishReader.isOne(clause)) return false;
        boolean saidHere = !parts.isEmpty();
        if (parts.isEmpty())
            parts =
                    so.parts.stream()
                            .filter(p -> p.line == line.number())
                            .reduce((_, b) -> b)
                            .stream()
                            .toList();
        if (parts.isEmpty()) return false;
        if (saidHere && (only(line, clause) || when(line, clause, parts, words))) return true;
        boolean any =
                so.effort.matcher(ONLY_THEN, words).find()
                        && onlyIn(line, clause, others(parts, ""));
        for (Gathered.PartSoFar part : parts) any |= read(part, clause, clause.coded());
        if (any) so.used.add(line.number());
        return any;
    }

    /// "Until", "after" and "for" a part: who waits for it, comes or leaves behind it, or is there
    /// for it alone.
    private boolean when(
            Sheet.Line line, Clause clause, List<Gathered.PartSoFar> parts, String words) {
        int first = so.parts.indexOf(parts.getFirst());
        int last = so.parts.indexOf(parts.getLast());
        if (so.effort.matcher(UNTIL, words).find())
            return first > 0 && onlyIn(line, clause, so.parts.subList(0, first));
        if (so.effort.matcher(COMES, words).find())
            return onlyIn(
                    line,
                    clause,
                    so.parts.subList(0, words.contains(" after ") ? last + 1 : first));
        if (so.effort.matcher(LEAVES, words).find())
            return onlyIn(
                    line,
                    clause,
                    so.parts.subList(
                            words.contains(" after ") ? last + 1 : first, so.parts.size()));
        return so.effort.matcher(FOR, words).find() && onlyIn(line, clause, others(parts, ""));
    }

    /// A clause that says of something that it is in some parts only, or only after one.
    boolean only(Sheet.Line line, Clause clause) {
        String words = clause.plain();
        if (!words.contains("only") && !words.contains("alone")) return false;
        List<Gathered.PartSoFar> after = new ArrayList<>();
        List<Gathered.PartSoFar> in = new ArrayList<>();
        for (Gathered.PartSoFar part : so.parts)
            for (String name : words.contains(begins(part)) ? names(part) : List.<String>of()) {
                if (so.effort.fits(
                        words, ".*\\bonly (?:after|behind) (?:the )?" + name + "(?: .*)?"))
                    after.add(part);
                else if (isOnlyIn(words, name)) in.add(part);
            }
        if (!after.isEmpty())
            return onlyIn(line, clause, so.parts.subList(0, so.parts.indexOf(after.getLast()) + 1));
        return !in.isEmpty() && onlyIn(line, clause, others(in, words));
    }

    private static String begins(Gathered.PartSoFar part) {
        int blank = part.key.indexOf(' ');
        return blank < 0 ? part.key : part.key.substring(0, blank);
    }

    /// A part's name, and if it is of two words what one calls it for short: "the second".
    private static List<String> names(Gathered.PartSoFar part) {
        List<String> names = new ArrayList<>(List.of(Pattern.quote(part.key)));
        String[] words = part.key.split(" ");
        if (words.length == 2 && words[0].matches("first|second|third|last|opening|final"))
            names.add(words[0] + "(?: one)?(?= *$| *[,.;)])");
        return names;
    }

    private boolean isOnlyIn(String words, String name) {
        String in = "(?:in|for|during|at|within) (?:the |a |an |each |every |our |my )?";
        return so.effort.fits(words, ".*\\bonly " + in + name + "(?: .*)?")
                || so.effort.fits(
                        words,
                        ".*\\b"
                                + in
                                + name
                                + " (?:only|alone)(?: *[-,;)(].*| (?:and|but|not) .*)?");
    }

    /// All parts but some and those which are named besides.
    private List<Gathered.PartSoFar> others(List<Gathered.PartSoFar> parts, String words) {
        List<Gathered.PartSoFar> others = new ArrayList<>(so.parts);
        others.removeAll(parts);
        String then =
                words.substring(words.indexOf("only") + 1).split(", (?:in|at|during|then) ")[0];
        others.removeIf(part -> (" " + then + " ").contains(" " + part.key + " "));
        return others;
    }

    /// Who is meant to be in some parts only rests in the others.
    private boolean onlyIn(Sheet.Line line, Clause clause, List<Gathered.PartSoFar> others) {
        List<Chunk> who = clause.all(Meant.NAME, Meant.ROLE, Meant.SOUND, Meant.INSTRUMENT);
        Optional<Chunk> hears = clause.first(Meant.HEAR);
        if (hears.isPresent())
            who = who.stream().filter(chunk -> chunk.from() > hears.get().from()).toList();
        if (who.isEmpty()) return false;
        List<String> names = sounding(so.meant(listed(clause, before(clause, who)), List.of()));
        for (Gathered.PartSoFar other : others) other.rests.addAll(names);
        so.used.add(line.number());
        return true;
    }

    /// What is named in one breath with something: "Mrs. Tembe and Mr. Vasko".
    private static List<Chunk> listed(Clause clause, Chunk first) {
        List<Chunk> listed = new ArrayList<>();
        int end = first.from();
        for (Chunk chunk : clause.chunks()) {
            if (chunk.from() < first.from()) continue;
            boolean joined = true;
            for (int t = end; t < chunk.from(); t++)
                joined &= clause.tokens().get(t).low().matches(",|and|&|\\+|/|the");
            if (!joined || !chunk.is(Meant.NAME, Meant.ROLE, Meant.SOUND, Meant.INSTRUMENT)) break;
            listed.add(chunk);
            end = chunk.to();
        }
        return listed;
    }

    /// Who stands first; where it is only then that something sounds, who stands last before that.
    private static Chunk before(Clause clause, List<Chunk> who) {
        int only = -1;
        for (int t = 0; t < clause.tokens().size(); t++)
            if (clause.tokens().get(t).low().equals("only")) only = t;
        boolean then =
                only >= 0
                        && only + 1 < clause.tokens().size()
                        && clause.tokens().get(only + 1).low().matches("then|there");
        int end = only;
        return then
                ? who.stream().filter(c -> c.to() <= end).reduce((_, b) -> b).orElse(who.getFirst())
                : who.getFirst();
    }

    /// The parts that some words are about: those they name, else those whose names hold what
    /// stands behind "in the": "in the second", "in the sets".
    private List<Gathered.PartSoFar> named(String words) {
        List<Gathered.PartSoFar> named =
                so.named(words).stream().filter(part -> isIn(words, part)).toList();
        if (!named.isEmpty()) return named;
        Matcher in = so.effort.matcher(IN, words);
        while (in.find()) {
            String said = in.group("part");
            while (true) {
                String name = " " + said + " ";
                String one = " " + Names.singular(said) + " ";
                List<Gathered.PartSoFar> held =
                        so.parts.stream()
                                .filter(
                                        part ->
                                                (" " + part.key + " ").contains(name)
                                                        || (" " + part.key + " ").contains(one))
                                .toList();
                if (!held.isEmpty() && !English.shipped().isFunction(said)) return held;
                int cut = said.lastIndexOf(' ');
                if (cut < 0) break;
                said = said.substring(0, cut);
            }
        }
        return List.of();
    }

    /// Whether words are about what happens in a part.
    private boolean isIn(String words, Gathered.PartSoFar part) {
        String name = Pattern.quote(part.key);
        return so.effort.fits(words, "(?:the )?" + name + "\\b.*")
                || so.effort.fits(
                        words,
                        ".*\\b(?:in|during|at|for|until|till|before|while|after|within) (?:the )?(?:\\w+ (?:(?:and|\\+|&|,|or) )?){0,3}"
                                + name
                                + "\\b.*");
    }
}
