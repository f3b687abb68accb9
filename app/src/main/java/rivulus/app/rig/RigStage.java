package rivulus.app.rig;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import javafx.css.PseudoClass;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import rivulus.app.look.Look;
import rivulus.app.look.Marks;
import rivulus.app.session.Picture;
import rivulus.app.session.Session;
import rivulus.leads.LeadReport;
import rivulus.rig.RigFinding;
import rivulus.show.Device;
import rivulus.show.Person;
import rivulus.show.Place;
import rivulus.show.Show;
import rivulus.words.Words;

/// The gear by place and machine; what the chosen ear depends on is lit. Choosing a device shows
/// its knobs.
public final class RigStage extends VBox {
    private static final PseudoClass LIT = PseudoClass.getPseudoClass("lit");
    private static final PseudoClass CHOSEN = PseudoClass.getPseudoClass("chosen");

    private final Session session;
    private final FlowPane groups = new FlowPane(16, 16);
    private final GridPane leads = new GridPane(16, 4);
    private final Label heading = Look.text("The rig", "stage-title");
    private final Label words = Look.paragraph("", "soft", "legend");

    /// The stage of a session.
    public RigStage(Session session) {
        this.session = session;
        getStyleClass().add("stage");
        groups.getStyleClass().add("rig-groups");
        groups.setId("rig");
        leads.getStyleClass().add("rig-leads");
        leads.setId("lead-list");
        ScrollPane scroll = new ScrollPane(new VBox(16, groups, leads));
        scroll.setFitToWidth(true);
        scroll.setFocusTraversable(false);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        getChildren().addAll(heading, words, scroll);
        session.picture().addListener((_, _, picture) -> fill(picture));
    }

    private void fill(Picture picture) {
        groups.getChildren().clear();
        leads.getChildren().clear();
        if (picture == null) return;
        fillLeads(picture);
        Show show = picture.show();
        words.setText(
                show.rig().devices().isEmpty()
                        ? "No gear yet. Add some at the right."
                        : picture.ear() == null
                                ? ""
                                : "Lit: what "
                                        + picture.ear().name()
                                        + " depends on. Choose gear to see its knobs.");
        grouped(show)
                .forEach(
                        (title, devices) ->
                                groups.getChildren().add(group(title, devices, picture)));
    }

    /// Every lead with its kind, its length and what is wrong with it.
    private void fillLeads(Picture picture) {
        List<LeadReport> all = picture.rig().leads();
        if (all.isEmpty()) return;
        leads.add(Look.text("Leads", "group-title"), 0, 0);
        int row = 1;
        for (LeadReport lead : all) {
            String metres =
                    lead.cable().metres() == 0 ? "" : Words.signed(lead.cable().metres(), 1) + " m";
            HBox mark = new HBox();
            if (!lead.faults().isEmpty())
                mark.getChildren().add(Marks.of(lead.faults().getFirst().severity()));
            leads.addRow(
                    row++,
                    Look.text(lead.a().words(), "lead-end"),
                    Look.text(lead.b().words(), "lead-end"),
                    Look.text(lead.kindInWords(), "soft"),
                    Look.text(metres, "soft"),
                    Look.text(lead.cable().toBuy() ? "to buy" : "", "soft"),
                    mark);
        }
    }

    private static Map<String, List<Device>> grouped(Show show) {
        Map<String, List<Device>> groups = new LinkedHashMap<>();
        for (Device device : show.rig().devices()) {
            groups.computeIfAbsent(home(show, device), _ -> new ArrayList<>()).add(device);
        }
        return groups;
    }

    /// Where a device is listed: with the computer it runs on, with its wearer's place, or in its
    /// own place.
    private static String home(Show show, Device device) {
        if (!device.on().isEmpty())
            return show.rig().device(device.on()).map(Device::name).orElse("");
        boolean hosts =
                show.rig().devices().stream().anyMatch(other -> other.on().equals(device.id()));
        if (hosts) return device.name();
        String place = show.cast().person(device.worn()).map(Person::place).orElse(device.place());
        return show.place(place).map(Place::name).orElse("Elsewhere");
    }

    private VBox group(String title, List<Device> devices, Picture picture) {
        VBox box = new VBox(4, Look.text(title, "group-title"));
        box.getStyleClass().add("rig-group");
        for (Device device : devices) {
            VBox text =
                    new VBox(
                            Look.block(device.name(), 186, "order"),
                            Look.block(kind(device), 186, "effect"));
            Button button = new Button();
            List<RigFinding> wrong = picture.rig().findingsOf(device.id());
            HBox line = new HBox(6, text, Look.spring());
            if (!wrong.isEmpty()) line.getChildren().add(Marks.of(wrong.getFirst().severity()));
            button.setGraphic(line);
            button.setMaxWidth(Double.MAX_VALUE);
            button.getStyleClass().addAll("device", "stage-focus");
            button.pseudoClassStateChanged(LIT, picture.onTheWay().contains(device.id()));
            button.pseudoClassStateChanged(CHOSEN, device.id().equals(session.device().get()));
            button.setAccessibleText(
                    device.name()
                            + ", "
                            + kind(device)
                            + (wrong.isEmpty() ? "" : ", " + wrong.getFirst().sentence()));
            button.setOnAction(_ -> session.device().set(device.id()));
            box.getChildren().add(button);
        }
        return box;
    }

    private String kind(Device device) {
        return session.prover()
                .catalogue()
                .find(device.template())
                .map(t -> t.name())
                .orElse(device.template());
    }
}
