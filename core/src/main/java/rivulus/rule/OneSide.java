package rivulus.rule;

import java.util.ArrayList;
import java.util.List;
import rivulus.check.Finding;
import rivulus.check.SceneProof;
import rivulus.check.Verdict;
import rivulus.hearing.Arrival;
import rivulus.hearing.Hearing;
import rivulus.show.Ear;
import rivulus.show.Limit;
import rivulus.show.Limits;
import rivulus.show.Names;
import rivulus.show.Wish;
import rivulus.words.Severity;

/// What comes on one side only to somebody who is to hear it: one side of a stereo source, as by a
/// plug that carries one channel, or a voice hard to a side for the public. A problem
/// for the public, a caller or a track, who cannot help it.
final class OneSide implements Rule {
    private static final List<String> SIDES = List.of("left", "right");

    @Override
    public String id() {
        return "one-side";
    }

    @Override
    public List<Finding.Draft> inScene(SceneProof scene, Limits limits) {
        List<Finding.Draft> findings = new ArrayList<>();
        for (SceneProof.Heard cell : scene.asked()) {
            boolean wanted =
                    cell.standing().wish() == Wish.MUST
                            && cell.hearing().levelDb() >= limits.get(Limit.HEARD);
            int[] sides = scene.tracer().live().graph().source(cell.source().id());
            if (!wanted) continue;
            if (sides.length == 1 && isHardToASide(scene, cell)) findings.add(hard(scene, cell));
            if (sides.length != SIDES.size()) continue;
            for (int lost = 0; lost < sides.length; lost++)
                if (!comes(cell.hearing(), lost)) findings.add(finding(scene, cell, lost));
        }
        return findings;
    }

    private static boolean comes(Hearing hearing, int side) {
        for (Arrival arrival : hearing.arrivals()) if (arrival.carries(side)) return true;
        return false;
    }

    /// Whether the public hears a voice in one channel alone of two. A track may hold a voice on
    /// each side, and whoever has a phone at one ear hears everybody there.
    private static boolean isHardToASide(SceneProof scene, SceneProof.Heard cell) {
        Ear ear = cell.ear();
        return ear.isPublic()
                && ear.kind() != Ear.Kind.HOUSE
                && scene.tracer().live().graph().ear(ear.id()).channels().size() == SIDES.size()
                && Long.bitCount(lanes(cell.hearing())) == 1;
    }

    private static long lanes(Hearing hearing) {
        long lanes = 0;
        for (Arrival arrival : hearing.arrivals()) lanes |= arrival.lanes();
        return lanes;
    }

    private static Severity severity(SceneProof scene, SceneProof.Heard cell) {
        return Soft.isByWire(cell.ear()) || Soft.isCallers(scene, cell.ear())
                ? Severity.PROBLEM
                : Severity.CAUTION;
    }

    private Finding.Draft hard(SceneProof scene, SceneProof.Heard cell) {
        return finding(
                        scene,
                        cell,
                        severity(scene, cell),
                        Verdict.AS_WISHED,
                        "%s hears %s on the %s side only"
                                .formatted(
                                        Names.subject(cell.ear()),
                                        Names.of(cell.source()),
                                        SIDES.get(
                                                Long.numberOfTrailingZeros(lanes(cell.hearing())))))
                .brief("one side")
                .figure("levelDb", cell.hearing().levelDb())
                .because(() -> Rule.ways(scene, cell, "nothing brings it to the other", 1));
    }

    private Finding.Draft finding(SceneProof scene, SceneProof.Heard cell, int lost) {
        return finding(
                        scene,
                        cell,
                        severity(scene, cell),
                        Verdict.AS_WISHED,
                        "%s hears only the %s side of %s"
                                .formatted(
                                        Names.subject(cell.ear()),
                                        SIDES.get(1 - lost),
                                        Names.of(cell.source())))
                .brief("one side")
                .figure("levelDb", cell.hearing().levelDb())
                .because(() -> Rule.ways(scene, cell, "the other does not come", 1));
    }

    @Override
    public List<Idea> ideas(Finding finding, Workshop workshop) {
        return workshop.graph().openers(finding);
    }

    @Override
    public boolean isHarm(Finding finding) {
        return false;
    }

    @Override
    public List<Idea> leads(Finding finding, Workshop workshop) {
        return workshop.missingLeads();
    }
}
