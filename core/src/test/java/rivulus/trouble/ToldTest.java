package rivulus.trouble;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import rivulus.check.Demo;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.check.Trouble;
import rivulus.file.DemoShows;
import rivulus.gear.Setting;
import rivulus.remedy.Cures;
import rivulus.remedy.Remedies;
import rivulus.remedy.Remedy;
import rivulus.search.Budget;
import rivulus.show.Ref;
import rivulus.show.Show;

/// No finding, no danger: whatever single thing is otherwise in a sound show, and is heard by the
/// public, a caller or on a track, is a problem that is told.
class ToldTest {
    private static final boolean NIGHT = Boolean.getBoolean("rivulus.night");
    private static final int BY_DAY = 12;
    private static final int CURED_BY_DAY = 96;
    private static final int CURED_BY_NIGHT = 6;

    static List<String> evenings() {
        return DemoShows.all().keySet().stream().filter(n -> n.endsWith("-repaired")).toList();
    }

    static List<String> some() {
        return Demo.some(evenings());
    }

    @ParameterizedTest
    @MethodSource("evenings")
    void whateverIsOtherwiseAndHeardIsTold(String name) {
        Told told = new Told(Demo.show(name));
        assertThat(told.proof().findings()).noneMatch(finding -> finding.severity().isSerious());
        untold(told, evenings().indexOf(name));
    }

    /// The same of shows that nobody wrote: repaired ones with three things otherwise that are no
    /// fault.
    @ParameterizedTest
    @MethodSource("some")
    void inShowsAtRandomToo(String name) {
        int seed = evenings().indexOf(name);
        Random random = new Random(seed);
        Told told = new Told(Demo.show(name));
        for (int turns = 0; turns < 3; turns++) {
            List<Told.Break> breaks = told.breaks();
            for (int tried = 0; tried < 20; tried++) {
                Told.Outcome outcome = told.outcome(breaks.get(random.nextInt(breaks.size())));
                if (!outcome.altered().isEmpty() || !outcome.told().isEmpty()) continue;
                told = new Told(outcome.broken().show());
                break;
            }
        }
        untold(told, seed);
    }

    private static void untold(Told told, int seed) {
        List<Told.Break> breaks = told.breaks();
        List<String> untold = new ArrayList<>();
        List<String> uncured = new ArrayList<>();
        int cures = 0;
        for (int at = 0; at < breaks.size(); at++) {
            if (!NIGHT && (at + seed) % BY_DAY != 0) continue;
            Told.Outcome outcome = told.outcome(breaks.get(at));
            if (outcome.altered().isEmpty()) continue;
            if (outcome.told().isEmpty() || !outcome.isNamed()) untold.add(outcome.toString());
            if ((at + seed) % (NIGHT ? CURED_BY_NIGHT : CURED_BY_DAY) != 0) continue;
            cures++;
            if (told.cures(outcome).isEmpty()) uncured.add(outcome.toString());
        }
        assertThat(untold).isEmpty();
        assertThat(uncured).hasSizeLessThanOrEqualTo(1 + cures / 5);
    }

    private static Proof with(Show show, String knob, Setting to) {
        return Demo.PROVER.prove(show.withKnob(Ref.of(knob), to));
    }

    private static List<String> told(Proof proof, String rule) {
        return proof.findings().stream()
                .filter(finding -> finding.severity().isSerious())
                .filter(finding -> finding.rule().equals(rule))
                .map(Finding::headline)
                .toList();
    }

    private static List<String> cures(Proof proof, String rule) {
        Trouble trouble =
                Trouble.of(proof).stream()
                        .filter(one -> one.first().rule().equals(rule))
                        .findFirst()
                        .orElseThrow();
        Cures cures = Remedies.of(Demo.PROVER, proof, trouble, 3, Budget.usual(), _ -> {});
        return cures.stream().map(Remedy::sentence).toList();
    }

    /// By hand: a stream's one input turned down takes it as a whole, and back up mends it.
    @Test
    void aWholeStreamThatIsSoftIsToldAndTurnedUp() {
        Proof soft =
                with(Demo.lanternMended(), "stream-program/input1.level", new Setting.Level(-12));
        assertThat(told(soft, "soft")).anyMatch(words -> words.startsWith("The stream is 12"));
        assertThat(cures(soft, "soft").getFirst()).contains("input 1 level", "0.0");
    }

    @Test
    void whatIsPickedTwiceIsToldAndTheSecondPickGoes() {
        Show show = Demo.show("lute-evening-repaired");
        for (String pick : List.of("interface/main", "default")) {
            Proof twice = with(show, "streaming/input2.of", new Setting.Choice(pick));
            assertThat(told(twice, "picked-twice"))
                    .containsExactly(
                            "The stream hears Interface, USB twice over: sound input 1 and sound input 2 of Streaming program both take it");
            assertThat(cures(twice, "picked-twice").getFirst())
                    .isEqualTo("Set Streaming program · sound input 2 device to nothing.");
        }
    }

    @Test
    void aVoiceOnOneSideIsToldAndComesToBoth() {
        Proof left =
                with(
                        Demo.show("lute-evening-repaired"),
                        "streaming/input1.mono",
                        new Setting.Switch(false));
        assertThat(told(left, "one-side"))
                .containsExactly("The stream hears Ivo on the left side only");
        assertThat(cures(left, "one-side").getFirst())
                .isEqualTo("Set Streaming program · sound input 1 mono to on.");
    }

    @Test
    void aComputersOwnMicrophoneInPlaceOfTheDeskIsToldAndPutBack() {
        Proof own =
                with(
                        Demo.show("choir-night-repaired"),
                        "streaming/input1.of",
                        new Setting.Choice("laptop/microphone"));
        assertThat(told(own, "other-mic"))
                .contains(
                        "The stream hears Maren by the built-in microphone of Stream laptop, not by Maren's mic");
        assertThat(cures(own, "other-mic"))
                .containsExactly("Set Streaming program · sound input 1 device to line in.");
    }

    /// A lead that is out is laid again before any knob is turned for it.
    @ParameterizedTest
    @CsvSource({
        "language-cafe-repaired, c3, USB 1",
        "lute-lesson-repaired, c02, USB",
        "twin-tables-repaired, c02, USB",
        "harbour-hotline-repaired, c04, PHONE",
        "choir-night-repaired, c05, line in"
    })
    void aLeadThatIsOutIsLaidAgain(String name, String lead, String port) {
        Show show = Demo.show(name);
        Show without =
                show.withRig(
                        show.rig()
                                .without(
                                        show.rig().cables().stream()
                                                .filter(cable -> cable.id().equals(lead))
                                                .findFirst()
                                                .orElseThrow()));
        Proof out = Demo.PROVER.prove(without);
        assertThat(cures(out, "missing").getFirst()).startsWith("Join ").contains(port);
    }
}
