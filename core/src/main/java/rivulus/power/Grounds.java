package rivulus.power;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.ToIntFunction;
import rivulus.gear.Power;
import rivulus.gear.Signal;
import rivulus.leads.LeadReport;
import rivulus.leads.Survey;
import rivulus.show.Device;

/// The machines of a rig and what joins their grounds: the safety earth, and leads that conduct.
///
/// Every cycle that goes through an audio lead is a risk of hum (REFERENCE, "Power and
/// electricity"). Earths, USB and picture leads are never taken out of the plan; of the audio leads
/// as many are kept as can be without closing a cycle, the costliest to break first. What is left
/// is a set of leads to isolate of least total cost: the complement of a spanning forest of most
/// weight, which is least by the matroid property (Kruskal 1956; Edmonds 1971). Linear in leads but
/// for sorting them.
public final class Grounds {
    private static final String EARTH = "/earth";

    private static final int BALANCED_COST = 3;
    private static final int UNBALANCED_COST = 2;

    private final Survey survey;
    private final Map<String, String> groups = new HashMap<>();
    private final Map<String, List<String>> joined = new LinkedHashMap<>();
    private final List<List<String>> closedByWhatStays = new ArrayList<>();
    private final Map<String, String> names = new HashMap<>(Map.of(EARTH, "the mains earth"));

    private Grounds(Survey survey) {
        this.survey = survey;
    }

    /// The rings that are left when as many audio leads are kept as can be; a balanced lead, which
    /// hums little, is kept rather than an unbalanced one.
    public static List<Ring> rings(Survey survey) {
        return rings(survey, Grounds::toBreak);
    }

    /// What a lead costs to break where nothing is known of how it can be isolated.
    static int toBreak(LeadReport lead) {
        return Hum.isBalanced(lead) ? BALANCED_COST : UNBALANCED_COST;
    }

    /// The rings that are left when the audio leads that cost most to break are kept.
    ///
    /// @param cost what it costs to isolate a lead
    private static List<Ring> rings(Survey survey, ToIntFunction<LeadReport> cost) {
        Grounds grounds = new Grounds(survey);
        List<LeadReport> closing = grounds.closing(cost);
        Forest forest = new Forest(grounds.joined);
        return closing.stream().map(lead -> grounds.ring(lead, forest)).toList();
    }

    /// The leads that close those rings, in the same order.
    ///
    /// @param cost what it costs to isolate a lead
    static List<LeadReport> closing(Survey survey, ToIntFunction<LeadReport> cost) {
        return new Grounds(survey).closing(cost);
    }

    private List<LeadReport> closing(ToIntFunction<LeadReport> cost) {
        joinWhatStays();
        List<LeadReport> audio =
                survey.leads().stream()
                        .filter(lead -> isAudio(lead) && lead.joins())
                        .sorted(Comparator.comparingInt(lead -> -cost.applyAsInt(lead)))
                        .toList();
        List<LeadReport> closing = new ArrayList<>();
        for (LeadReport lead : audio) {
            if (areJoined(lead)) closing.add(lead);
            else join(lead);
        }
        return closing;
    }

    /// The audio leads that lie on any ring: no other has to be isolated, whatever is kept. Linear
    /// but for the depth of the tree.
    static Set<LeadReport> onRings(Survey survey) {
        Grounds grounds = new Grounds(survey);
        List<LeadReport> closing = grounds.closing(_ -> 0);
        Forest forest = new Forest(grounds.joined);
        for (LeadReport lead : closing)
            forest.close(lead.a().device().id(), lead.b().device().id());
        grounds.closedByWhatStays.forEach(pair -> forest.close(pair.getFirst(), pair.getLast()));
        Set<LeadReport> on = new HashSet<>(closing);
        for (LeadReport lead : survey.leads())
            if (isAudio(lead)
                    && lead.joins()
                    && forest.areOnARing(lead.a().device().id(), lead.b().device().id()))
                on.add(lead);
        return on;
    }

    /// The machines as trees of what joins them, each with a root.
    private static final class Forest {
        private final Map<String, String> towards = new HashMap<>();
        private final Map<String, Integer> depth = new HashMap<>();
        /// Machines that lie on one ring, or on rings that share a join.
        private final Map<String, String> ringed = new HashMap<>();

        Forest(Map<String, List<String>> joined) {
            for (String root : joined.keySet()) {
                if (depth.putIfAbsent(root, 0) != null) continue;
                Deque<String> open = new ArrayDeque<>(List.of(root));
                while (!open.isEmpty()) {
                    String at = open.removeFirst();
                    for (String next : joined.get(at)) {
                        if (depth.putIfAbsent(next, depth.get(at) + 1) != null) continue;
                        towards.put(next, at);
                        open.addLast(next);
                    }
                }
            }
        }

