package rivulus.check;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SequencedMap;
import java.util.function.Supplier;
import java.util.stream.Stream;
import rivulus.gear.Catalogue;
import rivulus.leads.Survey;
import rivulus.level.Gains;
import rivulus.level.InputGain;
import rivulus.level.LevelMap;
import rivulus.level.Staircase;
import rivulus.show.Brief;
import rivulus.show.Limit;
import rivulus.show.Scene;
import rivulus.show.Show;
import rivulus.signal.LiveGraph;
import rivulus.signal.SignalGraph;

/// A show proven: what every ear hears in every scene, and what is wrong.
///
/// A scene is worked out when it is first asked for. May be shared between threads.
public final class Proof {
    private final Show show;
    private final Brief brief;
    private final SignalGraph graph;
    private final Lazy<Survey> survey;
    private final Lazy<LevelMap> levels;
    private final Lazy<List<InputGain>> gains = new Lazy<>(this::workOutGains);
    private final Lazy<List<Finding>> rig;
    private final Map<String, Lazy<SceneProof>> scenes = new LinkedHashMap<>();

    /// @param kinds every kind of gear, those of the show among them
    /// @param survey how the rig is surveyed, once, when it is first wanted
    /// @param kin a proof of the same people, places and gear, however knobs stand: line-up lies
    ///     where it lies there
    Proof(
            Show show,
            Brief brief,
            SignalGraph graph,
            Catalogue kinds,
            Supplier<Survey> survey,
            Optional<Proof> kin,
            Judge judge) {
        this.show = show;
        this.brief = brief;
        this.graph = graph;
        this.survey = new Lazy<>(survey);
        levels =
                kin.map(other -> other.levels)
                        .orElseGet(
                                () ->
                                        new Lazy<>(
                                                () -> LevelMap.of(show, kinds, this.survey.get())));
        rig = new Lazy<>(() -> show.checks().told(judge.of(this), Finding::id));
    }

    void add(String scene, Supplier<SceneProof> work) {
        scenes.put(scene, new Lazy<>(work));
    }

    /// The show that was proven.
    public Show show() {
        return show;
    }

    /// Its brief.
    public Brief brief() {
        return brief;
    }

    /// Its signal graph.
    public SignalGraph graph() {
        return graph;
    }

    /// Every scene, in the order of the show.
    public List<SceneProof> scenes() {
        return eachScene().toList();
    }

    /// The first scene is worked out alone, for the others lean on it; those on all cores.
    private Stream<SceneProof> eachScene() {
        scenes.values().stream().findFirst().ifPresent(Lazy::get);
        return scenes.values().parallelStream().map(Lazy::get);
    }

    /// The ids of the scenes, in the order of the show.
    public List<String> sceneIds() {
        return List.copyOf(scenes.keySet());
    }

    /// The scene in which most is heard: there most has a reason, and most can be asked.
    public SceneProof fullest() {
        return scenes().stream().max(Comparator.comparingLong(Proof::heardIn)).orElseThrow();
    }

    private static long heardIn(SceneProof scene) {
        return scene.all().stream()
                .filter(cell -> cell.hearing().levelDb() > scene.limit(Limit.HEARD))
                .count();
    }

    /// The scene of that id.
    public Optional<SceneProof> scene(String id) {
        return Optional.ofNullable(scenes.get(id)).map(Lazy::get);
    }

    /// The scene of that id, if it has been worked out.
    Optional<SceneProof> ifDone(String id) {
        return Optional.ofNullable(scenes.get(id)).flatMap(Lazy::ifDone);
    }

    /// The gear with every lead read.
    public Survey survey() {
        return survey.get();
    }

    /// Where line-up lies at every point of the rig.
    public LevelMap levels() {
        return levels.get();
    }

    /// What a source comes to on its strongest way to an ear, step by step; empty where it does not
    /// come, or there is no such scene.
    public Optional<Staircase> staircase(String scene, String source, String ear) {
        return scene(scene)
                .flatMap(
                        in ->
                                Staircase.of(
                                        in.tracer().live(),
                                        levels(),
                                        show.checks().limits(),
                                        source,
                                        ear));
    }

    /// Every input gain of the rig, as it stands and as it should.
    public List<InputGain> gains() {
        return gains.get();
    }

    private List<InputGain> workOutGains() {
        SequencedMap<Scene, LiveGraph> lives = new LinkedHashMap<>();
        for (SceneProof scene : scenes()) lives.put(scene.scene(), scene.tracer().live());
        return Gains.of(show, levels(), lives);
    }

    /// Everything that is wrong: in all scenes, scene by scene, then in the rig.
    public List<Finding> findings() {
        return Stream.concat(heard().stream(), ofTheRig().stream()).toList();
    }

    /// What is wrong with what is heard, scene by scene, worst first in each.
    public List<Finding> heard() {
        scenes.values().stream().findFirst().ifPresent(first -> first.get().findings());
        return eachScene().flatMap(scene -> scene.findings().stream()).toList();
    }

    /// What is wrong with gear, leads, earths and power, worst first.
    public List<Finding> ofTheRig() {
        return rig.get();
    }

    /// What is wrong with a device or a lead in it, worst first.
    public List<Finding> ofDevice(String device) {
        List<String> ids = new ArrayList<>(List.of(device));
        survey().device(device).map(survey()::leadsOf).orElse(List.of()).stream()
                .map(lead -> lead.cable().id())
                .forEach(ids::add);
        return ofTheRig().stream()
                .filter(finding -> finding.gear().stream().anyMatch(ids::contains))
                .toList();
    }

    /// What is wrong with one lead, worst first.
    public List<Finding> ofLead(String cable) {
        return ofTheRig().stream().filter(finding -> finding.gear().contains(cable)).toList();
    }
}
