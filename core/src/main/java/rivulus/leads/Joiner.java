package rivulus.leads;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;
import rivulus.disk.Extras;
import rivulus.gear.Catalogue;
import rivulus.gear.LeadKind;
import rivulus.gear.Leads;
import rivulus.gear.Port;
import rivulus.gear.Signal;
import rivulus.gear.Template;
import rivulus.search.BestFirst;
import rivulus.search.Found;
import rivulus.show.Cable;
import rivulus.show.Device;
import rivulus.show.Ref;
import rivulus.show.Rig;
import rivulus.show.Show;

/// Finds the ways to join two machines: over every pair of free ports, by one lead, or with one or
/// two boxes between.
///
/// A uniform-cost search (Dijkstra 1959) over ports, keeping the few best ways into each: ways are
/// grown lead by lead, cheapest first, each lead is read as a lead of the show would be, and only
/// those are grown on with which nothing serious is wrong. What is owned costs least; what must be
/// bought comes after; ports meant for another signal, and leads with a caution, after those that
/// have none. Cost: leads read, at most [#MOST_INTO] for every port of every box; the
/// answer says whether that left anything out.
public final class Joiner {
    private static final int MOST_BOXES = 2;
    private static final int MOST_INTO = 4;
    private static final int BOX_COST = 3;
    private static final int BUY_LEAD_COST = 4;
    private static final int BUY_BOX_COST = 8;
    private static final int CAUTION_COST = 2;
    private static final int DETOUR_COST = 2;

    private final Show show;
    private final Catalogue catalogue;
    private final Leads leads;
    private final LeadReader reader;
    private final Stock stock;
    private final List<Template> boxes;
    private final List<String> freeLeads = new ArrayList<>();
    private final Set<Ref> taken = new HashSet<>();
    private final Set<String> ids;

    /// A joiner for a show whose templates are in the catalogue.
    public Joiner(Show show, Catalogue catalogue, Leads leads) {
        this(show, catalogue, leads, LeadReader::all);
    }

    /// A joiner for a rig of which one lead is taken out, so that its machines are joined another
    /// way; the others are not read again.
    public static Joiner without(Survey survey, Cable cable, Catalogue catalogue) {
        Show show = survey.show();
        return new Joiner(
                show.withRig(show.rig().without(cable)),
                catalogue,
                survey.kinds(),
                _ -> survey.leads().stream().filter(lead -> !lead.cable().equals(cable)).toList());
    }

    private Joiner(
            Show show,
            Catalogue catalogue,
            Leads leads,
            Function<LeadReader, List<LeadReport>> read) {
        this.show = show;
        this.catalogue = show.kinds(catalogue);
        this.leads = leads;
        reader = new LeadReader(show, catalogue, leads);
        stock = Stock.of(show, show.rig().stock().isEmpty() ? List.of() : read.apply(reader));
        boxes = this.catalogue.templates().values().stream().filter(t -> t.kind().isBox()).toList();
        ids = show.ids();
        for (Cable cable : show.rig().cables()) {
            taken.add(cable.from());
            taken.add(cable.to());
        }
        for (int more = 0; more <= MOST_BOXES; more++) freeLeads.add(freeCable(show, more));
    }

    /// The best ways for sound from one device to another.
    ///
    /// @param most how many to give at most
    public Found<Joining> ways(Device from, Device to, int most) {
        return ways(from, to, most, _ -> true);
    }

    /// The best ways that also fulfil a wish, such as isolation.
    public Found<Joining> ways(Device from, Device to, int most, Predicate<Joining> wish) {
        return ways(starts(from), ends(to), most, wish);
    }

    /// The best ways from one port to another that fulfil a wish.
    public Found<Joining> ways(End from, End to, int most, Predicate<Joining> wish) {
        boolean free = !taken.contains(from.ref()) && !taken.contains(to.ref());
        boolean source = free && isSource(from.port());
        List<Grown> starts = source ? List.of(start(from.ref(), from.port())) : List.of();
        return ways(starts, List.of(to), most, wish);
    }

    private Found<Joining> ways(
            List<Grown> starts, List<End> ends, int most, Predicate<Joining> wish) {
        Map<String, Integer> entered = new HashMap<>();
        return BestFirst.search(
                Comparator.comparingInt(Grown::cost),
                starts,
                most,
                Integer.MAX_VALUE,
                (grown, search) -> {
                    if (grown.arrived()) {
                        Joining joining = joining(grown);
                        boolean roundabout =
                                search.answers().stream().anyMatch(b -> goesRoundabout(joining, b));
                        if (!roundabout && wish.test(joining)) search.answer(joining);
                    } else if (entered.merge(grown.key(), 1, Integer::sum) > MOST_INTO) {
                        search.leftOut();
                    } else {
                        arrive(grown, ends, search);
                        if (grown.boxes().size() < MOST_BOXES) grow(grown, search);
                    }
                });
    }

