package rivulus.intake;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;

/// What a column of a list may mean.
public enum Meaning {
    CHANNEL(Listed.INPUTS, false, "channel", "ch", "input", "no", "nr", "#", "number"),
    SOURCE(Listed.INPUTS, true, "source", "name", "who", "instrument", "talker", "what"),
    GEAR(Listed.INPUTS, false, "gear", "mic", "microphone", "mic/di", "kind", "type", "model"),
    INTO(Listed.INPUTS, false, "into", "desk", "mixer", "console", "box"),
    PLACE(Listed.INPUTS, false, "place", "room", "where", "position"),
    PHANTOM(Listed.INPUTS, false, "48v", "48 v", "phantom", "+48v", "p48"),
    INPUT_METRES(Listed.INPUTS, false, "metres", "meters", "length", "m"),
    FROM(Listed.LEADS, true, "from", "source", "output", "out", "a"),
    TO(Listed.LEADS, true, "to", "destination", "input", "in", "into", "b"),
    METRES(Listed.LEADS, false, "metres", "meters", "length", "m"),
    OWNED(Listed.LEADS, false, "owned", "have", "status", "to buy", "buy"),
    WHO(Listed.PEOPLE, true, "who", "name", "person", "people", "guest", "cast"),
    ROLE(Listed.PEOPLE, true, "role", "part", "as", "does", "function"),
    PERSON_PLACE(Listed.PEOPLE, false, "place", "room", "where", "location"),
    BY(Listed.PEOPLE, false, "by", "comes by", "comes in by", "via", "from afar by"),
    PRONOUN(Listed.PEOPLE, false, "pronoun", "pronouns"),
    COUNT(Listed.PEOPLE, false, "count", "how many", "number", "pieces");

    /// What a list lists.
    public enum Listed {
        /// What goes into which channel of a mixer.
        INPUTS("Input list"),
        /// Leads with both their ends.
        LEADS("Lead list"),
        /// Who is in the show.
        PEOPLE("List of people");

        private final String title;

        Listed(String title) {
            this.title = title;
        }

        /// What it is called.
        public String title() {
            return title;
        }
    }

    private final Listed listed;
    private final boolean needed;
    private final List<String> names;

    Meaning(Listed listed, boolean needed, String... names) {
        this.listed = listed;
        this.needed = needed;
        this.names = List.of(names);
    }

    /// In which kind of list it may stand.
    public Listed listed() {
        return listed;
    }

    /// Whether nothing can be taken in without it.
    public boolean isNeeded() {
        return needed;
    }

    /// As commands name it: `from`.
    public String word() {
        return names.getFirst();
    }

    /// The meanings in a kind of list.
    public static List<Meaning> in(Listed listed) {
        return Arrays.stream(values()).filter(meaning -> meaning.listed == listed).toList();
    }

    /// How well the name of a column fits, best first; the number of names where it does not.
    int rank(String column) {
        String name = column.toLowerCase(Locale.ROOT).strip();
        int at = names.indexOf(name);
        return at < 0 ? names.size() : at;
    }

    boolean fits(String column) {
        return rank(column) < names.size();
    }
}
