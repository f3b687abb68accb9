package rivulus.app.stage;

import java.util.List;
import javafx.scene.Node;

/// A stage of the work: it has the middle of the window and, unless a device is chosen, its side.
///
/// A new one is a package of its own and a line in the workspace. What it shows is drawn up by the
/// [rivulus.app.session.View]s that it registers with the session, while it is seen.
public interface Stage {
    /// By which the session knows it: `mixes`.
    String id();

    /// Its name in the top bar.
    String title();

    /// What fills the middle. Where something in it has the style class `stage-focus`, the keyboard
    /// goes there.
    Node middle();

    /// What stands at the side.
    Node side();

    /// What can be asked of it, for the palette.
    default List<Command> commands() {
        return List.of();
    }
}
