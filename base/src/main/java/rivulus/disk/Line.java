package rivulus.disk;

/// Text from elsewhere as one harmless line.
public final class Line {
    private Line() {}

    /// The text without control characters, line breaks, signs that turn the direction of writing,
    /// and halves of characters: a blank stands for each run of them. Stripped.
    public static String of(String text) {
        StringBuilder line = new StringBuilder(text.length());
        boolean blank = false;
        for (int i = 0; i < text.length(); ) {
            int sign = text.codePointAt(i);
            i += Character.charCount(sign);
            if (isHarmful(sign)) {
                blank = true;
            } else {
                if (blank) line.append(' ');
                blank = false;
                line.appendCodePoint(sign);
            }
        }
        return line.toString().strip();
    }

    /// Whether a sign does not belong in a line of text.
    public static boolean isHarmful(int sign) {
        return switch (Character.getType(sign)) {
            case Character.CONTROL,
                    Character.SURROGATE,
                    Character.LINE_SEPARATOR,
                    Character.PARAGRAPH_SEPARATOR ->
                    true;
            default ->
                    sign >= 0x202A && sign <= 0x202E
                            || sign >= 0x2066 && sign <= 0x2069
                            || sign == 0xFFFE
                            || sign == 0xFFFF;
        };
    }

    /// The text, cut short with an ellipsis where it is longer.
    ///
    /// @param most characters, the ellipsis among them
    public static String clipped(String text, int most) {
        if (text.length() <= most) return text;
        int end = most - 1;
        if (Character.isHighSurrogate(text.charAt(end - 1))) end--;
        return text.substring(0, end) + "…";
    }
}
