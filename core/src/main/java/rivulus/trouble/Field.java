package rivulus.trouble;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.BooleanSupplier;
import java.util.stream.Collectors;
import rivulus.check.Proof;
import rivulus.check.Prover;
import rivulus.check.SceneProof;
import rivulus.gear.GearKind;
import rivulus.gear.Port;
import rivulus.gear.Signal;
import rivulus.gear.Template;
import rivulus.leads.Survey;
import rivulus.setup.Hands;
import rivulus.show.Device;
import rivulus.show.Ear;
import rivulus.show.Limit;
import rivulus.show.Person;
import rivulus.show.Ref;
import rivulus.show.Source;
import rivulus.show.Symptom;

/// All that may be broken in a scene and would be noticed, and all that can be asked: worked out
/// once, and shared by every state of a search. What would be said is kept, and nothing of how it
/// was worked out.
final class Field {
    // in minutes ~
    private static final double ASK_HERE = 0.3;
    private static final double ASK_AFAR = 0.5;
    private static final double METER = 0.25;
    private static final double HEADPHONES = 1;

    /// What a fault costs grows with the square of the graph, where everything leads everywhere;
    /// with more than this in all, only the likeliest are looked at.
    private static final long MOST_STRETCHES = 1_200_000_000_000L;

    private static final int LEAST_FAULTS = 60;

    private final List<Broken> broken = new ArrayList<>();
    private final List<Question.Ask> asks;
    private final List<SceneProof.Heard> cells;
    private final List<Question.Probe> probes;
    private final Broken nothing;
    private final List<Said> said = new ArrayList<>();
    private final Map<List<Integer>, Broken> pairs = new HashMap<>();
    private final Map<String, Integer> askIndex = new HashMap<>();
    private final int leftOut;

    /// What something broken would bring as answers.
    ///
    /// @param heard to each ask
    /// @param shown at each probe
    private record Said(Symptom[] heard, Symptom[] shown) {
        private static final Said NOTHING = new Said(new Symptom[0], new Symptom[0]);

        boolean isNoticed() {
            for (Symptom symptom : heard) if (symptom != Symptom.AS_WISHED) return true;
            return false;
        }
    }

    private Field(
            SceneProof scene,
            List<Question.Ask> asks,
            List<SceneProof.Heard> cells,
            List<Question.Probe> probes,
            List<Broken> faults,
            int leftOut,
            BooleanSupplier cancelled) {
        this.asks = asks;
        this.cells = cells;
        this.probes = probes;
        this.leftOut = leftOut;
        for (int a = 0; a < asks.size(); a++) askIndex.put(asks.get(a).id(), a);
        nothing = Broken.nothing(scene);
        List<Said> all = answers(faults, cancelled);
        for (int b = 0; b < faults.size(); b++) {
            if (!all.get(b).isNoticed()) continue;
            broken.add(faults.get(b));
            said.add(all.get(b));
        }
    }

    private Field(Field singles, List<Broken> pairs) {
        asks = singles.asks;
        cells = singles.cells;
        probes = singles.probes;
        nothing = singles.nothing;
        leftOut = singles.leftOut;
        askIndex.putAll(singles.askIndex);
        broken.addAll(singles.broken);
        broken.addAll(pairs);
        said.addAll(singles.said);
        said.addAll(answers(pairs, () -> false));
    }

    private List<Said> answers(List<Broken> some, BooleanSupplier cancelled) {
        return some.parallelStream()
                .map(one -> cancelled.getAsBoolean() ? Said.NOTHING : answers(one))
                .toList();
    }

    private Said answers(Broken one) {
        Symptom[] heard = new Symptom[cells.size()];
        for (int c = 0; c < heard.length; c++)
            heard[c] = one.heard(cells.get(c), asks.get(c).metered());
        Said said = new Said(heard, new Symptom[probes.size()]);
        if (said.isNoticed())
            for (int p = 0; p < said.shown.length; p++) {
                Question.Probe at = probes.get(p);
                said.shown[p] = one.shown(at.point(), at.source().id(), nothing);
            }
        one.rest();
        return said;
    }

    /// Everything in a scene. Costs a tracing around every knob, lead and machine; a rig of its own
    /// for every lead in a wrong hole.
    ///
    /// @param cancelled given up when it says so; then little is in it
    static Field of(Prover prover, Proof proof, SceneProof scene, BooleanSupplier cancelled) {
        List<Question.Ask> asks = new ArrayList<>();
        List<SceneProof.Heard> cells = new ArrayList<>();
        for (SceneProof.Heard cell : scene.all()) {
            if (cell.ear().isNowhere() || scene.scene().quiet().contains(cell.source().id()))
                continue;
            cells.add(cell);
            asks.add(ask(scene, cell));
        }
        List<Broken> faults = Faults.of(prover, proof, scene);
        List<Broken> likeliest = likeliest(faults, scene.tracer().live().graph().legs().size());
        return new Field(
                scene,
                asks,
                cells,
                probes(proof, scene),
                likeliest,
                faults.size() - likeliest.size(),
                cancelled);
    }

