package rivulus.app.brief;

import java.util.List;
import java.util.function.Consumer;
import javafx.scene.control.Button;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import rivulus.app.look.Look;
import rivulus.form.Steps;

/// The five steps from an empty show to a proven one, each with what there is of it now. Only a
/// signpost: nothing waits for it, and it goes once all is done, or when somebody leaves it.
final class StepsBox extends VBox {
    private final Consumer<Steps.Step> onStep;
    private final Runnable onLeave;

    /// @param onStep told the step that is gone to
    /// @param onLeave told that the path is left
    StepsBox(Consumer<Steps.Step> onStep, Runnable onLeave) {
        super(2);
        this.onStep = onStep;
        this.onLeave = onLeave;
        setId("steps");
        getStyleClass().add("steps");
    }

    void show(List<Steps.Step> steps, boolean wanted) {
        boolean shown = wanted && !steps.stream().allMatch(Steps.Step::isDone);
        Look.show(this, shown);
        getChildren().clear();
        if (!shown) return;
        Button leave = new Button("Leave these steps");
        leave.setId("leave-steps");
        leave.getStyleClass().add("silence-ask");
        leave.setOnAction(_ -> onLeave.run());
        int number = 1;
        for (Steps.Step step : steps) getChildren().add(row(step, number++));
        HBox foot = new HBox(Look.spring(), leave);
        getChildren().add(foot);
    }

    private Button row(Steps.Step step, int number) {
        HBox words =
                new HBox(
                        8,
                        Look.block(
                                (step.isDone() ? "✓ " : number + " ") + step.title(), 66, "order"),
                        Look.block(step.words(), 176, "effect"));
        HBox.setHgrow(words, Priority.ALWAYS);
        Button button = new Button();
        button.setGraphic(words);
        button.setId("step-" + step.id());
        button.getStyleClass().addAll("other-trouble", "outline-row");
        button.setMaxWidth(Double.MAX_VALUE);
        button.setAccessibleText(
                "Step %d, %s: %s%s"
                        .formatted(
                                number, step.title(), step.words(), step.isDone() ? ", done" : ""));
        button.setOnAction(_ -> onStep.accept(step));
        return button;
    }
}
