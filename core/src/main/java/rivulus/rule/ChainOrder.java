package rivulus.rule;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import rivulus.check.Finding;
import rivulus.check.SceneProof;
import rivulus.gear.Processor.Kind;
import rivulus.show.Limits;
import rivulus.show.Names;
import rivulus.show.Ref;
import rivulus.signal.KnobUse;
import rivulus.words.Severity;

/// Processors in an order that works against them: a gate that hears what a low cut behind it takes
/// out, a gate behind the make-up of a compressor, a limiter behind which something lifts again.
final class ChainOrder implements EndedByIdeas {
    @Override
    public String id() {
        return "chain-order";
    }

    @Override
    public List<Finding.Draft> inScene(SceneProof scene, Limits limits) {
        List<Finding.Draft> findings = new ArrayList<>();
        Set<Object> told = new HashSet<>();
        for (SceneProof.Coming comes : scene.processed()) {
            List<OnTheWay> all = OnTheWay.of(scene, comes);
            for (int first = 0; first < all.size(); first++)
                for (OnTheWay second : all.subList(first + 1, all.size())) {
                    Optional<String> why = why(all.get(first), second);
                    if (why.isPresent()
                            && told.add(
                                    List.of(all.get(first).onOff().ref(), second.onOff().ref())))
                        findings.add(finding(comes, all.get(first), second, why.get()));
                }
        }
        return findings;
    }

    /// What is wrong with two in a row, as a clause; empty where nothing is.
    private static Optional<String> why(OnTheWay first, OnTheWay second) {
        return switch (first.kind()) {
            case GATE ->
                    second.kind() == Kind.LOW_CUT
                            ? Optional.of("the gate hears what the low cut takes out behind it")
                            : Optional.empty();
            case COMPRESSOR, LEVELLER ->
                    second.kind() == Kind.GATE && first.block().mostDb() > 0
                            ? Optional.of("what it lifts in pauses keeps the gate open")
                            : Optional.empty();
            case LIMITER ->
                    second.block().mostDb() > 0
                            ? Optional.of("what is limited is lifted again")
                            : Optional.empty();
            default -> Optional.empty();
        };
    }

    private Finding.Draft finding(
            SceneProof.Coming comes, OnTheWay first, OnTheWay second, String why) {
        Set<Ref> knobs = new LinkedHashSet<>();
        for (OnTheWay one : List.of(first, second))
            one.placed().order().map(KnobUse::ref).ifPresent(knobs::add);
        knobs.add(second.onOff().ref());
        knobs.add(first.onOff().ref());
        return first.finding(
                        this,
                        Severity.CAUTION,
                        "%s stands before %s on the way of %s: %s"
                                .formatted(
                                        first.words(),
                                        first.onOff()
                                                        .ref()
                                                        .device()
                                                        .equals(second.onOff().ref().device())
                                                ? second.onOff().knob().label()
                                                : second.words(),
                                        Names.of(comes.cell().source()),
                                        why),
                        second)
                .figure("liftsDb", first.block().mostDb() + second.block().mostDb())
                .knobs(List.copyOf(knobs));
    }
}
