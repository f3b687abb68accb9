package rivulus.remedy;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import rivulus.check.Demo;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.check.RigText;
import rivulus.check.Trouble;
import rivulus.disk.Extras;
import rivulus.gear.Setting;
import rivulus.say.Page;
import rivulus.search.Budget;
import rivulus.show.Ref;
import rivulus.show.Show;
import rivulus.show.Turn;
import rivulus.show.Wish;
import rivulus.show.WishChange;
import rivulus.signal.KnobUse;

class RemediesTest {
    private static Remedy best(Proof proof, Trouble trouble) {
        return Remedies.of(Demo.PROVER, proof, trouble, 3).all().getFirst();
    }

    @ParameterizedTest
    @ValueSource(strings = {"first-call", "lantern-hour", "archive-interviews", "language-cafe"})
    void everyFindingOfTheDemoWorldHasACureAndTakingTheBestOnesLeavesNothingWrong(String name) {
        Show show = Demo.show(name);
        Proof proof = Demo.PROVER.prove(show);
        for (int round = 0; round < 10 && !proof.heard().isEmpty(); round++) {
            Remedy cure = best(proof, Trouble.of(proof).getFirst());
            show = show.with(cure.turns());
            proof = Demo.PROVER.prove(show);
        }
        assertThat(proof.heard()).isEmpty();
    }

    @Test
    void theMasterBecomesTheMixMinusAndTheHeadphonesMoveToMixA() {
        Proof proof = Demo.PROVER.prove(Demo.show("archive-interviews"));
        Remedy cure = best(proof, Trouble.of(proof).getFirst());
        assertThat(cure.turns())
                .extracting(turn -> turn.knob() + " " + turn.to().word())
                .containsExactlyInAnyOrder(
                        "mixer/usb.fader off",
                        "mixer/a.usb 0",
                        "mixer/phones1.source a",
                        "mixer/phones2.source a");
        assertThat(cure.effects())
                .extracting(Effect::words)
                .contains("Edda no longer hears herself");
        assertThat(
                        cure.after()
                                .scene("interview")
                                .orElseThrow()
                                .of("track-edda", "edda")
                                .hearing()
                                .levelDb())
                .as("tracks are taken before the fader")
                .isGreaterThan(-1);
    }

    @Test
    void thePriceOfACureIsSaid() {
        Proof proof = Demo.PROVER.prove(Demo.show("language-cafe"));
        Trouble late = Trouble.of(proof).getFirst();
        Remedy cure = best(proof, late);
        assertThat(cure.sentence())
                .isEqualTo(
                        "Set Show desk · headphones 1 feed to picked by hand and Show desk · headphones 1 pick of MIC 1"
                                + " to off.");
        assertThat(cure.effects())
                .extracting(Effect::words)
                .containsOnly("Sunniva no longer hears herself");
    }

    @Test
    void aClipGoesIntoTheCallByTheComputersOtherPair() {
        Proof proof = Demo.PROVER.prove(Demo.show("language-cafe"));
        Trouble missing = Trouble.of(proof).getLast();
        assertThat(best(proof, missing).sentence())
                .as("and not through the clean-up, which would eat it")
                .isEqualTo(
                        "Set Call program · untouched sound to on and Clip player · output to Show desk USB 1 programme.");
    }

    @Test
    void whoIsFaintInAnothersMicrophoneIsGivenAWayOfTheirOwn() {
        Proof proof = Demo.PROVER.prove(Demo.show("round-table"));
        Trouble faint =
                Trouble.of(proof).stream()
                        .filter(trouble -> trouble.first().rule().equals("missing"))
                        .findFirst()
                        .orElseThrow();
        assertThat(faint.first().sentence()).contains("hears Sunniva only faintly");
        assertThat(best(proof, faint).turns())
                .as("by an input that is free, or follows what the computer hears by default")
                .extracting(turn -> turn.knob() + " " + turn.to().word())
                .hasSize(1)
                .allMatch(
                        turn ->
                                turn.matches(
                                        "(mixer/in[34]\\.of|tower/default-input) sunniva-mic/mic"));
    }

    /// What the rules think of for each, together.
    @Test
    void whereTheBudgetRanOutWhatTheRulesThinkOfIsTried() {
        Proof proof = Demo.PROVER.prove(Demo.show("harvest-concert"));
        Trouble lobby =
                Trouble.of(proof).stream()
                        .filter(trouble -> trouble.headline().startsWith("The lobby does not"))
                        .findFirst()
                        .orElseThrow();
        Cures cures = Remedies.of(Demo.PROVER, proof, lobby, 1, Budget.of(0), _ -> {});
        assertThat(cures.all()).singleElement().matches(cure -> !cure.least());
        assertThat(cures.all().getFirst().after().findings())
                .noneMatch(finding -> finding.rule().equals("missing"));
    }

