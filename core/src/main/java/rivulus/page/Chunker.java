package rivulus.page;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/// Finds what means something in the words of a clause: names, words of the trade, counts, times.
final class Chunker {
    private static final Map<String, Double> NUMBERS =
            Map.ofEntries(
                    Map.entry("one", 1.0),
                    Map.entry("two", 2.0),
                    Map.entry("three", 3.0),
                    Map.entry("four", 4.0),
                    Map.entry("five", 5.0),
                    Map.entry("six", 6.0),
                    Map.entry("seven", 7.0),
                    Map.entry("eight", 8.0),
                    Map.entry("nine", 9.0),
                    Map.entry("ten", 10.0),
                    Map.entry("eleven", 11.0),
                    Map.entry("twelve", 12.0),
                    Map.entry("thirteen", 13.0),
                    Map.entry("fourteen", 14.0),
                    Map.entry("fifteen", 15.0),
                    Map.entry("sixteen", 16.0),
                    Map.entry("eighteen", 18.0),
                    Map.entry("twenty", 20.0),
                    Map.entry("twenty-five", 25.0),
                    Map.entry("thirty", 30.0),
                    Map.entry("thirty-five", 35.0),
                    Map.entry("forty", 40.0),
                    Map.entry("forty-five", 45.0),
                    Map.entry("fifty", 50.0),
                    Map.entry("sixty", 60.0),
                    Map.entry("seventy", 70.0),
                    Map.entry("eighty", 80.0),
                    Map.entry("ninety", 90.0),
                    Map.entry("hundred", 100.0),
                    Map.entry("dozen", 12.0),
                    Map.entry("both", 2.0));
    private static final Set<String> MINUTES =
            Set.of("min", "mins", "minutes", "minute", "'", "′", "mn");
    private static final Set<String> HOURS = Set.of("h", "hours", "hour", "hrs", "hr");
    private static final Set<String> SECONDS = Set.of("seconds", "second", "sec", "secs");
    private static final Set<String> SUBJECTS = Set.of("he", "she", "they", "i", "we", "i am");
    /// What is told apart by names of its own: "laptop B".
    static final Set<String> COMPUTERS = Set.of("laptop", "pc", "tablet");
    private static final Set<String> UNITS =
            Set.of(
                    "db",
                    "ms",
                    "hz",
                    "khz",
                    "%",
                    "kbit",
                    "milliseconds",
                    "th",
                    "st",
                    "nd",
                    "rd",
                    "€",
                    "pence",
                    "km",
                    "cm",
                    "metres",
                    "o'clock",
                    "am",
                    "pm");
    private static final Set<String> OWNING =
            Set.of("his", "her", "their", "my", "our", "its", "your");
    /// What says nothing of which one it is.
    private static final Set<String> PLAIN =
            Set.of("own", "more", "other", "same", "live", "light", "little", "no", "any", "all");
    private static final Set<String> COMERS =
            Set.of("people", "guests", "folks", "callers", "audience");
    private static final Set<String> LEADS = Set.of("xlr", "jack", "cable", "cables", "metres");

    private final Vocabulary vocabulary = Vocabulary.shipped();
    private final Set<String> roles;

    Chunker() {
        this(Set.of());
    }

    /// @param roles what people are called on this page alone by what they do, in small letters
    Chunker(Set<String> roles) {
        this.roles = roles;
    }

    /// The chunks of some tokens.
    ///
    /// @param names where names stand among them
    List<Chunk> of(List<Token> tokens, List<Names.Span> names) {
        List<Chunk> chunks = new ArrayList<>();
        for (int t = 0; t < tokens.size(); ) {
            Optional<Chunk> found = at(tokens, t, names);
            if (found.isPresent()) {
                chunks.add(found.get());
                t = found.get().to();
            } else t++;
        }
        byWay(tokens, chunks);
        qualified(tokens, chunks);
        // "observer pc", "audience recording": what somebody does before a thing is no person
        for (int c = chunks.size() - 2; c >= 0; c--)
            if (chunks.get(c).kind() == Meant.ROLE
                    && chunks.get(c + 1).is(Meant.GEAR)
                    && chunks.get(c + 1).from() == chunks.get(c).to()
                    && Set.of("pc", "laptop", "tablet", "mixer", "recorder")
                            .contains(chunks.get(c + 1).value())) chunks.remove(c);
        return chunks;
    }

