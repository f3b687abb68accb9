package rivulus.check;

import java.util.List;

/// One rule.
public interface Check {
    /// Its id, as outputs write it: `missing`.
    String id();

    /// What it finds in one scene.
    List<Finding> findings(SceneProof scene, Limits limits);
}
