package rivulus.app.look;

import java.io.InputStream;
import java.text.Bidi;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.beans.binding.Bindings;
import javafx.beans.property.BooleanProperty;
import javafx.beans.value.ObservableStringValue;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.Scene;
import javafx.scene.control.Label;
import javafx.scene.control.Labeled;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.shape.SVGPath;
import javafx.scene.text.Font;
import javafx.scene.text.Text;
import rivulus.show.Tape;

/// The few shapes and makings that all views share. Colours, sizes and fonts live in the style
/// sheets.
public final class Look {
    private static final List<String> FONTS = List.of("Regular", "Medium", "Bold");

    private Look() {}

    /// Loads the fonts that ship with the program.
    public static void loadFonts() {
        for (String weight : FONTS) {
            InputStream font =
                    Look.class.getResourceAsStream("/rivulus/fonts/SourceSans3-" + weight + ".ttf");
            if (font == null || Font.loadFont(font, 14) == null) {
                throw new IllegalStateException("the program is damaged: a font is missing");
            }
        }
    }

    /// The style sheet of that name.
    public static String sheet(String name) {
        return Look.class.getResource("/rivulus/app/" + name + ".css").toExternalForm();
    }

    /// A line of text with style classes.
    public static Label text(String words, String... classes) {
        Label label = new Label(words);
        label.getStyleClass().addAll(classes);
        return label;
    }

    /// Text that wraps at a fixed width, for what stands inside a button.
    public static Text block(String words, double width, String... classes) {
        Text text = new Text(words);
        wrap(text, width);
        text.getStyleClass().addAll(classes);
        return text;
    }

    /// Text that wraps.
    public static Label paragraph(String words, String... classes) {
        Label label = text(words, classes);
        wraps(label);
        label.setMinHeight(Region.USE_PREF_SIZE);
        return label;
    }

    /// Wraps what is too long for its place.
    public static void wraps(Labeled labeled) {
        wraps(labeled.wrapTextProperty(), labeled.textProperty());
    }

    /// Wraps what is too long for its place.
    public static void wraps(TextArea area) {
        wraps(area.wrapTextProperty(), area.textProperty());
    }

    private static void wraps(BooleanProperty wraps, ObservableStringValue text) {
        wraps.bind(Bindings.createBooleanBinding(() -> canBreak(text.get()), text));
    }

    /// Wraps text at a width.
    ///
    /// @param width 0 for not at all
    public static void wrap(Text text, double width) {
        text.setWrappingWidth(canBreak(text.getText()) ? width : 0);
    }

    /// The toolkit fails where it breaks a line that is written from the right.
    private static boolean canBreak(String text) {
        return text == null || !Bidi.requiresBidi(text.toCharArray(), 0, text.length());
    }

    /// Something that scrolls up and down, as wide as there is room; the keyboard goes to what is
    /// in it.
    public static ScrollPane scroll(Node content) {
        ScrollPane scroll = new ScrollPane(content);
        scroll.setFitToWidth(true);
        scroll.setFocusTraversable(false);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        return scroll;
    }

    /// The same, as high as what is in it once its lines are broken, and at most so many pixels.
    public static ScrollPane scroll(Region content, double most) {
        ScrollPane scroll = scroll(content);
        scroll.setMinHeight(0);
        content.heightProperty()
                .addListener(
                        (_, _, high) ->
                                scroll.setPrefHeight(Math.min(most, high.doubleValue() + 4)));
        return scroll;
    }

    /// Tabs of which one is always chosen, each with what it shows.
    public static void tabs(Map<ToggleButton, Node> shown) {
        ToggleGroup group = new ToggleGroup();
        group.selectedToggleProperty()
                .addListener(
                        (_, was, is) -> {
                            if (is == null) was.setSelected(true);
                            shown.forEach((tab, node) -> show(node, tab.isSelected()));
                        });
        for (ToggleButton tab : shown.keySet()) {
            tab.getStyleClass().setAll("pane-tab");
            tab.setToggleGroup(group);
        }
    }

    /// Lays something out anew; the keyboard stays on what has the same id then.
    public static void relaid(Parent parent, Runnable laying) {
        Optional<String> focused =
                Optional.ofNullable(parent.getScene()).map(Scene::getFocusOwner).map(Node::getId);
        laying.run();
        focused.map(id -> parent.lookup("#" + id)).ifPresent(Node::requestFocus);
    }

    /// A drawn mark.
    public static SVGPath mark(String path, String... classes) {
        SVGPath mark = new SVGPath();
        mark.setContent(path);
        mark.getStyleClass().add("mark");
        mark.getStyleClass().addAll(classes);
        return mark;
    }

    /// A piece of tape.
    public static Region tape(Tape tape) {
        Region piece = new Region();
        piece.getStyleClass().addAll("tape", "tape-" + tape.word());
        return piece;
    }

    /// Something that takes all the room that is left in a row.
    public static Region spring() {
        Region spring = new Region();
        HBox.setHgrow(spring, Priority.ALWAYS);
        return spring;
    }

    /// Shows or hides something, room included.
    public static void show(Node node, boolean shown) {
        node.setVisible(shown);
        node.setManaged(shown);
    }

    private static final String STANDS = "stands";
    private static final String PLACE = "place";

    /// Says what stands in a field where nothing is typed: its text as it is now. A field that has
    /// the keyboard and holds something else holds what is typed and not entered.
    ///
    /// @param place where the field stands, so that it is known again: what it is a field of, and
    ///     which
    public static void stands(TextField field, String place) {
        field.getProperties().put(STANDS, field.getText() == null ? "" : field.getText());
        field.getProperties().put(PLACE, place);
    }

    /// Where a field stands of which somebody said what stands in it.
    public static String place(TextField field) {
        return (String) field.getProperties().get(PLACE);
    }

    /// What stands in a field where nothing is typed; empty where nobody said.
    public static Optional<String> standing(TextField field) {
        return Optional.ofNullable((String) field.getProperties().get(STANDS));
    }
}