    /// Whether a way only adds boxes to another between the same two ports.
    private static boolean goesRoundabout(Joining joining, Joining shorter) {
        List<String> boxes = joining.boxes().stream().map(Device::template).toList();
        return sameEnds(joining, shorter)
                && boxes.size() > shorter.boxes().size()
                && boxes.containsAll(shorter.boxes().stream().map(Device::template).toList());
    }

    private static boolean sameEnds(Joining a, Joining b) {
        return a.leads().getFirst().a().ref().equals(b.leads().getFirst().a().ref())
                && a.leads().getLast().b().ref().equals(b.leads().getLast().b().ref());
    }

    /// A way so far.
    ///
    /// @param port the port sound has come to
    /// @param start the port it came from
    /// @param arrived whether it has come to the other machine
    private record Grown(
            Ref at,
            Port port,
            Port start,
            List<Device> boxes,
            List<LeadReport> leads,
            int cost,
            boolean arrived) {
        /// Ways into the same port of the same kind of box from the same start are alike.
        String key() {
            String box = boxes.isEmpty() ? at.device() : boxes.getLast().template();
            return start.id() + ">" + boxes.size() + box + "/" + at.name();
        }
    }

    private List<Grown> starts(Device from) {
        List<Grown> starts = new ArrayList<>();
        Set<Port> hosts = new HashSet<>();
        for (Port port : catalogue.get(from.template()).ports()) {
            Ref ref = new Ref(from.id(), port.id());
            boolean like = port.host() && !hosts.add(asKind(port));
            if (isSource(port) && !taken.contains(ref) && !like) starts.add(start(ref, port));
        }
        return starts;
    }

    private static Grown start(Ref ref, Port port) {
        return new Grown(ref, port, port, List.of(), List.of(), 0, false);
    }

    /// The free ports of a machine, alike ones once.
    private List<End> ends(Device to) {
        List<End> ends = new ArrayList<>();
        for (Port port : catalogue.get(to.template()).ports())
            if (!taken.contains(new Ref(to.id(), port.id()))) ends.add(new End(to, port));
        return ends;
    }

    /// A port without its name: USB 2 is as good as USB 1.
    private static Port asKind(Port port) {
        return new Port(
                "",
                "",
                port.connector(),
                port.carries(),
                port.takes(),
                port.gives(),
                port.host(),
                port.plug(),
                port.picture(),
                port.pictureKnob(),
                port.electric());
    }

    private static boolean isSource(Port port) {
        return port.gives() > 0 || port.carries() == Signal.USB || port.carries() == Signal.POWER;
    }

    private void grow(Grown grown, BestFirst<Grown, Joining> search) {
        for (Template box : boxes) {
            if (isAgain(grown, box)) continue;
            String id = Show.freeId(box.id(), 1 + grown.boxes().size(), ids);
            boolean owned = stock.has(box.id(), 1 + used(grown, box.id()));
            Device device =
                    Device.of(id, box.name(), box.id())
                            .in(placeOf(grown.at().device()))
                            .toBuy(!owned);
            List<Device> devices = new ArrayList<>(grown.boxes());
            devices.add(device);
            for (Port in : box.ports()) {
                if (in.takes() == 0) continue;
                Optional<LeadReport> lead = lead(grown, devices, new Ref(id, in.id()), in);
                if (lead.isEmpty()) continue;
                for (Port out : box.ports()) {
                    if (out.gives() == 0 || out == in || takesApart(in, out)) continue;
                    int cost = cost(lead.get()) + BOX_COST + (owned ? 0 : BUY_BOX_COST);
                    search.open(
                            new Grown(
                                    new Ref(id, out.id()),
                                    out,
                                    grown.start(),
                                    devices,
                                    and(grown.leads(), lead.get()),
                                    grown.cost() + cost,
                                    false));
                }
            }
        }
    }

    /// Whether a box gives one side alone there of the two that it takes: who wants both joins
    /// both.
    private static boolean takesApart(Port in, Port out) {
        return out.gives() < in.takes();
    }

    /// Nobody puts two boxes of one kind in a row.
    private boolean isAgain(Grown grown, Template box) {
        String last =
                grown.boxes().isEmpty()
                        ? show.rig().device(grown.at().device()).map(Device::template).orElse("")
                        : grown.boxes().getLast().template();
        return last.equals(box.id());
    }

    private void arrive(Grown grown, List<End> ends, BestFirst<Grown, Joining> search) {
        Set<Port> kinds = new HashSet<>();
        for (End end : ends) {
            Port port = end.port();
            if (!meets(grown.port(), port) || isStart(grown, end.ref())) continue;
            if (!kinds.add(asKind(port))) continue;
            Optional<LeadReport> lead = lead(grown, grown.boxes(), end.ref(), port);
            if (lead.isEmpty()) continue;
            int cost = cost(lead.get()) + detour(grown.start(), port);
            search.open(
                    new Grown(
                            end.ref(),
                            port,
                            grown.start(),
                            grown.boxes(),
                            and(grown.leads(), lead.get()),
                            grown.cost() + cost,
                            true));
        }
    }

