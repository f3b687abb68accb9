package rivulus.app.levels;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import java.util.function.Function;
import java.util.function.Supplier;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.ToggleButton;
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
import rivulus.level.Advice;
import rivulus.level.Turning;
import rivulus.show.Names;
import rivulus.words.Words;

/// How loud everything is at the chosen ear: the staircase of one source, step by step, over a row
/// for each, and at its side how the input gains should stand; or what a test recording says of it.
public final class LevelsStage extends StackPane implements Stage, View<LevelsSight> {
    /// By which the session knows it.
    public static final String ID = "levels";

    /// Its name in the top bar.
    public static final String TITLE = "Levels";

    private final Session session;
    private final GainsPane gains;
    private final Label heading = Look.text("", "stage-title");
    private final Label words = Look.paragraph("", "resting");
    private final StairChart chart = new StairChart();
    private final VBox rows = new VBox(2);
    private final VBox advice = new VBox(4);
    private final VBox drawing = new VBox();
    private String paperTitle = "Levels";
    private final Label empty =
            Look.paragraph(
                    "Levels are told of what somebody hears. Nobody listens yet, or nothing comes to"
                            + " the chosen ear.",
                    "soft",
                    "empty");

    private final StackPane side = new StackPane();
    private final ProcessingPane processing;
    private final GoingBox going;
    private final RemarksPane remarks;
    private final RecordingBox recording;
    private final StackPane onPaper = new StackPane();
    private final VBox fromRecording = new VBox(8);
    private final ToggleButton paper = new ToggleButton("Levels and gains");
    private final ToggleButton processed = new ToggleButton("Processing");
    private final ToggleButton sent = new ToggleButton("Going out");
    private final ToggleButton recorded = new ToggleButton("From a recording");

    /// The stage of a session.
    ///
    /// @param choose asks for a recording to open
    /// @param print asks where what was measured goes
    /// @param rig turns to the rig
    public LevelsStage(Session session, Runnable choose, Runnable print, Runnable rig) {
        this.session = session;
        gains = new GainsPane(session);
        processing = new ProcessingPane(session);
        going = new GoingBox(session);
        remarks = new RemarksPane(session, rig);
        recording = new RecordingBox(session, choose, print);
        paper.setId("levels-on-paper");
        processed.setId("levels-processing");
        sent.setId("levels-going");
        recorded.setId("levels-recorded");
        for (ToggleButton tab : List.of(paper, processed, sent, recorded)) {
            tab.getStyleClass().setAll("pane-tab");
            tab.setOnAction(_ -> turn(tab));
        }
        rows.setId("level-rows");
        advice.setId("level-advice");
        heading.setId("levels-heading");
        VBox.setVgrow(chart, Priority.ALWAYS);
        ScrollPane below = new ScrollPane(rows);
        below.setFitToWidth(true);
        below.setFocusTraversable(false);
        below.setMinHeight(120);
        below.setPrefHeight(236);
        below.setMaxHeight(Region.USE_PREF_SIZE);
        drawing.getChildren()
                .addAll(
                        words,
                        chart,
                        advice,
                        Look.text("Everything that comes here", "stage-subtitle"),
                        below);
        onPaper.getChildren().setAll(drawing, empty);
        StackPane.setAlignment(empty, Pos.CENTER);
        VBox.setVgrow(recording, Priority.ALWAYS);
        fromRecording.getChildren().setAll(recording);
        HBox tabs = new HBox(paper, processed, sent, recorded);
        tabs.getStyleClass().addAll("layers", "over-heading");
        VBox.setVgrow(onPaper, Priority.ALWAYS);
        VBox.setVgrow(fromRecording, Priority.ALWAYS);
        VBox.setVgrow(going, Priority.ALWAYS);
        VBox whole = new VBox(tabs, heading, onPaper, going, fromRecording);
        whole.getStyleClass().add("stage");
        getChildren().setAll(whole);
        session.draws(this);
        clear();
        turn(session.recordings().heard().get().isNothing() ? paper : recorded);
        session.recordings()
                .progress()
                .subscribe(
                        now -> {
                            if (now.doubleValue() < 1) turn(recorded);
                        });
    }

    /// Turns to the plan and its gains, to what acts on the chosen source, to what goes out, or to
    /// what a recording says.
    private void turn(ToggleButton to) {
        for (ToggleButton tab : List.of(paper, processed, sent, recorded))
            tab.setSelected(tab == to);
        Look.show(onPaper, to == paper || to == processed);
        Look.show(going, to == sent);
        Look.show(fromRecording, to == recorded);
        Node beside =
                to == recorded
                        ? remarks
                        : to == sent ? going.side() : to == processed ? processing : gains;
        side.getChildren().setAll(beside);
        session.redraw();
        head();
    }

    private void head() {
        heading.setText(
                recorded.isSelected()
                        ? "What was recorded"
                        : sent.isSelected() ? "What goes out and is kept" : paperTitle);
    }

