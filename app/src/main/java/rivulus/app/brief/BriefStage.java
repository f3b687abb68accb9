package rivulus.app.brief;

import java.util.List;
import java.util.function.Supplier;
import javafx.scene.Node;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import rivulus.app.look.Look;
import rivulus.app.session.Session;
import rivulus.app.stage.Command;
import rivulus.app.stage.Stage;

/// Who must hear whom, and whether they do.
public final class BriefStage extends VBox implements Stage {
    /// By which the session knows it.
    public static final String ID = "brief";

    /// Its name in the top bar.
    public static final String TITLE = "Brief";

    private final Session session;
    private final SayPane say;
    private final ToggleButton saying = new ToggleButton("Who and what");
    private final ToggleButton wishing = new ToggleButton("Wishes");
    private final VBox side = new VBox(10);

    /// The stage of a session.
    ///
    /// @param look turns to what a show comes to
    public BriefStage(Session session, Runnable look) {
        this.session = session;
        say = new SayPane(session, look);
        WishPane wishes = new WishPane(session);
        ToggleGroup tabs = new ToggleGroup();
        for (ToggleButton tab : List.of(saying, wishing)) {
            tab.setToggleGroup(tabs);
            tab.getStyleClass().setAll("pane-tab");
        }
        saying.setId("say-tab");
        wishing.setId("wishes-tab");
        HBox heads = new HBox(saying, wishing);
        heads.getStyleClass().add("gear-tabs");
        ScrollPane scrollSay = Look.scroll(say);
        scrollSay.setId("say-scroll");
        VBox.setVgrow(scrollSay, Priority.ALWAYS);
        VBox.setVgrow(wishes, Priority.ALWAYS);
        say.getStyleClass().add("cards");
        side.getStyleClass().add("gear-pane");
        side.getChildren().setAll(heads, scrollSay, wishes);
        tabs.selectedToggleProperty()
                .addListener(
                        (_, was, is) -> {
                            if (is == null) was.setSelected(true);
                            Look.show(scrollSay, saying.isSelected());
                            Look.show(wishes, wishing.isSelected());
                        });
        saying.setSelected(true);
        session.source()
                .subscribe(
                        source -> {
                            if (!source.isEmpty()) wishing.setSelected(true);
                        });
        getStyleClass().add("stage");
        ScrollPane scroll = new HearingChart(session).scrolling();
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
    public Node middle() {
        return this;
    }

    /// What can be asked of it.
    public static List<Command> commands(Supplier<BriefStage> stage) {
        return List.of(
                Command.of(
                        "Say who is in the show, who listens, and its scenes",
                        "Shortcut+L",
                        () -> stage.get().say()),
                Command.of(
                        "Steps from an empty show to a proven one", "", () -> stage.get().walk()));
    }

    private void walk() {
        say();
        say.walk(true);
    }

    /// Turns to where the show is said.
    public void say() {
        session.device().set("");
        session.stage().set(ID);
        saying.setSelected(true);
        side.applyCss(); // what a pane scrolls is not in the window before its style is
        say.focusLines();
    }

    @Override
    public Node side() {
        return side;
    }
}
