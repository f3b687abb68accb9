package rivulus.app.levels;

import java.util.List;
import java.util.function.Function;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import rivulus.app.look.Look;
import rivulus.app.look.Sources;
import rivulus.app.session.Picture;
import rivulus.app.session.Session;
import rivulus.app.session.View;
import rivulus.app.stage.Command;
import rivulus.app.stage.Stage;
import rivulus.chart.LevelSheet;
import rivulus.show.Names;
import rivulus.words.Words;

/// How loud everything is at the chosen ear: the staircase of one source, step by step, over a row
/// for each. At its side, how the input gains should stand.
public final class LevelsStage extends StackPane implements Stage, View<LevelsSight> {
    /// By which the session knows it.
    public static final String ID = "levels";

    private final Session session;
    private final GainsPane gains;
    private final Label heading = Look.text("", "stage-title");
    private final Label words = Look.paragraph("", "resting");
    private final StairChart chart = new StairChart();
    private final VBox rows = new VBox(2);
    private final VBox advice = new VBox(4);
    private final VBox drawing = new VBox();
    private final Label empty =
            Look.paragraph(
                    "Levels are told of what somebody hears. Nobody listens yet, or nothing comes to"
                            + " the chosen ear.",
                    "soft",
                    "empty");

    /// The stage of a session.
    public LevelsStage(Session session) {
        this.session = session;
        gains = new GainsPane(session);
        rows.setId("level-rows");
        advice.setId("level-advice");
        heading.setId("levels-heading");
        drawing.getStyleClass().add("stage");
        VBox.setVgrow(chart, Priority.ALWAYS);
        ScrollPane below = new ScrollPane(rows);
        below.setFitToWidth(true);
        below.setFocusTraversable(false);
        below.setMinHeight(120);
        below.setPrefHeight(236);
        below.setMaxHeight(Region.USE_PREF_SIZE);
        drawing.getChildren()
                .addAll(
                        heading,
                        words,
                        chart,
                        advice,
                        Look.text("Everything that comes here", "stage-subtitle"),
                        below);
        getChildren().addAll(drawing, empty);
        StackPane.setAlignment(empty, Pos.CENTER);
        session.draws(this);
        clear();
    }

    @Override
    public String id() {
        return ID;
    }

    @Override
    public String title() {
        return "Levels";
    }

    @Override
    public Node middle() {
        return this;
    }

    @Override
    public Node side() {
        return gains;
    }

    @Override
    public List<Command> commands() {
        return List.of(
                Command.when(
                        "Set all input gains",
                        "Shortcut+Shift+A",
                        () -> session.picture().get() != null,
                        () -> {
                            session.stage().set(ID);
                            gains.setAll();
                        }));
    }

    @Override
    public boolean isSeen() {
        return session.stage().get().equals(ID);
    }

    @Override
    public Function<Picture, LevelsSight> drawing() {
        var prover = session.shelf().prover();
        String source = session.source().get();
        return picture -> LevelsSight.of(picture, prover, source);
    }

    @Override
    public void clear() {
        Look.show(drawing, false);
        Look.show(empty, true);
        chart.show(null, "");
        gains.clear();
    }

    @Override
    public void show(LevelsSight sight) {
        boolean any = sight.sheet().filter(sheet -> !sheet.rows().isEmpty()).isPresent();
        Look.show(drawing, any);
        Look.show(empty, !any);
        gains.show(sight);
        if (!any) return;
        drawing.applyCss(); // what scrolls is in the window only then, and can take the keyboard
        LevelSheet sheet = sight.sheet().orElseThrow();
        Picture picture = sight.picture();
        String source = sheet.chosen().orElseThrow().source();
        LevelSheet.Row chosen =
                sheet.rows().stream()
                        .filter(row -> row.source().id().equals(source))
                        .findFirst()
                        .orElseThrow();
        heading.setText(
                "How loud %s comes to %s"
                        .formatted(Names.of(chosen.source()), Names.of(picture.ear())));
        words.setText(
                Words.sentence(chosen.words())
                        + (chosen.noise().isEmpty()
                                ? ""
                                : ". Most of the noise is %s.".formatted(chosen.noise())));
        chart.show(sheet.chosen().orElseThrow(), Sources.hue(picture.show(), source));
        advice.getChildren()
                .setAll(
                        chosen.advice().stream()
                                .map(a -> Look.paragraph(a.sentence(), "level-advice"))
                                .toList());
        Look.show(advice, !chosen.advice().isEmpty());
        Look.relaid(
                rows,
                () ->
                        rows.getChildren()
                                .setAll(
                                        sheet.rows().stream()
                                                .map(row -> row(picture, row, row == chosen))
                                                .toList()));
    }

    private Node row(Picture picture, LevelSheet.Row row, boolean isChosen) {
        Region bar = new Region();
        bar.getStyleClass().addAll("seat-hue", Sources.hue(picture.show(), row.source().id()));
        Label name = Look.text(row.source().name(), "row-source");
        name.setMinWidth(112);
        name.setMaxWidth(112);
        Label figures = Look.text(row.words(), "soft");
        HBox line = new HBox(8, bar, name, figures);
        line.setAlignment(Pos.CENTER_LEFT);
        if (!row.isWell())
            line.getChildren()
                    .addAll(
                            Look.spring(),
                            Look.text(row.headroomDb() < 0 ? "clips" : "noisy", "off-word"));
        Button button = new Button();
        button.setGraphic(line);
        button.setId("level-" + row.source().id());
        button.getStyleClass().setAll("button", "level-row");
        if (isChosen) button.getStyleClass().add("chosen");
        button.setMaxWidth(Double.MAX_VALUE);
        button.setAccessibleText(
                row.source().name()
                        + ": "
                        + row.words()
                        + row.advice().stream()
                                .map(a -> ". " + a.sentence())
                                .reduce("", String::concat));
        button.setOnAction(_ -> session.source().set(row.source().id()));
        return button;
    }
}