    /// As many as can be looked at, in their order; of what is as likely, what comes first. Where
    /// it is not all, nothing for which a rig has to be built.
    ///
    /// @param legs how large the graph is
    static List<Broken> likeliest(List<Broken> faults, int legs) {
        long most = Math.max(LEAST_FAULTS, MOST_STRETCHES / Math.max(1, (long) legs * legs));
        if (faults.size() <= most) return faults;
        Set<Broken> kept =
                faults.stream()
                        .filter(Broken::isPairable)
                        .sorted(
                                Comparator.comparingDouble(
                                        one -> -one.faults().getFirst().weight()))
                        .limit(most)
                        .collect(Collectors.toCollection(LinkedHashSet::new));
        return faults.stream().filter(kept::contains).toList();
    }

    /// How many faults are not looked at, since there are too many.
    int leftOut() {
        return leftOut;
    }

    /// The same with two at once besides.
    ///
    /// @param two places of what is broken
    Field withPairs(Collection<List<Integer>> two) {
        List<Broken> both = new ArrayList<>();
        synchronized (pairs) {
            for (List<Integer> pair : two) both.add(pairs.computeIfAbsent(pair, this::both));
        }
        return new Field(this, both);
    }

    private Broken both(List<Integer> pair) {
        return broken.get(pair.getFirst()).with(broken.get(pair.getLast()));
    }

    /// What is asked about a source at an ear.
    static Question.Ask ask(SceneProof scene, SceneProof.Heard cell) {
        Ear ear = cell.ear();
        boolean metered =
                switch (ear.kind()) {
                    case PERSON, HOUSE, ASSISTIVE -> false;
                    case STREAM, SECOND_LANGUAGE, ON_DEMAND, TRACK, CAMERA -> true;
                };
        boolean afar = scene.show().cast().person(ear.of()).filter(Person::isCaller).isPresent();
        return new Question.Ask(
                ear,
                cell.source(),
                Reports.isHeard(cell, scene),
                metered,
                metered ? METER : afar ? ASK_AFAR : ASK_HERE);
    }

    /// Where somebody can look in: inputs of desks have a meter, what gives sound by a socket takes
    /// headphones.
    private static List<Question.Probe> probes(Proof proof, SceneProof scene) {
        Survey survey = proof.survey();
        Broken nothing = Broken.nothing(scene);
        List<Question.Probe> probes = new ArrayList<>();
        for (Device device : survey.devices()) {
            if (!Hands.of(scene.show(), survey, device).isEmpty()) continue;
            Template kind = survey.template(device);
            boolean meters = kind.kind() == GearKind.DESK || kind.kind() == GearKind.RECORDER;
            for (Port port : kind.ports()) {
                String at = "%s on %s".formatted(port.label(), device.name());
                Ref in = new Ref(device.id(), port.inPoint());
                Ref out = new Ref(device.id(), port.outPoint());
                if (meters && port.takes() > 0) probes(scene, nothing, in, at, false, probes);
                if (port.gives() > 0
                        && (port.carries() == Signal.HEADPHONES || port.carries() == Signal.LINE))
                    probes(scene, nothing, out, at, true, probes);
            }
        }
        return probes;
    }

    private static void probes(
            SceneProof scene,
            Broken nothing,
            Ref point,
            String at,
            boolean ears,
            List<Question.Probe> probes) {
        if (scene.tracer().live().graph().nodesOf(point).length == 0) return;
        for (Source source : scene.show().sources()) {
            if (scene.scene().quiet().contains(source.id())) continue;
            if (nothing.level(point, source.id()) >= scene.limit(Limit.HEARD))
                probes.add(new Question.Probe(point, at, source, ears, ears ? HEADPHONES : METER));
        }
    }

    /// What may be broken and would be noticed.
    List<Broken> broken() {
        return broken;
    }

    List<Question.Ask> asks() {
        return asks;
    }

    List<Question.Probe> probes() {
        return probes;
    }

    /// What would be said to a question, if something were broken.
    Symptom said(int broken, int ask) {
        return said.get(broken).heard[ask];
    }

    /// What a probe would show, if something were broken.
    Symptom shown(int broken, int probe) {
        return said.get(broken).shown[probe];
    }

    /// Where each may be seen, by the spots' ids, the spots in the order of the faults.
    Map<String, List<Integer>> spots() {
        Map<String, List<Integer>> spots = new LinkedHashMap<>();
        for (int b = 0; b < broken.size(); b++)
            for (Fault fault : broken.get(b).faults())
                spots.computeIfAbsent(fault.spot().id(), _ -> new ArrayList<>()).add(b);
        return spots;
    }

    /// The place of a question among those that can be asked; -1 where it cannot.
    int indexOf(Question.Ask ask) {
        return askIndex.getOrDefault(ask.id(), -1);
    }
}
