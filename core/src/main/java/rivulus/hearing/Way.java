package rivulus.hearing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import rivulus.gear.Knob;
import rivulus.signal.KnobUse;
import rivulus.signal.Leg;
import rivulus.signal.Node;
import rivulus.signal.SignalGraph;

/// One way from a source to an ear, step by step.
///
/// @param start where the sound begins
/// @param levelDb broadband level of what comes this way alone, against nominal
public record Way(Node start, List<Step> steps, double levelDb) {
    public Way {
        steps = List.copyOf(steps);
    }

    /// One leg of a way.
    ///
    /// @param to the node it leads to
    /// @param gainDb gain from the source to here, band limits left out
    /// @param ms delay from the source to here
    /// @param minMs the same if every part is as quick as it can be
    /// @param maxMs the same if every part is as slow as it can be
    public record Step(Leg leg, Node to, double gainDb, double ms, double minMs, double maxMs) {}

    /// Typical delay in ms.
    public double ms() {
        return steps.isEmpty() ? 0 : steps.getLast().ms();
    }

    /// Shortest delay in ms.
    public double minMs() {
        return steps.isEmpty() ? 0 : steps.getLast().minMs();
    }

    /// Longest delay in ms.
    public double maxMs() {
        return steps.isEmpty() ? 0 : steps.getLast().maxMs();
    }

    /// The legs passed.
    public List<Leg> legs() {
        return steps.stream().map(Step::leg).toList();
    }

    /// Every knob that it passes, in the graph that it was found in, in their order.
    public Stream<KnobUse> knobs(SignalGraph graph) {
        return steps.stream()
                .flatMap(step -> step.leg().governors().stream())
                .map(govern -> graph.knobs().get(govern.knob()));
    }

    /// The first knob of a role that it passes, in the graph that it was found in.
    public Optional<KnobUse> knob(SignalGraph graph, Knob.Role role) {
        return knobs(graph).filter(use -> use.knob().role() == role).findFirst();
    }

    /// The way in the words of the gear: "Maren → Maren's mic → Show desk, MIC 1, USB 1 call → Call
    /// program → Nadia".
    ///
    /// A device is named once, with the labelled points that are passed in it.
    public String words() {
        return String.join(" → ", stations());
    }

    /// The devices passed, each with the labelled points that are passed in it.
    public List<String> stations() {
        List<String> stations = new ArrayList<>();
        List<Node> nodes = new ArrayList<>(List.of(start));
        steps.forEach(step -> nodes.add(step.to()));
        StringBuilder station = new StringBuilder();
        String device = null;
        String last = "";
        for (Node node : nodes) {
            if (!node.point().device().equals(device)) {
                if (device != null) stations.add(station.toString());
                station = new StringBuilder(node.device());
                device = node.point().device();
                last = "";
            }
            if (!node.label().isEmpty() && !node.label().equals(last)) {
                station.append(", ").append(node.label());
                last = node.label();
            }
        }
        stations.add(station.toString());
        return stations;
    }
}
