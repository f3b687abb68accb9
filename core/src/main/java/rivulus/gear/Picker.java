package rivulus.gear;

import java.util.List;

/// A program's, or the computer's own, choice of endpoint. It becomes a knob whose options are the
/// endpoints that the computer has at that moment.
///
/// @param picks which side of an endpoint it joins to `point`
/// @param point the point in this device that plays or hears
/// @param standard which of the computer's own defaults this is, if one, which others may follow
/// @param standing the setting when nobody has touched it: `default`, `communications`, `none` or
///     an endpoint
/// @param delay what the computer's buffers add when sound goes this way
/// @param channels whether it picks a channel or a pair of a device, and not only the whole of it
/// @param governors further knobs that govern it: a buffer size, a permission
public record Picker(
        String id,
        String label,
        Picks picks,
        String point,
        Standard standard,
        String standing,
        Delay delay,
        boolean channels,
        List<Governor> governors) {
    public Picker {
        governors = List.copyOf(governors);
    }

    /// Whether an endpoint is among those it picks from.
    public boolean sees(Endpoint endpoint) {
        return channels || endpoint.within().isEmpty();
    }

    /// Follows the computer's default.
    public static final String DEFAULT = "default";

    /// Follows the computer's default for calls.
    public static final String COMMUNICATIONS = "communications";

    /// Joined to nothing.
    public static final String NONE = "none";

    /// What others follow, the most followed first.
    public enum Standard {
        /// Whatever is set to the default does.
        DEFAULT(Picker.DEFAULT, "the computer's default"),
        /// Whatever is set to the default for calls does. It may follow the default itself.
        COMMUNICATIONS(Picker.COMMUNICATIONS, "the computer's default for calls"),
        /// Nobody follows it.
        NOT("", "");

        private final String word;
        private final String words;

        Standard(String word, String words) {
            this.word = word;
            this.words = words;
        }

        /// The setting by which it is followed.
        public String word() {
            return word;
        }

        /// The setting in words.
        public String words() {
            return words;
        }

        /// Whether the other may follow this one.
        public boolean isAbove(Standard other) {
            return compareTo(other) < 0;
        }
    }

    /// Whether it is one of the computer's own defaults.
    public boolean isStandard() {
        return standard != Standard.NOT;
    }

    /// Which side of an endpoint.
    public enum Picks {
        /// The program plays to the endpoint.
        OUTPUT,
        /// The program hears the endpoint.
        INPUT,
        /// The program hears whatever any program plays to the endpoint.
        DESKTOP
    }
}
