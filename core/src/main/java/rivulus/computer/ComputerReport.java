package rivulus.computer;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import rivulus.check.Failure;
import rivulus.check.Losses;
import rivulus.check.SceneProof;
import rivulus.gear.Knob;
import rivulus.gear.Picker;
import rivulus.gear.Setting;
import rivulus.hearing.Ways;
import rivulus.leads.Survey;
import rivulus.show.Device;
import rivulus.show.Limit;
import rivulus.show.Names;
import rivulus.show.Ref;
import rivulus.show.Source;
import rivulus.signal.KnobUse;
import rivulus.signal.LiveGraph;
import rivulus.signal.Positions;
import rivulus.words.Words;

/// One computer as a person sets it: every pick and permission in the order of clicks with why;
/// what is on air from it; what comes twice; what goes silent without it; what an update or a
/// replug would undo.
///
/// @param lines what to set, in the order of clicks
/// @param onAir what of it the public hears, one sentence each
/// @param twice what comes by two captures at once, one sentence each
/// @param without what goes silent when it is off
/// @param undone what to look at again after an update or a replug, one sentence each
public record ComputerReport(
        Device computer,
        List<Line> lines,
        List<String> onAir,
        List<String> twice,
        String without,
        List<String> undone) {
    public ComputerReport {
        lines = List.copyOf(lines);
        onAir = List.copyOf(onAir);
        twice = List.copyOf(twice);
        undone = List.copyOf(undone);
    }

    /// One setting.
    ///
    /// @param where the page it stands on: the sound settings, or a program
    /// @param knob what is set, as the machine calls it
    /// @param why what depends on it; empty where nothing does
    public record Line(String where, KnobUse knob, String setTo, String why) {}

    /// The report on a computer in a scene. Costs a tracing for each pick and permission that
    /// stands; where a rig has so many that it would take long, those asked last are listed without
    /// a reason.
    public static ComputerReport of(SceneProof scene, Survey survey, Device computer) {
        return new Search(scene, survey, computer, Patience.with(scene)).report();
    }

    /// The roles of what is set on every machine, in the order in which one does.
    private static final List<Knob.Role> FIRST =
            List.of(
                    Knob.Role.PERMISSION,
                    Knob.Role.RATE,
                    Knob.Role.DEVICE,
                    Knob.Role.FEED,
                    Knob.Role.TRACK,
                    Knob.Role.BUFFER,
                    Knob.Role.DELAY);

    /// How many more times it may be asked what a setting is for.
    private static final class Patience {
        private static final long MOST_LEGS = 1_500_000;
        private static final int LEAST = 16;

        private long left;

        static Patience with(SceneProof scene) {
            Patience patience = new Patience();
            int legs = scene.tracer().live().graph().legs().size();
            patience.left = Math.max(LEAST, MOST_LEGS / Math.max(1, legs));
            return patience;
        }

        boolean isOver() {
            return left-- <= 0;
        }
    }

    /// The reports on every computer of a rig.
    public static List<ComputerReport> all(SceneProof scene, Survey survey) {
        Patience patience = Patience.with(scene);
        return survey.devices().stream()
                .filter(device -> survey.template(device).isComputer())
                .map(device -> new Search(scene, survey, device, patience).report())
                .toList();
    }

    /// The search for it.
    private static final class Search {
        private final SceneProof scene;
        private final Survey survey;
        private final Device computer;
        private final LiveGraph live;
        private final Positions positions;
        private final Patience patience;

        Search(SceneProof scene, Survey survey, Device computer, Patience patience) {
            this.patience = patience;
            this.scene = scene;
            this.survey = survey;
            this.computer = computer;
            live = scene.tracer().live();
            positions = live.positions();
        }

        ComputerReport report() {
            return new ComputerReport(
                    computer,
                    lines(),
                    onAir(),
                    twice(),
                    Failure.of(scene, computer).words(),
                    undone());
        }

        private List<Device> programs() {
            return survey.devices().stream()
                    .filter(device -> device.on().equals(computer.id()))
                    .toList();
        }

        /// The computer's own defaults first, then each program: what it may do, what it picks, how
        /// it uses that.
        private List<Line> lines() {
            List<Line> lines = new ArrayList<>();
            lines(computer, "sound settings", lines);
            for (Device program : programs()) lines(program, program.name(), lines);
            return lines;
        }

        private void lines(Device owner, String where, List<Line> lines) {
            List<KnobUse> knobs = live.graph().knobsOf(owner.id());
            for (Knob.Role role : FIRST)
                for (KnobUse use : knobs) {
                    if (use.knob().role() != role) continue;
                    boolean unasked = off(use).isPresent() && patience.isOver();
                    String why = unasked ? "" : why(use);
                    boolean matters =
                            !why.isEmpty() || unasked || isTurned(use) || owner == computer;
                    if (matters || role == Knob.Role.RATE)
                        lines.add(new Line(where, use, setTo(use), why));
                }
            // mutes, levels, modes: where they stand otherwise than they come
            for (KnobUse use : knobs)
                if (!FIRST.contains(use.knob().role()) && isTurned(use))
                    lines.add(new Line(where, use, setTo(use), ""));
        }

        private int index(KnobUse use) {
            return live.graph().knobIndex(use.ref().device(), use.ref().name());
        }

        private Setting stands(KnobUse use) {
            return positions.get(index(use));
        }

        private boolean isTurned(KnobUse use) {
            return !stands(use).equals(use.knob().standing());
        }

        private String setTo(KnobUse use) {
            return use.say(stands(use));
        }

        /// Who would lose whom without this setting, told as what it is for.
        private String why(KnobUse use) {
            Optional<Setting> off = off(use);
            if (off.isEmpty() || off.get().equals(stands(use))) return "";
            Losses losses = at(positions.with(index(use), off.get()));
            return losses.isEmpty() ? "" : "so that " + losses.asGains();
        }

        private static Optional<Setting> off(KnobUse use) {
            return switch (use.knob().role()) {
                case DEVICE -> Optional.of(new Setting.Choice(Picker.NONE));
                case PERMISSION -> Optional.of(new Setting.Switch(false));
                case FEED -> use.knob().others(use.knob().standing()).stream().findFirst();
                default -> Optional.empty();
            };
        }

        private Losses at(Positions then) {
            return scene.losses(live.at(then));
        }

        /// Whom the public hears through this computer, and whether anything at all it plays goes
        /// out.
        private List<String> onAir() {
            List<String> said = new ArrayList<>();
            for (Device program : programs()) {
                for (Picked capture : Picked.of(survey, program)) {
                    if (capture.picker().picks() != Picker.Picks.DESKTOP) continue;
                    if (capture.gear().isEmpty() || !isSent(capture)) continue;
                    said.add(desktop(program, capture));
                }
            }
            Set<String> heard = new LinkedHashSet<>();
            for (Losses.Loss loss : Failure.of(scene, computer).losses().all())
                if (loss.ear().isPublic())
                    loss.lost().forEach(source -> heard.add(Names.of(source)));
            if (!heard.isEmpty())
                said.add(
                        "On air by way of %s: %s."
                                .formatted(computer.name(), Words.list(List.copyOf(heard))));
            if (said.isEmpty()) said.add("Nothing of %s is on air.".formatted(computer.name()));
            return said;
        }

        private String desktop(Device program, Picked capture) {
            boolean byDefault =
                    Picked.of(survey, computer).stream()
                            .filter(p -> p.picker().standard() == Picker.Standard.DEFAULT)
                            .filter(p -> p.picker().picks() == Picker.Picks.OUTPUT)
                            .anyMatch(
                                    p ->
                                            p.gear().equals(capture.gear())
                                                    && p.endpoint().equals(capture.endpoint()));
            return byDefault
                    ? "Any sound that %s makes is on air: %s captures %s, where everything plays by default."
                            .formatted(computer.name(), program.name(), capture.words())
                    : "Whatever plays to %s on %s is on air: %s captures it."
                            .formatted(capture.words(), computer.name(), program.name());
        }

        /// Whether what a capture hears goes on to an ear of the public.
        private boolean isSent(Picked capture) {
            Ref point = new Ref(capture.owner().id(), capture.picker().point());
            return scene.show().ears().stream()
                    .filter(ear -> ear.isPublic())
                    .anyMatch(ear -> live.leads(point, ear.id()));
        }

        private List<String> twice() {
            List<String> said = new ArrayList<>();
            for (Device program : programs()) {
                List<Picked> captures =
                        Picked.of(survey, program).stream()
                                .filter(p -> p.picker().picks() != Picker.Picks.OUTPUT)
                                .filter(p -> p.gear().isPresent() && isSent(p))
                                .toList();
                if (captures.size() < 2) continue;
                for (Source source : scene.show().sources()) {
                    List<String> by = new ArrayList<>();
                    for (Picked capture : captures)
                        if (carries(capture, source)) by.add(capture.picker().label());
                    if (by.size() > 1)
                        said.add(
                                "%s hears %s by %s: twice, unless one of them is only monitored."
                                        .formatted(
                                                program.name(), Names.of(source), Words.list(by)));
                }
            }
            return said;
        }

        private boolean carries(Picked capture, Source source) {
            Ref point = new Ref(capture.owner().id(), capture.picker().point());
            return Ways.of(live)
                    .strongestTo(source.id(), point)
                    .filter(way -> way.levelDb() > scene.limit(Limit.HEARD))
                    .isPresent();
        }

        // What an update or a replug undoes

        private List<String> undone() {
            List<String> said = new ArrayList<>();
            Map<String, List<Picked>> byGear = new HashMap<>();
            for (Device owner : owners())
                for (Picked picked : Picked.of(survey, owner))
                    if (picked.endpoint().flatMap(e -> e.port()).isPresent())
                        byGear.computeIfAbsent(
                                        picked.gear().orElseThrow().id(), _ -> new ArrayList<>())
                                .add(picked);
            for (Device gear : survey.devices()) {
                List<Picked> named =
                        byGear.getOrDefault(gear.id(), List.of()).stream()
                                .filter(picked -> picked.setting().startsWith(gear.id() + "/"))
                                .toList();
                if (!named.isEmpty()) said.add(replugged(gear, named));
            }
            updated().ifPresent(said::add);
            return said;
        }

        /// Gear that comes back by another name: whatever named it stands at the default again.
        private String replugged(Device gear, List<Picked> named) {
            Positions then = positions;
            for (Picked picked : named) {
                String falls = picked.picker().isStandard() ? Picker.NONE : Picker.DEFAULT;
                then = then.with(place(picked), new Setting.Choice(falls));
            }
            Losses losses = at(then);
            return "After %s was plugged into another socket of %s, pick it again at %s%s."
                    .formatted(
                            gear.name(),
                            computer.name(),
                            Words.list(named.stream().map(Search::name).toList()),
                            losses.isEmpty() ? "" : "; till then " + losses.words());
        }

        /// An update that asks for permissions again and sets the defaults back.
        private Optional<String> updated() {
            Positions then = positions;
            List<String> check = new ArrayList<>();
            for (Device owner : owners()) {
                for (KnobUse use : live.graph().knobsOf(owner.id())) {
                    if (use.knob().role() != Knob.Role.PERMISSION) continue;
                    then = then.with(index(use), new Setting.Switch(false));
                    check.add(use.words());
                }
                for (Picked picked : Picked.of(survey, owner)) {
                    boolean set = picked.picker().isStandard() && picked.gear().isPresent();
                    if (!set || picked.setting().equals(Picker.DEFAULT)) continue;
                    then = then.with(place(picked), new Setting.Choice(picked.picker().standing()));
                    check.add(name(picked));
                }
            }
            if (check.isEmpty()) return Optional.empty();
            Losses losses = at(then);
            String after = losses.isEmpty() ? "" : "; till then " + losses.words();
            return Optional.of(
                    "After an update of %s, look at %s%s."
                            .formatted(computer.name(), Words.list(check), after));
        }

        private List<Device> owners() {
            List<Device> owners = new ArrayList<>(List.of(computer));
            owners.addAll(programs());
            return owners;
        }

        private int place(Picked picked) {
            return live.graph().knobIndex(picked.owner().id(), picked.picker().id());
        }

        private static String name(Picked picked) {
            return picked.owner().name() + " · " + picked.picker().label();
        }
    }
}
