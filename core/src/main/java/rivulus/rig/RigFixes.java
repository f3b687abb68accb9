package rivulus.rig;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.BooleanSupplier;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.check.Prover;
import rivulus.check.Severity;
import rivulus.disk.FileTrouble;
import rivulus.file.ShowFile;

/// Tries changes of a rig against a finding, on the rig and on what everybody hears.
final class RigFixes {
    private static final int FIXES = 3;

    private final RigProver rigs;
    private final Prover prover;

    RigFixes(RigProver rigs, Prover prover) {
        this.rigs = rigs;
        this.prover = prover;
    }

    /// The fixes of a finding that were tried and found good, best first. Costs a proof of the show
    /// for each that is tried.
    List<RigFix> of(Proof proof, RigProof rig, RigFinding finding, BooleanSupplier cancelled) {
        List<RigFix> good = new ArrayList<>();
        if (finding.severity() == Severity.NOTE) return good;
        for (RigFix fix : new FixIdeas(proof, rig, prover.catalogue()).of(finding)) {
            if (good.size() == FIXES || cancelled.getAsBoolean()) break;
            if (holds(fix) && isGood(proof, rig, finding, fix)) good.add(fix);
        }
        return good;
    }

    /// Whether what comes of a fix could be saved and opened again.
    private boolean holds(RigFix fix) {
        try {
            ShowFile.again(fix.after(), prover.catalogue());
            return true;
        } catch (FileTrouble unsound) {
            return false;
        }
    }

    /// Whether a fix ends the finding or makes it a minor one, adds nothing serious, and lets
    /// nobody hear worse. Scenes that howl are left out: what is heard there besides depends on
    /// where the howl is cut.
    private boolean isGood(Proof proof, RigProof rig, RigFinding finding, RigFix fix) {
        Proof heard = prover.prove(fix.after(), proof);
        RigProof after = rigs.prove(heard);
        Map<String, Severity> before = new HashMap<>();
        for (RigFinding known : rig.findings())
            before.merge(known.id(), known.severity(), (a, b) -> a.compareTo(b) < 0 ? a : b);
        for (RigFinding left : after.findings()) {
            if (left.id().equals(finding.id()) && !isMilder(left, finding)) return false;
            Severity was = before.get(left.id());
            boolean worse = was == null || left.severity().compareTo(was) < 0;
            if (worse && left.severity().isSerious()) return false;
        }
        if (count(after, finding) >= count(rig, finding)) return false;
        return hearsNoWorse(proof, heard);
    }

    private static boolean isMilder(RigFinding left, RigFinding finding) {
        return finding.severity().isSerious() && !left.severity().isSerious();
    }

    /// How many findings there are of a finding's rule and at least its severity.
    private static long count(RigProof rig, RigFinding finding) {
        return rig.findings().stream()
                .filter(other -> other.rule().equals(finding.rule()))
                .filter(other -> other.severity().compareTo(finding.severity()) <= 0)
                .count();
    }

    private static boolean hearsNoWorse(Proof before, Proof after) {
        Set<Finding.Key> heard = new HashSet<>();
        Set<String> howling = new HashSet<>();
        for (Finding known : before.findings()) {
            heard.add(whom(known));
            if (known.severity() == Severity.DANGER) howling.add(known.scene());
        }
        return after.findings().stream()
                .filter(left -> !howling.contains(left.scene()))
                .allMatch(left -> heard.contains(whom(left)));
    }

    /// What a finding is about, but for the gear by which it is told, which a fix may change.
    private static Finding.Key whom(Finding finding) {
        Finding.Key key = finding.key();
        return new Finding.Key(key.rule(), key.scene(), key.ear(), key.source(), "");
    }
}
