package rivulus.app.levels;

import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import rivulus.app.look.Look;
import rivulus.app.look.Marks;
import rivulus.app.session.Recordings;
import rivulus.app.session.Session;
import rivulus.recording.Remark;
import rivulus.words.Words;

/// What a recording says against the plan, worst first, each with what it turns; all of it in one
/// step.
final class RemarksPane extends VBox {
    private final Session session;
    private final Runnable rig;
    private final Button all = new Button();
    private final VBox list = new VBox();

    /// @param rig turns to the rig
    RemarksPane(Session session, Runnable rig) {
        this.session = session;
        this.rig = rig;
        setId("remarks");
        getStyleClass().add("findings");
        all.setId("take-all-remarks");
        all.getStyleClass().add("first-answer");
        all.setMaxWidth(Double.MAX_VALUE);
        all.setOnAction(_ -> takeAll());
        VBox head = new VBox(all);
        head.getStyleClass().add("gains-head");
        list.getStyleClass().add("cards");
        ScrollPane scroll = Look.scroll(list);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        getChildren().setAll(Look.text("What the recording says", "pane-title"), head, scroll);
        session.recordings().heard().subscribe(this::show);
    }

    /// Takes all that can be taken, in one step.
    void takeAll() {
        List<Remark> taken = session.recordings().heard().get().canBeTaken();
        if (taken.isEmpty()) session.say("The recording asks for no turn.");
        else session.recordings().take(session.show().get(), taken);
    }

    private void show(Recordings.Heard heard) {
        int turns = heard.canBeTaken().size();
        Look.show(all, turns > 0);
        all.setText("Turn %s".formatted(turns == 1 ? "it" : "all " + Words.number(turns)));
        List<Node> cards = heard.remarks().stream().map(remark -> card(remark, heard)).toList();
        list.getChildren().setAll(cards);
        if (cards.isEmpty())
            list.getChildren()
                    .add(
                            Look.paragraph(
                                    heard.tracks().isEmpty()
                                            ? "Nothing was measured yet."
                                            : "All is as the plan foretells.",
                                    "soft"));
    }

    private Node card(Remark remark, Recordings.Heard heard) {
        int at = heard.remarks().indexOf(remark);
        HBox tag =
                new HBox(
                        6,
                        Marks.of(remark.severity()),
                        Look.text(remark.severity().word(), "severity-word"));
        tag.getStyleClass().add("tag");
        VBox card = new VBox(6, tag, Look.paragraph(remark.sentence(), "cause"));
        card.getStyleClass().add("card");
        if (remark.canBeTaken()) {
            Button take = new Button("Turn it");
            take.setId("remark-" + at);
            take.setAccessibleText("Turn it: " + remark.sentence());
            take.setOnAction(_ -> session.recordings().take(session.show().get(), List.of(remark)));
            card.getChildren().add(take);
        }
        if (remark.finding().isPresent()) {
            Button show = new Button("See it in the rig");
            show.setId("remark-" + at + "-rig");
            show.setOnAction(_ -> rig.run());
            card.getChildren().add(show);
        }
        return card;
    }
}
