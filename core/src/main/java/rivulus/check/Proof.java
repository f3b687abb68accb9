package rivulus.check;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import java.util.stream.Stream;
import rivulus.show.Brief;
import rivulus.show.Show;
import rivulus.signal.SignalGraph;

/// A show proven: what every ear hears in every scene, and what is wrong.
///
/// A scene is worked out when it is first asked for. May be shared between threads.
public final class Proof {
    private final Show show;
    private final Brief brief;
    private final SignalGraph graph;
    private final Map<String, Lazy> scenes = new LinkedHashMap<>();

    /// A scene, worked out at most once.
    private static final class Lazy {
        private Supplier<SceneProof> work;
        private SceneProof done;

        Lazy(Supplier<SceneProof> work) {
            this.work = work;
        }

        synchronized Optional<SceneProof> ifDone() {
            return Optional.ofNullable(done);
        }

        synchronized SceneProof get() {
            if (done == null) {
                done = work.get();
                work = null;
            }
            return done;
        }
    }

    Proof(Show show, Brief brief, SignalGraph graph) {
        this.show = show;
        this.brief = brief;
        this.graph = graph;
    }

    void add(String scene, Supplier<SceneProof> work) {
        scenes.put(scene, new Lazy(work));
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

    /// The scene of that id.
    public Optional<SceneProof> scene(String id) {
        return Optional.ofNullable(scenes.get(id)).map(Lazy::get);
    }

    /// The scene of that id, if it has been worked out.
    Optional<SceneProof> ifDone(String id) {
        return Optional.ofNullable(scenes.get(id)).flatMap(Lazy::ifDone);
    }

    /// What is wrong in all scenes, scene by scene.
    public List<Finding> findings() {
        return eachScene().flatMap(scene -> scene.findings().stream()).toList();
    }
}
