package rivulus.least;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.IntPredicate;
import org.sat4j.core.VecInt;
import org.sat4j.pb.IPBSolver;
import org.sat4j.pb.SolverFactory;
import org.sat4j.specs.ContradictionException;
import org.sat4j.specs.IConstr;
import org.sat4j.specs.ISolverService;
import org.sat4j.specs.IVecInt;
import org.sat4j.specs.SearchListenerAdapter;
import org.sat4j.specs.TimeoutException;
import rivulus.gear.Setting;
import rivulus.search.Budget;
import rivulus.show.Ref;
import rivulus.signal.SignalGraph;

/// The cheapest turns of knobs that do everything that must be, by a pseudo-Boolean solver.
///
/// A variable says that a knob stands at a setting: for the whole show, in a scene with a setting
/// of its own, or in a scene that gets one. Of each knob and place one setting holds at most, of
/// those that something asks for; where none does it stands as it stood, which is free. The solver
/// is asked whether there is a choice for so much and no more, from the least that it could cost
/// upwards: what must be only grows, and so does what it costs.
///
/// Only knobs that something asks for are turned, so that the problem is as small as what is known.
public final class Cheapest {
    /// A turn and a scene.
    public static final int LEAST_IN_SCENES = 2;

    /// What a question costs besides its conflicts.
    private static final long CONFLICTS_TO_ASK = 4;

    /// A conflict among more variables takes longer: one step more for so many.
    private static final int VARIABLES_A_STEP = 500;

    private final Dials dials;
    private final Set<Must> musts = new LinkedHashSet<>();
    private final List<List<Turned>> nevers = new ArrayList<>();
    /// Nothing cheaper does what is known to be a must.
    private int least;

    private boolean inScenesToo;
    private Model model = new Model();

    public Cheapest(Dials dials) {
        this.dials = dials;
    }

    /// From now on a scene may get settings of its own, too.
    public void inScenesToo() {
        if (inScenesToo) return;
        inScenesToo = true;
        least = LEAST_IN_SCENES;
        model = new Model();
        musts.forEach(model::tell);
        nevers.forEach(model::forbid);
    }

    /// What has to be so from now on.
    public void must(Must must) {
        if (musts.add(must)) model.tell(must);
    }

    /// No choice that does all of this from now on.
    public void never(Choice choice) {
        nevers.add(choice.turned());
        model.forbid(choice.turned());
    }

    /// The cheapest choice that is left; empty where there is none.
    ///
    /// @throws TimeoutException if the budget is spent before that is known
    public Optional<Choice> next(Budget budget) throws TimeoutException {
        for (boolean possible = false; ; least++) {
            Optional<Choice> choice = model.within(least, budget);
            if (choice.isPresent()) return choice;
            if (!possible && !model.isPossible(budget)) return Optional.empty();
            possible = true;
        }
    }

    /// Some settings as a choice, whether or not they do what must be.
    public Choice choice(SignalGraph graph, Map<Ref, Setting> settings) {
        List<Turned> turned = new ArrayList<>();
        settings.forEach(
                (knob, to) -> {
                    int k = graph.knobIndex(knob.device(), knob.name());
                    if (k >= 0 && !to.equals(dials.standing(k)))
                        turned.add(new Turned(Turned.FOR_ALL, k, to));
                });
        turned.sort(Comparator.comparingInt(Turned::knob));
        return choice(turned);
    }

    private Choice choice(List<Turned> turned) {
        return new Choice(turned.stream().map(dials::turn).toList(), cost(turned), turned);
    }

    /// A smallest part of what must be that cannot be had together, told by what it is about;
    /// empty where all can. Every one of it is needed: any of them given up, the others can be had.
    ///
    /// @throws TimeoutException if the budget is spent before that is known
    public List<String> clash(Budget budget) throws TimeoutException {
        List<String> about =
                new ArrayList<>(new LinkedHashSet<>(musts.stream().map(Must::about).toList()));
        if (isPossible(about, budget)) return List.of();
        for (String one : List.copyOf(about)) {
            List<String> without = new ArrayList<>(about);
            without.remove(one);
            if (!isPossible(without, budget)) about = without;
        }
        return about;
    }

    private boolean isPossible(List<String> about, Budget budget) throws TimeoutException {
        Model some = new Model();
        for (Must must : musts) if (about.contains(must.about())) some.tell(must);
        return some.isPossible(budget);
    }

    /// A knob in a scene, or for the whole show.
    private record Place(int scene, int knob) {}

