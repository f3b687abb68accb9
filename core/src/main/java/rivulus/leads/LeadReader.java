package rivulus.leads;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import rivulus.gear.Catalogue;
import rivulus.gear.Electric;
import rivulus.gear.GearKind;
import rivulus.gear.Knob;
import rivulus.gear.LeadKind;
import rivulus.gear.Leads;
import rivulus.gear.Port;
import rivulus.gear.Route;
import rivulus.gear.Setting;
import rivulus.gear.Signal;
import rivulus.gear.Template;
import rivulus.show.Cable;
import rivulus.show.Device;
import rivulus.show.Limit;
import rivulus.show.Ref;
import rivulus.show.Scene;
import rivulus.show.Show;
import rivulus.words.Severity;
import rivulus.words.Words;

/// Reads what becomes of a signal in the leads of a show.
///
/// Levels: REFERENCE, "Levels". A passive box (adapter, isolator, lead) passes on the level that
/// comes in, changed by as much as the levels of its two ports differ; any other device gives what
/// its port says.
public final class LeadReader {
    private static final Set<GearKind> PASSIVE =
            EnumSet.of(GearKind.ADAPTER, GearKind.ISOLATOR, GearKind.CABLE);

    private final Show show;
    private final Catalogue catalogue;
    private final Leads leads;
    private final Map<Ref, List<Cable>> cables;
    private final List<Device> moreDevices;
    private final List<Cable> moreCables;

    /// A reader of a show whose templates are in the catalogue.
    public LeadReader(Show show, Catalogue catalogue, Leads leads) {
        this(show, show.kinds(catalogue), leads, new HashMap<>(), List.of(), List.of());
        for (Cable cable : show.rig().cables())
            for (Ref end : List.of(cable.from(), cable.to()))
                cables.computeIfAbsent(end, _ -> new ArrayList<>()).add(cable);
    }

    private LeadReader(
            Show show,
            Catalogue catalogue,
            Leads leads,
            Map<Ref, List<Cable>> cables,
            List<Device> moreDevices,
            List<Cable> moreCables) {
        this.show = show;
        this.catalogue = catalogue;
        this.leads = leads;
        this.cables = cables;
        this.moreDevices = moreDevices;
        this.moreCables = moreCables;
    }

    /// A reader of the same show with a few boxes and leads more, at no cost.
    LeadReader and(List<Device> devices, List<Cable> more) {
        return new LeadReader(show, catalogue, leads, cables, devices, more);
    }

    /// The show whose leads are read.
    Show show() {
        return show;
    }

    /// The kinds of lead there are.
    Leads leads() {
        return leads;
    }

    /// Every lead of the rig, in its order.
    public List<LeadReport> all() {
        return show.rig().cables().stream().map(this::read).toList();
    }

    /// One lead.
    public LeadReport read(Cable cable) {
        End a = end(cable.from());
        End b = end(cable.to());
        Optional<LeadKind> kind = leads.between(a.port(), b.port());
        List<LeadReport.Passage> passages = new ArrayList<>();
        List<Fault> faults = new ArrayList<>();
        fits(a, b, kind, faults);
        if (faults.isEmpty()) {
            pass(a, b, kind.orElseThrow(), passages, faults);
            pass(b, a, kind.orElseThrow(), passages, faults);
        }
        LeadSafety safety = new LeadSafety(this);
        LeadSafety.wiring(a, b, faults);
        safety.phantom(cable, a, b, kind, faults);
        safety.phantom(cable, b, a, kind, faults);
        LeadSafety.tooLong(cable, kind, faults);
        faults.sort(Comparator.comparing(Fault::severity));
        boolean joins =
                kind.map(LeadKind::conducts).orElse(true)
                        && !a.port().electric().floating()
                        && !b.port().electric().floating();
        return new LeadReport(
                cable,
                a,
                b,
                meets(a, b),
                kind,
                passages,
                faults,
                joins,
                hasGround(a) && hasGround(b));
    }

    private boolean hasGround(End end) {
        return switch (template(end.device()).power().when(end.device().power())) {
            case MAINS, USB, BATTERY -> true;
            case PHANTOM, JACK, NONE -> false;
        };
    }

    private String meets(End a, End b) {
        return leads.connector(a.port()).words(a.port())
                + " → "
                + leads.connector(b.port()).words(b.port());
    }

