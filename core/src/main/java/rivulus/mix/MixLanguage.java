package rivulus.mix;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.SequencedMap;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import rivulus.gear.Setting;
import rivulus.show.Cast;
import rivulus.show.Mix;
import rivulus.show.Names;
import rivulus.show.Playback;
import rivulus.show.Source;
import rivulus.words.Near;

/// Mixes as sentences: `everything but Nadia`, `voices, cues −6`, `programme without music + room
/// −8`. The grammar is in docs/mix-sentences.md.
public final class MixLanguage {
    private static final Pattern TOKEN =
            Pattern.compile("\"[^\"]*\"|[,;&]|\\+(?![0-9])|[^\\s,;&\"]+");
    private static final Pattern LEVEL =
            Pattern.compile("([-+−–]?\\d+(?:[.]\\d+)?)(db)?", Pattern.CASE_INSENSITIVE);

    private static final Set<String> GO_ON = Set.of(",", ";", "&", "and", "or");
    private static final Set<String> PUT_IN = Set.of("+", "plus", "with");
    private static final Set<String> LEAVE_OUT =
            Set.of("but", "without", "except", "minus", "not", "no");
    private static final Set<String> PASSED_OVER = Set.of("the", "only", "just", "a", "an");
    private static final Set<String> NOTHING = Set.of("nothing", "silence");
    private static final String ALL = "all";

    private static final Map<String, Mix.Group> ALSO_CALLED = new HashMap<>();

    static {
        for (String word : List.of("everybody", "everyone", ALL))
            ALSO_CALLED.put(word, Mix.Group.EVERYTHING);
        ALSO_CALLED.put("program", Mix.Group.PROGRAMME);
        ALSO_CALLED.put("people", Mix.Group.VOICES);
        ALSO_CALLED.put("room", Mix.Group.AUDIENCE);
        ALSO_CALLED.put("room mics", Mix.Group.AUDIENCE);
        ALSO_CALLED.put("room mic", Mix.Group.AUDIENCE);
        ALSO_CALLED.put("producer", Mix.Group.TALKBACK);
        ALSO_CALLED.put("producers", Mix.Group.TALKBACK);
    }

    private final Cast cast;
    private final SequencedMap<String, Mix.Who> phrases = new LinkedHashMap<>();
    private int longest = 1;

    /// Sentences about a cast.
    public MixLanguage(Cast cast) {
        this.cast = cast;
        for (Mix.Group group : Mix.Group.values()) {
            learn(group.word(), group);
            if (group.word().endsWith("s"))
                learn(group.word().substring(0, group.word().length() - 1), group);
        }
        ALSO_CALLED.forEach(this::learn);
        for (Source source : cast.sources())
            if (!isOfTheLanguage(name(source).split(" ")[0]))
                learn(name(source), new Mix.One(source.id()));
    }

    /// Whether a word means something by itself, so that a name that begins with it needs quotes.
    private static boolean isOfTheLanguage(String word) {
        return GO_ON.contains(word)
                || PUT_IN.contains(word)
                || LEAVE_OUT.contains(word)
                || PASSED_OVER.contains(word)
                || NOTHING.contains(word)
                || word.equals(ALL)
                || LEVEL.matcher(word).matches();
    }

    /// What comes later takes the place of what came before: a source's name that of a group.
    private void learn(String phrase, Mix.Who who) {
        phrases.put(phrase, who);
        longest = Math.max(longest, phrase.split(" ").length);
    }

    private static String name(Source source) {
        return String.join(" ", source.name().toLowerCase(Locale.ROOT).trim().split("\\s+"));
    }

    /// A sentence that was read: what it says, or where it goes wrong.
    public sealed interface Reading {}

    /// What a sentence says.
    public record Says(List<Mix.Step> steps) implements Reading {
        public Says {
            steps = List.copyOf(steps);
        }
    }

    /// Where a sentence goes wrong.
    ///
    /// @param column from 1
    /// @param words what would be right
    public record Mistake(int column, String words) implements Reading {
        /// "column 16: nobody is called "Nadja"; did you mean "Nadia"?"
        public String sentence() {
            return "column %d: %s".formatted(column, words);
        }
    }

    private record Token(String text, int column) {
        String word() {
            return text.toLowerCase(Locale.ROOT);
        }

        boolean isQuoted() {
            return text.startsWith("\"");
        }
    }

    private static List<Token> tokens(String text) {
        List<Token> tokens = new ArrayList<>();
        Matcher matcher = TOKEN.matcher(text);
        while (matcher.find()) tokens.add(new Token(matcher.group(), matcher.start() + 1));
        return tokens;
    }

