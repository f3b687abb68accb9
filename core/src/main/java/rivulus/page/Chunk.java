package rivulus.page;

/// Some words of a clause that mean something.
///
/// @param value what they mean, in one word of its kind: `headset`, `host`, `phone`
/// @param text as they are written
/// @param from the first token
/// @param to behind the last token
/// @param number how many, or how long in minutes; not a number where that says nothing
record Chunk(Meant kind, String value, String text, int from, int to, double number) {
    boolean is(Meant... kinds) {
        for (Meant one : kinds) if (kind == one) return true;
        return false;
    }

    /// "No one else", "nothing else".
    boolean isNobodyElse() {
        return value.equals("everyone else") && text.regionMatches(true, 0, "no", 0, 2);
    }
}
