package rivulus.app.rig;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.Predicate;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.RadioButton;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import rivulus.app.look.Look;
import rivulus.app.session.Picture;
import rivulus.app.session.Session;
import rivulus.app.session.View;
import rivulus.chart.KnobSheet;
import rivulus.gear.Catalogue;
import rivulus.gear.Setting;
import rivulus.show.Device;
import rivulus.show.Ref;

/// The knobs of the chosen device in its own words, to be turned here: first those on the way to
/// the chosen ear, then those that have been turned, then the rest.
public final class KnobsPane extends VBox implements View<Optional<DeviceSight>> {
    private final Session session;
    private final Label title = Look.text("", "pane-title");
    private final Label kind = Look.paragraph("", "soft", "pane-sub");
    private final TextField filter = new TextField();
    private final VBox rows = new VBox();
    private final RadioButton everywhere = new RadioButton("whole show");
    private final RadioButton here = new RadioButton();
    private final Map<Ref, KnobRow> byKnob = new LinkedHashMap<>();
    private final ToggleButton knobsTab = new ToggleButton("Knobs");
    private final ToggleButton gearTab = new ToggleButton("Leads and power");
    private final ToggleButton channelsTab = new ToggleButton("Desk");
    private final LeadsBox leads;
    private final DeskBox desk;
    private final List<Node> forKnobs;
    private final VBox body = new VBox();
    private static final int MOST_SHOWN = 60;

    private String shown = "";
    private int knobs;
    private KnobSheet sheet;

    /// The knobs of a session's chosen device.
    ///
    /// @param onKind told the device whose kind is to be looked at on the bench
    public KnobsPane(Session session, Consumer<Device> onKind) {
        this.session = session;
        getStyleClass().add("knobs");
        setId("knobs");
        Button close = new Button("Close");
        close.setId("close-knobs");
        close.setOnAction(_ -> session.device().set(""));
        HBox head = new HBox(title, Look.spring(), close);
        head.getStyleClass().add("knobs-head");
        head.setAlignment(Pos.CENTER_LEFT);
        ToggleGroup scope = new ToggleGroup();
        everywhere.setToggleGroup(scope);
        here.setToggleGroup(scope);
        everywhere.setSelected(true);
        HBox either = new HBox(12, everywhere, here);
        VBox turns = new VBox(4, Look.text("A turn holds for the", "soft"), either);
        filter.setId("knob-filter");
        filter.setPromptText("Find a knob");
        filter.setAccessibleText("Find a knob by its label");
        filter.textProperty().addListener((_, _, _) -> lay());
        ToggleGroup side = new ToggleGroup();
        knobsTab.setToggleGroup(side);
        gearTab.setToggleGroup(side);
        channelsTab.setToggleGroup(side);
        knobsTab.getStyleClass().setAll("pane-tab");
        gearTab.getStyleClass().setAll("pane-tab");
        channelsTab.getStyleClass().setAll("pane-tab");
        knobsTab.setId("knobs-tab");
        gearTab.setId("gear-tab");
        channelsTab.setId("channels-tab");
        knobsTab.setSelected(true);
        side.selectedToggleProperty()
                .addListener(
                        (_, was, is) -> {
                            if (is == null) was.setSelected(true);
                            else {
                                turnOver();
                                session.redraw();
                            }
                        });
        leads = new LeadsBox(session, onKind);
        VBox top = new VBox(8, kind, new HBox(knobsTab, gearTab, channelsTab), filter, turns);
        forKnobs = List.of(filter, turns);
        top.getStyleClass().add("knobs-top");
        rows.getStyleClass().add("knob-rows");
        desk = new DeskBox(session);
        body.getChildren().setAll(rows, leads, desk);
        session.joinings()
                .lead()
                .addListener(
                        (_, _, lead) -> {
                            if (!lead.isEmpty()) gearTab.setSelected(true);
                        });
        ScrollPane scroll = new ScrollPane(body);
        scroll.setFitToWidth(true);
        scroll.setFocusTraversable(false);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        getChildren().addAll(head, top, scroll);
        session.draws(this);
        turnOver();
    }

