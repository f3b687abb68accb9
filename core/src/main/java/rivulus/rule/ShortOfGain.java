package rivulus.rule;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import rivulus.check.Finding;
import rivulus.check.SceneProof;
import rivulus.gear.Knob;
import rivulus.hearing.Loop;
import rivulus.hearing.Ways;
import rivulus.level.Reinforced;
import rivulus.show.Limit;
import rivulus.show.Limits;
import rivulus.show.Names;
import rivulus.show.Ref;
import rivulus.signal.KnobUse;
import rivulus.signal.Leg;
import rivulus.signal.LiveGraph;
import rivulus.words.Severity;
import rivulus.words.Words;

/// An audience that cannot be given as much of somebody as it takes: what loudspeakers can bring
/// before they howl, with every open microphone as it is, is less than what is needed to bring them
/// near (needed and possible acoustic gain).
final class ShortOfGain implements EndedByIdeas {
    /// So much the other microphones are turned down, to see whether that is enough.
    private static final List<Double> DOWN = List.of(-3.0, -6.0);

    @Override
    public String id() {
        return "gain-before-feedback";
    }

    @Override
    public List<Finding.Draft> inScene(SceneProof scene, Limits limits) {
        List<Finding.Draft> findings = new ArrayList<>();
        if (scene.tracer().loops().stream().noneMatch(Loop::isAcoustic)) return findings;
        // what is nearer to howling is told as a loop
        for (Reinforced one : Reinforced.all(scene.show(), scene.scene(), scene.tracer()))
            if (one.isShort(limits) && one.marginDb() > limits.get(Limit.LOOP_MARGIN))
                findings.add(finding(scene, one, limits));
        return findings;
    }

    private Finding.Draft finding(SceneProof scene, Reinforced one, Limits limits) {
        double needed = one.neededDb(limits.get(Limit.AS_FROM));
        double possible = one.possibleDb(limits.get(Limit.LOOP_MARGIN));
        return finding(
                        Severity.CAUTION,
                        "%s cannot be brought near to %s: it takes %s, and %s can be had before"
                                        .formatted(
                                                Words.sentence(Names.of(one.talker())),
                                                Names.of(one.listener()),
                                                Words.db(needed),
                                                Words.db(possible))
                                + " it howls")
                .in(scene, scene.tracer().live())
                .carried(one.talker())
                .about(one.listener().id())
                .knobs(others(scene, one))
                .figure("neededDb", needed)
                .figure("possibleDb", possible)
                .because(
                        () ->
                                new Finding.Evidence(
                                        "nearer microphones, fewer that are open, or loudspeakers"
                                                + " nearer to who listens",
                                        List.of()));
    }

    /// The levels in what goes round by which the talker does not come.
    private static List<Ref> others(SceneProof scene, Reinforced one) {
        LiveGraph live = scene.tracer().live();
        Set<Ref> own = new HashSet<>();
        for (var ear : scene.show().ears())
            Ways.of(live).strongest(one.talker().id(), ear.id(), 1).first().stream()
                    .flatMap(way -> way.knobs(live.graph()))
                    .map(KnobUse::ref)
                    .forEach(own::add);
        List<Ref> others = new ArrayList<>();
        for (Loop loop : one.round())
            for (Leg leg : loop.legs())
                for (Leg.Govern govern : leg.governors()) {
                    KnobUse use = live.graph().knobs().get(govern.knob());
                    boolean level = use.knob() instanceof Knob.Level;
                    if (level && !own.contains(use.ref()) && !others.contains(use.ref()))
                        others.add(use.ref());
                }
        return others;
    }

    @Override
    public List<Idea> ideas(Finding finding, Workshop workshop) {
        List<Idea> ideas = new ArrayList<>();
        for (double db : DOWN) ideas.addAll(Turned.by(finding, db));
        return ideas;
    }
}
