package rivulus.gear;

/// What is counted on of a voice: its level over time, and where line-up lies.
///
/// One scale holds everywhere. **Line-up** is what a steady tone is set to: +4 dBu or −10 dBV in a
/// lead, −18 dBFS inside digital gear (EBU R 68), 0 dB in this program. Of a voice at nominal the
/// *loud moments* stand there; its average lies [#SPREAD_DB] lower, and the peaks of its loud
/// moments a crest ([rivulus.show.Limit]) higher: −24 and −6 dBFS.
public final class Speech {
    /// A normal voice at one metre, on average, in dB(A) (ISO 9921).
    public static final double NORMAL_SPL = 60;

    /// How far the short-term level of a talker spreads, one σ, in dB ~.
    public static final double SPREAD_DB = 6;

    /// Line-up inside digital gear, in dBFS (EBU R 68).
    public static final double LINE_UP_DBFS = -18;

    /// What a loudness meter reads of a voice at nominal, in LUFS.
    public static final double NOMINAL_LUFS = LINE_UP_DBFS - SPREAD_DB;

    private Speech() {}

    /// The loud moments of a normal voice at so many metres in the open, in dB(A).
    public static double lineUpSpl(double metres) {
        return NORMAL_SPL + SPREAD_DB - 20 * Math.log10(metres);
    }
}
