package rivulus.check;

import java.util.AbstractList;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.RandomAccess;
import java.util.function.BiPredicate;
import java.util.function.Supplier;
import rivulus.gear.Knob;
import rivulus.gear.Setting;
import rivulus.hearing.Hearing;
import rivulus.hearing.Openings;
import rivulus.hearing.Tracer;
import rivulus.hearing.Ways;
import rivulus.level.LevelMap;
import rivulus.level.Staircase;
import rivulus.show.Aim;
import rivulus.show.Brief;
import rivulus.show.Ear;
import rivulus.show.Limit;
import rivulus.show.Limits;
import rivulus.show.Playback;
import rivulus.show.Ref;
import rivulus.show.Scene;
import rivulus.show.Show;
import rivulus.show.Source;
import rivulus.show.Wish;
import rivulus.signal.LiveGraph;
import rivulus.signal.Strongest;

/// What every ear hears in one scene, against what it wishes.
public final class SceneProof {
    /// A pressed key's tracer leans on its forerunners no farther than this, so that they are let
    /// go.
    private static final int MOST_LEANING = 3;

    private final Show show;
    private final Scene scene;
    private final List<Source> sources;
    private final List<Brief.Standing> wishes;
    private final Tracer tracer;
    /// For each source what every ear makes of it.
    private final Heard[][] rows;

    private final List<Heard> all;
    private final Supplier<LevelMap> levels;
    private final Map<String, Strongest> strongest = new HashMap<>();
    private final Judge judge;
    private Supplier<List<SceneProof>> known;
    private final Map<Pressed, Tracer> otherwise = new HashMap<>();
    private final Lazy<Hanging> hanging = new Lazy<>(() -> Hanging.of(this));
    private List<Heard> asked;
    private Told told;
    private List<Coming> comings;
    private List<Coming> processed;

    /// How a source that must be heard comes to an ear, step by step.
    public record Coming(Heard cell, Staircase way) {}

    /// A knob that somebody would set otherwise.
    private record Pressed(int knob, Setting to) {}

    /// One cell of the hearing chart.
    public record Heard(Ear ear, Source source, Brief.Standing standing, Hearing hearing) {}

    /// @param levels where line-up lies in the rig
    /// @param judge what finds the findings, asked once, when they are first wanted
    /// @param kindred scenes of the same people and ears, from which cells may be taken over
    /// @param known scenes with the same people, ears and checks whose findings may be known; asked
    ///     once, when this one is judged
    SceneProof(
            Show show,
            Brief brief,
            Scene scene,
            Tracer tracer,
            Supplier<LevelMap> levels,
            Judge judge,
            List<SceneProof> kindred,
            Supplier<List<SceneProof>> known) {
        this.judge = judge;
        this.levels = levels;
        this.known = known;
        this.show = show;
        this.scene = scene;
        sources = show.sources();
        this.tracer = tracer;
        wishes = brief.wishes(scene);
        rows = new Heard[sources.size()][];
        for (int s = 0; s < rows.length; s++) rows[s] = row(s, kindred);
        all = new ByEars(rows, show.ears().size());
    }

    /// What every ear makes of a source: taken over whole where it is so in a kindred scene.
    private Heard[] row(int s, List<SceneProof> kindred) {
        Source source = sources.get(s);
        for (SceneProof other : kindred)
            if (tracer.sharesHearings(source.id(), other.tracer) && wantsTheSame(s, other))
                return other.rows[s];
        List<Hearing> everywhere = tracer.hearings(source.id());
        Heard[] row = new Heard[show.ears().size()];
        for (int e = 0; e < row.length; e++)
            row[e] = new Heard(show.ears().get(e), source, wish(s, e), everywhere.get(e));
        return row;
    }

    private Brief.Standing wish(int s, int e) {
        return wishes.get(e * rows.length + s);
    }

    private boolean wantsTheSame(int s, SceneProof other) {
        if (wishes == other.wishes) return true;
        for (int e = 0; e < show.ears().size(); e++)
            if (wish(s, e) != other.wish(s, e)) return false;
        return true;
    }

    /// All cells, ear by ear.
    private static final class ByEars extends AbstractList<Heard> implements RandomAccess {
        private final Heard[][] rows;
        private final int ears;

        ByEars(Heard[][] rows, int ears) {
            this.rows = rows;
            this.ears = ears;
        }

        @Override
        public Heard get(int cell) {
            return rows[cell % rows.length][cell / rows.length];
        }

        @Override
        public int size() {
            return ears * rows.length;
        }
    }

