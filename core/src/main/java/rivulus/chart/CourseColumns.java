package rivulus.chart;

import java.util.Arrays;
import java.util.stream.Stream;

/// The columns of a watercourse side by side: the more room one has, the longer the words are that
/// stand in it.
final class CourseColumns {
    /// Every column is as wide as for a word of so many letters.
    private static final int LEAST_LETTERS = 9;
    private static final int MOST_LETTERS = 17;
    /// What a word has free beside it.
    private static final int BESIDE = 2;

    private final double[] left;
    private final double widestInset;
    private final double insetShare;

    /// @param width of all columns together, in pixels
    /// @param widestInset what a bed leaves free at each side of its column at most
    /// @param insetShare and as a share of an even column
    CourseColumns(Course course, double width, double widestInset, double insetShare) {
        this.widestInset = widestInset;
        this.insetShare = insetShare;
        double[] letters = new double[course.columns()];
        Arrays.fill(letters, LEAST_LETTERS);
        for (Course.Bed bed : course.beds()) need(letters, bed.column(), bed.title());
        if (course.shape() == Course.Shape.TO_EAR)
            for (Course.Ribbon ribbon : course.ribbons())
                for (Course.Pass pass : ribbon.passes())
                    need(letters, course.beds().get(pass.bed()).column(), pass.label());
        double all = Arrays.stream(letters).sum();
        left = new double[letters.length + 1];
        for (int c = 0; c < letters.length; c++) left[c + 1] = left[c] + width * letters[c] / all;
    }

    /// A label may stand in two lines.
    private static void need(double[] letters, int column, String words) {
        int longest = Stream.of(words.split(" ")).mapToInt(String::length).max().orElse(0);
        int half = Math.min(words.length(), (words.length() + 1) / 2 + 1);
        letters[column] =
                Math.max(letters[column], Math.min(Math.max(longest, half) + BESIDE, MOST_LETTERS));
    }

    private double inset() {
        return Math.min(widestInset, left[left.length - 1] / (left.length - 1) * insetShare);
    }

    /// Where what stands in a column begins.
    double left(int column) {
        return left[column] + inset();
    }

    /// Where it ends.
    double right(int column) {
        return left[column + 1] - inset();
    }
}