    /// The device and port of a reference, which the reader of the show has made sure of.
    End end(Ref ref) {
        Device device =
                moreDevices.stream()
                        .filter(more -> more.id().equals(ref.device()))
                        .findFirst()
                        .orElseGet(() -> show.rig().device(ref.device()).orElseThrow());
        return new End(device, template(device).port(ref.name()).orElseThrow());
    }

    Template template(Device device) {
        return catalogue.get(device.template());
    }

    boolean isPassive(Device device) {
        return PASSIVE.contains(template(device).kind());
    }

    // Whether it goes in at all

    private static void fits(End a, End b, Optional<LeadKind> kind, List<Fault> faults) {
        if (isSpeaker(a, b) || isSpeaker(b, a)) {
            faults.add(
                    new Fault(
                            Fault.Kind.SPEAKER_TO_LINE,
                            Severity.DANGER,
                            "a loudspeaker output drives amplifiers' power into %s, which it can"
                                            .formatted(line(a, b).words())
                                    + " destroy; take a line output instead"));
            return;
        }
        boolean bothSound = isAnalogue(a) && isAnalogue(b);
        boolean alike =
                bothSound
                        || a.port().carries() == b.port().carries()
                        || charges(a, b)
                        || charges(b, a);
        if (!alike) {
            faults.add(
                    new Fault(
                            Fault.Kind.CONNECTOR,
                            Severity.PROBLEM,
                            "%s carries %s and %s carries %s"
                                    .formatted(
                                            a.words(),
                                            signal(a.port()),
                                            b.words(),
                                            signal(b.port()))));
        } else if (isUsb(a) && isUsb(b) && a.port().host() == b.port().host()) {
            faults.add(
                    new Fault(
                            Fault.Kind.CONNECTOR,
                            Severity.PROBLEM,
                            a.port().host()
                                    ? "two computers cannot be joined by USB: each waits for the"
                                            + " other to be the device"
                                    : "neither end is a computer: nothing goes over a USB lead"
                                            + " between two devices"));
        } else if (kind.isEmpty()) {
            faults.add(
                    new Fault(
                            Fault.Kind.CONNECTOR,
                            Severity.PROBLEM,
                            "no lead goes from %s to %s"
                                    .formatted(a.port().connector(), b.port().connector())));
        }
    }

    /// Whether a lead only brings 5 V from one to the other.
    public static boolean charges(End gives, End takes) {
        boolean power =
                gives.port().carries() == Signal.POWER || takes.port().carries() == Signal.POWER;
        return power
                && gives.port().electric().givesMa() > 0
                && takes.port().electric().drawsMa() > 0;
    }

    private static boolean isSpeaker(End out, End in) {
        boolean gives = out.port().carries() == Signal.SPEAKER && out.port().gives() > 0;
        return gives && in.port().takes() > 0 && in.port().carries() != Signal.SPEAKER;
    }

    private static boolean isUsb(End end) {
        return end.port().carries() == Signal.USB;
    }

    private static End line(End a, End b) {
        return a.port().carries() == Signal.SPEAKER ? b : a;
    }

    private static boolean isAnalogue(End end) {
        return end.port().carries().isAnalogue();
    }

    private static String signal(Port port) {
        return switch (port.carries()) {
            case MIC -> "the microphone signal";
            case LINE -> "the line signal";
            case USB -> "USB";
            case NET -> "a network";
            case PHONE -> "a telephone line";
            case VIDEO -> "picture and sound";
            case OPTICAL -> "light";
            default -> "the " + port.carries().word() + " signal";
        };
    }

    // What arrives

