package rivulus.timing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import rivulus.check.SceneProof;
import rivulus.gear.Delay;
import rivulus.gear.Knob;
import rivulus.hearing.Way;
import rivulus.hearing.Ways;
import rivulus.leads.Survey;
import rivulus.show.Ear;
import rivulus.show.Limit;
import rivulus.show.Limits;
import rivulus.show.Names;
import rivulus.show.Person;
import rivulus.show.Playback;
import rivulus.show.Ref;
import rivulus.show.Source;
import rivulus.signal.KnobUse;
import rivulus.signal.Leg;
import rivulus.words.Severity;
import rivulus.words.Words;

/// Sound against picture at one ear of the public: a voice in front of a camera, or a player whose
/// picture and sound go different ways.
///
/// @param sound the delay of the strongest way of the sound
/// @param knobs what delays that sound and can be turned
/// @param limits where the lines are drawn
public record PictureSync(
        PictureWay picture, Ear ear, Source source, Delay sound, List<Ref> knobs, Limits limits) {
    public PictureSync {
        knobs = List.copyOf(knobs);
    }

    /// Every source that is seen as well as heard, at every ear of the public that a program sends
    /// its picture to.
    public static List<PictureSync> all(SceneProof scene, Survey survey) {
        List<PictureSync> all = new ArrayList<>();
        for (PictureWay picture : PictureWay.all(survey)) {
            for (Ear ear : scene.show().ears()) {
                boolean here =
                        ear.isPublic()
                                && ear.at().stream()
                                        .anyMatch(at -> at.device().equals(picture.program().id()));
                if (!here) continue;
                for (SceneProof.Heard cell : scene.of(ear.id())) {
                    boolean heard =
                            cell.hearing().levelDb()
                                    > scene.show().checks().limits().get(Limit.HEARD);
                    if (heard && isSeen(picture, cell.source()))
                        of(scene, picture, ear, cell.source()).ifPresent(all::add);
                }
            }
        }
        return all;
    }

    /// Whether a source is in front of the lens: a person in the camera's place, or what the player
    /// itself plays.
    private static boolean isSeen(PictureWay picture, Source source) {
        return switch (source) {
            case Person person ->
                    !person.place().isEmpty() && person.place().equals(picture.source().place());
            case Playback playback ->
                    playback.at()
                            .filter(at -> at.device().equals(picture.source().id()))
                            .isPresent();
        };
    }

    private static Optional<PictureSync> of(
            SceneProof scene, PictureWay picture, Ear ear, Source source) {
        return Ways.of(scene.tracer().live()).strongest(source.id(), ear.id(), 1).stream()
                .findFirst()
                .map(
                        way ->
                                new PictureSync(
                                        picture,
                                        ear,
                                        source,
                                        new Delay(way.ms(), way.minMs(), way.maxMs()),
                                        delayKnobs(scene, way),
                                        scene.show().checks().limits()));
    }

    private static List<Ref> delayKnobs(SceneProof scene, Way way) {
        List<Ref> knobs = new ArrayList<>();
        for (Leg leg : way.legs())
            for (Leg.Govern govern : leg.governors()) {
                KnobUse use = scene.tracer().live().graph().knobs().get(govern.knob());
                if (use.knob().role() == Knob.Role.DELAY) knobs.add(use.ref());
            }
        return knobs;
    }

    /// How late the sound is against the picture, in ms; negative where it is early.
    public double offsetMs() {
        return sound.ms() - picture.delay().ms();
    }

    /// The least the offset can be, every part at its quickest or slowest.
    public double leastMs() {
        return sound.minMs() - picture.delay().maxMs();
    }

    /// The most.
    public double mostMs() {
        return sound.maxMs() - picture.delay().minMs();
    }

    /// How bad it is; empty within EBU R 37.
    public Optional<Severity> severity() {
        if (isPast(Limit.PICTURE_EARLY_BAD, Limit.PICTURE_LATE_BAD))
            return Optional.of(Severity.PROBLEM);
        if (isPast(Limit.PICTURE_EARLY, Limit.PICTURE_LATE)) return Optional.of(Severity.CAUTION);
        if (isPast(Limit.CHAIN_EARLY, Limit.CHAIN_LATE)) return Optional.of(Severity.NOTE);
        return Optional.empty();
    }

    private boolean isPast(Limit early, Limit late) {
        return offsetMs() < -limits.get(early) || offsetMs() > limits.get(late);
    }

    /// "On the stream, the sound of Ivo is about 61 ms early against the picture of Camera;
    /// anywhere from 145 early to 10 late".
    public String words() {
        return "On %s, the sound of %s is about %s %s against the picture of %s; anywhere from %s to %s"
                .formatted(
                        Names.of(ear),
                        Names.of(source),
                        Words.ms(Math.abs(offsetMs())),
                        offsetMs() < 0 ? "early" : "late",
                        picture.source().name(),
                        side(leastMs()),
                        side(mostMs()));
    }

    private static String side(double ms) {
        return "%s %s".formatted(Words.signed(Math.abs(ms), 0), ms < 0 ? "early" : "late");
    }
}
