package rivulus.trouble;

import java.util.List;
import rivulus.check.SceneProof;
import rivulus.hearing.Arrival;
import rivulus.hearing.Doubling;
import rivulus.hearing.Hearing;
import rivulus.show.Limit;
import rivulus.show.Symptom;

/// What somebody says who hears otherwise than planned.
final class Reports {
    /// A difference in level that nobody overhears, in dB ~.
    static final double NOTICED_DB = 5;

    /// How much later somebody says "late", in ms ~.
    private static final double LATE_MS = 60;

    /// What lies further under the first is not told apart, in dB ~.
    private static final double TOLD_APART_DB = 15;

    private Reports() {}

    static boolean isHeard(SceneProof.Heard cell, SceneProof scene) {
        return cell.hearing().levelDb() >= scene.limit(Limit.HEARD);
    }

    /// What is said of one source at one ear.
    static Symptom of(Hearing planned, Hearing now, SceneProof scene) {
        if (planned == now) return Symptom.AS_WISHED;
        double least = scene.limit(Limit.HEARD);
        boolean was = planned.levelDb() >= least;
        boolean is = now.levelDb() >= least;
        if (!was) return is ? Symptom.UNWANTED : Symptom.AS_WISHED;
        if (!is) return Symptom.NOT;
        if (sides(now) < sides(planned)) return Symptom.ONE_SIDE;
        Symptom doubled = doubled(now);
        if (doubled != Symptom.AS_WISHED && doubled != doubled(planned)) return doubled;
        double louder = now.levelDb() - planned.levelDb();
        if (louder <= -NOTICED_DB) return Symptom.SOFT;
        if (louder >= NOTICED_DB) return Symptom.LOUD;
        double later =
                now.strongest().map(Arrival::ms).orElse(0.0)
                        - planned.strongest().map(Arrival::ms).orElse(0.0);
        return later >= LATE_MS ? Symptom.LATE : Symptom.AS_WISHED;
    }

    /// In how many channels of the ear, and of the source, it comes.
    private static int sides(Hearing hearing) {
        long lanes = 0;
        for (Arrival arrival : hearing.arrivals()) lanes |= arrival.lanes();
        return Long.bitCount(lanes);
    }

    private static Symptom doubled(Hearing hearing) {
        Symptom worst = Symptom.AS_WISHED;
        List<Arrival> all = hearing.arrivals();
        if (hearing.strongest().isEmpty()) return worst;
        Arrival first = hearing.strongest().get();
        for (Arrival other : all) {
            if (other == first) continue;
            Doubling two = Doubling.of(first, other);
            if (two.belowDb() > TOLD_APART_DB) continue;
            switch (two.effect()) {
                case SHIFTS -> {}
                case COLOURS -> {
                    if (worst == Symptom.AS_WISHED) worst = Symptom.HOLLOW;
                }
                case SLAPS, ECHOES -> worst = Symptom.TWICE;
            }
        }
        return worst;
    }

    /// As much of it as a meter shows.
    static Symptom onAMeter(Symptom symptom) {
        return switch (symptom) {
            case AS_WISHED, NOT, SOFT, LOUD, UNWANTED, ONE_SIDE -> symptom;
            case TWICE, LATE, HOLLOW, HUM, CRACKLE, OTHER -> Symptom.AS_WISHED;
        };
    }
}
