package rivulus.app.rig;

import java.util.ArrayList;
import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import rivulus.app.look.Look;
import rivulus.app.session.Picture;
import rivulus.app.session.Session;
import rivulus.gear.Template;
import rivulus.show.Owned;
import rivulus.words.Words;

/// What is owned: leads by kind and length, boxes by kind. Ways to join take from it first, and
/// what the plan takes beyond it is found before anybody packs.
final class CupboardBox extends VBox {
    private static final double WIDTH = 150;

    private final Session session;
    private final VBox rows = new VBox(2);
    private final ComboBox<String> what = new ComboBox<>();
    private final TextField metres = new TextField();
    private final Label trouble = Look.paragraph("", "soft");

    CupboardBox(Session session) {
        super(10);
        this.session = session;
        setId("cupboard");
        what.setId("own-what");
        what.setPromptText("a kind of lead or box");
        what.setAccessibleText("The kind of lead or box that is owned");
        what.setMaxWidth(Double.MAX_VALUE);
        metres.setId("own-metres");
        metres.setPromptText("m");
        metres.setPrefColumnCount(4);
        metres.setAccessibleText("Its length in metres; empty for a box, or where it is not known");
        metres.setOnAction(_ -> own());
        Button own = new Button("Put one in");
        own.setId("own-add");
        own.setOnAction(_ -> own());
        HBox line = new HBox(6, metres, Look.text("m", "soft"), own);
        line.setAlignment(Pos.CENTER_LEFT);
        Button plan = new Button("Count what the plan takes as owned");
        plan.setId("own-plan");
        plan.setOnAction(
                _ ->
                        session.edit(
                                session.rigEdits()
                                        .ownThePlan(
                                                session.picture().get().proof().survey().leads())));
        getChildren()
                .addAll(
                        Look.paragraph(
                                "What is in the cupboard. Ways to join take from here first; where"
                                        + " it is empty, nothing is counted.",
                                "soft"),
                        rows,
                        Look.text("Put in", "group-title"),
                        what,
                        line,
                        trouble,
                        plan);
    }

    void fill(Picture picture) {
        List<String> things = new ArrayList<>(session.shelf().leads().names());
        for (Template template : session.shelf().catalogue().get().templates().values())
            if (template.kind().isBox()) things.add(template.name());
        if (!what.getItems().equals(things)) what.getItems().setAll(things);
        rows.getChildren().clear();
        for (Owned owned : picture.show().rig().stock()) rows.getChildren().add(row(owned));
        if (rows.getChildren().isEmpty())
            rows.getChildren().add(Look.paragraph("The cupboard is empty.", "soft"));
    }

    private HBox row(Owned owned) {
        String name =
                session.shelf()
                        .catalogue()
                        .get()
                        .find(owned.what())
                        .map(Template::name)
                        .orElse(owned.what());
        String length = owned.metres() == 0 ? "" : ", " + Words.metres(owned.metres());
        Button fewer = step("−", "One fewer of " + name + length, owned, owned.pieces() - 1);
        Button more = step("+", "One more of " + name + length, owned, owned.pieces() + 1);
        HBox row =
                new HBox(
                        6,
                        Look.block(name + length, WIDTH, "order"),
                        Look.spring(),
                        fewer,
                        Look.text(Integer.toString(owned.pieces()), "pieces"),
                        more);
        row.setAlignment(Pos.CENTER_LEFT);
        row.getStyleClass().add("owned-row");
        return row;
    }

    private Button step(String sign, String words, Owned owned, int pieces) {
        Button button = new Button(sign);
        button.setAccessibleText(words);
        button.setOnAction(
                _ -> session.edit(session.rigEdits().own(owned.what(), owned.metres(), pieces)));
        return button;
    }

    private void own() {
        if (what.getValue() == null) {
            trouble.setText("Say first which kind of lead or box it is.");
            return;
        }
        String words = metres.getText().strip().replace(',', '.');
        try {
            double length = words.isEmpty() ? 0 : Double.parseDouble(words);
            if (!(length >= 0 && length <= 1000)) throw new NumberFormatException(words);
            trouble.setText("");
            put(length);
        } catch (NumberFormatException noLength) {
            trouble.setText("A length is a number of metres from 0 to 1000: 3, or 1.5.");
        }
    }

    private void put(double length) {
        String id =
                session.shelf().catalogue().get().templates().values().stream()
                        .filter(template -> template.name().equals(what.getValue()))
                        .map(Template::id)
                        .findFirst()
                        .orElse(what.getValue());
        int had =
                session.show().get().rig().stock().stream()
                        .filter(o -> o.what().equals(id) && o.metres() == length)
                        .mapToInt(Owned::pieces)
                        .sum();
        session.edit(session.rigEdits().own(id, length, had + 1));
    }
}
