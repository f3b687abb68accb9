package rivulus.edit;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import rivulus.disk.Entry;
import rivulus.disk.Line;
import rivulus.disk.Worded;
import rivulus.show.Ear;
import rivulus.show.Person;
import rivulus.show.Place;
import rivulus.show.Role;
import rivulus.show.Scene;
import rivulus.show.Show;
import rivulus.show.Source;
import rivulus.words.Words;

/// One line as people write it on paper, understood as far as it goes: somebody (`Maren, host,
/// Reading Room`), somebody afar (`Nadia, caller, call program`), a scene (`scene Tales, 20 min`),
/// a listener that is no person (`stream`).
///
/// @param line as it was typed
/// @param meant what it says
/// @param unclear the parts of it that were not understood
public record Said(String line, Meaning meant, List<String> unclear) {
    public Said {
        unclear = List.copyOf(unclear);
    }

    /// What a line can mean.
    public sealed interface Meaning {
        /// Somebody.
        ///
        /// @param place the name of where they are; empty where nobody said
        /// @param by how somebody comes in from afar; empty for who is here
        /// @param speaks whether anybody is meant to hear them
        record Somebody(
                String name, Role role, String place, String by, String pronoun, boolean speaks)
                implements Meaning {}

        /// A part of the evening.
        ///
        /// @param minutes 0 where nobody said
        /// @param rests the ids of the sources that rest in it
        record Part(String name, double minutes, List<String> rests) implements Meaning {
            public Part {
                rests = List.copyOf(rests);
            }
        }

        /// Something that listens and is no person.
        record Listener(Ear.Kind kind) implements Meaning {}

        /// A track for everybody who speaks.
        record Tracks() implements Meaning {}

        /// Nothing that was understood.
        record Nothing() implements Meaning {}
    }

    private static final List<String> AFAR = List.of("call program", "phone", "second computer");
    private static final List<String> PRONOUNS = List.of("she", "he", "they");
    private static final String SPEAKS = "speaks";
    private static final List<String> LISTENS_ONLY =
            List.of("only listens", "listens only", "silent", "does not speak");

    /// Listeners that are no persons and belong to nobody.
    private static final Map<String, Ear.Kind> LISTENERS = listeners();

    private static Map<String, Ear.Kind> listeners() {
        Map<String, Ear.Kind> words = new TreeMap<>();
        for (Ear.Kind kind :
                EnumSet.of(
                        Ear.Kind.STREAM,
                        Ear.Kind.ON_DEMAND,
                        Ear.Kind.HOUSE,
                        Ear.Kind.ASSISTIVE,
                        Ear.Kind.CAMERA)) words.put(kind.word(), kind);
        words.put("on-demand copy", Ear.Kind.ON_DEMAND);
        words.put("on demand", Ear.Kind.ON_DEMAND);
        words.put("recording", Ear.Kind.ON_DEMAND);
        words.put("assistive feed", Ear.Kind.ASSISTIVE);
        words.put("live stream", Ear.Kind.STREAM);
        return words;
    }

    /// Every line of a text that says something.
    public static List<Said> all(String text, Show show) {
        return text.lines().map(Line::of).filter(l -> !l.isEmpty()).map(l -> of(l, show)).toList();
    }

    /// What one line says, in a show whose places it may name.
    public static Said of(String line, Show show) {
        List<String> parts = new ArrayList<>();
        for (String part : line.split("[,;·\t]")) if (!part.isBlank()) parts.add(part.strip());
        if (parts.isEmpty()) return new Said(line, new Meaning.Nothing(), List.of());
        String first = parts.removeFirst();
        String low = first.toLowerCase(Locale.ROOT);
        if (low.startsWith("scene ")) return scene(line, first.substring(6).strip(), parts, show);
        Ear.Kind listener = LISTENERS.get(low.replaceFirst("^(the|a|an) ", ""));
        if (listener != null) return new Said(line, new Meaning.Listener(listener), parts);
        if (low.matches("(a )?tracks?( per (voice|person))?"))
            return new Said(line, new Meaning.Tracks(), parts);
        return somebody(line, first, parts, show);
    }

    private static Said scene(String line, String name, List<String> parts, Show show) {
        double minutes = 0;
        List<String> rests = new ArrayList<>();
        List<String> unclear = new ArrayList<>();
        for (String part : parts) {
            Optional<Double> said = minutes(part);
            Optional<String> resting = resting(part, show);
            if (said.isPresent()) minutes = said.get();
            else if (resting.isPresent()) rests.add(resting.get());
            else unclear.add(part);
        }
        return new Said(line, new Meaning.Part(clipped(name), minutes, rests), unclear);
    }

    /// "Maren rests": the id of who or what does.
    private static Optional<String> resting(String part, Show show) {
        String low = part.toLowerCase(Locale.ROOT);
        if (!low.endsWith(" rests")) return Optional.empty();
        String name = part.substring(0, part.length() - " rests".length()).strip();
        return show.sources().stream()
                .filter(source -> source.name().equalsIgnoreCase(name))
                .map(Source::id)
                .findFirst();
    }

