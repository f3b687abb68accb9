package rivulus.app.shell;

import java.util.List;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.layout.StackPane;

/// The workspace with what lies over it.
final class Layers extends StackPane {
    private final Workspace workspace;

    Layers(Workspace workspace) {
        super(workspace);
        this.workspace = workspace;
    }

    /// Whether nothing lies over the workspace.
    boolean isClear() {
        return getChildren().size() == 1;
    }

    /// Lays something over the workspace.
    void lay(Node over) {
        getChildren().add(over);
        showTop();
    }

    /// Closes what lies on top of the workspace, if anything does.
    void closeTop() {
        if (getChildren().size() > 1) getChildren().removeLast();
        showTop();
        if (getChildren().size() == 1) workspace.focusAgain();
        else if (getChildren().getLast() instanceof Panel panel) panel.focus();
    }

    /// Of what lies over the workspace only the uppermost is seen.
    private void showTop() {
        List<Node> all = getChildren();
        for (int i = 1; i < all.size(); i++) all.get(i).setVisible(i == all.size() - 1);
        workspace.setDisable(all.size() > 1);
    }

    /// A card over the workspace.
    Panel panel(String title, String words) {
        Panel panel = new Panel(title, words, this::closeTop);
        lay(panel);
        Platform.runLater(panel::focus);
        return panel;
    }
}
