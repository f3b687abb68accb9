package rivulus.words;

import java.util.List;
import java.util.Locale;

/// Figures and lists in words.
public final class Words {
    /// Stands between a figure and its unit: a thin space that does not break.
    public static final String THIN = "\u202F";

    private static final String MINUS = "\u2212";

    private Words() {}

    /// "−3.0 dB", with a real minus sign and a thin space; "silent" for negative infinity.
    public static String db(double db) {
        if (db == Double.NEGATIVE_INFINITY) return "silent";
        return signed(db, 1) + THIN + "dB";
    }

    /// A step in decibels with its sign: "+3.0 dB", "−4.0 dB".
    public static String stepDb(double db) {
        return (db >= 0.05 ? "+" : "") + db(db);
    }

    /// "412 ms"; one decimal under 10 ms.
    public static String ms(double ms) {
        return signed(ms, Math.abs(ms) < 9.95 && Math.rint(ms) != ms ? 1 : 0) + THIN + "ms";
    }

    /// "3.4 h".
    public static String hours(double minutes) {
        return signed(minutes / 60, 1) + THIN + "h";
    }

    /// "42 min".
    public static String minutes(double minutes) {
        return signed(minutes, 0) + THIN + "min";
    }

    private static final List<String> NUMBERS =
            List.of("three", "four", "five", "six", "seven", "eight", "nine", "ten");

    /// "two", "three", "12".
    public static String number(int count) {
        if (count == 2) return "two";
        return count > 2 && count < 11 ? NUMBERS.get(count - 3) : String.valueOf(count);
    }

    /// "once", "twice", "three times", "12 times".
    public static String times(int count) {
        if (count < 3) return count == 1 ? "once" : "twice";
        return (count < 11 ? NUMBERS.get(count - 3) : String.valueOf(count)) + " times";
    }

    /// "86 Hz", "1.2 kHz".
    public static String hz(double hz) {
        return hz < 1000 ? signed(hz, 0) + THIN + "Hz" : signed(hz / 1000, 1) + THIN + "kHz";
    }

    /// "150 Ω", "1.5 kΩ", "1 MΩ".
    public static String ohms(double ohms) {
        if (ohms >= 1e6) return shortest(ohms / 1e6) + THIN + "MΩ";
        return ohms >= 1000 ? shortest(ohms / 1000) + THIN + "kΩ" : shortest(ohms) + THIN + "Ω";
    }

    /// "3 m", "1.5 m".
    public static String metres(double metres) {
        return shortest(metres) + THIN + "m";
    }

    /// A figure with one decimal, or none where it needs none.
    public static String shortest(double value) {
        return signed(value, value == Math.rint(value) ? 0 : 1);
    }

    /// A figure with that many decimals and a real minus sign.
    public static String signed(double value, int decimals) {
        String text = String.format(Locale.ROOT, "%." + decimals + "f", Math.abs(value));
        boolean zero = text.chars().allMatch(c -> c == '0' || c == '.');
        return value < 0 && !zero ? MINUS + text : text;
    }

    /// A figure with its unit: "−24 dBFS", "4.9 LU".
    public static String figure(double value, int decimals, String unit) {
        return signed(value, decimals) + THIN + unit;
    }

    /// How many of a thing there are: "1 port", "3 ports".
    public static String count(int number, String thing) {
        return number + " " + thing + (number == 1 ? "" : "s");
    }

    /// "Maren", "Maren and Ivo", "Maren, Ivo and Nadia".
    public static String list(List<String> items) {
        if (items.isEmpty()) return "nobody";
        if (items.size() == 1) return items.getFirst();
        return String.join(", ", items.subList(0, items.size() - 1)) + " and " + items.getLast();
    }

    /// The same, but of many only the first: "Maren, Ivo, Nadia and 21 more".
    ///
    /// @param most how many names, 2 or more
    public static String few(List<String> items, int most) {
        if (items.size() <= most) return list(items);
        int named = most - 1;
        return "%s and %d more"
                .formatted(String.join(", ", items.subList(0, named)), items.size() - named);
    }

    /// A part of a thing: "Show desk USB 1 call"; the thing alone where its name says it already:
    /// "Tower's virtual cable", "Maren's mic".
    public static String part(String thing, String part) {
        String name = thing.toLowerCase(Locale.ROOT).replaceFirst("\\bmic$", "microphone");
        String label = part.toLowerCase(Locale.ROOT);
        boolean said = name.equals(label) || name.endsWith(" " + label);
        return said ? thing : thing + " " + part;
    }

    /// The first letter in upper case.
    public static String sentence(String text) {
        return text.isEmpty() ? text : Character.toUpperCase(text.charAt(0)) + text.substring(1);
    }
}
