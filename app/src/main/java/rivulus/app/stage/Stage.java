package rivulus.app.stage;

import javafx.scene.Node;

/// A stage of the work: it has the middle of the window and, unless a device is chosen, its side.
///
/// A new one is a package of its own and a [Door] in the workspace. What it shows is drawn up by
/// the [rivulus.app.session.View]s that it registers with the session, while it is seen.
public interface Stage {
    /// What fills the middle. Where something in it has the style class `stage-focus`, the keyboard
    /// goes there.
    Node middle();

    /// What stands at the side.
    Node side();
}
