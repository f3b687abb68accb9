package rivulus.rule;

import java.util.List;
import rivulus.check.SceneProof;
import rivulus.hearing.Way;
import rivulus.hearing.Ways;

/// What comes bare through the air of a room, with no knob on its way: a fact of the room.
final class Bare {
    private static final int WAYS_LOOKED_AT = 4;

    private Bare() {}

    /// Whether a source comes so to an ear.
    ///
    /// @param db ways softer than this do not count, but for the strongest
    static boolean is(SceneProof scene, SceneProof.Heard cell, double db) {
        List<Way> ways =
                Ways.of(scene.tracer().live())
                        .strongest(cell.source().id(), cell.ear().id(), WAYS_LOOKED_AT)
                        .all();
        return !ways.isEmpty()
                && ways.stream()
                        .filter(way -> way == ways.getFirst() || way.levelDb() > db)
                        .flatMap(way -> way.legs().stream())
                        .allMatch(leg -> leg.governors().isEmpty());
    }
}
