package rivulus.app.rig;

import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.control.Button;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import rivulus.app.look.Look;
import rivulus.app.session.Session;
import rivulus.gear.GearKind;
import rivulus.gear.Template;
import rivulus.rig.GearSearch;
import rivulus.show.Device;
import rivulus.show.Place;

/// The catalogue, searched by what one needs; what is found is added to the rig.
final class CatalogueBox extends VBox {
    private static final int SHOWN = 12;
    private static final double WIDTH = 194;

    private final Session session;
    private final Consumer<Optional<String>> onKind;
    private final TextField search = new TextField();
    private final VBox found = new VBox(4);

    /// @param onKind told the id of a template to look at closely; empty for own kinds in general
    CatalogueBox(Session session, Consumer<Optional<String>> onKind) {
        super(10);
        this.session = session;
        this.onKind = onKind;
        setId("catalogue");
        search.setId("gear-search");
        search.setPromptText("Say: two xlr in, runs from a phone");
        search.setAccessibleText("Search the catalogue by name or by what you need");
        search.textProperty().addListener((_, _, _) -> list());
        search.setOnAction(_ -> addFirst());
        Button own = new Button("Own kinds of gear …");
        own.setId("own-kinds");
        own.setOnAction(_ -> onKind.accept(Optional.empty()));
        getChildren().addAll(search, found, own);
        session.shelf().catalogue().addListener((_, _, _) -> list());
        list();
    }

    void search() {
        search.requestFocus();
        search.selectAll();
    }

    private List<Template> fitting() {
        return GearSearch.find(session.shelf().catalogue().get(), search.getText());
    }

    private void list() {
        found.getChildren().clear();
        List<Template> fitting = fitting();
        for (Template template : fitting.stream().limit(SHOWN).toList())
            found.getChildren().add(entry(template));
        if (fitting.isEmpty()) {
            found.getChildren()
                    .add(
                            Look.paragraph(
                                    "No gear fits all of that. Make a kind of your own from the"
                                            + " nearest.",
                                    "soft"));
        } else if (fitting.size() > SHOWN) {
            found.getChildren()
                    .add(
                            Look.paragraph(
                                    "and %d more; say more of what you need."
                                            .formatted(fitting.size() - SHOWN),
                                    "soft"));
        }
    }

    private HBox entry(Template template) {
        Button add = new Button();
        add.setGraphic(
                new VBox(
                        Look.block(template.name(), WIDTH, "order"),
                        Look.block(template.about(), WIDTH, "effect")));
        add.setMaxWidth(Double.MAX_VALUE);
        add.getStyleClass().addAll("device", "gear-entry");
        add.setAccessibleText("Add " + template.name());
        add.setOnAction(_ -> add(template));
        HBox.setHgrow(add, Priority.ALWAYS);
        Button closer = new Button("Look");
        closer.getStyleClass().add("look-closer");
        closer.setAccessibleText("Look closely at the kind " + template.name());
        closer.setMinWidth(USE_PREF_SIZE);
        closer.setOnAction(_ -> onKind.accept(Optional.of(template.id())));
        return new HBox(add, closer);
    }

    private void addFirst() {
        fitting().stream().findFirst().ifPresent(this::add);
    }

    /// A program comes to the first computer, all else to the first place.
    private void add(Template template) {
        String where =
                template.kind() == GearKind.PROGRAM
                        ? session.show().get().rig().devices().stream()
                                .filter(d -> isComputer(d.template()))
                                .map(Device::id)
                                .findFirst()
                                .orElse("")
                        : session.show().get().places().stream()
                                .map(Place::id)
                                .findFirst()
                                .orElse("");
        session.edit(session.rigEdits().add(template.id(), where));
        session.device().set(session.show().get().rig().devices().getLast().id());
    }

    private boolean isComputer(String template) {
        return session.shelf()
                .catalogue()
                .get()
                .find(template)
                .filter(Template::isComputer)
                .isPresent();
    }
}
