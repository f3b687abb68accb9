package rivulus.rule;

import java.util.Comparator;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Stream;
import rivulus.gear.Catalogue;
import rivulus.gear.GearKind;
import rivulus.gear.Port;
import rivulus.gear.Power;
import rivulus.gear.Signal;
import rivulus.gear.Template;
import rivulus.show.Device;
import rivulus.show.Show;

/// What there is to put in, found by what it is.
final class Boxes {
    private final Show show;
    private final Catalogue catalogue;

    Boxes(Show show, Catalogue catalogue) {
        this.show = show;
        this.catalogue = catalogue;
    }

    /// One more of a kind, to be bought, in a place.
    Device added(Template kind, String place) {
        return Device.of(show.freeId(kind.id(), 1), kind.name(), kind.id()).in(place).toBuy(true);
    }

    private Stream<Template> kinds(GearKind kind) {
        return catalogue.templates().values().stream().filter(t -> t.kind() == kind);
    }

    /// A strip of outlets, and no rack.
    Optional<Template> strip() {
        return kinds(GearKind.STRIP)
                .filter(t -> t.power().mostWatts() > 0 && !t.power().joinsChassis())
                .findFirst();
    }

    /// A hub with a supply of its own.
    Optional<Template> hub() {
        return kinds(GearKind.HUB)
                .filter(t -> t.power().from().contains(Power.Source.MAINS))
                .findFirst();
    }

    static Optional<Port> usbPort(Template template, boolean host) {
        return template.ports().stream()
                .filter(port -> port.carries() == Signal.USB && port.host() == host)
                .findFirst();
    }

    /// The battery that holds most of those that feed others.
    Optional<Template> pack() {
        return kinds(GearKind.BATTERY).max(Comparator.comparing(t -> t.power().batteryWh()));
    }

    /// The smallest machine that takes a line and drives headphones.
    Optional<Template> amplifier() {
        return kinds(GearKind.DESK)
                .filter(t -> has(t, port -> port.carries() == Signal.LINE && port.takes() > 0))
                .filter(
                        t ->
                                has(
                                        t,
                                        port ->
                                                port.carries() == Signal.HEADPHONES
                                                        && port.gives() > 0))
                .min(Comparator.comparing(t -> t.knobs().size() + t.ports().size()));
    }

    private static boolean has(Template template, Predicate<Port> wish) {
        return template.ports().stream().anyMatch(wish);
    }
}
