package rivulus.rule;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import rivulus.computer.Picked;
import rivulus.gear.AcousticEnd;
import rivulus.gear.Catalogue;
import rivulus.gear.Endpoint;
import rivulus.gear.GearKind;
import rivulus.gear.Port;
import rivulus.gear.Setting;
import rivulus.gear.Signal;
import rivulus.gear.Template;
import rivulus.leads.End;
import rivulus.leads.Joiner;
import rivulus.leads.Joining;
import rivulus.leads.LeadReport;
import rivulus.leads.Survey;
import rivulus.show.Cable;
import rivulus.show.Device;
import rivulus.show.Ref;
import rivulus.show.Show;
import rivulus.signal.Leg;
import rivulus.signal.SignalGraph;

/// Leads of which a plan shows signs, and that are not there: a program picks what is not joined to
/// its computer, a microphone or a pair of headphones hangs in the air, a box is half joined, a
/// call has nobody at its end, a lead sits beside the input whose gain is turned up for it. Nothing
/// has been tried.
final class MissingLeads {
    private static final int MOST = 12;
    private static final int BY_EACH = 4;

    private final Show show;
    private final Survey survey;
    private final SignalGraph graph;
    private final Joiner joiner;
    private final List<Joining> joinings = new ArrayList<>();

    MissingLeads(Show show, Catalogue catalogue, Survey survey, SignalGraph graph) {
        this.show = show;
        this.survey = survey;
        this.graph = graph;
        joiner = new Joiner(show, catalogue, survey.kinds());
    }

    private static Device computer(Survey survey, Device owner) {
        return Survey.isProgram(owner) ? survey.device(owner.on()).orElse(owner) : owner;
    }

    /// Whether what is picked is on no lead that leads to the computer.
    private static boolean isDangling(Survey survey, Picked pick) {
        if (pick.byDefault() || pick.gear().isEmpty() || pick.endpoint().isEmpty()) return false;
        Device gear = pick.gear().get();
        Optional<String> port = pick.endpoint().get().port();
        if (port.isEmpty() || gear.id().equals(computer(survey, pick.owner()).id())) return false;
        return survey.leadsIn(new Ref(gear.id(), port.get())).isEmpty();
    }

    /// Leads to lay, or to move, the plainest sign first.
    List<Joining> joinings() {
        for (Device device : survey.devices())
            for (Picked pick : Picked.of(survey, device))
                if (isDangling(survey, pick)) picked(pick);
        for (Device device : survey.devices())
            if (isLoose(device) || isHalfJoined(device)) loose(device);
        for (Device device : survey.devices()) called(device);
        return joinings.stream().limit(MOST).toList();
    }

    private void picked(Picked pick) {
        Device gear = pick.gear().orElseThrow();
        Endpoint endpoint = pick.endpoint().orElseThrow();
        Device computer = computer(survey, pick.owner());
        Ref port = new Ref(gear.id(), endpoint.port().orElseThrow());
        boolean hears = endpoint.hears().isPresent();
        for (Joining way :
                (hears
                                ? joiner.ways(gear, computer, BY_EACH, MissingLeads::isOneLead)
                                : joiner.ways(computer, gear, BY_EACH, MissingLeads::isOneLead))
                        .all())
            if (way.leads().getFirst().a().ref().equals(port)
                    || way.leads().getFirst().b().ref().equals(port)) add(way);
    }

    private static boolean isOneLead(Joining way) {
        return way.boxes().isEmpty();
    }

    private void add(Joining way) {
        boolean known = joinings.stream().anyMatch(other -> other.way().equals(way.way()));
        if (!known) joinings.add(way);
    }

    /// What hears or sounds, and has not one lead.
    private boolean isLoose(Device device) {
        Template kind = survey.template(device);
        boolean ends =
                kind.ends().stream().anyMatch(end -> end.kind() != AcousticEnd.Kind.MOUTH)
                        && !kind.isComputer();
        return ends && !kind.ports().isEmpty() && survey.leadsOf(device).isEmpty();
    }

