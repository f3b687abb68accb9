package rivulus.rule;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import rivulus.check.Finding;
import rivulus.check.SceneProof;
import rivulus.check.Verdict;
import rivulus.hearing.Arrival;
import rivulus.hearing.OwnVoice;
import rivulus.show.Ear;
import rivulus.show.Habit;
import rivulus.show.Limit;
import rivulus.show.Limits;
import rivulus.show.Names;
import rivulus.show.Show;
import rivulus.words.Severity;
import rivulus.words.Words;

/// A talker in the show's own rooms who hears their own voice late. Where they like to hear
/// themselves through a computer, from the worse line on; so, too, where it comes back through the
/// air from loudspeakers in the room, as every voice in a hall does.
final class LateOwnVoice implements Rule {
    @Override
    public String id() {
        return "late-own-voice";
    }

    @Override
    public Need need(Finding finding) {
        return Need.LESS;
    }

    @Override
    public double overDb(Finding finding, Limits limits) {
        return finding.figures().get("levelDb") - limits.get(Limit.OWN_VOICE_LEVEL);
    }

    @Override
    public String wish(Finding finding, Show show) {
        return Wished.of(finding, show, "does not hear") + " late";
    }

    @Override
    public List<Finding.Draft> inScene(SceneProof scene, Limits limits) {
        List<Finding.Draft> findings = new ArrayList<>();
        for (SceneProof.Heard cell : scene.asked()) {
            if (!isOwnVoice(cell) || Echo.isCaller(cell)) continue;
            Limit from =
                    scene.show().habits().says(Habit.OWN_VOICE, "computer")
                            ? Limit.OWN_VOICE_BAD
                            : Limit.OWN_VOICE;
            late(cell, limits, from)
                    .ifPresent(late -> findings.add(finding(scene, cell, late, limits)));
        }
        return findings;
    }

    /// Whether this is somebody hearing themself.
    static boolean isOwnVoice(SceneProof.Heard cell) {
        return cell.ear().kind() == Ear.Kind.PERSON && cell.ear().of().equals(cell.source().id());
    }

    private static Optional<Arrival> late(SceneProof.Heard cell, Limits limits, Limit least) {
        double level = limits.get(Limit.OWN_VOICE_LEVEL);
        double from = limits.get(least);
        double bad = limits.get(Limit.OWN_VOICE_BAD);
        return cell.hearing().arrivals().stream()
                .filter(a -> a.levelDb() > level)
                .filter(a -> a.ms() >= (a.throughAir() ? bad : from))
                .max(Comparator.comparingDouble(Arrival::levelDb));
    }

    private Finding.Draft finding(
            SceneProof scene, SceneProof.Heard cell, Arrival late, Limits limits) {
        String headline =
                "%s hears %s %s late at %s"
                        .formatted(
                                Names.subject(cell.ear()),
                                cell.source().self(),
                                Words.ms(late.ms()),
                                Words.db(late.levelDb()));
        Severity severity =
                late.ms() >= limits.get(Limit.OWN_VOICE_BAD) ? Severity.PROBLEM : Severity.CAUTION;
        return finding(scene, cell, severity, Verdict.LATE, headline)
                .figure("delayMs", late.ms())
                .figure("levelDb", late.levelDb())
                .brief(Words.ms(late.ms()))
                .because(() -> Rule.ways(scene, cell, OwnVoice.at(late.ms()).words(), 2));
    }

    @Override
    public List<Idea> ideas(Finding finding, Workshop workshop) {
        return workshop.graph().closers(finding);
    }
}