    /// What a word only tells apart is none by itself: "both casters" is no "both", "children's
    /// choir" no children; what plays has its first name, too: "battle music".
    private static void qualified(List<Token> tokens, List<Chunk> chunks) {
        for (int c = chunks.size() - 2; c >= 0; c--) {
            Chunk one = chunks.get(c);
            Chunk next = chunks.get(c + 1);
            boolean both =
                    one.kind() == Meant.GROUP
                            && one.text().equalsIgnoreCase("both")
                            && next.from() == one.to()
                            && next.is(Meant.ROLE, Meant.NAME, Meant.SOUND);
            boolean owns =
                    one.kind() == Meant.ROLE
                            && next.kind() == Meant.ROLE
                            && next.from() == one.to() + 1
                            && tokens.get(one.to()).low().startsWith("'");
            boolean possessive =
                    one.kind() == Meant.GROUP
                            && OWNING.contains(one.text().toLowerCase(Locale.ROOT))
                            && next.from() == one.to()
                            && next.is(Meant.INSTRUMENT, Meant.SOUND, Meant.ROLE, Meant.OUT);
            boolean carries =
                    next.kind() == Meant.DOES
                            && next.text().matches("(?i)plays?(?: the)?")
                            && next.from() == one.to()
                            && one.is(Meant.GEAR, Meant.OUT);
            boolean summons =
                    one.kind() == Meant.WAY
                            && one.text().matches("(?i)calls?|phones?|rings?")
                            && next.from() == one.to()
                            && next.is(Meant.GROUP, Meant.NAME);
            boolean passive =
                    one.kind() == Meant.HEAR
                            && one.text().matches("(?i)gets?|got|getting")
                            && one.to() < tokens.size()
                            && tokens.get(one.to()).low().endsWith("ed");
            if (both || owns || possessive || summons || passive) chunks.remove(c);
            else if (carries) chunks.remove(c + 1);
        }
        for (int c = 0; c < chunks.size(); c++) {
            Chunk sound = chunks.get(c);
            int end = c == 0 ? 0 : chunks.get(c - 1).to();
            if (sound.kind() == Meant.SOUND
                    && !sound.text().contains(" ")
                    && sound.from() > end
                    && isFirstName(tokens, sound.from() - 1, end))
                chunks.set(
                        c,
                        chunk(
                                Meant.SOUND,
                                sound.value(),
                                tokens,
                                sound.from() - 1,
                                sound.to(),
                                sound.number()));
        }
    }

    private static boolean isFirstName(List<Token> tokens, int t, int least) {
        String low = tokens.get(t).low();
        String before = t > least ? tokens.get(t - 1).low() : "";
        boolean begins =
                t == 0
                        || Set.of(",", "+", "and", "the", "a", "our", "my", "his", "her", ":", "/")
                                .contains(before)
                        || t == least && least > 0;
        return begins
                && tokens.get(t).isWord()
                && English.shipped().isNoun(low)
                && !(low.endsWith("s") && English.shipped().isVerb(low))
                && !English.shipped().isFunction(low)
                && !PLAIN.contains(low);
    }

    /// "The phone people", "the online ones": who comes by that way.
    private void byWay(List<Token> tokens, List<Chunk> chunks) {
        for (int c = chunks.size() - 1; c >= 0; c--) {
            Chunk way = chunks.get(c);
            if (way.kind() != Meant.WAY) continue;
            Chunk before = c > 0 ? chunks.get(c - 1) : way;
            if (before.to() == way.from()
                    && before.kind() == Meant.ROLE
                    && vocabulary.isComer(tokens.get(before.from()).low())
                    && way.text().matches("(?i)online|remote|on the \\p{L}+|at home.*")
                    && (c < 2 || chunks.get(c - 2).kind() != Meant.COUNT)) {
                chunks.set(
                        c,
                        chunk(
                                Meant.WAY,
                                way.value(),
                                tokens,
                                before.from(),
                                way.to(),
                                way.number()));
                chunks.remove(c - 1);
                continue;
            }
            if (way.to() >= tokens.size()) continue;
            String next = tokens.get(way.to()).low();
            boolean counted = c > 0 && chunks.get(c - 1).kind() == Meant.COUNT;
            if (!(counted ? COMERS.contains(next) : vocabulary.isComer(next))) continue;
            int end = way.to() + 1;
            chunks.set(c, chunk(Meant.WAY, way.value(), tokens, way.from(), end, way.number()));
            chunks.removeIf(other -> other.from() == way.to());
        }
    }

    private Optional<Chunk> at(List<Token> tokens, int t, List<Names.Span> names) {
        for (Names.Span span : names)
            if (span.from() == t)
                return Optional.of(
                        chunk(Meant.NAME, String.valueOf(span.who()), tokens, t, span.to(), 1));
        Optional<Chunk> time = time(tokens, t);
        if (time.isPresent()) return time;
        for (int words = Math.min(vocabulary.longest(), tokens.size() - t); words > 0; words--) {
            boolean overName = false;
            for (Names.Span span : names) overName |= span.from() > t && span.from() < t + words;
            if (overName) continue;
            Optional<Chunk> phrase = phrase(tokens, t, t + words);
            if (phrase.isPresent()) return phrase;
        }
        return count(tokens, t);
    }

