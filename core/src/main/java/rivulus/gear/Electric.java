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
/// @param noiseDbu the noise it adds, A-weighted, in dBu: of an input the equivalent input noise,
///     of an output what it gives when nothing plays; NaN where it carries no analogue signal
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
        int givesMa,
        double noiseDbu) {
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

    /// 0 dBu in mV: the root of 0.6 V.
    public static final double DBU_MV = 774.6;

    /// The thermal noise of 150 Ω at 20 °C in 20 kHz, in dBu (REFERENCE).
    public static final double THERMAL_DBU = -131;

    /// The consumer line level, −10 dBV, in dBu.
    public static final double CONSUMER_LINE_DBU = -7.782;

    /// The professional line level in dBu.
    public static final double PROFESSIONAL_LINE_DBU = 4;

    /// Whether it carries an analogue signal.
    public boolean isAnalogue() {
        return !Double.isNaN(levelDbu);
    }

    /// The same, giving other levels.
    public Electric giving(double level, double most) {
        return new Electric(
                level,
                most,
                takesDbu,
                takesMostDbu,
                balanced,
                ohms,
                phantom,
                phantomKnob,
                floating,
                wiring,
                drawsMa,
                givesMa,
                noiseDbu);
    }

    /// What a port usually is, by what it carries. Noise: a good preamp −126 dBu, a jack for
    /// electret microphones −100 (REFERENCE); lines and headphones 110 dB under the most they
    /// carry where they are balanced, 95 dB where they are not ~.
    ///
    /// @param balanced whether its connector and channels make it balanced
    /// @param gives whether sound comes out of it
    public static Electric usual(Signal carries, boolean balanced, boolean gives) {
        return switch (carries) {
            case MIC -> gives ? analogue(-54, -14, balanced, 150, THERMAL_DBU) : micIn(balanced);
            case LINE ->
                    balanced
                            ? analogue(PROFESSIONAL_LINE_DBU, 22, true, gives ? 100 : 20_000, -88)
                            : analogue(CONSUMER_LINE_DBU, 10, false, gives ? 200 : 10_000, -85);
            case INSTRUMENT -> analogue(-18, gives ? 0 : 12, balanced, gives ? 10_000 : 1e6, -110);
            case HEADPHONES -> analogue(0, gives ? 14 : 24, false, gives ? 10 : 32, -90);
            case SPEAKER -> analogue(30, 42, false, gives ? 0.1 : 8, -60);
            case HEADSET ->
                    analogue(
                            gives ? -12 : -40,
                            gives ? 2 : -10,
                            false,
                            gives ? 100 : 2000,
                            gives ? -90 : -100);
            case NET, NETWORK_AUDIO, PHONE, OPTICAL, RADIO -> digital(true);
            case USB, VIDEO, POWER -> digital(false);
        };
    }

    private static Electric micIn(boolean balanced) {
        return balanced
                ? analogue(-50, 4, true, 1500, -126)
                : analogue(-50, -15, false, 2000, -100);
    }

    private static Electric analogue(
            double level, double most, boolean balanced, double ohms, double noise) {
        return new Electric(
                level, most, level, most, balanced, ohms, Phantom.NONE, "", false, "", 0, 0, noise);
    }

    private static Electric digital(boolean floating) {
        double none = Double.NaN;
        return new Electric(
                none, none, none, none, false, none, Phantom.NONE, "", floating, "", 0, 0, none);
    }
}
