package rivulus.page;

import java.util.regex.Matcher;
import java.util.regex.Pattern;

/// How much work a page may take, counted in letters that patterns look at: the same everywhere,
/// however fast the machine is. A clause that takes more is not read to its end.
final class Effort {
    private static final long PAGE = 12_000_000;
    private static final long CLAUSE = 200_000;

    private long page = PAGE;
    private long clause;

    /// Thrown where a clause takes too much.
    static final class Spent extends RuntimeException {
        private static final long serialVersionUID = 1;

        Spent() {
            super("too much work", null, false, false);
        }
    }

    /// A new clause begins.
    void begin() {
        clause = Math.min(CLAUSE, page);
        page -= clause;
    }

    /// A clause ends: what it did not take is left for others.
    void end() {
        page += clause;
        clause = 0;
    }

    /// A pattern held against some text; looking throws [Spent] where it takes too much.
    Matcher matcher(Pattern pattern, String text) {
        return pattern.matcher(new Counted(text));
    }

    /// Whether a pattern fits all of some text, counted.
    boolean fits(String text, String pattern) {
        return matcher(Pattern.compile(pattern), text).matches();
    }

    private void look() {
        if (--clause < 0) throw new Spent();
    }

    private final class Counted implements CharSequence {
        private final String text;

        Counted(String text) {
            this.text = text;
        }

        @Override
        public int length() {
            return text.length();
        }

        @Override
        public char charAt(int index) {
            look();
            return text.charAt(index);
        }

        @Override
        public CharSequence subSequence(int from, int to) {
            return text.subSequence(from, to);
        }

        @Override
        public String toString() {
            return text;
        }
    }
}
