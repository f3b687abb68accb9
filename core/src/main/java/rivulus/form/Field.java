package rivulus.form;

import java.util.List;
import java.util.function.Function;
import rivulus.edit.Edit;

/// One thing that can be said about a part of a show. What is answered comes to an edit; an answer
/// that cannot be throws an [IllegalArgumentException] with a sentence that says what can.
public sealed interface Field {
    /// Unique in its form.
    String id();

    /// What is asked, in a word or two.
    String label();

    /// Something that is typed.
    ///
    /// @param hint what belongs there
    /// @param offers what could be typed, for completion
    record Text(
            String id,
            String label,
            String value,
            String hint,
            List<String> offers,
            Function<String, Edit> to)
            implements Field {
        public Text {
            offers = List.copyOf(offers);
        }

        static Text of(String id, String label, String value, Function<String, Edit> to) {
            return new Text(id, label, value, "", List.of(), to);
        }
    }

    /// One out of several.
    ///
    /// @param value the id of the option that stands
    /// @param told what comes with it, as a sentence; or empty
    record Choice(
            String id,
            String label,
            String value,
            List<Option> options,
            String told,
            Function<String, Edit> to)
            implements Field {
        public Choice {
            options = List.copyOf(options);
        }

        /// With nothing told.
        public Choice(
                String id,
                String label,
                String value,
                List<Option> options,
                Function<String, Edit> to) {
            this(id, label, value, options, "", to);
        }
    }

    /// Any number out of several.
    ///
    /// @param values the ids of the options that stand
    record Several(
            String id,
            String label,
            List<String> values,
            List<Option> options,
            Function<List<String>, Edit> to)
            implements Field {
        public Several {
            values = List.copyOf(values);
            options = List.copyOf(options);
        }
    }
}
