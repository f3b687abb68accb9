package rivulus.app.look;

import javafx.scene.shape.SVGPath;
import rivulus.show.Ear;
import rivulus.words.Severity;

/// The drawn marks: one for each kind of ear, one for each severity, in a square of 20.
public final class Marks {
    private Marks() {}

    /// The mark of a kind of ear.
    public static SVGPath of(Ear.Kind kind) {
        return Look.mark(
                switch (kind) {
                    case PERSON ->
                            "M10 3.5 a3.6 3.6 0 1 0 0.01 0 M3.5 17.5 c0.6 -4.4 3.2 -6 6.5 -6 s5.9 1.6 6.5 6";
                    case HOUSE -> "M2.5 10 L10 3.5 L17.5 10 M5 8.5 V17 H15 V8.5";
                    case ASSISTIVE ->
                            "M6 12.5 a5 5 0 1 1 8.2 -0.6 c-1.2 1.6 -2.2 2.2 -2.4 3.8 c-0.2 1.6 -2.6 2 -3.4 0.4 M8 9.5 a2.3 2.3 0 1 1 3.4 2";
                    case STREAM ->
                            "M10 9 V17.5 M6.5 17.5 H13.5 M6.6 10.6 a4.6 4.6 0 0 1 0 -6 M13.4 4.6 a4.6 4.6 0 0 1 0 6 M10 6.4 a1.1 1.1 0 1 0 0.01 0";
                    case SECOND_LANGUAGE ->
                            "M3 4 H17 V13.5 H9.5 L5.5 17 V13.5 H3 Z M6.5 7.5 H13.5 M6.5 10.2 H11";
                    case ON_DEMAND -> "M3.5 4 H16.5 V16 H3.5 Z M8 7.2 L12.6 10 L8 12.8 Z";
                    case TRACK -> "M6 6.2 a3 3 0 1 0 0.01 0 M14 6.2 a3 3 0 1 0 0.01 0 M6 12.2 H14";
                    case CAMERA -> "M3 6 H12.5 V14.5 H3 Z M12.5 9 L17 6.6 V13.8 L12.5 11.4";
                },
                "ear-mark");
    }

    /// Danger a filled triangle, problem a filled diamond, caution an open diamond, note a ring.
    public static SVGPath of(Severity severity) {
        String path =
                switch (severity) {
                    case DANGER -> "M6 0.5 L12 11.5 H0 Z";
                    case PROBLEM -> "M6 0 L12 6 L6 12 L0 6 Z";
                    case CAUTION -> "M6 1 L11 6 L6 11 L1 6 Z";
                    case NOTE -> "M6 1.5 a4.5 4.5 0 1 0 0.01 0 Z";
                };
        return Look.mark(path, "severity", severity.word());
    }

    /// A drop hanging from its point, 10 wide and 13 high.
    public static final String DROP = "M5 0 C5 3.4 0 6 0 9 A5 4.4 0 0 0 10 9 C10 6 5 3.4 5 0 Z";
}
