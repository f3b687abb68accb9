package rivulus.words;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/// Names that are not there, and those that may have been meant.
public final class Near {
    private static final int NAMED = 12;
    private static final int LETTERS_NAMED = 240;

    /// Longer names are nobody's slip of a finger; comparing them would take its time.
    private static final int LONGEST = 120;

    private Near() {}

    /// "did you mean “desk”?", or which names there are.
    public static String hint(String name, Collection<String> known) {
        if (known.isEmpty()) return "there are none here";
        Optional<String> near = to(name, known);
        if (near.isPresent()) return "did you mean \"" + near.get() + "\"?";
        List<String> some = new ArrayList<>();
        int letters = 0;
        for (String other : known.stream().sorted().limit(NAMED).toList()) {
            letters += other.length();
            if (letters > LETTERS_NAMED) break;
            some.add(other);
        }
        if (some.isEmpty()) return "there are %d others".formatted(known.size());
        return "there is " + String.join(", ", some) + (known.size() > some.size() ? ", …" : "");
    }

    /// The name that is near enough to be meant.
    public static Optional<String> to(String name, Collection<String> known) {
        if (name.length() > LONGEST) return Optional.empty();
        return known.stream()
                .filter(k -> k.length() <= LONGEST)
                .min(Comparator.comparingInt((String k) -> distance(name, k)).thenComparing(k -> k))
                .filter(k -> distance(name, k) <= Math.max(2, name.length() / 3));
    }

    /// Levenshtein's distance.
    private static int distance(String a, String b) {
        int[] row = new int[b.length() + 1];
        for (int j = 0; j <= b.length(); j++) row[j] = j;
        for (int i = 1; i <= a.length(); i++) {
            int diagonal = row[0];
            row[0] = i;
            for (int j = 1; j <= b.length(); j++) {
                int replace = diagonal + (a.charAt(i - 1) == b.charAt(j - 1) ? 0 : 1);
                diagonal = row[j];
                row[j] = Math.min(replace, 1 + Math.min(row[j], row[j - 1]));
            }
        }
        return row[b.length()];
    }
}
