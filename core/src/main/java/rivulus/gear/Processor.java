package rivulus.gear;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import rivulus.disk.Worded;

/// What acts on a sound by its level or its tone: a gate, a compressor, a limiter. It stands on a
/// route, in a [Chain], and has a switch of its own id and a knob for each figure that can be
/// turned.
///
/// @param label what stands beside it on the gear
/// @param unit what its levels are told in
/// @param figures what it does, each fixed or turned by a knob
public record Processor(String id, String label, Kind kind, Unit unit, Map<Part, Figure> figures) {
    public Processor {
        figures = Map.copyOf(figures);
    }

    /// What one does.
    public enum Kind implements Worded {
        /// Takes out what lies under a voice: steps, hum, wind.
        LOW_CUT("low cut", turned(Part.FREQUENCY, 80)),
        EQUALISER("equaliser"),
        /// Holds sharp consonants back.
        DE_ESSER("de-esser"),
        /// Turns down what is softer than its threshold, by its range.
        GATE(
                "gate",
                turned(Part.THRESHOLD, -45),
                turned(Part.RANGE, 12),
                fixed(Part.ATTACK, 2),
                fixed(Part.HOLD, 100),
                fixed(Part.RELEASE, 200)),
        /// Holds back what is louder than its threshold, and lifts all by its make-up.
        COMPRESSOR(
                "compressor",
                turned(Part.THRESHOLD, -24),
                turned(Part.RATIO, 3),
                turned(Part.MAKE_UP, 0),
                fixed(Part.KNEE, 6),
                fixed(Part.ATTACK, 10),
                fixed(Part.RELEASE, 150)),
        /// Brings a long-term level to its target, by its range at most.
        LEVELLER("leveller", turned(Part.TARGET, -24), turned(Part.RANGE, 6)),
        /// Lets nothing over its ceiling.
        LIMITER("limiter", turned(Part.CEILING, -1), fixed(Part.LOOK_AHEAD, 0));

        private final String words;
        private final List<Usual> parts;

        Kind(String words, Usual... parts) {
            this.words = words;
            this.parts = List.of(parts);
        }

        private static Usual turned(Part part, double figure) {
            return new Usual(part, figure, true);
        }

        private static Usual fixed(Part part, double figure) {
            return new Usual(part, figure, false);
        }

        /// In words: "low cut".
        public String words() {
            return words;
        }

        /// The figures that one has, as they usually are.
        public List<Usual> parts() {
            return parts;
        }
    }

    /// A figure as it usually is ~: a starting point for a voice.
    ///
    /// @param figure levels in dBFS
    /// @param turned whether a knob turns it
    public record Usual(Part part, double figure, boolean turned) {}

    /// One figure of a processor.
    public enum Part implements Worded {
        THRESHOLD("threshold", "dB", -100, 20),
        RATIO("ratio", ": 1", 1, 100),
        /// The width of the bend around the threshold.
        KNEE("knee", "dB", 0, 40),
        MAKE_UP("make-up", "dB", 0, 40),
        RANGE("range", "dB", 0, 100),
        CEILING("ceiling", "dB", -60, 20),
        TARGET("target", "dB", -60, 20),
        /// How long the sound is held back so that its peaks are seen coming: it is late by that.
        LOOK_AHEAD("look-ahead", "ms", 0, 100),
        ATTACK("attack", "ms", 0, 1000),
        HOLD("hold", "ms", 0, 5000),
        RELEASE("release", "ms", 0, 5000),
        FREQUENCY("frequency", "Hz", 10, 1000);

        private final String words;
        private final String unit;
        private final double least;
        private final double most;

        Part(String words, String unit, double least, double most) {
            this.words = words;
            this.unit = unit;
            this.least = least;
            this.most = most;
        }

        /// In words, as it stands behind the processor's label: "make-up".
        public String words() {
            return words;
        }

        /// As template files call it: `makeUp`.
        public String field() {
            StringBuilder field = new StringBuilder();
            for (String syllable : word().split("-"))
                field.append(
                        field.isEmpty()
                                ? syllable
                                : syllable.substring(0, 1).toUpperCase(Locale.ROOT)
                                        + syllable.substring(1));
            return field.toString();
        }

        /// `dB`, `ms`, `Hz` or `: 1`.
        public String unit() {
            return unit;
        }

        /// Whether it is a level, and so told in the unit of its processor.
        public boolean isLevel() {
            return this == THRESHOLD || this == CEILING || this == TARGET;
        }

        /// The least that makes sense.
        public double least() {
            return least;
        }

        /// The most that makes sense.
        public double most() {
            return most;
        }
    }

    /// What levels are told in, and what line-up is there.
    public enum Unit implements Worded {
        DBFS("dBFS", Speech.LINE_UP_DBFS),
        DBU("dBu", Electric.PROFESSIONAL_LINE_DBU);

        private final String word;
        private final double lineUp;

        Unit(String word, double lineUp) {
            this.word = word;
            this.lineUp = lineUp;
        }

        @Override
        public String word() {
            return word;
        }

        /// What a meter reads there at line-up.
        public double lineUp() {
            return lineUp;
        }
    }

    /// How much of something.
    ///
    /// @param fixed what it is where no knob turns it
    /// @param knob the knob that turns it; or empty
    public record Figure(double fixed, String knob) {
        /// As it is with its knob so; a choice is read as a figure.
        ///
        /// @param setting of its knob
        public double at(Setting setting) {
            return switch (setting) {
                case Setting.Level(double db) -> db;
                case Setting.Time(double ms) -> ms;
                case Setting.Choice(String option) -> Double.parseDouble(option);
                case Setting.Switch _ -> fixed;
            };
        }
    }

    /// The knob that turns a figure; empty where none does.
    public String knob(Part part) {
        return figures.containsKey(part) ? figures.get(part).knob() : "";
    }

    /// How it acts with its figures so.
    ///
    /// @param figures for every part of its kind
    public Block with(Map<Part, Double> figures) {
        return new Block(this, figures);
    }
}
