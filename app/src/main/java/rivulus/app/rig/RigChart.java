package rivulus.app.rig;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Consumer;
import javafx.beans.property.ReadOnlyDoubleProperty;
import javafx.beans.property.ReadOnlyDoubleWrapper;
import javafx.css.PseudoClass;
import javafx.geometry.Pos;
import javafx.geometry.VPos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ContentDisplay;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.ScrollEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.scene.shape.LineTo;
import javafx.scene.shape.MoveTo;
import javafx.scene.shape.Path;
import javafx.scene.shape.QuadCurveTo;
import javafx.scene.shape.SVGPath;
import javafx.scene.text.Text;
import javafx.scene.transform.Scale;
import rivulus.app.look.Look;
import rivulus.app.look.Marks;
import rivulus.app.session.Session;
import rivulus.chart.RigDrawing;
import rivulus.chart.RigLayer;
import rivulus.show.Cable;

/// The drawing of the rig. Boxes take the keyboard; the arrow keys walk from one to the next.
final class RigChart extends Pane {
    private static final PseudoClass LIT = PseudoClass.getPseudoClass("lit");
    private static final PseudoClass CHOSEN = PseudoClass.getPseudoClass("chosen");
    private static final PseudoClass MARKED = PseudoClass.getPseudoClass("marked");

    private static final double RIGHT = 14;
    private static final double CORNER = 5;

    private static final String BOX = "box-";
    private static final String EARTH = "M5 0 V5 M0 5 H10 M2 7.5 H8 M4 10 H6";
    private static final String BOLT = "M6 0 L1 6 H5 L4 11 L9 4.5 H5 Z";

    private static final double LEAST_ZOOM = 0.6;
    private static final double MOST_ZOOM = 1.6;
    private static final double ZOOM_STEP = 0.1;

    private final Session session;
    private final Consumer<String> onDevice;
    /// What is drawn, at 100 %, and how large that is shown.
    private final Pane sheet = new Pane();
    private final Scale scale = new Scale(1, 1);
    private final ReadOnlyDoubleWrapper zoom = new ReadOnlyDoubleWrapper(1);
    /// How large somebody wants it; empty where it is to be seen whole.
    private OptionalDouble wanted = OptionalDouble.empty();

    /// @param onDevice told a device that is chosen
    RigChart(Session session, Consumer<String> onDevice) {
        this.session = session;
        this.onDevice = onDevice;
        getStyleClass().add("rig-chart");
        setId("rig");
        sheet.getTransforms().add(scale);
        sheet.setManaged(false);
        getChildren().add(sheet);
        widthProperty().addListener((_, _, _) -> session.redraw());
        addEventFilter(
                ScrollEvent.SCROLL,
                event -> {
                    if (!event.isShortcutDown()) return;
                    zoom(event.getDeltaY() > 0 ? 1 : -1);
                    event.consume();
                });
        addEventHandler(KeyEvent.KEY_TYPED, this::key);
    }

    /// How large the drawing is shown; 1 is 100 %.
    ReadOnlyDoubleProperty zoom() {
        return zoom.getReadOnlyProperty();
    }

    /// Larger (1) or smaller (−1) by a step; as it is seen whole, or nearly (0).
    void zoom(int by) {
        double to = Math.rint((zoom.get() + by * ZOOM_STEP) * 10) / 10;
        wanted =
                by == 0
                        ? OptionalDouble.empty()
                        : OptionalDouble.of(Math.clamp(to, LEAST_ZOOM, MOST_ZOOM));
        session.redraw();
    }

    private void key(KeyEvent event) {
        switch (event.getCharacter()) {
            case "+" -> zoom(1);
            case "-", "\u2212" -> zoom(-1);
            case "0" -> zoom(0);
            default -> {
                return;
            }
        }
        event.consume();
    }

    /// The room that a drawing has.
    ///
    /// @param height how high what is seen of it is
    Sight.Room room(double height) {
        return new Sight.Room(getWidth() - RIGHT, height, wanted);
    }

    /// Shows what was drawn up, or nothing.
    ///
    /// @param at how large; 1 is 100 %
    void show(Optional<RigDrawing> drawn, RigLayer layer, double at) {
        zoom.set(at);
        Optional<String> focused =
                drawn().stream().filter(Node::isFocused).map(Node::getId).findFirst();
        drawn().clear();
        if (drawn.isEmpty()) return;
        RigDrawing drawing = drawn.get();
        scale.setX(zoom.get());
        scale.setY(zoom.get());
        setMinHeight(drawing.height() * zoom.get());
        setPrefHeight(drawing.height() * zoom.get());
        for (RigDrawing.Band band : drawing.bands()) drawBand(band);
        for (RigDrawing.Line line : drawing.leads()) drawLine(line);
        for (RigDrawing.Box box : drawing.boxes()) drawBox(box, layer);
        for (RigDrawing.Line line : drawing.leads()) drawTag(line);
        focused.map(id -> lookup("#" + id)).ifPresent(Node::requestFocus);
    }

