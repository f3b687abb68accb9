package rivulus.form;

import java.util.List;
import java.util.function.DoubleFunction;
import rivulus.edit.Edit;

/// A number as a field of a form.
public final class NumberField {
    private NumberField() {}

    /// A number that is typed.
    ///
    /// @param hint what stands there instead of 0, which then is nothing; or empty
    /// @param to what it comes to
    public static Field of(
            String id,
            String label,
            double stands,
            String hint,
            double least,
            double most,
            DoubleFunction<Edit> to) {
        return new Field.Text(
                id,
                label,
                stands == 0 && !hint.isEmpty() ? "" : Ground.plain(stands).replace('-', '−'),
                hint,
                List.of(),
                typed -> to.apply(Ground.number(typed, "This is", least, most)));
    }
}
