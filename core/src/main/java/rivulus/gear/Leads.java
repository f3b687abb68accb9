package rivulus.gear;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SequencedMap;
import java.util.Set;
import java.util.TreeSet;

/// The kinds of connector and of lead there are.
public final class Leads {
    private final Map<String, List<LeadKind>> byEnds = new HashMap<>();
    private final Map<String, List<LeadKind>> adapters = new HashMap<>();
    private final Map<String, List<String>> fits;
    private final SequencedMap<String, Connector> connectors = new LinkedHashMap<>();

    /// @param fits for a connector that takes several plugs, the connectors it counts as
    public Leads(List<Connector> connectors, List<LeadKind> kinds, Map<String, List<String>> fits) {
        this.fits = Map.copyOf(fits);
        for (Connector connector : connectors) this.connectors.put(connector.name(), connector);
        for (LeadKind kind : kinds)
            (kind.adapts().isEmpty() ? byEnds : adapters)
                    .computeIfAbsent(
                            kind.adapts().isEmpty() ? ends(kind.a(), kind.b()) : kind.adapts(),
                            _ -> new ArrayList<>())
                    .add(kind);
    }

    /// Every connector, by name.
    public SequencedMap<String, Connector> connectors() {
        return java.util.Collections.unmodifiableSequencedMap(connectors);
    }

    /// The names of all kinds of lead and adapter.
    public Set<String> names() {
        Set<String> names = new TreeSet<>();
        for (Map<String, List<LeadKind>> table : List.of(byEnds, adapters))
            table.values().forEach(kinds -> kinds.forEach(kind -> names.add(kind.name())));
        return names;
    }

    /// What a port's connector is.
    ///
    /// @throws IllegalArgumentException if there is no such connector
    public Connector connector(Port port) {
        Connector connector = connectors.get(port.connector());
        if (connector == null)
            throw new IllegalArgumentException("no connector \"" + port.connector() + "\"");
        return connector;
    }

    /// The best lead from one port to another: nothing at all where a plug goes straight in, else
    /// an adapter for a plug, else a balanced lead first, then the cheapest. Two plugs never meet.
    public Optional<LeadKind> between(Port from, Port to) {
        if (from.plug() && to.plug()) return Optional.empty();
        if (from.plug()) return forPlug(from, to);
        if (to.plug()) return forPlug(to, from);
        return between(from.connector(), to.connector());
    }

    private Optional<LeadKind> forPlug(Port plug, Port socket) {
        String body = connector(plug).body();
        for (String connector : fits.getOrDefault(socket.connector(), List.of(socket.connector())))
            if (connectors.get(connector).body().equals(body))
                return Optional.of(LeadKind.ownPlug(plug, plug.electric().balanced()));
        List<String> sockets = fits.getOrDefault(socket.connector(), List.of(socket.connector()));
        return adapters.getOrDefault(body, List.of()).stream()
                .filter(kind -> sockets.contains(kind.b()))
                .min(Comparator.comparingInt(LeadKind::cost));
    }

    /// The best lead from one socket to another: a balanced one first, then the cheapest.
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
