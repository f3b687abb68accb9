package rivulus.app.day;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.Supplier;
import javafx.scene.Node;
import javafx.scene.control.TextInputControl;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import rivulus.app.session.Picture;
import rivulus.app.session.Session;
import rivulus.app.session.View;
import rivulus.app.stage.Command;
import rivulus.app.stage.Stage;
import rivulus.setup.Step;
import rivulus.sheet.Sheets;
import rivulus.show.Profile;
import rivulus.show.Symptom;
import rivulus.trouble.Soundcheck;

/// The day of the show, from the empty room to the log: parts in the order in which they are used.
public final class DayStage extends StackPane implements Stage, View<DaySight> {
    /// By which the session knows it.
    public static final String ID = "day";

    /// Its name in the top bar.
    public static final String TITLE = "Show day";

    /// Batteries and the like are looked at again so often.
    private static final int LOOK_AGAIN_SECONDS = 30;

    /// A part of the stage.
    interface PartBox {
        Node middle();

        Node side();

        void show(DaySight sight);

        void clear();

        /// A key that nothing else took.
        void key(KeyEvent event);

        /// The time has gone on.
        default void tick() {}
    }

    private final Session session;
    private final DaySight.Memo memo = new DaySight.Memo();
    private final Map<DaySight.Part, PartBox> parts = new EnumMap<>(DaySight.Part.class);
    private final Map<DaySight.Part, ToggleButton> tabs = new EnumMap<>(DaySight.Part.class);
    private final StackPane shown = new StackPane();
    private final StackPane side = new StackPane();
    private final SetUpBox setUp;
    private final TroubleBox trouble;
    private final SecondHand clock = new SecondHand(this::second);
    private DaySight.Part part = DaySight.Part.SET_UP;
    private int seconds;
    /// Whether the keyboard is wanted here once it is drawn.
    private boolean wanted;
    /// Whether the key that is down did something.
    private boolean taken;

    /// The stage of a session.
    ///
    /// @param save asks where a sheet goes
    /// @param saveChapters asks where chapter marks go
    /// @param nextShow begins the next evening from this one
    public DayStage(
            Session session, Consumer<Sheets.Kind> save, Runnable saveChapters, Runnable nextShow) {
        this.session = session;
        setUp = new SetUpBox(session, this::find, () -> save.accept(Sheets.Kind.SETUP));
        parts.put(DaySight.Part.SET_UP, setUp);
        parts.put(DaySight.Part.SOUNDCHECK, new SoundcheckBox(session, this::find));
        trouble = new TroubleBox(session);
        parts.put(DaySight.Part.TROUBLE, trouble);
        parts.put(DaySight.Part.AIR, new AirBox(session, () -> turn(DaySight.Part.TROUBLE)));
        parts.put(
                DaySight.Part.LOG,
                new LogBox(session, () -> save.accept(Sheets.Kind.LOG), saveChapters, nextShow));
        HBox heads = new HBox();
        heads.getStyleClass().addAll("layers", "over-heading");
        for (DaySight.Part one : DaySight.Part.values()) {
            ToggleButton tab = new ToggleButton(one.title());
            tab.setId("day-" + one.name().toLowerCase(Locale.ROOT).replace('_', '-'));
            tab.getStyleClass().setAll("pane-tab");
            tab.setOnAction(_ -> turn(one));
            tabs.put(one, tab);
            heads.getChildren().add(tab);
        }
        VBox.setVgrow(shown, Priority.ALWAYS);
        VBox whole = new VBox(heads, shown);
        whole.getStyleClass().add("stage");
        getChildren().setAll(whole);
        for (Node area : List.of(this, side)) {
            area.addEventHandler(KeyEvent.KEY_PRESSED, this::pressed);
            // the letter of a key that opens a field is not the first one in it
            area.addEventFilter(
                    KeyEvent.KEY_TYPED,
                    event -> {
                        if (taken) event.consume();
                        taken = false;
                    });
            area.addEventFilter(KeyEvent.KEY_RELEASED, _ -> taken = false);
        }
        sceneProperty().addListener(_ -> runClock());
        session.draws(this);
        turn(part);
    }

    private void pressed(KeyEvent event) {
        taken = false;
        boolean typing = event.getTarget() instanceof TextInputControl;
        if (typing || event.isShortcutDown() || event.isAltDown()) return;
        parts.get(part).key(event);
        taken = event.isConsumed();
    }

    private void second() {
        parts.get(part).tick();
        if (++seconds % LOOK_AGAIN_SECONDS == 0 && part == DaySight.Part.AIR) session.redraw();
    }

    /// The clock goes only while a part that shows it is looked at.
    private void runClock() {
        clock.run(isSeen() && (part == DaySight.Part.AIR || part == DaySight.Part.SET_UP));
    }

