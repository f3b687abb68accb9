package rivulus.page;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/// The names on a page: capitals inside a sentence, or at its beginning where the word is no common
/// one; where a page has no capitals, words that nobody knows.
final class Names {
    private static final Set<String> TITLES =
            Set.of(
                    "mr",
                    "mrs",
                    "ms",
                    "miss",
                    "dr",
                    "prof",
                    "professor",
                    "father",
                    "fr",
                    "sister",
                    "sr",
                    "brother",
                    "br",
                    "uncle",
                    "aunt",
                    "auntie",
                    "old",
                    "young",
                    "pastor",
                    "vicar",
                    "rev",
                    "reverend",
                    "mayor",
                    "councillor",
                    "cllr",
                    "captain",
                    "lady",
                    "sir",
                    "maestra",
                    "maestro",
                    "granny",
                    "grandma",
                    "grandpa",
                    "nurse",
                    "judge",
                    "herr",
                    "frau",
                    "don",
                    "doña",
                    "bandmaster",
                    "planner",
                    "chef",
                    "coach",
                    "dj");
    private static final Set<String> PARTICLES =
            Set.of("de", "von", "van", "der", "den", "la", "del", "di", "da", "al", "el", "ten");
    private static final Set<String> NO_NAMES =
            Set.of(
                    "monday",
                    "tuesday",
                    "wednesday",
                    "thursday",
                    "friday",
                    "saturday",
                    "sunday",
                    "january",
                    "february",
                    "march",
                    "april",
                    "may",
                    "june",
                    "july",
                    "august",
                    "september",
                    "october",
                    "november",
                    "december",
                    "mon",
                    "tue",
                    "wed",
                    "thu",
                    "fri",
                    "sat",
                    "sun",
                    "christmas",
                    "easter",
                    "english",
                    "german",
                    "french",
                    "ok",
                    "usb",
                    "i",
                    "no",
                    "yes",
                    "we",
                    "they",
                    "you",
                    "he",
                    "she",
                    "it",
                    "who",
                    "what",
                    "when",
                    "where",
                    "there",
                    "this",
                    "that",
                    "nobody",
                    "somebody",
                    "everything",
                    "please",
                    "also",
                    "just",
                    "all",
                    "xlr",
                    "dvd",
                    "tv",
                    "re",
                    "fwd",
                    "ps",
                    "nb",
                    "hi",
                    "hello",
                    "thanks",
                    "regards",
                    "greetings",
                    "cheers",
                    "sorry",
                    "dear",
                    "am",
                    "pm",
                    "club",
                    "st");
    private static final Set<String> QUOTES = Set.of("\"", "“", "”", "„");

    /// Behind these stands a place more often than a person.
    private static final Set<String> BEFORE_PLACES =
            Set.of(
                    "in", "at", "of", "near", "from", "lake", "st", "mount", "port", "room",
                    "saint", "fc");

    /// A first line of so many words is what the evening is called.
    static final int LONGEST_TITLE = 10;

    /// Where a name stands: its first token, the one behind its last, and whose it is.
    record Span(int from, int to, int who) {}

    private record Found(int line, int from, int to, String name, boolean first, boolean placed) {}

    private final Vocabulary vocabulary = Vocabulary.shipped();
    private final English english = English.shipped();
    private final List<List<Token>> lines;
    /// The words of names, titles left out.
    private final Map<String, Set<String>> words = new HashMap<>();
    private final Map<Integer, List<Span>> spans = new HashMap<>();

    private Names(List<List<Token>> lines) {
        this.lines = lines;
    }

    /// The names of a page, put into a roster.
    ///
    /// @return where they stand, by line
    /// @param known names that are known before, such as those of a show
    static Map<Integer, List<Span>> of(List<List<Token>> lines, List<String> known, Roster roster) {
        Names names = new Names(lines);
        List<Found> found = names.known(known);
        Map<Integer, List<Found>> there = byLine(found);
        for (Found one : names.capitals())
            if (there.getOrDefault(one.line(), List.of()).stream()
                    .noneMatch(other -> other.from() < one.to() && one.from() < other.to()))
                found.add(one);
        if (found.stream().map(Found::name).distinct().count() < 2) found = names.unknown(found);
        names.enter(names.unlabelled(found), roster);
        return names.spans;
    }

