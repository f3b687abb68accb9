package rivulus.app.session;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SequencedMap;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.beans.InvalidationListener;
import javafx.event.ActionEvent;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextField;
import javafx.scene.control.TextInputControl;
import rivulus.app.look.Look;

/// What is typed and not entered yet: work like any other. It counts for what is unsaved, saving
/// enters it, what cannot be entered is saved as it stands, and it comes back.
///
/// Boxes in which one writes something of one's own are watched under a name, for good. Of all
/// other fields, whose answer is taken when one goes on elsewhere, the one that has the keyboard
/// counts. What stands in no box at the moment, as a kind of gear that is being made, is held under
/// a name of its own. To be used on the interface thread.
public final class Typed {
    /// How the names begin under which what is typed in a field is kept; behind it stands its
    /// place, and it is there again when one goes to the field.
    public static final String FIELD = "field:";

    private final Runnable changed;
    private final Map<String, Box> boxes = new LinkedHashMap<>();

    /// What came back and has no box yet, and what is held.
    private final SequencedMap<String, String> waiting = new LinkedHashMap<>();

    /// The field that has the keyboard, if its answer is taken when one goes on; or null.
    private TextField field;

    private final InvalidationListener typing = _ -> tell();
    private boolean filling;

    /// @param stands what stands there where nothing is typed
    /// @param enter enters what is typed, and then goes on, whether it could be or not
    /// @param comesBack shows the box where it has to be shown for what was typed there
    private record Box(
            TextInputControl box,
            Supplier<String> stands,
            Consumer<Runnable> enter,
            Runnable comesBack) {
        boolean isTyped() {
            return !box.getText().isBlank() && !box.getText().equals(stands.get());
        }
    }

    /// @param changed told whenever something else is typed
    Typed(Runnable changed) {
        this.changed = changed;
    }

    /// Watches a box in which one writes something of one's own; another box of the same name is
    /// forgotten.
    ///
    /// @param stands what stands there where nothing is typed
    /// @param enter enters what is typed, and then goes on, whether it could be or not
    /// @param comesBack shows the box where it has to be shown for what was typed there
    public void watch(
            String name,
            TextInputControl box,
            Supplier<String> stands,
            Consumer<Runnable> enter,
            Runnable comesBack) {
        boxes.put(name, new Box(box, stands, enter, comesBack));
        box.textProperty().addListener((_, _, _) -> tell());
        Optional.ofNullable(waiting.remove(name)).ifPresent(text -> fill(name, text));
    }

    /// Watches a box that is entered at once, and is always shown.
    ///
    /// @param stands what stands there where nothing is typed
    /// @param enter enters what is typed
    public void watch(String name, TextInputControl box, Supplier<String> stands, Runnable enter) {
        watch(name, box, stands, enter, () -> {});
    }

    /// Watches a box that is entered at once.
    ///
    /// @param stands what stands there where nothing is typed
    /// @param enter enters what is typed
    /// @param comesBack shows the box where it has to be shown for what was typed there
    public void watch(
            String name,
            TextInputControl box,
            Supplier<String> stands,
            Runnable enter,
            Runnable comesBack) {
        watch(
                name,
                box,
                stands,
                then -> {
                    enter.run();
                    then.run();
                },
                comesBack);
    }

    /// Watches no more what boxes of such names hold.
    ///
    /// @param begins how their names begin
    public void forget(String begins) {
        boxes.keySet().removeIf(name -> name.startsWith(begins));
    }

    /// Holds something of one's own that no box shows.
    public void hold(String name, String text) {
        if (!text.equals(waiting.put(name, text))) tell();
    }

    /// Holds it no longer.
    public void drop(String name) {
        if (waiting.remove(name) != null) tell();
    }

    /// What is held, or waits for its box.
    ///
    /// @param begins how its name begins
    /// @return by what stands behind that
    public SequencedMap<String, String> held(String begins) {
        SequencedMap<String, String> held = new LinkedHashMap<>();
        waiting.forEach(
                (name, text) -> {
                    if (name.startsWith(begins)) held.put(name.substring(begins.length()), text);
                });
        return held;
    }

    /// Watches whatever field has the keyboard and says what stands in it.
    public void watch(Scene scene) {
        scene.focusOwnerProperty().addListener((_, _, now) -> turnTo(now));
    }

    private void turnTo(Node now) {
        boolean was = isFieldTyped();
        if (field != null) field.textProperty().removeListener(typing);
        field = null;
        if (now instanceof TextField box && Look.standing(box).isPresent()) field = box;
        if (now instanceof ComboBox<?> choice && Look.standing(choice.getEditor()).isPresent())
            field = choice.getEditor();
        if (field != null) {
            field.textProperty().addListener(typing);
            Optional.ofNullable(waiting.remove(inFieldName())).ifPresent(field::setText);
        }
        if (was || isFieldTyped()) tell();
    }

    private String inFieldName() {
        return FIELD + Look.place(field);
    }

    /// Whether a field holds what has not been taken.
    boolean isFieldTyped() {
        return field != null
                && field.getScene() != null
                && !field.getText().equals(Look.standing(field).orElse(""));
    }

    private void tell() {
        if (!filling) changed.run();
    }

    /// Everything of one's own that is typed, by the names of the boxes.
    SequencedMap<String, String> texts() {
        SequencedMap<String, String> texts = new LinkedHashMap<>(waiting);
        boxes.forEach(
                (name, box) -> {
                    if (box.isTyped()) texts.put(name, box.box().getText());
                });
        return texts;
    }

    /// Everything that is typed, with what stands in a field.
    SequencedMap<String, String> allTexts() {
        SequencedMap<String, String> texts = texts();
        if (isFieldTyped()) texts.put(inFieldName(), field.getText());
        return texts;
    }

    /// Whether nothing is typed that is not entered.
    public boolean isEmpty() {
        return texts().isEmpty() && !isFieldTyped();
    }

    /// Enters everything that can be entered.
    public void enter(Runnable then) {
        if (isFieldTyped()) field.fireEvent(new ActionEvent());
        enter(new ArrayList<>(boxes.values()), then);
    }

    private static void enter(List<Box> left, Runnable then) {
        while (!left.isEmpty() && !left.getFirst().isTyped()) left.removeFirst();
        if (left.isEmpty()) then.run();
        else left.removeFirst().enter().accept(() -> enter(left, then));
    }

    /// What was typed stands there again, and nothing else.
    void comeBack(Map<String, String> texts) {
        waiting.clear();
        comeBesides(texts);
    }

    /// What was typed stands there again, but for where something else is typed.
    void comeBesides(Map<String, String> texts) {
        Map<String, String> here = texts();
        texts.forEach(
                (name, text) -> {
                    if (here.containsKey(name)) return;
                    if (boxes.containsKey(name)) fill(name, text);
                    else waiting.put(name, text);
                });
    }

    private void fill(String name, String text) {
        Box box = boxes.get(name);
        filling = true;
        box.box().setText(text);
        box.box().positionCaret(text.length());
        filling = false;
        box.comesBack().run();
    }
}
