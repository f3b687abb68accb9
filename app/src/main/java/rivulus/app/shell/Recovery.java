package rivulus.app.shell;

import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import rivulus.app.look.Look;
import rivulus.app.session.Document;
import rivulus.app.session.Session;
import rivulus.app.session.Typed;
import rivulus.disk.FileTrouble;
import rivulus.disk.SafeFile;
import rivulus.file.Journal;
import rivulus.show.Show;
import rivulus.words.Words;

/// What was there before and can be had again: what earlier runs left behind, and what the show's
/// file held before it was saved over.
final class Recovery {
    /// A list in a panel is at most so high, in pixels.
    private static final double MOST_HIGH = 380;

    private static final DateTimeFormatter SAVED_OVER =
            DateTimeFormatter.ofPattern("d MMMM, HH:mm:ss", Locale.ENGLISH);

    private final Session session;
    private final Layers layers;
    private final Consumer<Runnable> saveFirst;

    /// @param saveFirst asks first where something would be lost
    Recovery(Session session, Layers layers, Consumer<Runnable> saveFirst) {
        this.session = session;
        this.layers = layers;
        this.saveFirst = saveFirst;
    }

    private Panel panel(String title, String words) {
        return layers.panel(title, words);
    }

    /// Offers everything that earlier runs left behind, newest first.
    void offer(List<Journal.Left> left) {
        if (left.isEmpty()) return;
        Panel panel =
                panel(
                        "Take up where you were?",
                        left.size() == 1
                                ? "Rivulus ended without saving this. Its last change is kept."
                                : "Rivulus ended without saving these. The last change of each is"
                                        + " kept.");
        VBox rows = new VBox(12);
        for (Journal.Left one : left) rows.getChildren().add(leftBehind(one, left));
        panel.with(Look.scroll(rows, MOST_HIGH))
                .quietly("Later", () -> {})
                .first(rows.lookup(".take-left"));
    }

    private VBox leftBehind(Journal.Left one, List<Journal.Left> all) {
        Button take = new Button("Recover it");
        take.getStyleClass().addAll(one == all.getFirst() ? "first-answer" : "answer", "take-left");
        take.setAccessibleText("Recover " + one.show().title());
        take.setOnAction(
                _ -> {
                    layers.closeTop();
                    saveFirst.accept(() -> session.document().take(one));
                });
        Button drop = new Button("Throw it away");
        drop.getStyleClass().add("answer");
        drop.setAccessibleText("Throw away " + one.show().title());
        drop.setOnAction(
                _ -> {
                    layers.closeTop();
                    discard(one);
                    offer(all.stream().filter(other -> other != one).toList());
                });
        VBox row =
                new VBox(
                        4,
                        Look.paragraph("“%s”".formatted(one.show().title()), "panel-words"),
                        Look.paragraph(
                                Words.sentence(one.words(ZoneId.systemDefault())) + ".", "soft"));
        one.show()
                .typed()
                .forEach(
                        (name, text) -> {
                            if (name.startsWith(Typed.FIELD))
                                row.getChildren().add(Look.paragraph(inField(text), "soft"));
                        });
        row.getChildren().add(new HBox(8, take, drop));
        return row;
    }

    private static String inField(String text) {
        return "In a field stood, not entered yet: “%s”. It stands there again when you go to it."
                .formatted(text);
    }

    /// Offers what was left behind once more.
    void offerAgain() {
        session.document()
                .leftBehind(
                        found -> {
                            if (found.left().isEmpty()) session.say("Nothing was left behind");
                            offer(found.left());
                        });
    }

    /// Offers what the show's file held before it was saved over.
    void offerEarlier() {
        session.document()
                .earlier(
                        all -> {
                            if (all.isEmpty()) session.say("Nothing was saved over yet");
                            else offerEarlier(all);
                        });
    }

    private void offerEarlier(List<Document.Earlier> all) {
        Panel panel =
                panel(
                        "Before it was saved over",
                        "What %s held. Undo brings back what is here now."
                                .formatted(SafeFile.name(session.document().file().get())));
        VBox rows = new VBox(8);
        for (Document.Earlier one : all) {
            Button take = new Button("Take it up");
            take.getStyleClass().add("take-left");
            Optional<Show> show = one.elsewhere().theirs();
            take.setDisable(show.isEmpty());
            take.setOnAction(
                    _ -> {
                        layers.closeTop();
                        session.document().takeEarlier(show.orElseThrow());
                    });
            String when = SAVED_OVER.format(one.version().kept().atZone(ZoneId.systemDefault()));
            take.setAccessibleText("Take up what was saved over " + when);
            List<String> differences = one.elsewhere().differences();
            Label words =
                    Look.paragraph(
                            "Until %s: %s"
                                    .formatted(
                                            when,
                                            differences.isEmpty()
                                                    ? "as it is now"
                                                    : Words.few(differences, 3)),
                            "cause");
            HBox.setHgrow(words, Priority.ALWAYS);
            HBox row = new HBox(8, words, take);
            row.setAlignment(Pos.CENTER_LEFT);
            rows.getChildren().add(row);
        }
        panel.with(Look.scroll(rows, MOST_HIGH))
                .quietly("Close", () -> {})
                .first(rows.lookup(".take-left"));
    }

    private void discard(Journal.Left left) {
        try {
            left.discard();
        } catch (FileTrouble trouble) {
            panel("This cannot be thrown away", trouble.getMessage()).answer("Close", () -> {});
        }
    }
}
