package rivulus.level;

import java.util.Optional;
import rivulus.gear.Setting;
import rivulus.gear.Speech;
import rivulus.show.Names;
import rivulus.show.Ref;
import rivulus.show.Source;
import rivulus.show.Turn;
import rivulus.words.Words;

/// One input with a gain knob: what comes in, how the knob stands, and how it should.
///
/// @param source what comes in loudest; empty where nothing does
/// @param arrivesDb how loud, before the gain, against line-up; negative infinity where nothing
///     does
/// @param isFar whether nobody speaks into it: it is there for the room
/// @param wanted the same input as it should stand
/// @param crestDb how far peaks lie over loud moments
public record InputGain(
        Preamp now,
        Optional<Source> source,
        double arrivesDb,
        boolean isFar,
        Preamp wanted,
        double crestDb) {
    /// The knob.
    public Ref knob() {
        return now.use().ref();
    }

    /// Where the peaks of loud moments come to with the knob so, in dBFS.
    public double peaksDbfs(Preamp at) {
        return Speech.LINE_UP_DBFS + arrivesDb + at.turnedDb() + crestDb;
    }

    /// How the knob has to be turned; empty where it stands well, or is not in use and not up.
    public Optional<Turn> turn() {
        boolean down = source.isEmpty() && now.turnedDb() <= 0 || Double.isInfinite(now.turnedDb());
        if (down || now.turnedDb() == wanted.turnedDb()) return Optional.empty();
        return Optional.of(
                new Turn(
                        knob(),
                        new Setting.Level(now.turnedDb()),
                        new Setting.Level(wanted.turnedDb()),
                        Optional.empty()));
    }

    /// The same input as it should stand: as it is, where it stands well.
    public Preamp should() {
        return turn().isPresent() ? wanted : now;
    }

    /// Whether nothing comes in, and it is not turned up.
    public boolean isIdle() {
        return source.isEmpty() && turn().isEmpty();
    }

    /// Why it should stand so, in a sentence; what no gain can do is said.
    public String why() {
        if (source.isEmpty()) return "Nothing comes in: no gain.";
        if (Double.isInfinite(now.turnedDb())) return "It is off.";
        String who = Names.of(source.get());
        if (isFar) return "%s only comes from afar: set by ear.".formatted(Words.sentence(who));
        double beyond = wanted.outOfReachDb();
        if (beyond > 0)
            return "%s comes in too softly: the gain ends %s short. Nearer to the microphone, or one that gives more."
                    .formatted(Words.sentence(who), Words.db(beyond));
        if (beyond < 0)
            return "%s comes in too loud by %s for the least gain: a pad, or less before it."
                    .formatted(Words.sentence(who), Words.db(-beyond));
        return "Loud moments of %s peak at %s."
                .formatted(who, Words.figure(peaksDbfs(should()), 0, "dBFS"));
    }
}
