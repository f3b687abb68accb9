package rivulus.chart;

import java.util.List;
import java.util.Optional;
import rivulus.check.Verdict;

/// The watercourse of one ear or one source: beds (places and machines) in columns, and ribbons
/// that pass through them in the order that sound travels.
///
/// @param shape an ear's or a source's
/// @param columns how many columns there are, at least 1
/// @param resting sources that rest behind a closed gate, or are kept out, and so have no ribbon
public record Course(
        Shape shape,
        List<Bed> beds,
        List<Ribbon> ribbons,
        int columns,
        List<Resting> resting,
        List<Eddy> eddies) {
    public Course {
        beds = List.copyOf(beds);
        ribbons = List.copyOf(ribbons);
        resting = List.copyOf(resting);
        eddies = List.copyOf(eddies);
    }

    /// Nothing reaches anything.
    public static final Course DRY =
            new Course(Shape.TO_EAR, List.of(), List.of(), 1, List.of(), List.of());

    /// Whose course it is.
    public enum Shape {
        TO_EAR,
        FROM_SOURCE
    }

    /// A place or a machine that sound passes. One that is passed twice stands in two columns.
    ///
    /// @param title its name
    /// @param column from the left, counted from 0
    /// @param device a device in it whose knobs can be shown, or empty
    public record Bed(String title, int column, String device) {}

    /// One way of one source to one ear.
    ///
    /// @param flow how it is to be drawn; the words are those of the finding
    /// @param levelDb level of what comes this way
    /// @param ms delay of this way
    /// @param broken where a missing source would come to a stop, and why
    public record Ribbon(
            String source,
            String ear,
            Verdict.Flow flow,
            double levelDb,
            double ms,
            List<Pass> passes,
            Optional<Break> broken) {
        public Ribbon {
            passes = List.copyOf(passes);
        }
    }

    /// A ribbon passing a bed.
    ///
    /// @param bed the place of the bed in [Course#beds()]
    /// @param label what is passed in it, in the gear's words; may be empty
    /// @param ms delay up to where it leaves the bed
    public record Pass(int bed, String label, double ms) {}

    /// Where a dry bed ends.
    ///
    /// @param why in words: "headphones 3 pick of PHONE is off"
    public record Break(String why) {}

    /// A source without a ribbon.
    ///
    /// @param why in words: "MIC 1 mute is on"; empty where it is simply kept out
    public record Resting(String source, String why) {}

    /// Something that goes round by way of a bed.
    public record Eddy(int bed, double marginDb) {}
}
