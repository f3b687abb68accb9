package rivulus.page;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import java.util.regex.Pattern;

/// Reads a page: who is there first, then what plays, what goes out and what is joined, then the
/// parts of the evening, and last who hears whom, since that names all the rest.
public final class Reading {
    /// Whoever is named so often is no slip of the reader.
    private static final int TWICE = 2;

    /// What is asked for politely is wanted, and no question.
    private static final Pattern POLITE =
            Pattern.compile(
                    "(?i).*\\b(?:would it be (?:too|possible|ok|okay|all right|fine)|would you|could (?:you|we|somebody|someone|i|\\p{L}+ be)|can (?:you|we|somebody|someone|i) (?:please |have |get |hear )|might (?:he|she|they|we|\\p{L}+) (?:possibly |perhaps )?be|may (?:i|we) propose|it would be lovely|if it might be)\\b.*");

    private final Sheet sheet;
    private final Gathered so;
    /// Of each line that leaves something open what is certain, by its number.
    private final Map<Integer, Sheet.Line> certain = new HashMap<>();

    private final Predicate<String> answered;
    /// Whether the first line is what the evening is called, if it is no more.
    private final boolean titled;
    /// The lines that are lists of parts of the evening.
    private final Set<Integer> lists = new HashSet<>();

    private Reading(String page, List<String> known, Predicate<String> answered, boolean titled) {
        this.answered = answered;
        this.titled = titled;
        sheet = Sheet.of(page, known);
        for (Sheet.Line line : sheet.lines())
            if (ScheduleReader.isList(line)) lists.add(line.number());
        so = new Gathered(sheet.roster());
        for (Roster.Somebody one : so.roster.all()) if (known.contains(one.name)) one.signed = true;
    }

    /// What a page says.
    public static Facts of(String page) {
        return of(page, List.of(), _ -> false, true);
    }

    /// What a page says about an evening of which something is known before.
    ///
    /// @param known who is in it already, by name
    /// @param answered the lines of which what they leave open is taken as it is likeliest meant
    /// @param titled whether the first line may be what the evening is called
    public static Facts of(
            String page, List<String> known, Predicate<String> answered, boolean titled) {
        return new Reading(page, known, answered, titled).facts();
    }

    private Facts facts() {
        List<Facts.Asked> asked = new ArrayList<>();
        for (Sheet.Line line : sheet.lines())
            if (isOpen(line) && !answered.test(line.text())) {
                certain.put(line.number(), line.certain());
                asked.add(new Facts.Asked(line.text(), question(line)));
            }
        PeopleReader people = new PeopleReader(so);
        each(
                (line, clause) ->
                        people.read(
                                line,
                                clause,
                                WishReader.isOne(clause) || lists.contains(line.number())));
        labels();
        GearReader gear = new GearReader(so);
        JoinReader joins = new JoinReader(so);
        OutReader outs = new OutReader(so);
        each(
                (line, clause) -> {
                    boolean joined = JoinReader.isOne(clause);
                    if (joined) joins.read(line, clause);
                    gear.read(line, clause, joined);
                    PeopleReader.note(so, clause);
                    if (!lists.contains(line.number())) outs.plays(line, clause);
                });
        so.gear.addAll(gear.all());
        RestReader resting = new RestReader(so);
        ScheduleReader schedule = new ScheduleReader(so, resting);
        boolean[] listed = new boolean[sheet.lines().size()];
        Set<Clause> scheduled = Collections.newSetFromMap(new IdentityHashMap<>());
        each(
                (line, clause) -> {
                    boolean bare = lists.contains(line.number());
                    if (!schedule.parts(line, clause, bare)) return;
                    listed[line.number()] = true;
                    scheduled.add(clause);
                });
        each(
                (line, clause) -> {
                    if (scheduled.contains(clause)) resting.only(line, clause);
                    else resting.read(line, clause);
                });
        WishReader wishes = new WishReader(so);
        LevelReader levels = new LevelReader(so);
        each(
                (line, clause) -> {
                    outs.outs(line, clause);
                    if (!listed[line.number()]) {
                        int before = so.wishes.size();
                        PeopleReader.own(so, clause);
                        wishes.read(line, clause);
                        levels.read(line, clause, before);
                    }
                    PeopleReader.note(so, clause);
                });
        return told(so.gear, asked);
    }

    /// Whom the labels of lines stand for: a place, or a word of the page's own, before the names
    /// of several.
    private void labels() {
        for (Sheet.Line line : sheet.lines()) {
            String label = line.labelWords();
            if (label.isEmpty() || lists.contains(line.number())) continue;
            List<String> names = new ArrayList<>();
            for (Clause clause : line.clauses())
                for (Chunk name : clause.all(Meant.NAME)) {
                    Roster.Somebody one = so.roster.get(name.value());
                    if (one.signed && !names.contains(one.name)) names.add(one.name);
                }
            if (names.size() > 1) so.labels.putIfAbsent(label, names);
        }
        for (Roster.Somebody one : so.roster.all())
            if (one.role.isEmpty() && so.labels.containsKey(Gathered.key(one.name)))
                one.signed = false;
    }

    private interface Take {
        void of(Sheet.Line line, Clause clause);
    }

    /// Every clause, in the order of the page; of a line that leaves something open what is
    /// certain.
    private void each(Take take) {
        so.roster.again();
        for (Sheet.Line line : sheet.lines())
            if (line.number() > 0 || !titled || sheet.lines().size() == 1 || isFactual(line)) {
                Sheet.Line read = certain.getOrDefault(line.number(), line);
                for (Clause clause : read.clauses()) bounded(take, read, clause);
            }
    }

