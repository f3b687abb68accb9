package rivulus.page;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/// What has been read of a page so far.
final class Gathered {
    private static final Set<String> OUTPUTS =
            Set.of(
                    "stream",
                    "recording",
                    "tracks",
                    "on-demand",
                    "assistive",
                    "second-language",
                    "camera");

    /// More of a kind is no evening any more.
    static final int MOST = 1_000;

    final Roster roster;
    final Effort effort = new Effort();
    final List<Facts.Plays> plays = new ArrayList<>();
    final Map<String, Set<String>> listens = new LinkedHashMap<>();
    final Map<String, Integer> listensAt = new LinkedHashMap<>();
    final List<Facts.Gear> gear = new ArrayList<>();
    final List<Facts.Joined> joined = new ArrayList<>();
    /// Whom the labels of lines stand for, by their words.
    final Map<String, List<String>> labels = new HashMap<>();
    final List<PartSoFar> parts = new ArrayList<>();
    final List<Facts.Wish> wishes = new ArrayList<>();
    final List<Facts.Level> levels = new ArrayList<>();
    /// Lines from which something was read.
    final Set<Integer> used = new HashSet<>();

    /// A part of the evening, to which who rests is still added.
    static final class PartSoFar {
        final String name;
        final String key;
        Double minutes;
        final Set<String> rests = new LinkedHashSet<>();
        final int line;

        PartSoFar(String name, Double minutes, int line) {
            this.name = name;
            this.key = key(name);
            this.minutes = minutes;
            this.line = line;
        }
    }

    Gathered(Roster roster) {
        this.roster = roster;
    }

    void wish(String who, String hears, String whom, String when, int line) {
        if (wishes.size() >= MOST
                || who.isEmpty()
                || whom.isEmpty()
                || !isEar(who)
                || !isSource(whom, hears)) return;
        boolean known =
                wishes.stream()
                        .anyMatch(
                                one ->
                                        one.who().equalsIgnoreCase(who)
                                                && one.whom().equalsIgnoreCase(whom)
                                                && one.when().equals(when));
        if (!known) wishes.add(new Facts.Wish(who, hears, whom, when, line, false));
        used.add(line);
    }

    /// Whether it is a word for what goes out.
    static boolean isOutput(String word) {
        return OUTPUTS.contains(word);
    }

    /// Whether it can listen: nothing that is played can, and nobody who is only a word.
    private boolean isEar(String who) {
        return plays.stream().noneMatch(one -> one.name().equalsIgnoreCase(who)) && !isLoose(who);
    }

    /// Whether it can be heard: an output only where it must not.
    private boolean isSource(String whom, String hears) {
        return !(OUTPUTS.contains(whom) && !hears.equals("must not")) && !isLoose(whom);
    }

    /// A single role word that stands for nobody who is known: "captain".
    private boolean isLoose(String words) {
        Vocabulary.Sense sense = Vocabulary.shipped().of(words).stream().findFirst().orElse(null);
        return sense != null
                && sense.kind() == Meant.ROLE
                && !sense.value().equals("caller")
                && !words.endsWith("s")
                && roster.there().stream().noneMatch(one -> one.words.contains(words));
    }

    /// The parts of the evening whose names stand in some words; not those whose name is only a
    /// piece of another's.
    List<PartSoFar> named(String words) {
        String low = " " + words.replace('-', ' ') + " ";
        List<PartSoFar> all =
                parts.stream().filter(part -> low.contains(" " + part.key + " ")).toList();
        return all.stream()
                .filter(
                        part ->
                                all.stream()
                                        .noneMatch(
                                                other ->
                                                        other.key.length() > part.key.length()
                                                                && (" " + other.key + " ")
                                                                        .contains(
                                                                                " " + part.key
                                                                                        + " ")))
                .toList();
    }

    static String key(String words) {
        StringBuilder key = new StringBuilder();
        for (Token token : Token.all(words)) {
            if (!key.isEmpty()) key.append(' ');
            key.append(token.low());
        }
        return key.toString().toLowerCase(Locale.ROOT).replace('-', ' ');
    }

    // What words stand for

