package rivulus.app.shell;

import java.util.Objects;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import rivulus.app.look.Look;
import rivulus.app.look.Marks;
import rivulus.app.session.Picture;
import rivulus.app.session.Session;
import rivulus.check.EarVerdict;
import rivulus.words.Severity;

/// Every ear with its verdict in words. Trouble rises to the top; quiet ears close up.
final class EarRail extends VBox {
    private final Session session;
    private final ListView<EarVerdict> list = new ListView<>();
    private boolean filling;

    EarRail(Session session) {
        this.session = session;
        getStyleClass().add("rail");
        setId("ear-rail");
        list.setId("ears");
        list.setAccessibleText("Ears");
        list.setCellFactory(_ -> new Row());
        Label none =
                Look.paragraph(
                        "No ears yet. Write or open a show, or drop one on this window.",
                        "soft",
                        "placeholder");
        none.setId("no-ears");
        none.visibleProperty().bind(session.show().map(show -> show.ears().isEmpty()));
        list.setPlaceholder(none);
        VBox.setVgrow(list, Priority.ALWAYS);
        Label title = Look.text("Ears", "rail-title");
        title.setLabelFor(list);
        getChildren().addAll(title, list, new UnlookedBox(session));
        session.picture().addListener((_, _, picture) -> fill(picture));
        list.getSelectionModel()
                .selectedItemProperty()
                .addListener(
                        (_, _, chosen) -> {
                            if (chosen == null || filling) return;
                            session.source().set("");
                            session.ear().set(chosen.ear().id());
                        });
    }

    /// The list itself, for focus.
    ListView<EarVerdict> list() {
        return list;
    }

    private void fill(Picture picture) {
        filling = true;
        if (picture == null) {
            list.getItems().clear();
        } else {
            if (!list.getItems().equals(picture.rail())) list.getItems().setAll(picture.rail());
            for (EarVerdict verdict : list.getItems()) {
                if (!Objects.equals(verdict.ear(), picture.ear())) continue;
                list.getSelectionModel().select(verdict);
                list.getFocusModel().focus(list.getItems().indexOf(verdict));
            }
        }
        filling = false;
    }

    private static final class Row extends ListCell<EarVerdict> {
        private final HBox box = new HBox(10);

        @Override
        protected void updateItem(EarVerdict verdict, boolean empty) {
            super.updateItem(verdict, empty);
            setText(null);
            getStyleClass().removeAll("quiet", "danger", "problem", "caution", "note");
            if (empty || verdict == null) {
                setGraphic(null);
                setAccessibleText(null);
                return;
            }
            Optional<Severity> severity = verdict.severity();
            getStyleClass().add(severity.map(Severity::word).orElse("quiet"));
            Label words = Look.text(verdict.words(), "verdict");
            Label name = Look.text(verdict.ear().name(), "ear-name");
            VBox text = new VBox(name);
            boolean elsewhere = !verdict.elsewhere().isEmpty();
            boolean quiet = severity.isEmpty() && !elsewhere;
            if (!quiet) {
                Look.wraps(words);
                text.getChildren().add(words);
                if (severity.isEmpty())
                    words.setText("trouble in " + String.join(", ", verdict.elsewhere()));
            }
            HBox.setHgrow(text, Priority.ALWAYS);
            box.setAlignment(quiet ? Pos.CENTER_LEFT : Pos.TOP_LEFT);
            StackPane mark = new StackPane(Marks.of(verdict.ear().kind()));
            mark.setMinWidth(22);
            mark.setMaxHeight(20);
            box.getChildren().setAll(mark, text);
            if (quiet) box.getChildren().add(words);
            severity.ifPresent(s -> box.getChildren().add(Marks.of(s)));
            setGraphic(box);
            setPrefWidth(0);
            setAccessibleText(
                    "%s: %s%s"
                            .formatted(
                                    verdict.ear().name(),
                                    verdict.words(),
                                    severity.map(s -> ", " + s.word()).orElse("")));
        }
    }
}
