package rivulus.level;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import rivulus.gear.AcousticEnd;
import rivulus.gear.Air;
import rivulus.gear.Amplifies;
import rivulus.gear.Catalogue;
import rivulus.gear.ChannelMap;
import rivulus.gear.Electric;
import rivulus.gear.Knob;
import rivulus.gear.Port;
import rivulus.gear.Setting;
import rivulus.gear.Speech;
import rivulus.gear.Template;
import rivulus.leads.LeadReport;
import rivulus.leads.Survey;
import rivulus.level.Scale.Noise;
import rivulus.level.Scale.Unit;
import rivulus.show.Device;
import rivulus.show.Limit;
import rivulus.show.Limits;
import rivulus.show.Person;
import rivulus.show.Place;
import rivulus.show.Playback;
import rivulus.show.Ref;
import rivulus.show.Show;
import rivulus.signal.KnobUse;
import rivulus.signal.Leg;
import rivulus.signal.LiveGraph;
import rivulus.signal.Node;
import rivulus.signal.SignalGraph;
import rivulus.signal.Strongest;

/// Where line-up lies at every point of a rig, and how far each input has to amplify for it.
///
/// In the air by what is said of mouths, microphones and ears, in a lead by what arrives there
/// ([LeadReport.Passage]), inside digital gear at [Speech#LINE_UP_DBFS], inside analogue gear at +4
/// dBu. A gain knob that stands at 0 dB is set for what it is given: how many dB that are follows
/// from what arrives.
public final class LevelMap {
    /// Full scale over line-up inside digital gear; analogue gear clips at +22 dBu, as far over +4.
    private static final double CEILING_DB = -Speech.LINE_UP_DBFS;

    /// What a converter adds, in dBFS, A-weighted ~ (REFERENCE: 95 dB built in … 115 dB).
    private static final double CONVERTER_DBFS = -110;

    private static final Noise CONVERTER =
            new Noise("the converter", CONVERTER_DBFS - Speech.LINE_UP_DBFS);

    /// Two equal channels that are folded come 6 dB louder than one of them alone.
    private static final double FOLDED_DB = 6.1;

    private static final double HAIR_DB = 0.1;

    /// What earpieces are turned to: the loud moments of a nominal voice, in dB SPL ~.
    private static final double WORN_SPL = 76;

    private static final Scale DIGITAL =
            new Scale(Unit.DBFS, Speech.LINE_UP_DBFS, CEILING_DB, List.of());

    /// Marks of legs on which a converter is passed.
    private static final List<String> CONVERTING = List.of("converter", "capture");

    private final Show show;
    private final Survey survey;
    private final Catalogue kinds;
    private volatile Tables tables;
    private final Map<Ref, Scale> scales = new ConcurrentHashMap<>();

    private LevelMap(Show show, Catalogue kinds, Survey survey) {
        this.show = show;
        this.kinds = kinds;
        this.survey = survey;
    }

    /// The levels of a show's rig.
    ///
    /// @param kinds every kind of gear, those of the show among them
    public static LevelMap of(Show show, Catalogue kinds, Survey survey) {
        return new LevelMap(show, kinds, survey);
    }

    /// How levels are told at a point.
    public Scale at(Ref point) {
        return scales.computeIfAbsent(point, this::scale);
    }

    private Scale scale(Ref point) {
        Optional<Person> person = show.cast().person(point.device());
        if (person.isPresent()) return ofPerson(person.get(), point.name());
        Optional<Device> found = survey.device(point.device());
        if (found.isEmpty()) return asMade(point.device());
        Device device = found.get();
        Template kind = survey.template(device);
        for (AcousticEnd end : kind.ends())
            if (end.point().equals(point.name()) && end.kind() != AcousticEnd.Kind.WORN)
                return ofEnd(device, end);
        for (Port port : kind.ports())
            if (port.electric().isAnalogue()) {
                if (point.name().equals(port.inPoint())) return comingIn(device, port);
                if (point.name().equals(port.outPoint())) return goingOut(device, kind, port);
            }
        return inside(device, kind);
    }

    /// What is played, before anything plays it: as loud there as where it starts.
    private Scale asMade(String playback) {
        double over =
                show.cast()
                        .source(playback)
                        .filter(Playback.class::isInstance)
                        .map(source -> ((Playback) source).overNominalDb())
                        .orElse(0.0);
        return new Scale(
                Unit.DBFS, Speech.LINE_UP_DBFS + over, -Speech.LINE_UP_DBFS - over, List.of());
    }

