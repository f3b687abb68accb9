package rivulus.power;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
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
    private final Map<String, String> parent = new HashMap<>();
    private final Map<String, Map<String, String>> joined = new LinkedHashMap<>();
    private final Map<String, String> names = new HashMap<>(Map.of(EARTH, "the mains earth"));

    private Grounds(Survey survey) {
        this.survey = survey;
    }

    /// The rings that are left when as many audio leads are kept as can be; a balanced lead, which
    /// hums little, is kept rather than an unbalanced one.
    public static List<Ring> rings(Survey survey) {
        return rings(survey, lead -> Hum.isBalanced(lead) ? BALANCED_COST : UNBALANCED_COST);
    }

    /// The rings that are left when the audio leads that cost most to break are kept.
    ///
    /// @param cost what it costs to isolate a lead
    static List<Ring> rings(Survey survey, ToIntFunction<LeadReport> cost) {
        Grounds grounds = new Grounds(survey);
        grounds.joinWhatStays();
        List<LeadReport> audio =
                survey.leads().stream()
                        .filter(lead -> isAudio(lead) && lead.joins())
                        .sorted(Comparator.comparingInt(lead -> -cost.applyAsInt(lead)))
                        .toList();
        List<Ring> rings = new ArrayList<>();
        for (LeadReport lead : audio) {
            if (grounds.areJoined(lead)) rings.add(grounds.ring(lead));
            else grounds.join(lead);
        }
        return rings;
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

    private Ring ring(LeadReport lead) {
        List<String> round = new ArrayList<>();
        walk(lead.b().device().id(), lead.a().device().id(), "", round);
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

    /// The only way between two machines in the forest so far.
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
