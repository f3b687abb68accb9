package rivulus.app.brief;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import rivulus.app.look.Look;
import rivulus.app.look.Marks;
import rivulus.say.Answers;
import rivulus.say.Page;
import rivulus.say.Said;
import rivulus.words.Severity;

/// What was read of each line, beside it: what is assumed is confirmed or turned down, and what a
/// line leaves open is answered, by a key or a click.
final class Readings extends VBox {
    private static final double CHOICE = 270;

    private final Consumer<Answers> onAnswers;
    private final Consumer<String> onLine;
    private Answers answers = Answers.NONE;
    private Page page;
    private String here = "";

    /// @param onAnswers told what somebody says of a reading
    /// @param onLine told the line of a reading that is clicked
    Readings(Consumer<Answers> onAnswers, Consumer<String> onLine) {
        super(2);
        this.onAnswers = onAnswers;
        this.onLine = onLine;
        setId("readings");
    }

    void show(Page read, Answers said) {
        page = read;
        answers = said;
        Look.relaid(this, this::lay);
    }

    private void lay() {
        getChildren().clear();
        Set<String> again = new HashSet<>();
        for (Said said : page.lines()) if (said.assumed() || said.isOpen()) again.add(said.line());
        String line = "";
        VBox group = null;
        int row = 0;
        int question = 0;
        for (Said said : page.lines()) {
            if (group == null || !said.line().equals(line)) {
                line = said.line();
                group = group(line, again);
                getChildren().add(group);
            }
            if (said.isOpen()) group.getChildren().add(question(said, ++question));
            else group.getChildren().add(reading(said, row++));
        }
    }

    /// @param again the lines that stand over what was read of them
    private VBox group(String line, Set<String> again) {
        VBox group = new VBox(1);
        group.getStyleClass().add("reading-line");
        if (line.equals(here)) group.getStyleClass().add("here");
        group.setUserData(line);
        group.setOnMouseClicked(_ -> onLine.accept(line));
        if (again.contains(line))
            group.getChildren().add(Look.paragraph(line, "soft", "reading-words"));
        return group;
    }

    /// Marks what was read of the line that is being written.
    void turnTo(String line) {
        here = line;
        for (Node group : getChildren()) {
            group.getStyleClass().remove("here");
            if (line.equals(group.getUserData())) group.getStyleClass().add("here");
        }
    }

    private Node reading(Said said, int number) {
        boolean assumed = said.isToLookAt();
        VBox words = new VBox(Look.paragraph((assumed ? "≈ " : "") + said.words(), "order"));
        if (!said.trouble().isEmpty())
            words.getChildren()
                    .add(
                            new HBox(
                                    6,
                                    Marks.of(Severity.CAUTION),
                                    Look.paragraph(said.trouble(), "cause")));
        if (!said.isSomething() && said.trouble().isEmpty())
            words.getChildren().getFirst().getStyleClass().add("soft");
        HBox.setHgrow(words, Priority.ALWAYS);
        words.setMinWidth(0);
        if (!assumed) return words;
        Button right = small("Right", "confirm-" + number, "Confirm: " + said.words());
        right.setOnAction(_ -> onAnswers.accept(answers.confirm(said)));
        Button wrong = small("Not so", "turn-down-" + number, "Not so: " + said.words());
        wrong.setOnAction(_ -> onAnswers.accept(answers.turnDown(said)));
        HBox row = new HBox(6, words, right, wrong);
        row.setAlignment(Pos.TOP_LEFT);
        row.setId("reading-" + number);
        row.getStyleClass().add("reading");
        row.addEventFilter(
                KeyEvent.KEY_PRESSED,
                event -> {
                    if (event.getCode() == KeyCode.DELETE
                            || event.getCode() == KeyCode.BACK_SPACE) {
                        onAnswers.accept(answers.turnDown(said));
                        event.consume();
                    }
                });
        return row;
    }

    private static Button small(String words, String id, String accessible) {
        Button button = new Button(words);
        button.setId(id);
        button.getStyleClass().add("reading-key");
        button.setMinWidth(USE_PREF_SIZE);
        button.setAccessibleText(accessible);
        return button;
    }

    /// A line that leaves something open, with what it may be taken as, numbered.
    private Node question(Said said, int number) {
        VBox box =
                new VBox(
                        2,
                        new HBox(
                                6,
                                Marks.of(Severity.CAUTION),
                                Look.paragraph(said.trouble(), "cause")));
        List<Button> choices = new ArrayList<>();
        List<String> likeliest = page.choices().getOrDefault(said.line(), List.of());
        if (!likeliest.isEmpty())
            choices.add(
                    choice(
                            choices.size() + 1,
                            String.join("; ", likeliest),
                            () -> answers.take(said.line())));
        choices.add(
                choice(
                        choices.size() + 1,
                        "nothing of sound: put it aside",
                        () -> answers.putAside(said.line())));
        for (int c = 0; c < choices.size(); c++) {
            choices.get(c).setId("question-%d-%d".formatted(number, c + 1));
            box.getChildren().add(choices.get(c));
        }
        return box;
    }

    private Button choice(int digit, String words, Supplier<Answers> then) {
        Button choice = new Button();
        choice.setGraphic(new HBox(Look.block(digit + "  " + words, CHOICE, "order")));
        choice.getStyleClass().addAll("other-trouble", "outline-row");
        choice.setMaxWidth(Double.MAX_VALUE);
        choice.setAccessibleText(digit + ": " + words);
        choice.setOnAction(_ -> onAnswers.accept(then.get()));
        choice.addEventHandler(
                KeyEvent.KEY_PRESSED,
                event -> {
                    if (answer(event.getCode(), choice.getId())) event.consume();
                });
        return choice;
    }

    private boolean answer(KeyCode key, String id) {
        if (!key.isDigitKey()) return false;
        return fire(id.substring(0, id.lastIndexOf('-') + 1) + key.getName());
    }

    /// Answers the first line that leaves something open.
    ///
    /// @param digit the number of the choice
    /// @return whether there was such a choice
    boolean answer(int digit) {
        return fire("question-1-" + digit);
    }

    private boolean fire(String id) {
        if (!(lookup("#" + id) instanceof Button choice)) return false;
        choice.fire();
        return true;
    }
}
