package rivulus.app.view;

import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.HBox;
import rivulus.app.session.Session;
import rivulus.check.Proof;
import rivulus.show.Scene;

/// Show and scenes.
public final class TopBar extends HBox {
    private final Session session;
    private final Label title = Look.text("", "show-title");
    private final HBox scenes = new HBox();

    /// The top bar of a session.
    public TopBar(Session session) {
        this.session = session;
        getStyleClass().add("top-bar");
        setAlignment(Pos.CENTER_LEFT);
        scenes.getStyleClass().add("scenes");
        scenes.setId("scenes");
        scenes.setAlignment(Pos.CENTER_LEFT);
        getChildren().addAll(title, scenes, Look.spring());
        session.show().addListener((_, _, _) -> fill());
        session.proof().addListener((_, _, _) -> fill());
        session.scene().addListener((_, _, _) -> fill());
        session.dirty().addListener((_, _, _) -> fill());
        fill();
    }

    private void fill() {
        title.setText(session.show().get().title() + (session.dirty().get() ? " *" : ""));
        scenes.getChildren().clear();
        ToggleGroup group = new ToggleGroup();
        for (Scene scene : session.show().get().scenes()) {
            ToggleButton button = new ToggleButton(scene.name());
            button.setToggleGroup(group);
            button.setSelected(scene.id().equals(session.scene().get()));
            button.getStyleClass().add("scene");
            button.setOnAction(_ -> session.scene().set(scene.id()));
            worst(scene.id(), button);
            scenes.getChildren().add(button);
        }
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
