package rivulus.rule;

import java.util.ArrayList;
import java.util.List;
import rivulus.check.Finding;
import rivulus.check.SceneProof;
import rivulus.check.Verdict;
import rivulus.show.Ear;
import rivulus.show.Limit;
import rivulus.show.Limits;
import rivulus.show.Names;
import rivulus.show.Person;
import rivulus.show.Playback;
import rivulus.show.Role;
import rivulus.show.Show;
import rivulus.show.Wish;
import rivulus.words.Severity;
import rivulus.words.Words;

/// Somebody who must not be heard, and is: a problem where the public hears it, or somebody asked
/// that it be not, or a track is no longer that of one voice; a caution where it is only tidier so.
/// Own voices are the business of [Echo] and [LateOwnVoice], muted ones of [Mute].
final class Leak implements Rule {
    @Override
    public String id() {
        return "leak";
    }

    @Override
    public Need need(Finding finding) {
        return Need.LESS;
    }

    @Override
    public double overDb(Finding finding, Limits limits) {
        return finding.figures().get("overDb");
    }

    @Override
    public boolean countsByWire(Finding finding, Show show) {
        return show.scene(finding.scene()).orElseThrow().quiet().contains(finding.key().source());
    }

    @Override
    public String wish(Finding finding, Show show) {
        return Wished.of(finding, show, "does not hear");
    }

    @Override
    public List<Finding.Draft> inScene(SceneProof scene, Limits limits) {
        List<Finding.Draft> findings = new ArrayList<>();
        for (SceneProof.Heard cell : scene.asked()) {
            if (!leaks(scene, cell, limits) || Mute.isThoughtMuted(scene, cell)) continue;
            String headline =
                    "%s hears %s at %s and must not"
                            .formatted(
                                    Names.subject(cell.ear()),
                                    Names.of(cell.source()),
                                    Words.db(cell.hearing().levelDb()));
            boolean asked = cell.standing().excepted();
            boolean spoils =
                    cell.ear().kind() == Ear.Kind.TRACK
                            && cell.hearing().levelDb() > limits.get(Limit.BLEED_BAD);
            Severity severity =
                    cell.ear().isPublic() || asked || spoils ? Severity.PROBLEM : Severity.CAUTION;
            findings.add(
                    finding(scene, cell, severity, Verdict.LEAK, headline)
                            .figure("levelDb", cell.hearing().levelDb())
                            .figure("overDb", cell.hearing().levelDb() - limits.get(line(cell)))
                            .because(() -> by(scene, cell)));
        }
        return findings;
    }

    /// Whether an ear hears what it must not. Nobody expects a mute to silence a neighbour in the
    /// same room: for what rests in the scene only what comes by wire counts.
    static boolean leaks(SceneProof scene, SceneProof.Heard cell, Limits limits) {
        if (cell.standing().wish() != Wish.MUST_NOT || LateOwnVoice.isOwnVoice(cell)) return false;
        boolean rests = scene.scene().quiet().contains(cell.source().id());
        double level = rests ? cell.hearing().byWireDb() : cell.hearing().levelDb();
        return level > limits.get(line(cell));
    }

    /// Where the line is drawn: neighbours always bleed a little into a track; what is nobody's
    /// business or not licensed must not even be guessed at by the public.
    private static Limit line(SceneProof.Heard cell) {
        if (cell.ear().kind() == Ear.Kind.TRACK) return Limit.BLEED;
        boolean closed =
                switch (cell.source()) {
                    case Person person -> person.role() == Role.PRODUCER;
                    case Playback plays -> plays.kind() == Playback.Kind.MUSIC;
                };
        return closed && cell.ear().isPublic() ? Limit.LEAK_PRIVATE : Limit.LEAK;
    }

    private static Finding.Evidence by(SceneProof scene, SceneProof.Heard cell) {
        return Rule.ways(scene, cell, unstopped(cell.standing().why()), 3);
    }

    private static String unstopped(String why) {
        return why.endsWith(".") ? why.substring(0, why.length() - 1) : why;
    }

    @Override
    public List<Idea> ideas(Finding finding, Workshop workshop) {
        return workshop.graph().lower(finding, finding.figures().get("overDb") + 1);
    }
}
