package rivulus.hearing;

/// How a caller bears their own echo: the talker-echo part of the E-model, ITU-T G.107.
///
/// @param lossDb echo path loss: how much fainter the caller hears themself than they sent
/// @param oneWayMs mean one-way delay of the echo path: half of the time round
/// @param rating R, 0 to 93.2: 90 very satisfied, 80 satisfied, 70 some dissatisfied, 60 many, 50
///     nearly all
public record TalkerEcho(double lossDb, double oneWayMs, double rating) {
    /// Send loudness rating, G.107 default, in dB.
    private static final double SLR = 8;

    /// Receive loudness rating, G.107 default, in dB.
    private static final double RLR = 2;

    /// Circuit noise with G.107 defaults, in dBm0p.
    private static final double NO = -61.2;

    /// R without echo or delay, with G.107 defaults.
    private static final double BEST = 93.2;

    /// The echo of one path.
    public static TalkerEcho of(double lossDb, double roundMs) {
        double t = roundMs / 2;
        double telr = SLR + RLR + lossDb;
        double terv =
                telr - 40 * Math.log10((1 + t / 10) / (1 + t / 150)) + 6 * Math.exp(-0.3 * t * t);
        double re = 80 + 2.5 * (terv - 14);
        double roe = -1.5 * (NO - RLR);
        double half = (roe - re) / 2;
        double idte = (half + Math.sqrt(half * half + 100) - 1) * (1 - Math.exp(-t));
        return new TalkerEcho(lossDb, t, Math.clamp(BEST - idte - delayImpairment(t), 0, BEST));
    }

    /// Idd: what a long one-way delay costs even without echo (G.107, clause on the delay
    /// impairment factor).
    static double delayImpairment(double ms) {
        if (ms <= 100) return 0;
        double x = Math.log(ms / 100) / Math.log(2);
        return 25
                * (Math.pow(1 + Math.pow(x, 6), 1.0 / 6)
                        - 3 * Math.pow(1 + Math.pow(x / 3, 6), 1.0 / 6)
                        + 2);
    }

    /// What callers make of it: "nearly everybody would complain".
    public String words() {
        if (rating >= 90) return "nobody would notice";
        if (rating >= 80) return "callers would be satisfied";
        if (rating >= 70) return "some callers would be dissatisfied";
        if (rating >= 60) return "many callers would be dissatisfied";
        if (rating >= 50) return "nearly every caller would be dissatisfied";
        return "no caller can talk against it";
    }
}
