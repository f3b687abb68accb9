package rivulus.check;

import java.util.List;

/// What finds what is wrong; see `rivulus.rule`.
public interface Judge {
    /// What is wrong with what is heard in one scene, worst first.
    List<Finding> of(SceneProof scene);

    /// What is wrong with gear, leads, earths and power, whatever the scene, worst first.
    List<Finding> of(Proof proof);
}
