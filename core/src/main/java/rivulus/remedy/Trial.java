package rivulus.remedy;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.check.SceneProof;
import rivulus.rule.Need;
import rivulus.rule.Rules;
import rivulus.show.Limit;
import rivulus.show.Names;
import rivulus.show.Show;
import rivulus.show.Wish;
import rivulus.words.Severity;

/// Whether a change of a show ends a trouble and does no harm: the one measure of all remedies.
///
/// Scenes that howl are left out where gear changes: what is heard there besides depends on where
/// the howl is cut.
final class Trial {
    private final Proof before;
    private final List<Finding> trouble;
    private final Optional<String> alone;
    private final Set<Finding.Key> target = new HashSet<>();
    private final List<String> scenesInOrder;
    private final Set<String> howling = new HashSet<>();
    private final Map<Finding.Key, Severity> known = new HashMap<>();
    private final Map<Finding.Key, Severity> knownOfTheRig = new HashMap<>();

    /// @param trouble the findings to be ended
    Trial(Proof before, List<Finding> trouble) {
        this(before, trouble, Optional.empty());
    }

    /// @param alone where somebody wants to hear it otherwise, whatever else comes of it: the rule
    ///     by which alone something new or worse is a harm, but for a howl, which always is
    Trial(Proof before, List<Finding> trouble, Optional<String> alone) {
        this.before = before;
        this.alone = alone;
        this.trouble = trouble;
        for (Finding finding : before.heard()) {
            known.put(harm(finding), finding.severity());
            if (finding.severity() == Severity.DANGER) howling.add(finding.scene());
        }
        for (Finding finding : before.ofTheRig())
            knownOfTheRig.merge(
                    finding.key(), finding.severity(), (a, b) -> a.compareTo(b) < 0 ? a : b);
        for (Finding finding : trouble) target.add(harm(finding));
        Set<String> order = new LinkedHashSet<>();
        for (Finding finding : trouble) if (!finding.isOfTheRig()) order.add(finding.scene());
        order.addAll(before.sceneIds());
        scenesInOrder = List.copyOf(order);
    }

    /// The findings to be ended.
    List<Finding> trouble() {
        return trouble;
    }

    /// The finding to show for it.
    Finding first() {
        return trouble.getFirst();
    }

    private static Finding.Key harm(Finding finding) {
        return Rules.of(finding).harm(finding);
    }

    /// Whether a finding is one of those to be ended.
    boolean isMeant(Finding finding) {
        return target.contains(harm(finding));
    }

    /// What of what is heard is still wrong, or worse than it was, in the first scene where
    /// something is; scenes of the trouble itself come first. Later scenes are not worked out.
    List<Finding> leftInScenes(Proof after) {
        for (String id : scenesInOrder) {
            List<Finding> uncured = new ArrayList<>();
            List<Finding> worse = new ArrayList<>();
            for (Finding finding : after.scene(id).orElseThrow().findings()) {
                if (isMeant(finding)) uncured.add(finding);
                else if (isWorse(finding) && isHarm(finding)) worse.add(finding);
            }
            if (!uncured.isEmpty()) return uncured;
            if (!worse.isEmpty()) return worse;
        }
        return List.of();
    }

    /// Whether a change of gear ends the trouble and harms nothing.
    boolean isGoodOnGear(Proof after) {
        boolean heard = trouble.stream().anyMatch(finding -> !finding.isOfTheRig());
        return isGoodForTheRig(after)
                && hearsNoWorse(after)
                && weakened(after, howling).isEmpty()
                && !(heard && after.heard().stream().anyMatch(left -> isMeant(left)));
    }

    /// What speaks first against a change of gear: what is meant and still in the rig, or something
    /// serious that is new there or worse; else what is meant and still heard.
    Optional<Finding> firstWrong(Proof after) {
        return Stream.concat(
                        after.ofTheRig().stream().filter(this::isInTheWay),
                        after.heard().stream().filter(this::isMeant))
                .findFirst();
    }

    private boolean isInTheWay(Finding left) {
        if (isMeant(left)) return !isMinorNow(left);
        Severity was = knownOfTheRig.get(left.key());
        boolean worse = was == null || left.severity().compareTo(was) < 0;
        return worse && left.severity().isSerious();
    }

    /// Whether a change of gear brings something that is worth a caution.
    boolean bringsCautions(Proof after) {
        return after.ofTheRig().stream()
                .filter(left -> left.severity() != Severity.NOTE)
                .anyMatch(left -> !knownOfTheRig.containsKey(left.key()));
    }

    /// What somebody should know who takes it: what is new or worse in what is heard, or new in the
    /// rig, and no harm that speaks against it; each sentence once.
    List<String> brings(Proof after) {
        Stream<Finding> inTheRig =
                after.ofTheRig().stream()
                        .filter(left -> !isMeant(left) && !knownOfTheRig.containsKey(left.key()));
        return Stream.concat(
                        after.heard().stream().filter(f -> !isMeant(f) && isWorse(f)), inTheRig)
                .filter(finding -> finding.severity() != Severity.NOTE)
                .map(finding -> finding.headline().replaceFirst("\\.$", ""))
                .distinct()
                .toList();
    }