    /// The cells that are not in one of the known scenes just as they are here, with nothing found
    /// in them there; all, where nobody asked. A bit for each ear of each source, row by row.
    private BitSet toAsk() {
        BitSet ask = new BitSet(all.size());
        ask.set(0, all.size());
        for (SceneProof other : known.get()) {
            Optional<Told> found = other.toldIfDone();
            if (found.isEmpty()) continue;
            boolean acts = tracer.live().isProcessedLike(other.tracer.live());
            if (!acts) continue; // what a processor does need not show in the hearing
            for (int s = 0; s < rows.length; s++)
                if (rests(s) == other.rests(s)) strike(s, other, found.get().cells(), ask);
        }
        return ask;
    }

    private boolean rests(int s) {
        return !scene.quiet().isEmpty() && scene.quiet().contains(sources.get(s).id());
    }

    /// Strikes out what need not be asked, since it is so in another scene with nothing found.
    private void strike(int s, SceneProof other, BitSet found, BitSet ask) {
        int ears = show.ears().size();
        boolean shared = rows[s] == other.rows[s];
        int end = (s + 1) * ears;
        for (int c = ask.nextSetBit(s * ears); c >= 0 && c < end; c = ask.nextSetBit(c + 1))
            if (!found.get(c) && (shared || isAlike(rows[s][c % ears], other.rows[s][c % ears])))
                ask.clear(c);
    }

    /// Whether an ear hears a source just as elsewhere, and wants the same of it.
    private static boolean isAlike(Heard here, Heard there) {
        return here == there
                || here.hearing() == there.hearing()
                        && (here.standing() == there.standing()
                                || here.standing().equals(there.standing()));
    }

    /// Some cells, ear by ear.
    private List<Heard> these(BitSet which) {
        if (which.cardinality() == all.size()) return all;
        int ears = show.ears().size();
        return which.stream()
                .map(c -> c % ears * rows.length + c / ears)
                .sorted()
                .mapToObj(all::get)
                .toList();
    }

    /// The show it is about.
    public Show show() {
        return show;
    }

    /// The scene it is about.
    public Scene scene() {
        return scene;
    }

    /// Where a rule draws its line in this show.
    public double limit(Limit limit) {
        return show.checks().limits().get(limit);
    }

    /// What would let be heard what is not.
    public Openings openings() {
        return Openings.of(tracer.live().graph(), tracer.live().positions(), limit(Limit.HEARD));
    }

    /// The aims of a kind that hold in this scene: its own before those of the whole show, none
    /// about who rests in it.
    public List<Aim> aims(Aim.Kind kind) {
        List<Aim> aims = new ArrayList<>();
        for (String in : List.of(scene.id(), ""))
            for (Aim aim : show.aims())
                if (aim.kind() == kind
                        && aim.scene().equals(in)
                        && !scene.quiet().contains(aim.source())
                        && aims.stream().noneMatch(aim::isOfTheSamePair)) aims.add(aim);
        return aims;
    }

    /// How far a source is to lie under the voices at an ear.
    ///
    /// @param isLeast whether it may lie farther under them
    public record Under(String ear, String source, double db, boolean isLeast) {}

    /// What is to lie under the voices in this scene: what somebody said of a pair, and, where a
    /// limit asks for it, music and programme at every public ear.
    public List<Under> under() {
        List<Under> under = new ArrayList<>();
        for (Aim aim : aims(Aim.Kind.UNDER))
            under.add(new Under(aim.ear(), aim.source(), aim.figure(), false));
        double programme = show.checks().limits().get(Limit.PROGRAMME);
        if (programme <= 0) return under;
        for (Ear ear : show.ears())
            for (Playback plays : show.cast().playback())
                if (ear.isPublic()
                        && plays.isProgramme()
                        && !scene.quiet().contains(plays.id())
                        && under.stream()
                                .noneMatch(
                                        said ->
                                                said.ear().equals(ear.id())
                                                        && said.source().equals(plays.id())))
                    under.add(new Under(ear.id(), plays.id(), programme, true));
        return under;
    }

    /// The traced graph.
    public Tracer tracer() {
        return tracer;
    }

