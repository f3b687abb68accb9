package rivulus.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.lang.management.ManagementFactory;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.CopyOnWriteArrayList;
import javafx.event.Event;
import javafx.event.EventType;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import rivulus.air.Stopwatch;
import rivulus.file.DemoShows;
import rivulus.file.ShowFile;
import rivulus.file.Templates;
import rivulus.gear.Setting;
import rivulus.show.Ref;
import rivulus.show.Show;
import rivulus.sound.Signals;

/// Somebody who presses, clicks, types and drops whatever there is, with a clock that jumps.
/// Nothing fails, nothing hangs, and undo leads back to what was opened.
class WindowTortureTest {
    private static final int ACTIONS = Integer.getInteger("torture.actions", 50);
    private static final long SEED = Long.getLong("torture.seed", 20_261_201L);

    /// More of the processor than anybody waits for, for one press.
    private static final double SLOW_MS = 2_000;

    private static final KeyCode[] KEYS = {
        KeyCode.TAB,
        KeyCode.UP,
        KeyCode.DOWN,
        KeyCode.LEFT,
        KeyCode.RIGHT,
        KeyCode.SPACE,
        KeyCode.ENTER,
        KeyCode.ESCAPE,
        KeyCode.DELETE,
        KeyCode.BACK_SPACE,
        KeyCode.HOME,
        KeyCode.END,
        KeyCode.PAGE_DOWN,
        KeyCode.N,
        KeyCode.M,
        KeyCode.W,
        KeyCode.B,
        KeyCode.C,
        KeyCode.E,
        KeyCode.A,
        KeyCode.O,
        KeyCode.R,
        KeyCode.F,
        KeyCode.L,
        KeyCode.G,
        KeyCode.H,
        KeyCode.DIGIT1,
        KeyCode.DIGIT2,
        KeyCode.DIGIT5,
        KeyCode.PLUS,
        KeyCode.F1
    };

    private static final String[] TEXTS = {
        "Odd, guest, Reading Room",
        "-6",
        "everything but Nadia",
        "x".repeat(5000),
        "ä💧\u202Eß",
        "",
        "mic for Odd",
        "=1+1",
        "\n\n\t",
        "12 dB",
        "Maren"
    };

    @TempDir Path folder;

    private final Random random = new Random(SEED);
    private final List<String> done = new ArrayList<>();
    private final List<Throwable> uncaught = new CopyOnWriteArrayList<>();
    private ZonedDateTime wall =
            ZonedDateTime.of(LocalDateTime.of(2026, 10, 25, 1, 30), ZoneId.of("Europe/Oslo"));
    private long nanos;

    private <T> T any(List<T> all) {
        return all.get(random.nextInt(all.size()));
    }

    @Test
    void whateverIsPressedNothingFailsAndUndoLeadsBack() throws Exception {
        Path file = folder.resolve("café.rivulus");
        Show first = DemoShows.open("language-cafe", Templates.shipped());
        ShowFile.save(first, file);
        Thread.setDefaultUncaughtExceptionHandler((_, thrown) -> uncaught.add(thrown));
        try (Hand hand = Hand.atNewWindow(folder)) {
            hand.act(() -> hand.window().open(file));
            hand.act(() -> hand.session().days().goBy(new Stopwatch(() -> wall, () -> nanos)));
            Show opened = hand.session().show().get();
            for (int action = 0; action < ACTIONS; action++) {
                double ms = act(hand);
                assertThat(ms).as("%s of seed %d", done.getLast(), SEED).isLessThan(SLOW_MS);
                assertThat(hand.session().mishap().get())
                        .as("after %s of seed %d", done, SEED)
                        .isNull();
                assertThat(uncaught).as("after %s of seed %d", done, SEED).isEmpty();
                Show now = hand.session().show().get();
                if (action % 20 == 0)
                    assertThat(ShowFile.again(now, Templates.shipped())).isEqualTo(now);
                if (hand.session().document().undoName().isEmpty()) opened = now;
                if (action % 60 == 59) opened = backAndOn(hand, opened);
            }
            backAndOn(hand, opened);
        } finally {
            Thread.setDefaultUncaughtExceptionHandler(null);
        }
    }