    private void pass(
            End from,
            End to,
            LeadKind kind,
            List<LeadReport.Passage> passages,
            List<Fault> faults) {
        if (from.port().gives() == 0 || to.port().takes() == 0 || !isAnalogue(from)) return;
        double loss = loss(from, to);
        double level = leaving(from) - loss;
        if (Double.isNaN(level)) return;
        Electric in = to.port().electric();
        double peak = Math.min(level + limit(Limit.CREST), from.port().electric().mostDbu());
        double headroom = in.takesMostDbu() - peak;
        passages.add(new LeadReport.Passage(from, to, level, headroom, loss));
        double pad = Math.ceil(-headroom);
        boolean much = pad > limit(Limit.TURNED_DOWN);
        boolean over = -headroom > limit(Limit.OVERLOAD);
        if (over && !much) over = -headroom - sentLowerDb(from) > limit(Limit.OVERLOAD);
        if (!isPassive(to.device()) && over) {
            faults.add(
                    new Fault(
                            Fault.Kind.LEVEL,
                            much ? Severity.PROBLEM : Severity.CAUTION,
                            "%s overloads %s; it wants a pad of %s%s"
                                    .formatted(
                                            signal(from),
                                            input(to),
                                            Words.db(pad),
                                            much ? "" : ", or to be sent lower by as much"),
                            pad,
                            "padDb"));
        }
        double lacking = in.takesDbu() - level;
        if (!isPassive(to.device()) && lacking > limit(Limit.LACKING)) {
            faults.add(
                    new Fault(
                            Fault.Kind.LEVEL,
                            Severity.PROBLEM,
                            "%s is %s too quiet for %s, and raising it raises the noise"
                                    .formatted(signal(from), Words.db(lacking), input(to)),
                            lacking,
                            "lackingDb"));
        }
        if (loss > 0) impedance(from, to, loss, faults);
        channels(from, to, kind, faults);
    }

    /// What a load that is too low takes away, in dB: 20 log10((Zs + Zl)/Zl). An input of at least
    /// [Limit#BRIDGING] times the source is what levels are stated for, and loses nothing here;
    /// through passive boxes the impedance of what is behind them is not known.
    private double loss(End from, End to) {
        double source = from.port().electric().ohms();
        double load = to.port().electric().ohms();
        boolean known = !isPassive(from.device()) && !isPassive(to.device());
        if (!known || Double.isNaN(source) || Double.isNaN(load)) return 0;
        boolean drives = from.port().carries() == Signal.HEADPHONES || isSpeaker(from.port());
        boolean bothWays = from.port().takes() > 0 || to.port().gives() > 0;
        if (drives || bothWays || load >= limit(Limit.BRIDGING) * source) return 0;
        return 20 * Math.log10((source + load) / load);
    }

    private static boolean isSpeaker(Port port) {
        return port.carries() == Signal.SPEAKER;
    }

    private void impedance(End from, End to, double loss, List<Fault> faults) {
        boolean dulls = from.port().carries() == Signal.INSTRUMENT;
        faults.add(
                new Fault(
                        Fault.Kind.IMPEDANCE,
                        dulls && loss > limit(Limit.TREBLE_LOSS)
                                ? Severity.PROBLEM
                                : Severity.CAUTION,
                        "%s gives from %s and %s takes with %s: %s are lost%s"
                                .formatted(
                                        from.words(),
                                        Words.ohms(from.port().electric().ohms()),
                                        to.words(),
                                        Words.ohms(to.port().electric().ohms()),
                                        Words.db(loss),
                                        dulls
                                                ? ", treble most; take an instrument input or a"
                                                        + " direct box"
                                                : ""),
                        loss,
                        "lossDb"));
    }

    private static String signal(End end) {
        return "%s of %s".formatted(signal(end.port()), end.words());
    }

    private static String input(End end) {
        String kind =
                switch (end.port().carries()) {
                    case MIC -> "the microphone input";
                    case HEADPHONES -> "the earpieces";
                    default -> "the " + end.port().carries().word() + " input";
                };
        return "%s of %s".formatted(kind, end.words());
    }

    private double limit(Limit limit) {
        return show.checks().limits().get(limit);
    }

    /// The level that leaves a port, in dBu; through passive boxes from where it comes.
    double leaving(End from) {
        return levelAt(from, new HashSet<>());
    }

    private double levelAt(End from, Set<Ref> seen) {
        double own = from.port().electric().levelDbu();
        if (!isPassive(from.device()) || !seen.add(from.ref())) return own;
        return before(from)
                .map(before -> levelAt(before.end(), seen) + before.shiftDb())
                .orElse(own);
    }

    /// What a passive box passes on.
    ///
    /// @param end what gives it
    /// @param shiftDb by how much it leaves the box louder
    private record Before(End end, double shiftDb) {}

