package rivulus.power;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import rivulus.gear.GearKind;
import rivulus.gear.Port;
import rivulus.gear.Power;
import rivulus.gear.Template;
import rivulus.leads.End;
import rivulus.leads.LeadReport;
import rivulus.leads.Survey;
import rivulus.show.Device;
import rivulus.show.Person;
import rivulus.show.Place;
import rivulus.show.Ref;

/// Who feeds whom: outlets, strips, USB ports, battery packs, and computers the programs on them.
public final class Feeding {
    private final Survey survey;
    private final Map<String, Supply> feeds = new HashMap<>();
    /// What hangs on a supply at first hand, by its id, in the order of the rig.
    private final Map<String, List<Device>> hanging = new HashMap<>();

    private Feeding(Survey survey) {
        this.survey = survey;
        for (Device device : survey.devices())
            find(device)
                    .ifPresent(
                            supply -> {
                                feeds.put(device.id(), supply);
                                hanging.computeIfAbsent(supply.id(), _ -> new ArrayList<>())
                                        .add(device);
                            });
    }

    /// Who feeds whom in a rig.
    public static Feeding of(Survey survey) {
        return new Feeding(survey);
    }

    private Optional<Supply> find(Device device) {
        if (Survey.isProgram(device))
            return survey.device(device.on()).map(c -> Supply.device(c, Supply.Kind.USB));
        return switch (survey.runsOn(device)) {
            case MAINS -> Optional.of(outlet(device));
            case USB -> usb(survey, device);
            default -> Optional.empty();
        };
    }

    private Supply outlet(Device device) {
        return survey.device(device.outlet())
                .map(strip -> Supply.device(strip, Supply.Kind.STRIP))
                .orElseGet(() -> wall(device));
    }

    private Supply wall(Device device) {
        String place =
                survey.show()
                        .cast()
                        .person(device.worn())
                        .map(Person::place)
                        .orElse(device.place());
        return survey.show().place(place).map(Supply::wall).orElse(Supply.SOMEWHERE);
    }

    /// Whether a lead is in that could feed a device by USB, whatever it runs on now.
    public static boolean isOnUsb(Survey survey, Device device) {
        return usb(survey, device).isPresent();
    }

    private static Optional<Supply> usb(Survey survey, Device device) {
        for (Port port : survey.template(device).ports()) {
            if (port.electric().drawsMa() == 0) continue;
            Ref ref = new Ref(device.id(), port.id());
            for (LeadReport lead : survey.leadsIn(ref)) {
                End far = Survey.far(lead, ref);
                if (far.port().electric().givesMa() > 0)
                    return Optional.of(Supply.device(far.device(), kind(survey, far.device())));
            }
        }
        return Optional.empty();
    }

    private static Supply.Kind kind(Survey survey, Device giver) {
        return survey.template(giver).kind() == GearKind.BATTERY
                ? Supply.Kind.PACK
                : Supply.Kind.USB;
    }

    /// What feeds a device; empty for what has a battery of its own, needs nothing, or hangs on a
    /// supply that nobody has named.
    public Optional<Supply> of(Device device) {
        return Optional.ofNullable(feeds.get(device.id()));
    }

    /// Every supply that feeds something, walls first, then in the order of the rig.
    public List<Supply> supplies() {
        Set<Supply> all = new LinkedHashSet<>();
        Set<Supply> feeding = new HashSet<>(feeds.values());
        for (Place place : survey.show().places()) {
            Supply wall = Supply.wall(place);
            if (feeding.contains(wall)) all.add(wall);
        }
        for (Device device : survey.devices())
            for (Device fed : hanging(device.id())) all.add(feeds.get(fed.id()));
        return List.copyOf(all);
    }

    private List<Device> hanging(String supply) {
        return hanging.getOrDefault(supply, List.of());
    }

    /// Whether anything but a program hangs on a device.
    public boolean isSupply(Device device) {
        return hanging(device.id()).stream().anyMatch(fed -> !Survey.isProgram(fed));
    }

    /// What a supply feeds at first hand; programs left out.
    public List<Device> fedBy(Supply supply) {
        return hanging(supply.id()).stream().filter(fed -> !Survey.isProgram(fed)).toList();
    }

    /// The ids of all that goes dark when a supply does: what hangs on it, at whatever hand. What
    /// has a battery runs on from it.
    public Set<String> darkWithout(Supply supply) {
        Set<String> dark = new LinkedHashSet<>();
        Deque<String> next = new ArrayDeque<>(List.of(supply.id()));
        while (!next.isEmpty())
            for (Device device : hanging(next.poll()))
                if (!runsOn(device) && dark.add(device.id())) next.add(device.id());
        return dark;
    }

    /// Whether a device has a battery that takes over.
    private boolean runsOn(Device device) {
        Template template = survey.template(device);
        return template.power().batteryWh() > 0
                && template.power().from().contains(Power.Source.BATTERY);
    }
}
