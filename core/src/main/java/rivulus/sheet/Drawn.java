package rivulus.sheet;

/// A part that can be drawn.
interface Drawn {
    /// In points.
    double width();

    /// In points.
    double height();

    /// What it shows, in a sentence.
    String about();

    /// Draws it, from its top left corner on.
    void paint(Canvas canvas);
}
