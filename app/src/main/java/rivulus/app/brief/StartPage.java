package rivulus.app.brief;

import java.nio.file.Path;
import java.util.List;
import java.util.function.Consumer;
import javafx.application.Platform;
import javafx.collections.ListChangeListener;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import rivulus.app.look.Look;
import rivulus.app.session.Session;
import rivulus.file.Evening;

/// What there is to do besides where nothing is said yet: open a show, go on with one, or look at
/// an evening that somebody else built.
public final class StartPage extends VBox {
    private static final int RECENT_SHOWN = 4;

    /// What is asked for.
    ///
    /// @param open asks for a show to open
    /// @param recent opens that file
    /// @param example opens the evening of that name
    public record Wanted(Runnable open, Consumer<Path> recent, Consumer<String> example) {}

    private final Wanted wanted;
    private final Session session;
    private final VBox recent = new VBox(2);

    /// A page that is laid out when it is first seen: whoever opens a show at once never sees it.
    StartPage(Session session, Wanted wanted) {
        this.session = session;
        this.wanted = wanted;
        getStyleClass().add("start");
        setId("start");
        visibleProperty().addListener((_, _, _) -> layOutIfSeen());
        Platform.runLater(this::layOutIfSeen);
    }

    private void layOutIfSeen() {
        if (isVisible() && getChildren().isEmpty()) layOut();
    }

    private void layOut() {
        Button open = new Button("Open a show …");
        open.setId("open-show");
        open.setOnAction(_ -> wanted.open().run());
        VBox examples = new VBox(2);
        for (Evening evening : Evening.ALL) examples.getChildren().add(row(evening));
        VBox content =
                new VBox(
                        12,
                        opening(open),
                        recent,
                        Look.text("Look at an evening", "pane-title", "others"),
                        examples);
        content.getStyleClass().add("start-content");
        ScrollPane scroll = Look.scroll(content);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        getChildren().add(scroll);
        session.settings()
                .recent()
                .addListener(
                        (ListChangeListener<Path>) _ -> fillRecent(session.settings().recent()));
        fillRecent(session.settings().recent());
    }

    private static HBox opening(Button open) {
        HBox row = new HBox(12, open, Look.text("or drop a .rivulus file on this window", "soft"));
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }

    private void fillRecent(List<Path> files) {
        recent.getChildren().clear();
        if (files.isEmpty()) return;
        recent.getChildren().add(Look.text("Go on with", "pane-title", "others"));
        for (Path file : files.stream().limit(RECENT_SHOWN).toList()) {
            Button line = new Button(file.getFileName().toString());
            line.getStyleClass().add("other-trouble");
            line.setId("recent-" + recent.getChildren().size());
            line.setGraphic(Look.text("in " + file.getParent(), "soft"));
            line.setContentDisplay(javafx.scene.control.ContentDisplay.RIGHT);
            line.setAccessibleText("Go on with " + file);
            line.setOnAction(_ -> wanted.recent().accept(file));
            recent.getChildren().add(line);
        }
    }

    private HBox row(Evening evening) {
        VBox words =
                new VBox(
                        Look.text(evening.title(), "order"),
                        Look.text(evening.about(), "soft"),
                        Look.text("Teaches: " + evening.teaches(), "soft"));
        HBox.setHgrow(words, Priority.ALWAYS);
        words.setMinWidth(0);
        HBox row = new HBox(8, words, opens(evening.file(), "As built", evening.title()));
        evening.repaired()
                .ifPresent(file -> row.getChildren().add(opens(file, "Repaired", evening.title())));
        row.setAlignment(Pos.CENTER_LEFT);
        row.getStyleClass().add("evening-row");
        return row;
    }

    private Button opens(String file, String words, String title) {
        Button open = new Button(words);
        open.setId("open-" + file);
        open.getStyleClass().add("take-out");
        open.setMinWidth(USE_PREF_SIZE);
        open.setAccessibleText("Open %s, %s".formatted(title, words));
        open.setOnAction(_ -> wanted.example().accept(file));
        return open;
    }
}