    private static Map<Integer, List<Found>> byLine(List<Found> found) {
        Map<Integer, List<Found>> byLine = new HashMap<>();
        for (Found one : found) byLine.computeIfAbsent(one.line(), _ -> new ArrayList<>()).add(one);
        return byLine;
    }

    private List<Found> known(List<String> all) {
        List<Found> found = new ArrayList<>();
        for (String name : all) {
            List<String> words = Token.all(name).stream().map(Token::low).toList();
            for (int line = 0; line < lines.size(); line++) {
                List<String> low = lines.get(line).stream().map(Token::low).toList();
                for (int t = 0; t + words.size() <= low.size(); t++)
                    if (low.subList(t, t + words.size()).equals(words))
                        found.add(new Found(line, t, t + words.size(), name, false, false));
            }
        }
        return found;
    }

    private List<Found> capitals() {
        Set<String> inside = new HashSet<>();
        List<Found> found = new ArrayList<>();
        for (int line = 0; line < lines.size(); line++) {
            List<Token> tokens = lines.get(line);
            boolean quoted = false;
            for (int t = 0; t < tokens.size(); ) {
                quoted ^= QUOTES.contains(tokens.get(t).low());
                int end = quoted ? t : end(tokens, t);
                if (end == t) {
                    t++;
                    continue;
                }
                boolean first = begins(tokens, t);
                String name = name(tokens, t, end);
                if (!first) inside.add(name);
                String before = t > 0 ? tokens.get(t - 1).low() : "";
                boolean the = before.equals("the") && t > 1;
                String further = the ? tokens.get(t - 2).low() : before;
                boolean placed = BEFORE_PLACES.contains(further) || the && end - t == 1;
                found.add(new Found(line, t, end, name, first, placed));
                t = end;
            }
        }
        Map<Integer, List<Found>> byLine = byLine(found);
        for (Found one : found)
            if (isListed(one)
                    || isSubject(one)
                    || vocabulary.isName(one.name().toLowerCase(Locale.ROOT)))
                inside.add(one.name());
        found.removeIf(
                one ->
                        one.first()
                                && !inside.contains(one.name())
                                && one.to() - one.from() == 1
                                && english.isCommon(lines.get(one.line()).get(one.from()).low())
                                && byLine.get(one.line()).stream()
                                        .noneMatch(other -> isBeside(one, other)));
        return found;
    }

    /// Whether a line begins with it and says behind a comma what somebody does, or how they come:
    /// "Odd, panelist, call program".
    private boolean isListed(Found one) {
        List<Token> tokens = lines.get(one.line());
        if (one.from() != 0
                || one.to() + 1 >= tokens.size()
                || !tokens.get(one.to()).low().equals(",")) return false;
        List<Chunk> behind =
                new Chunker().of(tokens.subList(one.to() + 1, tokens.size()), List.of());
        return !behind.isEmpty()
                && behind.getFirst().from() == 0
                && behind.getFirst().is(Meant.ROLE, Meant.WAY, Meant.SUBJECT);
    }

    /// Whether a sentence begins with it and somebody of that name does something, though it could
    /// only be a verb: "Solve joins by video call".
    private boolean isSubject(Found one) {
        List<Token> tokens = lines.get(one.line());
        if (one.to() >= tokens.size()) return false;
        String low = tokens.get(one.from()).low();
        String next = tokens.get(one.to()).low();
        return english.isVerb(low)
                && !english.isNoun(low)
                && next.endsWith("s")
                && next.length() > 2
                && english.isVerb(next)
                && !english.isFunction(next);
    }

