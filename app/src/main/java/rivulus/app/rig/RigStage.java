package rivulus.app.rig;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.Supplier;
import javafx.beans.binding.Bindings;
import javafx.beans.property.DoubleProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleDoubleProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
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
import rivulus.app.session.View;
import rivulus.app.stage.Command;
import rivulus.app.stage.Stage;
import rivulus.chart.RigLayer;
import rivulus.gear.Catalogue;
import rivulus.show.Limit;
import rivulus.show.Names;
import rivulus.words.Words;

/// The gear by place, drawn; what the chosen ear depends on, or the chosen source passes, is lit. A
/// layer over it shows leads, power, earths, time or computers, and says beside it what they come
/// to. Choosing a device shows its knobs and leads.
public final class RigStage extends VBox implements Stage, View<Sight> {
    /// By which the session knows it.
    public static final String ID = "rig";

    /// Its name in the top bar.
    public static final String TITLE = "Rig";

    /// Of the height of the stage, the drawing has at most this much.
    private static final double SHARE = 0.7;

    private final Session session;
    private final GearPane gear;
    private final ObjectProperty<RigLayer> layer = new SimpleObjectProperty<>(RigLayer.LEADS);
    private final DoubleProperty wantedMs = new SimpleDoubleProperty(Limit.OWN_VOICE.usual());
    private final RigChart chart;
    private final RigPageBox page;
    private final HBox layers = new HBox();
    private final TextField wanted = new TextField("10");
    private final HBox round =
            new HBox(6, Look.text("Round trip wanted", "soft"), wanted, Look.text("ms", "soft"));
    private final Label words = Look.paragraph("", "soft", "legend");

    /// The stage of a session.
    ///
    /// @param onKind told the id of a template to look at on the bench; empty for own kinds in
    ///     general
    public RigStage(Session session, Consumer<Optional<String>> onKind) {
        this.session = session;
        gear = new GearPane(session, onKind);
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
        HBox head =
                new HBox(16, Look.text("The rig", "stage-title"), layers, Look.spring(), zooming());
        head.setAlignment(Pos.BASELINE_LEFT);
        ScrollPane above = scroll(chart, "rig-scroll");
        above.setPannable(true);
        above.prefHeightProperty().bind(chart.prefHeightProperty().add(2));
        above.minHeightProperty()
                .bind(Bindings.min(above.prefHeightProperty(), heightProperty().multiply(SHARE)));
        above.maxHeightProperty().bind(above.minHeightProperty());
        ScrollPane below = scroll(page, "page-scroll");
        below.setPrefHeight(0);
        VBox.setVgrow(below, Priority.ALWAYS);
        HBox.setHgrow(words, Priority.ALWAYS);
        words.setMaxWidth(Double.MAX_VALUE);
        HBox said = new HBox(16, words, round);
        said.getStyleClass().add("zooming");
        getChildren().addAll(head, said, above, below);
        fillLayers();
        layer.addListener((_, _, _) -> fillLayers());
        layer.addListener((_, _, _) -> session.redraw());
        wantedMs.addListener((_, _, _) -> session.redraw());
        session.draws(this);
    }

    @Override
    public Node middle() {
        return this;
    }

    @Override
    public Node side() {
        return gear;
    }

    /// What can be asked of it.
    public static List<Command> commands(Supplier<RigStage> stage) {
        return Arrays.stream(RigLayer.values())
                .map(l -> Command.of("Rig: " + l.title(), "", () -> stage.get().look(l)))
                .toList();
    }

    /// Smaller, as drawn, larger.
    private HBox zooming() {
        Button smaller = zoom("rig-smaller", "\u2212", "Smaller drawing", -1);
        Button same = zoom("rig-same", "", "Drawing as it fits", 0);
        Button larger = zoom("rig-larger", "+", "Larger drawing", 1);
        same.textProperty().bind(chart.zoom().multiply(100).asString(Locale.ROOT, "%.0f\u202F%%"));
        HBox zooming = new HBox(2, smaller, same, larger);
        zooming.setAlignment(Pos.CENTER_RIGHT);
        zooming.getStyleClass().add("zooming");
        return zooming;
    }

    private Button zoom(String id, String words, String about, int by) {
        Button button = new Button(words);
        button.setId(id);
        button.getStyleClass().add("take-out");
        button.setAccessibleText(about);
        button.setOnAction(_ -> chart.zoom(by));
        return button;
    }

    private void look(RigLayer at) {
        session.stage().set(ID);
        layer.set(at);
    }

    /// What is laid over the drawing.
    public ObjectProperty<RigLayer> layer() {
        return layer;
    }

    /// Turns to the catalogue, with the keyboard in its search.
    public void search() {
        gear.search();
    }

    @Override
    public boolean isSeen() {
        return session.stage().get().equals(ID);
    }

    @Override
    public Function<Picture, Sight> drawing() {
        RigLayer over = layer.get();
        Sight.Room room = chart.room(getHeight() * SHARE);
        double wants = wantedMs.get();
        Catalogue catalogue = session.shelf().prover().catalogue();
        return picture -> Sight.of(picture, over, room, wants, catalogue);
    }

    @Override
    public void clear() {
        chart.show(Optional.empty(), layer.get(), 1);
    }

    private static ScrollPane scroll(Region content, String id) {
        ScrollPane scroll = Look.scroll(content);
        scroll.setId(id);
        return scroll;
    }

    private void fillLayers() {
        layers.getChildren().clear();
        ToggleGroup group = new ToggleGroup();
        for (RigLayer layer : RigLayer.values()) {
            ToggleButton button = new ToggleButton(layer.title());
            button.setToggleGroup(group);
            button.setSelected(layer == this.layer.get());
            button.setId("layer-" + layer.title().toLowerCase(Locale.ROOT));
            button.getStyleClass().setAll("pane-tab");
            button.setOnAction(
                    _ -> {
                        this.layer.set(layer);
                        button.setSelected(true);
                    });
            layers.getChildren().add(button);
        }
    }

    /// A round trip that is no length of time is taken back.
    private void want() {
        try {
            double ms = Double.parseDouble(wanted.getText().strip().replace(',', '.'));
            if (ms > 0 && ms <= 1000) wantedMs.set(ms);
        } catch (NumberFormatException noTime) {
            // taken back below
        }
        wanted.setText(Words.shortest(wantedMs.get()));
    }

    @Override
    public void show(Sight sight) {
        Look.show(round, sight.layer() == RigLayer.TIME);
        chart.show(sight.drawing(), sight.layer(), sight.zoom());
        words.setText(legend(sight.picture(), sight.layer()));
        page.show(sight.page());
    }

    private static String legend(Picture picture, RigLayer layer) {
        if (picture.show().rig().devices().isEmpty()) return "No gear yet. Add some at the right.";
        String lit =
                picture.source() != null
                        ? "Lit: what %s passes. ".formatted(Names.of(picture.source()))
                        : picture.ear() != null
                                ? "Lit: what %s depends on. ".formatted(Names.of(picture.ear()))
                                : "";
        return switch (layer) {
            case LEADS, COMPUTERS ->
                    lit + "Numbers are those of the lead list. N on a box: its next lead.";
            case POWER -> "Lines lead from what feeds to what is fed.";
            case EARTHS -> "Heavy lines join grounds; a letter names the lead that closes a ring.";
            case TIME -> lit + "Rates are those that each machine runs at.";
        };
    }
}
