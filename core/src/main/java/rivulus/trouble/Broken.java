package rivulus.trouble;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Supplier;
import java.util.function.UnaryOperator;
import rivulus.check.SceneProof;
import rivulus.hearing.Tracer;
import rivulus.show.Limit;
import rivulus.show.Person;
import rivulus.show.Ref;
import rivulus.show.Symptom;
import rivulus.signal.Leg;
import rivulus.signal.LiveGraph;

/// A scene with faults in it: what everybody would report. Worked out when first asked for; costs a
/// tracing of what lies around the faults.
final class Broken {
    private final SceneProof scene;
    private final List<Fault> faults;
    private final Supplier<LiveGraph> state;
    private final UnaryOperator<LiveGraph> change;
    private final Set<String> hums;
    private final Set<String> crackles;
    private final Map<String, double[]> gains = new HashMap<>();
    private LiveGraph live;
    private Tracer.Listening listening;
    private Tracer.Listening uncleaned;
    private int[] differing;

    private Broken(
            SceneProof scene,
            List<Fault> faults,
            Supplier<LiveGraph> state,
            UnaryOperator<LiveGraph> change,
            Set<String> hums,
            Set<String> crackles) {
        this.scene = scene;
        this.faults = faults;
        this.state = state;
        this.change = change;
        this.hums = hums;
        this.crackles = crackles;
    }

    /// A scene in which nothing is broken.
    static Broken nothing(SceneProof scene) {
        return new Broken(
                scene,
                List.of(),
                () -> scene.tracer().live(),
                UnaryOperator.identity(),
                Set.of(),
                Set.of());
    }

    /// A fault that changes how the graph of the plan is live.
    static Broken changed(SceneProof scene, Fault fault, UnaryOperator<LiveGraph> change) {
        return new Broken(
                scene,
                List.of(fault),
                () -> change.apply(scene.tracer().live()),
                change,
                Set.of(),
                Set.of());
    }

    /// A fault with which the rig is another one.
    static Broken rebuilt(SceneProof scene, Fault fault, Supplier<LiveGraph> rig) {
        return new Broken(scene, List.of(fault), rig, null, Set.of(), Set.of());
    }

    /// A fault that lets everything through, with a noise of its own, at some ears.
    static Broken noisy(SceneProof scene, Fault fault, Set<String> hums, Set<String> crackles) {
        return new Broken(
                scene,
                List.of(fault),
                () -> scene.tracer().live(),
                UnaryOperator.identity(),
                hums,
                crackles);
    }

    /// Both at once; only of faults that change the graph of the plan, see [#isPairable()].
    Broken with(Broken other) {
        return new Broken(
                scene,
                List.of(faults.getFirst(), other.faults.getFirst()),
                () -> other.change.apply(change.apply(scene.tracer().live())),
                null,
                union(hums, other.hums),
                union(crackles, other.crackles));
    }

    private static Set<String> union(Set<String> a, Set<String> b) {
        Set<String> all = new HashSet<>(a);
        all.addAll(b);
        return all;
    }

    boolean isPairable() {
        return change != null;
    }

    /// What is broken; empty where nothing is.
    List<Fault> faults() {
        return faults;
    }

    private synchronized LiveGraph live() {
        if (live == null) live = state.get();
        return live;
    }

    /// What is heard.
    private synchronized Tracer.Listening listening() {
        if (listening == null) {
            Tracer planned = scene.tracer();
            if (live().graph() == planned.live().graph()) listening = planned.in(live());
            else listening = Tracer.of(live())::hearing;
        }
        return listening;
    }

    /// Lets go of what was worked out; it is worked out again when it is asked for.
    synchronized void rest() {
        live = null;
        listening = null;
        uncleaned = null;
        differing = null;
        synchronized (gains) {
            gains.clear();
        }
    }

    /// What whoever listens at an ear would say of a source.
    ///
    /// @param metered whether only a meter can be looked at
    Symptom heard(SceneProof.Heard planned, boolean metered) {
        String ear = planned.ear().id();
        Symptom symptom =
                Reports.of(
                        planned.hearing(), listening().hearing(ear, planned.source().id()), scene);
        if (symptom != Symptom.NOT && isEaten(planned)) symptom = Symptom.NOT;
        if (metered) return Reports.onAMeter(symptom);
        boolean comes =
                symptom != Symptom.NOT
                        && (symptom != Symptom.AS_WISHED || Reports.isHeard(planned, scene));
        if (comes && hums.contains(ear)) return Symptom.HUM;
        if (comes && crackles.contains(ear)) return Symptom.CRACKLE;
        return symptom;
    }

    /// Whether what is no voice comes only by way of something that keeps nothing else, and does
    /// not in the plan.
    private boolean isEaten(SceneProof.Heard planned) {
        if (planned.source() instanceof Person || !Reports.isHeard(planned, scene)) return false;
        LiveGraph live = live();
        LiveGraph was = scene.tracer().live();
        if (live.graph() != was.graph()) return false;
        if (live.graph().legs().stream()
                .noneMatch(
                        leg ->
                                leg.keepsOnlyVoices()
                                        && live.legGain(leg.index()) > 0
                                        && was.legGain(leg.index()) == 0)) return false;
        return uncleaned().hearing(planned.ear().id(), planned.source().id()).levelDb()
                < scene.limit(Limit.HEARD);
    }

    /// The same without what keeps only voices.
    private synchronized Tracer.Listening uncleaned() {
        if (uncleaned == null) uncleaned = scene.tracer().in(live().without(Leg::keepsOnlyVoices));
        return uncleaned;
    }

    /// What a meter, or headphones plugged in at a point, would show of a source.
    ///
    /// @param planned the scene with nothing broken
    Symptom shown(Ref point, String source, Broken planned) {
        double plannedDb = planned.level(point, source);
        double db = isTouched(source, planned) ? level(point, source) : plannedDb;
        double least = scene.limit(Limit.HEARD);
        if (db < least) return Symptom.NOT;
        if (db < plannedDb - Reports.NOTICED_DB) return Symptom.SOFT;
        return db > plannedDb + Reports.NOTICED_DB ? Symptom.LOUD : Symptom.AS_WISHED;
    }

    /// Whether a source comes to where anything differs.
    private boolean isTouched(String source, Broken planned) {
        LiveGraph was = planned.live();
        if (live().graph() != was.graph()) return true;
        if (differing == null) differing = live().differingFrom(was);
        double[] gains = planned.gains(source);
        for (int node : differing) if (gains[node] > Double.NEGATIVE_INFINITY) return true;
        return false;
    }

    /// How loud a source comes at a point, in dB against nominal.
    double level(Ref point, String source) {
        double[] all = gains(source);
        double best = Double.NEGATIVE_INFINITY;
        for (int node : live().graph().nodesOf(point)) best = Math.max(best, all[node]);
        return best;
    }

    private double[] gains(String source) {
        LiveGraph live = live();
        synchronized (gains) {
            return gains.computeIfAbsent(source, live::gainsDb);
        }
    }
}
