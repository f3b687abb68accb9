package rivulus.leads;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import rivulus.gear.Catalogue;
import rivulus.gear.Endpoint;
import rivulus.gear.Knob;
import rivulus.gear.Leads;
import rivulus.gear.Power;
import rivulus.gear.Setting;
import rivulus.gear.Template;
import rivulus.show.Device;
import rivulus.show.Ref;
import rivulus.show.Show;
import rivulus.show.Turn;
import rivulus.signal.Leg;
import rivulus.signal.SignalGraph;

/// The gear of a show with every lead read: what the rules of the rig look at.
public final class Survey {
    private final Show show;
    private final LeadReader reader;
    private final List<LeadReport> leads;
    private final Map<Ref, List<LeadReport>> inPort = new HashMap<>();
    private final Map<String, Device> devices = new HashMap<>();

    private Survey(Show show, LeadReader reader, List<LeadReport> leads) {
        this.show = show;
        this.reader = reader;
        this.leads = leads;
        for (Device device : show.rig().devices()) devices.put(device.id(), device);
        for (LeadReport lead : leads) {
            inPort.computeIfAbsent(lead.a().ref(), _ -> new ArrayList<>()).add(lead);
            inPort.computeIfAbsent(lead.b().ref(), _ -> new ArrayList<>()).add(lead);
        }
    }

    /// Surveys a show whose templates are in the catalogue or in the show itself.
    public static Survey of(Show show, Catalogue catalogue, Leads kinds) {
        LeadReader reader = new LeadReader(show, catalogue, kinds);
        return new Survey(show, reader, reader.all());
    }

    /// The same rig with one device run from something else, or plugged in elsewhere; no lead is
    /// read again.
    public Survey with(Device device) {
        return new Survey(show.withRig(show.rig().with(device)), reader, leads);
    }

    /// The show.
    public Show show() {
        return show;
    }

    /// Every lead, in the order of the rig.
    public List<LeadReport> leads() {
        return leads;
    }

    /// Every device, in the order of the rig.
    public List<Device> devices() {
        return show.rig().devices();
    }

    /// The device of that id.
    public Optional<Device> device(String id) {
        return Optional.ofNullable(devices.get(id));
    }

    /// What a device is.
    public Template template(Device device) {
        return reader.template(device);
    }

    /// What a device runs on in this show.
    public Power.Source runsOn(Device device) {
        Device now = devices.getOrDefault(device.id(), device);
        return template(now).power().when(now.power());
    }

    /// How a knob of a device stands in the base; empty where it has no such knob.
    public Optional<Setting> stands(Device device, String knob) {
        Setting turned = device.knobs().get(knob);
        if (turned != null) return Optional.of(turned);
        return template(device).knob(knob).map(Knob::standing);
    }

    /// The leads in a port.
    public List<LeadReport> leadsIn(Ref port) {
        return inPort.getOrDefault(port, List.of());
    }

    /// The leads in a device.
    public List<LeadReport> leadsOf(Device device) {
        return leads.stream().filter(lead -> lead.cable().touches(device.id())).toList();
    }

    /// The level that leaves a port, in dBu at line-up; through passive boxes from where it comes.
    /// NaN where it gives no analogue signal.
    public double leavesDbu(Ref port) {
        return reader.leaving(end(port));
    }

    /// The level knobs through which all that leaves an end has passed.
    public List<Ref> outputLevels(End from) {
        return reader.outputLevels(from);
    }

    /// Whether a device only passes on what comes in: an adapter, an isolator, a lead.
    public boolean isPassive(Device device) {
        return reader.isPassive(device);
    }

    /// The device and port of a reference.
    public End end(Ref ref) {
        return reader.end(ref);
    }

    /// The port at the far end of the lead in a port, if there is one.
    public Optional<End> across(Ref port) {
        return leadsIn(port).stream().findFirst().map(lead -> far(lead, port));
    }

    /// The other end of a lead.
    public static End far(LeadReport lead, Ref near) {
        return lead.a().ref().equals(near) ? lead.b() : lead.a();
    }

    /// What goes through a lead in a graph of the show: sound itself, and what programs pick of a
    /// machine that is joined to their computer by it.
    public Set<Leg> through(LeadReport lead, SignalGraph graph) {
        Set<Ref> picked = new HashSet<>();
        Set<Ref> points = new HashSet<>();
        for (End end : List.of(lead.a(), lead.b())) {
            String device = end.device().id();
            points.add(new Ref(device, end.port().inPoint()));
            points.add(new Ref(device, end.port().outPoint()));
            for (Endpoint endpoint : template(end.device()).endpoints()) {
                if (!endpoint.port().equals(Optional.of(end.port().id()))) continue;
                endpoint.plays().ifPresent(at -> picked.add(new Ref(device, at)));
                endpoint.hears().ifPresent(at -> picked.add(new Ref(device, at)));
            }
        }
        Set<Leg> through = new LinkedHashSet<>();
        for (Ref at : points)
            for (Leg leg : graph.legsFrom(at))
                if (leg.kind() == Leg.Kind.CABLE && points.contains(leg.to())) through.add(leg);
        for (Ref at : picked) {
            for (Leg leg : graph.legsFrom(at)) if (leg.kind() == Leg.Kind.PICK) through.add(leg);
            for (Leg leg : graph.legsTo(at)) if (leg.kind() == Leg.Kind.PICK) through.add(leg);
        }
        return through;
    }

    /// Whether a device is the same machine as the computer it runs on: a program, a virtual cable.
    public static boolean isProgram(Device device) {
        return !device.on().isEmpty();
    }

    /// The switches of phantom power that can reach a lead, each with the way in which it would
    /// have to be turned: off where it is on, in the base or in scenes.
    public List<Turn> phantomSwitches(LeadReport lead) {
        List<Turn> turns = new ArrayList<>();
        for (End from : List.of(lead.a(), lead.b()))
            for (Phantom.Source source : new Phantom(reader).into(lead.cable(), from)) {
                if (source.isAlways()) continue;
                Ref knob =
                        new Ref(
                                source.end().device().id(),
                                source.end().port().electric().phantomKnob());
                Setting is = new Setting.Switch(source.isEverOn());
                Setting other = new Setting.Switch(!source.isEverOn());
                if (source.scenes().isEmpty())
                    turns.add(new Turn(knob, is, other, Optional.empty()));
                for (String scene : source.scenes().keySet())
                    turns.add(new Turn(knob, is, other, Optional.of(scene)));
            }
        return turns;
    }

    /// The kinds of lead there are.
    public Leads kinds() {
        return reader.leads();
    }
}
