package rivulus.form;

import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import rivulus.edit.Edit;

/// What can be said about one part of a show, and done with it.
///
/// @param key of the part: `person/maren`
public record Form(String key, String title, List<Field> fields, List<Deed> deeds) {
    public Form {
        fields = List.copyOf(fields);
        deeds = List.copyOf(deeds);
    }

    /// The field of that id.
    public Optional<Field> field(String id) {
        return fields.stream().filter(field -> field.id().equals(id)).findFirst();
    }

    /// The deed of that id.
    public Optional<Deed> deed(String id) {
        return deeds.stream().filter(deed -> deed.id().equals(id)).findFirst();
    }

    /// The edit by which an option goes from the choice that holds it to the one before or behind,
    /// among those that offer it; empty where there is none, or no choice holds it.
    ///
    /// @param by −1 or 1
    public Optional<Edit> along(String option, int by) {
        List<Field.Choice> offering =
                fields.stream()
                        .filter(Field.Choice.class::isInstance)
                        .map(Field.Choice.class::cast)
                        .filter(choice -> choice.options().stream().anyMatch(is(option)))
                        .toList();
        for (int at = 0; at < offering.size(); at++) {
            boolean next = at + by >= 0 && at + by < offering.size();
            if (offering.get(at).value().equals(option) && next)
                return Optional.of(offering.get(at + by).to().apply(option));
        }
        return Optional.empty();
    }

    private static Predicate<Option> is(String id) {
        return option -> option.id().equals(id);
    }

    /// The same with nothing to be done, only to be answered.
    public Form toAnswer() {
        return new Form(key, title, fields, List.of());
    }

    /// The same with nothing to be answered, only to be done.
    public Form toDo() {
        return new Form(key, title, List.of(), deeds);
    }
}
