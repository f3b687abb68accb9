package rivulus.chart;

import java.util.List;

/// A watercourse placed in a rectangle, in pixels from its left upper corner.
public sealed interface CourseLayout permits StreamLayout, DeltaLayout {
    /// A bed's rectangle.
    record Box(double x, double y, double width, double height) {}

    /// A point that a ribbon passes.
    ///
    /// @param bed the bed it enters or leaves here, or −1 where it passes none
    record Point(double x, double y, int bed) {}

    /// The course laid out in that many pixels, or in more where it is too tall for them: see
    /// [#leastHeight].
    static CourseLayout of(Course course, double width, double height) {
        double tall = Math.max(height, leastHeight(course));
        return switch (course.shape()) {
            case TO_EAR -> StreamLayout.of(course, width, tall);
            case FROM_SOURCE -> DeltaLayout.of(course, width, tall);
        };
    }

    /// How many pixels in height a course needs to be legible.
    static double leastHeight(Course course) {
        return switch (course.shape()) {
            case TO_EAR -> StreamLayout.leastHeight(course);
            case FROM_SOURCE -> DeltaLayout.leastHeight(course);
        };
    }

    /// Height of one lane.
    double laneHeight();

    /// The rectangle of a bed.
    Box box(int bed);

    /// The points a ribbon passes, from left to right, in pairs.
    List<Point> points(int ribbon);

    /// How thick a ribbon of that level is, in pixels: 2 at −40 dB and under, 13 at 0 dB, 16 at
    /// most.
    static double thickness(double levelDb) {
        return Math.clamp(2 + 11 * (levelDb + 40) / 40, 2, 16);
    }
}
