package rivulus.check;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import rivulus.gear.Catalogue;
import rivulus.hearing.Tracer;
import rivulus.show.Brief;
import rivulus.show.Device;
import rivulus.show.Scene;
import rivulus.show.Show;
import rivulus.signal.Compiler;
import rivulus.signal.LiveGraph;
import rivulus.signal.Positions;
import rivulus.signal.SignalGraph;

/// Proves shows: compiles, traces every scene, runs every check.
///
/// A proof may lean on an earlier one: the graph is taken over while only knobs, brief or scenes
/// differ, and of every scene only the sources that an edit can touch are traced again. A prover
/// keeps no state and may be shared.
public final class Prover {
    private static final List<Check> CHECKS =
            List.of(
                    new Looping(),
                    new Echo(),
                    new LateOwnVoice(),
                    new Missing(),
                    new Leak(),
                    new Mute(),
                    new Doubled());

    private final Catalogue catalogue;
    private final Brief.Defaults defaults;
    private final Limits limits;

    private Prover(Catalogue catalogue, Brief.Defaults defaults, Limits limits) {
        this.catalogue = catalogue;
        this.defaults = defaults;
        this.limits = limits;
    }

    /// A prover for shows whose templates are in the catalogue.
    public static Prover of(Catalogue catalogue, Brief.Defaults defaults, Limits limits) {
        return new Prover(catalogue, defaults, limits);
    }

    /// The same prover with other templates.
    public Prover with(Catalogue templates) {
        return new Prover(templates, defaults, limits);
    }

    /// The ids of the checks, those that stop a show first.
    public static List<String> rules() {
        return CHECKS.stream().map(Check::id).toList();
    }

    /// The lines that the checks draw.
    public Limits limits() {
        return limits;
    }

    /// The templates that shows are built from.
    public Catalogue catalogue() {
        return catalogue;
    }

    /// Proves a show from nothing.
    public Proof prove(Show show) {
        return prove(show, null);
    }

    /// Proves a show, leaning on an earlier proof of what it was edited from.
    ///
    /// @param earlier a proof by this prover, or null
    public Proof prove(Show show, Proof earlier) {
        boolean kin = earlier != null && sameStructure(show, earlier.show());
        SignalGraph graph = kin ? earlier.graph() : Compiler.compile(show, catalogue);
        boolean sameBrief = kin && show.changes().equals(earlier.show().changes());
        Brief brief = sameBrief ? earlier.brief() : Brief.of(show, defaults);
        Proof proof = new Proof(show, brief, graph);
        String first = show.scenes().isEmpty() ? "" : show.scenes().getFirst().id();
        for (Scene scene : show.scenes()) {
            proof.add(
                    scene.id(),
                    () -> {
                        List<Tracer> kindred = new ArrayList<>();
                        if (kin) earlier.scene(scene.id()).ifPresent(s -> kindred.add(s.tracer()));
                        if (!scene.id().equals(first))
                            (kindred.isEmpty() ? proof.scene(first) : proof.ifDone(first))
                                    .ifPresent(s -> kindred.add(s.tracer()));
                        Positions positions = Positions.of(graph, show, scene);
                        Tracer tracer = trace(graph, positions, kindred);
                        return new SceneProof(show, brief, scene, tracer, this::check);
                    });
        }
        return proof;
    }

    private static Tracer trace(SignalGraph graph, Positions positions, List<Tracer> kindred) {
        for (Tracer done : kindred) if (done.live().positions().equals(positions)) return done;
        if (kindred.isEmpty()) return Tracer.of(LiveGraph.of(graph, positions));
        return Tracer.after(kindred.getFirst().live().at(positions), kindred);
    }

    private List<Finding> check(SceneProof scene) {
        List<Finding> findings = new ArrayList<>();
        for (Check check : CHECKS) findings.addAll(check.findings(scene, limits));
        findings.sort(Comparator.comparing(Finding::severity));
        return findings;
    }

    /// Whether two shows compile to the same graph: everything but knobs, brief, scenes and mute
    /// keys agrees.
    private static boolean sameStructure(Show a, Show b) {
        return a.cast().equals(b.cast())
                && a.places().equals(b.places())
                && a.ears().equals(b.ears())
                && a.templates().equals(b.templates())
                && a.rig().cables().equals(b.rig().cables())
                && sameDevices(a.rig().devices(), b.rig().devices());
    }

    private static boolean sameDevices(List<Device> a, List<Device> b) {
        if (a.size() != b.size()) return false;
        for (int i = 0; i < a.size(); i++) {
            if (!a.get(i).withoutKnobs().equals(b.get(i).withoutKnobs())) return false;
        }
        return true;
    }
}
