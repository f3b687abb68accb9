package rivulus.file;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import rivulus.disk.Entry;
import rivulus.disk.FileTrouble;
import rivulus.gear.AcousticEnd;
import rivulus.gear.Electric;
import rivulus.gear.Port;
import rivulus.gear.Route;
import rivulus.gear.Speech;

/// What a microphone gives follows from what it makes of a pascal and how near it is worked: said
/// once, by its end, for the port that its capsule goes to.
final class Sensed {
    private Sensed() {}

    static List<Port> ports(
            Entry root, List<Port> ports, List<Route> routes, List<AcousticEnd> ends)
            throws FileTrouble {
        List<Port> sensed = new ArrayList<>();
        for (Port port : ports) {
            Optional<AcousticEnd> capsule =
                    ends.stream().filter(end -> feeds(end, port, routes)).findFirst();
            if (capsule.isPresent()) levelIsNotSaid(root, port);
            sensed.add(capsule.map(end -> port.being(given(port, end))).orElse(port));
        }
        return sensed;
    }

    private static boolean feeds(AcousticEnd end, Port port, List<Route> routes) {
        return !Double.isNaN(end.mvPerPa())
                && port.electric().isAnalogue()
                && port.carries().isMicrophone()
                && routes.stream()
                        .anyMatch(
                                r ->
                                        r.from().equals(end.point())
                                                && r.to().equals(port.outPoint()));
    }

    private static Electric given(Port port, AcousticEnd end) {
        return port.electric()
                .giving(end.dbu(Speech.lineUpSpl(end.workedAtM())), end.dbu(end.mostSpl()));
    }

    private static void levelIsNotSaid(Entry root, Port port) throws FileTrouble {
        for (Entry item : root.items("ports"))
            for (String field : List.of("levelDbu", "mostDbu")) {
                Optional<Entry> said = item.maybe(field);
                if (said.isPresent() && item.text("id").equals(port.id()))
                    throw said.get()
                            .trouble(
                                    "what \"%s\" gives follows from the microphone's mvPerPa; leave"
                                            + " this out",
                                    port.id());
            }
    }
}
