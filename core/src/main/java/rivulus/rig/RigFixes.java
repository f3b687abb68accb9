package rivulus.rig;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.check.Prover;
import rivulus.check.Severity;
import rivulus.gear.Electric;
import rivulus.gear.Leads;
import rivulus.gear.Power;
import rivulus.gear.Setting;
import rivulus.gear.Template;
import rivulus.show.Cable;
import rivulus.show.Device;
import rivulus.show.Ref;
import rivulus.show.Show;
import rivulus.show.Turn;

/// Looks for changes of a rig that end a finding, and tries each on the rig and on what everybody
/// hears.
final class RigFixes {
    private static final int FIXES = 3;

    private final RigProver rigs;
    private final Prover prover;
    private final Leads leads;

    RigFixes(RigProver rigs, Prover prover) {
        this.rigs = rigs;
        this.prover = prover;
        this.leads = rigs.leads();
    }

    /// The fixes of a finding that were tried and found good, best first. Costs a proof of the show
    /// for each that is tried.
    List<RigFix> of(Proof proof, RigProof rig, RigFinding finding) {
        List<RigFix> good = new ArrayList<>();
        if (finding.severity() == Severity.NOTE) return good;
        for (RigFix fix : ideas(rig.show(), finding)) {
            if (good.size() == FIXES) break;
            if (isGood(proof, rig, finding, fix)) good.add(fix);
        }
        return good;
    }

    private List<RigFix> ideas(Show show, RigFinding finding) {
        Optional<Cable> cable = cable(show, finding.about().getFirst());
        if (cable.isEmpty()) return List.of();
        LeadReport lead = new LeadReader(show, prover.catalogue(), leads).read(cable.get());
        return switch (finding.rule()) {
            case "phantom" -> phantom(show, lead);
            case "length" -> List.of();
            case "ground-loop" -> unearthed(show, lead);
            default -> rejoined(show, lead, false);
        };
    }

    /// A transformer first; then a battery, where one of the machines has one.
    private List<RigFix> unearthed(Show show, LeadReport lead) {
        List<RigFix> fixes = new ArrayList<>(rejoined(show, lead, true));
        for (Device device : show.rig().devices()) {
            Power power =
                    prover.catalogue()
                            .find(device.template())
                            .map(Template::power)
                            .orElse(Power.NONE);
            boolean plugged = power.earthed() && power.when(device.power()).equals("mains");
            if (!plugged || !power.from().contains("battery")) continue;
            fixes.add(
                    new RigFix(
                            "Run %s from its battery.".formatted(device.name()),
                            List.of(),
                            show.withRig(show.rig().with(device.poweredBy("battery")))));
        }
        return fixes;
    }

    private static Optional<Cable> cable(Show show, String id) {
        return show.rig().cables().stream().filter(c -> c.id().equals(id)).findFirst();
    }

    /// The switch of the phantom power the other way.
    private List<RigFix> phantom(Show show, LeadReport lead) {
        List<RigFix> fixes = new ArrayList<>();
        for (End end : List.of(lead.a(), lead.b())) {
            Electric electric = end.port().electric();
            if (electric.phantomKnob().isEmpty()) continue;
            Ref knob = new Ref(end.device().id(), electric.phantomKnob());
            boolean on =
                    end.device().knobs().get(knob.name()) instanceof Setting.Switch(boolean is)
                            && is;
            Turn turn =
                    new Turn(
                            knob,
                            new Setting.Switch(on),
                            new Setting.Switch(!on),
                            Optional.empty());
            fixes.add(
                    new RigFix(
                            "Levels down, then switch 48 V %s at %s."
                                    .formatted(on ? "off" : "on", end.words()),
                            List.of(turn),
                            show.with(turn)));
        }
        return fixes;
    }

    /// The same two machines joined another way, by the same ports first.
    private List<RigFix> rejoined(Show show, LeadReport lead, boolean isolated) {
        End from = lead.a().port().gives() > 0 || lead.b().port().host() ? lead.a() : lead.b();
        End to = from == lead.a() ? lead.b() : lead.a();
        Show without = show.withRig(show.rig().without(lead.cable()));
        List<RigFix> fixes = new ArrayList<>();
        List<RigFix> elsewhere = new ArrayList<>();
        for (Joining way :
                new Joiner(without, prover.catalogue(), leads)
                        .ways(
                                from.device(),
                                to.device(),
                                4 * FIXES,
                                j -> !isolated || j.isIsolated())) {
            boolean samePorts =
                    way.leads().getFirst().a().ref().equals(from.ref())
                            && way.leads().getLast().b().ref().equals(to.ref());
            (samePorts ? fixes : elsewhere)
                    .add(
                            new RigFix(
                                    "Join %s, by %s.".formatted(way.way(), way.needs()),
                                    List.of(),
                                    way.after()));
        }
        fixes.addAll(elsewhere);
        return fixes;
    }

    /// Whether a fix ends the finding, adds nothing serious, and lets nobody hear worse. Scenes
    /// that howl are left out: what is heard there besides depends on where the howl is cut.
    private boolean isGood(Proof proof, RigProof rig, RigFinding finding, RigFix fix) {
        RigProof after = rigs.prove(fix.after());
        long ofRule = 0;
        Map<String, Severity> before = new HashMap<>();
        for (RigFinding known : rig.findings())
            before.merge(known.id(), known.severity(), (a, b) -> a.compareTo(b) < 0 ? a : b);
        for (RigFinding left : after.findings()) {
            if (left.id().equals(finding.id())) return false;
            if (left.rule().equals(finding.rule())) ofRule++;
            Severity was = before.get(left.id());
            boolean worse = was == null || left.severity().compareTo(was) < 0;
            if (worse && left.severity().isSerious()) return false;
        }
        long were = rig.findings().stream().filter(f -> f.rule().equals(finding.rule())).count();
        if (ofRule >= were) return false;
        Set<Finding.Key> heard = new HashSet<>();
        Set<String> howling = new HashSet<>();
        for (Finding known : proof.findings()) {
            heard.add(whom(known));
            if (known.severity() == Severity.DANGER) howling.add(known.scene());
        }
        return prover.prove(fix.after(), proof).findings().stream()
                .filter(left -> !howling.contains(left.scene()))
                .allMatch(left -> heard.contains(whom(left)));
    }

    /// What a finding is about, but for the gear by which it is told, which a fix may change.
    private static Finding.Key whom(Finding finding) {
        Finding.Key key = finding.key();
        return new Finding.Key(key.rule(), key.scene(), key.ear(), key.source(), "");
    }
}
