package rivulus.remedy;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import rivulus.check.Demo;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.check.Trouble;
import rivulus.file.DemoShows;
import rivulus.gear.Setting;
import rivulus.rule.Rules;
import rivulus.show.Show;
import rivulus.signal.KnobUse;

/// What one turn of one knob ends, one turn is found for, or something as cheap.
class OneTurnTest {
    /// How many knobs are turned wrong in each evening; more at night.
    private static final int TURNS = Integer.getInteger("rivulus.turns", 3);

    static List<String> evenings() {
        return Demo.some(DemoShows.all().keySet());
    }

    @ParameterizedTest
    @MethodSource("evenings")
    void whatOneWrongTurnOfAKnobDoesIsEndedAsCheaplyAsByTryingAllKnobs(String name) {
        Show show = name.equals(DemoShows.LANTERN_HOUR) ? Demo.lanternMended() : Demo.show(name);
        Proof good = Demo.PROVER.prove(show);
        Set<Finding.Key> known = new HashSet<>();
        for (Finding finding : good.heard()) known.add(finding.key());
        Random random = new Random(name.hashCode());
        List<KnobUse> knobs = good.graph().knobs();
        for (int turn = 0; turn < TURNS; turn++) {
            KnobUse use = knobs.get(random.nextInt(knobs.size()));
            List<Setting> ways = OneTurn.ways(use.knob());
            Setting to = ways.get(random.nextInt(ways.size()));
            Proof wrong = Demo.PROVER.prove(show.withKnob(use.ref(), to), good);
            for (Trouble trouble : Trouble.of(wrong))
                if (!trouble.first().isOfTheRig()
                        && trouble.severity().isSerious()
                        && trouble.findings().stream().noneMatch(f -> known.contains(f.key())))
                    isFound(wrong, trouble, "%s to %s".formatted(use.words(), use.say(to)));
        }
    }

    private static void isFound(Proof wrong, Trouble trouble, String turn) {
        Cures found = Remedies.of(Demo.PROVER, wrong, trouble, 5);
        int best = found.all().stream().mapToInt(Remedy::effort).min().orElse(Integer.MAX_VALUE);
        if (best == 1) return;
        if (!Rules.of(trouble.first()).isLeastAsked()) {
            assertThat(found.all()).as(turn).isNotEmpty().noneMatch(Remedy::least);
            return;
        }
        assertThat(OneTurn.all(wrong, trouble, best))
                .as("%s: %s", turn, trouble.headline())
                .noneMatch(cure -> isOneToTake(cure, trouble));
    }

    /// Nobody drowns what they hear twice, or ends a howl by no longer listening to it.
    private static boolean isOneToTake(OneTurn.Cure cure, Trouble trouble) {
        Finding first = trouble.first();
        boolean louder = cure.to() instanceof Setting.Level(double db) && db > 0;
        return switch (first.rule()) {
            case "missing", "balance" -> true;
            case "loop" ->
                    !louder
                            && first.evidence().ways().stream()
                                    .flatMap(way -> way.legs().stream())
                                    .flatMap(leg -> leg.governors().stream())
                                    .anyMatch(
                                            govern ->
                                                    first.live()
                                                            .graph()
                                                            .knobs()
                                                            .get(govern.knob())
                                                            .ref()
                                                            .equals(cure.knob()));
            default -> !louder;
        };
    }

    @ParameterizedTest
    @MethodSource("evenings")
    void whatIsWrongInAnEveningIsEndedAsCheaplyAsByTryingAllKnobs(String name) {
        Proof proof = Demo.PROVER.prove(Demo.show(name));
        for (Trouble trouble : Trouble.of(proof))
            if (!trouble.first().isOfTheRig()) isFound(proof, trouble, "as first built");
    }
}
