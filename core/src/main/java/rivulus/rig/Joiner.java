package rivulus.rig;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import rivulus.gear.Catalogue;
import rivulus.gear.LeadKind;
import rivulus.gear.Leads;
import rivulus.gear.Port;
import rivulus.gear.Template;
import rivulus.show.Cable;
import rivulus.show.Device;
import rivulus.show.Extras;
import rivulus.show.Ref;
import rivulus.show.Rig;
import rivulus.show.Show;

/// Finds the ways to join two machines: over every pair of free ports, by one lead, or with one or
/// two boxes between.
///
/// Ways are grown lead by lead and only where a lead exists, cheapest first; each is read as a lead
/// of the show would be, and kept only if nothing serious is wrong with it.
public final class Joiner {
    private static final int MOST_BOXES = 2;
    private static final int BOX_COST = 3;

    private final Show show;
    private final Catalogue catalogue;
    private final Leads leads;
    private final List<Template> boxes;
    private final Set<Ref> taken = new HashSet<>();

    /// A joiner for a show whose templates are in the catalogue.
    public Joiner(Show show, Catalogue catalogue, Leads leads) {
        this.show = show;
        this.catalogue = catalogue.with(show.templates().stream().map(o -> o.template()).toList());
        this.leads = leads;
        boxes =
                this.catalogue.templates().values().stream()
                        .filter(t -> t.kind().equals("adapter") || t.kind().equals("isolator"))
                        .toList();
        for (Cable cable : show.rig().cables()) {
            taken.add(cable.from());
            taken.add(cable.to());
        }
    }

    /// The best ways for sound from one device to another.
    ///
    /// @param most how many to give at most
    public List<Joining> ways(Device from, Device to, int most) {
        return ways(from, to, most, _ -> true);
    }

    /// The best ways that also fulfil a wish, such as isolation.
    public List<Joining> ways(Device from, Device to, int most, Predicate<Joining> wish) {
        List<Joining> found = new ArrayList<>();
        List<Grown> row = starts(from);
        for (int boxesIn = 0; boxesIn <= MOST_BOXES && found.size() < most; boxesIn++) {
            for (Grown grown : row) ends(grown, to, wish, found);
            if (boxesIn < MOST_BOXES) row = row.stream().flatMap(g -> longer(g).stream()).toList();
        }
        found.sort(Comparator.comparingInt(Joining::cost).thenComparing(j -> warnings(j)));
        List<Joining> best = new ArrayList<>();
        for (Joining joining : found) {
            boolean roundabout = best.stream().anyMatch(b -> goesRoundabout(joining, b));
            if (!roundabout && best.size() < most) best.add(joining);
        }
        return best;
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

    private static int warnings(Joining joining) {
        return joining.leads().stream().mapToInt(lead -> lead.faults().size()).sum();
    }

    /// A way so far: the port sound has come to, and what it took.
    private record Grown(Ref at, Port port, List<Device> boxes, List<Cable> cables, int cost) {}

    private List<Grown> starts(Device from) {
        List<Grown> starts = new ArrayList<>();
        for (Port port : catalogue.get(from.template()).ports()) {
            Ref ref = new Ref(from.id(), port.id());
            if (isSource(port) && !taken.contains(ref))
                starts.add(new Grown(ref, port, List.of(), List.of(), 0));
        }
        return starts;
    }

    private static boolean isSource(Port port) {
        return port.gives() > 0 || port.carries().equals("usb");
    }

    private List<Grown> longer(Grown grown) {
        List<Grown> more = new ArrayList<>();
        for (Template box : boxes) {
            String id = freeId(box.id(), grown.boxes().size());
            Device device = device(id, box, grown.at().device());
            for (Port in : box.ports()) {
                if (in.takes() == 0) continue;
                Optional<LeadKind> lead = leads.between(grown.port(), in);
                if (lead.isEmpty()) continue;
                for (Port out : box.ports()) {
                    if (out.gives() == 0 || out == in) continue;
                    List<Device> devices = new ArrayList<>(grown.boxes());
                    devices.add(device);
                    List<Cable> cables = new ArrayList<>(grown.cables());
                    cables.add(cable(grown.at(), new Ref(id, in.id()), cables.size()));
                    int cost = grown.cost() + lead.get().cost() + BOX_COST;
                    more.add(new Grown(new Ref(id, out.id()), out, devices, cables, cost));
                }
            }
        }
        return more;
    }

    private Device device(String id, Template box, String beside) {
        String place =
                show.rig().device(beside).map(Device::place).filter(p -> !p.isEmpty()).orElse("");
        return new Device(
                id, box.name(), box.id(), place, "", "", "", new LinkedHashMap<>(), Extras.NONE);
    }

    private String freeId(String stem, int more) {
        int n = 1 + more;
        while (show.rig().device(stem + "-" + n).isPresent()) n++;
        return stem + "-" + n;
    }

    private Cable cable(Ref from, Ref to, int more) {
        return new Cable(freeCable(show, more), from, to, 0, true, Extras.NONE);
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

    private void ends(Grown grown, Device to, Predicate<Joining> wish, List<Joining> found) {
        for (Port port : catalogue.get(to.template()).ports()) {
            Ref ref = new Ref(to.id(), port.id());
            if (taken.contains(ref) || !meets(grown.port(), port)) continue;
            Optional<LeadKind> lead = leads.between(grown.port(), port);
            if (lead.isEmpty()) continue;
            List<Cable> cables = new ArrayList<>(grown.cables());
            cables.add(cable(grown.at(), ref, cables.size()));
            Show after = with(grown.boxes(), cables);
            LeadReader reader = new LeadReader(after, catalogue, leads);
            List<LeadReport> reports = cables.stream().map(reader::read).toList();
            if (!reports.stream().allMatch(LeadReport::isSound)) continue;
            Joining joining =
                    new Joining(
                            after,
                            grown.boxes(),
                            reports,
                            grown.cost() + lead.get().cost() + detour(reports));
            if (wish.test(joining)) found.add(joining);
        }
    }

    /// Ports that are meant for another kind of signal, or for fewer channels, come after others.
    private static int detour(List<LeadReport> reports) {
        Port first = reports.getFirst().a().port();
        Port last = reports.getLast().b().port();
        int detour = first.carries().equals(last.carries()) ? 0 : 2;
        if (first.gives() != last.takes() && !first.carries().equals("usb")) detour += 2;
        return detour;
    }

    private static boolean meets(Port from, Port to) {
        if (from.carries().equals("usb") || to.carries().equals("usb"))
            return from.carries().equals(to.carries()) && from.host() != to.host();
        return to.takes() > 0;
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