    private void bounded(Take take, Sheet.Line line, Clause clause) {
        so.effort.begin();
        try {
            take.of(line, clause);
        } catch (Effort.Spent _) {
            // what was read of it until then holds
        }
        so.effort.end();
    }

    /// Whether a first line says more than what the evening is called.
    private static boolean isFactual(Sheet.Line line) {
        return line.clauses().stream().mapToInt(clause -> clause.tokens().size()).sum()
                        > Names.LONGEST_TITLE
                || line.clauses().stream()
                        .anyMatch(
                                clause ->
                                        clause.has(Meant.NAME)
                                                        && clause.has(
                                                                Meant.ROLE, Meant.GEAR, Meant.PLACE)
                                                || clause.all(Meant.GEAR).size() > 1);
    }

    private boolean isOpen(Sheet.Line line) {
        boolean trade =
                line.clauses().stream()
                        .anyMatch(
                                clause ->
                                        clause.has(
                                                Meant.NAME,
                                                Meant.ROLE,
                                                Meant.GEAR,
                                                Meant.OUT,
                                                Meant.SOUND,
                                                Meant.WAY,
                                                Meant.HEAR,
                                                Meant.SILENT));
        boolean denied = line.text().strip().matches("(?i).*\\? *(?:no|none|nobody|not)[.!]?");
        boolean polite = POLITE.matcher(line.text()).matches();
        boolean doubted = line.clauses().stream().anyMatch(clause -> clause.has(Meant.DOUBT));
        return (line.number() > 0 || !titled)
                && trade
                && !polite
                && (line.isQuestion() && !denied || doubted);
    }

    private static String question(Sheet.Line line) {
        return "What is meant by “%s”?".formatted(line.text());
    }

    private boolean isTrade(Sheet.Line line) {
        return line.isHeading()
                || line.clauses().stream()
                        .anyMatch(
                                clause ->
                                        clause.has(
                                                        Meant.ROLE,
                                                        Meant.GEAR,
                                                        Meant.OUT,
                                                        Meant.SOUND,
                                                        Meant.HEAR,
                                                        Meant.MINUTES)
                                                || clause.has(Meant.NAME)
                                                        && clause.has(Meant.SILENT, Meant.WAY));
    }

    /// How the page speaks of several without names.
    private static String called(Roster.Somebody one) {
        boolean here = !one.isNamed() && !one.isAfar() && !one.role.equals("audience");
        return here ? one.words.stream().findFirst().orElse("") : one.called;
    }

    private Facts told(List<Facts.Gear> gear, List<Facts.Asked> asked) {
        List<Facts.Who> who = new ArrayList<>();
        so.roster
                .me()
                .filter(me -> me.role.isEmpty() && !Boolean.FALSE.equals(me.speaks))
                .ifPresent(me -> me.role = "host");
        Set<String> names = new HashSet<>();
        for (Gathered.PartSoFar part : so.parts) names.add(part.key);
        for (Roster.Somebody one : so.roster.there()) {
            boolean part = one.isNamed() && names.contains(Gathered.key(one.name));
            if (part && one.role.isEmpty() && one.place.isEmpty() && one.by.isEmpty())
                one.gone = true;
        }
        Set<String> gone = new HashSet<>();
        for (Roster.Somebody one : so.roster.all()) if (one.gone) gone.add(one.name);
        for (Gathered.PartSoFar part : so.parts) part.rests.removeAll(gone);
        for (Roster.Somebody one : so.roster.there())
            who.add(
                    new Facts.Who(
                            one.name,
                            one.role.isEmpty() && one.isAfar() ? "guest" : one.role,
                            one.place,
                            one.by,
                            one.count == null ? null : one.count.intValue(),
                            one.isNamed() && one.speaks == null ? Boolean.TRUE : one.speaks,
                            called(one),
                            one.line,
                            one.sure && one.named >= TWICE));
        List<Facts.Listens> listens = new ArrayList<>();
        so.listens.forEach(
                (kind, without) ->
                        listens.add(
                                new Facts.Listens(
                                        kind,
                                        new ArrayList<>(without),
                                        so.listensAt.get(kind),
                                        without.isEmpty())));
        boolean loud =
                gear.stream().anyMatch(one -> Set.of("loudspeakers", "pa").contains(one.kind()));
        boolean audience =
                so.roster.there().stream()
                        .anyMatch(one -> one.role.equals("audience") && !one.isAfar());
        if (audience && loud && !so.listens.containsKey("house"))
            listens.add(new Facts.Listens("house", List.of(), 0, false));
        List<Facts.Part> parts = new ArrayList<>();
        for (Gathered.PartSoFar part : so.parts)
            parts.add(
                    new Facts.Part(
                            part.name,
                            part.minutes,
                            new ArrayList<>(part.rests),
                            part.line,
                            part.rests.isEmpty()));
        List<String> aside = new ArrayList<>();
        for (Sheet.Line line : sheet.lines())
            if ((line.number() > 0 || !titled)
                    && !certain.containsKey(line.number())
                    && !so.used.contains(line.number())
                    && !isTrade(line)) aside.add(line.text());
        String title = sheet.lines().isEmpty() ? "" : sheet.lines().getFirst().text();
        Map<String, String> called = new HashMap<>();
        for (Roster.Somebody one : so.roster.there())
            if (!one.called.isEmpty()) called.put(Gathered.several(one.by), one.called);
        return new Facts(
                title,
                who,
                so.plays,
                listens,
                gear,
                so.joined,
                parts.stream().map(part -> part.with(called)).toList(),
                so.wishes.stream().map(wish -> wish.with(called)).toList(),
                so.levels,
                asked,
                aside);
    }
}
