package rivulus.gear;

import java.util.List;
import java.util.Optional;
import rivulus.disk.Worded;

/// What a machine runs on.
///
/// @param from what it can run on, the usual first
/// @param earthed whether its mains plug joins it to the safety earth
/// @param watts what it draws; 0 where that does not matter
/// @param mostWatts what it may feed on: the rating of an outlet strip; 0 for what feeds nothing
///     from the mains
/// @param joinsChassis whether the chassis of what is plugged into it are screwed to it: a rack
/// @param batteryWh what its battery holds when new, in Wh; 0 for none
public record Power(
        List<Source> from,
        boolean earthed,
        double watts,
        double mostWatts,
        boolean joinsChassis,
        double batteryWh) {
    /// What something can run on.
    public enum Source implements Worded {
        MAINS("the mains"),
        USB("USB"),
        BATTERY("its battery"),
        PHANTOM("48 V from its input"),
        /// Fed by what it is plugged into.
        JACK("its jack"),
        NONE("nothing");

        private final String words;

        Source(String words) {
            this.words = words;
        }

        /// In a sentence, after "from": "its battery".
        public String words() {
            return words;
        }
    }

    /// It needs none.
    public static final Power NONE = new Power(List.of(Source.NONE), false, 0, 0, false, 0);

    public Power {
        from = List.copyOf(from);
    }

    /// A choice, where it can run on that; else as usual.
    public Optional<Source> bears(Optional<Source> chosen) {
        return chosen.filter(from::contains);
    }

    /// What it runs on when somebody chose, or as usual.
    public Source when(Optional<Source> chosen) {
        return chosen.orElseGet(from::getFirst);
    }
}
