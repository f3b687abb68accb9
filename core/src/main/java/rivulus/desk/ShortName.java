package rivulus.desk;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;

/// Names made to fit the few letters that a machine shows: whole words where they fit, then letters
/// left out from behind that one reads without, vowels first.
public final class ShortName {
    private static final String VOWELS = "aeiouyäöüáéíóú";

    private ShortName() {}

    /// Names that all fit and that nobody takes for one another, in the same order; blank ones stay
    /// blank.
    ///
    /// @param letters how many there is room for; 0 for as many as one likes
    public static List<String> all(List<String> names, int letters) {
        List<String> fitted = new ArrayList<>();
        Set<String> taken = new HashSet<>();
        for (String name : names) {
            String fits = of(name, letters);
            for (int n = 2; !fits.isEmpty() && !taken.add(fits.toLowerCase(Locale.ROOT)); n++) {
                String number = String.valueOf(n);
                fits =
                        letters == 0
                                ? name + " " + n
                                : cut(fits, letters - number.length()) + number;
            }
            fitted.add(fits);
        }
        return fitted;
    }

    /// A name that fits.
    ///
    /// @param letters how many there is room for; 0 for as many as one likes
    public static String of(String name, int letters) {
        String whole = name.strip();
        if (letters == 0 || whole.length() <= letters) return whole;
        String[] words = whole.split("\\s+");
        String first = words[0].replaceFirst("[’']s?$", "");
        if (words.length > 1 && first.length() <= letters) {
            String initials = first;
            for (int w = 1; w < words.length; w++) {
                String more = initials + " " + words[w].charAt(0);
                if (more.length() <= letters) initials = more;
            }
            return initials;
        }
        return cut(withoutVowels(first, letters), letters);
    }

    private static String withoutVowels(String word, int letters) {
        StringBuilder left = new StringBuilder(word);
        for (int i = left.length() - 1; i > 0 && left.length() > letters; i--)
            if (VOWELS.indexOf(Character.toLowerCase(left.charAt(i))) >= 0) left.deleteCharAt(i);
        return left.toString();
    }

    private static String cut(String word, int letters) {
        return word.substring(0, Math.clamp(letters, 0, word.length())).strip();
    }
}