    /// Who or what some chunks stand for, by the words that facts use.
    List<String> meant(List<Chunk> chunks, List<String> themselves) {
        Set<String> meant = new LinkedHashSet<>();
        for (Chunk chunk : chunks) meant.addAll(meant(chunk, themselves));
        return new ArrayList<>(meant);
    }

    private List<String> meant(Chunk chunk, List<String> themselves) {
        return switch (chunk.kind()) {
            case NAME -> {
                Roster.Somebody who = roster.get(chunk.value());
                List<String> those = who.signed ? List.of() : labelled(chunk);
                yield those.isEmpty() ? List.of(who.name) : those;
            }
            case ROLE -> {
                List<String> those = labelled(chunk);
                yield those.isEmpty() ? role(chunk) : those;
            }
            case GROUP, SUBJECT -> group(chunk, themselves);
            case OUT -> List.of(chunk.value().equals("house") ? "house" : chunk.value());
            case SOUND -> sounds(chunk);
            case GEAR ->
                    switch (chunk.value()) {
                        case "loudspeakers", "pa" -> List.of("house");
                        case "audience mic" -> List.of("house");
                        case "talkback mic", "intercom" -> talkback();
                        default -> List.of();
                    };
            case PLACE -> place(chunk);
            case INSTRUMENT ->
                    roster.there().stream()
                            .filter(
                                    one ->
                                            one.words.contains(
                                                    Names.singular(
                                                            chunk.text().toLowerCase(Locale.ROOT))))
                            .findFirst()
                            .map(one -> List.of(one.name))
                            .orElse(List.of(chunk.text()));
            case WAY -> afar(chunk);
            default -> List.of();
        };
    }

    /// Those who come by a way from afar, by name; those without names as a group.
    private List<String> afar(Chunk chunk) {
        String by = chunk.value();
        if (chunk.text().matches("(?i)(?:by|via|per|over|through|with|from) .*")) return List.of();
        List<String> names = new ArrayList<>();
        boolean unnamed = false;
        for (Roster.Somebody one : roster.there()) {
            if (!one.by.equals(by)) continue;
            if (one.isNamed()) names.add(one.name);
            else {
                unnamed = true;
                boolean several = chunk.text().contains(" ") || chunk.text().endsWith("s");
                if (one.called.isEmpty() && several)
                    one.called = chunk.text().toLowerCase(Locale.ROOT);
            }
        }
        if (unnamed || names.isEmpty()) names.add(several(by));
        return names;
    }

    /// What facts call several without names who come by a way.
    static String several(String by) {
        return by.equals("phone") ? "callers" : "online";
    }

    /// Those who talk to others without going out: whose the talkback microphone is, else whoever
    /// produces.
    private List<String> talkback() {
        List<String> owners =
                gear.stream()
                        .filter(one -> one.kind().equals("talkback mic") && !one.whose().isEmpty())
                        .map(Facts.Gear::whose)
                        .toList();
        return owners.isEmpty()
                ? roster.ofRole("producer").stream()
                        .filter(Roster.Somebody::isNamed)
                        .map(one -> one.name)
                        .toList()
                : owners;
    }

    /// Whom a label stands for that the page puts before their names: "Stage: Maren and Odd".
    private List<String> labelled(Chunk chunk) {
        return labels.getOrDefault(key(chunk.text()), List.of());
    }

    private List<String> place(Chunk chunk) {
        List<String> those = labelled(chunk);
        if (!those.isEmpty()) return those;
        String low = chunk.text().toLowerCase(Locale.ROOT);
        List<String> there =
                roster.there().stream()
                        .filter(
                                one ->
                                        one.isNamed()
                                                && (" " + one.place.toLowerCase(Locale.ROOT) + " ")
                                                        .contains(" " + low + " "))
                        .map(one -> one.name)
                        .toList();
        boolean audience =
                roster.there().stream()
                        .anyMatch(
                                one ->
                                        one.role.equals("audience")
                                                && one.place.toLowerCase(Locale.ROOT).equals(low));
        if (audience
                || List.of("hall", "room", "church", "house", "bookshop", "shop", "clubhouse")
                        .contains(low)) return List.of("house");
        return there.isEmpty() ? List.of() : there;
    }

