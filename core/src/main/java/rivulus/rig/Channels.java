package rivulus.rig;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import rivulus.gear.Catalogue;
import rivulus.gear.Governor;
import rivulus.gear.Knob;
import rivulus.gear.Point;
import rivulus.gear.Route;
import rivulus.gear.Template;
import rivulus.show.Device;
import rivulus.show.Limit;
import rivulus.show.Ref;
import rivulus.show.Show;
import rivulus.show.Source;
import rivulus.show.Strip;

/// The channels of machines with faders, and what comes into each: an ear is put before every
/// fader, and what it hears best decides.
///
/// Costs one compiling and one tracing of the show for each machine asked about.
public final class Channels {
    private final Show show;
    private final Catalogue kinds;

    /// Channels in a show.
    ///
    /// @param kinds every kind of gear, those of the show among them
    public Channels(Show show, Catalogue kinds) {
        this.show = show;
        this.kinds = kinds;
    }

    /// The channels of a machine, one for each fader; none where it has but one, which is a volume.
    public List<Channel> of(Device device) {
        Template kind = kinds.get(device.template());
        if (kind.faders().size() < 2) return List.of();
        List<Fader> faders = new ArrayList<>();
        for (Knob knob : kind.faders()) before(device, kind, knob).ifPresent(faders::add);
        Probes probes = new Probes(show, kinds, faders.stream().map(Fader::before).toList());
        List<Channel> channels = new ArrayList<>();
        for (Fader fader : faders) {
            Strip written = device.strip(fader.knob().id());
            String carries = loudest(probes, fader).map(Source::name).orElse("");
            channels.add(
                    new Channel(
                            fader.knob().id(),
                            fader.label(),
                            written.name().isEmpty() ? carries : written.name(),
                            written.tape(),
                            carries));
        }
        return channels;
    }

    /// A fader and the point before it.
    private record Fader(Knob knob, Ref before, String label) {}

    private static Optional<Fader> before(Device device, Template kind, Knob knob) {
        for (Route route : kind.routes())
            for (Governor governor : route.governors())
                if (governor.knob().equals(knob.id()))
                    return kind.point(route.from()).map(point -> fader(device, knob, point));
        return Optional.empty();
    }

    private static Fader fader(Device device, Knob knob, Point before) {
        return new Fader(
                knob,
                new Ref(device.id(), before.id()),
                before.label().isEmpty() ? knob.label() : before.label());
    }

    /// The one source that stands out at a fader.
    private Optional<Source> loudest(Probes probes, Fader fader) {
        double least = show.checks().limits().get(Limit.FAINT);
        double apart = -show.checks().limits().get(Limit.BLEED);
        List<Source> heard =
                show.sources().stream()
                        .filter(source -> level(probes, fader, source) > least)
                        .sorted(Comparator.comparingDouble(source -> -level(probes, fader, source)))
                        .toList();
        boolean alone =
                heard.size() == 1
                        || heard.size() > 1
                                && level(probes, fader, heard.get(0))
                                        > level(probes, fader, heard.get(1)) + apart;
        return alone ? Optional.of(heard.getFirst()) : Optional.empty();
    }

    private static double level(Probes probes, Fader fader, Source source) {
        return probes.levelDb(fader.before(), source.id());
    }
}