    private boolean isWorse(Finding finding) {
        Severity was = known.get(harm(finding));
        return was == null || finding.severity().compareTo(was) < 0;
    }

    private boolean isHarm(Finding finding) {
        if (finding.severity() == Severity.DANGER) return true;
        if (!alone.map(finding.rule()::equals).orElse(true)) return false;
        return Rules.of(finding).isHarm(finding) || isMoved(finding);
    }

    /// What may come of another cure, but not of its own: it would only be somewhere else.
    private boolean isMoved(Finding finding) {
        return finding.rule().equals(first().rule())
                && Rules.of(finding).need(finding) == Need.IDEAS;
    }

    /// One ear in one scene that would go without something.
    ///
    /// @param leastDb how loud one of the sources at least would have to come
    record Lost(String scene, String ear, Set<String> sources, double leastDb) {
        /// What is wished against it: "Maren still hears Ivo as loud".
        String words(Show show) {
            String who = Names.of(show.ear(ear).orElseThrow());
            if (sources.size() > 1) return who + " still hears something";
            String whom = Names.of(show.cast().source(sources.iterator().next()).orElseThrow());
            return "%s still hears %s as loud".formatted(who, whom);
        }
    }

    /// Who of the trouble heard more than what it is about by wire, and hears none of that any
    /// more.
    List<Lost> silenced(Proof after) {
        List<Lost> silenced = new ArrayList<>();
        if (alone.isPresent()) return silenced;
        for (Finding finding : trouble) {
            if (finding.ear().isEmpty()) continue;
            String ear = finding.ear().get();
            SceneProof scene = before.scene(finding.scene()).orElseThrow();
            SceneProof then = after.scene(finding.scene()).orElseThrow();
            Set<String> heard = heardByWire(scene, ear);
            for (Finding other : trouble)
                if (finding.ear().equals(other.ear())) heard.remove(other.key().source());
            if (!heard.isEmpty() && Collections.disjoint(heard, heardByWire(then, ear)))
                silenced.add(new Lost(finding.scene(), ear, heard, scene.limit(Limit.FAINT)));
        }
        return silenced;
    }

    private static Set<String> heardByWire(SceneProof scene, String ear) {
        Set<String> heard = new HashSet<>();
        for (SceneProof.Heard cell : scene.of(ear))
            if (cell.standing().wish() != Wish.MUST_NOT
                    && cell.hearing().isHeard()
                    && cell.hearing().byWireDb() > scene.limit(Limit.FAINT))
                heard.add(cell.source().id());
        return heard;
    }

    /// Who must be heard and would be heard much fainter than before, what was louder than nominal
    /// as if it had been at nominal.
    List<Lost> weakened(Proof after) {
        return alone.isPresent() ? List.of() : weakened(after, Set.of());
    }

    private List<Lost> weakened(Proof after, Set<String> leftOut) {
        List<Lost> weakened = new ArrayList<>();
        var limits = before.show().checks().limits();
        for (SceneProof scene : before.scenes()) {
            String id = scene.scene().id();
            SceneProof then = after.scene(id).orElseThrow();
            if (then == scene || leftOut.contains(id)) continue;
            for (SceneProof.Heard cell : scene.all()) {
                if (cell.standing().wish() != Wish.MUST || isAimed(scene, cell)) continue;
                String ear = cell.ear().id();
                String source = cell.source().id();
                double was = cell.hearing().levelDb();
                double is = then.of(ear, source).hearing().levelDb();
                double least = Math.min(was, 0) - limits.get(Limit.REMEDY_LOSS);
                if (was > limits.get(Limit.FAINT) && is < least)
                    weakened.add(new Lost(id, ear, Set.of(source), least));
            }
        }
        return weakened;
    }

    /// How loud it should be is told by a rule of its own.
    private static boolean isAimed(SceneProof scene, SceneProof.Heard cell) {
        return scene.under().stream()
                .anyMatch(
                        aim ->
                                aim.ear().equals(cell.ear().id())
                                        && aim.source().equals(cell.source().id()));
    }

    /// Whether what is meant is ended or minor, of its kind there is less, and nothing serious is
    /// new or worse.
    boolean isGoodForTheRig(Proof after) {
        if (after.ofTheRig().stream().anyMatch(this::isInTheWay)) return false;
        return trouble.stream()
                .filter(Finding::isOfTheRig)
                .allMatch(finding -> alike(after, finding) < alike(before, finding));
    }

    private boolean isMinorNow(Finding left) {
        return Rules.of(left).maybeMilder()
                && knownOfTheRig.get(left.key()).isSerious()
                && !left.severity().isSerious();
    }

    /// How many findings there are of a finding's rule and at least its severity.
    private static long alike(Proof proof, Finding finding) {
        return proof.ofTheRig().stream()
                .filter(other -> Rules.of(other) == Rules.of(finding))
                .filter(other -> other.severity().compareTo(finding.severity()) <= 0)
                .count();
    }

    private boolean hearsNoWorse(Proof after) {
        Set<Finding.Key> heard = new HashSet<>();
        for (Finding finding : before.heard()) heard.add(finding.key().whom());
        return after.heard().stream()
                .filter(left -> !howling.contains(left.scene()))
                .allMatch(left -> heard.contains(left.key().whom()));
    }
}