    /// Reads a sentence; an empty one is a mistake, for it may be forgotten: `nothing` says so.
    public Reading read(String text) {
        List<Token> tokens = tokens(text);
        List<Mix.Step> steps = new ArrayList<>();
        boolean said = false;
        boolean out = false;
        boolean listed = false;
        boolean implied = false;
        for (int at = 0; at < tokens.size(); ) {
            Token token = tokens.get(at);
            String word = token.word();
            Optional<Found> found = at(tokens, at);
            if (GO_ON.contains(word)) {
                listed = true;
                at++;
            } else if (PUT_IN.contains(word)) {
                out = false;
                at++;
            } else if (LEAVE_OUT.contains(word)) {
                if (!said) steps.add(Mix.Step.in(Mix.Group.EVERYTHING));
                implied |= !said;
                said = true;
                out = true;
                listed = false;
                at++;
            } else if (NOTHING.contains(word) && !said) {
                said = true;
                at++;
            } else if (PASSED_OVER.contains(word)) {
                at++;
            } else if (found.isEmpty()) {
                return unknown(token);
            } else if (implied && found.get().who() == Mix.Group.EVERYTHING) {
                at = found.get().next(); // "without Nadia, everything"
            } else {
                at = found.get().next();
                Optional<Double> db = Optional.empty();
                if (at < tokens.size()) db = level(tokens.get(at).text());
                if (db.isPresent()) {
                    if (Math.abs(db.get()) > Mix.MOST_DB)
                        return new Mistake(
                                tokens.get(at).column(), "a level lies between −60 and +60 dB");
                    if (out && !listed)
                        return new Mistake(
                                tokens.get(at).column(), "what is left out has no level");
                    at++;
                    if (at < tokens.size() && tokens.get(at).word().equals("db")) at++;
                    out = false;
                }
                steps.add(new Mix.Step(found.get().who(), out, db.orElse(0.0)));
                said = true;
            }
        }
        return said
                ? new Says(steps)
                : new Mistake(1, "say what it carries: everything but Nadia, or nothing");
    }

    private static Optional<Double> level(String token) {
        Matcher matcher = LEVEL.matcher(token);
        if (!matcher.matches()) return Optional.empty();
        return Optional.of(Double.parseDouble(matcher.group(1).replaceAll("[−–]", "-")) + 0.0);
    }

    /// Who or what was found among the tokens, and where it goes on.
    private record Found(Mix.Who who, int next) {}

    private Optional<Found> at(List<Token> tokens, int at) {
        Token first = tokens.get(at);
        if (first.isQuoted()) {
            String inside = first.text().substring(1, first.text().length() - 1);
            return cast.source(inside)
                    .or(() -> named(inside))
                    .map(source -> new Found(new Mix.One(source.id()), at + 1));
        }
        for (int words = Math.min(longest, tokens.size() - at); words > 0; words--) {
            String phrase = phrase(tokens.subList(at, at + words));
            Mix.Who who = phrases.get(phrase);
            if (phrase.equals(ALL) && at + 1 < tokens.size()) {
                Optional<Found> group = group(tokens, at + 1);
                if (group.isPresent()) return group;
            }
            if (who != null && !isAmbiguous(phrase)) return Optional.of(new Found(who, at + words));
        }
        return Optional.empty();
    }

    /// `all music` is the group, even where a source is called music, or several are called all.
    private static Optional<Found> group(List<Token> tokens, int at) {
        for (Mix.Group group : Mix.Group.values())
            if (tokens.get(at).word().equals(group.word()))
                return Optional.of(new Found(group, at + 1));
        return Optional.empty();
    }

    private static String phrase(List<Token> tokens) {
        return String.join(" ", tokens.stream().map(Token::word).toList());
    }

    private Optional<Source> named(String name) {
        List<Source> called =
                cast.sources().stream().filter(s -> s.name().equalsIgnoreCase(name)).toList();
        return called.size() == 1 ? Optional.of(called.getFirst()) : Optional.empty();
    }

    private boolean isAmbiguous(String phrase) {
        return cast.sources().stream().filter(s -> name(s).equals(phrase)).count() > 1;
    }

    private Mistake unknown(Token token) {
        if (token.isQuoted() || isAmbiguous(token.word())) {
            List<String> ids = cast.sources().stream().map(Source::id).toList();
            return new Mistake(
                    token.column(),
                    "%s is not one alone; in quotes an id will do: there is %s"
                            .formatted(token.text(), String.join(", ", ids)));
        }
        return new Mistake(
                token.column(),
                "nobody and nothing is called \"%s\"; %s"
                        .formatted(token.text(), Near.hint(token.text(), words())));
    }

    /// Everything that a sentence may name, as it is written.
    private Collection<String> words() {
        Set<String> words = new LinkedHashSet<>();
        for (Source source : cast.sources()) words.add(source.name());
        for (Mix.Group group : Mix.Group.values()) words.add(group.word());
        return words;
    }

    // Printing

