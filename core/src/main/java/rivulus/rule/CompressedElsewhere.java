package rivulus.rule;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import rivulus.check.Finding;
import rivulus.check.SceneProof;
import rivulus.gear.Processor.Kind;
import rivulus.gear.Setting;
import rivulus.show.Habit;
import rivulus.show.Limits;
import rivulus.show.Names;
import rivulus.show.Person;
import rivulus.show.Ref;
import rivulus.signal.KnobUse;
import rivulus.words.Severity;

/// A voice that is compressed in the streaming program where somebody wants that in the desk, or
/// the other way round. Told only where somebody said where.
final class CompressedElsewhere implements EndedByIdeas {
    @Override
    public String id() {
        return "compressed-elsewhere";
    }

    @Override
    public List<Finding.Draft> inScene(SceneProof scene, Limits limits) {
        List<Finding.Draft> findings = new ArrayList<>();
        Optional<Habit.Way> said = scene.show().habits().of(Habit.COMPRESS);
        if (said.isEmpty()) return findings;
        boolean inProgram = said.get().word().equals("streaming");
        Set<Object> told = new HashSet<>();
        for (SceneProof.Coming comes : scene.processed()) {
            boolean voice = comes.cell().source() instanceof Person;
            if (!voice || !comes.cell().ear().isPublic()) continue;
            List<OnTheWay> some =
                    OnTheWay.of(scene, comes).stream()
                            .filter(one -> one.kind() == Kind.COMPRESSOR)
                            .toList();
            boolean elsewhere =
                    !some.isEmpty()
                            && some.stream().noneMatch(one -> one.isOfAProgram() == inProgram);
            if (elsewhere && told.add(some.getFirst().onOff().ref()))
                findings.add(finding(scene, comes, some, said.get(), inProgram));
        }
        return findings;
    }

    private Finding.Draft finding(
            SceneProof scene,
            SceneProof.Coming comes,
            List<OnTheWay> some,
            Habit.Way said,
            boolean inProgram) {
        List<Ref> knobs = new ArrayList<>(some.stream().map(one -> one.onOff().ref()).toList());
        OnTheWay.switches(scene, comes, Kind.COMPRESSOR, inProgram).stream()
                .map(KnobUse::ref)
                .limit(1)
                .forEach(knobs::add);
        return some.getFirst()
                .finding(
                        this,
                        Severity.NOTE,
                        "%s compresses %s; voices are to be compressed %s"
                                .formatted(
                                        some.getFirst().words(),
                                        Names.of(comes.cell().source()),
                                        said.phrase()))
                .figure("compressors", some.size())
                .knobs(knobs);
    }

    /// Off alone would end it and leave the voice without.
    @Override
    public boolean isLeastAsked() {
        return false;
    }

    /// Off where it is, and on where it should be, if something is there.
    @Override
    public List<Idea> ideas(Finding finding, Workshop workshop) {
        int here = (int) Math.round(finding.figures().get("compressors"));
        if (finding.knobs().size() == here) return List.of();
        Map<Ref, Setting> turns = new LinkedHashMap<>();
        for (int i = 0; i < finding.knobs().size(); i++)
            turns.put(finding.knobs().get(i), new Setting.Switch(i >= here));
        return List.of(new Idea.Settings(turns));
    }
}
