package rivulus.app.brief;

import javafx.scene.Node;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import rivulus.app.look.Look;
import rivulus.app.session.Session;
import rivulus.app.stage.Stage;

/// Who must hear whom, and whether they do.
public final class BriefStage extends VBox implements Stage {
    /// By which the session knows it.
    public static final String ID = "brief";

    private final WishPane wishes;

    /// The stage of a session.
    public BriefStage(Session session) {
        wishes = new WishPane(session);
        getStyleClass().add("stage");
        HearingChart chart = new HearingChart(session);
        ScrollPane scroll = new ScrollPane(chart);
        scroll.setFitToWidth(true);
        scroll.setFocusTraversable(false);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        getChildren()
                .addAll(
                        Look.text("Who hears whom", "stage-title"),
                        Look.paragraph(
                                "Filled: must be heard and is. Ring: may be heard and is. Bar: kept out, as wished. Empty: may be"
                                        + " heard and is not. A word"
                                        + " and a mark: not as wished. A corner: an exception somebody asked for.",
                                "soft",
                                "legend"),
                        scroll);
    }

    @Override
    public String id() {
        return ID;
    }

    @Override
    public String title() {
        return "Brief";
    }

    @Override
    public Node middle() {
        return this;
    }

    @Override
    public Node side() {
        return wishes;
    }
}
