package rivulus.gear;

/// What a port is electrically. Sources: REFERENCE, "Levels" and "Power and electricity"; a
/// template may say otherwise.
///
/// @param levelDbu what it gives, or wants, in dBu at the nominal level; NaN where it carries no
///     analogue signal
/// @param mostDbu the largest it gives, or takes before it clips, in dBu
/// @param takesDbu what it wants, where it goes both ways and takes otherwise than it gives, in dBu
/// @param takesMostDbu the largest it takes before it clips, in dBu
/// @param balanced whether it is balanced
/// @param ohms the impedance it gives from, or takes with, in Ω; NaN where it carries no analogue
///     signal
/// @param phantom what it has to do with 48 V phantom power
/// @param phantomKnob the switch that turns its phantom power on; empty where it is always on, or
///     gives none
/// @param floating whether its shield is not joined to the machine's own ground: a transformer,
///     light, radio
/// @param wiring the order of a 4-pole jack, `CTIA` or `OMTP`; else empty
/// @param drawsMa what it draws at 5 V, in mA; 0 for nothing
/// @param givesMa what it can give at 5 V, in mA; 0 for nothing
public record Electric(
        double levelDbu,
        double mostDbu,
        double takesDbu,
        double takesMostDbu,
        boolean balanced,
        double ohms,
        Phantom phantom,
        String phantomKnob,
        boolean floating,
        String wiring,
        int drawsMa,
        int givesMa) {
    /// What a port has to do with phantom power (IEC 61938).
    public enum Phantom {
        /// Nothing; it bears it on a balanced lead.
        NONE,
        GIVES,
        /// What comes in goes on to the other ports of the box that pass it.
        PASSES,
        WANTS,
        /// It may be damaged.
        HARMED
    }

    /// The consumer line level, −10 dBV, in dBu.
    public static final double CONSUMER_LINE_DBU = -7.782;

    /// The professional line level in dBu.
    public static final double PROFESSIONAL_LINE_DBU = 4;

    /// Whether it carries an analogue signal.
    public boolean isAnalogue() {
        return !Double.isNaN(levelDbu);
    }

    /// What a port usually is, by what it carries.
    ///
    /// @param balanced whether its connector and channels make it balanced
    /// @param gives whether sound comes out of it
    public static Electric usual(Signal carries, boolean balanced, boolean gives) {
        return switch (carries) {
            case MIC -> gives ? analogue(-54, -14, balanced, 150) : micInput(balanced);
            case LINE ->
                    balanced
                            ? analogue(PROFESSIONAL_LINE_DBU, 22, true, gives ? 100 : 20_000)
                            : analogue(CONSUMER_LINE_DBU, 10, false, gives ? 200 : 10_000);
            case INSTRUMENT -> analogue(-18, gives ? 0 : 12, balanced, gives ? 10_000 : 1e6);
            case HEADPHONES -> analogue(0, gives ? 14 : 24, false, gives ? 10 : 32);
            case SPEAKER -> analogue(30, 42, false, gives ? 0.1 : 8);
            case HEADSET -> analogue(gives ? -12 : -40, gives ? 2 : -10, false, gives ? 100 : 2000);
            case NET, NETWORK_AUDIO, PHONE, OPTICAL, RADIO -> digital(true);
            case USB, VIDEO, POWER -> digital(false);
        };
    }

    private static Electric micInput(boolean balanced) {
        return balanced
                ? new Electric(-50, 4, -50, 4, true, 1500, Phantom.NONE, "", false, "", 0, 0)
                : analogue(-50, -15, false, 2000);
    }

    private static Electric analogue(double level, double most, boolean balanced, double ohms) {
        return new Electric(
                level, most, level, most, balanced, ohms, Phantom.NONE, "", false, "", 0, 0);
    }

    private static Electric digital(boolean floating) {
        return new Electric(
                Double.NaN,
                Double.NaN,
                Double.NaN,
                Double.NaN,
                false,
                Double.NaN,
                Phantom.NONE,
                "",
                floating,
                "",
                0,
                0);
    }
}
