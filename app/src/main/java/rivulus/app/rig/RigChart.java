package rivulus.app.rig;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.css.PseudoClass;
import javafx.geometry.Pos;
import javafx.geometry.VPos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ContentDisplay;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.scene.shape.CubicCurve;
import javafx.scene.shape.SVGPath;
import javafx.scene.text.Text;
import rivulus.app.look.Look;
import rivulus.app.look.Marks;
import rivulus.app.session.Session;
import rivulus.chart.RigDrawing;
import rivulus.chart.RigLayer;

/// The drawing of the rig. Boxes take the keyboard; the arrow keys walk from one to the next.
final class RigChart extends Pane {
    private static final PseudoClass LIT = PseudoClass.getPseudoClass("lit");
    private static final PseudoClass CHOSEN = PseudoClass.getPseudoClass("chosen");
    private static final PseudoClass MARKED = PseudoClass.getPseudoClass("marked");

    private static final double RIGHT = 14;

    private static final String EARTH = "M5 0 V5 M0 5 H10 M2 7.5 H8 M4 10 H6";
    private static final String BOLT = "M6 0 L1 6 H5 L4 11 L9 4.5 H5 Z";

    private final Session session;
    private final Consumer<String> onDevice;

    /// @param onDevice told a device that is chosen
    RigChart(Session session, Consumer<String> onDevice) {
        this.session = session;
        this.onDevice = onDevice;
        getStyleClass().add("rig-chart");
        setId("rig");
        widthProperty().addListener((_, _, _) -> session.redraw());
    }

    /// The width that a drawing may have.
    double room() {
        return getWidth() - RIGHT;
    }

    /// Shows what was drawn up, or nothing.
    void show(Optional<RigDrawing> drawn, RigLayer layer) {
        Optional<String> focused =
                getChildren().stream().filter(Node::isFocused).map(Node::getId).findFirst();
        getChildren().clear();
        if (drawn.isEmpty()) return;
        RigDrawing drawing = drawn.get();
        setMinHeight(drawing.height());
        setPrefHeight(drawing.height());
        for (RigDrawing.Band band : drawing.bands()) drawBand(band);
        for (RigDrawing.Line line : drawing.leads()) drawLine(line);
        for (RigDrawing.Box box : drawing.boxes()) drawBox(box, layer);
        for (RigDrawing.Line line : drawing.leads()) drawTag(line);
        focused.map(id -> lookup("#" + id)).ifPresent(Node::requestFocus);
    }

    private void drawBand(RigDrawing.Band band) {
        Region ground = new Region();
        ground.getStyleClass().add("bed");
        ground.setManaged(false);
        ground.resizeRelocate(band.x(), band.y(), band.width(), band.height());
        Text title = new Text(band.title());
        title.getStyleClass().add("bed-title");
        title.setTextOrigin(VPos.TOP);
        title.setX(band.x() + 8);
        title.setY(band.y() + 2);
        getChildren().addAll(ground, title);
    }

    private void drawLine(RigDrawing.Line line) {
        double[] c = line.curve();
        CubicCurve curve = new CubicCurve(c[0], c[1], c[2], c[3], c[4], c[5], c[6], c[7]);
        boolean harmless = line.state() == RigDrawing.Line.State.RING && line.severity().isEmpty();
        RigDrawing.Line.State state = harmless ? RigDrawing.Line.State.JOINS : line.state();
        curve.getStyleClass().addAll("rig-lead", state.name().toLowerCase(Locale.ROOT));
        curve.setMouseTransparent(true);
        getChildren().add(curve);
    }