    private Optional<Chunk> phrase(List<Token> tokens, int from, int to) {
        StringBuilder low = new StringBuilder();
        for (int t = from; t < to; t++) {
            if (t > from) low.append(' ');
            low.append(tokens.get(t).low());
        }
        List<Vocabulary.Sense> senses = vocabulary.of(low.toString());
        if (senses.isEmpty()) senses = vocabulary.of(Names.singular(low.toString()));
        if (senses.isEmpty() && low.indexOf("-") > 0)
            senses = vocabulary.of(low.toString().replace('-', ' '));
        if (senses.isEmpty())
            return role(low.toString())
                    .map(role -> chunk(Meant.ROLE, role, tokens, from, to, Double.NaN));
        Vocabulary.Sense sense = senses.getFirst();
        if (low.toString().equals("rest") && from > 0 && !low(tokens, from - 1).equals("the"))
            return Optional.of(chunk(Meant.SILENT, "silent", tokens, from, to, Double.NaN));
        if (from == 0 && isSpeaker(low.toString(), tokens, to))
            return Optional.of(chunk(Meant.ROLE, "guest", tokens, from, to, Double.NaN));
        if (sense.kind() == Meant.SILENT
                && to == from + 1
                && isNoSilence(
                        low.toString(), low(tokens, to), from > 0 ? low(tokens, from - 1) : ""))
            return Optional.empty();
        boolean lettered =
                sense.kind() == Meant.GEAR
                        && COMPUTERS.contains(sense.value())
                        && to < tokens.size()
                        && tokens.get(to).text().matches("[A-Z1-4]");
        if (lettered)
            return Optional.of(
                    chunk(sense.kind(), sense.value(), tokens, from, to + 1, Double.NaN));
        boolean subject = sense.kind() == Meant.GROUP && SUBJECTS.contains(low.toString());
        return Optional.of(
                chunk(
                        subject ? Meant.SUBJECT : sense.kind(),
                        sense.value(),
                        tokens,
                        from,
                        to,
                        Double.NaN));
    }

    /// Whether a word that is none of the trade says what somebody does: because the page says so,
    /// or because it is made of what they do: "learners".
    ///
    /// @return what they are; empty where only the page knows
    private Optional<String> role(String low) {
        if (roles.contains(low) || roles.contains(Names.singular(low))) return Optional.of("");
        if (low.indexOf(' ') >= 0 || vocabulary.isThing(low) || !isAgent(low))
            return Optional.empty();
        String stem = low.substring(0, low.length() - 3);
        English english = English.shipped();
        boolean does =
                english.isVerb(stem)
                        || english.isVerb(stem + "e")
                        || stem.length() > 2
                                && stem.charAt(stem.length() - 1) == stem.charAt(stem.length() - 2)
                                && english.isVerb(stem.substring(0, stem.length() - 1));
        return does && english.isNoun(low.substring(0, low.length() - 1))
                ? Optional.of("guest")
                : Optional.empty();
    }

    private static boolean isAgent(String low) {
        return low.length() > 5
                && (low.endsWith("ers") || low.endsWith("ors"))
                && low.chars().allMatch(Character::isLetter);
    }

    /// Whether a speaker is somebody: "Speaker: Anselm".
    private static boolean isSpeaker(String low, List<Token> tokens, int to) {
        return low.matches("speakers?")
                && to + 1 < tokens.size()
                && tokens.get(to).low().equals(":")
                && tokens.get(to + 1).isCapital();
    }

    /// "out of the stream", "the line out", "off the playout computer", "the rest of us".
    private static boolean isNoSilence(String word, String after, String before) {
        return switch (word) {
            case "out" ->
                    after.equals("of")
                            || List.of(
                                            "line",
                                            "go",
                                            "goes",
                                            "going",
                                            "its",
                                            "record",
                                            "comes",
                                            "one",
                                            "ch",
                                            "second",
                                            "read",
                                            "headphone",
                                            "main")
                                    .contains(before);
            case "off" -> List.of("the", "a", "my", "his", "her", "our").contains(after);
            case "rest" -> before.equals("the");
            default -> false;
        };
    }

    private static Chunk chunk(
            Meant kind, String value, List<Token> tokens, int from, int to, double number) {
        StringBuilder text = new StringBuilder();
        for (int t = from; t < to; t++) {
            String piece = tokens.get(t).text();
            if (!text.isEmpty() && !piece.equals(".") && !piece.equals("'s") && !piece.equals("'"))
                text.append(' ');
            text.append(piece);
        }
        return new Chunk(kind, value, text.toString(), from, to, number);
    }