    /// The problem as the solver is told it.
    private final class Model {
        // in the order in which they were told, so that the solver is told the same every time
        private final Map<Turned, Integer> stands = new LinkedHashMap<>();
        private final Map<Turned, Integer> followed = new HashMap<>();
        private final Map<Stand, Integer> costs = new LinkedHashMap<>();
        private final Map<Integer, Integer> sceneCosts = new LinkedHashMap<>();
        private final Set<List<Integer>> clauses = new HashSet<>();
        private final Map<Place, List<Integer>> oneAtMost = new HashMap<>();
        private final IPBSolver solver = SolverFactory.newLight();
        private final Counter spent =
                new Counter(this::variable, literals -> clause(List.copyOf(literals)));
        private final Map<Place, Integer> overridden = new HashMap<>();
        private boolean hopeless;
        private int variables;

        void forbid(List<Turned> all) {
            clause(all.stream().map(turned -> -stands(turned)).toList());
        }

        private int variable() {
            return ++variables;
        }

        private void clause(List<Integer> literals) {
            if (hopeless || !clauses.add(literals)) return;
            try {
                solver.addClause(new VecInt(literals.stream().mapToInt(l -> l).toArray()));
            } catch (ContradictionException no) {
                hopeless = true;
            }
        }

        void tell(Must must) {
            switch (must) {
                case OneOf one -> tell(one);
                case Passage passage -> tell(passage);
            }
        }

        private void tell(OneOf one) {
            List<Integer> any = new ArrayList<>();
            for (OneOf.Alternative alternative : one.alternatives()) {
                List<List<Stand>> groups = alternative.groups();
                if (groups.size() == 1) any.addAll(standing(one.scene(), groups.getFirst()));
                else any.add(all(one.scene(), alternative));
            }
            if (any.isEmpty()) hopeless = true;
            else clause(any);
        }

        /// It comes to a node by one of the legs that enter it, from where it comes to as well.
        private void tell(Passage passage) {
            int scene = passage.scene();
            Map<Integer, List<Passage.Step>> entering = new LinkedHashMap<>();
            for (Passage.Step step : passage.steps())
                entering.computeIfAbsent(step.to(), _ -> new ArrayList<>()).add(step);
            if (passage.to().stream().anyMatch(passage.from()::contains)) return;
            Map<Integer, Integer> comes = new LinkedHashMap<>();
            entering.keySet().forEach(node -> comes.put(node, variable()));
            passage.from().forEach(comes::remove);
            List<Integer> ends =
                    passage.to().stream().filter(comes::containsKey).map(comes::get).toList();
            if (ends.isEmpty()) {
                hopeless = true;
                return;
            }
            clause(ends);
            comes.forEach(
                    (node, here) -> {
                        List<Integer> by = new ArrayList<>();
                        by.add(-here);
                        for (Passage.Step step : entering.get(node)) {
                            boolean first = passage.from().contains(step.from());
                            if (!first && !comes.containsKey(step.from())) continue;
                            by.add(all(scene, step.open()));
                            if (!first) clause(List.of(-by.getLast(), comes.get(step.from())));
                        }
                        clause(by);
                    });
        }

        /// A variable by which every group has one that stands.
        private int all(int scene, OneOf.Alternative alternative) {
            int all = variable();
            for (List<Stand> group : alternative.groups()) {
                List<Integer> clause = new ArrayList<>(standing(scene, group));
                clause.add(-all);
                clause(clause);
            }
            return all;
        }

        /// By whichever of these literals one of the knobs stands so in the scene.
        private List<Integer> standing(int scene, List<Stand> group) {
            List<Integer> literals = new ArrayList<>();
            for (Stand stand : group) {
                Turned here = new Turned(scene, stand.knob(), stand.setting());
                boolean follows = dials.own(scene, stand.knob()).isEmpty();
                if (!follows || inScenesToo) literals.add(stands(here));
                if (follows) literals.add(followed(here));
            }
            return literals;
        }

        /// A variable by which the scene has no setting of its own and the show stands so.
        private int followed(Turned here) {
            Turned forAll = new Turned(Turned.FOR_ALL, here.knob(), here.to());
            if (!inScenesToo) return stands(forAll);
            Integer known = followed.get(here);
            if (known != null) return known;
            int follows = variable();
            followed.put(here, follows);
            clause(List.of(-follows, stands(forAll)));
            clause(List.of(-follows, -overridden(here.scene(), here.knob())));
            return follows;
        }

        /// A variable that holds where a scene gets a setting of its own.
        private int overridden(int scene, int knob) {
            return overridden.computeIfAbsent(new Place(scene, knob), _ -> variable());
        }

