package rivulus.app.mixes;

import java.util.List;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import rivulus.app.look.Look;
import rivulus.app.session.Mixings;
import rivulus.app.session.Session;
import rivulus.mix.Feed;
import rivulus.mix.MixLanguage;
import rivulus.show.Names;
import rivulus.words.Words;

/// One feed: who hears it, the sentence of what it carries, and what the brief would ask for. Enter
/// carries a sentence out; Down goes on with what could stand there.
final class FeedRow extends VBox {
    /// How the names of what is typed in a row begin.
    static final String TYPED = "mix/";

    private static final int OFFERED = 5;

    private final Session session;
    private final Mixings mixings;
    private final Label name = Look.text("", "order");
    private final Label listeners = Look.text("", "soft");
    private final Label state = Look.text("", "feed-state");
    private final TextField sentence = new TextField();
    private final Button take = new Button();
    private final Label offered = Look.paragraph("", "soft");
    private final Label told = Look.paragraph("", "cause");
    private Feed feed;
    private MixLanguage language;
    /// What stood there when it was last shown.
    private String shown = "";
    /// What could go on, and which of it was taken last.
    private MixLanguage.Completion completion = new MixLanguage.Completion(0, List.of());
    private int taken = -1;
    private boolean completing;

    FeedRow(Session session, String id) {
        super(2);
        this.session = session;
        mixings = session.mixings();
        getStyleClass().add("feed");
        sentence.setId("mix-" + id);
        take.setId("ask-" + id);
        take.getStyleClass().add("take-ask");
        HBox head = new HBox(10, name, listeners, Look.spring(), state);
        head.setAlignment(Pos.BASELINE_LEFT);
        HBox.setHgrow(sentence, Priority.ALWAYS);
        HBox row = new HBox(8, sentence, take);
        row.setAlignment(Pos.CENTER_LEFT);
        getChildren().addAll(head, row, offered, told);
        sentence.setOnAction(_ -> carryOut());
        sentence.textProperty().addListener((_, _, _) -> offer());
        sentence.caretPositionProperty().addListener((_, _, _) -> offer());
        sentence.focusedProperty().addListener((_, _, _) -> offer());
        sentence.addEventFilter(KeyEvent.KEY_PRESSED, this::key);
        take.setOnAction(_ -> mixings.let(feed, feed.asked()));
        session.document().typed().watch(TYPED + id, sentence, () -> shown, this::carryOut);
    }

    void show(Feed now, MixLanguage words) {
        boolean written = !sentence.getText().equals(shown);
        feed = now;
        language = words;
        name.setText(now.name());
        listeners.setText(
                now.listeners().isEmpty()
                        ? "nobody hears it as the knobs stand"
                        : "for " + Words.list(now.listeners().stream().map(Names::of).toList()));
        String says = now.says().map(mix -> words.print(mix.steps())).orElse("");
        String carries = words.print(now.carries());
        if (!written) sentence.setText(says);
        shown = says;
        sentence.setPromptText("carries " + carries);
        sentence.setAccessibleText(
                "What %s is to carry. It carries %s.".formatted(now.name(), carries));
        state.setText(
                switch (now.state()) {
                    case UNSAID -> "";
                    case SO -> "as said";
                    case OTHERWISE -> "carries " + carries;
                });
        state.pseudoClassStateChanged(FeedsBox.OTHERWISE, now.state() == Feed.State.OTHERWISE);
        String asked = now.asked().map(words::print).orElse("");
        take.setText(asked.equals(carries) ? "as the brief asks" : "the brief asks: " + asked);
        take.setAccessibleText("Let %s carry what the brief asks: %s".formatted(now.name(), asked));
        Look.show(take, !asked.isEmpty() && !asked.equals(says));
        tell(mixings.told().get(now.at().toString()));
        offer();
    }

    /// What was said when it was last written; what cannot be had stays on the screen.
    private void tell(String words) {
        String torn = feed.torn().isEmpty() ? "" : torn();
        told.setText(words == null || words.isEmpty() ? torn : words);
        Look.show(told, !told.getText().isEmpty());
    }

    private String torn() {
        List<String> all = feed.torn();
        String more = all.size() > 1 ? " (and %d more)".formatted(all.size() - 1) : "";
        return "Who hears it cannot have the same: %s%s.".formatted(all.getFirst(), more);
    }

    private void carryOut() {
        if (sentence.getText().isBlank()) {
            if (feed.says().isPresent()) mixings.let(feed, Optional.empty());
            return;
        }
        switch (language.read(sentence.getText())) {
            case MixLanguage.Says(var steps) -> {
                shown = sentence.getText();
                mixings.let(feed, Optional.of(steps));
            }
            case MixLanguage.Mistake mistake -> {
                told.setText(Words.sentence(mistake.sentence()) + ".");
                Look.show(told, true);
                sentence.positionCaret(mistake.column() - 1);
            }
        }
    }

    private void offer() {
        if (completing || language == null) return;
        taken = -1;
        boolean writes = sentence.isFocused();
        completion =
                writes
                        ? language.complete(sentence.getText(), sentence.getCaretPosition())
                        : new MixLanguage.Completion(0, List.of());
        boolean some = writes && !completion.words().isEmpty() && !sentence.getText().equals(shown);
        offered.setText(
                some
                        ? "Down: "
                                + String.join(
                                        " · ", completion.words().stream().limit(OFFERED).toList())
                        : "");
        Look.show(offered, some);
    }

    private void key(KeyEvent event) {
        if (event.getCode() == KeyCode.DOWN && !completion.words().isEmpty()) {
            completing = true;
            String word = completion.words().get(++taken % completion.words().size());
            String begun = sentence.getText().substring(0, completion.from()) + word;
            String behind =
                    taken == 0 ? sentence.getText().substring(sentence.getCaretPosition()) : "";
            sentence.setText(begun + behind);
            sentence.positionCaret(begun.length());
            completing = false;
            event.consume();
        } else if (event.getCode() == KeyCode.Z
                && event.isShortcutDown()
                && sentence.getText().equals(shown)) {
            // nothing is written that could be taken back: it is the show that is meant
            if (event.isShiftDown()) session.document().redo();
            else session.document().undo();
            event.consume();
        } else if (event.getCode() == KeyCode.ESCAPE && !sentence.getText().equals(shown)) {
            sentence.setText(shown);
            event.consume();
        }
    }
}
