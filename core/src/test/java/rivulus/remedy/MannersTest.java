package rivulus.remedy;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import rivulus.check.Demo;
import rivulus.check.Proof;
import rivulus.check.Trouble;
import rivulus.file.DemoShows;
import rivulus.gear.Setting;
import rivulus.say.Page;
import rivulus.show.Ref;
import rivulus.show.Show;

/// Cures are what a person would do: what nobody does without need is offered only where nothing
/// else will do, and said then.
class MannersTest {
    private static Proof proof(String name) {
        return Demo.PROVER.prove(Demo.show(name));
    }

    private static List<Remedy> cures(Proof proof, String trouble) {
        Trouble one =
                Trouble.of(proof).stream()
                        .filter(t -> t.first().id().equals(trouble))
                        .findFirst()
                        .orElseThrow();
        return Remedies.of(Demo.PROVER, proof, one, 3).all();
    }

    /// No cure picks a computer's own microphone or loudspeakers, unless it says
    /// what that does.
    @ParameterizedTest
    @ValueSource(strings = {"round-table", "lute-evening", "choir-night", "lute-lesson"})
    void whatComesByABuiltInMicrophoneIsSaid(String name) {
        Proof proof = proof(name);
        for (Trouble trouble : Trouble.of(proof))
            if (trouble.severity().isSerious() && !trouble.first().isOfTheRig())
                for (Remedy cure : Remedies.of(Demo.PROVER, proof, trouble, 3).all())
                    if (cure.sentence().contains("to built-in"))
                        assertThat(cure.price().getFirst())
                                .containsAnyOf("hears the whole room", "heard by every microphone");
    }

    /// Film and callers stay on faders of their own: the feed is picked by hand instead.
    @Test
    void nothingIsPutOnTheFaderOfSomethingElse() {
        List<Remedy> cures = cures(proof("tide-watch"), "leak/nadia/harbour-film");
        assertThat(cures).isNotEmpty();
        assertThat(cures)
                .flatExtracting(Remedy::turns)
                .noneMatch(turn -> turn.knob().equals(Ref.of("film/plays-to")));
        assertThat(cures.getFirst().turns())
                .anyMatch(turn -> turn.knob().equals(Ref.of("desk/usb1chat.feed")));
    }

    /// Licensed music that must not stay is turned off, and not to −51 dB.
    @Test
    void whatIsOffInAllButNameIsOff() {
        List<Remedy> cures = cures(proof("quay-market"), "leak/copy/music-bed");
        assertThat(cures.getFirst().turns())
                .extracting(turn -> turn.to())
                .containsExactly(Setting.Level.OFF);
    }

    /// A gain that clips is turned to where *Levels* says it should stand.
    @Test
    void aGainThatClipsGoesWhereLevelsSaysItShould() {
        Show loud =
                Demo.show("harbour-radio-repaired")
                        .withKnob(Ref.of("desk/mic1.gain"), new Setting.Level(14));
        Proof proof = Demo.PROVER.prove(loud);
        Setting should =
                proof.gains().stream()
                        .filter(gain -> gain.knob().equals(Ref.of("desk/mic1.gain")))
                        .findFirst()
                        .orElseThrow()
                        .turn()
                        .orElseThrow()
                        .to();
        List<Setting> turned = new ArrayList<>();
        for (Trouble trouble : Trouble.of(proof))
            if (trouble.first().id().equals("clipping/nadia/maren/desk/strip.mic1.pre"))
                Remedies.of(Demo.PROVER, proof, trouble, 3)
                        .first()
                        .orElseThrow()
                        .turns()
                        .forEach(turn -> turned.add(turn.to()));
        assertThat(turned).containsExactly(should);
    }

    /// A cure that takes something in some scenes alone says in which.
    @Test
    void anEffectSaysInWhichScene() {
        Proof proof = proof(DemoShows.LANTERN_HOUR);
        List<Remedy> all = new ArrayList<>();
        for (Trouble trouble : Trouble.of(proof))
            if (trouble.severity().isSerious() && !trouble.first().isOfTheRig())
                all.addAll(Remedies.of(Demo.PROVER, proof, trouble, 2).all());
        assertThat(all)
                .flatExtracting(Remedy::effectsInWords)
                .anyMatch(words -> words.contains(" in Doors"));
    }

    /// A spare microphone is no missing lead where somebody is only muted.
    @Test
    void aKnobThatEndsItForNothingGoesBeforeALead() {
        Show show = Demo.show("harbour-radio-repaired");
        Show spare = Page.of("dynamic mic for Maren", show, Demo.PROVER.catalogue()).edit().after();
        Proof muted = Demo.PROVER.prove(Demo.turn(spare, "desk/mic1.mute", true));
        assertThat(cures(muted, "missing/stream/maren").getFirst().turns())
                .extracting(turn -> turn.knob())
                .containsExactly(Ref.of("desk/mic1.mute"));
    }

    /// Who listens nowhere yet is put where they belong: that is the first cure, and no lead.
    @ParameterizedTest
    @CsvSource({
        "harbour-radio-repaired, stream",
        "tide-watch-repaired, stream",
        "spring-lectures-repaired, house"
    })
    void whoListensNowhereIsPut(String name, String id) {
        Show whole = Demo.show(name);
        List<Ref> was = whole.ear(id).orElseThrow().at();
        Show nowhere =
                whole.withEars(
                        whole.ears().stream()
                                .map(ear -> ear.id().equals(id) ? ear.at(List.of()) : ear)
                                .toList());
        Proof proof = Demo.PROVER.prove(nowhere);
        Trouble trouble =
                Trouble.of(proof).stream()
                        .filter(t -> t.first().key().ear().equals(id))
                        .findFirst()
                        .orElseThrow();
        Remedy first = Remedies.of(Demo.PROVER, proof, trouble, 3).all().getFirst();
        assertThat(first.sentence()).startsWith("Let the " + id + " listen at ");
        assertThat(first.after().show().ear(id).orElseThrow().at()).isEqualTo(was);
    }
}
