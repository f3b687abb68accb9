package rivulus.rule;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import rivulus.check.Finding;
import rivulus.check.SceneProof;
import rivulus.gear.Processor.Kind;
import rivulus.show.Habit;
import rivulus.show.Limits;
import rivulus.show.Names;
import rivulus.words.Severity;
import rivulus.words.Words;

/// One kind of processor twice on a way, as in a desk and again in the streaming program: each is
/// set as if it were alone. Which is switched off is a matter of how one likes to work
/// ([Habit#COMPRESS]); where nobody said, the later.
final class Twice implements EndedByIdeas {
    private static final List<Kind> KINDS = List.of(Kind.GATE, Kind.COMPRESSOR, Kind.LEVELLER);

    @Override
    public String id() {
        return "processed-twice";
    }

    @Override
    public List<Finding.Draft> inScene(SceneProof scene, Limits limits) {
        List<Finding.Draft> findings = new ArrayList<>();
        Set<Object> told = new HashSet<>();
        for (SceneProof.Coming comes : scene.processed())
            for (Kind kind : KINDS) {
                List<OnTheWay> some =
                        OnTheWay.of(scene, comes).stream().filter(o -> o.kind() == kind).toList();
                if (some.size() > 1
                        && told.add(some.stream().map(one -> one.onOff().ref()).toList()))
                    findings.add(finding(scene, comes, some));
            }
        return findings;
    }

    private Finding.Draft finding(SceneProof scene, SceneProof.Coming comes, List<OnTheWay> some) {
        OnTheWay first = some.getFirst();
        OnTheWay last = some.getLast();
        Optional<Habit.Way> said = scene.show().habits().of(Habit.COMPRESS);
        boolean late = said.isPresent() && said.get().word().equals("streaming");
        OnTheWay kept = late && last.isOfAProgram() ? last : first;
        List<OnTheWay> off = new ArrayList<>(some);
        off.remove(kept);
        if (!late) off = off.reversed();
        off.add(kept);
        return first.finding(
                        this,
                        Severity.CAUTION,
                        "%s goes through two %ss in a row: %s and %s"
                                .formatted(
                                        Words.sentence(Names.of(comes.cell().source())),
                                        first.kind().words(),
                                        first.words(),
                                        last.words()),
                        last)
                .figure("times", some.size())
                .knobs(off.stream().map(one -> one.onOff().ref()).toList());
    }
}