    /// A box that something goes into and nothing comes out of, or the other way round; a phone
    /// that is on the line and at no desk.
    private boolean isHalfJoined(Device device) {
        Template kind = survey.template(device);
        boolean between = kind.kind().isBox() || kind.kind() == GearKind.PHONE;
        int leads = survey.leadsOf(device).size();
        return between && leads > 0 && leads < kind.ports().size();
    }

    private void loose(Device device) {
        List<End> free = new ArrayList<>();
        for (Device other : survey.devices())
            if (!other.equals(device) && !survey.template(other).kind().isBox())
                for (Port port : survey.template(other).ports()) {
                    End end = new End(other, port);
                    if (survey.leadsIn(end.ref()).isEmpty()) free.add(end);
                }
        free.sort(Comparator.comparing(end -> !isTurned(end)));
        for (Port own : survey.template(device).ports()) {
            End mine = new End(device, own);
            if (!survey.leadsIn(mine.ref()).isEmpty()) continue;
            int found = 0;
            for (End other : free) {
                if (found == BY_EACH) break;
                List<Joining> ways =
                        own.gives() > 0 || own.carries() == Signal.USB
                                ? joiner.ways(mine, other, 1, MissingLeads::isOneLead).all()
                                : joiner.ways(other, mine, 1, MissingLeads::isOneLead).all();
                ways.forEach(this::add);
                found += ways.size();
            }
        }
    }

    /// Whether something on the way from a port is turned, as for somebody who is plugged in there.
    private boolean isTurned(End end) {
        Set<Ref> points = new LinkedHashSet<>();
        points.add(new Ref(end.device().id(), end.port().inPoint()));
        for (int step = 0; step < 2; step++)
            for (Ref at : List.copyOf(points))
                for (Leg leg : graph.legsFrom(at)) {
                    if (leg.kind() != Leg.Kind.ROUTE) continue;
                    points.add(leg.to());
                    for (Leg.Govern govern : leg.governors()) {
                        Ref knob = graph.knobs().get(govern.knob()).ref();
                        Setting turned = end.device().knobs().get(knob.name());
                        Setting comes = graph.knobs().get(govern.knob()).knob().standing();
                        if (turned != null && !turned.equals(comes)) return true;
                    }
                }
        return false;
    }

    /// A free seat of a call, or a phone line, and who is not in it.
    private void called(Device device) {
        for (Port port : survey.template(device).ports()) {
            if (port.carries() != Signal.NET && port.carries() != Signal.PHONE) continue;
            End mine = new End(device, port);
            if (!survey.leadsIn(mine.ref()).isEmpty()) continue;
            for (Device other : survey.devices())
                for (Port there : survey.template(other).ports())
                    if (!other.equals(device) && there.carries() == port.carries()) {
                        End far = new End(other, there);
                        if (survey.leadsIn(far.ref()).isEmpty())
                            joiner.ways(mine, far, 1, MissingLeads::isOneLead)
                                    .all()
                                    .forEach(this::add);
                    }
        }
    }

    /// The show with a lead in the socket beside its own, where that one is turned up for it and
    /// its own is not; with what is done, as an order.
    record Moved(String sentence, Show after) {}

    List<Moved> moved() {
        List<Moved> moved = new ArrayList<>();
        for (LeadReport lead : survey.leads())
            for (End end : List.of(lead.a(), lead.b())) {
                if (isTurned(end)) continue;
                for (Port beside : survey.template(end.device()).ports()) {
                    End other = new End(end.device(), beside);
                    boolean fits =
                            beside.isAlike(end.port())
                                    && survey.leadsIn(other.ref()).isEmpty()
                                    && isTurned(other);
                    if (fits && moved.size() < BY_EACH) moved.add(moved(lead, end, other));
                }
            }
        return moved;
    }

    private Moved moved(LeadReport lead, End from, End to) {
        Cable there = lead.cable().moved(from.ref(), to.ref());
        return new Moved(
                "Move the lead from %s to %s."
                        .formatted(
                                Survey.far(lead, from.ref()).words(),
                                "%s, out of %s".formatted(to.words(), from.port().label())),
                show.withRig(show.rig().with(there)));
    }
}
