package rivulus.app.shell;

import java.util.List;
import java.util.Locale;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import rivulus.app.look.Look;
import rivulus.app.stage.Command;

/// Everything that can be done or gone to, found by typing a few letters of it.
final class Palette extends StackPane {
    private static final int ROWS = 11;

    private final TextField search = new TextField();
    private final ListView<Command> list = new ListView<>();
    private final List<Command> all;
    private final Runnable close;

    Palette(List<Command> commands, Runnable close) {
        this.all = commands.stream().filter(command -> command.possible().getAsBoolean()).toList();
        this.close = close;
        getStyleClass().add("veil");
        setId("palette");
        setAlignment(Pos.TOP_CENTER);
        search.setPromptText("What do you want to do, or where to go?");
        search.setId("palette-search");
        search.setAccessibleText("Search for something to do");
        list.setId("palette-list");
        list.setFixedCellSize(34);
        list.setCellFactory(_ -> new Row());
        list.setPlaceholder(Look.text("Nothing is called that.", "soft"));
        VBox card = new VBox(search, list);
        card.getStyleClass().add("palette");
        card.setMaxSize(620, USE_PREF_SIZE);
        getChildren().add(card);
        search.textProperty().addListener((_, _, words) -> filter(words));
        search.addEventFilter(KeyEvent.KEY_PRESSED, this::key);
        list.setOnMouseClicked(_ -> run());
        setOnMousePressed(
                event -> {
                    if (event.getTarget() == this) close.run();
                });
        filter("");
    }

    void focus() {
        search.requestFocus();
    }

    private void filter(String words) {
        String[] parts = words.toLowerCase(Locale.ROOT).strip().split("\\s+");
        list.getItems().setAll(all.stream().filter(command -> fits(command, parts)).toList());
        int rows = Math.clamp(list.getItems().size(), 1, ROWS);
        list.setPrefHeight(rows * 34 + 4);
        list.getSelectionModel().selectFirst();
        list.scrollTo(0);
    }

    private static boolean fits(Command command, String[] parts) {
        String title = command.title().get().toLowerCase(Locale.ROOT);
        for (String part : parts) if (!title.contains(part)) return false;
        return true;
    }

    private void key(KeyEvent event) {
        int at = list.getSelectionModel().getSelectedIndex();
        switch (event.getCode()) {
            case DOWN -> select(at + 1);
            case UP -> select(at - 1);
            case PAGE_DOWN -> select(at + ROWS);
            case PAGE_UP -> select(at - ROWS);
            case ENTER -> run();
            case ESCAPE -> close.run();
            default -> {
                return;
            }
        }
        event.consume();
    }

    private void select(int index) {
        int bounded = Math.clamp(index, 0, Math.max(0, list.getItems().size() - 1));
        list.getSelectionModel().select(bounded);
        list.scrollTo(Math.max(0, bounded - ROWS / 2));
    }

    private void run() {
        Command chosen = list.getSelectionModel().getSelectedItem();
        if (chosen == null) return;
        close.run();
        chosen.runIfPossible();
    }

    private static final class Row extends ListCell<Command> {
        @Override
        protected void updateItem(Command command, boolean empty) {
            super.updateItem(command, empty);
            setText(null);
            if (empty || command == null) {
                setGraphic(null);
                return;
            }
            Label title = Look.text(command.title().get());
            setGraphic(
                    new HBox(
                            12,
                            title,
                            Look.spring(),
                            Look.text(command.keysInWords(), "shortcut")));
            setAccessibleText(command.title().get() + " " + command.keysInWords());
        }
    }
}
