package rivulus.form;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import java.util.function.IntFunction;
import rivulus.disk.Entry;
import rivulus.disk.Line;
import rivulus.disk.Worded;
import rivulus.edit.Edit;
import rivulus.edit.Parts;
import rivulus.edit.ShowEdits;
import rivulus.gear.Catalogue;
import rivulus.rig.RigEdits;
import rivulus.show.Show;

/// What every form stands on.
///
/// @param catalogue every kind of gear, those of the show among them
record Ground(Show show, Catalogue catalogue, Parts parts, ShowEdits edits, RigEdits rig) {
    static Ground of(Show show, Catalogue shipped) {
        return new Ground(
                show,
                show.kinds(shipped),
                new Parts(show, shipped),
                new ShowEdits(show, shipped),
                new RigEdits(show, shipped));
    }

    /// A name that was typed.
    ///
    /// @throws IllegalArgumentException if it is blank
    static String name(String typed) {
        String line = Line.clipped(Line.of(typed), Entry.LONGEST_NAME);
        if (line.isEmpty()) throw new IllegalArgumentException("It needs a name.");
        return line;
    }

    /// A line that was typed, or nothing.
    static String words(String typed) {
        return Line.clipped(Line.of(typed), Entry.LONGEST_NAME);
    }

    /// A time of day that was typed, "20:00"; or nothing.
    ///
    /// @throws IllegalArgumentException if it is none
    static String clock(String typed) {
        String plain = typed.strip().replace('.', ':');
        if (!plain.isEmpty() && !plain.matches("([01]?[0-9]|2[0-3]):[0-5][0-9]"))
            throw new IllegalArgumentException("A time of day is such as 20:00.");
        return plain;
    }

    /// A number that was typed; blank is 0.
    ///
    /// @param what begins the sentence that says what would be right: "Minutes are"
    /// @throws IllegalArgumentException if it is none, or out of range
    static double number(String typed, String what, double least, double most) {
        String plain = typed.strip().replace(',', '.').replace('−', '-');
        if (plain.isEmpty()) return 0;
        try {
            double number = Double.parseDouble(plain);
            if (number >= least && number <= most) return number + 0.0;
        } catch (NumberFormatException none) {
            // said below
        }
        throw new IllegalArgumentException(
                "%s a number from %s to %s.".formatted(what, plain(least), plain(most)));
    }

    /// A number as it is typed, with all its figures.
    static String plain(double number) {
        return BigDecimal.valueOf(number + 0.0).stripTrailingZeros().toPlainString();
    }

    /// The values of a kind as options.
    static <E extends Enum<E> & Worded> List<Option> options(List<E> values) {
        return values.stream().map(v -> new Option(v.word(), v.word().replace('-', ' '))).toList();
    }

    static <T> List<Option> options(
            List<T> all, Function<T, String> id, Function<T, String> words) {
        List<Option> options = new ArrayList<>();
        for (T one : all) options.add(new Option(id.apply(one), words.apply(one)));
        return options;
    }

    /// Earlier and later, where there is more than one.
    static <T> List<Deed> order(List<T> all, T one, IntFunction<Edit> move) {
        List<Deed> deeds = new ArrayList<>();
        int at = all.indexOf(one);
        if (at > 0) deeds.add(Deed.of(Deed.EARLIER, "Earlier", move.apply(-1)));
        if (at < all.size() - 1) deeds.add(Deed.of(Deed.LATER, "Later", move.apply(1)));
        return deeds;
    }
}
