package rivulus.app.plan;

import java.util.ArrayList;
import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCombination;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import rivulus.app.look.Look;
import rivulus.app.look.Marks;
import rivulus.app.session.Session;
import rivulus.check.Trouble;
import rivulus.plan.Offer;
import rivulus.plan.Pattern;
import rivulus.plan.Planner;
import rivulus.words.Severity;
import rivulus.words.Words;

/// The best plans for the show, side by side: what each is good at and costs, what its proof says,
/// what is to be bought. Nothing changes until one is taken, which is one step of undo; Escape
/// leaves.
public final class PlanPane extends StackPane {
    private static final double WIDE = 330;
    private static final int LEFT_TOLD = 5;
    private static final int DONE_TOLD = 8;
    private static final KeyCombination SEARCH_ON =
            KeyCombination.keyCombination("Shortcut+Shift+ENTER");

    private final Session session;
    private final Runnable close;
    private final Label doing = Look.paragraph("", "soft");
    private final HBox offers = new HBox(16);
    private final Button leave = new Button("Close");
    private final Button on = new Button("Search on (Ctrl Shift Enter)");

    /// @param close takes the pane away
    public PlanPane(Session session, Runnable close) {
        this.session = session;
        this.close = close;
        getStyleClass().add("veil");
        setId("plans");
        ScrollPane scroll = Look.scroll(offers);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        leave.setId("plans-close");
        leave.setOnAction(_ -> leave());
        on.setId("plans-on");
        on.setOnAction(_ -> searchOn());
        Look.show(on, false);
        HBox answers = new HBox(8, leave, on);
        answers.getStyleClass().add("answers");
        VBox card =
                new VBox(
                        12,
                        Look.paragraph("Plan it for me", "panel-title"),
                        doing,
                        scroll,
                        answers);
        card.getStyleClass().add("panel");
        card.setMaxSize(1130, 700);
        getChildren().add(card);
        addEventHandler(
                KeyEvent.KEY_PRESSED,
                event -> {
                    if (event.getCode() == KeyCode.ESCAPE) leave();
                    else if (SEARCH_ON.match(event) && on.isVisible()) searchOn();
                    else return;
                    event.consume();
                });
        doing.setText("Planning …");
        session.plannings().ask(soFar(), this::showAll);
    }

    /// Puts the keyboard where one can leave, until there is something to take.
    public void focus() {
        leave.requestFocus();
    }

    private void leave() {
        session.plannings().stop();
        close.run();
    }

    private void searchOn() {
        Look.show(on, false);
        doing.setText("Searching on …");
        session.plannings().searchOn(soFar(), this::showAll);
    }

    private Planner.Progress soFar() {
        return new Planner.Progress() {
            @Override
            public void trying(Pattern pattern) {
                doing.setText("Trying: " + pattern.name() + " …");
            }

            @Override
            public void found(List<Offer> best) {
                show(best);
            }
        };
    }

    private void showAll(List<Offer> found) {
        doing.setText(
                isForNobody()
                        ? "Nobody listens yet. Say in Brief who is in the show and who listens; then it can be planned."
                        : "What the rig has is kept, the cupboard comes first. Taking a plan is one step, and Ctrl Z takes it back.");
        show(found);
        Look.show(on, found.stream().anyMatch(Offer::mayBeBettered));
    }

    private boolean isForNobody() {
        return session.show().get().ears().isEmpty();
    }

    /// The keyboard stays on the plan that it is on, if that is still among them.
    private void show(List<Offer> found) {
        List<String> ids = found.stream().map(PlanPane::takeId).toList();
        String at =
                getScene() == null || getScene().getFocusOwner() == null
                        ? ""
                        : getScene().getFocusOwner().getId();
        List<Node> cards = new ArrayList<>();
        if (!isForNobody()) for (Offer offer : found) cards.add(card(offer, cards.isEmpty()));
        offers.getChildren().setAll(cards);
        Node keyboard =
                ids.isEmpty() ? null : lookup("#" + (ids.contains(at) ? at : ids.getFirst()));
        if (keyboard != null) keyboard.requestFocus();
    }