    @Override
    public boolean isSeen() {
        return !session.device().get().isEmpty();
    }

    @Override
    public Function<Picture, Optional<DeviceSight>> drawing() {
        String instead = leads.instead();
        boolean written = channelsTab.isSelected();
        Catalogue catalogue = session.shelf().prover().catalogue();
        return picture -> DeviceSight.of(picture, instead, written, catalogue);
    }

    @Override
    public void clear() {
        shown = "";
    }

    private void turnOver() {
        boolean knobs = knobsTab.isSelected();
        for (Node node : forKnobs) Look.show(node, knobs);
        Look.show(rows, knobs);
        Look.show(leads, gearTab.isSelected());
        Look.show(desk, channelsTab.isSelected());
    }

    @Override
    public void show(Optional<DeviceSight> drawn) {
        if (drawn.isEmpty()) return;
        Picture picture = drawn.get().picture();
        sheet = drawn.get().sheet();
        leads.fill(drawn.get());
        drawn.get().desk().ifPresent(seen -> desk.show(picture, seen));
        boolean some = !sheet.channels().isEmpty();
        Look.show(channelsTab, some);
        if (!some && channelsTab.isSelected()) knobsTab.setSelected(true);
        String earId = picture.ear() == null ? "" : picture.ear().id();
        String key = sheet.device().id() + "/" + earId + "/" + sheet.channels();
        here.setText("scene " + picture.scene().scene().name());
        if (key.equals(shown) && sheet.rows().size() == knobs) {
            for (KnobSheet.Row row : sheet.rows())
                Optional.ofNullable(byKnob.get(row.use().ref())).ifPresent(line -> line.show(row));
            return;
        }
        shown = key;
        knobs = sheet.rows().size();
        title.setText(sheet.device().name());
        kind.setText(sheet.kind());
        byKnob.clear();
        lay();
    }

    private void turn(KnobSheet.Row row, Setting to) {
        session.turn(row.use(), row.stands(), to, here.isSelected());
    }

    /// Lays the rows out in groups. Turning a knob leaves them where they are.
    private void lay() {
        rows.getChildren().clear();
        if (sheet == null) return;
        if (sheet.rows().isEmpty()) {
            rows.getChildren().add(Look.paragraph("There is nothing to turn on it.", "soft"));
            return;
        }
        List<KnobSheet.Row> left = new ArrayList<>(sheet.rows());
        String words = filter.getText().toLowerCase(Locale.ROOT).strip();
        left.removeIf(row -> !row.use().knob().label().toLowerCase(Locale.ROOT).contains(words));
        group("On the way", left, KnobSheet.Row::onTheWay);
        group("Turned", left, KnobSheet.Row::turned);
        more(group("As they came", left, _ -> true));
        if (rows.getChildren().isEmpty())
            rows.getChildren().add(Look.text("No knob is called that.", "soft"));
    }

    /// Lays a group out, as far as a pane can be read.
    ///
    /// @return how many were left out
    private int group(String name, List<KnobSheet.Row> left, Predicate<KnobSheet.Row> belongs) {
        List<KnobSheet.Row> members = left.stream().filter(belongs).toList();
        left.removeAll(members);
        if (members.isEmpty()) return 0;
        rows.getChildren().add(Look.text(name, "group-title"));
        for (KnobSheet.Row row : members.stream().limit(MOST_SHOWN).toList())
            rows.getChildren().add(rowOf(row));
        return Math.max(0, members.size() - MOST_SHOWN);
    }

    private KnobRow rowOf(KnobSheet.Row row) {
        return byKnob.computeIfAbsent(
                row.use().ref(), _ -> new KnobRow(row, sheet.channel(row), this::turn));
    }

    private void more(int leftOut) {
        if (leftOut > 0)
            rows.getChildren()
                    .add(
                            Look.paragraph(
                                    "and %d more; find them by name.".formatted(leftOut), "soft"));
    }
}
