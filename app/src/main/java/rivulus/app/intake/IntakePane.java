package rivulus.app.intake;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import rivulus.app.look.Look;
import rivulus.app.session.Session;
import rivulus.intake.Listing;
import rivulus.intake.Matching;
import rivulus.intake.Meaning;
import rivulus.intake.Plan;
import rivulus.show.Device;

/// A list from elsewhere, before it is taken in: which column means what, and beside it what every
/// row would change. Nothing changes until it is taken; Escape leaves.
public final class IntakePane extends StackPane {
    private static final String NONE = "–";

    private final Session session;
    private final String file;
    private final Listing list;
    private final Runnable close;
    private final HBox kinds = new HBox();
    private final GridPane columns = new GridPane();
    private final VBox preview = new VBox();
    private final Label summary = Look.paragraph("", "cause");
    private final Button take = new Button("Take it in");

    private Matching matching;
    private String into = "";
    private Optional<Plan> plan = Optional.empty();

    /// @param file its name, to be told
    /// @param close takes the pane away
    public IntakePane(Session session, String file, Listing list, Runnable close) {
        this.session = session;
        this.file = file;
        this.list = list;
        this.close = close;
        this.matching = Matching.guess(list);
        getStyleClass().add("veil");
        setId("intake");
        columns.setHgap(12);
        columns.setVgap(6);
        preview.setId("intake-preview");
        ScrollPane scroll = new ScrollPane(preview);
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        HBox.setHgrow(scroll, Priority.ALWAYS);
        VBox left = new VBox(12, kinds, columns);
        left.setMinWidth(300);
        left.setMaxWidth(300);
        HBox middle = new HBox(24, left, scroll);
        VBox.setVgrow(middle, Priority.ALWAYS);
        VBox card =
                new VBox(
                        12,
                        Look.paragraph("Take in “%s”".formatted(file), "panel-title"),
                        middle,
                        summary,
                        answers());
        card.getStyleClass().add("panel");
        card.setMaxSize(1000, 640);
        getChildren().add(card);
        addEventHandler(
                KeyEvent.KEY_PRESSED,
                event -> {
                    if (event.getCode() == KeyCode.ESCAPE) {
                        close.run();
                        event.consume();
                    }
                });
        session.papers()
                .mixers(
                        mixers -> {
                            into = mixers.isEmpty() ? "" : mixers.getFirst().id();
                            fill(mixers);
                        });
    }

    private HBox answers() {
        take.setId("intake-take");
        take.getStyleClass().add("first-answer");
        take.setOnAction(_ -> take());
        Button leave = new Button("Close");
        leave.setOnAction(_ -> close.run());
        HBox answers = new HBox(8, take, leave);
        answers.getStyleClass().add("answers");
        return answers;
    }

    /// Puts the keyboard on the first thing that can be said.
    public void focus() {
        take.requestFocus();
    }

    private void fill(List<Device> mixers) {
        kinds.getChildren().clear();
        ToggleGroup group = new ToggleGroup();
        for (Meaning.Listed listed : Meaning.Listed.values()) {
            ToggleButton kind = new ToggleButton(listed.title());
            kind.setId("intake-" + listed.name().toLowerCase(java.util.Locale.ROOT));
            kind.getStyleClass().setAll("pane-tab");
            kind.setToggleGroup(group);
            kind.setSelected(listed == matching.listed());
            kind.setOnAction(
                    _ -> {
                        matching = Matching.guess(list, listed);
                        fill(mixers);
                    });
            kinds.getChildren().add(kind);
        }
        columns.getChildren().clear();
        int row = 0;
        for (Meaning meaning : Meaning.in(matching.listed()))
            columns.addRow(row++, name(meaning), column(meaning));
        if (matching.listed() == Meaning.Listed.INPUTS)
            columns.addRow(row, Look.text("goes into", "soft"), mixer(mixers));
        ask();
    }

    private static Label name(Meaning meaning) {
        return Look.text(meaning.word() + (meaning.isNeeded() ? " *" : ""), "soft");
    }

    private Node column(Meaning meaning) {
        List<String> names = new ArrayList<>(List.of(NONE));
        names.addAll(list.columns());
        ComboBox<String> box = new ComboBox<>();
        box.setId("column-" + meaning.name().toLowerCase(java.util.Locale.ROOT));
        box.setAccessibleText("The column that says the " + meaning.word());
        box.getItems().setAll(names);
        box.setValue(matching.columns().getOrDefault(meaning, NONE));
        box.setPrefWidth(190);
        box.valueProperty()
                .addListener(
                        (_, _, name) -> {
                            matching =
                                    matching.with(
                                            meaning,
                                            Optional.of(name).filter(n -> !n.equals(NONE)));
                            ask();
                        });
        return box;
    }

    private Node mixer(List<Device> mixers) {
        ComboBox<String> box = new ComboBox<>();
        box.setId("intake-into");
        box.setAccessibleText("The mixer that the list is meant for");
        box.getItems().setAll(mixers.stream().map(Device::name).toList());
        box.setPrefWidth(190);
        mixers.stream()
                .filter(device -> device.id().equals(into))
                .findFirst()
                .ifPresent(device -> box.setValue(device.name()));
        box.valueProperty()
                .addListener(
                        (_, _, name) -> {
                            mixers.stream()
                                    .filter(device -> device.name().equals(name))
                                    .findFirst()
                                    .ifPresent(device -> into = device.id());
                            ask();
                        });
        return box;
    }

    private void ask() {
        List<Meaning> missing = matching.missing();
        if (!missing.isEmpty()) {
            plan = Optional.empty();
            preview.getChildren().clear();
            summary.setText(
                    "Say first which column is the %s."
                            .formatted(
                                    String.join(
                                            " and which the ",
                                            missing.stream().map(Meaning::word).toList())));
            take.setDisable(true);
            return;
        }
        session.papers().plan(list, matching, into, this::show);
    }

    private void show(Plan now) {
        plan = Optional.of(now);
        preview.getChildren().clear();
        for (Plan.Line line : now.lines()) preview.getChildren().add(row(line));
        summary.setText(
                now.lines().isEmpty() ? "No row says anything." : "Rows: " + now.words() + ".");
        int changes = now.count(Plan.Outcome.NEW) + now.count(Plan.Outcome.CHANGED);
        take.setDisable(changes == 0);
        take.setText(
                switch (changes) {
                    case 0 -> "Nothing to take";
                    case 1 -> "Take the one change";
                    default -> "Take %d changes".formatted(changes);
                });
    }

    private static Node row(Plan.Line line) {
        Label number = Look.text(Integer.toString(line.row()), "soft");
        number.setMinWidth(32);
        Label outcome = Look.text(line.outcome().word(), "outcome");
        outcome.getStyleClass().add(line.outcome().name().toLowerCase(java.util.Locale.ROOT));
        outcome.setMinWidth(72);
        Label words = Look.paragraph(line.words());
        HBox.setHgrow(words, Priority.ALWAYS);
        HBox row = new HBox(8, number, outcome, words);
        row.setAlignment(Pos.TOP_LEFT);
        row.getStyleClass().add("intake-row");
        return row;
    }

    private void take() {
        plan.ifPresent(
                taken -> {
                    session.document().edit("Take in " + file, taken.change());
                    close.run();
                });
    }
}
