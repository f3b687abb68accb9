package rivulus.app.brief;

import java.util.List;
import java.util.function.Function;
import javafx.css.PseudoClass;
import javafx.geometry.HPos;
import javafx.geometry.Pos;
import javafx.geometry.VPos;
import javafx.scene.AccessibleRole;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Priority;
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

    private final Session session;

    HearingChart(Session session) {
        this.session = session;
        getStyleClass().addAll("chart", "stage-focus");
        setId("chart");
        setFocusTraversable(true);
        setAccessibleRole(AccessibleRole.TABLE_VIEW);
        addEventHandler(KeyEvent.KEY_PRESSED, this::key);
        session.draws(this);
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
    }

    @Override
    public void show(Sight drawn) {
        clear();
        sight = drawn;
        Picture picture = drawn.picture();
        ColumnConstraints names = new ColumnConstraints(NAMES);
        getColumnConstraints().add(names);
        Chart chart = drawn.chart();
        for (int c = 0; c < chart.sources().size(); c++) {
            ColumnConstraints column = new ColumnConstraints(44, 64, 110);
            column.setHgrow(Priority.ALWAYS);
            column.setFillWidth(true);
            getColumnConstraints().add(column);
            add(head(picture, chart.sources().get(c)), c + 1, 0);
        }
        for (int r = 0; r < chart.rows().size(); r++) {
            Chart.Row row = chart.rows().get(r);
            boolean chosenRow = picture.ear() != null && row.ear().id().equals(picture.ear().id());
            Label name = Look.text(row.ear().name(), "row-ear");
            name.setMaxWidth(Double.MAX_VALUE);
            name.pseudoClassStateChanged(CHOSEN_ROW, chosenRow);
            name.setOnMouseClicked(_ -> choose(row.ear().id(), ""));
            add(name, 0, r + 1);
            for (int c = 0; c < row.cells().size(); c++) {
                Chart.Cell cell = row.cells().get(c);
                boolean chosen =
                        chosenRow
                                && picture.source() != null
                                && picture.source().id().equals(cell.heard().source().id());
                add(cell(cell, chosenRow, chosen), c + 1, r + 1);
            }
        }
    }

    private Node head(Picture picture, Source source) {
        Label name = Look.text(source.name(), "column-source");
        name.setWrapText(true);
        StackPane hue = new StackPane();
        hue.getStyleClass().addAll("hue-bar", Sources.hue(picture.show(), source.id()));
        VBox head = new VBox(2, name, hue);
        head.setAlignment(Pos.BOTTOM_CENTER);
        GridPane.setValignment(head, VPos.BOTTOM);
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
            case ALLOWED -> Look.mark("M6 1 a5 5 0 1 0 0.01 0 Z", "cell-may");
            case KEPT_OUT -> Look.mark("M0 0 H10", "cell-out");
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
