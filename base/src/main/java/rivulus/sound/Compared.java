package rivulus.sound;

/// One recording found in another.
///
/// @param delayMs how much later it comes there, to a fraction of a sample; negative where it comes
///     earlier
/// @param levelDb how loud it is there, against how loud it is itself
/// @param driftPpm how much more its delay grows, in millionths of the time: clocks that differ
/// @param clarity how far it stands over chance, in dB
public record Compared(double delayMs, double levelDb, double driftPpm, double clarity) {
    /// What stands less over chance is not told: the highest of a million values of noise alone
    /// lies some 14 dB over its mean power.
    private static final double CLEAR_DB = 18;

    /// Whether it is there at all.
    public boolean isFound() {
        return clarity > CLEAR_DB;
    }
}
