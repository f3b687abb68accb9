package rivulus.hearing;

/// One time at which a source reaches an ear.
///
/// @param ms after the sound was made
/// @param levelDb against the source's nominal level, as power over the ear's channels
/// @param throughAir whether it reaches an open ear through the air of a room, not by an earpiece
///     or a wire
/// @param ringing whether it has been round a room at least once, by loudspeakers and microphones
/// @param lanes which channels of the source come in which channels of the ear, a bit each
public record Arrival(double ms, double levelDb, boolean throughAir, boolean ringing, long lanes) {
    private static final int EAR_CHANNELS = 8;

    /// The bit of a channel of the source in a channel of the ear. Beyond eight by eight bits are
    /// shared, and two arrivals may be taken to be in one wire that are not.
    static long lane(int source, int ear) {
        return 1L << (source * EAR_CHANNELS + Math.min(ear, EAR_CHANNELS - 1));
    }

    /// Whether a channel of the source comes in it.
    public boolean carries(int source) {
        return (lanes >> (source * EAR_CHANNELS) & (1L << EAR_CHANNELS) - 1) != 0;
    }

    /// Whether both come down one wire, and comb.
    public boolean isTogetherWith(Arrival other) {
        return (lanes & other.lanes) != 0;
    }
}
