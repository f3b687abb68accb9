package rivulus.rule;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import rivulus.check.Finding;
import rivulus.check.SceneProof;
import rivulus.check.Verdict;
import rivulus.gear.Knob;
import rivulus.show.Ear;
import rivulus.show.Limit;
import rivulus.show.Limits;
import rivulus.show.Names;
import rivulus.show.Person;
import rivulus.show.Playback;
import rivulus.show.Ref;
import rivulus.show.Role;
import rivulus.show.Wish;
import rivulus.signal.KnobUse;
import rivulus.words.Severity;
import rivulus.words.Words;

/// What is heard, and much softer than it was meant: a stream, a track or a call of which nothing
/// comes near nominal, one voice among the others that somebody hears on their headphones, a clip
/// among the voices of a stream. Unequal voices of what goes out are the business of [Uneven]; what
/// hardly comes at all, of [Missing]; music lies as far under them as it is wanted ([Balance]).
final class Soft implements EndedByIdeas {
    /// So much farther under who talks may lie what they talk about ~.
    private static final double LIES_UNDER_DB = 8;

    @Override
    public String id() {
        return "soft";
    }

    /// A cure that turns down everything to end something else is none.
    @Override
    public boolean isHarm(Finding finding) {
        return finding.key().source().isEmpty();
    }

    @Override
    public List<Finding.Draft> inScene(SceneProof scene, Limits limits) {
        List<Finding.Draft> findings = new ArrayList<>();
        for (Ear ear : scene.show().ears()) {
            List<SceneProof.Heard> all = meant(scene, ear, limits);
            if (all.isEmpty()) continue;
            SceneProof.Heard loudest = loudest(all).orElseThrow();
            List<SceneProof.Heard> talk = all.stream().filter(Soft::isTalk).toList();
            boolean call = isCallers(scene, ear);
            if (isByWire(ear) || call)
                asAWhole(
                        scene,
                        talk.isEmpty() ? all : talk,
                        loudest(talk).orElse(loudest),
                        loudest.hearing().levelDb() >= -limits.get(Limit.SOFT),
                        limits.get(call ? Limit.SOFT_AMONG : Limit.SOFT),
                        findings);
            among(scene, all, loudest, limits, findings);
        }
        return findings;
    }

    private static Optional<SceneProof.Heard> loudest(List<SceneProof.Heard> cells) {
        return cells.stream().max(Comparator.comparingDouble(cell -> cell.hearing().levelDb()));
    }

    /// Who talks, and what plays, that must be heard, is heard plainly, and does not rest.
    private static List<SceneProof.Heard> meant(SceneProof scene, Ear ear, Limits limits) {
        return scene.of(ear.id()).stream()
                .filter(
                        cell ->
                                isTalk(cell)
                                        || isWhole(cell)
                                        || isByWire(ear) && cell.source() instanceof Person)
                .filter(cell -> cell.standing().wish() == Wish.MUST)
                .filter(cell -> !scene.scene().quiet().contains(cell.source().id()))
                .filter(cell -> !LateOwnVoice.isOwnVoice(cell) || ear.kind() == Ear.Kind.TRACK)
                .filter(cell -> cell.hearing().levelDb() >= limits.get(Limit.FAINT))
                .toList();
    }

    private static boolean isTalk(SceneProof.Heard cell) {
        return cell.source() instanceof Person who && who.loudness().isTalk();
    }

    /// What plays and is listened to for itself: not a bed, which lies under voices as deep as
    /// somebody likes it.
    private static boolean isWhole(SceneProof.Heard cell) {
        return cell.source() instanceof Playback plays && plays.kind() != Playback.Kind.MUSIC;
    }

    /// Loudspeakers stand as loud as a room bears.
    static boolean isByWire(Ear ear) {
        return switch (ear.kind()) {
            case STREAM, ON_DEMAND, SECOND_LANGUAGE, TRACK -> true;
            case HOUSE, ASSISTIVE, CAMERA, PERSON -> false;
        };
    }