    /// What would be heard with one knob standing otherwise, as when somebody presses a key; kept
    /// where it is a mute key of the show, which many ask for.
    ///
    /// @throws IllegalArgumentException if there is no such knob
    public synchronized Tracer with(Ref knob, Setting to) {
        LiveGraph live = tracer.live();
        int k = live.graph().knobIndex(knob.device(), knob.name());
        if (k < 0) throw new IllegalArgumentException("there is no knob " + knob);
        if (live.positions().get(k).equals(to)) return tracer;
        Pressed pressed = new Pressed(k, to);
        Tracer traced = otherwise.get(pressed);
        if (traced != null) return traced;
        List<Tracer> kindred = new ArrayList<>();
        for (SceneProof other : known.get())
            other.ifTraced(pressed)
                    .filter(one -> one.leaning() < MOST_LEANING)
                    .ifPresent(kindred::add);
        if (kindred.isEmpty()) kindred.add(tracer);
        LiveGraph near = kindred.getFirst().live();
        traced = Tracer.after(near.at(live.positions().with(k, to)), kindred);
        boolean key = show.mutes().stream().anyMatch(m -> m.knob().equals(knob));
        if (key) otherwise.put(pressed, traced);
        return traced;
    }

    private synchronized Optional<Tracer> ifTraced(Pressed pressed) {
        return Optional.ofNullable(otherwise.get(pressed));
    }

    /// Every ear with every source, in the order of the show.
    public List<Heard> all() {
        return all;
    }

    /// The cells to be judged for what is heard and wished in them alone: every one, but for those
    /// that are just as they were before an edit, or are in the first scene, where nothing was
    /// wrong with them.
    public synchronized List<Heard> asked() {
        if (asked == null) asked = these(toAsk());
        return asked;
    }

    /// How what must be heard and is comes to its ears, where it may clip or hiss on its way, for
    /// the cells to be judged; costs a pass through what is open for each source.
    public synchronized List<Coming> comings() {
        if (comings == null) comings = List.copyOf(workOutComings());
        return comings;
    }

    private List<Coming> workOutComings() {
        LiveGraph live = tracer.live();
        Limits limits = show.checks().limits();
        return coming(asked(), (source, best) -> !levels.get().isClear(source, best, live, limits));
    }

    /// How all that must be heard, and is, comes to its ears through processors that are on; costs
    /// nothing where none is.
    public synchronized List<Coming> processed() {
        if (processed == null)
            processed =
                    tracer.live().isProcessed()
                            ? coming(all(), (_, _) -> true).stream()
                                    .filter(comes -> !comes.way().works().isEmpty())
                                    .toList()
                            : List.of();
        return processed;
    }

    /// The same by their cells.
    public Map<Heard, Staircase> processedWays() {
        Map<Heard, Staircase> ways = new HashMap<>();
        for (Coming comes : processed()) ways.put(comes.cell(), comes.way());
        return ways;
    }

    /// How the source of a cell comes to its ear, step by step; empty where it does not.
    public Optional<Staircase> way(Heard cell) {
        return Staircase.of(
                tracer.live(),
                levels.get(),
                show.checks().limits(),
                cell.source().id(),
                cell.ear().id());
    }

    /// The strongest ways of a source; shared while the scene is judged, and not held behind that.
    public synchronized Strongest strongest(String source) {
        return told == null
                ? strongest.computeIfAbsent(source, id -> Strongest.of(tracer.live(), id))
                : Strongest.of(tracer.live(), source);
    }

    /// How those of some cells that must be heard, and are, come to their ears.
    ///
    /// @param which whether the way of a source to a node is asked for
    private List<Coming> coming(List<Heard> cells, BiPredicate<Strongest, Integer> which) {
        List<Coming> found = new ArrayList<>();
        LiveGraph live = tracer.live();
        Map<String, Strongest> sources = new HashMap<>();
        double heard = limit(Limit.HEARD);
        Ways ways = Ways.of(live);
        for (Heard cell : cells) {
            boolean wanted = cell.standing().wish() == Wish.MUST;
            if (!wanted || cell.hearing().levelDb() < heard) continue;
            Strongest source = sources.computeIfAbsent(cell.source().id(), this::strongest);
            int best = source.loudest(live.graph().ear(cell.ear().id()).nodes());
            if (best < 0 || !which.test(source, best)) continue;
            ways.of(source, best)
                    .map(way -> Staircase.along(way, live, levels.get(), show.checks().limits()))
                    .ifPresent(way -> found.add(new Coming(cell, way)));
        }
        return found;
    }

    /// What an ear hears loudest.
    public Optional<Heard> loudest(Ear ear) {
        int e = tracer.live().graph().earIndex(ear.id());
        Heard loudest = null;
        for (Heard[] row : rows)
            if (loudest == null || row[e].hearing().levelDb() > loudest.hearing().levelDb())
                loudest = row[e];
        return Optional.ofNullable(loudest);
    }

    /// Who no longer hears whom they must in another state of this scene's graph. Costs a tracing
    /// of whom somebody hears by what is weaker in it.
    public Losses losses(LiveGraph then) {
        return hanging.get().at(then);
    }

