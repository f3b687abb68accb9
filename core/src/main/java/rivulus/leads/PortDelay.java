package rivulus.leads;

import java.util.Comparator;
import java.util.List;
import java.util.function.Predicate;
import java.util.stream.Stream;
import rivulus.gear.Catalogue;
import rivulus.gear.Delay;
import rivulus.gear.Picker;
import rivulus.gear.Route;
import rivulus.gear.Signal;
import rivulus.gear.Template;

/// How long sound takes by a chain of leads: out of the first machine's port, through the boxes,
/// into the last machine; converters, USB, and the buffers of computers. Mixers and what programs
/// do are left out: they are the same by every way.
final class PortDelay {
    private PortDelay() {}

    static Delay through(List<LeadReport> leads, Catalogue catalogue) {
        Delay sum = out(leads.getFirst().a(), catalogue).plus(into(leads.getLast().b(), catalogue));
        for (LeadReport lead : leads.subList(0, leads.size() - 1)) {
            Template box = catalogue.get(lead.b().device().template());
            sum =
                    sum.plus(
                            quickest(
                                    box.routes().stream(),
                                    r -> r.from().startsWith(lead.b().port().id())));
        }
        return sum;
    }

    private static Delay out(End end, Catalogue catalogue) {
        Template machine = catalogue.get(end.device().template());
        Delay port =
                quickest(
                        machine.routes().stream(),
                        route -> route.to().equals(end.port().outPoint()));
        return port.plus(buffers(machine)).plus(usb(machine, end));
    }

    private static Delay into(End end, Catalogue catalogue) {
        Template machine = catalogue.get(end.device().template());
        Delay port =
                quickest(
                        machine.routes().stream(),
                        route -> route.from().equals(end.port().inPoint()));
        return port.plus(buffers(machine)).plus(usb(machine, end));
    }

    /// What a computer's buffers add when a program plays or listens.
    private static Delay buffers(Template machine) {
        return machine.pickers().stream()
                .filter(picker -> machine.isComputer() && !picker.isStandard())
                .map(Picker::delay)
                .findFirst()
                .orElse(Delay.NONE);
    }

    /// What the USB side of gear adds.
    private static Delay usb(Template machine, End end) {
        boolean device = end.port().carries() == Signal.USB && !end.port().host();
        return device
                ? quickest(machine.routes().stream(), route -> route.marks().contains("usb"))
                : Delay.NONE;
    }

    private static Delay quickest(Stream<Route> routes, Predicate<Route> wanted) {
        return routes.filter(wanted)
                .map(Route::delay)
                .min(Comparator.comparingDouble(Delay::ms))
                .orElse(Delay.NONE);
    }
}
