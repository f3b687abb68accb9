package rivulus.sheet;

/// Something to draw on. Lengths are in points; x goes right, y goes down.
interface Canvas {
    /// A box with round corners.
    void box(double x, double y, double width, double height, double round, Ink fill, Ink edge);

    /// A cubic curve: x and y of start, two control points and end.
    void curve(double[] points, Ink ink, double width, boolean dashed);

    /// A closed polygon: x and y of each corner.
    void polygon(double[] points, Ink fill, Ink edge);

    /// A line of words.
    ///
    /// @param x of their left edge
    /// @param y of their base line
    void words(String words, double x, double y, double size, boolean bold, Ink ink);
}
