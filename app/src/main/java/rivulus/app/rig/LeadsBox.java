package rivulus.app.rig;

import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javafx.collections.ListChangeListener;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import javafx.util.StringConverter;
import rivulus.app.form.FormBox;
import rivulus.app.look.Look;
import rivulus.app.look.Marks;
import rivulus.app.session.Picture;
import rivulus.app.session.Session;
import rivulus.check.Finding;
import rivulus.form.Form;
import rivulus.gear.GearKind;
import rivulus.gear.Template;
import rivulus.leads.Fault;
import rivulus.leads.Joining;
import rivulus.leads.LeadReport;
import rivulus.show.Device;
import rivulus.words.Words;

/// The chosen device as a thing: what can be said of it, its leads, ways to join it to another, and
/// what could stand in its place. The chosen lead opens as a form.
final class LeadsBox extends VBox {
    private static final double WIDTH = 236;

    private final Session session;
    private final FormBox form;
    private final FormBox leadForm;
    private final Label leadTitle = Look.paragraph("", "order");
    private final VBox theLead = new VBox(6);
    private final VBox leads = new VBox(8);
    private final VBox wrong = new VBox(4);
    private final ComboBox<Device> other = choice(Device::name);
    private final VBox ways = new VBox(6);
    private final Button kind = new Button("Change this kind of gear …");
    private final ComboBox<Template> instead = choice(Template::name);
    private final Button replace = new Button("Replace");
    private final Label replaceLosses = Look.paragraph("", "soft");
    private final Label failure = Look.paragraph("", "cause");
    private boolean filling;
    private String shown = "";
    private Device device;

    /// @param onKind told the template of the device, to be looked at on the bench
    LeadsBox(Session session, Consumer<Device> onKind) {
        super(10);
        this.session = session;
        form = new FormBox("device-form", session::edit);
        leadForm = new FormBox("lead-form", session::edit);
        theLead.getChildren().setAll(leadTitle, leadForm);
        theLead.getStyleClass().add("the-lead");
        getStyleClass().add("leads-box");
        setId("leads");
        other.setId("join-to");
        other.setPromptText("another machine");
        other.setAccessibleText("Join to another machine");
        other.valueProperty()
                .addListener(
                        (_, _, to) -> {
                            if (!filling) session.joinings().to().set(to == null ? "" : to.id());
                        });
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
        getChildren()
                .addAll(
                        form,
                        failure,
                        wrong,
                        Look.text("Leads", "group-title"),
                        theLead,
                        leads,
                        Look.text("Join to", "group-title"),
                        other,
                        ways,
                        Look.text("Replace by", "group-title"),
                        instead,
                        replaceLosses,
                        replace,
                        kind);
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
        form.show(sight.form());
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
        Optional<Form> open =
                Optional.ofNullable(sight.leads().get(session.joinings().lead().get()));
        open.ifPresent(leadForm::show);
        leadTitle.setText(open.map(Form::title).orElse(""));
        Look.show(theLead, open.isPresent());
        Look.relaid(leads, () -> fillLeads(sight));
        GearKind kind = picture.proof().survey().template(chosen).kind();
        Template by = instead.getValue();
        boolean same = by != null && by.kind() == kind && chosen.id().equals(shown);
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
        fillWays();
        filling = false;
    }

    private void fillLeads(DeviceSight sight) {
        List<LeadReport> own = sight.picture().proof().survey().leadsOf(device);
        leads.getChildren().clear();
        for (LeadReport lead : own) leads.getChildren().add(row(lead));
        if (own.isEmpty()) leads.getChildren().add(Look.paragraph("No lead is in it yet.", "soft"));
    }

    /// A lead, to be opened.
    private Node row(LeadReport lead) {
        String id = lead.cable().id();
        boolean here = lead.a().device().id().equals(device.id());
        String own = (here ? lead.a() : lead.b()).port().label();
        String far = (here ? lead.b() : lead.a()).words();
        boolean open = session.joinings().lead().get().equals(id);
        Button change = new Button(open ? "Close" : "Change");
        change.setId("lead-" + id);
        change.getStyleClass().add("take-out");
        change.setAccessibleText((open ? "Close the lead to " : "Change the lead to ") + far);
        change.setOnAction(_ -> session.joinings().lead().set(open ? "" : id));
        String length = lead.cable().metres() == 0 ? "" : Words.metres(lead.cable().metres());
        HBox line =
                new HBox(
                        6,
                        Look.text(
                                Stream.of(length, lead.cable().toBuy() ? "to buy" : "")
                                        .filter(word -> !word.isEmpty())
                                        .collect(Collectors.joining(", ")),
                                "soft"),
                        Look.spring(),
                        change);
        line.setAlignment(Pos.CENTER_LEFT);
        lead.cable().tape().ifPresent(tape -> line.getChildren().addFirst(Look.tape(tape)));
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
}
