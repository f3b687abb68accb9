package rivulus.report;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SequencedMap;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.check.SceneProof;
import rivulus.disk.Merge;
import rivulus.gear.Setting;
import rivulus.hearing.Arrival;
import rivulus.hearing.Hearing;
import rivulus.hearing.Opening;
import rivulus.hearing.Way;
import rivulus.remedy.Cures;
import rivulus.remedy.Remedy;
import rivulus.show.Cable;
import rivulus.show.Ref;
import rivulus.show.Rig;
import rivulus.show.Turn;
import rivulus.timing.DelayBudget;

/// What was found, as plain maps, lists, text and numbers, ready to be written as JSON. Levels and
/// times are rounded to hundredths; silence is null.
public final class Report {
    private Report() {}

    /// `{"scenes": [{"scene", "hearing": [{"ear", "source", "wish", "levelDb", "arrivals",
    /// "verdict"}]}]}`.
    public static Map<String, Object> hearing(Proof proof, List<SceneProof> scenes) {
        List<Object> out = new ArrayList<>();
        for (SceneProof scene : scenes) {
            List<Object> cells = new ArrayList<>();
            for (SceneProof.Heard cell : scene.all()) cells.add(cell(scene, cell));
            out.add(map("scene", scene.scene().id(), "hearing", cells));
        }
        return map("show", proof.show().title(), "scenes", out);
    }

    private static Map<String, Object> cell(SceneProof scene, SceneProof.Heard cell) {
        Hearing hearing = cell.hearing();
        return map(
                "ear", cell.ear().id(),
                "source", cell.source().id(),
                "wish", cell.standing().wish().word(),
                "levelDb", number(hearing.levelDb()),
                "arrivals", hearing.arrivals().stream().map(Report::arrival).toList(),
                "verdict", scene.verdict(cell.ear().id(), cell.source().id()).word());
    }

    private static Map<String, Object> arrival(Arrival arrival) {
        return map("ms", number(arrival.ms()), "levelDb", number(arrival.levelDb()));
    }

    /// `{"findings": [{"rule", "severity", "scene", "ear", "source", "sentence", "evidence",
    /// "fixes", "allTried"}]}`.
    ///
    /// Findings of the rig hold in every scene; they are written under one.
    ///
    /// @param remedies those of each finding
    /// @param scene the scene that findings of the rig are written under
    public static Map<String, Object> findings(
            Proof proof,
            SequencedMap<Finding, Cures> remedies,
            String scene,
            List<String> unlooked) {
        List<Object> out = new ArrayList<>();
        remedies.forEach((finding, found) -> out.add(finding(finding, found, scene)));
        return map("show", proof.show().title(), "notLookedAt", unlooked, "findings", out);
    }

    private static Map<String, Object> finding(Finding finding, Cures remedies, String scene) {
        return map(
                "rule", finding.rule(),
                "severity", finding.severity().word(),
                "scene", finding.isOfTheRig() ? scene : finding.scene(),
                "ear", finding.ear().orElse(null),
                "source", finding.source().orElse(null),
                "sentence", finding.sentence(),
                "evidence", evidence(finding),
                "fixes", remedies.stream().map(Report::remedy).toList(),
                "allTried", remedies.complete(),
                "clash", remedies.clash());
    }

    private static Map<String, Object> evidence(Finding finding) {
        Map<String, Object> evidence = new LinkedHashMap<>();
        finding.figures().forEach((name, value) -> evidence.put(name, number(value)));
        if (finding.isOfTheRig()) evidence.put("about", finding.gear());
        evidence.put("ways", finding.evidence().ways().stream().map(Report::shortWay).toList());
        return evidence;
    }

    private static Map<String, Object> shortWay(Way way) {
        return map("way", way.words(), "levelDb", number(way.levelDb()), "ms", number(way.ms()));
    }

    private static Map<String, Object> remedy(Remedy remedy) {
        Rig was = remedy.change().before().rig();
        Rig is = remedy.change().after().rig();
        return map(
                "sentence",
                remedy.sentence(),
                "provenLeast",
                remedy.least(),
                "turns",
                remedy.turns().stream().map(Report::turn).toList(),
                "unjoins",
                was.cables().stream().filter(c -> !is.cables().contains(c)).map(Cable::id).toList(),
                "boxes",
                is.devices().stream()
                        .filter(d -> was.device(d.id()).isEmpty())
                        .map(d -> map("device", d.id(), "template", d.template()))
                        .toList(),
                "joins",
                is.cables().stream()
                        .filter(c -> !was.cables().contains(c))
                        .map(Report::join)
                        .toList(),
                "changes",
                remedy.change().differences().stream().map(Report::difference).toList(),
                "losses",
                remedy.losses(),
                "effects",
                remedy.effects().stream()
                        .map(e -> map("scene", e.scene(), "sentence", e.words() + "."))
                        .toList(),
                "brings",
                remedy.brings().stream().map(brought -> brought + ".").toList());
    }