    @Test
    void aKnobThatASceneHasSetItselfIsTurnedThere() {
        Ref pick = Ref.of("desk/phones3.pick.phone");
        Show show =
                Demo.lanternMended().withScene("call-in", s -> s.withKnob(pick, Setting.Level.OFF));
        Proof proof = Demo.PROVER.prove(show);
        Trouble trouble = Trouble.of(proof).getFirst();
        assertThat(trouble.scenes()).containsExactly("Call-in");
        assertThat(best(proof, trouble).turns())
                .singleElement()
                .satisfies(
                        turn -> {
                            assertThat(turn.knob()).isEqualTo(pick);
                            assertThat(turn.scene()).contains("call-in");
                        });
    }

    @Test
    void aCureNeverWeakensWhatMustBeHeard() {
        Proof proof = Demo.PROVER.prove(Demo.show("first-call"));
        Finding echo = proof.heard().getFirst();
        List<Remedy> cures = Remedies.of(Demo.PROVER, proof, echo, 5).all();
        assertThat(cures)
                .isNotEmpty()
                .allSatisfy(
                        cure ->
                                assertThat(
                                                cure.after()
                                                        .scenes()
                                                        .getFirst()
                                                        .of("nadia", "maren")
                                                        .hearing()
                                                        .levelDb())
                                        .isGreaterThan(-6.5));
        assertThat(cures)
                .extracting(Remedy::sentence)
                .noneMatch(s -> s.contains("built-in microphone"));
    }

    @Test
    void aHowlIsCuredByTurningOneLevelDownByWhatIsLacking() {
        Show show = Demo.howling();
        Proof proof = Demo.PROVER.prove(show);
        Trouble howl = Trouble.of(proof).getFirst();
        assertThat(howl.first().rule()).isEqualTo("loop");
        double margin = howl.first().figures().get("marginDb");
        assertThat(margin).isNegative();
        List<Remedy> cures = Remedies.of(Demo.PROVER, proof, howl, 3).all();
        assertThat(cures.getFirst().turns())
                .as("the gain that stands 30 dB up")
                .containsExactly(
                        new Turn(
                                Ref.of("desk/mic1.gain"),
                                new Setting.Level(30),
                                new Setting.Level(0),
                                Optional.empty()));
        Remedy cure = cures.get(1);
        assertThat(cure.turns())
                .singleElement()
                .satisfies(
                        turn -> {
                            double lower =
                                    ((Setting.Level) turn.from()).db()
                                            - ((Setting.Level) turn.to()).db();
                            assertThat(lower).isGreaterThanOrEqualTo(Math.ceil(-margin));
                            Show less =
                                    show.withKnob(
                                            turn.knob(),
                                            new Setting.Level(
                                                    ((Setting.Level) turn.to()).db() + 1));
                            assertThat(Demo.PROVER.prove(less).findings())
                                    .as("a decibel less would not do")
                                    .anyMatch(f -> f.rule().equals("loop"));
                        });
        assertThat(cure.after().findings()).noneMatch(f -> f.rule().equals("loop"));
    }

    /// The pick of the stream stands 5 dB up, and the fader before it feeds everybody else too.
    @Test
    void whatIsUnevenAtOneEarIsNotMadeUnevenAtOthers() {
        Show lantern = Demo.lanternMended();
        Ref pick = new Ref("desk", "usb2.pick.mic1");
        Proof wrong = Demo.PROVER.prove(lantern.withKnob(pick, new Setting.Level(5.2)));
        Trouble uneven =
                Trouble.of(wrong).stream()
                        .filter(t -> t.ear().isPresent())
                        .findFirst()
                        .orElseThrow();
        assertThat(uneven.first().id()).isEqualTo("uneven/stream");
        List<Remedy> cures = Remedies.of(Demo.PROVER, wrong, uneven, 3).all();
        assertThat(cures).isNotEmpty();
        for (Remedy cure : cures)
            assertThat(Demo.PROVER.prove(cure.change().after()).heard())
                    .as(cure.sentence())
                    .noneMatch(left -> left.rule().equals("uneven"));
    }

