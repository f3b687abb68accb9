package rivulus.form;

import java.util.List;
import java.util.function.Function;
import rivulus.edit.Edit;
import rivulus.gear.Knob;
import rivulus.gear.Setting;
import rivulus.signal.KnobUse;

/// A knob as a field of a form: typed where it is a figure, picked where it is not.
public final class KnobField {
    private KnobField() {}

    /// A knob as a field. Its id is the knob's; what is typed goes to the nearest step.
    ///
    /// @param stands how it stands
    /// @param label what is asked
    /// @param told what comes with it, as a sentence; or empty
    /// @param to what turning it comes to
    public static Field of(
            KnobUse use, Setting stands, String label, String told, Function<Setting, Edit> to) {
        String id = use.ref().toString();
        return switch (use.knob()) {
            case Knob.Level level ->
                    NumberField.of(
                            id,
                            label,
                            stands instanceof Setting.Level(double db) ? db : 0,
                            "",
                            level.minDb(),
                            level.maxDb(),
                            db -> to.apply(level.nearest(db)));
            case Knob.Time time ->
                    NumberField.of(
                            id,
                            label,
                            stands instanceof Setting.Time(double ms) ? ms : 0,
                            "",
                            time.minMs(),
                            time.maxMs(),
                            ms -> to.apply(time.nearest(ms)));
            case Knob.Switch _ ->
                    new Field.Choice(
                            id,
                            label,
                            stands.word(),
                            List.of(new Option("on", "on"), new Option("off", "off")),
                            told,
                            word -> to.apply(new Setting.Switch(word.equals("on"))));
            case Knob.Choice choice ->
                    new Field.Choice(
                            id,
                            label,
                            stands.word(),
                            Ground.options(choice.options(), Knob.Option::id, Knob.Option::label),
                            told,
                            word -> to.apply(new Setting.Choice(word)));
        };
    }
}
