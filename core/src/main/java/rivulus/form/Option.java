package rivulus.form;

/// Something that may be chosen.
///
/// @param id what the show keeps
/// @param words what people read
public record Option(String id, String words) {
    /// Nothing of what is offered.
    static Option none(String words) {
        return new Option("", words);
    }
}