    /// Whether two names are joined: then both are names.
    private boolean isBeside(Found one, Found other) {
        if (one.line() != other.line() || other.from() != one.to() + 1) return false;
        return List.of("and", "&", "+").contains(lines.get(one.line()).get(one.to()).low());
    }

    /// Whether a token begins a sentence, a label's text or a line.
    private static boolean begins(List<Token> tokens, int t) {
        if (t == 0) return true;
        String before = tokens.get(t - 1).low();
        return List.of(".", "!", "?", ":", "-", "–", "—", "*", "•", ">", "\"", "(", ")", "/")
                .contains(before);
    }

    /// Where a name that begins at a token ends; the same token where none does.
    private int end(List<Token> tokens, int t) {
        int at = t;
        boolean titled = false;
        while (at < tokens.size()
                && TITLES.contains(tokens.get(at).low())
                && !(tokens.get(at).isShouted() && tokens.get(at).text().length() > 3)) {
            int next = at + 1;
            if (next < tokens.size() && tokens.get(next).low().equals(".")) next++;
            if (next >= tokens.size() || !isNameLike(tokens.get(next), true)) break;
            titled = true;
            at = next;
        }
        int from = at;
        if (!titled
                && begins(tokens, at)
                && at + 1 < tokens.size()
                && isNameLike(tokens.get(at), false)
                && isFunction(tokens.get(at).low())
                && !vocabulary.isName(tokens.get(at).low())) return t;
        while (at < tokens.size()) {
            Token token = tokens.get(at);
            boolean particle =
                    at > from
                            && PARTICLES.contains(token.low())
                            && at + 1 < tokens.size()
                            && tokens.get(at + 1).isCapital();
            if (!particle && !isNameLike(token, titled || at > from && from < at)) break;
            at++;
        }
        return at == from ? t : at;
    }

    /// Whether a word joins others in a sentence and is never a name.
    private boolean isFunction(String low) {
        return english.isFunction(low);
    }

    private boolean isNameLike(Token token, boolean titled) {
        if (!token.text().toLowerCase(Locale.ROOT).equals(token.low())) return false;
        if (token.text().length() > 2 && token.text().charAt(1) == '-') return false;
        if (!token.isCapital() || NO_NAMES.contains(token.low())) return false;
        if (token.text().length() < 2 || token.isShouted()) return false;
        if (token.text().chars().skip(1).anyMatch(Character::isUpperCase)
                && !token.text().contains("-"))
            return token.text().matches("(Mc|Mac|O'|D')\\p{Lu}\\p{Ll}+");
        if (titled) return vocabulary.of(token.low()).isEmpty() || !english.isCommon(token.low());
        return vocabulary.of(token.low()).isEmpty()
                && vocabulary.of(singular(token.low())).isEmpty();
    }

    static String singular(String low) {
        return low.length() > 3 && low.endsWith("s") ? low.substring(0, low.length() - 1) : low;
    }

    private static String name(List<Token> tokens, int from, int to) {
        StringBuilder name = new StringBuilder();
        for (int t = from; t < to; t++) {
            String text = tokens.get(t).text();
            if (!name.isEmpty() && !text.equals(".")) name.append(' ');
            name.append(text);
        }
        return name.toString();
    }

    /// Words that no dictionary knows, on a page without capitals.
    private List<Found> unknown(List<Found> already) {
        List<Found> found = new ArrayList<>(already);
        for (int line = 0; line < lines.size(); line++) {
            List<Token> tokens = lines.get(line);
            for (int t = 0; t < tokens.size(); t++) {
                Token token = tokens.get(t);
                boolean plain =
                        token.low().length() > 2
                                && token.low().chars().allMatch(Character::isLetter);
                if (!plain || token.isShouted() || NO_NAMES.contains(token.low())) continue;
                boolean known =
                        !vocabulary.of(token.low()).isEmpty()
                                || !vocabulary.of(singular(token.low())).isEmpty()
                                || english.isCommon(token.low());
                if (known) continue;
                found.add(new Found(line, t, t + 1, token.text(), false, false));
            }
        }
        return found;
    }

