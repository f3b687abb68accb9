package rivulus.disk;

/// Plain values as JSON text.
public final class JsonText {
    private JsonText() {}

    /// Maps, lists, text, numbers, booleans and null as a JSON document that ends in a line break.
    ///
    /// @throws IllegalArgumentException for anything else
    public static String of(Object plain) {
        return JsonPrinter.print(Json.of(plain));
    }

    /// The same as one line, without a line break.
    ///
    /// @throws IllegalArgumentException for anything else
    public static String line(Object plain) {
        return JsonPrinter.line(Json.of(plain));
    }
}