        /// The only way between two machines of one tree.
        List<String> way(String from, String to) {
            List<String> out = new ArrayList<>();
            Deque<String> back = new ArrayDeque<>();
            String a = from;
            String b = to;
            while (!a.equals(b)) {
                if (depth.get(a) >= depth.get(b)) {
                    out.add(a);
                    a = towards.get(a);
                } else {
                    back.addFirst(b);
                    b = towards.get(b);
                }
            }
            out.add(a);
            out.addAll(back);
            return out;
        }

        /// Everything between two machines of one tree lies on a ring.
        void close(String one, String other) {
            String a = ringOf(one);
            String b = ringOf(other);
            while (!a.equals(b)) {
                if (depth.get(a) < depth.get(b)) {
                    String deeper = b;
                    b = a;
                    a = deeper;
                }
                ringed.put(a, towards.get(a));
                a = ringOf(a);
            }
        }

        boolean areOnARing(String one, String other) {
            return ringOf(one).equals(ringOf(other));
        }

        private String ringOf(String machine) {
            return last(machine, ringed);
        }
    }

    /// Where links lead in the end; they are made shorter on the way.
    private static String last(String first, Map<String, String> links) {
        String at = first;
        for (String next = links.get(at); next != null; next = links.get(at)) {
            String after = links.get(next);
            if (after != null) links.put(at, after);
            at = next;
        }
        return at;
    }

    private void joinWhatStays() {
        for (Device device : survey.devices()) {
            names.put(device.id(), device.name());
            if (isEarthed(survey, device)) join(device.id(), EARTH);
            rack(survey, device).ifPresent(rack -> join(device.id(), rack.id()));
        }
        for (LeadReport lead : survey.leads()) {
            if (isAudio(lead) || !lead.joins() || isIdleCharger(lead)) continue;
            join(lead);
        }
    }

    /// The rack that a device is screwed into, chassis to chassis.
    private static Optional<Device> rack(Survey survey, Device device) {
        return survey.device(device.outlet())
                .filter(rack -> survey.template(rack).power().joinsChassis());
    }

    /// Whether a device is joined to the safety earth by its plug as it runs now.
    public static boolean isEarthed(Survey survey, Device device) {
        return survey.template(device).power().earthed()
                && survey.runsOn(device) == Power.Source.MAINS;
    }

    private static boolean isAudio(LeadReport lead) {
        return !lead.passages().isEmpty();
    }

    /// A charging lead of something that runs from its battery hangs loose.
    private boolean isIdleCharger(LeadReport lead) {
        for (var end : List.of(lead.a(), lead.b())) {
            boolean charged =
                    end.port().carries() == Signal.POWER && end.port().electric().drawsMa() > 0;
            if (charged && survey.runsOn(end.device()) != Power.Source.USB) return true;
        }
        return false;
    }

    private Ring ring(LeadReport lead, Forest forest) {
        List<String> round = forest.way(lead.b().device().id(), lead.a().device().id());
        return new Ring(
                lead,
                round,
                round.stream().map(names::get).toList(),
                Hum.in(lead, betweenMv(lead, round), survey.show().checks().limits()));
    }

    /// The voltage that drives the ring: by where its machines are plugged in.
    private double betweenMv(LeadReport lead, List<String> round) {
        boolean racked =
                round.stream()
                        .flatMap(id -> survey.device(id).stream())
                        .anyMatch(device -> survey.template(device).power().joinsChassis());
        if (!round.contains(EARTH)) return racked ? Hum.SAME_STRIP_MV : Hum.SAME_PLACE_MV;
        int at = round.indexOf(EARTH);
        Device one = survey.device(round.get(at - 1)).orElseThrow();
        Device other = survey.device(round.get(at + 1)).orElseThrow();
        if (!one.outlet().isEmpty() && one.outlet().equals(other.outlet()))
            return Hum.SAME_STRIP_MV;
        return one.place().equals(other.place()) ? Hum.SAME_PLACE_MV : Hum.TWO_PLACES_MV;
    }

    private void join(LeadReport lead) {
        join(lead.a().device().id(), lead.b().device().id());
    }

    private void join(String a, String b) {
        if (group(a).equals(group(b))) {
            closedByWhatStays.add(List.of(a, b));
            return;
        }
        groups.put(group(a), group(b));
        joined.computeIfAbsent(a, _ -> new ArrayList<>()).add(b);
        joined.computeIfAbsent(b, _ -> new ArrayList<>()).add(a);
    }

    private boolean areJoined(LeadReport lead) {
        return group(lead.a().device().id()).equals(group(lead.b().device().id()));
    }

    private String group(String machine) {
        return last(machine, groups);
    }
}