    /// Takes out what is no name but what the one behind it does: "Precentor: Rev. Elowen".
    private List<Found> unlabelled(List<Found> found) {
        Set<String> labels = new HashSet<>();
        Map<Integer, List<Found>> byLine = byLine(found);
        for (Found one : found) {
            List<Token> tokens = lines.get(one.line());
            boolean label =
                    one.to() - one.from() == 1
                            && one.to() + 1 < tokens.size()
                            && tokens.get(one.to()).low().equals(":")
                            && english.isNoun(tokens.get(one.from()).low())
                            && byLine.get(one.line()).stream()
                                    .anyMatch(other -> other.from() == one.to() + 1);
            if (label) labels.add(one.name());
        }
        return found.stream().filter(one -> !labels.contains(one.name())).toList();
    }

    private void enter(List<Found> found, Roster roster) {
        Map<String, Integer> ids = new LinkedHashMap<>();
        Map<String, Set<String>> byStart = new HashMap<>();
        Map<String, List<Found>> byName = new LinkedHashMap<>();
        for (Found one : found) byName.computeIfAbsent(one.name(), _ -> new ArrayList<>()).add(one);
        List<String> names = new ArrayList<>(byName.keySet());
        names.sort((a, b) -> words(b).size() - words(a).size());
        for (String name : names) {
            List<Found> where = byName.get(name);
            boolean titleOnly =
                    lines.size() > 1
                            && lines.getFirst().size() <= LONGEST_TITLE
                            && where.stream().allMatch(f -> f.line() == 0);
            boolean place = where.stream().allMatch(Found::placed);
            if (titleOnly || place && !isTitled(name)) continue;
            if (name.endsWith("s") && byName.containsKey(name.substring(0, name.length() - 1)))
                continue;
            String longer =
                    alike(name, byStart, ids.keySet()).stream()
                            .filter(other -> isPart(name, other))
                            .findFirst()
                            .orElse("");
            int id;
            if (longer.isEmpty()) {
                id = roster.all().size();
                roster.add(name);
            } else {
                id = ids.get(longer);
            }
            if (ids.put(name, id) == null)
                for (String word : words(name))
                    byStart.computeIfAbsent(start(word), _ -> new LinkedHashSet<>()).add(name);
            roster.all().get(id).named += where.size();
            for (Found one : where)
                spans.computeIfAbsent(one.line(), _ -> new ArrayList<>())
                        .add(new Span(one.from(), one.to(), id));
        }
    }

    /// The names one may be a part of: those that have a word which begins as one of its own does.
    private Collection<String> alike(
            String name, Map<String, Set<String>> byStart, Set<String> all) {
        Set<String> some = words(name);
        if (some.isEmpty()) return all;
        return byStart.getOrDefault(start(some.iterator().next()), Set.of());
    }

    private static String start(String word) {
        return word.substring(0, Math.min(3, word.length()));
    }

    private static boolean isTitled(String name) {
        return TITLES.contains(name.split("[ .]")[0].toLowerCase(Locale.ROOT));
    }

    private Set<String> words(String name) {
        return words.computeIfAbsent(name, Names::wordsOf);
    }

    private static Set<String> wordsOf(String name) {
        Set<String> words = new HashSet<>();
        for (String word : name.toLowerCase(Locale.ROOT).split("[ .]+"))
            if (!TITLES.contains(word)) words.add(word);
        return words;
    }

    /// Whether a name is a part of a longer one, or the beginning of it.
    private boolean isPart(String name, String of) {
        Set<String> some = words(name);
        Set<String> all = words(of);
        if (some.isEmpty() || all.containsAll(some)) return true;
        if (some.size() > 1) return false;
        String only = some.iterator().next();
        return only.length() > 2 && all.stream().anyMatch(word -> word.startsWith(only));
    }
}
