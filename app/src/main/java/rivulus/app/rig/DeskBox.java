package rivulus.app.rig;

import java.util.List;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import rivulus.app.form.FormBox;
import rivulus.app.look.Look;
import rivulus.app.look.Sources;
import rivulus.app.session.Picture;
import rivulus.app.session.Session;
import rivulus.chart.DeskSheet;
import rivulus.desk.Channel;
import rivulus.form.Form;
import rivulus.words.Words;

/// The chosen desk as it lies under the hand, in reading order: what sits where, what is to be
/// written on it, and what its keys silence for whom. Ctrl with Up or Down moves what the keyboard
/// is on.
final class DeskBox extends VBox {
    private static final int IDLE_NAMED = 6;

    private final Session session;
    private final FormBox deeds;
    private final VBox plan = new VBox();
    private final FormBox strips;
    private final FormBox pads;
    private final Label written = Look.text("Written on it", "group-title");
    private final Label cues = Look.text("Cue pads", "group-title");
    private List<Object> shown = List.of();
    /// Where its faders sit, as it was shown last.
    private Optional<Form> laid = Optional.empty();

    DeskBox(Session session) {
        super(8);
        this.session = session;
        setId("desk");
        getStyleClass().add("leads-box");
        plan.setId("desk-plan");
        deeds = new FormBox("desk-deeds", session::edit);
        strips = new FormBox("channels", session::edit);
        pads = new FormBox("pads", session::edit);
        getChildren().setAll(deeds, plan, written, strips, cues, pads);
    }

    void show(Picture picture, DeviceSight.Desk desk) {
        laid = desk.laid();
        laid.map(Form::toDo).ifPresent(deeds::show);
        Look.show(deeds, laid.filter(form -> !form.deeds().isEmpty()).isPresent());
        desk.strips().ifPresent(strips::show);
        Look.show(written, desk.strips().isPresent());
        Look.show(strips, desk.strips().isPresent());
        desk.pads().ifPresent(pads::show);
        Look.show(cues, desk.pads().isPresent());
        Look.show(pads, desk.pads().isPresent());
        List<Object> face = List.of(desk.sheet(), picture.show().sources());
        if (face.equals(shown)) return;
        shown = face;
        Look.relaid(this, () -> lay(picture, desk.sheet()));
    }

    private void lay(Picture picture, DeskSheet sheet) {
        plan.getChildren().clear();
        for (DeskSheet.Group group : sheet.groups()) {
            plan.getChildren().add(Look.text(group.title(), "group-title"));
            for (DeskSheet.Row row : group.rows())
                row.used().ifPresent(used -> plan.getChildren().add(row(picture, row, used)));
            if (!group.idle().isEmpty())
                plan.getChildren()
                        .add(
                                Look.paragraph(
                                        "Nothing on %s."
                                                .formatted(Words.few(group.idle(), IDLE_NAMED)),
                                        "soft"));
        }
    }

    private Node row(Picture picture, DeskSheet.Row row, Channel channel) {
        Label name = Look.text(row.name().isEmpty() ? "—" : row.name(), "source-name");
        Label place = Look.text(row.place() + " · " + channel.label(), "soft");
        HBox head = new HBox(8, name, Look.spring(), place);
        head.setAlignment(Pos.BASELINE_LEFT);
        VBox words = new VBox(1, head);
        channel.tape().ifPresent(tape -> head.getChildren().add(1, Look.tape(tape)));
        if (row.taped())
            words.getChildren()
                    .add(Look.paragraph("Tape over the print: it carries this.", "cause"));
        for (String key : row.keys()) words.getChildren().add(Look.paragraph(key, "soft"));
        HBox.setHgrow(words, Priority.ALWAYS);
        HBox line = new HBox(8, hue(picture, channel), words);
        line.setId("seat-" + channel.fader().name().replace('.', '-'));
        line.getStyleClass().add("seat");
        line.setFocusTraversable(true);
        line.setAccessibleText(
                "%s: %s. %s"
                        .formatted(row.place(), channel.words(), String.join("; ", row.keys())));
        line.setOnMousePressed(_ -> line.requestFocus());
        line.addEventHandler(KeyEvent.KEY_PRESSED, event -> key(event, channel));
        return line;
    }

    private static Node hue(Picture picture, Channel channel) {
        Region bar = new Region();
        Label letter = Look.text("", "soft");
        if (!channel.comes().isEmpty()) {
            String source = channel.comes().getFirst().id();
            bar.getStyleClass().add("seat-hue");
            bar.getStyleClass().add(Sources.hue(picture.show(), source));
            letter.setText(Sources.letter(picture.show(), source));
        }
        VBox mark = new VBox(2, bar, letter);
        VBox.setVgrow(bar, Priority.ALWAYS);
        Look.show(letter, !letter.getText().isEmpty());
        return mark;
    }

    /// Moves a channel to the control before or behind the one it sits on, among those that take
    /// it; who sat there moves the other way.
    private void key(KeyEvent event, Channel channel) {
        boolean moves = event.getCode() == KeyCode.UP || event.getCode() == KeyCode.DOWN;
        if (!event.isShortcutDown() || !moves) return;
        event.consume();
        int by = event.getCode() == KeyCode.UP ? -1 : 1;
        laid.flatMap(form -> form.along(channel.fader().name(), by)).ifPresent(session::edit);
    }
}