    /// What comes to an end of a passive box; empty where nothing does.
    private Optional<Before> before(End from) {
        for (Route route : template(from.device()).routes()) {
            if (!route.to().equals(from.port().outPoint())) continue;
            for (Port in : template(from.device()).ports()) {
                if (!in.inPoint().equals(route.from())) continue;
                Ref ref = new Ref(from.device().id(), in.id());
                double shift =
                        from.port().electric().levelDbu()
                                - in.electric().takesDbu()
                                + route.gainDb();
                for (Cable cable : cablesIn(ref)) {
                    End other = end(cable.from().equals(ref) ? cable.to() : cable.from());
                    if (other.port().gives() > 0) return Optional.of(new Before(other, shift));
                }
            }
        }
        return Optional.empty();
    }

    /// By how much an output is turned down as the show stands, in dB; through passive boxes that
    /// of where it comes from. A scene that turns it up again counts.
    private double sentLowerDb(End from) {
        double lower = 0;
        for (Ref knob : outputLevels(from)) {
            double most =
                    db(show.rig().device(knob.device()).orElseThrow().knobs().get(knob.name()));
            for (Scene scene : show.scenes())
                if (scene.knobs().containsKey(knob))
                    most = Math.max(most, db(scene.knobs().get(knob)));
            lower += Math.max(0, -most);
        }
        return lower;
    }

    private static double db(Setting setting) {
        return setting instanceof Setting.Level level ? level.db() : 0;
    }

    /// The level knobs through which all that leaves a port has passed; through passive boxes those
    /// of where it comes from.
    List<Ref> outputLevels(End from) {
        Optional<End> active = behind(from, new HashSet<>());
        if (active.isEmpty()) return List.of();
        Template kind = template(active.get().device());
        List<Route> into =
                kind.routes().stream()
                        .filter(route -> route.to().equals(active.get().port().outPoint()))
                        .toList();
        List<Ref> levels = new ArrayList<>();
        for (Knob knob : kind.knobs())
            if (knob.role() == Knob.Role.LEVEL
                    && knob instanceof Knob.Level
                    && !into.isEmpty()
                    && into.stream().allMatch(route -> isGoverned(route, knob)))
                levels.add(new Ref(active.get().device().id(), knob.id()));
        return levels;
    }

    private static boolean isGoverned(Route route, Knob knob) {
        return route.governors().stream().anyMatch(g -> g.knob().equals(knob.id()));
    }

    /// The end that a signal comes from, passive boxes passed; empty where it comes from nowhere.
    private Optional<End> behind(End from, Set<Ref> seen) {
        if (!isPassive(from.device())) return Optional.of(from);
        if (!seen.add(from.ref())) return Optional.empty();
        return before(from).flatMap(before -> behind(before.end(), seen));
    }

    /// The leads in a port.
    List<Cable> cablesIn(Ref port) {
        List<Cable> in = new ArrayList<>(cables.getOrDefault(port, List.of()));
        for (Cable more : moreCables) if (more.ends(port)) in.add(more);
        return in;
    }

    private static final String BALANCED_PLUG = "6.3 mm balanced";

    /// Whether the two poles of one balanced signal become two sides.
    private static boolean isTurnedOver(End from, End to, LeadKind kind) {
        return from.port().gives() == 1
                && from.port().electric().balanced()
                && from.port().connector().equals(BALANCED_PLUG)
                && to.port().takes() == 2
                && !to.port().electric().balanced()
                && !kind.name().contains("two");
    }

    private static void channels(End from, End to, LeadKind kind, List<Fault> faults) {
        int gives = from.port().gives();
        int takes = to.port().takes();
        boolean stereoJack =
                gives == 2 && !from.port().electric().balanced() && !kind.name().contains("two");
        if (stereoJack && takes == 1 && to.port().electric().balanced()) {
            faults.add(
                    new Fault(
                            Fault.Kind.POLARITY,
                            Severity.PROBLEM,
                            "a stereo plug in a balanced input leaves only the difference of left"
                                    + " and right: voices in the middle vanish"));
        } else if (isTurnedOver(from, to, kind)) {
            faults.add(
                    new Fault(
                            Fault.Kind.POLARITY,
                            Severity.PROBLEM,
                            "a balanced plug in a stereo input makes one side of it, and the same"
                                    + " turned over the other: whoever hears both in one hears"
                                    + " nothing"));
        } else if (gives > takes) {
            faults.add(
                    new Fault(
                            Fault.Kind.CHANNELS,
                            Severity.CAUTION,
                            "%d channels come and %d is taken; check that nothing is lost in mono"
                                    .formatted(gives, takes)));
        }
    }
}
