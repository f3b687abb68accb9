package rivulus.app.rig;

import java.util.ArrayList;
import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
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
import rivulus.form.Deed;
import rivulus.form.Field;
import rivulus.form.Form;
import rivulus.words.Words;

/// The chosen desk as it lies under the hand, in reading order: what sits where, what is to be
/// written on it, and what its keys silence for whom. Ctrl with Up or Down moves what the keyboard
/// is on.
final class DeskBox extends VBox {
    private final Session session;
    private final FlowPane deeds = new FlowPane(8, 6);
    private final VBox plan = new VBox();
    private final FormBox strips;
    private final FormBox pads;
    private final Label written = Look.text("Written on it", "group-title");
    private final Label cues = Look.text("Cue pads", "group-title");
    private List<Object> shown = List.of();

    DeskBox(Session session) {
        super(8);
        this.session = session;
        setId("desk");
        getStyleClass().add("leads-box");
        plan.setId("desk-plan");
        deeds.setId("desk-deeds");
        strips = new FormBox("channels", session::edit);
        pads = new FormBox("pads", session::edit);
        getChildren().setAll(deeds, plan, written, strips, cues, pads);
    }

    void show(Picture picture, DeviceSight.Desk desk) {
        desk.strips().ifPresent(strips::show);
        Look.show(written, desk.strips().isPresent());
        Look.show(strips, desk.strips().isPresent());
        desk.pads().ifPresent(pads::show);
        Look.show(cues, desk.pads().isPresent());
        Look.show(pads, desk.pads().isPresent());
        List<Object> face =
                List.of(
                        desk.sheet(),
                        picture.show().sources(),
                        desk.laid().map(Form::deeds).map(List::size));
        if (face.equals(shown)) return;
        shown = face;
        Look.relaid(this, () -> lay(picture, desk));
    }

    private void lay(Picture picture, DeviceSight.Desk desk) {
        deeds.getChildren().clear();
        for (Deed deed : desk.laid().map(Form::deeds).orElse(List.of())) {
            Button button = new Button(deed.words());
            button.setId("desk-" + deed.id());
            button.setOnAction(_ -> deed.edit().ifPresent(session::edit));
            deeds.getChildren().add(button);
        }
        Look.show(deeds, !deeds.getChildren().isEmpty());
        plan.getChildren().clear();
        for (DeskSheet.Group group : desk.sheet().groups()) {
            plan.getChildren().add(Look.text(group.title(), "group-title"));
            List<String> idle = new ArrayList<>();
            for (DeskSheet.Row row : group.rows())
                if (row.channel().filter(Channel::isUsed).isPresent())
                    plan.getChildren().add(row(picture, desk, row));
                else idle.add(row.place());
            if (!idle.isEmpty())
                plan.getChildren()
                        .add(
                                Look.paragraph(
                                        "Nothing on %s.".formatted(Words.few(idle, 6)), "soft"));
        }
    }

    private Node row(Picture picture, DeviceSight.Desk desk, DeskSheet.Row row) {
        Channel channel = row.channel().orElseThrow();
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
        line.addEventHandler(KeyEvent.KEY_PRESSED, event -> key(event, desk, channel));
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
    private void key(KeyEvent event, DeviceSight.Desk desk, Channel channel) {
        int by =
                !event.isShortcutDown()
                        ? 0
                        : event.getCode() == KeyCode.UP
                                ? -1
                                : event.getCode() == KeyCode.DOWN ? 1 : 0;
        if (by == 0 || desk.laid().isEmpty()) return;
        event.consume();
        String fader = channel.fader().name();
        List<Field.Choice> controls = new ArrayList<>();
        for (Field field : desk.laid().get().fields())
            if (field instanceof Field.Choice choice
                    && choice.options().stream().anyMatch(o -> o.id().equals(fader)))
                controls.add(choice);
        int at = -1;
        for (int i = 0; i < controls.size(); i++) if (controls.get(i).value().equals(fader)) at = i;
        int to = at + by;
        if (at < 0 || to < 0 || to >= controls.size()) return;
        session.edit(controls.get(to).to().apply(fader));
    }
}
