package rivulus.gear;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/// The kinds of lead there are.
public final class Leads {
    private final Map<String, List<LeadKind>> byEnds = new HashMap<>();
    private final Map<String, List<String>> fits;

    /// @param fits for a connector that takes several plugs, the connectors it counts as
    public Leads(List<LeadKind> kinds, Map<String, List<String>> fits) {
        this.fits = Map.copyOf(fits);
        for (LeadKind kind : kinds)
            byEnds.computeIfAbsent(ends(kind.a(), kind.b()), _ -> new ArrayList<>()).add(kind);
    }

    /// The best lead from one connector to another: a balanced one first, then the cheapest.
    public Optional<LeadKind> between(String from, String to) {
        List<LeadKind> fitting = new ArrayList<>();
        for (String a : fits.getOrDefault(from, List.of(from))) {
            for (String b : fits.getOrDefault(to, List.of(to)))
                fitting.addAll(byEnds.getOrDefault(ends(a, b), List.of()));
        }
        return fitting.stream()
                .min(
                        Comparator.comparing((LeadKind kind) -> !kind.balanced())
                                .thenComparingInt(LeadKind::cost));
    }

    private static String ends(String a, String b) {
        return a.compareTo(b) <= 0 ? a + "|" + b : b + "|" + a;
    }
}
