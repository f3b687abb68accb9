package rivulus.rig;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import rivulus.gear.LeadKind;
import rivulus.gear.Power;
import rivulus.show.Device;
import rivulus.show.Show;

/// The machines of a rig and what joins their grounds: the safety earth, and leads that conduct.
///
/// Every cycle that goes through an audio lead is a risk of hum (REFERENCE, "Power and
/// electricity"). Earths, USB and picture leads are never taken out of the plan; of the audio leads
/// as many are kept as can be without closing a cycle, the costliest to break first. What is left
/// is a set of leads to isolate of least total cost: the complement of a spanning forest of most
/// weight, which is least by the matroid property (Kruskal 1956; Edmonds 1971).
final class Grounds {
    private static final String EARTH = "/earth";

    /// What it costs to break a balanced lead, which hums little: it is kept in rather than an
    /// unbalanced one.
    private static final int BALANCED_COST = 3;

    private static final int UNBALANCED_COST = 2;

    private final Map<String, String> parent = new HashMap<>();
    private final Map<String, Map<String, String>> joined = new LinkedHashMap<>();

    /// An audio lead that closes a cycle.
    ///
    /// @param round the machines it closes the cycle through, in words, from one of its ends to the
    ///     other
    record Loop(LeadReport lead, List<String> round) {}

    private final Map<String, String> names = new HashMap<>(Map.of(EARTH, "the mains earth"));

    private Grounds() {}

    /// The leads to isolate so that no cycle goes through audio any more.
    static List<Loop> loops(Show show, LeadReader reader, List<LeadReport> leads) {
        Grounds grounds = new Grounds();
        for (Device device : show.rig().devices()) {
            grounds.names.put(device.id(), device.name());
            Power power = reader.template(device).power();
            boolean plugged = power.when(device.power()).equals("mains");
            if (plugged && power.earthed()) grounds.join(device.id(), EARTH);
            if (!device.on().isEmpty()) grounds.join(device.id(), device.on());
        }
        for (LeadReport lead : leads) if (!isAudio(lead) && lead.joins()) grounds.join(lead);
        List<LeadReport> audio =
                leads.stream()
                        .filter(lead -> isAudio(lead) && lead.joins())
                        .sorted(Comparator.comparingInt(lead -> -costToBreak(lead)))
                        .toList();
        List<Loop> loops = new ArrayList<>();
        for (LeadReport lead : audio) {
            if (grounds.areJoined(lead)) loops.add(new Loop(lead, grounds.round(lead)));
            else grounds.join(lead);
        }
        return loops;
    }

    private static boolean isAudio(LeadReport lead) {
        return !lead.passages().isEmpty();
    }

    private static int costToBreak(LeadReport lead) {
        return isBalanced(lead) ? BALANCED_COST : UNBALANCED_COST;
    }

    /// Whether a lead carries its signal balanced from end to end.
    static boolean isBalanced(LeadReport lead) {
        return lead.kind().map(LeadKind::balanced).orElse(false)
                && lead.a().port().electric().balanced()
                && lead.b().port().electric().balanced();
    }

    private void join(LeadReport lead) {
        join(lead.a().device().id(), lead.b().device().id());
    }

    private void join(String a, String b) {
        if (root(a).equals(root(b))) return;
        parent.put(root(a), root(b));
        joined.computeIfAbsent(a, _ -> new LinkedHashMap<>()).put(b, b);
        joined.computeIfAbsent(b, _ -> new LinkedHashMap<>()).put(a, a);
    }

    private boolean areJoined(LeadReport lead) {
        return root(lead.a().device().id()).equals(root(lead.b().device().id()));
    }

    private String root(String machine) {
        String at = machine;
        while (!parent.getOrDefault(at, at).equals(at)) at = parent.get(at);
        return at;
    }

    /// The only way between the two ends of a lead in the forest so far.
    private List<String> round(LeadReport lead) {
        List<String> way = new ArrayList<>();
        walk(lead.b().device().id(), lead.a().device().id(), "", way);
        return way.stream().map(names::get).toList();
    }

    private boolean walk(String at, String goal, String from, List<String> way) {
        way.add(at);
        if (at.equals(goal)) return true;
        for (String next : joined.getOrDefault(at, Map.of()).keySet()) {
            if (!next.equals(from) && walk(next, goal, at, way)) return true;
        }
        way.removeLast();
        return false;
    }
}