    /// A mix as a sentence, such that it is read again as the same.
    public String print(List<Mix.Step> steps) {
        if (steps.size() == 1
                && steps.getFirst().who() instanceof Mix.One
                && steps.getFirst().equals(Mix.Step.in(steps.getFirst().who())))
            return term(steps.getFirst()) + " only";
        StringBuilder sentence = new StringBuilder();
        Optional<Mix.Step> before = Optional.empty();
        for (Mix.Step step : steps) {
            if (before.isEmpty()) sentence.append(step.but() ? "nothing but " : "");
            else if (step.but() == before.get().but()) sentence.append(", ");
            else sentence.append(step.but() ? " but " : " + ");
            sentence.append(term(step));
            before = Optional.of(step);
        }
        return before.isEmpty() ? "nothing" : sentence.toString();
    }

    private String term(Mix.Step step) {
        String who = called(step.who());
        if (step.db() == 0) return who;
        String db = new Setting.Level(Math.abs(step.db())).word();
        return who + (step.db() < 0 ? " −" : " +") + db;
    }

    private String called(Mix.Who who) {
        if (who instanceof Mix.Group group) {
            return group.equals(phrases.get(group.word())) ? group.word() : "all " + group.word();
        }
        String id = ((Mix.One) who).source();
        Optional<Source> source = cast.source(id);
        if (source.isEmpty()) return "\"" + id + "\"";
        String name =
                source.get() instanceof Playback
                        ? Names.lower(source.get().name())
                        : source.get().name();
        return isPlain(name, who) ? name : "\"" + id + "\"";
    }

    /// Whether a name is read again as the one that has it.
    private boolean isPlain(String name, Mix.Who who) {
        List<Token> tokens = tokens(name);
        return !tokens.isEmpty()
                && String.join(" ", tokens.stream().map(Token::text).toList()).equals(name)
                && !tokens.getFirst().isQuoted()
                && at(tokens, 0)
                        .filter(found -> found.who().equals(who))
                        .filter(found -> found.next() == tokens.size())
                        .isPresent();
    }

    // Completing

    /// How the last word could go on.
    ///
    /// @param from where what is written would be replaced, counted from 0
    /// @param words what could stand there instead
    public record Completion(int from, List<String> words) {
        public Completion {
            words = List.copyOf(words);
        }
    }

    /// What a sentence could go on with where somebody is writing.
    ///
    /// @param caret how many letters stand before it
    public Completion complete(String text, int caret) {
        String before = text.substring(0, Math.min(caret, text.length()));
        List<String> all = new ArrayList<>(words());
        all.addAll(List.of("but", "nothing"));
        List<Token> tokens = tokens(before);
        for (int words = Math.min(longest, tokens.size()); words > 0; words--) {
            List<Token> last = tokens.subList(tokens.size() - words, tokens.size());
            String begun = phrase(last);
            List<String> could =
                    all.stream()
                            .filter(w -> w.toLowerCase(Locale.ROOT).startsWith(begun))
                            .filter(w -> w.length() > begun.length())
                            .distinct()
                            .toList();
            boolean open = !before.endsWith(" ") || words > 1;
            if (open && !could.isEmpty())
                return new Completion(last.getFirst().column() - 1, could);
        }
        return before.isEmpty() || before.endsWith(" ")
                ? new Completion(before.length(), all)
                : new Completion(before.length(), List.of());
    }

    // Describing

    /// The shortest sentence that says what is carried, of one group or two with what is left out
    /// and put in besides, or of names.
    ///
    /// @param carried the ids of what is carried
    /// @param free the ids of what need not be told apart
    public List<Mix.Step> describe(Set<String> carried, Set<String> free) {
        List<Source> sources = cast.sources();
        List<Mix.Step> best = names(carried);
        int least = best.size();
        for (Mix.Group one : Mix.Group.values())
            for (Mix.Group other : Mix.Group.values()) {
                if (other.compareTo(one) < 0) continue;
                List<Mix.Step> steps = new ArrayList<>(List.of(Mix.Step.in(one)));
                if (other != one) steps.add(Mix.Step.in(other));
                boolean says = false;
                for (Source source : sources) {
                    boolean in = one.has(source) || other.has(source);
                    says |= in && carried.contains(source.id());
                    if (in && !carried.contains(source.id()) && !free.contains(source.id()))
                        steps.add(Mix.Step.out(new Mix.One(source.id())));
                }
                for (Source source : sources)
                    if (!one.has(source) && !other.has(source) && carried.contains(source.id()))
                        steps.add(Mix.Step.in(new Mix.One(source.id())));
                if (says && steps.size() < least) {
                    best = steps;
                    least = steps.size();
                }
            }
        return best;
    }

    private List<Mix.Step> names(Set<String> carried) {
        return cast.sources().stream()
                .map(Source::id)
                .filter(carried::contains)
                .map(id -> Mix.Step.in(new Mix.One(id)))
                .toList();
    }
}
