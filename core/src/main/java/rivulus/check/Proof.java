package rivulus.check;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import rivulus.show.Brief;
import rivulus.show.Show;
import rivulus.signal.SignalGraph;

/// A show proven: what every ear hears in every scene, and what is wrong.
public final class Proof {
    private final Show show;
    private final Brief brief;
    private final SignalGraph graph;
    private final Map<String, SceneProof> scenes;

    Proof(Show show, Brief brief, SignalGraph graph, Map<String, SceneProof> scenes) {
        this.show = show;
        this.brief = brief;
        this.graph = graph;
        this.scenes = new LinkedHashMap<>(scenes);
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
        return List.copyOf(scenes.values());
    }

    /// The scene of that id.
    public Optional<SceneProof> scene(String id) {
        return Optional.ofNullable(scenes.get(id));
    }

    /// What is wrong in all scenes, scene by scene.
    public List<Finding> findings() {
        return scenes.values().stream().flatMap(s -> s.findings().stream()).toList();
    }
}
