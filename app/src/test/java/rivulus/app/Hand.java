package rivulus.app;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.concurrent.locks.LockSupport;
import java.util.function.BooleanSupplier;
import java.util.function.Supplier;
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
import rivulus.app.session.Session;
import rivulus.app.view.Look;
import rivulus.app.view.MainWindow;
import rivulus.check.Limits;
import rivulus.check.Prover;
import rivulus.file.Templates;

/// A hand on keyboard and mouse before the real window, and an eye on what it shows. Nothing
/// sleeps: the hand waits until the window has settled.
final class Hand implements AutoCloseable {
    private static final Duration PATIENCE = Duration.ofSeconds(60);
    private static final long POLL_NANOS = 2_000_000;
    private static final CountDownLatch STARTED = new CountDownLatch(1);

    static {
        Platform.startup(
                () -> {
                    Platform.setImplicitExit(false);
                    Look.loadFonts();
                    STARTED.countDown();
                });
    }

    private final Session session;
    private final MainWindow window;
    private final Stage stage;

    private Hand(Session session, MainWindow window, Stage stage) {
        this.session = session;
        this.window = window;
        this.stage = stage;
    }

    /// A window of 1280 by 800 without a show.
    static Hand atNewWindow() {
        return onFx(
                () -> {
                    Session session =
                            new Session(
                                    Prover.of(
                                            Templates.shipped(),
                                            Templates.briefDefaults(),
                                            Limits.USUAL));
                    MainWindow window = new MainWindow(session);
                    Stage stage = new Stage();
                    stage.setScene(window.scene());
                    stage.show();
                    stage.requestFocus();
                    return new Hand(session, window, stage);
                });
    }

    Session session() {
        return session;
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

    /// Presses keys one after the other while holding the former ones: `press(CONTROL, Z)`.
    void press(KeyCode... keys) {
        act(
                () -> {
                    Robot robot = new Robot();
                    for (KeyCode key : keys) robot.keyPress(key);
                    for (int i = keys.length - 1; i >= 0; i--) robot.keyRelease(keys[i]);
                });
    }

    /// Puts the keyboard on the first node that a selector finds.
    void focus(String selector) {
        Node node = find(selector);
        act(node::requestFocus);
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

    /// Waits until nothing is being worked out and the window has drawn it.
    void settle() {
        await(session::isSettled);
        onFx(() -> null);
        await(session::isSettled);
        onFx(
                () -> {
                    window.scene().getRoot().applyCss();
                    window.scene().getRoot().layout();
                    return null;
                });
    }

    private static void await(BooleanSupplier condition) {
        Instant end = Instant.now().plus(PATIENCE);
        while (!onFx(condition::getAsBoolean)) {
            if (Instant.now().isAfter(end))
                throw new AssertionError("the window did not settle in " + PATIENCE);
            LockSupport.parkNanos(POLL_NANOS);
        }
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

    /// Every visible text under a node, in order.
    List<String> textsIn(String selector) {
        Node node = find(selector);
        return onFx(
                () -> {
                    List<String> texts = new ArrayList<>();
                    collect(node, texts);
                    return texts;
                });
    }

    private static void collect(Node node, List<String> texts) {
        if (!node.isVisible()) return;
        if (node instanceof Labeled labeled
                && labeled.getText() != null
                && !labeled.getText().isEmpty()) {
            texts.add(labeled.getText());
        }
        if (node instanceof Text text && !(node.getParent() instanceof Labeled))
            texts.add(text.getText());
        if (node instanceof Parent parent)
            parent.getChildrenUnmodifiable().forEach(child -> collect(child, texts));
    }

    static <T> T onFx(Supplier<T> question) {
        try {
            STARTED.await();
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