    private void asAWhole(
            SceneProof scene,
            List<SceneProof.Heard> all,
            SceneProof.Heard loudest,
            boolean louder,
            double line,
            List<Finding.Draft> findings) {
        double under = -loudest.hearing().levelDb();
        if (under <= line) return;
        Ear ear = loudest.ear();
        boolean whole = ear.kind() != Ear.Kind.PERSON && !louder;
        findings.add(
                finding(
                                Severity.PROBLEM,
                                (whole
                                                ? "%s is %s softer than it was meant"
                                                : "%s hears everybody %s softer than meant")
                                        .formatted(Names.subject(ear), Words.db(under)))
                        .in(scene, scene.tracer().live())
                        .heard(ear)
                        .knobs(() -> shared(scene, all))
                        .figure("underDb", under)
                        .because(() -> Rule.ways(scene, loudest, "", 1)));
    }

    private void among(
            SceneProof scene,
            List<SceneProof.Heard> all,
            SceneProof.Heard loudest,
            Limits limits,
            List<Finding.Draft> findings) {
        boolean person = loudest.ear().kind() == Ear.Kind.PERSON;
        if (!person && !isByWire(loudest.ear())) return;
        // of what goes out, unequal voices are told already
        boolean told = !person && all.stream().filter(Uneven::isOneVoice).count() > 1;
        for (SceneProof.Heard cell : all) {
            if (told && Uneven.isOneVoice(cell) || isAimed(scene, cell)) continue;
            double under = loudest.hearing().levelDb() - cell.hearing().levelDb();
            double line = limits.get(Limit.SOFT_AMONG) + (isTold(cell) ? LIES_UNDER_DB : 0);
            if (under <= line) continue;
            boolean call =
                    cell.ear().isPublic() || Echo.isCaller(cell) || isCallers(scene, cell.ear());
            findings.add(
                    finding(
                                    scene,
                                    cell,
                                    call ? Severity.PROBLEM : Severity.CAUTION,
                                    Verdict.TOO_SOFT,
                                    "%s hears %s %s softer than %s"
                                            .formatted(
                                                    Names.subject(cell.ear()),
                                                    Names.of(cell.source()),
                                                    Words.db(under),
                                                    Names.of(loudest.source())))
                            .knobs(() -> shared(scene, List.of(cell)))
                            .brief("too soft")
                            .figure("underDb", under)
                            .because(() -> Rule.ways(scene, cell, "", 1)));
        }
    }

    /// Programme from elsewhere is often told of by somebody, and lies under them, as jingles,
    /// notices and an audience may.
    private static boolean isTold(SceneProof.Heard cell) {
        return switch (cell.source()) {
            case Playback plays -> plays.kind() != Playback.Kind.CLIP;
            case Person who -> who.role() == Role.AUDIENCE;
        };
    }

    /// Whether somebody said how far under the voices it is wanted.
    private static boolean isAimed(SceneProof scene, SceneProof.Heard cell) {
        return scene.under().stream()
                .anyMatch(
                        aim ->
                                aim.ear().equals(cell.ear().id())
                                        && aim.source().equals(cell.source().id()));
    }

    static boolean isCallers(SceneProof scene, Ear ear) {
        return scene.show().cast().person(ear.of()).filter(Person::isCaller).isPresent();
    }

    /// The levels that all of them pass.
    private static List<Ref> shared(SceneProof scene, List<SceneProof.Heard> voices) {
        Optional<Set<Ref>> shared = Optional.empty();
        List<Ref> order = List.of();
        for (SceneProof.Heard cell : voices) {
            List<Ref> levels =
                    scene.way(cell).stream()
                            .flatMap(way -> way.way().knobs(scene.tracer().live().graph()))
                            .filter(use -> use.knob() instanceof Knob.Level)
                            .map(KnobUse::ref)
                            .distinct()
                            .toList();
            if (shared.isEmpty()) {
                shared = Optional.of(new HashSet<>(levels));
                order = levels;
            }
            shared.get().retainAll(levels);
        }
        Set<Ref> all = shared.orElse(Set.of());
        return order.stream().filter(all::contains).toList();
    }

    @Override
    public List<Idea> ideas(Finding finding, Workshop workshop) {
        double under = finding.figures().get("underDb");
        List<Idea> ideas = new ArrayList<>(Turned.by(finding, Math.rint(under)));
        ideas.addAll(Turned.by(finding, Math.rint(under / 2)));
        return ideas;
    }

    @Override
    public List<Idea> leads(Finding finding, Workshop workshop) {
        return workshop.missingLeads();
    }
}