    private static Map<String, Object> join(Cable cable) {
        return map(
                "lead", cable.id(),
                "from", cable.from().toString(),
                "to", cable.to().toString());
    }

    private static Map<String, Object> difference(Merge.Difference one) {
        return map(
                "path", one.path(),
                "before", one.before().orElse(null),
                "after", one.after().orElse(null));
    }

    private static Map<String, Object> turn(Turn turn) {
        Map<String, Object> out =
                map(
                        "knob",
                        turn.knob().toString(),
                        "from",
                        setting(turn.from()),
                        "to",
                        setting(turn.to()));
        turn.scene().ifPresent(scene -> out.put("scene", scene));
        return out;
    }

    private static Object setting(Setting setting) {
        return switch (setting) {
            case Setting.Level level -> level.isOff() ? "off" : number(level.db());
            case Setting.Time(double ms) -> number(ms);
            case Setting.Switch(boolean on) -> on;
            case Setting.Choice(String option) -> option;
        };
    }

    /// `{"source", "ear", "scene", "ways": [{"levelDb", "ms", "minMs", "maxMs", "words",
    /// "steps"}]}`, with `"broken": {"at", "wants"}` where too little is heard.
    ///
    /// @param nearest the way that could be opened most easily, looked for only where too little is
    ///     heard
    public static Map<String, Object> trace(
            String source, String ear, String scene, List<Way> ways, Optional<Opening> nearest) {
        Map<String, Object> out =
                map(
                        "source",
                        source,
                        "ear",
                        ear,
                        "scene",
                        scene,
                        "ways",
                        ways.stream().map(Report::way).toList());
        boolean heard = !ways.isEmpty() && nearest.isEmpty();
        if (!heard) out.put("broken", broken(nearest));
        return out;
    }

    private static Map<String, Object> broken(Optional<Opening> nearest) {
        if (nearest.isEmpty()) return map("at", null, "wants", List.of());
        List<Object> wants = new ArrayList<>();
        for (Opening.KnobTurn turn : nearest.get().turns()) {
            wants.add(
                    map(
                            "knob", turn.knob().ref().toString(),
                            "from", setting(turn.from()),
                            "to", setting(turn.to())));
        }
        return map("at", nearest.get().broken().from().toString(), "wants", wants);
    }

    /// `{"traces": [...]}`, one for each scene.
    public static Map<String, Object> traces(List<Object> scenes) {
        return map("traces", scenes);
    }

    private static Map<String, Object> way(Way way) {
        List<Object> steps = new ArrayList<>();
        steps.add(step(way.start().point(), way.start().device(), way.start().label(), 0, 0));
        for (Way.Step step : way.steps()) {
            steps.add(
                    step(
                            step.to().point(),
                            step.to().device(),
                            step.to().label(),
                            step.gainDb(),
                            step.ms()));
        }
        return map(
                "levelDb", number(way.levelDb()),
                "ms", number(way.ms()),
                "minMs", number(way.minMs()),
                "maxMs", number(way.maxMs()),
                "words", way.words(),
                "parts", parts(way),
                "steps", steps);
    }

    /// What the delay of a way is made of.
    private static List<Object> parts(Way way) {
        List<Object> parts = new ArrayList<>();
        for (DelayBudget.Part part : DelayBudget.of(way).parts())
            parts.add(
                    map(
                            "what", part.what(),
                            "ms", number(part.delay().ms()),
                            "minMs", number(part.delay().minMs()),
                            "maxMs", number(part.delay().maxMs())));
        return parts;
    }

    private static Map<String, Object> step(
            Ref point, String device, String label, double gainDb, double ms) {
        String words = label.isEmpty() ? device : device + ", " + label;
        return map(
                "point",
                point.toString(),
                "words",
                words,
                "gainDb",
                number(gainDb),
                "ms",
                number(ms));
    }

    static Double number(double value) {
        if (Double.isInfinite(value) || Double.isNaN(value)) return null;
        double rounded = Math.round(value * 100) / 100.0;
        return rounded == 0 ? 0.0 : rounded;
    }

    static Map<String, Object> map(Object... pairs) {
        Map<String, Object> map = new LinkedHashMap<>();
        for (int i = 0; i < pairs.length; i += 2) map.put((String) pairs[i], pairs[i + 1]);
        return map;
    }
}