    private void turn(DaySight.Part to) {
        part = to;
        runClock();
        tabs.forEach((one, tab) -> tab.setSelected(one == to));
        shown.getChildren().setAll(parts.get(to).middle());
        side.getChildren().setAll(parts.get(to).side());
        session.redraw();
    }

    private void find(Step step) {
        session.days().find(step);
        wanted = true;
        turn(DaySight.Part.TROUBLE);
    }

    private void find(Soundcheck.Check check, Symptom heard) {
        session.days().find(check, heard);
        wanted = true;
        turn(DaySight.Part.TROUBLE);
    }

    /// Asks what is amiss with what an ear hears of a source.
    public void find(String ear, String source) {
        trouble.about(ear, source);
        session.stage().set(ID);
        session.days().leave();
        wanted = true;
        turn(DaySight.Part.TROUBLE);
    }

    @Override
    public Node middle() {
        return this;
    }

    @Override
    public Node side() {
        return side;
    }

    private static final Map<DaySight.Part, String> KEYS =
            Map.of(
                    DaySight.Part.SET_UP, "Shortcut+Shift+1",
                    DaySight.Part.SOUNDCHECK, "Shortcut+Shift+2",
                    DaySight.Part.TROUBLE, "Shortcut+Shift+3",
                    DaySight.Part.AIR, "Shortcut+Shift+4",
                    DaySight.Part.LOG, "Shortcut+Shift+5");

    /// What can be asked of it.
    public static List<Command> commands(Session session, Supplier<DayStage> stage) {
        List<Command> all = new ArrayList<>();
        for (DaySight.Part one : DaySight.Part.values())
            all.add(
                    Command.of(
                            "Show day: " + one.title(),
                            KEYS.get(one),
                            () -> stage.get().come(one)));
        all.add(
                Command.when(
                        "Find the fault: what the chosen ear hears is amiss",
                        "Shortcut+Shift+F",
                        () -> session.picture().get() != null && !session.ear().get().isEmpty(),
                        () -> stage.get().findForTheEar()));
        all.add(
                new Command(
                        () ->
                                session.document().locked().get()
                                        ? "Open the plan, which is locked on air"
                                        : "Lock the plan",
                        "Shortcut+Shift+U",
                        () -> true,
                        () -> {
                            boolean now = !session.document().locked().get();
                            session.document().lock(now);
                            session.say(
                                    now
                                            ? "The plan is locked: nothing of it changes by accident"
                                            : "The plan can be changed");
                        }));
        return all;
    }

    private void come(DaySight.Part one) {
        session.stage().set(ID);
        turn(one);
        wanted = true;
    }

    private void findForTheEar() {
        find(session.ear().get(), amiss());
    }

    /// The chosen source, else the one that the first finding of the chosen ear is about.
    private String amiss() {
        if (!session.source().get().isEmpty()) return session.source().get();
        Picture picture = session.picture().get();
        return picture.scene().findingsOf(session.ear().get()).stream()
                .flatMap(finding -> finding.source().stream())
                .findFirst()
                .orElse("");
    }

    /// Puts the keyboard where the part is worked with.
    private void focus() {
        side.applyCss();
        applyCss();
        Node target = tabs.get(part);
        for (Node area : List.of(side, this))
            for (Node node : area.lookupAll(".day-focus"))
                if (target == tabs.get(part) && isShown(node)) target = node;
        target.requestFocus();
    }

    private static boolean isShown(Node node) {
        for (Node at = node; at != null; at = at.getParent()) if (!at.isVisible()) return false;
        return true;
    }

    @Override
    public boolean isSeen() {
        return session.stage().get().equals(ID);
    }

    @Override
    public Function<Picture, DaySight> drawing() {
        DaySight.Part now = part;
        var at = session.days().now();
        Optional<Profile> left = setUp.left();
        return picture -> DaySight.of(picture, now, at, memo, left);
    }

    @Override
    public void show(DaySight sight) {
        Optional<Node> before = focused();
        parts.values().forEach(box -> box.show(sight));
        boolean lost = before.isPresent() && before.get().getScene() == null;
        if (wanted) focus();
        else if (lost) again(before.get().getId());
        wanted = false;
    }

    /// What has the keyboard, of this stage.
    private Optional<Node> focused() {
        if (getScene() == null) return Optional.empty();
        Node owner = getScene().getFocusOwner();
        for (Node at = owner; at != null; at = at.getParent())
            if (at == this || at == side) return Optional.of(owner);
        return Optional.empty();
    }

    /// What was laid anew keeps the keyboard, where it is still there.
    private void again(String id) {
        side.applyCss();
        applyCss();
        for (Node area : List.of(side, this)) {
            Node same = id == null ? null : area.lookup("#" + id);
            if (same == null) continue;
            same.requestFocus();
            return;
        }
        focus();
    }

    @Override
    public void clear() {
        parts.values().forEach(PartBox::clear);
    }
}