    // In the air

    private Scale ofPerson(Person person, String point) {
        for (AcousticEnd end : kinds.get(Catalogue.PERSON).ends()) {
            if (!end.point().equals(point)) continue;
            if (end.kind() == AcousticEnd.Kind.MOUTH)
                return quiet(Unit.SPL, loudSpl() + person.overNormalDb());
            if (end.kind() == AcousticEnd.Kind.EAR) {
                double lineUp = loudSpl() - end.hearsDb();
                return new Scale(
                        Unit.SPL, lineUp, Double.POSITIVE_INFINITY, room(person.place(), lineUp));
            }
        }
        return quiet(Unit.SPL, WORN_SPL);
    }

    private Scale ofEnd(Device device, AcousticEnd end) {
        if (end.kind() == AcousticEnd.Kind.LOUDSPEAKER)
            return quiet(Unit.SPL, loudSpl() + end.loudDb());
        double lineUp = loudSpl() - end.hearsDb();
        List<Noise> noise = new ArrayList<>(room(place(device), lineUp));
        noise.add(new Noise("the microphone", end.noiseDba() - lineUp));
        return new Scale(Unit.SPL, lineUp, end.mostSpl() - lineUp, noise);
    }

    private String place(Device device) {
        return show.cast().person(device.worn()).map(Person::place).orElse(device.place());
    }

    private List<Noise> room(String place, double lineUp) {
        return show.places().stream()
                .filter(there -> there.id().equals(place))
                .map(Place::room)
                .flatMap(room -> kinds.find(room).flatMap(Template::air).stream())
                .map(Air::noiseDba)
                .map(noise -> new Noise(Noise.ROOM, noise - lineUp))
                .toList();
    }

    private static double loudSpl() {
        return Speech.lineUpSpl(1);
    }

    private static Scale quiet(Unit unit, double lineUp) {
        return new Scale(unit, lineUp, Double.POSITIVE_INFINITY, List.of());
    }

    // In leads

    /// What comes in at line-up, in dBu: what the lead brings, or what the input is made for.
    private double arrivesDbu(Device device, Port port) {
        Ref ref = new Ref(device.id(), port.id());
        for (LeadReport lead : survey.leadsIn(ref))
            for (LeadReport.Passage passage : lead.passages())
                if (passage.to().ref().equals(ref)) return passage.arrivesDbu();
        return port.electric().takesDbu();
    }

    private Scale comingIn(Device device, Port port) {
        double lineUp = arrivesDbu(device, port);
        Electric electric = port.electric();
        if (survey.isPassive(device)) return quiet(Unit.DBU, lineUp);
        return new Scale(
                Unit.DBU,
                lineUp,
                electric.takesMostDbu() - lineUp,
                List.of(new Noise("the input", electric.noiseDbu() - lineUp)));
    }

    private Scale goingOut(Device device, Template kind, Port port) {
        double lineUp = survey.leavesDbu(new Ref(device.id(), port.id()));
        if (survey.isPassive(device)) return quiet(Unit.DBU, lineUp);
        Electric electric = port.electric();
        boolean capsule =
                port.carries().isMicrophone()
                        && kind.ends().stream().anyMatch(end -> !Double.isNaN(end.mvPerPa()));
        return new Scale(
                Unit.DBU,
                lineUp,
                electric.mostDbu() - lineUp,
                capsule
                        ? List.of()
                        : List.of(new Noise("the output", electric.noiseDbu() - lineUp)));
    }

    // Inside

    private static Scale inside(Device device, Template kind) {
        boolean analogue =
                kind.clock().rates().isEmpty()
                        && !Survey.isProgram(device)
                        && kind.ports().stream().anyMatch(port -> port.electric().isAnalogue());
        return analogue
                ? new Scale(Unit.DBU, Electric.PROFESSIONAL_LINE_DBU, CEILING_DB, List.of())
                : DIGITAL;
    }

    /// What a leg adds of itself: a converter.
    static Optional<Noise> noiseOf(Leg leg) {
        return leg.marks().stream().anyMatch(CONVERTING::contains)
                ? Optional.of(CONVERTER)
                : Optional.empty();
    }