    /// What speaks against a turn speaks against that turn, not for others beside it: the pick
    /// alone is turned back.
    @ParameterizedTest
    @ValueSource(doubles = {-7.3, 5.2})
    void aPickThatStandsWrongIsTurnedBackByItself(double db) {
        Ref pick = new Ref("desk", "usb2.pick.phone");
        Proof wrong = Demo.PROVER.prove(Demo.lanternMended().withKnob(pick, new Setting.Level(db)));
        Trouble uneven =
                Trouble.of(wrong).stream()
                        .filter(t -> t.ear().isPresent())
                        .findFirst()
                        .orElseThrow();
        Remedy cure = best(wrong, uneven);
        assertThat(cure.turns()).extracting(Turn::knob).containsExactly(pick);
        assertThat(cure.price()).isEmpty();
    }

    /// A voice that clips at one output may be turned there, or for everybody: then it is too soft
    /// elsewhere, which is told as the price, and comes last.
    @Test
    void whatACureBringsIsItsPriceAndComesAfterWhatBringsNothing() {
        Proof wrong =
                Demo.PROVER.prove(
                        Demo.lanternMended()
                                .withKnob(
                                        new Ref("desk", "usb2.pick.mic1"), new Setting.Level(10)));
        Trouble clips =
                Trouble.of(wrong).stream()
                        .filter(t -> t.first().rule().equals("clipping"))
                        .findFirst()
                        .orElseThrow();
        List<Remedy> cures = Remedies.of(Demo.PROVER, wrong, clips, 3).all();
        assertThat(cures.getFirst().brings()).isEmpty();
        Remedy last = cures.getLast();
        assertThat(last.brings()).isNotEmpty().allMatch(words -> words.contains("softer than"));
        assertThat(last.price()).containsAll(last.brings());
    }

    @Test
    void whoRestsInOneSceneIsMutedThereAndHeardInTheOthers() {
        Show show = Demo.lanternMended();
        Show rests = show.withScene("call-in", scene -> scene.resting(List.of("music-bed", "ivo")));
        Proof proof = Demo.PROVER.prove(rests);
        Finding leak =
                proof.heard().stream()
                        .filter(finding -> finding.id().equals("leak/stream/ivo"))
                        .findFirst()
                        .orElseThrow();
        Remedy remedy = Remedies.of(Demo.PROVER, proof, leak, 3).all().getFirst();
        assertThat(remedy.sentence()).endsWith(" in Call-in.");
        assertThat(remedy.turns())
                .isNotEmpty()
                .allSatisfy(turn -> assertThat(turn.scene()).contains("call-in"));
        Proof after = remedy.after();
        assertThat(after.scene("call-in").orElseThrow().of("stream", "ivo").hearing().levelDb())
                .isLessThan(-30);
        assertThat(after.scene("tales").orElseThrow().of("stream", "ivo").hearing().levelDb())
                .isGreaterThan(-6);
    }

    @Test
    void aSearchThatIsNoLongerWantedEndsAtOnce() {
        Proof proof = Demo.PROVER.prove(Demo.show("lantern-hour"));
        assertThat(
                        Remedies.of(
                                        Demo.PROVER,
                                        proof,
                                        Trouble.of(proof).getFirst(),
                                        3,
                                        Budget.usual().stoppedBy(() -> true),
                                        _ -> {})
                                .all())
                .isEmpty();
    }

    @Test
    void theFirstIsProvenLeastAndToldBeforeTheOthers() {
        Proof proof = Demo.PROVER.prove(Demo.show("lantern-hour"));
        Trouble echo =
                Trouble.of(proof).stream()
                        .filter(trouble -> trouble.first().rule().equals("echo"))
                        .findFirst()
                        .orElseThrow();
        List<Remedy> first = new ArrayList<>();
        Cures cures = Remedies.of(Demo.PROVER, proof, echo, 3, Budget.usual(), first::add);
        assertThat(first).hasSize(1);
        assertThat(first.getFirst().effort()).isEqualTo(cures.all().getFirst().effort());
        assertThat(cures.all().getFirst().least()).isTrue();
        assertThat(cures.all().getFirst().sentence())
                .isEqualTo("Set Show desk · USB 1 call feed to mix-minus.");
        for (Remedy dearer : cures.all())
            assertThat(dearer.least())
                    .isEqualTo(dearer.effort() == cures.all().getFirst().effort());
    }