    private List<Node> drawn() {
        return sheet.getChildren();
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
        drawn().addAll(List.of(ground, title));
    }

    private void drawLine(RigDrawing.Line line) {
        Path curve = rounded(line.way());
        boolean harmless = line.state() == RigDrawing.Line.State.RING && line.severity().isEmpty();
        RigDrawing.Line.State state = harmless ? RigDrawing.Line.State.JOINS : line.state();
        curve.getStyleClass().addAll("rig-lead", state.name().toLowerCase(Locale.ROOT));
        if (line.cable().equals(session.joinings().lead().get()) && !line.cable().isEmpty())
            curve.getStyleClass().add("chosen");
        curve.setMouseTransparent(true);
        drawn().add(curve);
        if (!line.cable().isEmpty()) drawn().add(target(line));
    }

    /// Where a lead takes the mouse: broader than it is drawn.
    private Path target(RigDrawing.Line line) {
        Path target = rounded(line.way());
        target.getStyleClass().add("lead-target");
        target.setOnMouseClicked(_ -> choose(line.cable()));
        Tooltip.install(target, new Tooltip("Lead " + line.tag()));
        return target;
    }

    /// Turns to a lead, and to one of its machines where another is chosen.
    private void choose(String lead) {
        for (Cable cable : session.show().get().rig().cables()) {
            if (!cable.id().equals(lead)) continue;
            if (!cable.touches(session.device().get())) onDevice.accept(cable.from().device());
            session.joinings().lead().set(lead);
        }
    }

    /// Turns to the next lead of a machine: N, on its box.
    private void nextLead(String device) {
        List<String> own =
                session.show().get().rig().cables().stream()
                        .filter(cable -> cable.touches(device))
                        .map(Cable::id)
                        .toList();
        if (own.isEmpty()) return;
        onDevice.accept(device);
        choose(own.get((own.indexOf(session.joinings().lead().get()) + 1) % own.size()));
    }

    /// A way with its corners rounded.
    private static Path rounded(double[] way) {
        Path path = new Path(new MoveTo(way[0], way[1]));
        for (int i = 2; i + 3 < way.length; i += 2) {
            double in = Math.min(CORNER, length(way, i - 2) / 2);
            double out = Math.min(CORNER, length(way, i) / 2);
            double by = Math.min(in, out);
            path.getElements()
                    .addAll(
                            new LineTo(
                                    way[i] - by * Math.signum(way[i] - way[i - 2]),
                                    way[i + 1] - by * Math.signum(way[i + 1] - way[i - 1])),
                            new QuadCurveTo(
                                    way[i],
                                    way[i + 1],
                                    way[i] + by * Math.signum(way[i + 2] - way[i]),
                                    way[i + 1] + by * Math.signum(way[i + 3] - way[i + 1])));
        }
        path.getElements().add(new LineTo(way[way.length - 2], way[way.length - 1]));
        return path;
    }

    private static double length(double[] way, int at) {
        return Math.abs(way[at + 2] - way[at]) + Math.abs(way[at + 3] - way[at + 1]);
    }

    /// The number of a lead stands where it arrives; that of one in trouble with its mark.
    private void drawTag(RigDrawing.Line line) {
        boolean quiet = line.state() == RigDrawing.Line.State.QUIET;
        if (line.tag().isEmpty() || quiet && line.severity().isEmpty()) return;
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
        RigDrawing.Line.Tag at = line.tagged();
        drawn().add(tag);
        tag.applyCss();
        double width = tag.prefWidth(-1);
        tag.relocate(at.toTheLeft() ? at.x() - width - 2 : at.x() + 2, at.y() - 9);
        tag.autosize();
    }

    private void drawBox(RigDrawing.Box box, RigLayer layer) {
        Label name = Look.text(box.device().name(), "box-name");
        Label note = Look.text(box.note(), "box-note");
        name.setMinWidth(0);
        VBox words = box.note().equals(box.device().name()) ? new VBox(name) : new VBox(name, note);
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
        button.setId(BOX + box.device().id());
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
        drawn().add(button);
        button.applyCss();
        double room = box.width() - 14 - 16 * (line.getChildren().size() - 1);
        if (box.noteYields() && name.prefWidth(-1) > room && words.getChildren().size() > 1)
            giveBothLines(name, words, note);
    }

    /// A name that is too long for a line takes that of the note, which the tooltip tells too.
    private static void giveBothLines(Label name, VBox words, Label note) {
        Look.wraps(name);
        words.getChildren().remove(note);
    }

    /// To the nearest box in the direction of an arrow key; N to the next lead of this one.
    private void walk(Button from, KeyEvent event) {
        if (event.getCode() == KeyCode.N && !event.isShortcutDown()) {
            nextLead(from.getId().substring(BOX.length()));
            event.consume();
            return;
        }
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
        for (Node node : drawn())
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
