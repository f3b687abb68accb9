package rivulus.show;

import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import rivulus.gear.AcousticEnd;
import rivulus.gear.Catalogue;
import rivulus.gear.Point;
import rivulus.gear.Template;

/// How much a show comes to once it is compiled, counted before anything is built.
///
/// @param channels of all points of all gear and people
/// @param stretches routes, leads, picks and ways through air, over all scenes
/// @param cells ears times sources times scenes
public record Extent(long channels, long stretches, long cells) {
    private static final long MOST_CHANNELS = 200_000;
    private static final long MOST_STRETCHES = 4_000_000;
    private static final long MOST_CELLS = 400_000;

    /// A picker may follow either of a computer's two defaults, and the one the other.
    private static final int WAYS_TO_PICK = 4;

    /// The extent of a show whose templates are in the catalogue. Costs as much as there are
    /// devices.
    public static Extent of(Show show, Catalogue catalogue) {
        Counting counting = new Counting(show, catalogue);
        long scenes = Math.max(1, show.scenes().size());
        return new Extent(
                counting.channels(),
                (counting.routes() + counting.picks() + counting.air()) * scenes,
                (long) show.ears().size() * show.sources().size() * scenes);
    }

    /// What there is too much of, as a sentence with what is possible; empty where it can be worked
    /// with.
    public Optional<String> tooMuch() {
        if (channels > MOST_CHANNELS)
            return said("the gear of this show has %d channels inside", channels, MOST_CHANNELS);
        if (stretches > MOST_STRETCHES)
            return said(
                    "sound could pass %d stretches in the scenes of this show",
                    stretches, MOST_STRETCHES);
        if (cells > MOST_CELLS)
            return said(
                    "ears times sources times scenes come to %d in this show", cells, MOST_CELLS);
        return Optional.empty();
    }

    private static Optional<String> said(String what, long is, long most) {
        return Optional.of((what + "; at most %d can be worked with").formatted(is, most));
    }

    private record Counting(Show show, Catalogue catalogue) {
        private Template template(Device device) {
            return catalogue.get(device.template());
        }

        long channels() {
            long channels = 0;
            for (Person _ : show.cast().people())
                channels += channels(catalogue.get(Catalogue.PERSON));
            for (Device device : show.rig().devices()) channels += channels(template(device));
            return channels;
        }

        private static long channels(Template template) {
            long channels = 0;
            for (Point point : template.points()) channels += point.channels();
            return channels;
        }

        long routes() {
            long routes = show.rig().cables().size();
            for (Device device : show.rig().devices()) routes += template(device).routes().size();
            return routes;
        }

        /// Every picker of a computer with every endpoint that may show up there.
        long picks() {
            Set<String> joined = new HashSet<>();
            for (Cable cable : show.rig().cables()) {
                joined.add(cable.from().device());
                joined.add(cable.to().device());
            }
            Map<String, Long> pickers = new HashMap<>();
            Map<String, Long> endpoints = new HashMap<>();
            long everywhere = 0;
            for (Device device : show.rig().devices()) {
                Template template = template(device);
                String computer = template.isComputer() ? device.id() : device.on();
                pickers.merge(computer, (long) template.pickers().size(), Long::sum);
                endpoints.merge(computer, (long) template.endpoints().size(), Long::sum);
                boolean plugged = computer.isEmpty() && joined.contains(device.id());
                if (plugged) everywhere += template.endpoints().size();
            }
            long picks = 0;
            for (Map.Entry<String, Long> computer : pickers.entrySet())
                if (!computer.getKey().isEmpty())
                    picks += computer.getValue() * endpoints.get(computer.getKey());
            long computers = pickers.keySet().stream().filter(c -> !c.isEmpty()).count();
            long perComputer = pickers.values().stream().mapToLong(Long::longValue).max().orElse(0);
            return (picks + (computers == 0 ? 0 : everywhere * perComputer)) * WAYS_TO_PICK;
        }

        /// In every place whatever sounds with whatever hears.
        long air() {
            Map<String, Long> sounding = new HashMap<>();
            Map<String, Long> hearing = new HashMap<>();
            for (Person person : show.cast().people())
                count(catalogue.get(Catalogue.PERSON), person.place(), sounding, hearing);
            for (Device device : show.rig().devices()) {
                String place =
                        show.cast().person(device.worn()).map(Person::place).orElse(device.place());
                count(template(device), place, sounding, hearing);
            }
            long air = 0;
            for (Map.Entry<String, Long> place : sounding.entrySet())
                air += place.getValue() * hearing.getOrDefault(place.getKey(), 0L);
            return air;
        }

        private static void count(
                Template template,
                String place,
                Map<String, Long> sounding,
                Map<String, Long> hearing) {
            if (place.isEmpty()) return;
            for (AcousticEnd end : template.ends()) {
                if (end.kind().sounds()) sounding.merge(place, 1L, Long::sum);
                if (end.kind().hearsAir()) hearing.merge(place, 1L, Long::sum);
            }
        }
    }
}