        /// A variable by which a knob stands so in a place. Of those of one place one holds at
        /// most; where none does it stands as it stood.
        private int stands(Turned turned) {
            Integer known = stands.get(turned);
            if (known != null) return known;
            int stands = variable();
            this.stands.put(turned, stands);
            Place place = new Place(turned.scene(), turned.knob());
            List<Integer> others = oneAtMost.computeIfAbsent(place, _ -> new ArrayList<>());
            for (int other : others) clause(List.of(-stands, -other));
            others.add(stands);
            if (isTurned(turned)) {
                clause(List.of(-stands, cost(new Stand(turned.knob(), turned.to()))));
                if (follows(turned)) {
                    clause(List.of(-stands, sceneCost(turned.scene())));
                    clause(List.of(-stands, overridden(turned.scene(), turned.knob())));
                }
            }
            return stands;
        }

        private boolean follows(Turned turned) {
            return !turned.isForAll() && dials.own(turned.scene(), turned.knob()).isEmpty();
        }

        private int counted(int cost) {
            int variable = variable();
            spent.add(variable, cost);
            return variable;
        }

        private int cost(Stand stand) {
            return costs.computeIfAbsent(stand, _ -> counted(dials.cost(stand)));
        }

        private int sceneCost(int scene) {
            return sceneCosts.computeIfAbsent(scene, _ -> counted(1));
        }

        boolean isPossible(Budget budget) throws TimeoutException {
            return !hopeless && (variables == 0 || isSatisfiable(VecInt.EMPTY, budget));
        }

        /// A choice that costs no more than so much, if there is one.
        Optional<Choice> within(int most, Budget budget) throws TimeoutException {
            if (hopeless) return Optional.empty();
            if (variables == 0) return Optional.of(new Choice(List.of(), 0, List.of()));
            OptionalInt more = spent.atLeast(most + 1);
            VecInt within = new VecInt();
            more.ifPresent(literal -> within.push(-literal));
            return !hopeless && isSatisfiable(within, budget)
                    ? Optional.of(choice(solver::model))
                    : Optional.empty();
        }

        private boolean isSatisfiable(IVecInt assumed, Budget budget) throws TimeoutException {
            if (budget.isOver()) throw new TimeoutException();
            long each = 1 + variables / VARIABLES_A_STEP;
            Conflicts conflicts = new Conflicts(budget);
            solver.setSearchListener(conflicts);
            long most = Math.clamp(budget.left() / each, 1, Integer.MAX_VALUE);
            solver.setTimeoutOnConflicts((int) most);
            try {
                return solver.isSatisfiable(assumed);
            } finally {
                budget.spend((conflicts.met + CONFLICTS_TO_ASK) * each);
            }
        }

        private Choice choice(IntPredicate isTrue) {
            List<Turned> turned =
                    stands.entrySet().stream()
                            .filter(entry -> isTrue.test(entry.getValue()))
                            .map(Map.Entry::getKey)
                            .filter(this::isTurned)
                            .sorted(
                                    Comparator.comparingInt(Turned::scene)
                                            .thenComparingInt(Turned::knob))
                            .toList();
            return Cheapest.this.choice(turned);
        }

        private boolean isTurned(Turned turned) {
            if (turned.isForAll()) return !turned.to().equals(dials.standing(turned.knob()));
            return dials.own(turned.scene(), turned.knob())
                    .map(own -> !own.equals(turned.to()))
                    .orElse(true);
        }
    }

    /// Counts the solver's conflicts, and breaks off when somebody stops the search.
    private static final class Conflicts extends SearchListenerAdapter<ISolverService> {
        private static final long serialVersionUID = 1;
        private final transient Budget budget;
        private transient ISolverService solver;
        private long met;

        Conflicts(Budget budget) {
            this.budget = budget;
        }

        @Override
        public void init(ISolverService service) {
            solver = service;
        }

        @Override
        public void conflictFound(IConstr conflict, int level, int trail) {
            met++;
            if (budget.isStopped()) solver.stop();
        }
    }

    private int cost(List<Turned> turned) {
        int efforts =
                turned.stream()
                        .map(t -> new Stand(t.knob(), t.to()))
                        .distinct()
                        .mapToInt(dials::cost)
                        .sum();
        long scenes =
                turned.stream()
                        .filter(t -> !t.isForAll() && dials.own(t.scene(), t.knob()).isEmpty())
                        .mapToInt(Turned::scene)
                        .distinct()
                        .count();
        return efforts + (int) scenes;
    }
}
