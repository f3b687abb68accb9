package rivulus.hearing;

/// One time at which a source reaches an ear.
///
/// @param ms after the sound was made
/// @param levelDb against the source's nominal level, as power over the ear's channels
/// @param throughAir whether it reaches an open ear through the air of a room, not by an earpiece
///     or a wire
/// @param ringing whether it has been round a room at least once, by loudspeakers and microphones
public record Arrival(double ms, double levelDb, boolean throughAir, boolean ringing) {}
