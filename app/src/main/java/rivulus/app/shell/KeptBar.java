package rivulus.app.shell;

import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import rivulus.app.look.Look;
import rivulus.app.look.Marks;
import rivulus.app.session.Document;
import rivulus.words.Severity;

/// Stands there for as long as what is not saved is not kept either.
final class KeptBar extends HBox {
    private final Document document;
    private final Label words = Look.paragraph("", "cause");

    KeptBar(Document document) {
        super(8);
        this.document = document;
        setId("kept-bar");
        getStyleClass().add("kept-bar");
        setAlignment(Pos.CENTER_LEFT);
        HBox.setHgrow(words, Priority.ALWAYS);
        getChildren().addAll(Marks.of(Severity.PROBLEM), words);
        document.unkept().subscribe(_ -> show());
        document.dirty().subscribe(_ -> show());
    }

    private void show() {
        String why = document.unkept().get();
        boolean shown = document.dirty().get() && !why.isEmpty();
        if (shown)
            words.setText(
                    "What you have changed is neither saved nor kept: %s. It is tried again by itself; Ctrl S saves, Ctrl Shift S saves somewhere else."
                            .formatted(why));
        Look.show(this, shown);
    }
}
