package rivulus.app.day;

import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import rivulus.app.look.Look;
import rivulus.setup.Progress;
import rivulus.setup.Step;
import rivulus.words.Words;

/// The row of one step of the set-up; made once, and told anew only what has changed of it.
final class StepRow {
    private final Label mark = Look.text("", "day-mark");
    private final Label more = Look.text("", "soft");
    private final DayRow row;
    private Progress.At shown;
    private boolean isChosen;

    StepRow(Step step, Runnable choose) {
        Label words = Look.text(step.what(), "day-what");
        words.setMinWidth(0);
        more.setMinWidth(0);
        more.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(more, Priority.ALWAYS);
        Label minutes =
                Look.text(
                        (step.who().isEmpty() ? "" : step.who() + ", ")
                                + Words.figure(step.minutes(), 1, "min"),
                        "soft");
        minutes.setMinWidth(Region.USE_PREF_SIZE);
        String id = "step-" + step.id().replaceAll("[^A-Za-z0-9-]", "-");
        row = new DayRow(id, "", mark, words, more, minutes).does(choose);
    }

    DayRow node() {
        return row;
    }

    void show(Progress.At at, boolean nowChosen) {
        if (at.equals(shown) && nowChosen == isChosen) return;
        shown = at;
        isChosen = nowChosen;
        mark.setText(mark(at.standing()));
        more.setText(at.words());
        DayRow.style(more, "off-word", at.standing() == Progress.Standing.FAILED);
        row.being("settled", at.standing().isOver())
                .being("waits", at.standing() == Progress.Standing.WAITS)
                .being("chosen", nowChosen);
        row.setAccessibleText(
                "%s. %s. %s".formatted(at.step().what(), said(at.standing()), at.words()));
    }

    /// Shape and word, so that colour is never alone.
    private static String mark(Progress.Standing standing) {
        return switch (standing) {
            case DONE -> "\u2713";
            case SKIPPED -> "–";
            case FAILED -> "!";
            case WAITS -> "\u2026";
            case CHANGED -> "\u21bb";
            case OPEN -> "\u25cb";
        };
    }

    private static String said(Progress.Standing standing) {
        return switch (standing) {
            case DONE -> "Done";
            case SKIPPED -> "Skipped";
            case FAILED -> "Failed";
            case WAITS -> "Waits";
            case CHANGED -> "Open again, the plan has changed";
            case OPEN -> "Open";
        };
    }
}