    /// The number of a lead stands where it arrives; that of one in trouble with its mark.
    private void drawTag(RigDrawing.Line line) {
        boolean quiet = line.state() == RigDrawing.Line.State.QUIET;
        if (line.tag().isEmpty() || quiet && line.severity().isEmpty()) return;
        double[] c = line.curve();
        Label tag = Look.text(line.tag(), "lead-tag");
        line.severity()
                .ifPresent(
                        severity -> {
                            SVGPath mark = Marks.of(severity);
                            mark.setScaleX(0.7);
                            mark.setScaleY(0.7);
                            tag.setGraphic(mark);
                            tag.setContentDisplay(ContentDisplay.LEFT);
                        });
        tag.setMouseTransparent(true);
        boolean toTheRight = c[6] >= c[0] == line.tagAtEnd();
        double x = line.tagAtEnd() ? c[6] : c[0];
        double y = line.tagAtEnd() ? c[7] : c[1];
        getChildren().add(tag);
        tag.applyCss();
        double width = tag.prefWidth(-1);
        tag.relocate(toTheRight ? x - width - 2 : x + 2, y - 9);
        tag.autosize();
    }

    private void drawBox(RigDrawing.Box box, RigLayer layer) {
        Label name = Look.text(box.device().name(), "box-name");
        Label note = Look.text(box.note(), "box-note");
        name.setMinWidth(0);
        VBox words = new VBox(name, note);
        words.setAlignment(Pos.CENTER_LEFT);
        HBox.setHgrow(words, Priority.ALWAYS);
        words.setMinWidth(0);
        HBox line = new HBox(4, words);
        line.setAlignment(Pos.CENTER_LEFT);
        if (box.marked() && layer == RigLayer.EARTHS)
            line.getChildren().add(Look.mark(EARTH, "earth-mark"));
        if (box.marked() && layer == RigLayer.POWER)
            line.getChildren().add(Look.mark(BOLT, "bolt-mark"));
        box.severity()
                .ifPresent(
                        severity -> {
                            SVGPath mark = Marks.of(severity);
                            mark.setScaleX(0.8);
                            mark.setScaleY(0.8);
                            line.getChildren().add(mark);
                        });
        Button button = new Button();
        button.setId("box-" + box.device().id());
        button.setGraphic(line);
        button.getStyleClass().setAll("rig-box", "stage-focus");
        button.pseudoClassStateChanged(LIT, box.lit());
        button.pseudoClassStateChanged(MARKED, box.marked());
        button.pseudoClassStateChanged(CHOSEN, box.device().id().equals(session.device().get()));
        line.setPrefWidth(box.width() - 11);
        line.setMaxWidth(box.width() - 11);
        button.setManaged(false);
        button.resizeRelocate(box.x(), box.y(), box.width(), box.height());
        button.setTooltip(new Tooltip(box.device().name() + "\n" + box.note()));
        button.setAccessibleText(
                box.device().name()
                        + ", "
                        + box.note()
                        + box.severity().map(s -> ", " + s.word()).orElse(""));
        button.setOnAction(_ -> onDevice.accept(box.device().id()));
        button.addEventHandler(KeyEvent.KEY_PRESSED, event -> walk(button, event));
        getChildren().add(button);
        button.applyCss();
        double room = box.width() - 14 - 16 * (line.getChildren().size() - 1);
        if (box.noteYields() && name.prefWidth(-1) > room) giveBothLines(name, words, note);
    }

    /// A name that is too long for a line takes that of the note, which the tooltip tells too.
    private static void giveBothLines(Label name, VBox words, Label note) {
        name.setWrapText(true);
        words.getChildren().remove(note);
    }

    /// To the nearest box in the direction of an arrow key.
    private void walk(Button from, KeyEvent event) {
        double dx = 0;
        double dy = 0;
        switch (event.getCode()) {
            case LEFT -> dx = -1;
            case RIGHT -> dx = 1;
            case UP -> dy = -1;
            case DOWN -> dy = 1;
            default -> {
                return;
            }
        }
        event.consume();
        double x = dx;
        double y = dy;
        List<Button> there = new ArrayList<>();
        for (Node node : getChildren())
            if (node instanceof Button other && along(from, other, x, y) > 1) there.add(other);
        there.stream()
                .min(
                        Comparator.comparingDouble(
                                other ->
                                        along(from, other, x, y)
                                                + 3 * Math.abs(along(from, other, y, x))))
                .ifPresent(Button::requestFocus);
    }

    private static double along(Button from, Button to, double x, double y) {
        return (to.getLayoutX() - from.getLayoutX()) * x
                + (to.getLayoutY() - from.getLayoutY()) * y;
    }
}
