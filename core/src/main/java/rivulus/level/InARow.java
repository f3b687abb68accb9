package rivulus.level;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import rivulus.gear.Knob;
import rivulus.gear.Setting;
import rivulus.show.Show;
import rivulus.signal.KnobUse;
import rivulus.signal.Leg;
import rivulus.signal.LiveGraph;
import rivulus.words.Words;

/// Two volumes one after the other, on two machines or on a program and its computer: a phone's own
/// and the desk's gain. What is heard is their product alone; what hisses between them is lifted by
/// the second.
///
/// @param firstDb how the first stands
/// @param secondDb how the second stands
/// @param roomDb how much louder it may get between them before it clips
record InARow(KnobUse first, double firstDb, KnobUse second, double secondDb, double roomDb) {
    private static final double LEAST_DB = 1;

    /// A level on the way, and the step to which it brings.
    private record Volume(KnobUse use, double db, int at) {}

    /// Those on a way that are both turned.
    static List<InARow> on(Staircase way, LiveGraph live) {
        List<Volume> volumes = new ArrayList<>();
        for (int i = 0; i < way.stairs().size(); i++) {
            Optional<Leg> leg = way.stairs().get(i).leg();
            if (leg.isEmpty()) continue;
            for (Leg.Govern govern : leg.get().governors()) {
                KnobUse use = live.graph().knobs().get(govern.knob());
                if (isVolume(use)
                        && live.positions().get(govern.knob()) instanceof Setting.Level now
                        && !now.isOff()) volumes.add(new Volume(use, now.db(), i));
            }
        }
        List<InARow> rows = new ArrayList<>();
        for (int v = 1; v < volumes.size(); v++) {
            Volume first = volumes.get(v - 1);
            Volume second = volumes.get(v);
            boolean two = !first.use().ref().device().equals(second.use().ref().device());
            if (two && first.db() != 0 && second.db() != 0)
                rows.add(
                        new InARow(
                                first.use(),
                                first.db(),
                                second.use(),
                                second.db(),
                                room(way, first.at(), second.at())));
        }
        return rows;
    }

    private static boolean isVolume(KnobUse use) {
        return use.knob() instanceof Knob.Level
                && (use.knob().role() == Knob.Role.LEVEL
                        || use.knob().role() == Knob.Role.GAIN
                        || use.knob().role() == Knob.Role.FADER);
    }

    private static double room(Staircase way, int from, int to) {
        return way.stairs().subList(from, Math.max(from + 1, to)).stream()
                .mapToDouble(way::headroomDb)
                .min()
                .orElse(0);
    }

    /// By how much the first is better louder and the second softer: what the second lifts and the
    /// first took away, as far as it does not clip between them.
    private double shiftDb() {
        return Math.floor(2 * Math.min(roomDb, Math.min(-firstDb, secondDb))) / 2;
    }

    /// What they come to, and the best split.
    Advice advice(LiveGraph live, Show show, String scene) {
        String product =
                "%s at %s and %s at %s are one volume of %s"
                        .formatted(
                                first.words(),
                                Words.db(firstDb),
                                second.words(),
                                Words.db(secondDb),
                                Words.db(firstDb + secondDb));
        double shift = shiftDb();
        if (shift < LEAST_DB) return Advice.note(product + ".");
        Optional<Turning> up = Turning.by(shift, first, live, show.turnedIn(scene, first.ref()));
        Optional<Turning> down =
                Turning.by(-shift, second, live, show.turnedIn(scene, second.ref()));
        if (up.isEmpty() || down.isEmpty()) return Advice.note(product + ".");
        return new Advice(
                "%s, best split as %s and %s: less noise, and as loud."
                        .formatted(product, Words.db(firstDb + shift), Words.db(secondDb - shift)),
                Stream.of(up, down).flatMap(Optional::stream).toList(),
                false);
    }
}
