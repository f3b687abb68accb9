package rivulus.app.shell;

import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.HBox;
import rivulus.app.look.Look;
import rivulus.app.look.Marks;
import rivulus.app.session.Session;
import rivulus.app.stage.Door;
import rivulus.check.Proof;
import rivulus.show.Scene;

/// The show, the stages as words, the scenes, and the way to everything else.
final class TopBar extends HBox {
    private final Session session;
    private final List<Door<?>> all;
    private final Label title = Look.text("", "show-title");
    private final HBox stages = new HBox();
    private final HBox scenes = new HBox();

    TopBar(Session session, List<Door<?>> all, Runnable search) {
        this.session = session;
        this.all = all;
        getStyleClass().add("top-bar");
        setAlignment(Pos.CENTER_LEFT);
        stages.getStyleClass().add("stages");
        stages.setId("stages");
        stages.setAlignment(Pos.CENTER_LEFT);
        scenes.getStyleClass().add("scenes");
        scenes.setId("scenes");
        scenes.setAlignment(Pos.CENTER_LEFT);
        title.setId("show-title");
        title.setMinWidth(0);
        Button find = new Button("Find");
        find.setId("find");
        find.getStyleClass().add("find");
        find.setGraphic(Look.text("Ctrl K", "shortcut"));
        find.setAccessibleText("Find something to do or to go to");
        find.setOnAction(_ -> search.run());
        getChildren().addAll(title, stages, Look.spring(), scenes, find);
        fillStages();
        session.stage().addListener((_, _, _) -> fillStages());
        session.show().addListener((_, _, _) -> fillScenes());
        session.proof().addListener((_, _, _) -> fillScenes());
        session.scene().addListener((_, _, _) -> fillScenes());
        session.document().dirty().addListener((_, _, _) -> fillTitle());
        session.show().addListener((_, _, _) -> fillTitle());
        fillTitle();
        fillScenes();
    }

    private void fillTitle() {
        String unsaved = session.document().dirty().get() ? " *" : "";
        title.setText(session.show().get().title() + unsaved);
        title.setAccessibleText(
                session.show().get().title() + (unsaved.isEmpty() ? "" : ", not saved"));
    }

    private void fillStages() {
        stages.getChildren().clear();
        ToggleGroup group = new ToggleGroup();
        for (Door<?> stage : all) {
            ToggleButton button =
                    word(
                            stage.title(),
                            group,
                            stage.id().equals(session.stage().get()),
                            "stage-word");
            button.setOnAction(_ -> session.stage().set(stage.id()));
            stages.getChildren().add(button);
        }
    }

    private void fillScenes() {
        scenes.getChildren().clear();
        ToggleGroup group = new ToggleGroup();
        for (Scene scene : session.show().get().scenes()) {
            ToggleButton button =
                    word(scene.name(), group, scene.id().equals(session.scene().get()), "scene");
            button.setOnAction(_ -> session.scene().set(scene.id()));
            worst(scene.id(), button);
            scenes.getChildren().add(button);
        }
        Look.show(scenes, session.show().get().scenes().size() > 1);
    }

    private static ToggleButton word(
            String text, ToggleGroup group, boolean selected, String style) {
        ToggleButton button = new ToggleButton(text);
        button.setToggleGroup(group);
        button.setSelected(selected);
        button.setMinWidth(USE_PREF_SIZE);
        button.getStyleClass().add(style);
        return button;
    }

    private void worst(String scene, ToggleButton button) {
        Proof proof = session.proof().get();
        if (proof == null) return;
        proof.scene(scene)
                .flatMap(s -> s.findings().stream().findFirst())
                .ifPresent(
                        finding -> {
                            button.setGraphic(Marks.of(finding.severity()));
                            button.setAccessibleText(
                                    button.getText() + ", " + finding.severity().word());
                        });
    }
}
