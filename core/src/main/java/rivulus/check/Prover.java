package rivulus.check;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Optional;
import rivulus.gear.Catalogue;
import rivulus.gear.Leads;
import rivulus.hearing.Tracer;
import rivulus.leads.Survey;
import rivulus.show.Brief;
import rivulus.show.Device;
import rivulus.show.Mix;
import rivulus.show.Ref;
import rivulus.show.Scene;
import rivulus.show.Show;
import rivulus.signal.Compiler;
import rivulus.signal.LiveGraph;
import rivulus.signal.Positions;
import rivulus.signal.SignalGraph;

/// Proves shows: compiles, traces every scene, surveys the rig, asks every rule.
///
/// A proof may lean on an earlier one: the graph is taken over while only knobs, brief or scenes
/// differ, and of every scene only the sources that an edit can touch are traced again. A prover
/// keeps no state and may be shared.
public final class Prover {
    private static final long STEPS_A_PROOF = 200;
    private static final long CELLS_A_STEP = 20;

    private final Catalogue catalogue;
    private final Brief.Defaults defaults;
    private final Leads leads;
    private final Judge judge;

    private Prover(Catalogue catalogue, Brief.Defaults defaults, Leads leads, Judge judge) {
        this.catalogue = catalogue;
        this.defaults = defaults;
        this.leads = leads;
        this.judge = judge;
    }

    /// A prover for shows whose templates are in the catalogue.
    ///
    /// @param defaults who must hear whom
    /// @param leads the kinds of lead there are
    /// @param judge what finds what is wrong
    public static Prover of(
            Catalogue catalogue, Brief.Defaults defaults, Leads leads, Judge judge) {
        return new Prover(catalogue, defaults, leads, judge);
    }

    /// The same prover with other templates.
    public Prover with(Catalogue templates) {
        return new Prover(templates, defaults, leads, judge);
    }

    /// What proving a show costs a search, in steps of its [rivulus.search.Budget].
    public static long steps(Show show) {
        long cells =
                (long) show.ears().size()
                        * show.sources().size()
                        * Math.max(1, show.scenes().size());
        return STEPS_A_PROOF + cells / CELLS_A_STEP;
    }

    /// The kinds of lead there are.
    public Leads leads() {
        return leads;
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
        boolean sameBrief =
                kin
                        && show.changes().equals(earlier.show().changes())
                        && show.habits().equals(earlier.show().habits());
        Brief brief = sameBrief ? earlier.brief() : Brief.of(show, defaults);
        Proof proof =
                new Proof(
                        show,
                        brief,
                        graph,
                        show.kinds(catalogue),
                        () -> Survey.of(show, catalogue, leads),
                        kin ? Optional.of(earlier) : Optional.empty(),
                        judge);
        boolean alike = kin && show.checks().equals(earlier.show().checks());
        String first = show.scenes().isEmpty() ? "" : show.scenes().getFirst().id();
        Lazy<Positions> base = new Lazy<>(() -> Positions.of(graph, show));
        for (Scene scene : show.scenes()) {
            proof.add(
                    scene.id(),
                    () -> {
                        List<Tracer> kindred = new ArrayList<>();
                        if (kin) earlier.scene(scene.id()).ifPresent(s -> kindred.add(s.tracer()));
                        if (!scene.id().equals(first))
                            (kindred.isEmpty() ? proof.scene(first) : proof.ifDone(first))
                                    .ifPresent(s -> kindred.add(s.tracer()));
                        Positions positions = base.get().in(graph, show, scene);
                        Tracer tracer = trace(graph, positions, kindred);
                        return new SceneProof(
                                show,
                                brief,
                                scene,
                                tracer,
                                proof::levels,
                                judge,
                                known(scene.id(), proof, kin ? earlier : null),
                                () -> known(scene.id(), proof, alike ? earlier : null));
                    });
        }
        return proof;
    }

    /// Scenes of which something may be known: the same one before the edit, and the first.
    private static List<SceneProof> known(String scene, Proof proof, Proof earlier) {
        List<SceneProof> known = new ArrayList<>();
        if (earlier != null) earlier.ifDone(scene).ifPresent(known::add);
        String first = proof.sceneIds().getFirst();
        if (!first.equals(scene)) proof.ifDone(first).ifPresent(known::add);
        return known;
    }

    private static Tracer trace(SignalGraph graph, Positions positions, List<Tracer> kindred) {
        for (Tracer done : kindred) if (done.live().positions().equals(positions)) return done;
        if (kindred.isEmpty()) return Tracer.of(LiveGraph.of(graph, positions));
        return Tracer.after(kindred.getFirst().live().at(positions), kindred);
    }

    /// Whether two shows compile to the same graph: everything but knobs, brief, scenes and mute
    /// keys agrees.
    private static boolean sameStructure(Show a, Show b) {
        return a.cast().equals(b.cast())
                && a.places().equals(b.places())
                && a.ears().equals(b.ears())
                && mixed(a).equals(mixed(b))
                && a.templates().equals(b.templates())
                && a.rig().cables().equals(b.rig().cables())
                && sameDevices(a.rig().devices(), b.rig().devices());
    }

    private static List<Ref> mixed(Show show) {
        return show.mixes().stream().map(Mix::at).toList();
    }

    private static boolean sameDevices(List<Device> a, List<Device> b) {
        if (a.size() != b.size()) return false;
        for (int i = 0; i < a.size(); i++) {
            if (!bare(a.get(i)).equals(bare(b.get(i)))) return false;
        }
        return true;
    }

    private static Device bare(Device device) {
        return device.withoutKnobs()
                .withStrips(new LinkedHashMap<>())
                .withLayout(device.layout().heard());
    }
}