    /// All the way back, and there again.
    private Show backAndOn(Hand hand, Show opened) {
        closeAll(hand);
        Show last = hand.session().show().get();
        hand.act(() -> hand.session().document().lock(false));
        int steps = 0;
        for (; hand.session().document().undoName().isPresent(); steps++)
            Hand.onFx(
                    () -> {
                        hand.session().document().lock(false);
                        hand.session().document().undo();
                        return null;
                    });
        hand.act(() -> {});
        assertThat(hand.session().show().get()).as("undone %d steps", steps).isEqualTo(opened);
        for (int step = 0; step < steps; step++)
            Hand.onFx(
                    () -> {
                        hand.session().document().lock(false);
                        hand.session().document().redo();
                        return null;
                    });
        hand.act(() -> {});
        assertThat(hand.session().show().get()).isEqualTo(last);
        return opened;
    }

    private static void closeAll(Hand hand) {
        for (int layer = 0; layer < 9; layer++) hand.act(hand.window()::closeTop);
    }

    /// Of the processor on the interface thread, in milliseconds.
    private double act(Hand hand) throws Exception {
        long thread = Hand.onFx(() -> Thread.currentThread().threadId());
        var clock = ManagementFactory.getThreadMXBean();
        nanos += random.nextInt(90) * 1_000_000_000L;
        wall = wall.plusSeconds(random.nextInt(90));
        long before = clock.getThreadCpuTime(thread);
        int what = random.nextInt(100);
        if (what < 30) press(hand);
        else if (what < 42) command(hand);
        else if (what < 62) click(hand);
        else if (what < 74) type(hand);
        else if (what < 80) turn(hand);
        else if (what < 85) jump(hand);
        else if (what < 90) drop(hand);
        else if (what < 94) undo(hand);
        else if (what < 97) resize(hand);
        else save(hand);
        return (clock.getThreadCpuTime(thread) - before) / 1e6;
    }

    private void press(Hand hand) {
        KeyCode key = KEYS[random.nextInt(KEYS.length)];
        Node owner = Hand.onFx(() -> hand.window().scene().getFocusOwner());
        done.add(key.getName() + (owner == null ? "" : " on #" + owner.getId()));
        hand.press(key);
    }

    /// One of the keys that the window says it has.
    private void command(Hand hand) {
        List<List<KeyCode>> chords = new ArrayList<>();
        for (KeyCode digit : Hand.STAGES) {
            chords.add(List.of(KeyCode.CONTROL, digit));
            chords.add(List.of(KeyCode.CONTROL, KeyCode.SHIFT, digit));
        }
        for (KeyCode key :
                List.of(
                        KeyCode.K,
                        KeyCode.J,
                        KeyCode.L,
                        KeyCode.E,
                        KeyCode.F,
                        KeyCode.G,
                        KeyCode.B,
                        KeyCode.ENTER,
                        KeyCode.P)) chords.add(List.of(KeyCode.CONTROL, key));
        chords.add(List.of(KeyCode.ALT, KeyCode.RIGHT));
        chords.add(List.of(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.A));
        chords.add(List.of(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.F));
        List<KeyCode> chord = any(chords);
        done.add(chord.toString());
        hand.press(chord.toArray(KeyCode[]::new));
    }