    @Override
    public Node middle() {
        return this;
    }

    @Override
    public Node side() {
        return side;
    }

    /// What can be asked of it.
    public static List<Command> commands(Session session, Supplier<LevelsStage> stage) {
        BooleanSupplier anything = () -> session.picture().get() != null;
        return List.of(
                Command.when(
                        "Set all input gains",
                        "Shortcut+Shift+A",
                        anything,
                        () -> stage.get().setAll()),
                Command.when(
                        "Levels: what acts on a voice, gates and compressors",
                        "Shortcut+Shift+E",
                        anything,
                        () -> stage.get().lookAtProcessing()),
                Command.when(
                        "Levels: what goes out and is kept, cards and leave",
                        "Shortcut+Shift+O",
                        anything,
                        () -> stage.get().lookAtGoingOut()),
                Command.when(
                        "Levels: what a test recording says",
                        "Shortcut+Shift+R",
                        anything,
                        () -> stage.get().lookAtRecording()),
                Command.when(
                        "Turn all that the recording asks for",
                        "",
                        () -> !session.recordings().heard().get().canBeTaken().isEmpty(),
                        () -> stage.get().remarks.takeAll()));
    }

    private void setAll() {
        come(paper);
        gains.setAll();
    }

    private void lookAtProcessing() {
        come(processed);
        processing.focusFirst();
    }

    private void lookAtGoingOut() {
        come(sent);
        going.focusFirst();
    }

    private void lookAtRecording() {
        come(recorded);
        recorded.requestFocus();
    }

    private void come(ToggleButton to) {
        session.stage().set(ID);
        turn(to);
    }

    @Override
    public boolean isSeen() {
        return session.stage().get().equals(ID);
    }

    @Override
    public Function<Picture, LevelsSight> drawing() {
        var prover = session.shelf().prover();
        String source = session.source().get();
        boolean acts = processed.isSelected();
        boolean goes = sent.isSelected();
        return picture -> LevelsSight.of(picture, prover, source, acts, goes);
    }

    @Override
    public void clear() {
        paperTitle = "Levels";
        head();
        Look.show(drawing, false);
        Look.show(empty, true);
        chart.show(null, "");
        gains.clear();
        processing.clear();
        going.clear();
    }

    @Override
    public void show(LevelsSight sight) {
        Optional<LevelSheet.Row> most = sight.levels().flatMap(LevelSheet::chosen);
        Look.show(drawing, most.isPresent());
        Look.show(empty, most.isEmpty());
        gains.show(sight);
        sight.going().ifPresent(going::show);
        if (processed.isSelected())
            sight.processing().ifPresentOrElse(processing::show, processing::clear);
        if (most.isEmpty()) return;
        drawing.applyCss(); // what scrolls is in the window only then, and can take the keyboard
        Picture picture = sight.picture();
        LevelSheet.Row chosen = most.get();
        List<LevelSheet.Row> all = sight.levels().orElseThrow().rows();
        paperTitle =
                "How loud %s comes to %s"
                        .formatted(Names.of(chosen.source()), Names.of(picture.ear()));
        head();
        words.setText(
                Words.sentence(chosen.words())
                        + chosen.noise().map(". Most of the noise is %s."::formatted).orElse(""));
        chart.show(chosen.stairs(), Sources.hue(picture.show(), chosen.source().id()));
        List<Node> lines = new ArrayList<>();
        for (Advice one : chosen.advice()) lines.add(line(one, lines.size()));
        advice.getChildren().setAll(lines);
        Look.show(advice, !chosen.advice().isEmpty());
        Look.relaid(
                rows,
                () ->
                        rows.getChildren()
                                .setAll(
                                        all.stream()
                                                .map(row -> row(picture, row, row == chosen))
                                                .toList()));
    }

    private void turn(List<Turning> turns) {
        List<String> words = turns.stream().map(Turning::words).toList();
        session.document()
                .edit(
                        "Turn " + String.join(", ", words),
                        now -> now.with(turns.stream().map(turning -> turning.on(now)).toList()));
    }

    /// What to do, with a key for it where a knob does it.
    private Node line(Advice one, int at) {
        Label words = Look.paragraph(one.sentence(), "level-advice");
        if (one.turns().isEmpty()) return words;
        Button turn = new Button(one.turns().size() == 1 ? "Turn it" : "Turn both");
        turn.setId("advice-" + at);
        turn.setMinWidth(Region.USE_PREF_SIZE);
        turn.setAccessibleText(turn.getText() + ": " + one.sentence());
        turn.setOnAction(_ -> turn(one.turns()));
        HBox.setHgrow(words, Priority.ALWAYS);
        HBox line = new HBox(8, words, turn);
        line.setAlignment(Pos.CENTER_LEFT);
        return line;
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
        row.trouble()
                .ifPresent(
                        word ->
                                line.getChildren()
                                        .addAll(Look.spring(), Look.text(word, "off-word")));
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
