package rivulus.rule;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import rivulus.check.Finding;
import rivulus.check.Judge;
import rivulus.check.Proof;
import rivulus.check.Prover;
import rivulus.check.SceneProof;
import rivulus.file.Templates;
import rivulus.leads.Fault;
import rivulus.show.Limits;

/// Every rule there is.
public final class Rules implements Judge {
    /// Those that stop a show first.
    private static final List<Rule> ALL =
            List.of(
                    // what is heard
                    new Looping(),
                    new Echo(),
                    new LateOwnVoice(),
                    new Missing(),
                    new OtherMicrophone(),
                    new Leak(),
                    new Mute(),
                    new Doubled(),
                    new PickedTwice(),
                    new Excess(),
                    new Balance(),
                    new LateForWish(),
                    new Mixed(),
                    // how loud it is
                    new Clipping(),
                    new Hiss(),
                    new ShortOfGain(),
                    new LoudEars(),
                    new Soft(),
                    new Uneven(),
                    new OneSide(),
                    new Gated(),
                    new ChainOrder(),
                    new Twice(),
                    new LevelledTogether(),
                    // leads
                    new LeadRule(Fault.Kind.SPEAKER_TO_LINE, Workshop::rejoined),
                    new LeadRule(Fault.Kind.CONNECTOR, Workshop::rejoined),
                    new LeadRule(Fault.Kind.LEVEL, Workshop::relevelled),
                    new LeadRule(Fault.Kind.IMPEDANCE, Workshop::driven),
                    new LeadRule(Fault.Kind.POLARITY, Workshop::rejoined),
                    new LeadRule(Fault.Kind.CHANNELS, Workshop::rejoined),
                    new LeadRule(Fault.Kind.FOUR_POLE, Workshop::rejoined),
                    new LeadRule(Fault.Kind.PHANTOM, Workshop::phantom),
                    new LeadRule(Fault.Kind.LENGTH, Workshop::shortened),
                    new JoinedOutputs(),
                    new PortsUsedTwice(),
                    // earths and power
                    new GroundLoops(),
                    new ChargingRings(),
                    new PortBudgets(),
                    new Unfed(),
                    new Strips(),
                    new Batteries(),
                    new FullCards(),
                    new OneCopy(),
                    // computers, clocks, picture
                    new Clocks(),
                    new PictureFormats(),
                    new LipSync(),
                    new MusicCleanedUp(),
                    new RemoteSwitches(),
                    new CallProfiles(),
                    // the rest
                    new Shortages(),
                    new UnusedGain(),
                    new SoloHeard(),
                    new LaidOut(),
                    // how one likes to work
                    new TrackTaps(),
                    new StreamMix(),
                    new SecondMixers(),
                    new CompressedElsewhere(),
                    new PublicLoudness());

    private static final Map<String, Rule> BY_ID =
            ALL.stream().collect(Collectors.toMap(Rule::id, Function.identity()));

    private Rules() {}

    /// A prover by every rule, for shows of gear that ships.
    public static Prover prover() {
        return Prover.of(
                Templates.shipped(), Templates.briefDefaults(), Templates.leads(), new Rules());
    }

    /// The ids of the rules, those that stop a show first.
    public static List<String> ids() {
        return ALL.stream().map(Rule::id).toList();
    }

    /// The rule that found something.
    public static Rule of(Finding finding) {
        return BY_ID.get(finding.rule());
    }

    @Override
    public List<Finding> of(SceneProof scene) {
        Limits limits = scene.show().checks().limits();
        return collected(rule -> rule.inScene(scene, limits));
    }

    @Override
    public List<Finding> of(Proof proof) {
        Limits limits = proof.show().checks().limits();
        return collected(rule -> rule.inRig(proof, limits));
    }

    private static List<Finding> collected(Function<Rule, List<Finding.Draft>> ask) {
        List<Finding> findings = new ArrayList<>();
        for (int rank = 0; rank < ALL.size(); rank++)
            for (Finding.Draft draft : ask.apply(ALL.get(rank))) findings.add(draft.found(rank));
        findings.sort(Comparator.comparing(Finding::severity));
        return findings;
    }
}
