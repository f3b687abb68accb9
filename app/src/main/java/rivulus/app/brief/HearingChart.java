package rivulus.app.brief;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import javafx.css.PseudoClass;
import javafx.geometry.Bounds;
import javafx.geometry.HPos;
import javafx.geometry.Pos;
import javafx.scene.AccessibleRole;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import rivulus.app.look.Look;
import rivulus.app.look.Marks;
import rivulus.app.look.Sources;
import rivulus.app.session.Picture;
import rivulus.app.session.Session;
import rivulus.app.session.View;
import rivulus.chart.Chart;
import rivulus.show.Source;

/// Ears by sources: the result against the brief, in words and shapes. The arrow keys walk from
/// cell to cell.
final class HearingChart extends GridPane implements View<HearingChart.Sight> {
    /// The chart, and what is chosen in it.
    record Sight(Picture picture, Chart chart) {
        static Sight of(Picture picture) {
            return new Sight(picture, Chart.of(picture.scene()));
        }
    }

    private Sight sight;
    private static final PseudoClass CHOSEN = PseudoClass.getPseudoClass("chosen");
    private static final PseudoClass CHOSEN_ROW = PseudoClass.getPseudoClass("chosen-row");
    private static final double NAMES = 118;
    /// So many ears stand in the chart one by one.
    private static final int MOST_UNFOLDED = 18;

    private final Session session;
    private final ScrollPane scroll = new ScrollPane(this);
    private final List<Node> heads = new ArrayList<>();
    private final List<Node> names = new ArrayList<>();

    HearingChart(Session session) {
        this.session = session;
        getStyleClass().addAll("chart", "stage-focus");
        setId("chart");
        setFocusTraversable(true);
        setAccessibleRole(AccessibleRole.TABLE_VIEW);
        addEventHandler(KeyEvent.KEY_PRESSED, this::key);
        scroll.setFitToWidth(true);
        scroll.setFocusTraversable(false);
        for (var moves : List.of(scroll.hvalueProperty(), scroll.vvalueProperty()))
            moves.addListener((_, _, _) -> stick());
        scroll.viewportBoundsProperty().addListener((_, _, _) -> stick());
        session.draws(this);
    }

    /// The chart, scrolling under its heads.
    ScrollPane scrolling() {
        return scroll;
    }

    /// Heads and names stay in sight, whatever is scrolled.
    private void stick() {
        Bounds port = scroll.getViewportBounds();
        double x = scroll.getHvalue() * Math.max(0, getWidth() - port.getWidth());
        double y = scroll.getVvalue() * Math.max(0, getHeight() - port.getHeight());
        heads.forEach(head -> head.setTranslateY(y));
        names.forEach(name -> name.setTranslateX(x));
    }

    /// Scrolls so that a cell is in sight beside the names and under the heads.
    private void reveal(Node cell) {
        Bounds port = scroll.getViewportBounds();
        Bounds at = cell.getBoundsInParent();
        double head = heads.isEmpty() ? 0 : heads.getFirst().getBoundsInParent().getHeight();
        scroll.setHvalue(
                shown(
                        scroll.getHvalue(),
                        at.getMinX() - NAMES,
                        at.getMaxX(),
                        port.getWidth(),
                        getWidth()));
        scroll.setVvalue(
                shown(
                        scroll.getVvalue(),
                        at.getMinY() - head,
                        at.getMaxY(),
                        port.getHeight(),
                        getHeight()));
    }

    /// The scroll value, from 0 to 1, nearest to the present one that shows a stretch.
    private static double shown(double value, double from, double to, double port, double all) {
        double hidden = all - port;
        if (hidden <= 0) return value;
        double begins = value * hidden;
        double wanted = from < begins ? from : to > begins + port ? to - port : begins;
        return Math.clamp(wanted / hidden, 0, 1);
    }

    @Override
    public boolean isSeen() {
        return session.stage().get().equals(BriefStage.ID);
    }

    @Override
    public Function<Picture, Sight> drawing() {
        return Sight::of;
    }

    @Override
    public void clear() {
        sight = null;
        getChildren().clear();
        getColumnConstraints().clear();
        heads.clear();
        names.clear();
    }

    @Override
    public void show(Sight drawn) {
        clear();
        sight = drawn;
        Node chosenCell = null;
        Picture picture = drawn.picture();
        ColumnConstraints first = new ColumnConstraints(NAMES);
        getColumnConstraints().add(first);
        Chart chart = drawn.chart();
        for (int c = 0; c < chart.sources().size(); c++) {
            ColumnConstraints column = new ColumnConstraints(44, 64, 110);
            column.setHgrow(Priority.ALWAYS);
            column.setFillWidth(true);
            getColumnConstraints().add(column);
            Node head = head(picture, chart.sources().get(c));
            head.getStyleClass().add("stays");
            heads.add(head);
            add(head, c + 1, 0);
        }
        List<Chart.Fold> folds =
                chart.folded(picture.ear() == null ? "" : picture.ear().id(), MOST_UNFOLDED);
        for (int r = 0; r < folds.size(); r++) {
            if (folds.get(r).isFolded()) {
                fold(folds.get(r), r + 1);
                continue;
            }
            Chart.Row row = folds.get(r).rows().getFirst();
            boolean chosenRow = picture.ear() != null && row.ear().id().equals(picture.ear().id());
            Label name = Look.text(row.ear().name(), "row-ear");
            name.setMaxWidth(Double.MAX_VALUE);
            name.pseudoClassStateChanged(CHOSEN_ROW, chosenRow);
            name.setOnMouseClicked(_ -> choose(row.ear().id(), ""));
            name.getStyleClass().add("stays");
            name.setMaxHeight(Double.MAX_VALUE);
            names.add(name);
            add(name, 0, r + 1);
            for (int c = 0; c < row.cells().size(); c++) {
                Chart.Cell cell = row.cells().get(c);
                boolean chosen =
                        chosenRow
                                && picture.source() != null
                                && picture.source().id().equals(cell.heard().source().id());
                Node box = cell(cell, chosenRow, chosen);
                if (chosen) chosenCell = box;
                add(box, c + 1, r + 1);
            }
        }
        Region corner = new Region();
        corner.getStyleClass().add("stays");
        names.add(corner);
        heads.add(corner);
        add(corner, 0, 0);
        names.forEach(Node::toFront);
        heads.forEach(Node::toFront);
        scroll.applyCss();
        scroll.layout();
        stick();
        if (chosenCell != null) reveal(chosenCell);
    }

