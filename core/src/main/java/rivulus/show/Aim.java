package rivulus.show;

import rivulus.disk.Extras;
import rivulus.disk.Worded;
import rivulus.words.Words;

/// How loud, or how soon, an ear wants a source that it hears.
///
/// @param scene the scene it holds in, or empty for all of them
/// @param figure in the unit of its kind
/// @param reason in the producer's words
public record Aim(
        String ear,
        String source,
        String scene,
        Kind kind,
        double figure,
        String reason,
        Extras extras) {
    /// What is aimed at.
    public enum Kind implements Worded {
        /// So far under the voices that the ear hears; 0 is as loud as they are.
        UNDER("dB", 60),
        /// Not later than that, by the strongest way.
        WITHIN("ms", 5000);

        private final String unit;
        private final double most;

        Kind(String unit, double most) {
            this.unit = unit;
            this.most = most;
        }

        /// `dB` or `ms`.
        public String unit() {
            return unit;
        }

        /// A figure in words: "12.0 dB under the voices", "within 250 ms".
        public String words(double figure) {
            return switch (this) {
                case UNDER -> Words.db(figure) + " under the voices";
                case WITHIN -> "within " + Words.ms(figure);
            };
        }

        /// The most that may be aimed at; the least is 0.
        public double most() {
            return most;
        }
    }

    /// The same with another figure.
    Aim of(double other) {
        return new Aim(ear, source, scene, kind, other, reason, extras);
    }

    /// Whether both are about the same, so that only one of them can hold.
    public boolean replaces(Aim other) {
        return kind == other.kind && isOfTheSamePair(other) && scene.equals(other.scene);
    }

    /// Whether both are about the same ear and the same source.
    public boolean isOfTheSamePair(Aim other) {
        return ear.equals(other.ear) && source.equals(other.source);
    }
}
