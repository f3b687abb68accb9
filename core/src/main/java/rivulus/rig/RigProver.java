package rivulus.rig;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.BooleanSupplier;
import rivulus.check.Proof;
import rivulus.check.Prover;
import rivulus.gear.Leads;
import rivulus.leads.Survey;
import rivulus.show.Show;

/// Proves rigs. Keeps no state and may be shared.
public final class RigProver {
    private static final List<RigCheck> CHECKS =
            List.of(
                    new LeadFaults(),
                    new JoinedOutputs(),
                    new PortsUsedTwice(),
                    new GroundLoops(),
                    new UsbPower(),
                    new Strips(),
                    new Batteries(),
                    new Clocks(),
                    new PictureFormats(),
                    new LipSync(),
                    new MusicCleanedUp(),
                    new RemoteSwitches(),
                    new CallProfiles(),
                    new Shortages(),
                    new UnusedGain(),
                    new SoloHeard());

    private final Prover prover;
    private final Leads leads;

    /// A prover that tries its fixes on hearing with the other.
    public RigProver(Prover prover, Leads leads) {
        this.prover = prover;
        this.leads = leads;
    }

    /// The kinds of lead there are.
    public Leads leads() {
        return leads;
    }

    /// Proves the rig of a show from nothing.
    public RigProof prove(Show show) {
        return prove(prover.prove(show));
    }

    /// Proves the rig of a show whose hearing has been proven.
    public RigProof prove(Proof proof) {
        Survey survey = Survey.of(proof.show(), prover.catalogue(), leads);
        List<RigFinding> findings = new ArrayList<>();
        for (RigCheck check : CHECKS) check.check(survey, proof, findings);
        findings.sort(Comparator.comparing(RigFinding::severity));
        return new RigProof(survey, findings);
    }

    /// The fixes of a finding that were tried and found good, best first. Costs a proof of the show
    /// for each that is tried.
    public List<RigFix> fixes(Proof proof, RigProof rig, RigFinding finding) {
        return fixes(proof, rig, finding, () -> false);
    }

    /// The fixes of a finding as [#fixes(Proof, RigProof, RigFinding)] has them; given up early,
    /// with what is found by then, when `cancelled` says so.
    public List<RigFix> fixes(
            Proof proof, RigProof rig, RigFinding finding, BooleanSupplier cancelled) {
        return new RigFixes(this, prover).of(proof, rig, finding, cancelled);
    }
}
