package rivulus.gear;

/// Where a knob stands.
public sealed interface Setting {
    /// A level in dB; negative infinity is off.
    record Level(double db) implements Setting {
        /// The bottom of a fader that closes.
        public static final Level OFF = new Level(Double.NEGATIVE_INFINITY);

        public Level {
            if (Double.isNaN(db)) throw new IllegalArgumentException("a level is a number of dB");
            db += 0.0; // −0 is 0
        }

        /// Whether nothing passes.
        public boolean isOff() {
            return db == Double.NEGATIVE_INFINITY;
        }

        @Override
        public String word() {
            if (isOff()) return "off";
            return db == Math.rint(db) ? Long.toString((long) db) : Double.toString(db);
        }
    }

    /// A switch, on or off.
    record Switch(boolean on) implements Setting {
        @Override
        public String word() {
            return on ? "on" : "off";
        }
    }

    /// One of a choice's options.
    record Choice(String option) implements Setting {
        @Override
        public String word() {
            return option;
        }
    }

    /// A delay in ms, 0 or more.
    record Time(double ms) implements Setting {
        public Time {
            if (!(ms >= 0)) throw new IllegalArgumentException("a delay is 0 ms or more");
        }

        @Override
        public String word() {
            return ms == Math.rint(ms) ? Long.toString((long) ms) : Double.toString(ms);
        }
    }

    /// The setting as one plain word, as show files and governors write it.
    String word();
}
