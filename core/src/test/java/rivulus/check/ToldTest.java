package rivulus.check;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import rivulus.file.DemoShows;
import rivulus.gear.Knob;
import rivulus.gear.Setting;
import rivulus.remedy.Cures;
import rivulus.remedy.Remedies;
import rivulus.search.Budget;
import rivulus.show.Ear;
import rivulus.show.Person;
import rivulus.show.Ref;
import rivulus.show.Scene;
import rivulus.show.Show;
import rivulus.show.Turn;
import rivulus.show.Wish;
import rivulus.signal.KnobUse;
import rivulus.signal.SignalGraph;

/// Nothing audible goes untold: in repaired evenings every level is turned down by itself, and
/// whatever voice that takes from a stream, a track or a caller is a problem that names who hears
/// it.
class ToldTest {
    private static final double DOWN_DB = 19;
    private static final double AUDIBLE_DB = 6;

    /// By day some, by night all.
    static List<String> evenings() {
        List<String> all =
                DemoShows.all().keySet().stream().filter(n -> n.endsWith("-repaired")).toList();
        if (Boolean.getBoolean("rivulus.night")) return all;
        return all.stream().filter(name -> all.indexOf(name) % 4 == 0).toList();
    }

    private static boolean counts(Show show, Ear ear) {
        return switch (ear.kind()) {
            case STREAM, ON_DEMAND, SECOND_LANGUAGE, TRACK -> true;
            case PERSON -> show.cast().person(ear.of()).filter(Person::isCaller).isPresent();
            case HOUSE, ASSISTIVE, CAMERA -> false;
        };
    }

    /// Turned down wherever it is turned.
    private static Show turned(Show show, Ref knob, Setting from, Setting to) {
        Show after = show.withKnob(knob, to);
        for (Scene scene : show.scenes())
            if (show.turnedIn(scene.id(), knob).isPresent())
                after = after.with(new Turn(knob, from, to, Optional.of(scene.id())));
        return after;
    }

    private static boolean takesAVoice(Proof before, Proof after) {
        Show show = before.show();
        for (SceneProof scene : after.scenes())
            for (Ear ear : show.ears())
                if (counts(show, ear))
                    for (SceneProof.Heard cell : scene.of(ear.id())) {
                        boolean meant =
                                cell.source() instanceof Person
                                        && cell.standing().wish() == Wish.MUST
                                        && !scene.scene().quiet().contains(cell.source().id());
                        double was =
                                before.scene(scene.scene().id())
                                        .orElseThrow()
                                        .of(ear.id(), cell.source().id())
                                        .hearing()
                                        .levelDb();
                        if (meant && cell.hearing().levelDb() < was - AUDIBLE_DB) return true;
                    }
        return false;
    }

    @ParameterizedTest
    @MethodSource("evenings")
    void aVoiceThatIsTurnedDownIsTold(String name) {
        Show show = Demo.show(name);
        Proof before = Demo.PROVER.prove(show);
        assertThat(before.findings()).noneMatch(finding -> finding.severity().isSerious());
        SignalGraph graph = before.graph();
        List<String> untold = new ArrayList<>();
        for (int k = 0; k < graph.knobs().size(); k++) {
            KnobUse use = graph.knobs().get(k);
            Setting stands = before.scenes().getFirst().tracer().live().positions().get(k);
            if (!(use.knob() instanceof Knob.Level level)
                    || !(stands instanceof Setting.Level now)
                    || now.isOff()) continue;
            Setting.Level to = level.nearest(now.db() - DOWN_DB);
            if (now.db() - to.db() < AUDIBLE_DB) continue;
            Proof after = Demo.PROVER.prove(turned(show, use.ref(), now, to), before);
            if (takesAVoice(before, after)
                    && after.findings().stream().noneMatch(f -> f.severity().isSerious()))
                untold.add(use.words());
        }
        assertThat(untold).isEmpty();
    }

    /// By hand: a stream's one input turned down takes it as a whole, and back up mends it.
    @Test
    void aWholeStreamThatIsSoftIsToldAndTurnedUp() {
        Show show = Demo.lanternMended();
        Ref level = Ref.of("stream-program/input1.level");
        Proof soft = Demo.PROVER.prove(show.withKnob(level, new Setting.Level(-12)));
        Trouble trouble =
                Trouble.of(soft).stream()
                        .filter(one -> one.first().rule().equals("soft"))
                        .filter(one -> one.first().key().ear().equals("stream"))
                        .findFirst()
                        .orElseThrow();
        assertThat(trouble.first().headline()).startsWith("The stream is 12");
        Cures cures = Remedies.of(Demo.PROVER, soft, trouble, 3, Budget.of(Budget.USUAL), _ -> {});
        assertThat(cures.stream().findFirst().orElseThrow().sentence())
                .contains("input 1 level", "0.0");
    }
}
