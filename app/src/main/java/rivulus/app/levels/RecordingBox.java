package rivulus.app.levels;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ProgressBar;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import rivulus.app.look.Look;
import rivulus.app.look.Sources;
import rivulus.app.session.Recordings;
import rivulus.app.session.Session;
import rivulus.chart.SoundPicture;
import rivulus.recording.Recipe;
import rivulus.recording.Track;
import rivulus.show.Ear;
import rivulus.show.Show;
import rivulus.sound.WavMending;

/// A test recording, track by track over time; before there is one, how to bring it in.
final class RecordingBox extends VBox {
    /// So much room a scroll bar takes beside the tracks.
    private static final double BESIDE_BAR = 30;

    private final Session session;
    private final VBox empty = new VBox(12);
    private final VBox working = new VBox(8);
    private final VBox tracks = new VBox(8);
    private final HBox above = new HBox(8);
    private final ScrollPane scroll = Look.scroll(tracks);

    /// @param choose asks for a recording to open
    /// @param print asks where what was measured goes
    RecordingBox(Session session, Runnable choose, Runnable print) {
        super(8);
        this.session = session;
        setId("recording");
        Button open = new Button("Choose a recording …");
        open.setId("choose-recording");
        open.setOnAction(_ -> choose.run());
        Button made = new Button("Make the example recording of this show");
        made.setId("make-recording");
        Recipe recipe = Recipe.shipped(Recipe.TIDE_TABLE_TALK);
        made.setOnAction(_ -> session.recordings().make(recipe));
        empty.getChildren()
                .setAll(
                        Look.paragraph(
                                "Drop a test recording here: a WAV or FLAC file a track, or one with a channel for"
                                        + " each. Files are known by their names, “Maren.wav” or"
                                        + " “camera and stream.wav”, else by what is on them. What they say against the plan stands"
                                        + " at the side, with what to turn.",
                                "soft"),
                        new HBox(8, open, made));
        session.show().subscribe(now -> Look.show(made, now != null && recipe.isOf(now)));
        ProgressBar bar = new ProgressBar();
        bar.setMaxWidth(Double.MAX_VALUE);
        bar.progressProperty().bind(session.recordings().progress());
        Button stop = new Button("Stop");
        stop.setId("stop-measuring");
        stop.setOnAction(_ -> session.recordings().stop());
        working.getChildren().setAll(Look.text("Measuring the recording"), bar, stop);
        Button printed = new Button("Print …");
        printed.setId("print-recording");
        printed.setOnAction(_ -> print.run());
        above.setPadding(new Insets(0, BESIDE_BAR, 0, 0));
        above.getChildren().setAll(Look.spring(), printed);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        tracks.getStyleClass().add("sound-tracks");
        getChildren().setAll(empty, working, above, scroll);
        session.recordings().progress().addListener((_, _, _) -> arrange());
        session.recordings().heard().subscribe(this::show);
    }

    private void arrange() {
        Recordings.Heard now = session.recordings().heard().get();
        boolean works = session.recordings().progress().get() < 1;
        boolean any = !now.tracks().isEmpty() || !now.troubles().isEmpty();
        Look.show(working, works);
        Look.show(empty, !works && !any);
        Look.show(above, !works && any);
        Look.show(scroll, !works && any);
    }

    private void show(Recordings.Heard heard) {
        Show show = session.show().get();
        List<Node> rows = new ArrayList<>();
        for (String trouble : heard.troubles()) rows.add(Look.paragraph(trouble, "field-trouble"));
        for (WavMending cut : heard.cut()) rows.add(cut(cut));
        for (int t = 0; t < heard.tracks().size(); t++)
            rows.add(row(show, heard.tracks().get(t), t));
        tracks.getChildren().setAll(rows);
        arrange();
    }

    private Node cut(WavMending cut) {
        Button mend = new Button("Mend it");
        mend.getStyleClass().add("mend");
        mend.setMinWidth(Region.USE_PREF_SIZE);
        mend.setAccessibleText("Mend it. " + cut.words());
        mend.setOnAction(_ -> session.recordings().mend(cut));
        Label words = Look.paragraph(cut.words(), "cause");
        HBox.setHgrow(words, Priority.ALWAYS);
        HBox row = new HBox(8, words, mend);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }

    private Node row(Show show, Track track, int at) {
        SoundPicture picture = SoundPicture.of(track, show.checks().limits());
        Label figures = Look.text(picture.figures(), "soft");
        HBox head = new HBox(8, whose(show, track, at));
        if (track.isByContent())
            head.getChildren().add(Look.text("known by what is on it", "soft"));
        head.getChildren().addAll(Look.spring(), figures);
        head.setAlignment(Pos.CENTER_LEFT);
        String hue =
                track.source().map(source -> Sources.hue(show, source.id())).orElse("source-mix");
        VBox row = new VBox(2, head, new SoundChart(picture, hue));
        row.setId("track-" + at);
        return row;
    }

    private Node whose(Show show, Track track, int at) {
        if (track.isPicture()) return Look.text("Camera, as late as its picture", "row-source");
        ComboBox<Ear> whose = new ComboBox<>();
        whose.getItems().setAll(show.ears());
        whose.setId("whose-" + at);
        whose.setPromptText(track.name() + ": whose is it?");
        whose.setButtonCell(cell());
        whose.setCellFactory(_ -> cell());
        Optional<Ear> now = track.ear().flatMap(ear -> show.ear(ear.id()));
        now.ifPresent(whose::setValue);
        whose.setAccessibleText("Whose track %s is".formatted(track.measured().name()));
        whose.setOnAction(
                _ -> {
                    if (whose.getValue() != null && !Optional.of(whose.getValue()).equals(now))
                        session.recordings().match(track, whose.getValue());
                });
        return whose;
    }

    private static ListCell<Ear> cell() {
        return new ListCell<>() {
            @Override
            protected void updateItem(Ear ear, boolean isEmpty) {
                super.updateItem(ear, isEmpty);
                if (isEmpty || ear == null) return;
                setText(
                        ear.kind() == Ear.Kind.PERSON
                                ? "What %s hears".formatted(ear.name())
                                : ear.name());
            }
        };
    }
}