    /// What one ear hears of every source.
    public List<Heard> of(String ear) {
        int e = tracer.live().graph().earIndex(ear);
        return e < 0 ? List.of() : all.subList(e * rows.length, (e + 1) * rows.length);
    }

    /// What one ear hears of one source.
    ///
    /// @throws IllegalArgumentException if the show has no such ear or source
    public Heard of(String ear, String source) {
        int e = tracer.live().graph().earIndex(ear);
        int s = tracer.live().graph().sourceIndex(source);
        if (e < 0 || s < 0)
            throw new IllegalArgumentException(
                    "no ear \"%s\" or source \"%s\"".formatted(ear, source));
        return rows[s][e];
    }

    /// What is wrong in this scene, worst first.
    public List<Finding> findings() {
        return told().findings();
    }

    /// What is wrong for one ear, worst first.
    public List<Finding> findingsOf(String ear) {
        return told().byEar().getOrDefault(ear, List.of());
    }

    private synchronized Told told() {
        if (told == null) {
            List<Finding> all = judge.of(this);
            told = Told.of(show.checks().told(all, Finding::id), cellsOf(all));
            known = List::of; // from now on they are not held
            strongest.clear();
        }
        return told;
    }

    private synchronized Optional<Told> toldIfDone() {
        return Optional.ofNullable(told);
    }

    /// Where something was found, or had to be looked at closely: of what is amiss for several ears
    /// only the first may have been told.
    private BitSet cellsOf(List<Finding> findings) {
        BitSet of = new BitSet(all.size());
        for (Coming comes : comings())
            of.set(place(comes.cell().ear().id(), comes.cell().source().id()));
        for (Finding finding : findings) {
            int place = place(finding.key().ear(), finding.key().source());
            if (place >= 0) of.set(place);
        }
        return of;
    }

    /// Of a cell among all, row by row; −1 where there is none.
    private int place(String ear, String source) {
        int e = tracer.live().graph().earIndex(ear);
        int s = tracer.live().graph().sourceIndex(source);
        return e < 0 || s < 0 || e >= show.ears().size() ? -1 : s * show.ears().size() + e;
    }

    /// The findings, and where they are found again at once.
    ///
    /// @param cells in which something was found, silenced or not, or nearly
    private record Told(
            List<Finding> findings,
            BitSet cells,
            Map<String, List<Finding>> byEar,
            Map<String, Map<String, Finding>> worst) {
        static Told of(List<Finding> findings, BitSet cells) {
            Map<String, List<Finding>> byEar = new HashMap<>();
            Map<String, Map<String, Finding>> worst = new HashMap<>();
            for (Finding finding : findings) {
                String ear = finding.key().ear();
                byEar.computeIfAbsent(ear, _ -> new ArrayList<>()).add(finding);
                worst.computeIfAbsent(ear, _ -> new HashMap<>())
                        .merge(finding.key().source(), finding, Told::worse);
            }
            return new Told(List.copyOf(findings), cells, byEar, worst);
        }

        private static Finding worse(Finding one, Finding other) {
            return depth(other) > depth(one) ? other : one;
        }

        private static int depth(Finding finding) {
            return finding.verdict().map(Enum::ordinal).orElse(-1);
        }
    }

    /// What is to be said of one ear and one source.
    public Verdict verdict(String ear, String source) {
        Verdict plain = plain(of(ear, source));
        return worst(ear, source)
                .flatMap(Finding::verdict)
                .filter(verdict -> verdict.compareTo(plain) > 0)
                .orElse(plain);
    }

    /// The finding that says most of one ear and one source.
    public Optional<Finding> worst(String ear, String source) {
        return Optional.ofNullable(told().worst().getOrDefault(ear, Map.of()).get(source));
    }

    /// The closed mute or fader that a source stands behind, with its setting in words; empty where
    /// there is none.
    public String gate(String source) {
        return ClosedGate.nearest(tracer.live(), source)
                .map(
                        use ->
                                "%s is %s"
                                        .formatted(
                                                use.knob().label(),
                                                use.knob() instanceof Knob.Level ? "down" : "on"))
                .orElse("");
    }

    private Verdict plain(Heard cell) {
        return switch (cell.standing().wish()) {
            case MUST -> Verdict.AS_WISHED;
            case MAY -> cell.hearing().isHeard() ? Verdict.ALLOWED : Verdict.SILENT;
            case MUST_NOT ->
                    !cell.hearing().isHeard()
                            ? Verdict.KEPT_OUT
                            : cell.hearing().levelDb() <= limit(Limit.LEAK)
                                    ? Verdict.FAR_DOWN
                                    : Verdict.LET_PASS;
        };
    }
}
