package rivulus.signal;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Collection;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SequencedMap;
import java.util.function.Function;
import rivulus.show.Ref;

/// A show compiled: everything that sound could pass, whatever way the knobs stand.
///
/// Compiling costs time and memory in proportion to points, routes and pairs that share a room. The
/// graph depends on cast, places, ears and rig, but not on how knobs stand: turning one asks for
/// new [Positions] only.
public final class SignalGraph {
    private final List<Node> nodes;
    private final List<Leg> legs;
    private final List<KnobUse> knobs;
    private final Map<String, Map<String, Integer>> knobIndex = new HashMap<>();
    private final Map<String, List<KnobUse>> knobsOf = new HashMap<>();
    private final Map<Ref, int[]> pointNodes;
    private final SequencedMap<String, int[]> sources;
    private final SequencedMap<String, EarNodes> ears;
    private final Map<String, Integer> sourceIndex = new HashMap<>();
    private final Map<String, Integer> earIndex = new HashMap<>();

    private final Bands bands = new Bands();
    private final int[] legBand;
    private final int[] processed;
    private final int[] processing;
    private final int[] switches;
    private final List<List<Leg>> governed = new ArrayList<>();
    private final Map<Ref, List<Leg>> leaving = new HashMap<>();
    private final Map<Ref, List<Leg>> entering = new HashMap<>();
    private final BitSet earNodes = new BitSet();
    private final BitSet sourceNodes = new BitSet();
    final Edges edges;

    /// Worked out when they are first asked for.
    private Map<String, Microphones> microphones;

    private List<List<Leg>> picks;

    SignalGraph(
            List<Node> nodes,
            List<Leg> legs,
            List<KnobUse> knobs,
            Map<Ref, Integer> knobIndex,
            Map<Ref, int[]> pointNodes,
            SequencedMap<String, int[]> sources,
            SequencedMap<String, EarNodes> ears) {
        this.nodes = List.copyOf(nodes);
        this.legs = List.copyOf(legs);
        this.knobs = List.copyOf(knobs);
        this.pointNodes = Map.copyOf(pointNodes);
        this.sources = new LinkedHashMap<>(sources);
        this.ears = new LinkedHashMap<>(ears);
        for (String source : sources.keySet()) sourceIndex.put(source, sourceIndex.size());
        for (String ear : ears.keySet()) earIndex.put(ear, earIndex.size());
        knobIndex.forEach(
                (ref, k) ->
                        this.knobIndex
                                .computeIfAbsent(ref.device(), _ -> new HashMap<>())
                                .put(ref.name(), k));
        for (KnobUse knob : knobs)
            knobsOf.computeIfAbsent(knob.ref().device(), _ -> new ArrayList<>()).add(knob);
        for (int k = 0; k < knobs.size(); k++) governed.add(new ArrayList<>());
        for (Leg leg : legs) {
            for (Leg.Govern govern : leg.governors()) governed.get(govern.knob()).add(leg);
            for (int knob : leg.processing().knobs()) governed.get(knob).add(leg);
        }
        for (Leg leg : legs) {
            leaving.computeIfAbsent(leg.from(), _ -> new ArrayList<>()).add(leg);
            entering.computeIfAbsent(leg.to(), _ -> new ArrayList<>()).add(leg);
        }
        legBand = legs.stream().mapToInt(leg -> bands.number(leg.band())).toArray();
        List<Leg> through = legs.stream().filter(leg -> !leg.processing().isEmpty()).toList();
        processed = through.stream().mapToInt(Leg::index).toArray();
        processing = distinct(through, Processing::knobs);
        switches = distinct(through, Processing::switches);
        edges = Edges.of(this.legs, this.pointNodes, nodes.size());
        for (EarNodes ear : this.ears.values()) for (int node : ear.nodes()) earNodes.set(node);
        for (int[] source : this.sources.values()) for (int node : source) sourceNodes.set(node);
    }

    /// Which microphones hear a source that begins in air; empty where none does.
    public synchronized Optional<Microphones> microphones(String source) {
        if (microphones == null) microphones = Microphones.of(this);
        return Optional.ofNullable(microphones.get(source));
    }

    /// The picks by which one program takes one thing more than once, however knobs stand.
    public synchronized List<List<Leg>> pickedTogether() {
        if (picks == null) {
            Map<List<String>, List<Leg>> all = new LinkedHashMap<>();
            for (Leg leg : legs)
                if (leg.kind() == Leg.Kind.PICK)
                    all.computeIfAbsent(
                                    List.of(leg.from().toString(), leg.to().device()),
                                    _ -> new ArrayList<>())
                            .add(leg);
            picks = all.values().stream().filter(same -> same.size() > 1).toList();
        }
        return picks;
    }