    private static String takeId(Offer offer) {
        return "take-plan-" + offer.pattern().id();
    }

    private Node card(Offer offer, boolean best) {
        VBox card = new VBox(8);
        card.getStyleClass().add("plan-card");
        card.setPrefWidth(WIDE);
        card.setMinWidth(WIDE);
        card.setMaxWidth(WIDE);
        card.getChildren().add(Look.paragraph(offer.pattern().name(), "order"));
        card.getChildren().addAll(proof(offer), take(offer, best));
        if (offer.mayBeBettered())
            card.getChildren().add(Look.paragraph("Searched so far; not all was tried.", "effect"));
        for (Trouble left : offer.left().stream().limit(LEFT_TOLD).toList())
            card.getChildren().add(Look.paragraph(left.headline() + ".", "effect"));
        if (offer.left().size() > LEFT_TOLD)
            card.getChildren()
                    .add(
                            Look.paragraph(
                                    "and %d more.".formatted(offer.left().size() - LEFT_TOLD),
                                    "effect"));
        for (String undone : offer.undone())
            card.getChildren().add(Look.paragraph("Cannot be done: " + undone + ".", "effect"));
        card.getChildren()
                .addAll(
                        said("Good at", offer.pattern().good()),
                        said("Costs", offer.pattern().costs()),
                        said(
                                "To buy",
                                offer.toBuy().isEmpty()
                                        ? "nothing"
                                        : String.join(", ", offer.toBuy())),
                        said("Leads", figures(offer)));
        List<String> does = new ArrayList<>(offer.lines());
        does.addAll(offer.turned());
        card.getChildren().add(said("What it does", does(does)));
        if (!offer.failing().isEmpty())
            card.getChildren().add(said("If it fails", offer.failing()));
        return card;
    }

    private Button take(Offer offer, boolean best) {
        Button take = new Button("Take this plan");
        take.setId(takeId(offer));
        if (best) take.getStyleClass().add("first-answer");
        take.setAccessibleText(
                "Take this plan: %s. %s".formatted(offer.pattern().name(), clean(offer)));
        take.setOnAction(
                _ -> {
                    session.plannings().take(offer);
                    leave();
                });
        return take;
    }

    private static String does(List<String> does) {
        if (does.isEmpty()) return "nothing: it is so already";
        String first = String.join("\n", does.stream().limit(DONE_TOLD).toList());
        return does.size() > DONE_TOLD
                ? "%s\nand %d more".formatted(first, does.size() - DONE_TOLD)
                : first;
    }

    private static String figures(Offer offer) {
        String late =
                offer.ownVoiceMs().isPresent()
                        ? "; own voice %s by wire"
                                .formatted(Words.ms(offer.ownVoiceMs().getAsDouble()))
                        : "";
        String spare =
                offer.pattern().isOfWhatIsThere()
                        ? ""
                        : "; %s spare".formatted(Words.count(offer.spare(), "input"));
        return offer.leads() + spare + late;
    }

    private static Node proof(Offer offer) {
        Severity worst =
                offer.left().stream().map(Trouble::severity).min(Enum::compareTo).orElse(null);
        Label words = Look.text(clean(offer), "cause");
        HBox row = worst == null ? new HBox(8, words) : new HBox(8, Marks.of(worst), words);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }

    private static String clean(Offer offer) {
        if (offer.isClean()) return "Proven: everybody hears what they should.";
        return offer.left().isEmpty()
                ? "Not all of it can be done."
                : Words.count(offer.left().size(), "trouble") + " left";
    }

    private static Node said(String what, String words) {
        return new VBox(Look.text(what, "soft"), Look.paragraph(words, "cause"));
    }
}