    /// The preamplifier that a leg passes, as it stands; empty where it passes none.
    public Optional<Preamp> preamp(LiveGraph live, Leg leg) {
        for (Leg.Govern govern : leg.governors()) {
            KnobUse use = live.graph().knobs().get(govern.knob());
            boolean stands = live.positions().get(govern.knob()) instanceof Setting.Level;
            if (!stands || !(use.knob() instanceof Knob.Level level)) continue;
            if (level.role() != Knob.Role.GAIN || at(leg.from()).unit() == Unit.DBFS) continue;
            Setting.Level now = (Setting.Level) live.positions().get(govern.knob());
            return Optional.of(
                    new Preamp(use, level, leg.from(), forLineUp(level, leg.from()), now.db()));
        }
        return Optional.empty();
    }

    /// How many dB bring what comes in to line-up, in the knob's own marks; NaN where it has none.
    private double forLineUp(Knob.Level gain, Ref from) {
        Optional<Amplifies> amplifies = gain.amplifies();
        Scale in = at(from);
        if (amplifies.isEmpty() || in.unit() != Unit.DBU) return Double.NaN;
        return amplifies.get().fromDb() + in.ceilingDb() - CEILING_DB;
    }

    /// What is asked of every node and leg of a graph, at one place.
    private record Tables(
            double[] ceilingDb, double[] noise, boolean[] converts, boolean[] folds) {}

    private Tables tables(SignalGraph graph) {
        Tables known = tables;
        return isOf(known, graph) ? known : made(graph);
    }

    private static boolean isOf(Tables known, SignalGraph graph) {
        return known != null && known.noise().length == graph.nodes().size();
    }

    /// Scenes that are judged side by side wait for one to make them.
    private synchronized Tables made(SignalGraph graph) {
        if (isOf(tables, graph)) return tables;
        int nodes = graph.nodes().size();
        int legs = graph.legs().size();
        Tables made =
                new Tables(
                        new double[nodes], new double[nodes], new boolean[legs], new boolean[legs]);
        for (Node node : graph.nodes()) {
            Scale scale = at(node.point());
            made.ceilingDb()[node.index()] = scale.ceilingDb();
            for (Noise noise : scale.noise()) made.noise()[node.index()] += noise.power();
        }
        for (Leg leg : graph.legs()) {
            made.converts()[leg.index()] = noiseOf(leg).isPresent();
            made.folds()[leg.index()] = folds(leg);
        }
        tables = made;
        return made;
    }

    /// Whether two channels come together in one.
    private static boolean folds(Leg leg) {
        if (leg.map().size() < 2) return false;
        return leg.map().stream().mapToInt(ChannelMap::to).distinct().count() < leg.map().size();
    }

    /// Whether a source comes to a node with room and quiet for certain: no clipping that a knob
    /// brought about, and so far over all noise. Told from one channel alone, and so not the other
    /// way round; costs next to nothing.
    ///
    /// @param source in a state of the graph that this map was made for
    public boolean isClear(Strongest source, int node, LiveGraph live, Limits limits) {
        Tables all = tables(live.graph());
        double[] lifts = live.liftsDb();
        double crest = limits.get(Limit.CREST);
        double most = limits.get(Limit.OVERLOAD);
        int[] way = source.to(node);
        double loud = Math.pow(10, (most - HAIR_DB) / 20);
        double louder = HAIR_DB;
        double noise = 0;
        double before = 1;
        for (int i = 0; i < way.length; i++) {
            int at = way[i];
            double gain = source.gain(at);
            noise = noise * gain * gain / (before * before) + all.noise()[at];
            before = gain;
            if (i > 0) {
                int leg = source.legTo(at);
                if (all.converts()[leg]) noise += CONVERTER.power();
                if (all.folds()[leg]) louder += FOLDED_DB;
                if (lifts.length > 0) {
                    noise *= Math.pow(10, lifts[leg] / 10);
                    louder += lifts[leg];
                }
            }
            if (louder == HAIR_DB && gain <= loud) continue;
            double db = source.db(at) + louder;
            if (Math.min(db, db + crest - all.ceilingDb()[at]) > most) return false;
        }
        double over = source.db(node) - Speech.SPREAD_DB - 10 * Math.log10(noise);
        return over >= limits.get(Limit.NOISE);
    }
}