    static double number(Token token) {
        if (token.isNumber() && !token.low().contains(":"))
            try {
                return Double.parseDouble(token.low().replace(',', '.'));
            } catch (NumberFormatException none) {
                return Double.NaN;
            }
        return NUMBERS.getOrDefault(token.low(), Double.NaN);
    }

    private static String low(List<Token> tokens, int t) {
        return t < tokens.size() ? tokens.get(t).low() : "";
    }

    private static Optional<Chunk> time(List<Token> tokens, int t) {
        String low = low(tokens, t);
        if (low.isEmpty()) return Optional.empty();
        boolean digits = Character.isDigit(low.charAt(0));
        if (digits && low.matches("\\d{1,2}:\\d{2}")) {
            String until = low(tokens, t + 2);
            if (List.of("-", "–", "to").contains(low(tokens, t + 1))
                    && until.matches("\\d{1,2}:\\d{2}"))
                return Optional.of(
                        chunk(
                                Meant.MINUTES,
                                "",
                                tokens,
                                t,
                                t + 3,
                                Math.floorMod(clock(until) - clock(low), 1440)));
        }
        if (digits && low.matches("\\d{1,2}[:.]\\d{2}( ?h)?") && !low.matches("\\d+\\.\\d0"))
            return Optional.of(chunk(Meant.CLOCK, low, tokens, t, t + 1, Double.NaN));
        boolean fours =
                digits
                        && low.matches("(?:[01]\\d|2[0-3])[0-5]\\d")
                        && t + 1 < tokens.size()
                        && tokens.get(t + 1).isWord()
                        && !low.matches("20[2-4]\\d");
        if (fours) return Optional.of(chunk(Meant.CLOCK, low, tokens, t, t + 1, Double.NaN));
        if (low.equals("half")
                && low(tokens, t + 1).equals("an")
                && HOURS.contains(low(tokens, t + 2)))
            return Optional.of(chunk(Meant.MINUTES, "30", tokens, t, t + 3, 30));
        if (low.equals("a") && low(tokens, t + 1).equals("quarter")) {
            int end = low(tokens, t + 2).equals("of") ? t + 5 : t + 2;
            if (low(tokens, end - 1).equals("hour"))
                return Optional.of(chunk(Meant.MINUTES, "15", tokens, t, end, 15));
        }
        if ((low.equals("an") || low.equals("a"))
                && (HOURS.contains(low(tokens, t + 1)) || low(tokens, t + 1).equals("minute"))) {
            double minutes = low(tokens, t + 1).equals("minute") ? 1 : 60;
            return Optional.of(chunk(Meant.MINUTES, "", tokens, t, t + 2, minutes));
        }
        double number = number(tokens.get(t));
        if (Double.isNaN(number)) return Optional.empty();
        int at = t + 1;
        if (low(tokens, at).equals("-") && MINUTES.contains(low(tokens, at + 1))) at++;
        String unit = low(tokens, at);
        if (MINUTES.contains(unit) && !(unit.equals("'") && low(tokens, at + 1).equals("s")))
            return Optional.of(chunk(Meant.MINUTES, "", tokens, t, at + 1, number));
        if (HOURS.contains(unit) && number < 24) {
            double more = at + 1 < tokens.size() ? number(tokens.get(at + 1)) : Double.NaN;
            boolean andMore = more < 60 && MINUTES.contains(low(tokens, at + 2));
            boolean glued = more < 60 && !andMore && unit.equals("h");
            return Optional.of(
                    chunk(
                            Meant.MINUTES,
                            "",
                            tokens,
                            t,
                            andMore ? at + 3 : glued ? at + 2 : at + 1,
                            number * 60 + (andMore || glued ? more : 0)));
        }
        if (SECONDS.contains(unit) && tokens.get(t).isNumber())
            return Optional.of(chunk(Meant.MINUTES, "", tokens, t, at + 1, number / 60));
        boolean leads = tokens.stream().anyMatch(token -> LEADS.contains(token.low()));
        if (unit.equals("m") && !leads)
            return Optional.of(chunk(Meant.MINUTES, "", tokens, t, at + 1, number));
        return Optional.empty();
    }

    private static int clock(String text) {
        String[] parts = text.split(":");
        return Integer.parseInt(parts[0]) * 60 + Integer.parseInt(parts[1]);
    }

    private static Optional<Chunk> count(List<Token> tokens, int t) {
        double number = number(tokens.get(t));
        if (Double.isNaN(number) || number != Math.rint(number)) return Optional.empty();
        int end = t + 1;
        if (UNITS.contains(low(tokens, end))) return Optional.empty();
        if (low(tokens, end).equals("x") || low(tokens, end).equals("×")) end++;
        return Optional.of(chunk(Meant.COUNT, "", tokens, t, end, number));
    }
}