    private void click(Hand hand) {
        List<Node> nodes = new ArrayList<>();
        Hand.onFx(
                () -> {
                    Parent root = hand.window().scene().getRoot();
                    Hand.visit(
                            root,
                            node -> {
                                Bounds at = node.localToScene(node.getBoundsInLocal());
                                boolean inside =
                                        at.getCenterX() > 0
                                                && at.getCenterX() < 1280
                                                && at.getCenterY() > 0
                                                && at.getCenterY() < 800;
                                if (inside && node.isFocusTraversable() && !node.isDisabled())
                                    nodes.add(node);
                            });
                    return null;
                });
        if (nodes.isEmpty()) return;
        Node node = any(nodes);
        done.add("click " + node.getClass().getSimpleName() + " #" + node.getId());
        hand.act(
                () -> {
                    node.requestFocus();
                    if (node instanceof ButtonBase button) {
                        button.fire();
                        return;
                    }
                    for (EventType<MouseEvent> type :
                            List.of(
                                    MouseEvent.MOUSE_PRESSED,
                                    MouseEvent.MOUSE_RELEASED,
                                    MouseEvent.MOUSE_CLICKED))
                        Event.fireEvent(node, clicked(node, type));
                });
    }

    /// Made here: the headless platform has no window under the mouse while a list is open.
    private static MouseEvent clicked(Node node, EventType<MouseEvent> type) {
        Bounds bounds = node.getBoundsInLocal();
        double x = bounds.getCenterX();
        double y = bounds.getCenterY();
        boolean down = type == MouseEvent.MOUSE_PRESSED;
        return new MouseEvent(
                type,
                x,
                y,
                x,
                y,
                MouseButton.PRIMARY,
                1,
                false,
                false,
                false,
                false,
                down,
                false,
                false,
                true,
                false,
                true,
                null);
    }

    private void type(Hand hand) {
        String text = TEXTS[random.nextInt(TEXTS.length)];
        hand.act(
                () -> {
                    Node owner = hand.window().scene().getFocusOwner();
                    if (!(owner instanceof TextInputControl box) || !box.isEditable()) return;
                    done.add("type into #" + box.getId());
                    box.setText(text);
                });
        if (done.isEmpty() || !done.getLast().startsWith("type")) done.add("type nothing");
        if (random.nextBoolean()) hand.press(KeyCode.ENTER);
    }

    private void turn(Hand hand) {
        done.add("turn");
        int db = -random.nextInt(40);
        hand.edit(
                "Turn",
                show ->
                        show.rig().device("desk").isEmpty()
                                ? show.titled("Title " + db)
                                : show.withKnob(Ref.of("desk/mic1.fader"), new Setting.Level(db)));
    }

    private void jump(Hand hand) {
        done.add("jump");
        wall = wall.plusMinutes(random.nextInt(1_000_000) - 500_000);
        hand.press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.DIGIT4);
        hand.press(any(List.of(KeyCode.SPACE, KeyCode.M, KeyCode.B, KeyCode.W)));
    }

    private void drop(Hand hand) throws Exception {
        Path dropped = folder.resolve("dropped" + random.nextInt(3));
        switch (random.nextInt(3)) {
            case 0 -> {
                dropped = dropped.resolveSibling("noise.wav");
                Files.write(dropped, java.util.Arrays.copyOf(Signals.PINK.wav(), 20_000));
            }
            case 1 -> {
                dropped = dropped.resolveSibling("list.csv");
                Files.writeString(dropped, "channel,source\n1,Odd\n,,,\n\"");
            }
            default -> Files.writeString(dropped, "{\"rivulus\": 1, \"title\": ");
        }
        done.add("drop " + dropped.getFileName());
        Path file = dropped;
        hand.act(() -> hand.window().drop(List.of(file)));
    }

    private void undo(Hand hand) {
        done.add("undo or redo");
        boolean back = random.nextBoolean();
        hand.act(
                () -> {
                    if (back) hand.session().document().undo();
                    else hand.session().document().redo();
                });
    }

    private void resize(Hand hand) {
        int width = 900 + random.nextInt(380); // the headless platform's screen is no larger
        done.add("resize to " + width);
        hand.act(() -> hand.stage().setWidth(width));
        hand.act(() -> hand.stage().setHeight(600 + random.nextInt(200)));
    }

    private void save(Hand hand) {
        done.add("save");
        hand.willAnswer(folder.resolve("saved" + random.nextInt(2) + ".rivulus"));
        hand.press(KeyCode.CONTROL, KeyCode.S);
    }
}
