package rivulus.form;

import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import rivulus.edit.Edit;
import rivulus.words.Words;

/// Something that can be done with a part of a show.
///
/// @param id unique in its form: `remove`
/// @param words as a button says it
/// @param edit what it does; empty where it cannot be done
/// @param told what goes with it, or why it cannot be done; or empty
public record Deed(String id, String words, Optional<Edit> edit, String told) {
    /// Where the part is doubled.
    public static final String DOUBLE = "double";

    /// Where it goes one place up.
    public static final String EARLIER = "earlier";

    /// Where it goes one place down.
    public static final String LATER = "later";

    /// Where it is taken out.
    public static final String REMOVE = "remove";

    static Deed of(String id, String words, Edit edit) {
        return new Deed(id, words, Optional.of(edit), told(edit.losses()));
    }

    /// A removal, with what goes along told first, or why it cannot be.
    static Deed removal(Supplier<Edit> removal) {
        try {
            return of(REMOVE, "Remove", removal.get());
        } catch (IllegalArgumentException cannotBe) {
            return new Deed(
                    REMOVE,
                    "Remove",
                    Optional.empty(),
                    Words.sentence(cannotBe.getMessage()) + ".");
        }
    }

    private static String told(List<String> losses) {
        return losses.isEmpty() ? "" : "What goes along: " + Words.list(losses) + ".";
    }
}
