package rivulus.least;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import rivulus.gear.Knob;
import rivulus.gear.Picker;
import rivulus.gear.Setting;
import rivulus.show.Ref;
import rivulus.show.Scene;
import rivulus.show.Show;
import rivulus.show.Turn;
import rivulus.signal.KnobUse;
import rivulus.signal.SignalGraph;

/// The knobs of a show and the settings that they are tried at: how they stand, off, nominal, every
/// switch and choice, and what somebody offers besides.
///
/// Knobs that nothing but time or facts hang on are not turned unless a setting is offered.
public final class Dials {
    private static final Set<Knob.Role> NOT_TO_CLOSE =
            EnumSet.of(Knob.Role.PERMISSION, Knob.Role.TRACK, Knob.Role.PAN, Knob.Role.FACT);

    private final Show show;
    private final SignalGraph graph;
    private final Predicate<String> isComputer;
    private final boolean picksMayMove;
    private final Scope scope;
    private final Reluctance reluctance;
    private final Map<Integer, Set<Setting>> offered = new HashMap<>();
    private final Map<Integer, List<Setting>> settings = new HashMap<>();

    /// @param isComputer whether a device, by its id, is a computer
    /// @param picksMayMove whether picking some other device counts as letting less through
    public Dials(
            Show show,
            SignalGraph graph,
            Predicate<String> isComputer,
            boolean picksMayMove,
            Scope scope) {
        this.scope = scope;
        this.picksMayMove = picksMayMove;
        this.show = show;
        this.graph = graph;
        this.isComputer = isComputer;
        reluctance = new Reluctance(graph, isComputer, this::standing);
    }

    /// What it costs to turn a knob so: the effort of the knob, and more where nobody does it
    /// without need.
    public int cost(Stand stand) {
        int more = reluctance.against(stand).map(Reluctance.Reason::more).orElse(0);
        return knob(stand.knob()).knob().effort() + more;
    }

    /// Why somebody would rather not make some turns, a sentence each without full stop.
    public List<String> reasonsAgainst(Choice choice) {
        return choice.turned().stream()
                .map(turned -> new Stand(turned.knob(), turned.to()))
                .distinct()
                .flatMap(
                        stand ->
                                reluctance
                                        .against(stand)
                                        .map(why -> why.of(knob(stand.knob()), stand.setting()))
                                        .stream())
                .distinct()
                .toList();
    }

    /// Offers a setting besides those that suggest themselves.
    public void offer(Ref knob, Setting setting) {
        int k = graph.knobIndex(knob.device(), knob.name());
        if (k < 0 || isAsGoodAsOff(k, setting)) return;
        offered.computeIfAbsent(k, _ -> new LinkedHashSet<>()).add(setting);
        settings.remove(k);
    }

    /// Nobody sets a level so low that it is off in all but name, where it can be off.
    private boolean isAsGoodAsOff(int k, Setting setting) {
        return setting instanceof Setting.Level(double db)
                && db <= Reluctance.HARDLY_DB
                && knob(k).knob().takes(Setting.Level.OFF);
    }

    /// What has to be so only if knobs are turned as in a choice: it, or one of them otherwise.
    public OneOf unless(OneOf must, Choice choice) {
        OneOf all = must;
        for (Turned turned : choice.turned()) {
            Set<Setting> others = new LinkedHashSet<>(settings(turned.knob()));
            others.remove(turned.to());
            for (Setting other : others) all = all.or(new Stand(turned.knob(), other));
        }
        return all;
    }

    /// Everything that a knob is tried at, how it stands included.
    List<Setting> settings(int knob) {
        return settings.computeIfAbsent(knob, this::worthTrying);
    }

    private List<Setting> worthTrying(int k) {
        Knob knob = knob(k).knob();
        Set<Setting> worth = new LinkedHashSet<>();
        worth.add(standing(k));
        for (int scene = 0; scene < show.scenes().size(); scene++)
            own(scene, k).ifPresent(worth::add);
        if (!scope.mayTurn().test(knob(k).ref()) || show.isTurnedByItself(knob(k).ref()))
            return List.copyOf(worth);
        if (knob instanceof Knob.Level) {
            worth.addAll(knob.others(Setting.Level.OFF));
            worth.addAll(knob.others(new Setting.Level(0)));
            for (double db : scope.levels())
                if (knob.takes(new Setting.Level(db))) worth.add(new Setting.Level(db));
        } else if (!(knob instanceof Knob.Time) && knob.role() != Knob.Role.FACT) {
            worth.addAll(knob.others(standing(k)));
        }
        for (Setting more : offered.getOrDefault(k, Set.of()))
            if (knob.takes(more)) worth.add(more);
        return new ArrayList<>(worth);
    }

    /// Whether a knob may be set so to let less through. It always may stand as it stood.
    boolean mayClose(int k, Setting stands, Setting to) {
        Knob knob = knob(k).knob();
        return to.equals(standing(k))
                || picksMayMove && knob.role() == Knob.Role.DEVICE
                || toClose(knob, stands, isComputer).test(to);
    }

    /// Which settings of a knob are ones to let less through: nobody closes a permission for that,
    /// and a device is put out of the way by picking nothing, or another pair of it, not some other
    /// device.
    ///
    /// @param stands how it stands
    public static Predicate<Setting> toClose(
            Knob knob, Setting stands, Predicate<String> isComputer) {
        if (NOT_TO_CLOSE.contains(knob.role())) return _ -> false;
        if (knob.role() != Knob.Role.DEVICE) return to -> !to.equals(stands);
        String device = stands.word().replaceFirst("/.*", "");
        return to ->
                to.word().equals(Picker.NONE)
                        || !to.equals(stands)
                                && to.word().startsWith(device + "/")
                                && !isComputer.test(device);
    }

    KnobUse knob(int k) {
        return graph.knobs().get(k);
    }

    /// How it stands for the whole show.
    Setting standing(int k) {
        KnobUse use = knob(k);
        return show.rig()
                .device(use.ref().device())
                .map(device -> device.knobs().get(use.ref().name()))
                .orElseGet(() -> use.knob().standing());
    }

    /// How it stands in a scene that has a setting of its own for it.
    Optional<Setting> own(int scene, int k) {
        return Optional.ofNullable(show.own(show.scenes().get(scene)).get(knob(k).ref()));
    }

    Turn turn(Turned turned) {
        Ref ref = knob(turned.knob()).ref();
        if (turned.isForAll())
            return new Turn(ref, standing(turned.knob()), turned.to(), Optional.empty());
        Scene scene = show.scenes().get(turned.scene());
        Setting from = own(turned.scene(), turned.knob()).orElse(standing(turned.knob()));
        return new Turn(ref, from, turned.to(), Optional.of(scene.id()));
    }
}
