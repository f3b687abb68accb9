package rivulus.app.rig;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.collections.ListChangeListener;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import javafx.util.StringConverter;
import rivulus.app.look.Look;
import rivulus.app.look.Marks;
import rivulus.app.session.Picture;
import rivulus.app.session.Session;
import rivulus.check.Finding;
import rivulus.edit.Edit;
import rivulus.gear.GearKind;
import rivulus.gear.Power;
import rivulus.gear.Template;
import rivulus.leads.Fault;
import rivulus.leads.Joining;
import rivulus.leads.LeadReport;
import rivulus.show.Device;
import rivulus.show.Place;
import rivulus.words.Words;

/// The chosen device as a thing: its name, what it runs on, its leads, ways to join it to another,
/// and the way out of the rig.
final class LeadsBox extends VBox {
    private static final double WIDTH = 236;

    private final Session session;
    private final TextField name = new TextField();
    private final ComboBox<Power.Source> power = choice(Power.Source::words);
    private final VBox leads = new VBox(8);
    private final VBox wrong = new VBox(4);
    private final ComboBox<Device> other = choice(Device::name);
    private final VBox ways = new VBox(6);
    private final ComboBox<Place> place = choice(Place::name);
    private final ComboBox<Optional<Device>> outlet =
            choice(strip -> strip.map(Device::name).orElse("the wall"));
    private final HBox plugged = new HBox(8, Look.text("Plugged into", "soft"), outlet);
    private final CheckBox toBuy = new CheckBox("has still to be bought");
    private final Button kind = new Button("Change this kind of gear …");
    private final ComboBox<Template> instead = choice(Template::name);
    private final Button replace = new Button("Replace");
    private final Label replaceLosses = Look.paragraph("", "soft");
    private final Button remove = new Button("Remove from the rig");
    private final Label failure = Look.paragraph("", "cause");
    private final Label losses = Look.paragraph("", "soft");
    private boolean filling;
    private String shown = "";
    private Device device;

    /// @param onKind told the template of the device, to be looked at on the bench
    LeadsBox(Session session, Consumer<Device> onKind) {
        super(10);
        this.session = session;
        getStyleClass().add("leads-box");
        setId("leads");
        name.setId("device-name");
        name.setAccessibleText("Name of the device");
        name.setOnAction(_ -> rename());
        name.focusedProperty()
                .addListener(
                        (_, _, focused) -> {
                            if (!focused) rename();
                        });
        power.setId("device-power");
        power.setAccessibleText("What it runs on");
        power.valueProperty().addListener((_, _, kind) -> runFrom(kind));
        other.setId("join-to");
        other.setPromptText("another machine");
        other.setAccessibleText("Join to another machine");
        other.valueProperty()
                .addListener(
                        (_, _, to) -> {
                            if (!filling) session.joinings().to().set(to == null ? "" : to.id());
                        });
        place.setId("device-place");
        place.setAccessibleText("Where it stands");
        place.valueProperty().addListener((_, _, to) -> move(to));
        outlet.setId("device-outlet");
        outlet.setAccessibleText("Which outlet it is plugged into");
        outlet.valueProperty().addListener((_, _, strip) -> plug(strip));
        plugged.setAlignment(Pos.CENTER_LEFT);
        toBuy.setId("device-to-buy");
        toBuy.setOnAction(_ -> session.edit(session.rigEdits().toBuy(device, toBuy.isSelected())));
        kind.setId("change-kind");
        kind.setOnAction(_ -> onKind.accept(device));
        instead.setId("replace-by");
        instead.setPromptText("another of its kind");
        instead.setAccessibleText("Replace by another of its kind");
        instead.valueProperty()
                .addListener(
                        (_, _, _) -> {
                            if (!filling) session.redraw();
                        });
        replace.setId("replace-device");
        replace.setOnAction(_ -> replace());
        remove.setId("remove-device");
        remove.setOnAction(_ -> remove());
        HBox stands = new HBox(8, Look.text("Stands in", "soft"), place);
        stands.setAlignment(Pos.CENTER_LEFT);
        HBox runs = new HBox(8, Look.text("Runs from", "soft"), power);
        runs.setAlignment(Pos.CENTER_LEFT);
        getChildren()
                .addAll(
                        name,
                        stands,
                        runs,
                        plugged,
                        toBuy,
                        failure,
                        wrong,
                        Look.text("Join to", "group-title"),
                        other,
                        ways,
                        Look.text("Leads", "group-title"),
                        leads,
                        Look.text("Replace by", "group-title"),
                        instead,
                        replaceLosses,
                        replace,
                        kind,
                        remove,
                        losses);
        session.joinings()
                .to()
                .addListener(
                        (_, _, to) -> {
                            filling = true;
                            other.setValue(session.show().get().rig().device(to).orElse(null));
                            filling = false;
                        });
        session.joinings().ways().addListener((ListChangeListener<Joining>) _ -> fillWays());
    }

