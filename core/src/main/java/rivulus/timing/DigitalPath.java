package rivulus.timing;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import rivulus.gear.Port;
import rivulus.gear.Signal;
import rivulus.leads.End;
import rivulus.leads.LeadReport;
import rivulus.leads.Survey;
import rivulus.show.Device;
import rivulus.show.Ref;

/// A lead on which sound travels as numbers: at which rate, and by whose clock.
///
/// @param from the end whose rate and clock it goes by, where the other follows
/// @param to the other end; behind a hub, the computer's
/// @param fromHz the rate of the one, in Hz
/// @param toHz the rate of the other, in Hz
/// @param master the device whose clock it is in the end
public record DigitalPath(
        LeadReport lead, End from, End to, int fromHz, int toHz, Device master, State state) {
    /// How the two ends get along.
    public enum State {
        /// One goes by the clock of the other.
        FOLLOWS,
        /// What arrives is converted to the rate and clock of who takes it.
        CONVERTS,
        /// Both go by clocks of their own.
        DRIFTS,
        /// Two rates, and nothing that converts.
        TWO_RATES
    }

    /// Every digital path of a rig whose two ends have clocks, in the order of its leads.
    public static List<DigitalPath> all(Survey survey) {
        List<DigitalPath> all = new ArrayList<>();
        for (LeadReport lead : survey.leads()) {
            usb(survey, lead).ifPresent(all::add);
            all.addAll(between(survey, lead));
        }
        return all;
    }

    /// "48 kHz by the clock of Show desk".
    public String words() {
        String rate = Rates.words(fromHz);
        return switch (state) {
            case FOLLOWS -> "%s by the clock of %s".formatted(rate, master.name());
            case CONVERTS ->
                    "%s by the clock of %s; %s converts it to its own"
                            .formatted(rate, master.name(), to.device().name());
            case DRIFTS -> "%s by two clocks, which drift apart".formatted(rate);
            case TWO_RATES -> "sent at %s, taken at %s".formatted(rate, Rates.words(toHz));
        };
    }

    /// Gear on USB gives the clock; its computer follows.
    private static Optional<DigitalPath> usb(Survey survey, LeadReport lead) {
        End gear = lead.a().port().host() ? lead.b() : lead.a();
        End host = Survey.far(lead, gear.ref());
        if (gear.port().carries() != Signal.USB || gear.port().host() || !host.port().host())
            return Optional.empty();
        return computer(survey, host, new HashSet<>())
                .flatMap(
                        computer ->
                                path(
                                        survey,
                                        lead,
                                        gear,
                                        computer,
                                        State.FOLLOWS,
                                        master(survey, gear.device())));
    }

    /// The computer's end behind the hubs.
    private static Optional<End> computer(Survey survey, End host, Set<Device> seen) {
        if (survey.template(host.device()).isComputer()) return Optional.of(host);
        if (!seen.add(host.device())) return Optional.empty();
        for (Port up : survey.template(host.device()).ports()) {
            if (up.host() || up.carries() != Signal.USB) continue;
            Optional<End> above =
                    survey.across(new Ref(host.device().id(), up.id()))
                            .filter(end -> end.port().host());
            if (above.isPresent()) return computer(survey, above.get(), seen);
        }
        return Optional.empty();
    }

    /// Where one end follows the other, both directions are in step. Else each direction stands for
    /// itself, but for what is wrong with both alike.
    private static List<DigitalPath> between(Survey survey, LeadReport lead) {
        Optional<DigitalPath> there = along(survey, lead, lead.a(), lead.b());
        Optional<DigitalPath> back = along(survey, lead, lead.b(), lead.a());
        List<DigitalPath> both = Stream.of(there, back).flatMap(Optional::stream).toList();
        for (DigitalPath path : both) if (path.state == State.FOLLOWS) return List.of(path);
        boolean alike = both.size() == 2 && both.getFirst().state == both.getLast().state;
        return alike && both.getFirst().state != State.CONVERTS ? both.subList(0, 1) : both;
    }

    private static Optional<DigitalPath> along(
            Survey survey, LeadReport lead, End gives, End takes) {
        if (!isDigital(gives.port()) || gives.port().gives() == 0 || takes.port().takes() == 0)
            return Optional.empty();
        return path(
                survey,
                lead,
                gives,
                takes,
                state(survey, gives, takes),
                master(survey, gives.device()));
    }

    private static State state(Survey survey, End gives, End takes) {
        if (converts(survey, takes)) return State.CONVERTS;
        if (Rates.of(survey, gives.device()) != Rates.of(survey, takes.device()))
            return State.TWO_RATES;
        return Rates.follows(survey, takes.device(), takes.port().id())
                ? State.FOLLOWS
                : State.DRIFTS;
    }

    private static Optional<DigitalPath> path(
            Survey survey, LeadReport lead, End from, End to, State state, Device master) {
        int fromHz = Rates.of(survey, from.device());
        int toHz = Rates.of(survey, to.device());
        return fromHz == 0 || toHz == 0
                ? Optional.empty()
                : Optional.of(new DigitalPath(lead, from, to, fromHz, toHz, master, state));
    }

    private static boolean isDigital(Port port) {
        return port.carries() == Signal.OPTICAL || port.carries() == Signal.NETWORK_AUDIO;
    }

    private static boolean converts(Survey survey, End takes) {
        return survey.template(takes.device()).clock().converts().contains(takes.port().id());
    }

    /// Whose clock a device goes by in the end: its own, or that of what it follows.
    private static Device master(Survey survey, Device device) {
        return master(survey, device, new HashSet<>());
    }

    private static Device master(Survey survey, Device device, Set<Device> seen) {
        seen.add(device);
        for (Port port : survey.template(device).ports()) {
            End here = new End(device, port);
            if (!isDigital(port) || port.takes() == 0 || converts(survey, here)) continue;
            if (!Rates.follows(survey, device, port.id())) continue;
            Optional<Device> above =
                    survey.across(here.ref())
                            .filter(end -> end.port().gives() > 0)
                            .map(End::device)
                            .filter(other -> Rates.of(survey, other) > 0 && !seen.contains(other));
            if (above.isPresent()) return master(survey, above.get(), seen);
        }
        return device;
    }
}
