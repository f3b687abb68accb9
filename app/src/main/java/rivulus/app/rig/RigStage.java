package rivulus.app.rig;

import javafx.beans.binding.Bindings;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import rivulus.app.look.Look;
import rivulus.app.session.Picture;
import rivulus.app.session.Session;
import rivulus.chart.RigLayer;
import rivulus.show.Names;
import rivulus.words.Words;

/// The gear by place, drawn; what the chosen ear depends on, or the chosen source passes, is lit. A
/// layer over it shows leads, power, earths, time or computers, and says beside it what they come
/// to. Choosing a device shows its knobs and leads.
public final class RigStage extends VBox {
    /// Of the height of the stage, the drawing has at most this much.
    private static final double SHARE = 0.6;

    private final Session session;
    private final RigChart chart;
    private final RigPageBox page;
    private final HBox layers = new HBox();
    private final TextField wanted = new TextField("10");
    private final HBox round =
            new HBox(6, Look.text("Round trip wanted", "soft"), wanted, Look.text("ms", "soft"));
    private final Label words = Look.paragraph("", "soft", "legend");

    /// The stage of a session.
    public RigStage(Session session) {
        this.session = session;
        getStyleClass().add("stage");
        chart = new RigChart(session, session.device()::set);
        page = new RigPageBox(session);
        layers.getStyleClass().add("layers");
        layers.setId("layers");
        layers.setAlignment(Pos.CENTER_LEFT);
        wanted.setId("wanted-ms");
        wanted.setPrefColumnCount(4);
        wanted.setAccessibleText("How long a round trip may be, in milliseconds");
        wanted.setOnAction(_ -> want());
        round.setAlignment(Pos.CENTER_LEFT);
        HBox head = new HBox(16, Look.text("The rig", "stage-title"), layers, round);
        head.setAlignment(Pos.BASELINE_LEFT);
        ScrollPane above = scroll(chart, "rig-scroll");
        above.prefHeightProperty().bind(chart.prefHeightProperty().add(2));
        above.minHeightProperty()
                .bind(Bindings.min(above.prefHeightProperty(), heightProperty().multiply(SHARE)));
        above.maxHeightProperty().bind(above.minHeightProperty());
        ScrollPane below = scroll(page, "page-scroll");
        below.setPrefHeight(0);
        VBox.setVgrow(below, Priority.ALWAYS);
        getChildren().addAll(head, words, above, below);
        fillLayers();
        session.layer().addListener((_, _, _) -> fillLayers());
        session.picture().addListener((_, _, picture) -> fill(picture));
    }

    private static ScrollPane scroll(Region content, String id) {
        ScrollPane scroll = new ScrollPane(content);
        scroll.setId(id);
        scroll.setFitToWidth(true);
        scroll.setFocusTraversable(false);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        return scroll;
    }

    private void fillLayers() {
        layers.getChildren().clear();
        ToggleGroup group = new ToggleGroup();
        for (RigLayer layer : RigLayer.values()) {
            ToggleButton button = new ToggleButton(layer.title());
            button.setToggleGroup(group);
            button.setSelected(layer == session.layer().get());
            button.setId("layer-" + layer.title().toLowerCase(java.util.Locale.ROOT));
            button.getStyleClass().setAll("pane-tab");
            button.setOnAction(
                    _ -> {
                        session.layer().set(layer);
                        button.setSelected(true);
                    });
            layers.getChildren().add(button);
        }
    }

    /// A round trip that is no length of time is taken back.
    private void want() {
        try {
            double ms = Double.parseDouble(wanted.getText().strip().replace(',', '.'));
            if (ms > 0 && ms <= 1000) session.wantedMs().set(ms);
        } catch (NumberFormatException noTime) {
            // taken back below
        }
        wanted.setText(Words.shortest(session.wantedMs().get()));
    }

    private void fill(Picture picture) {
        Look.show(round, session.layer().get() == RigLayer.TIME);
        chart.show(picture);
        if (picture == null) return;
        words.setText(legend(picture));
        picture.page().ifPresent(page::show);
    }

    private String legend(Picture picture) {
        if (picture.show().rig().devices().isEmpty()) return "No gear yet. Add some at the right.";
        String lit =
                picture.source() != null
                        ? "Lit: what %s passes. ".formatted(Names.of(picture.source()))
                        : picture.ear() != null
                                ? "Lit: what %s depends on. ".formatted(Names.of(picture.ear()))
                                : "";
        return switch (session.layer().get()) {
            case LEADS, COMPUTERS -> lit + "Numbers are those of the lead list.";
            case POWER -> "Lines lead from what feeds to what is fed.";
            case EARTHS -> "Heavy lines join grounds; a letter names the lead that closes a ring.";
            case TIME -> lit + "Rates are those that each machine runs at.";
        };
    }
}