    /// A choice among things that have names.
    private static <T> ComboBox<T> choice(Function<T, String> name) {
        ComboBox<T> box = new ComboBox<>();
        box.setConverter(
                new StringConverter<>() {
                    @Override
                    public String toString(T of) {
                        return of == null ? "" : name.apply(of);
                    }

                    @Override
                    public T fromString(String words) {
                        return null;
                    }
                });
        box.setMaxWidth(Double.MAX_VALUE);
        return box;
    }

    void fill(DeviceSight sight) {
        Picture picture = sight.picture();
        Device chosen = sight.sheet().device();
        filling = true;
        device = chosen;
        if (!name.isFocused()) name.setText(chosen.name());
        List<Power.Source> kinds = picture.proof().survey().template(chosen).power().from();
        power.getItems().setAll(kinds);
        power.setValue(kinds.isEmpty() ? null : chosen.power().orElse(kinds.getFirst()));
        power.setDisable(kinds.size() < 2);
        List<Optional<Device>> outlets = new ArrayList<>(List.of(Optional.<Device>empty()));
        for (Device strip : picture.show().rig().devices())
            if (isStrip(strip) && !strip.id().equals(chosen.id())) outlets.add(Optional.of(strip));
        outlet.getItems().setAll(outlets);
        outlet.setValue(picture.show().rig().device(chosen.outlet()));
        Look.show(
                plugged,
                outlets.size() > 1
                        && picture.proof().survey().runsOn(chosen) == Power.Source.MAINS);
        toBuy.setSelected(chosen.toBuy());
        Look.show(toBuy, chosen.on().isEmpty());
        failure.setText(sight.failure().words());
        wrong.getChildren().clear();
        for (Finding finding : picture.proof().ofDevice(chosen.id()))
            wrong.getChildren()
                    .add(
                            new HBox(
                                    6,
                                    Marks.of(finding.severity()),
                                    Look.block(finding.sentence(), WIDTH, "order")));
        Look.show(wrong, !wrong.getChildren().isEmpty());
        leads.getChildren().clear();
        List<LeadReport> own = picture.proof().survey().leadsOf(chosen);
        for (LeadReport lead : own) leads.getChildren().add(row(lead));
        if (own.isEmpty()) leads.getChildren().add(Look.paragraph("No lead is in it yet.", "soft"));
        place.getItems().setAll(picture.show().places());
        place.setValue(picture.show().place(chosen.place()).orElse(null));
        place.setDisable(chosen.place().isEmpty());
        GearKind kind = picture.proof().survey().template(chosen).kind();
        Template by = instead.getValue();
        boolean same =
                by != null && device != null && by.kind() == kind && chosen.id().equals(shown);
        shown = chosen.id();
        instead.getItems()
                .setAll(
                        session.shelf().catalogue().get().templates().values().stream()
                                .filter(t -> t.kind() == kind)
                                .filter(t -> !t.id().equals(chosen.template()))
                                .toList());
        instead.setValue(same ? by : null);
        tellReplacement(sight.lost());
        String to = session.joinings().to().get();
        other.getItems()
                .setAll(
                        picture.show().rig().devices().stream()
                                .filter(d -> !d.id().equals(chosen.id()) && d.on().isEmpty())
                                .toList());
        other.setValue(picture.show().rig().device(to).orElse(null));
        List<String> goes = sight.goesAlong();
        losses.setText(goes.isEmpty() ? "" : "Goes with it: " + Words.list(goes) + ".");
        Look.show(losses, !goes.isEmpty());
        fillWays();
        filling = false;
    }

    private boolean isStrip(Device strip) {
        return session.shelf()
                .catalogue()
                .get()
                .find(strip.template())
                .filter(t -> t.power().mostWatts() > 0)
                .isPresent();
    }

    private void plug(Optional<Device> strip) {
        boolean same = strip == null || strip.map(Device::id).orElse("").equals(device.outlet());
        if (!filling && !same) session.edit(session.rigEdits().plug(device, strip));
    }

