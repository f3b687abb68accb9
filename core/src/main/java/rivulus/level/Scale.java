package rivulus.level;

import java.util.List;
import rivulus.words.Words;

/// How levels are told at one point of a rig.
///
/// @param unit what a meter there reads
/// @param lineUp what it reads at line-up: 0 dB against nominal
/// @param ceilingDb what clips there, in dB over line-up; infinite where nothing does
/// @param noise what hisses or hums there of itself
public record Scale(Unit unit, double lineUp, double ceilingDb, List<Noise> noise) {
    public Scale {
        noise = List.copyOf(noise);
    }

    /// What a level is told in.
    public enum Unit {
        SPL("dB SPL"),
        DBU("dBu"),
        DBFS("dBFS");

        private final String word;

        Unit(String word) {
            this.word = word;
        }

        /// As it stands behind a figure.
        public String word() {
            return word;
        }
    }

    /// One thing that makes noise.
    ///
    /// @param what in words: "the room", "the preamplifier of MIC 1"
    /// @param db A-weighted, against line-up
    public record Noise(String what, double db) {
        /// What a room sounds of by itself.
        static final String ROOM = "the room";

        /// As a power, 1 at line-up.
        double power() {
            return Math.pow(10, db / 10);
        }
    }

    /// A level against line-up, as a meter there reads it.
    public double reads(double db) {
        return lineUp + db;
    }

    /// The same in words, to a whole decibel: "−24 dBFS".
    public String say(double db) {
        return Words.figure(reads(db), 0, unit.word());
    }
}