    private List<String> role(Chunk chunk) {
        String low = chunk.text().toLowerCase(Locale.ROOT);
        String single = Names.singular(low);
        boolean many = !single.equals(low);
        List<String> same =
                roster.there().stream()
                        .filter(
                                one ->
                                        one.isNamed()
                                                && (one.words.contains(low)
                                                        || one.words.contains(single)))
                        .map(one -> one.name)
                        .toList();
        if (!same.isEmpty()) return same;
        boolean unnamed =
                roster.there().stream().anyMatch(one -> !one.isNamed() && one.words.contains(low));
        if (unnamed && !List.of("caller", "audience").contains(chunk.value())) return List.of(low);
        if (chunk.value().equals("caller")) return List.of("callers");
        if (chunk.value().equals("audience")) return List.of("house");
        List<String> alike =
                roster.ofRole(chunk.value()).stream()
                        .filter(Roster.Somebody::isNamed)
                        .map(one -> one.name)
                        .toList();
        if (many && !alike.isEmpty() && !low.equals("guests")) return alike;
        if (alike.size() == 1) return alike;
        return List.of(low);
    }

    private List<String> group(Chunk chunk, List<String> themselves) {
        return switch (chunk.value()) {
            case "themselves" -> themselves;
            case "they" -> they();
            case "he", "she" ->
                    roster.one()
                            .filter(Roster.Somebody::isNamed)
                            .map(one -> List.of(one.name))
                            .orElse(List.of());
            case "i" -> roster.me().map(one -> List.of(one.name)).orElse(List.of());
            case "we" ->
                    roster.there().stream()
                            .filter(
                                    one ->
                                            one.isNamed()
                                                    && !one.isAfar()
                                                    && !Boolean.FALSE.equals(one.speaks))
                            .map(one -> one.name)
                            .toList();
            case "it" -> roster.it().isEmpty() ? List.of() : List.of(roster.it());
            case "nobody" -> List.of();
            default -> List.of(chunk.value());
        };
    }

    private List<String> they() {
        List<String> several =
                roster.several().stream()
                        .filter(Roster.Somebody::isNamed)
                        .map(one -> one.name)
                        .toList();
        List<String> subject = roster.subject();
        boolean group =
                subject.size() == 1
                        && roster.all().stream()
                                .noneMatch(one -> one.name.equals(subject.getFirst()));
        return group || subject.size() > 1 || several.isEmpty() ? subject : several;
    }

    /// "Both games", "the clips": all of that kind, where none is called so.
    private List<String> sounds(Chunk chunk) {
        if (!isAllOf(chunk)) return List.of(sound(chunk));
        return plays.stream()
                .filter(one -> one.kind().equals(chunk.value()))
                .map(Facts.Plays::name)
                .toList();
    }

    /// Whether a word means all that is played of its kind.
    boolean isAllOf(Chunk sound) {
        String low = key(sound.text());
        return low.equals(sound.value() + "s")
                && plays.stream().filter(one -> one.kind().equals(sound.value())).count() > 1
                && plays.stream().noneMatch(one -> key(one.name()).equals(low));
    }

    /// The name of something played: as it was first said.
    String sound(Chunk chunk) {
        String low = Gathered.key(chunk.text());
        for (Facts.Plays one : plays) {
            String known = key(one.name());
            if (Names.singular(known).equals(Names.singular(low))
                    || known.endsWith(" " + low)
                    || low.endsWith(" " + known)) return one.name();
        }
        List<Facts.Plays> alike =
                plays.stream().filter(one -> one.kind().equals(chunk.value())).toList();
        return alike.size() == 1 && low.equals(chunk.value())
                ? alike.getFirst().name()
                : chunk.text();
    }

    /// Everybody who speaks: by name, those without names by what they are.
    List<String> speaking() {
        return roster.there().stream()
                .filter(
                        one ->
                                Boolean.TRUE.equals(one.speaks)
                                        || one.speaks == null
                                                && (one.isNamed() || !one.role.equals("audience")))
                .map(this::called)
                .filter(word -> !word.isEmpty())
                .distinct()
                .toList();
    }

    /// What somebody is called in facts.
    private String called(Roster.Somebody one) {
        if (one.isNamed()) return one.name;
        if (one.isAfar()) return several(one.by);
        if (one.role.equals("audience")) return "house";
        return one.words.stream().findFirst().orElse("");
    }
}
