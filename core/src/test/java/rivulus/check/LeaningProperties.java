package rivulus.check;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.ShrinkingMode;
import rivulus.disk.Extras;
import rivulus.file.DemoShows;
import rivulus.gear.Knob;
import rivulus.gear.Setting;
import rivulus.show.Scene;
import rivulus.show.Show;
import rivulus.show.Wish;
import rivulus.show.WishChange;
import rivulus.signal.KnobUse;

/// What a proof takes over from an earlier one, or from its own first scene, is what it would have
/// found from nothing: word for word, figure for figure, in the same order.
class LeaningProperties {
    private static final int EDITS = 3;

    @Property(shrinking = ShrinkingMode.OFF)
    void afterAnyEditsAProofSaysWhatOneFromNothingSays(@ForAll long seed) {
        Random random = new Random(seed);
        List<String> names = List.copyOf(DemoShows.all().keySet());
        Show show = Demo.show(names.get(random.nextInt(names.size())));
        Proof proof = Demo.PROVER.prove(show);
        told(proof);
        for (int i = 0; i < EDITS; i++) {
            show = edited(show, proof, random);
            proof = Demo.PROVER.prove(show, proof);
            assertThat(told(proof)).as("edit %d", i).isEqualTo(told(Demo.PROVER.prove(show)));
        }
    }

    /// Something is turned, asked for, rests or lasts otherwise.
    private static Show edited(Show show, Proof proof, Random random) {
        Scene scene = any(show.scenes(), random);
        return switch (random.nextInt(6)) {
            case 0 -> {
                String ear = any(show.ears(), random).id();
                String source = any(show.sources(), random).id();
                String in = random.nextBoolean() ? scene.id() : "";
                Wish wish = any(List.of(Wish.values()), random);
                yield show.with(new WishChange(ear, source, in, wish, "", Extras.NONE));
            }
            case 1 ->
                    show.withScene(
                            scene.id(),
                            s ->
                                    new Scene(
                                            s.id(),
                                            s.name(),
                                            List.of(any(show.sources(), random).id()),
                                            s.minutes(),
                                            s.knobs(),
                                            s.extras()));
            case 2 ->
                    show.withScene(
                            scene.id(),
                            s ->
                                    new Scene(
                                            s.id(),
                                            s.name(),
                                            s.quiet(),
                                            1 + random.nextInt(600),
                                            s.knobs(),
                                            s.extras()));
            default -> {
                KnobUse use = any(proof.graph().knobs(), random);
                Setting to = setting(use.knob(), random);
                yield random.nextInt(3) > 0
                        ? show.withKnob(use.ref(), to)
                        : show.withScene(scene.id(), s -> s.withKnob(use.ref(), to));
            }
        };
    }

    private static Setting setting(Knob knob, Random random) {
        return switch (knob) {
            case Knob.Level level ->
                    random.nextInt(3) == 0 && level.closes()
                            ? Setting.Level.OFF
                            : new Setting.Level(
                                    level.minDb()
                                            + random.nextInt(
                                                    1 + (int) (level.maxDb() - level.minDb())));
            case Knob.Time time -> new Setting.Time(time.maxMs() * random.nextDouble());
            case Knob.Switch _ -> new Setting.Switch(random.nextBoolean());
            case Knob.Choice choice -> new Setting.Choice(any(choice.options(), random).id());
        };
    }

    private static <T> T any(List<T> all, Random random) {
        return all.get(random.nextInt(all.size()));
    }

    private static List<String> told(Proof proof) {
        List<String> told = new ArrayList<>();
        for (Finding finding : proof.findings())
            told.add(
                    "%s %s %s %s %s"
                            .formatted(
                                    finding.key(),
                                    finding.severity(),
                                    finding.headline(),
                                    finding.figures(),
                                    finding.knobs()));
        return told;
    }
}