    /// Whether a way would come back into the port that it starts from.
    private static boolean isStart(Grown grown, Ref end) {
        Ref start = grown.leads().isEmpty() ? grown.at() : grown.leads().getFirst().a().ref();
        return start.equals(end);
    }

    private static List<LeadReport> and(List<LeadReport> leads, LeadReport one) {
        List<LeadReport> more = new ArrayList<>(leads);
        more.add(one);
        return more;
    }

    /// The next lead of a way, read, if there is one with which nothing serious is wrong.
    private Optional<LeadReport> lead(Grown grown, List<Device> devices, Ref to, Port port) {
        Optional<LeadKind> kind = leads.between(grown.port(), port);
        boolean byBox = !devices.isEmpty();
        if (kind.isEmpty() || byBox && isOfAnotherLevel(grown.port(), port))
            return Optional.empty();
        int more = (int) grown.leads().stream().filter(l -> isKind(l, kind.get())).count();
        boolean owned = !kind.get().isThing() || stock.has(kind.get().name(), 1 + more);
        Cable cable =
                new Cable(
                        freeLeads.get(grown.leads().size()),
                        grown.at(),
                        to,
                        0,
                        !owned,
                        Optional.empty(),
                        Extras.NONE);
        List<Cable> cables = new ArrayList<>(grown.leads().stream().map(l -> l.cable()).toList());
        cables.add(cable);
        return Optional.of(reader.and(devices, cables).read(cable))
                .filter(LeadReport::isSoundOnceSwitched);
    }

    /// Whether a line would go into a microphone input, or a microphone into a line input: a box is
    /// put between to prevent that, not to do it.
    private static boolean isOfAnotherLevel(Port from, Port to) {
        boolean headset = from.carries() == Signal.HEADSET || to.carries() == Signal.HEADSET;
        return headset
                ? from.carries() != to.carries() && to.carries() != Signal.HEADPHONES
                : isMic(from) && isLine(to) || isLine(from) && isMic(to);
    }

    private static boolean isMic(Port port) {
        return port.carries() == Signal.MIC;
    }

    private static boolean isLine(Port port) {
        return port.carries() == Signal.LINE || port.carries() == Signal.INSTRUMENT;
    }

    private static boolean isKind(LeadReport lead, LeadKind kind) {
        return lead.kindInWords().equals(kind.name());
    }

    private static int used(Grown grown, String template) {
        return (int) grown.boxes().stream().filter(b -> b.template().equals(template)).count();
    }

    private static int cost(LeadReport lead) {
        return lead.kind().map(LeadKind::cost).orElse(0)
                + (lead.cable().toBuy() ? BUY_LEAD_COST : 0)
                + CAUTION_COST * lead.faults().size();
    }

    /// Ports that are meant for another kind of signal, or for fewer channels, come after others.
    private static int detour(Port first, Port last) {
        int detour = first.carries() == last.carries() ? 0 : DETOUR_COST;
        boolean channels = first.gives() > 0 && last.takes() > 0;
        if (channels && first.gives() != last.takes()) detour += DETOUR_COST;
        return detour;
    }

    private static boolean meets(Port from, Port to) {
        if (from.carries() == Signal.POWER || to.carries() == Signal.POWER)
            return from.electric().givesMa() > 0 && to.electric().drawsMa() > 0;
        if (from.carries() == Signal.USB || to.carries() == Signal.USB)
            return from.carries() == to.carries() && from.host() != to.host();
        return to.takes() > 0;
    }

    private Joining joining(Grown grown) {
        List<Cable> cables = grown.leads().stream().map(LeadReport::cable).toList();
        Show joined = with(grown.boxes(), cables);
        Picks picks = Picks.after(joined, catalogue, grown.leads());
        return new Joining(
                joined,
                grown.boxes(),
                grown.leads(),
                PortDelay.through(grown.leads(), catalogue),
                picks,
                grown.cost());
    }

    private String placeOf(String device) {
        return show.rig().device(device).map(Device::place).orElse("");
    }

    /// An id that no lead of the show has.
    ///
    /// @param more how many free ones to pass over
    public static String freeCable(Show show, int more) {
        Set<String> ids = new HashSet<>();
        for (Cable cable : show.rig().cables()) ids.add(cable.id());
        int n = 1;
        for (int passed = 0; ; n++) {
            if (!ids.contains("lead-" + n) && passed++ == more) return "lead-" + n;
        }
    }

    private Show with(List<Device> more, List<Cable> cables) {
        Rig rig = show.rig();
        List<Device> devices = new ArrayList<>(rig.devices());
        devices.addAll(more);
        List<Cable> all = new ArrayList<>(rig.cables());
        all.addAll(cables);
        return show.withRig(rig.with(devices, all));
    }
}