    private VBox row(LeadReport lead) {
        boolean here = lead.a().device().id().equals(device.id());
        String own = (here ? lead.a() : lead.b()).port().label();
        String far = (here ? lead.b() : lead.a()).words();
        Button out = new Button("Take out");
        out.getStyleClass().add("take-out");
        out.setAccessibleText("Take out the lead to " + far);
        out.setOnAction(_ -> session.edit(session.rigEdits().unjoin(lead.cable())));
        TextField metres =
                new TextField(
                        lead.cable().metres() == 0 ? "" : Words.signed(lead.cable().metres(), 1));
        metres.setPrefColumnCount(3);
        metres.setPromptText("m");
        metres.setAccessibleText("Length of the lead to %s in metres".formatted(far));
        metres.setOnAction(_ -> lengthen(lead, metres));
        CheckBox buy = new CheckBox("to buy");
        buy.setSelected(lead.cable().toBuy());
        buy.setAccessibleText("The lead to %s has still to be bought".formatted(far));
        buy.setOnAction(_ -> session.edit(session.rigEdits().toBuy(lead, buy.isSelected())));
        HBox line = new HBox(6, metres, Look.text("m", "soft"), buy, Look.spring(), out);
        line.setAlignment(Pos.CENTER_LEFT);
        VBox row =
                new VBox(
                        2,
                        Look.block((own.isEmpty() ? "" : own + " – ") + far, WIDTH, "order"),
                        Look.block(lead.kindInWords(), WIDTH, "effect"));
        for (String fact : lead.facts())
            row.getChildren().add(Look.block(Words.sentence(fact), WIDTH, "effect"));
        for (Fault fault : lead.faults())
            row.getChildren()
                    .add(
                            new HBox(
                                    6,
                                    Marks.of(fault.severity()),
                                    Look.block(fault.words(), WIDTH - 20, "effect")));
        row.getChildren().add(line);
        row.getStyleClass().add("lead-row");
        return row;
    }

    private void lengthen(LeadReport lead, TextField field) {
        String words = field.getText().strip().replace(',', '.');
        try {
            double metres = words.isEmpty() ? 0 : Double.parseDouble(words);
            if (metres < 0 || metres > 1000) throw new NumberFormatException(words);
            session.edit(session.rigEdits().length(lead, metres));
        } catch (NumberFormatException notALength) {
            field.setText(lead.cable().metres() == 0 ? "" : Words.signed(lead.cable().metres(), 1));
        }
    }

    private void fillWays() {
        ways.getChildren().clear();
        if (session.joinings().to().get().isEmpty()) return;
        for (Joining way : session.joinings().ways()) ways.getChildren().add(way(way));
        if (session.joinings().ways().isEmpty())
            ways.getChildren()
                    .add(
                            Look.paragraph(
                                    "No free ports of the two can be joined, not even with an"
                                            + " adapter between.",
                                    "soft"));
    }

    private Button way(Joining way) {
        Button button = new Button();
        button.setGraphic(
                new VBox(
                        Look.block(way.way(), WIDTH, "order"),
                        Look.block("by " + way.needs(), WIDTH, "effect"),
                        Look.block(way.why(), WIDTH, "effect")));
        button.setMaxWidth(Double.MAX_VALUE);
        button.getStyleClass().addAll("cure", "join-way");
        button.setAccessibleText("Join %s, by %s; %s".formatted(way.way(), way.needs(), way.why()));
        button.setOnAction(_ -> session.joinings().take(way));
        return button;
    }

    private void rename() {
        if (device == null || name.getText().isBlank() || name.getText().equals(device.name()))
            return;
        session.show()
                .get()
                .rig()
                .device(device.id())
                .ifPresent(now -> session.edit(session.rigEdits().rename(now, name.getText())));
    }

    private void move(Place to) {
        if (filling || to == null || to.id().equals(device.place())) return;
        session.edit(session.rigEdits().move(device, to));
    }

    /// The id of the template that is chosen to replace the device by, or empty.
    String instead() {
        return instead.getValue() == null ? "" : instead.getValue().id();
    }

    /// What would be lost is told before it is lost.
    private void tellReplacement(List<String> lost) {
        boolean any = instead.getValue() != null;
        Look.show(replace, any);
        Look.show(replaceLosses, any);
        replaceLosses.setText(
                lost.isEmpty()
                        ? "Every lead and every setting is carried over."
                        : "Would be lost:\n· " + String.join("\n· ", lost));
    }

    private void replace() {
        session.edit(session.rigEdits().replace(device, instead.getValue().id()));
    }

    private void runFrom(Power.Source source) {
        if (filling || source == null) return;
        session.edit(session.rigEdits().power(device, source));
    }

    private void remove() {
        Edit edit = session.rigEdits().remove(device);
        session.device().set("");
        session.edit(edit);
    }
}
