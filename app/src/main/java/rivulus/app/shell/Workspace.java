package rivulus.app.shell;

import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import rivulus.app.brief.BriefStage;
import rivulus.app.brief.StartPage;
import rivulus.app.day.DayStage;
import rivulus.app.levels.LevelsStage;
import rivulus.app.look.Look;
import rivulus.app.mixes.MixesStage;
import rivulus.app.rig.KnobsPane;
import rivulus.app.rig.RigStage;
import rivulus.app.session.Session;
import rivulus.app.stage.Door;
import rivulus.app.stage.Stage;

/// Rail on the left, the chosen stage in the middle, findings, wishes or knobs on the right. In a
/// narrow window the right-hand pane folds into a drawer.
final class Workspace extends BorderPane {
    private static final double NARROW = 1180;

    private final Session session;
    private final EarRail rail;
    private final MainWindow window;
    private KnobsPane knobs;
    private final StackPane side = new StackPane();
    private final StackPane middle = new StackPane();
    private final Door<MixesStage> mixes;
    private final Door<RigStage> rig;
    private final Door<BriefStage> brief;
    private final List<Door<?>> stages;
    private final Button drawer = new Button("Findings");
    private boolean drawerOpen;
    private Node lastFocused;

    Workspace(Session session, MainWindow window) {
        this.session = session;
        getStyleClass().add("workspace");
        this.window = window;
        rail = new EarRail(session);
        rig =
                new Door<>(
                        RigStage.ID,
                        RigStage.TITLE,
                        () ->
                                new RigStage(
                                        session, kind -> window.openBench(kind, Optional.empty())),
                        RigStage::commands);
        brief =
                new Door<>(
                        BriefStage.ID,
                        BriefStage.TITLE,
                        () ->
                                new BriefStage(
                                        session,
                                        () -> session.stage().set(MixesStage.ID),
                                        new StartPage.Wanted(
                                                () -> window.files().openShow(),
                                                window::open,
                                                window::openDemo)),
                        BriefStage::commands);
        Door<DayStage> day =
                new Door<>(
                        DayStage.ID,
                        DayStage.TITLE,
                        () ->
                                new DayStage(
                                        session,
                                        kind -> window.files().saveSheet(kind),
                                        () -> window.files().saveChapters(),
                                        () -> window.files().nextShow()),
                        stage -> DayStage.commands(session, stage));
        mixes =
                new Door<>(
                        MixesStage.ID,
                        MixesStage.TITLE,
                        () ->
                                new MixesStage(
                                        session,
                                        () -> brief.get().say(),
                                        this::focusEars,
                                        (ear, source) -> day.get().find(ear, source)),
                        MixesStage::commands);
        Door<LevelsStage> levels =
                new Door<>(
                        LevelsStage.ID,
                        LevelsStage.TITLE,
                        () ->
                                new LevelsStage(
                                        session,
                                        () -> window.files().openRecording(),
                                        () -> window.files().saveRecording(),
                                        () -> session.stage().set(RigStage.ID)),
                        stage -> LevelsStage.commands(session, stage));
        stages = List.of(brief, rig, mixes, levels, day);
        session.stage().set(mixes.id());
        side.getStyleClass().add("side");
        side.setId("side");
        drawer.setId("drawer");
        drawer.getStyleClass().add("drawer");
        drawer.setOnAction(
                _ -> {
                    drawerOpen = !drawerOpen;
                    arrange();
                });
        setTop(new TopBar(session, stages, window::openPalette));
        setLeft(rail);
        setCenter(middle);
        setBottom(new VBox(new KeptBar(session.document()), new BottomBar(session, drawer)));
        session.stage().addListener((_, _, _) -> arrange());
        session.device().addListener((_, _, _) -> arrange());
        widthProperty().addListener((_, _, _) -> arrange());
        sceneProperty()
                .addListener(
                        (_, _, scene) ->
                                scene.focusOwnerProperty()
                                        .addListener(
                                                (_, _, node) -> {
                                                    if (node != null && isAncestorOf(node))
                                                        lastFocused = node;
                                                }));
        arrange();
    }

    private boolean isAncestorOf(Node node) {
        for (Node at = node; at != null; at = at.getParent()) if (at == this) return true;
        return false;
    }

    /// The stages of the work, in the order people go through them.
    List<Door<?>> stages() {
        return stages;
    }

    private Stage stage() {
        return stages.stream()
                .filter(stage -> stage.id().equals(session.stage().get()))
                .findFirst()
                .orElse(mixes)
                .get();
    }

    /// The knobs of a device, built when one is first chosen.
    private KnobsPane knobs() {
        if (knobs == null)
            knobs =
                    new KnobsPane(
                            session,
                            device ->
                                    window.openBench(
                                            Optional.of(device.template()), Optional.of(device)));
        return knobs;
    }

    private void arrange() {
        middle.getChildren().setAll(stage().middle());
        side.getChildren().setAll(session.device().get().isEmpty() ? stage().side() : knobs());
        boolean narrow = getWidth() > 0 && getWidth() < NARROW;
        Look.show(drawer, narrow);
        drawer.setText(drawerOpen ? "Close drawer" : "Open drawer");
        boolean shown = !narrow || drawerOpen || !session.device().get().isEmpty();
        setRight(shown ? side : null);
    }

    /// Turns to the sheet on which a show is said.
    void write() {
        brief.get().say();
    }

    /// Turns to the catalogue.
    void searchGear() {
        session.device().set("");
        session.stage().set(rig.id());
        openSide();
        rig.get().search();
    }

    void focusEars() {
        rail.list().requestFocus();
    }

    void focusFindings() {
        session.device().set("");
        session.stage().set(mixes.id());
        openSide();
        mixes.get().focusFindings();
    }

    /// Shows the side, and sees to it that what is in it can take the keyboard at once: what a pane
    /// scrolls is not in the window before its style is.
    private void openSide() {
        drawerOpen = true;
        arrange();
        side.applyCss();
    }

    void focusStage() {
        Node target = stage().middle().lookup(".stage-focus");
        (target == null ? rail.list() : target).requestFocus();
    }

    /// Gives the keyboard back to where it was before something lay over the window.
    void focusAgain() {
        if (lastFocused != null && lastFocused.getScene() != null) lastFocused.requestFocus();
        else focusEars();
    }
}
