package rivulus.gear;

/// A program's, or the computer's own, choice of endpoint. It becomes a knob whose options are the
/// endpoints that the computer has at that moment.
///
/// @param picks which side of an endpoint it joins to `point`
/// @param point the point in this device that plays or hears
/// @param standard whether this is the computer's own default, which others may follow
/// @param standing the setting when nobody has touched it: `default`, `none` or an endpoint
/// @param delay what the computer's buffers add when sound goes this way
public record Picker(
        String id,
        String label,
        Picks picks,
        String point,
        boolean standard,
        String standing,
        Delay delay) {
    /// Follows the computer's default.
    public static final String DEFAULT = "default";

    /// Joined to nothing.
    public static final String NONE = "none";

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
