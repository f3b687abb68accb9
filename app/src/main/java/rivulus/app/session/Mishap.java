package rivulus.app.session;

import java.io.PrintWriter;
import java.io.StringWriter;
import rivulus.disk.Line;

/// Something of the program's own that failed. The show is as it was.
///
/// @param doing what was being done: "proving the show"
/// @param words what is to be said about it, in a sentence or two
/// @param details for those who mend the program
public record Mishap(String doing, String words, String details) {
    private static final int LONGEST_CAUSE = 300;

    /// What was thrown while doing something.
    static Mishap of(String doing, Throwable thrown) {
        StringWriter details = new StringWriter();
        details.append("While ").append(doing).append("\n");
        details.append("Java ").append(System.getProperty("java.version"));
        details.append(", ").append(System.getProperty("os.name")).append("\n");
        thrown.printStackTrace(new PrintWriter(details));
        return new Mishap(doing, words(doing, thrown), details.toString());
    }

    private static String words(String doing, Throwable thrown) {
        String cause =
                switch (thrown) {
                    case OutOfMemoryError _ -> "there was not enough memory for it";
                    case StackOverflowError _ -> "it goes round without an end";
                    default -> Line.clipped(Line.of(String.valueOf(thrown)), LONGEST_CAUSE);
                };
        return "This happened while %s: %s. The show is as it was, and what you changed is kept."
                .formatted(doing, cause);
    }
}
