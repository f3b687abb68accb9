package rivulus.sound;

/// Hum of the mains in a channel.
///
/// @param hz 50 or 60
/// @param dbfs its lines together, as the peak of a sine of as much power
/// @param overFloorDb how far its strongest line stands over what is beside it
public record Hum(int hz, double dbfs, double overFloorDb) {}
