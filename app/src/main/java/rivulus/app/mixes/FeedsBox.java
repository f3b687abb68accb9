package rivulus.app.mixes;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BooleanSupplier;
import java.util.function.Function;
import javafx.css.PseudoClass;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import rivulus.app.look.Look;
import rivulus.app.session.Picture;
import rivulus.app.session.Session;
import rivulus.app.session.View;
import rivulus.check.Prover;
import rivulus.mix.Feed;

/// Every feed of the show with the sentence of what it carries.
final class FeedsBox extends VBox implements View<FeedsSight> {
    static final PseudoClass OTHERWISE = PseudoClass.getPseudoClass("otherwise");

    private final Session session;
    private final BooleanSupplier seen;
    private final Button all = new Button("Write them all from the brief");
    private final Button stop = new Button("Stop");
    private final Label doing = Look.text("", "soft");
    private final VBox rows = new VBox(10);
    private final Map<String, FeedRow> known = new HashMap<>();

    /// @param seen whether anybody would see it now
    FeedsBox(Session session, BooleanSupplier seen) {
        super(8);
        this.session = session;
        this.seen = seen;
        setId("feeds");
        all.setId("write-mixes");
        all.getStyleClass().add("first-answer");
        all.setOnAction(
                _ -> {
                    if (!stop.isVisible()) session.mixings().all();
                });
        stop.setId("stop-mixes");
        stop.getStyleClass().add("back");
        stop.setOnAction(_ -> session.mixings().stop());
        doing.textProperty().bind(session.mixings().doing());
        session.mixings().doing().addListener((_, _, words) -> Look.show(stop, !words.isEmpty()));
        Look.show(stop, false);
        HBox head = new HBox(10, all, stop, doing);
        head.setAlignment(Pos.CENTER_LEFT);
        rows.getStyleClass().add("feeds");
        ScrollPane scroll = Look.scroll(rows);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        getChildren().addAll(head, scroll);
        session.draws(this);
    }

    @Override
    public boolean isSeen() {
        return seen.getAsBoolean();
    }

    @Override
    public Function<Picture, FeedsSight> drawing() {
        Prover prover = session.shelf().prover();
        return picture -> FeedsSight.of(picture, prover);
    }

    @Override
    public void show(FeedsSight sight) {
        List<Node> nodes = new ArrayList<>();
        for (Feed feed : sight.reliedOn()) nodes.add(row(feed, sight));
        if (nodes.isEmpty())
            nodes.add(
                    Look.paragraph(
                            sight.others().isEmpty()
                                    ? "Nothing is mixed yet: a desk, a software mixer or a streaming program is, once it is in the rig."
                                    : "Nobody hears any of these feeds yet.",
                            "soft"));
        if (!sight.others().isEmpty())
            nodes.add(Look.text("Nobody relies on these, as the knobs stand", "group-title"));
        for (Feed feed : sight.others()) nodes.add(row(feed, sight));
        Look.relaid(rows, () -> rows.getChildren().setAll(nodes));
    }

    private FeedRow row(Feed feed, FeedsSight sight) {
        FeedRow row =
                known.computeIfAbsent(feed.at().toString(), at -> new FeedRow(session, id(at)));
        row.show(feed, sight.language());
        return row;
    }

    /// As a style sheet may name it.
    private static String id(String at) {
        return at.replaceAll("[^A-Za-z0-9]", "-");
    }

    @Override
    public void clear() {
        rows.getChildren().clear();
        known.clear();
        session.document().typed().forget(FeedRow.TYPED);
    }
}
