package rivulus.app.brief;

import java.util.List;
import java.util.function.Function;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.VBox;
import rivulus.app.form.FormBox;
import rivulus.app.look.Look;
import rivulus.app.session.Picture;
import rivulus.app.session.Session;
import rivulus.app.session.View;
import rivulus.form.Steps;
import rivulus.gear.Catalogue;
import rivulus.show.Show;

/// What a show says so far, beside the sheet on which it is said; every part of it opens as a form.
final class SayPane extends VBox implements View<SaySight> {
    private final Session session;
    private final SheetPane sheet;
    private final Runnable look;
    private final Runnable opened;
    private final VBox saying = new VBox(8);
    private final OutlineBox outline;
    private final StepsBox steps;
    private boolean walks = true;
    private final FormBox form;
    private final VBox one = new VBox(8);
    private final Label formTitle = Look.paragraph("", "pane-title");
    private String key = "";

    /// @param look turns to what the show comes to
    /// @param opened told that another show was opened
    SayPane(Session session, SheetPane sheet, Runnable look, Runnable opened) {
        this.session = session;
        this.sheet = sheet;
        this.look = look;
        this.opened = opened;
        setSpacing(8);
        setId("say");
        outline = new OutlineBox(this::open, session::edit);
        form = new FormBox("form", session::edit);
        steps = new StepsBox(this::go, () -> walk(false));
        saying.getChildren().addAll(steps, outline);
        Button back = new Button("Back to all (Esc)");
        back.setId("form-back");
        back.getStyleClass().add("back");
        back.setOnAction(_ -> close());
        one.getChildren().addAll(back, formTitle, form);
        one.addEventHandler(
                KeyEvent.KEY_PRESSED,
                event -> {
                    if (event.getCode() != KeyCode.ESCAPE) return;
                    close();
                    event.consume();
                });
        getChildren().addAll(saying, one);
        Look.show(one, false);
        empty();
        session.draws(this);
    }

    private Catalogue catalogue() {
        return session.shelf().prover().catalogue();
    }

    /// Before anything is said there is nothing to be proven, and the way is shown all the same.
    private void empty() {
        Show show = session.show().get();
        steps.show(walks ? Steps.of(show, 0, catalogue()) : List.of(), walks);
    }

    /// The steps are shown, or left.
    void walk(boolean with) {
        walks = with;
        if (session.proof().get() == null) empty();
        session.redraw();
        sheet.prompt(SheetPane.EXAMPLE);
    }

    /// A step is a line like that, or a look at what it comes to.
    private void go(Steps.Step step) {
        if (step.line().isEmpty()) look.run();
        else sheet.prompt(step.line());
    }

    // What is said so far

    private void open(String part) {
        key = part;
        session.redraw();
    }

    /// Shows all again.
    void close() {
        if (key.isEmpty()) return;
        String left = key;
        key = "";
        Look.show(one, false);
        Look.show(saying, true);
        applyCss();
        outline.focus(left);
        session.redraw();
    }

    @Override
    public boolean isSeen() {
        return session.stage().get().equals(BriefStage.ID);
    }

    @Override
    public Function<Picture, SaySight> drawing() {
        Catalogue catalogue = catalogue();
        String part = key;
        return picture -> SaySight.of(picture, part, catalogue);
    }

    @Override
    public void clear() {
        key = "";
        walks = session.show().get().cast().people().isEmpty();
        empty();
        outline.clear();
        sheet.clear();
        opened.run();
        Look.show(one, false);
        Look.show(saying, true);
    }

    @Override
    public void show(SaySight sight) {
        steps.show(sight.steps(), walks);
        outline.show(sight.outline());
        boolean opened = sight.form().isPresent() && !one.isVisible();
        if (sight.form().isEmpty() && one.isVisible()) close();
        Look.show(one, sight.form().isPresent());
        Look.show(saying, sight.form().isEmpty());
        sight.form()
                .ifPresent(
                        part -> {
                            formTitle.setText(part.title());
                            form.show(part);
                        });
        if (!opened) return;
        applyCss();
        form.focusFirst();
    }
}
