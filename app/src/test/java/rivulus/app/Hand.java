package rivulus.app;

import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.concurrent.locks.LockSupport;
import java.util.function.BooleanSupplier;
import java.util.function.Supplier;
import java.util.function.UnaryOperator;
import javafx.application.Platform;
import javafx.geometry.Bounds;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.Labeled;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.scene.robot.Robot;
import javafx.scene.text.Text;
import javafx.stage.Stage;
import rivulus.app.session.FileAsker;
import rivulus.app.session.Session;
import rivulus.app.session.Settings;
import rivulus.app.shell.MainWindow;
import rivulus.check.Prover;
import rivulus.file.Journal;
import rivulus.rule.Rules;
import rivulus.show.Show;

/// A hand on keyboard and mouse before the real window, and an eye on what it shows. Nothing
/// sleeps: the hand waits until the window shows what was asked for, and for fixes where
/// [#awaitFixes()] says so.
final class Hand implements AutoCloseable {
    /// With Ctrl the stages, with Shift besides the parts of the day.
    static final List<KeyCode> STAGES =
            List.of(KeyCode.DIGIT1, KeyCode.DIGIT2, KeyCode.DIGIT3, KeyCode.DIGIT4, KeyCode.DIGIT5);

    private static final Duration PATIENCE = Duration.ofMinutes(3);
    private static final long POLL_NANOS = 2_000_000;
    private static final Prover PROVER = Rules.prover();

    static {
        Toolkit.start();
    }

    private final Path state;
    private Session session;
    private MainWindow window;
    private Stage stage;
    private Optional<Path> answer = Optional.empty();

    private Hand(Path state) {
        this.state = state;
    }

    /// A window of 1280 by 800 without a show, with settings and journal in a folder.
    static Hand atNewWindow(Path state) {
        Hand hand = new Hand(state);
        onFx(
                () -> {
                    hand.start();
                    return null;
                });
        hand.settle();
        return hand;
    }

    private void start() {
        Settings settings = Settings.in(state);
        settings.motion().set(false);
        settings.searching().set(false);
        List<String> notes = new ArrayList<>(settings.troubles());
        Journal.Found found = Journal.leftIn(settings.journals(), PROVER.catalogue());
        notes.addAll(found.troubles());
        session = new Session(PROVER, settings, App.journal(settings, notes));
        FileAsker asker =
                new FileAsker() {
                    @Override
                    public Optional<Path> toOpen() {
                        return answer;
                    }

                    @Override
                    public Optional<Path> toSave(String name) {
                        return answer;
                    }
                };
        window = new MainWindow(session, Optional.of(asker));
        stage = new Stage();
        stage.setScene(window.scene());
        stage.show();
        stage.requestFocus();
        window.begin();
        window.tell(notes);
        window.offer(found.left());
    }

    /// A window in which the demo show is open.
    static Hand atDemo(Path state) {
        return atShow(state, "lantern-hour");
    }

    /// A window in which one of the shipped shows is open.
    static Hand atShow(Path state, String name) {
        Hand hand = atNewWindow(state);
        hand.act(() -> hand.window.openDemo(name));
        return hand;
    }

    Session session() {
        return session;
    }

    MainWindow window() {
        return window;
    }

    Stage stage() {
        return stage;
    }

    /// What the file dialog will be answered with.
    void willAnswer(Path file) {
        answer = Optional.of(file);
    }

    /// Does something on the interface thread and waits until all that comes of it is there.
    void act(Runnable deed) {
        onFx(
                () -> {
                    deed.run();
                    return null;
                });
        settle();
    }

    /// Does something to the show as it is, as an edit; waits, unless it is done within [#act].
    void edit(String name, UnaryOperator<Show> what) {
        Runnable edit = () -> session.document().edit(name, what);
        if (Platform.isFxApplicationThread()) edit.run();
        else act(edit);
    }

    /// Makes the window so many pixels wide and waits until the scene is.
    void widen(double width) {
        act(() -> stage.setWidth(width));
        await(() -> window.scene().getWidth() == width);
        settle();
    }

    /// Presses keys one after the other while holding the former ones: `press(CONTROL, Z)`.
    void press(KeyCode... keys) {
        act(() -> tap(keys));
    }

    private static void tap(KeyCode... keys) {
        Robot robot = new Robot();
        for (KeyCode key : keys) robot.keyPress(key);
        for (int i = keys.length - 1; i >= 0; i--) robot.keyRelease(keys[i]);
    }

    /// Types letters and blanks.
    void type(String words) {
        for (char letter : words.toCharArray()) {
            KeyCode key =
                    switch (letter) {
                        case ' ' -> KeyCode.SPACE;
                        case ',' -> KeyCode.COMMA;
                        case '-' -> KeyCode.MINUS;
                        case '\'' -> KeyCode.QUOTE;
                        case ':' -> KeyCode.SEMICOLON;
                        case '>' -> KeyCode.PERIOD;
                        default ->
                                KeyCode.getKeyCode(String.valueOf(letter).toUpperCase(Locale.ROOT));
                    };
            boolean shift = Character.isUpperCase(letter) || letter == ':' || letter == '>';
            onFx(
                    () -> {
                        if (shift) tap(KeyCode.SHIFT, key);
                        else tap(key);
                        return null;
                    });
        }
        settle();
    }

