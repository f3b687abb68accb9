package rivulus.gear;

import java.util.Optional;

/// A device pair that shows up on a computer when the gear is joined to it: what programs can play
/// to, and hear from.
///
/// @param port the port that must be joined to the computer; empty for what lives on the computer
///     itself
/// @param plays the point that takes what programs play to this endpoint
/// @param hears the point that programs hear when they listen to this endpoint
/// @param within the endpoint of the same device that it is a channel or a pair of, which only
///     programs that pick channels see; empty for what every program sees
public record Endpoint(
        String id,
        String label,
        Optional<String> port,
        Optional<String> plays,
        Optional<String> hears,
        Optional<String> within) {}
