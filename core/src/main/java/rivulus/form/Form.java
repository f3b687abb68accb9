package rivulus.form;

import java.util.List;
import java.util.Optional;

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
}