    /// The Doorstep Talks as first built: the tablet has one pick for the call, and what Maren and
    /// Ivo hear of it they hear of each other, too.
    @Test
    void whatCannotAllBeHadIsToldAndEveryOneOfItIsNeeded() {
        Show show = Demo.show("doorstep-talks");
        Proof proof = Demo.PROVER.prove(show);
        Trouble missing =
                Trouble.of(proof).stream()
                        .filter(trouble -> trouble.headline().equals("Ivo does not hear Nadia"))
                        .findFirst()
                        .orElseThrow();
        Cures none = Remedies.of(Demo.PROVER, proof, missing, 3);
        assertThat(none.isEmpty()).isTrue();
        assertThat(none.complete()).isTrue();
        assertThat(none.clash())
                .contains("Ivo hears Nadia", "Maren hears Nadia", "Maren hears Ivo once");
        assertThat(none.words()).startsWith("These three cannot all be had with this gear: ");
        // one of them given up, the others can be had
        Show givenUp =
                show.with(
                        new WishChange(
                                "maren",
                                "nadia",
                                "",
                                Wish.MAY,
                                "she is told what was said",
                                Extras.NONE));
        Proof without = Demo.PROVER.prove(givenUp);
        Trouble same =
                Trouble.of(without).stream()
                        .filter(trouble -> trouble.headline().equals("Ivo does not hear Nadia"))
                        .findFirst()
                        .orElseThrow();
        assertThat(Remedies.of(Demo.PROVER, without, same, 3).all())
                .anyMatch(remedy -> !remedy.turns().isEmpty());
    }

    /// A cough key that fails for the stream is no reason against unmuting: with the key down it
    /// does not fail.
    @Test
    void aKeyThatIsDownDoesNotFailWhenItIsPressed() {
        Proof muted =
                Demo.PROVER.prove(Demo.turn(Demo.show("lantern-hour"), "desk/mic1.mute", true));
        Trouble missing =
                Trouble.of(muted).stream()
                        .filter(trouble -> trouble.headline().equals("Bram does not hear Maren"))
                        .findFirst()
                        .orElseThrow();
        assertThat(best(muted, missing).effort()).isLessThanOrEqualTo(2);
    }

    @Test
    void aLeadThatNeedsAKnobTurnedComesWithTheTurn() {
        Show said =
                Page.of(
                                """
                                Maren, host, Reading Room, she
                                show desk
                                mic for Maren
                                Maren's mic > Show desk
                                headphones for Maren
                                Show desk > headphones
                                Film box, set-top box
                                Film, clip, Film box
                                """,
                                Show.untitled(),
                                Demo.PROVER.catalogue())
                        .edit()
                        .after();
        Show picked = Demo.choose(said, "show-desk/phones1.feed", "custom");
        for (KnobUse knob : Demo.PROVER.prove(said).graph().knobsOf("show-desk"))
            if (knob.ref().name().startsWith("phones1.pick"))
                picked = picked.withKnob(knob.ref(), Setting.Level.OFF);
        Show heard = Demo.level(picked, "show-desk/phones1.pick.mic1", 0);
        Proof proof = Demo.PROVER.prove(heard);
        Trouble missing =
                Trouble.of(proof).stream()
                        .filter(t -> t.headline().equals("Maren does not hear the film"))
                        .findFirst()
                        .orElseThrow();
        Remedy cure = best(proof, missing);
        assertThat(cure.sentence())
                .startsWith("Join Film box, ")
                .contains(" Set Show desk · headphones 1 pick of ");
        assertThat(Demo.PROVER.prove(cure.change().after()).heard()).isEmpty();
    }

    @Test
    void whatAProgramPlaysIsHeardOnceItsComputerIsJoined() {
        Proof proof = Demo.PROVER.prove(RigText.show(TABLET.replace(" tablet @", " laptop @")));
        assertThat(missing(proof).sentence()).startsWith("Join tablet, ");
    }

    /// The mixer draws 450 mA, and the tablet gives 300.
    @Test
    void aLeadThatWouldNotFeedWhatHangsOnItComesWithWhatDoes() {
        Proof proof = Demo.PROVER.prove(RigText.show(TABLET));
        Remedy remedy = missing(proof);
        assertThat(remedy.sentence()).startsWith("Join tablet, USB → mixer, USB");
        assertThat(remedy.change().after().rig().devices())
                .as("something that feeds it comes along")
                .hasSizeGreaterThan(proof.show().rig().devices().size());
        assertThat(remedy.after().heard()).isEmpty();
        assertThat(remedy.least()).as("the best that was found, not proven least").isFalse();
    }

    private static final String TABLET =
            """
            place hall
            person maren host hall
            near maren mic
            plays tune music player/player
            ear house house mixer/lineout.out
            mic dynamic-mic @hall
            mixer streaming-mixer @hall
            tablet tablet @hall
            player player on:tablet
            mic/out mixer/mic 5
            """;

    private static Remedy missing(Proof proof) {
        Finding missing =
                proof.heard().stream()
                        .filter(finding -> finding.id().equals("missing/house/tune"))
                        .findFirst()
                        .orElseThrow();
        return Remedies.of(Demo.PROVER, proof, missing, 3).all().getFirst();
    }
}
