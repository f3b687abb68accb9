package rivulus.gear;

/// How picture passes through a device. Picture is no sound: it has ways of its own.
///
/// @param from a port, an endpoint that gives picture, a picker that takes it, or [#LENS]
/// @param to a port, an endpoint, or [#AIR]
public record PictureRoute(String from, String to, Delay delay) {
    /// Where picture begins.
    public static final String LENS = "lens";

    /// Where picture goes out to the public.
    public static final String AIR = "air";
}
