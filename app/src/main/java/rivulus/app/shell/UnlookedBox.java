package rivulus.app.shell;

import java.util.List;
import java.util.function.Function;
import javafx.scene.control.Button;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import rivulus.app.look.Look;
import rivulus.app.session.Picture;
import rivulus.app.session.Session;
import rivulus.app.session.View;
import rivulus.gear.Catalogue;
import rivulus.say.Unlooked;

/// Under the ears: who and what nobody looks at. One key lets it be looked at.
final class UnlookedBox extends VBox implements View<List<Unlooked>> {
    private static final int SHOWN = 4;
    private static final double WIDTH = 224;

    private final Session session;

    UnlookedBox(Session session) {
        super(2);
        this.session = session;
        setId("unlooked");
        getStyleClass().add("unlooked");
        clear();
        session.draws(this);
    }

    @Override
    public boolean isSeen() {
        return true;
    }

    @Override
    public Function<Picture, List<Unlooked>> drawing() {
        Catalogue catalogue = session.shelf().prover().catalogue();
        return picture -> Unlooked.of(picture.show(), catalogue);
    }

    @Override
    public void clear() {
        getChildren().clear();
        Look.show(this, false);
    }

    @Override
    public void show(List<Unlooked> unlooked) {
        clear();
        if (unlooked.isEmpty()) return;
        Look.show(this, true);
        getChildren().add(Look.text("Not looked at", "rail-title"));
        for (Unlooked one : unlooked.stream().limit(SHOWN).toList()) {
            Button look = new Button();
            look.setGraphic(new HBox(Look.block(one.name(), WIDTH, "effect")));
            look.getStyleClass().addAll("other-trouble", "unlooked-line");
            look.setMaxWidth(Double.MAX_VALUE);
            look.setAccessibleText(one.name() + ": nobody looks at what is heard. Looks at it.");
            look.setOnAction(_ -> session.edit(one.look()));
            getChildren().add(look);
        }
        if (unlooked.size() > SHOWN)
            getChildren()
                    .add(Look.text("and %d more".formatted(unlooked.size() - SHOWN), "rail-title"));
    }
}