    boolean isEar(int node) {
        return earNodes.get(node);
    }

    /// Every channel of every point.
    public List<Node> nodes() {
        return nodes;
    }

    /// Every stretch between two points.
    public List<Leg> legs() {
        return legs;
    }

    /// The band limits that occur, by number.
    public Bands bands() {
        return bands;
    }

    /// The number of a leg's band limit in [#bands()].
    public int bandOf(int leg) {
        return legBand[leg];
    }

    private static int[] distinct(List<Leg> legs, Function<Processing, Collection<Integer>> of) {
        return legs.stream()
                .flatMap(leg -> of.apply(leg.processing()).stream())
                .mapToInt(Integer::intValue)
                .distinct()
                .toArray();
    }

    /// The places of all knobs of processors.
    int[] processing() {
        return processing;
    }

    /// The places of the switches of all processors.
    int[] switches() {
        return switches;
    }

    /// The legs on which there are processors, on or off.
    int[] processed() {
        return processed;
    }

    /// Every leg out of a point, open or closed.
    public List<Leg> legsFrom(Ref point) {
        return leaving.getOrDefault(point, List.of());
    }

    /// Every leg into a point, open or closed.
    public List<Leg> legsTo(Ref point) {
        return entering.getOrDefault(point, List.of());
    }

    /// The legs that a knob governs, or on which it turns a processor.
    public List<Leg> governedBy(int knob) {
        return governed.get(knob);
    }

    /// Every knob in the rig, those that choose among endpoints included.
    public List<KnobUse> knobs() {
        return knobs;
    }

    /// The place of a knob in [#knobs()], or −1 if the rig has no such knob. A knob of the right
    /// side of a linked pair is the one of the left side.
    public int knobIndex(String device, String knob) {
        return knobIndex.getOrDefault(device, Map.of()).getOrDefault(knob, -1);
    }

    /// The knob of that name.
    public Optional<KnobUse> knob(Ref ref) {
        int k = knobIndex(ref.device(), ref.name());
        return k < 0 ? Optional.empty() : Optional.of(knobs.get(k));
    }

    /// The knobs of one device, in the order of its template.
    public List<KnobUse> knobsOf(String device) {
        return Collections.unmodifiableList(knobsOf.getOrDefault(device, List.of()));
    }

    /// The nodes of a point, one for each channel; none where the point is not there.
    public int[] nodesOf(Ref point) {
        return pointNodes.getOrDefault(point, new int[0]).clone();
    }

    /// The nodes where a source starts, one for each of its channels; source ids in the order of
    /// the cast.
    public SequencedMap<String, int[]> sources() {
        return sources;
    }

    /// The nodes where each ear listens; ear ids in the order of the show.
    public SequencedMap<String, EarNodes> ears() {
        return ears;
    }

    /// The nodes at which any ear listens. Not to be changed.
    BitSet earNodes() {
        return earNodes;
    }

    /// The nodes at which any source starts. Not to be changed.
    BitSet sourceNodes() {
        return sourceNodes;
    }

    /// The nodes of one ear.
    ///
    /// @throws IllegalArgumentException if there is no such ear
    public EarNodes ear(String id) {
        EarNodes ear = ears.get(id);
        if (ear == null) throw new IllegalArgumentException("there is no ear \"" + id + "\"");
        return ear;
    }

    /// The nodes where one source starts, one for each of its channels.
    ///
    /// @throws IllegalArgumentException if there is no such source
    public int[] source(String id) {
        int[] source = sources.get(id);
        if (source == null) throw new IllegalArgumentException("there is no source \"" + id + "\"");
        return source;
    }

    /// The place of a source among the [#sources()], or −1 if there is no such source.
    public int sourceIndex(String source) {
        return sourceIndex.getOrDefault(source, -1);
    }

    /// The place of an ear among the [#ears()], or −1 if there is no such ear.
    public int earIndex(String ear) {
        return earIndex.getOrDefault(ear, -1);
    }

    /// The nodes of one ear.
    ///
    /// @param channels for each channel of the ear, the nodes that are heard in it
    /// @param open for each of those nodes, whether it is an open ear, reached through air
    /// @param nodes all of them, each once
    public record EarNodes(List<int[]> channels, List<boolean[]> open, int[] nodes) {
        public EarNodes(List<int[]> channels, List<boolean[]> open) {
            this(
                    channels,
                    open,
                    channels.stream().flatMapToInt(Arrays::stream).distinct().toArray());
        }
    }
}