    /// Puts the keyboard on the first node that a selector finds.
    void focus(String selector) {
        Node node = find(selector);
        act(node::requestFocus);
    }

    /// Clicks in the middle of the first node that a selector finds.
    void click(String selector) {
        click(find(selector));
    }

    /// Clicks in the middle of a node.
    void click(Node node) {
        act(
                () -> {
                    Bounds bounds = node.localToScreen(node.getBoundsInLocal());
                    Robot robot = new Robot();
                    robot.mouseMove(new Point2D(bounds.getCenterX(), bounds.getCenterY()));
                    robot.mouseClick(MouseButton.PRIMARY);
                });
    }

    /// Waits until all is shown, fixes that are still searched aside.
    private void settle() {
        settle(session::isShown);
    }

    /// Lets fixes be searched, from now on, and waits until every one has been found.
    void awaitFixes() {
        letSearch();
        awaitRest();
    }

    /// Lets fixes be searched by themselves from now on, as they usually are; a hand that looks for
    /// none spares the machine that.
    void letSearch() {
        onFx(
                () -> {
                    session.settings().searching().set(true);
                    return null;
                });
    }

    /// Waits until nothing goes on any more.
    void awaitRest() {
        settle(session::isSettled);
    }

    private void settle(BooleanSupplier condition) {
        for (int pass = 0; pass < 2; pass++) {
            await(condition);
            onFx(() -> null);
        }
        onFx(
                () -> {
                    window.scene().getRoot().applyCss();
                    window.scene().getRoot().layout();
                    return null;
                });
        // what has another size now may be drawn anew
        await(condition);
    }

    /// Waits until something is so.
    static void await(BooleanSupplier condition) {
        Instant end = Instant.now().plus(PATIENCE);
        while (!onFx(condition::getAsBoolean)) {
            if (Instant.now().isAfter(end))
                throw new AssertionError("the window did not settle in " + PATIENCE);
            LockSupport.parkNanos(POLL_NANOS);
        }
    }

    /// Whether something is there for a selector.
    boolean sees(String selector) {
        return onFx(() -> window.scene().getRoot().lookup(selector) != null);
    }

    /// The first node that a selector finds.
    Node find(String selector) {
        return onFx(
                () -> {
                    Node node = window.scene().getRoot().lookup(selector);
                    if (node == null) throw new AssertionError("nothing is there for " + selector);
                    return node;
                });
    }

    /// Every node that a selector finds.
    List<Node> all(String selector) {
        return onFx(() -> List.copyOf(window.scene().getRoot().lookupAll(selector)));
    }

    /// The visible node with that text.
    Node withText(String text) {
        return onFx(
                () -> {
                    List<Node> found = new ArrayList<>();
                    visit(
                            window.scene().getRoot(),
                            node -> {
                                boolean labeled =
                                        node instanceof Labeled l && text.equals(l.getText());
                                boolean plain =
                                        node instanceof Text t
                                                && text.equals(t.getText())
                                                && !(t.getParent() instanceof Labeled);
                                if (labeled || plain) found.add(node);
                            });
                    if (found.isEmpty()) throw new AssertionError("nothing says \"" + text + "\"");
                    return found.getFirst();
                });
    }

    /// Every visible text under a node, in order.
    List<String> textsIn(String selector) {
        Node root = find(selector);
        return onFx(
                () -> {
                    List<String> texts = new ArrayList<>();
                    visit(
                            root,
                            node -> {
                                if (node instanceof Labeled l
                                        && l.getText() != null
                                        && !l.getText().isEmpty()) texts.add(l.getText());
                                if (node instanceof Text t && !(t.getParent() instanceof Labeled))
                                    texts.add(t.getText());
                            });
                    return texts;
                });
    }

    /// All of it as one line.
    String textIn(String selector) {
        return String.join(" | ", textsIn(selector));
    }

    static void visit(Node node, java.util.function.Consumer<Node> visitor) {
        if (!node.isVisible()) return;
        visitor.accept(node);
        if (node instanceof Parent parent) {
            parent.getChildrenUnmodifiable().forEach(child -> visit(child, visitor));
        }
    }

    static <T> T onFx(Supplier<T> question) {
        if (Platform.isFxApplicationThread()) return question.get();
        try {
            CompletableFuture<T> answer = new CompletableFuture<>();
            Platform.runLater(
                    () -> {
                        try {
                            answer.complete(question.get());
                        } catch (RuntimeException | Error broken) {
                            answer.completeExceptionally(broken);
                        }
                    });
            return answer.get(PATIENCE.toSeconds(), TimeUnit.SECONDS);
        } catch (ExecutionException broken) {
            throw new AssertionError(broken.getCause());
        } catch (InterruptedException | TimeoutException stuck) {
            throw new AssertionError("the interface thread does not answer", stuck);
        }
    }

    @Override
    public void close() {
        onFx(
                () -> {
                    stage.close();
                    session.close();
                    return null;
                });
    }
}
