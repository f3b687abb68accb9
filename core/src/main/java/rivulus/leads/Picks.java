package rivulus.leads;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import rivulus.gear.Catalogue;
import rivulus.gear.Endpoint;
import rivulus.gear.Picker;
import rivulus.gear.Route;
import rivulus.gear.Setting;
import rivulus.gear.Template;
import rivulus.show.Device;
import rivulus.show.Ref;
import rivulus.show.Show;

/// What a computer has to be set to once something new is plugged into it. A default that nobody
/// has set is set; one that somebody has set is left alone and the pick is named.
///
/// @param after the show with the defaults set
/// @param words what was set, or has still to be picked, one clause each
public record Picks(Show after, List<String> words) {
    public Picks {
        words = List.copyOf(words);
    }

    static Picks after(Show joined, Catalogue catalogue, List<LeadReport> leads) {
        List<String> words = new ArrayList<>();
        Show show = joined;
        show = end(show, catalogue, leads.getFirst(), true, words);
        show = end(show, catalogue, leads.getLast(), false, words);
        return new Picks(show, words);
    }

    /// The side of a computer at one end of a way.
    ///
    /// @param gives whether sound leaves by this end
    private static Show end(
            Show show, Catalogue catalogue, LeadReport lead, boolean gives, List<String> words) {
        End own = gives ? lead.a() : lead.b();
        End far = gives ? lead.b() : lead.a();
        Template machine = catalogue.get(own.device().template());
        if (!machine.isComputer()) return show;
        boolean host = own.port().host();
        Device shown = host ? far.device() : own.device();
        Optional<Picker> standard =
                machine.pickers().stream()
                        .filter(p -> p.standard() == Picker.Standard.DEFAULT)
                        .filter(p -> (p.picks() == Picker.Picks.OUTPUT) == gives)
                        .findFirst();
        Optional<Endpoint> endpoint =
                catalogue.get(shown.template()).endpoints().stream()
                        .filter(e -> standard.map(s -> s.sees(e)).orElse(true))
                        .filter(e -> gives ? e.plays().isPresent() : e.hears().isPresent())
                        .filter(
                                e ->
                                        host
                                                ? e.port().equals(Optional.of(far.port().id()))
                                                : isBehind(machine, e, own, gives))
                        .findFirst();
        if (endpoint.isEmpty() || standard.isEmpty()) return show;
        Setting stands =
                show.rig()
                        .device(own.device().id())
                        .map(d -> d.knobs().get(standard.get().id()))
                        .orElse(null);
        boolean unset = stands == null || stands.equals(new Setting.Choice(Picker.NONE));
        String name = (host ? shown.name() + " " : "") + endpoint.get().label();
        if (unset) {
            words.add(
                    "%s %s %s by default"
                            .formatted(own.device().name(), gives ? "plays to" : "hears", name));
            return show.withKnob(
                    new Ref(own.device().id(), standard.get().id()),
                    new Setting.Choice(shown.id() + "/" + endpoint.get().id()));
        }
        words.add(
                "pick %s on %s where %s"
                        .formatted(
                                name,
                                own.device().name(),
                                gives ? "something is to play there" : "it is to be heard"));
        return show;
    }

    /// Whether an endpoint of a computer is the one behind a jack of its own.
    private static boolean isBehind(Template machine, Endpoint endpoint, End jack, boolean gives) {
        String point = (gives ? endpoint.plays() : endpoint.hears()).orElse("");
        for (Route route : machine.routes()) {
            boolean leads =
                    gives
                            ? route.from().equals(point)
                                    && route.to().equals(jack.port().outPoint())
                            : route.to().equals(point)
                                    && route.from().equals(jack.port().inPoint());
            if (leads) return true;
        }
        return false;
    }
}
