package rivulus.gear;

/// An echo canceller: what a program plays, it takes out of what it hears.
///
/// It knows what left by `plays` and came out of a loudspeaker, and weakens that where it comes
/// back into `hears` from a microphone; whoever speaks into the same microphone passes whole.
///
/// @param plays the point from which its sound goes out
/// @param hears the point at which it hears
/// @param knob the switch that turns it on
/// @param takesDb how much it takes away while it is on, in dB, over 0
public record Canceller(String plays, String hears, String knob, double takesDb) {}