    /// Rows that are well stand as one, until one of them is chosen.
    private void fold(Chart.Fold fold, int row) {
        String first = fold.rows().getFirst().ear().id();
        Label name = Look.text(fold.title(), "row-ear", "row-folded");
        name.setMaxWidth(Double.MAX_VALUE);
        name.setMaxHeight(Double.MAX_VALUE);
        name.getStyleClass().add("stays");
        Label all = Look.text("all as wished", "soft", "row-folded");
        all.setMaxWidth(Double.MAX_VALUE);
        for (Label label : List.of(name, all)) {
            label.setAccessibleText(fold.title() + ", all as wished");
            label.setOnMouseClicked(_ -> choose(first, ""));
        }
        names.add(name);
        add(name, 0, row);
        add(all, 1, row, Math.max(1, sight.chart().sources().size()), 1);
    }

    private Node head(Picture picture, Source source) {
        Label name = Look.text(source.name(), "column-source");
        Look.wraps(name);
        StackPane hue = new StackPane();
        hue.getStyleClass().addAll("hue-bar", Sources.hue(picture.show(), source.id()));
        VBox head = new VBox(2, name, hue);
        head.setAlignment(Pos.BOTTOM_CENTER);
        head.setMaxHeight(Double.MAX_VALUE);
        head.getStyleClass().add("chart-head");
        return head;
    }

    private Node cell(Chart.Cell cell, boolean chosenRow, boolean chosen) {
        StackPane box = new StackPane();
        box.getStyleClass().addAll("hearing-cell", cell.verdict().isGood() ? "good" : "bad");
        box.pseudoClassStateChanged(CHOSEN_ROW, chosenRow);
        box.pseudoClassStateChanged(CHOSEN, chosen);
        box.getChildren().add(inside(cell));
        if (cell.heard().standing().excepted()) {
            Node corner = Look.mark("M0 0 L8 0 L8 8 Z", "exception-corner");
            StackPane.setAlignment(corner, Pos.TOP_RIGHT);
            box.getChildren().add(corner);
        }
        box.setAccessibleText(
                "%s %s %s: %s"
                        .formatted(
                                cell.heard().ear().name(),
                                cell.heard().standing().wish().phrase(),
                                cell.heard().source().name(),
                                cell.verdict().word()));
        box.setOnMouseClicked(
                _ -> {
                    requestFocus();
                    choose(cell.heard().ear().id(), cell.heard().source().id());
                });
        GridPane.setHalignment(box, HPos.CENTER);
        return box;
    }

    private static Node inside(Chart.Cell cell) {
        if (!cell.verdict().isGood()) {
            Label word = Look.text(cell.word(), "cell-word");
            VBox bad = new VBox(1);
            bad.setAlignment(Pos.CENTER);
            cell.severity().ifPresent(severity -> bad.getChildren().add(Marks.of(severity)));
            bad.getChildren().add(word);
            return bad;
        }
        return switch (cell.verdict()) {
            case AS_WISHED -> Look.mark("M6 1 a5 5 0 1 0 0.01 0 Z", "cell-must");
            case ALLOWED, LET_PASS -> Look.mark("M6 1 a5 5 0 1 0 0.01 0 Z", "cell-may");
            case KEPT_OUT, FAR_DOWN -> Look.mark("M0 0 H10", "cell-out");
            default -> new StackPane();
        };
    }

    private void choose(String ear, String source) {
        session.ear().set(ear);
        session.source().set(source);
    }

    private void key(KeyEvent event) {
        if (sight == null || sight.picture().ear() == null) return;
        Picture picture = sight.picture();
        List<Chart.Row> rows = sight.chart().rows();
        List<Source> sources = sight.chart().sources();
        int row = rows.stream().map(r -> r.ear().id()).toList().indexOf(picture.ear().id());
        int column = picture.source() == null ? -1 : sources.indexOf(picture.source());
        KeyCode code = event.getCode();
        switch (code) {
            case UP -> row--;
            case DOWN -> row++;
            case LEFT -> column--;
            case RIGHT -> column++;
            default -> {
                return;
            }
        }
        row = Math.clamp(row, 0, rows.size() - 1);
        column = Math.clamp(column, 0, Math.max(0, sources.size() - 1));
        if (!sources.isEmpty()) choose(rows.get(row).ear().id(), sources.get(column).id());
        event.consume();
    }
}
