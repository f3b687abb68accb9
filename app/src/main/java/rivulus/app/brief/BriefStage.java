package rivulus.app.brief;

import java.util.List;
import java.util.Map;
import java.util.function.Supplier;
import javafx.scene.Node;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
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
    private final SheetPane sheet;
    private final SayPane say;
    private final Runnable look;
    private final VBox hearing = new VBox();
    private final ToggleButton writes = new ToggleButton("The evening, written");
    private final ToggleButton hears = new ToggleButton("Who hears whom");
    private final ToggleButton saying = new ToggleButton("Who and what");
    private final ToggleButton wishing = new ToggleButton("Wishes");
    private final VBox side = new VBox(10);

    /// The stage of a session.
    ///
    /// @param look turns to what a show comes to
    /// @param wanted what there is to do besides where nothing is said yet
    public BriefStage(Session session, Runnable look, StartPage.Wanted wanted) {
        this.session = session;
        this.look = look;
        sheet = new SheetPane(session, new StartPage(session, wanted));
        say = new SayPane(session, sheet, look, this::opened);
        WishPane wishes = new WishPane(session);
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
        Look.tabs(Map.of(saying, scrollSay, wishing, wishes));
        saying.setSelected(true);
        session.source()
                .subscribe(
                        source -> {
                            if (!source.isEmpty()) wishing.setSelected(true);
                        });
        writes.setId("write-tab");
        hears.setId("hears-tab");
        Look.tabs(Map.of(writes, sheet, hears, hearing));
        HBox halves = new HBox(writes, hears);
        halves.getStyleClass().add("middle-tabs");
        sheet.addEventHandler(
                KeyEvent.KEY_PRESSED,
                event -> {
                    if (event.getCode() != KeyCode.ESCAPE || isEmpty()) return;
                    hears.setSelected(true);
                    event.consume();
                });
        getStyleClass().add("stage");
        ScrollPane scroll = new HearingChart(session).scrolling();
        VBox.setVgrow(scroll, Priority.ALWAYS);
        VBox.setVgrow(sheet, Priority.ALWAYS);
        VBox.setVgrow(hearing, Priority.ALWAYS);
        hearing.getChildren()
                .addAll(
                        Look.paragraph(
                                "Filled: must be heard and is. Ring: may be heard and is. Bar: kept out, as wished. Empty: may be"
                                        + " heard and is not. A word"
                                        + " and a mark: not as wished. A corner: an exception somebody asked for.",
                                "soft",
                                "legend"),
                        scroll);
        getChildren().addAll(halves, sheet, hearing);
        hears.setSelected(true);
        session.show().subscribe(_ -> begun());
    }

    private boolean isEmpty() {
        return SheetPane.isBlank(session.show().get());
    }

    /// Where nothing is said the sheet is the stage.
    private void begun() {
        hears.setDisable(isEmpty());
        if (isEmpty()) writes.setSelected(true);
    }

    /// A show was opened: where a sheet stood in its place, one looks at what it comes to.
    private void opened() {
        if (isEmpty()) return;
        boolean wrote = writes.isSelected();
        hears.setSelected(true);
        if (wrote && session.stage().get().equals(ID)) look.run();
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
        writes.setSelected(true);
        say.close();
        applyCss(); // what a pane scrolls is not in the window before its style is
        sheet.focusLines();
    }

    @Override
    public Node side() {
        return side;
    }
}
