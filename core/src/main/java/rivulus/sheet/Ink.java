package rivulus.sheet;

/// The colours of what is printed: ink on white paper.
enum Ink {
    NONE(0),
    PAPER(0xFFFFFF),
    BAND(0xF1EEE6),
    EDGE(0xB9B2A3),
    INK(0x25313B),
    SOFT(0x55626D),
    DANGER(0x8E1B2E),
    PROBLEM(0xA8381B),
    CAUTION(0x6B5A0A);

    private final int rgb;

    Ink(int rgb) {
        this.rgb = rgb;
    }

    /// Red, green and blue, 0 to 1.
    float[] parts() {
        return new float[] {(rgb >> 16 & 255) / 255f, (rgb >> 8 & 255) / 255f, (rgb & 255) / 255f};
    }

    /// As style sheets write it.
    String css() {
        return this == NONE ? "none" : "#%06X".formatted(rgb);
    }
}