    private static Optional<Double> minutes(String part) {
        String number =
                part.toLowerCase(Locale.ROOT).replaceFirst("\\s*(minutes?|min\\.?|')$", "").strip();
        if (!number.matches("\\d{1,4}([.,]\\d{1,2})?")) return Optional.empty();
        double minutes = Double.parseDouble(number.replace(',', '.'));
        return Optional.of(minutes).filter(m -> m <= 6000);
    }

    private static Said somebody(String line, String name, List<String> parts, Show show) {
        Role role = null;
        String place = "";
        String by = "";
        String pronoun = "they";
        Optional<Boolean> speaks = Optional.empty();
        List<String> unclear = new ArrayList<>();
        for (String part : parts) {
            String low = part.toLowerCase(Locale.ROOT);
            Role said = Worded.words(Role.class).get(low.replaceFirst("s$", ""));
            if (said != null && role == null) role = said;
            else if (PRONOUNS.contains(low)) pronoun = low;
            else if (AFAR.contains(low.replaceFirst("^by ", ""))) by = low.replaceFirst("^by ", "");
            else if (LISTENS_ONLY.contains(low)) speaks = Optional.of(false);
            else if (low.equals(SPEAKS)) speaks = Optional.of(true);
            else if (place.isEmpty() && isPlace(part)) place = known(part, show).orElse(part);
            else unclear.add(part);
        }
        if (role == null) role = by.isEmpty() ? Role.GUEST : Role.CALLER;
        return new Said(
                line,
                new Meaning.Somebody(
                        clipped(name),
                        role,
                        clipped(place),
                        by,
                        pronoun,
                        speaks.orElse(role != Role.AUDIENCE)),
                unclear);
    }

    /// A place has letters in it: a number alone is none.
    private static boolean isPlace(String part) {
        return part.chars().anyMatch(Character::isLetter)
                && part.chars().noneMatch(c -> c == '?' || c == '!');
    }

    /// The name of the place that is meant, however it is written.
    private static Optional<String> known(String name, Show show) {
        return show.places().stream()
                .map(Place::name)
                .filter(place -> place.equalsIgnoreCase(name))
                .findFirst();
    }

    private static String clipped(String name) {
        return Line.clipped(name, Entry.LONGEST_NAME);
    }

    /// Somebody as a line that says them.
    public static String line(Person person, Show show) {
        List<String> parts = new ArrayList<>(List.of(person.name(), person.role().word()));
        show.place(person.place()).map(Place::name).ifPresent(parts::add);
        if (!person.pronoun().equals("they")) parts.add(person.pronoun());
        parts.addAll(voice(person.role(), person.speaks()));
        return String.join(", ", parts);
    }

    /// Whether somebody is meant to be heard, where that is worth a word: an audience is not,
    /// unless it is said.
    private static List<String> voice(Role role, boolean speaks) {
        if (!speaks) return List.of(LISTENS_ONLY.getFirst());
        return role == Role.AUDIENCE ? List.of(SPEAKS) : List.of();
    }

    /// A scene as a line that says it.
    public static String line(Scene scene, Show show) {
        List<String> parts = new ArrayList<>(List.of("scene " + scene.name()));
        if (scene.minutes() > 0) parts.add(Words.shortest(scene.minutes()) + " min");
        for (String quiet : scene.quiet())
            show.cast().source(quiet).ifPresent(source -> parts.add(source.name() + " rests"));
        return String.join(", ", parts);
    }

    /// Whether it would add anything.
    public boolean isSomething() {
        return !(meant instanceof Meaning.Nothing);
    }

    /// What was understood, to be looked at before it is taken: "Nadia · caller · afar, by call
    /// program".
    ///
    /// @param show the show that it was read in
    public String words(Show show) {
        List<String> words = new ArrayList<>();
        switch (meant) {
            case Meaning.Somebody who -> {
                words.add(who.name());
                words.add(who.role().word());
                if (!who.by().isEmpty()) words.add("afar, by " + who.by());
                if (!who.place().isEmpty()) words.add("in " + who.place());
                if (!who.pronoun().equals("they")) words.add(who.pronoun());
                words.addAll(voice(who.role(), who.speaks()));
            }
            case Meaning.Part part -> {
                words.add("scene " + part.name());
                if (part.minutes() > 0) words.add(Words.minutes(part.minutes()));
                for (String rests : part.rests())
                    show.cast().source(rests).ifPresent(s -> words.add(s.name() + " rests"));
            }
            case Meaning.Listener listener -> words.add(name(listener.kind()) + " listens");
            case Meaning.Tracks _ -> words.add("a track for every voice");
            case Meaning.Nothing _ -> words.add("nothing");
        }
        return String.join(" · ", words);
    }

    /// What a listener that is no person is called.
    public static String name(Ear.Kind kind) {
        return switch (kind) {
            case STREAM -> "Stream";
            case ON_DEMAND -> "On-demand copy";
            case HOUSE -> "House";
            case ASSISTIVE -> "Assistive feed";
            case CAMERA -> "Camera";
            case SECOND_LANGUAGE -> "Second language";
            case TRACK -> "Track";
            case PERSON -> "Somebody";
        };
    }
}
