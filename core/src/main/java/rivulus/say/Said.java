package rivulus.say;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import rivulus.gear.Catalogue;
import rivulus.show.Show;
import rivulus.words.Words;

/// One line as people write it on paper, understood as far as it goes.
///
/// @param line as it was typed
/// @param meant what it says
/// @param unclear the parts of it that were not understood
/// @param lacking why it cannot be, though it was understood, a clause each
/// @param words what was understood, to be looked at before it is taken: "Nadia · caller · afar, by
///     call program"
/// @param assumed whether it was read from words of somebody's own, so that they should look
public record Said(
        String line,
        Meaning meant,
        List<String> unclear,
        List<String> lacking,
        String words,
        boolean assumed) {
    public Said {
        unclear = List.copyOf(unclear);
        lacking = List.copyOf(lacking);
    }

    /// What a reader made of a line.
    static Said of(Spoken line, Meaning meant, List<String> unclear) {
        String words = String.join(" · ", meant.words(line.show()));
        return new Said(line.line(), meant, unclear, List.of(), words, false);
    }

    /// What stands in the way of a line that leaves something open.
    private static final List<String> OPEN = List.of("this is left open");

    /// One way in which a line may be meant.
    interface Reader {
        /// What the line says, or nothing if it is not meant this way.
        Optional<Said> read(Spoken line);
    }

    /// In the order in which they are tried: a line that is nothing else is somebody.
    private static final List<Reader> READERS =
            List.of(
                    new SceneLines(),
                    new ListenerLines(),
                    new JoinLines(),
                    new WishLines(),
                    new PlaybackLines(),
                    new GearLines(),
                    new PersonLines());

    /// What one line says, in a show whose people, places and gear it may name.
    ///
    /// @param catalogue the kinds of gear that everybody has
    public static Said of(String line, Show show, Catalogue catalogue) {
        Optional<Spoken> spoken = Spoken.of(line, show, show.kinds(catalogue));
        return spoken.flatMap(
                        words ->
                                READERS.stream()
                                        .flatMap(reader -> reader.read(words).stream())
                                        .findFirst())
                .orElseGet(
                        () ->
                                new Said(
                                        line,
                                        new Meaning.Nothing(),
                                        List.of(),
                                        List.of(),
                                        "nothing",
                                        false));
    }

    /// Whether it would add anything.
    public boolean isSomething() {
        return !(meant instanceof Meaning.Nothing);
    }

    /// Whether it leaves something open, so that it may be taken as it is likeliest meant.
    public boolean isOpen() {
        return lacking.equals(OPEN);
    }

    /// Whether it would be added as it is assumed to be meant.
    public boolean isToLookAt() {
        return assumed && isClear();
    }

    /// Whether it would add something, all of it was understood, and it can be.
    public boolean isClear() {
        return isSomething() && unclear.isEmpty() && lacking.isEmpty();
    }

    /// The same once it was tried, with what it takes besides and what of it cannot be.
    Said tried(Saying.Taken taken) {
        List<String> all = new ArrayList<>(List.of(words));
        all.addAll(taken.besides());
        return new Said(line, meant, unclear, taken.lacking(), String.join(" · ", all), assumed);
    }

    /// The same as what a line of somebody's own words says.
    Said from(String own, boolean sure) {
        return new Said(own, meant, unclear, lacking, words, !sure);
    }

    /// A line that says what the show is called.
    static Said titled(String own, Show show) {
        Meaning meant = new Meaning.Title(own);
        String words = String.join(" · ", meant.words(show));
        return new Said(own, meant, List.of(), List.of(), words, true);
    }

    /// A line of which nothing was understood.
    static Said dark(String own) {
        return new Said(own, new Meaning.Nothing(), List.of(own), List.of(), own, false);
    }

    /// A line that leaves something open.
    static Said open(String own) {
        return new Said(own, new Meaning.Nothing(), List.of(), OPEN, own, false);
    }

    /// A line that holds nothing of sound.
    static Said aside(String own) {
        return new Said(
                own, new Meaning.Nothing(), List.of(), List.of(), own + " · put aside", false);
    }

    /// What stands in its way, as a clause; empty where nothing does.
    public String trouble() {
        if (!unclear.isEmpty()) return "not understood: " + String.join(", ", unclear);
        return Words.list(lacking.isEmpty() ? List.of("") : lacking);
    }

    static String low(String words) {
        return words.strip().toLowerCase(Locale.ROOT);
    }
}
