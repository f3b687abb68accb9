package rivulus.mix;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import rivulus.check.Demo;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.check.Verdict;
import rivulus.disk.Extras;
import rivulus.say.Page;
import rivulus.search.Budget;
import rivulus.show.Ear;
import rivulus.show.Habit;
import rivulus.show.Mix;
import rivulus.show.Ref;
import rivulus.show.Show;

/// Feeds found, told, and made to carry what they say.
class MixWritingTest {
    private static final Show LANTERN = Demo.show("lantern-hour");
    private static final Proof PROOF = Demo.PROVER.prove(LANTERN);
    private static final MixLanguage LANGUAGE = new MixLanguage(LANTERN.cast());
    private static final Ref CALL = Ref.of("desk/out.usb1chat");

    private static Feed feed(Proof proof, Ref at) {
        return Feeds.of(Demo.PROVER, proof).stream()
                .filter(feed -> feed.at().equals(at))
                .findFirst()
                .orElseThrow();
    }

    private static List<Mix.Step> steps(String sentence) {
        return ((MixLanguage.Says) LANGUAGE.read(sentence)).steps();
    }

    private static MixWriting.Written write(String sentence) {
        return new MixWriting(Demo.PROVER, Budget.of(MixWriting.STEPS))
                .one(PROOF, feed(PROOF, CALL), Optional.of(steps(sentence)));
    }

    private static List<Finding> drift(Proof proof) {
        return proof.heard().stream().filter(f -> f.rule().equals("mix")).toList();
    }

    /// What comes to the call, by the tracer, with all scenes' turns left out.
    private static List<String> inTheCall(Show show) {
        Proof proof =
                Demo.PROVER.prove(
                        show.withRundown(show.rundown().withScenes(Show.untitled().scenes())));
        var tracer = proof.scenes().getFirst().tracer();
        return show.sources().stream()
                .filter(s -> tracer.hearing("@" + CALL, s.id()).levelDb() > -20)
                .map(s -> s.id())
                .toList();
    }

    @Test
    void everyOutputWithAMixOfItsOwnIsAFeedAndNothingElse() {
        assertThat(Feeds.of(Demo.PROVER, PROOF))
                .extracting(feed -> feed.at().toString())
                .contains(
                        "desk/out.phones1",
                        "desk/out.usb1chat",
                        "desk/out.phone",
                        "stream-program/stream")
                .doesNotContain("desk/card.mic1", "desk/strip.mic1.post");
        Proof concert = Demo.PROVER.prove(Demo.show("harvest-concert"));
        assertThat(Feeds.points(concert.graph()))
                .extracting(Ref::toString)
                .contains("console/main", "console/x2")
                .noneMatch(at -> at.startsWith("console/group"));
    }

    /// Two callers in one call hear each other there, so that the feed to it leaves out both and
    /// nobody is torn.
    @Test
    void whatIsHeardByTheCallItselfIsNotAskedOfItsFeed() {
        Show two =
                Page.of("Runa, caller, call program", LANTERN, Demo.PROVER.catalogue())
                        .edit()
                        .after();
        Feed call = feed(Demo.PROVER.prove(two), CALL);
        assertThat(call.listeners()).extracting(Ear::id).containsExactlyInAnyOrder("nadia", "runa");
        assertThat(call.torn()).isEmpty();
        assertThat(new MixLanguage(two.cast()).print(call.asked().orElseThrow()))
                .startsWith("everything but Nadia, Runa");
    }

    /// What is told of two ears, and of none in particular, is asked of the solver all the same.
    @ParameterizedTest
    @CsvSource({"spring-lectures, separate", "harvest-concert, house"})
    void mixesAreWrittenFromTheBriefWhereTheStreamIsLikedAnotherWay(String name, String way) {
        Show show = Demo.show(name);
        Show liked =
                show.withChecks(
                        show.checks().with(show.checks().habits().with(Habit.STREAM_MIX, way)));
        MixWriting.Written written =
                new MixWriting(Demo.PROVER, Budget.of(MixWriting.STEPS / 8))
                        .all(Demo.PROVER.prove(liked), _ -> {});
        assertThat(written.lines()).isNotEmpty();
    }

    @Test
    void aFeedKnowsWhoHearsItAtTheEndAndWhatTheBriefWouldAskFor() {
        Feed call = feed(PROOF, CALL);
        assertThat(call.listeners()).extracting(Ear::name).containsExactly("Nadia");
        assertThat(LANGUAGE.print(call.carries())).isEqualTo("everything");
        assertThat(call.asked().map(LANGUAGE::print)).contains("everything but Nadia");
        assertThat(call.state()).isEqualTo(Feed.State.UNSAID);
        // who wears headphones does not listen to the loudspeakers
        assertThat(feed(PROOF, Ref.of("desk/out.speakers")).listeners())
                .extracting(Ear::name)
                .containsExactly("House");
    }

    /// Guests of one call hear each other in it: the café's feed to it need not carry them.
    @Test
    void whoHearsTheOthersAnywayIsNotTorn() {
        Proof cafe = Demo.PROVER.prove(Demo.show("language-cafe"));
        Feed call = feed(cafe, CALL);
        assertThat(call.torn()).isEmpty();
        assertThat(new MixLanguage(cafe.show().cast()).print(call.asked().orElseThrow()))
                .isEqualTo("Sunniva, story clip");
    }

    @Test
    void whoSharesAFeedAndCannotHaveTheSameIsTold() {
        Show torn =
                Page.of(
                                "Runa, caller, call program\nNadia must hear Music bed\nRuna must not hear Music bed",
                                LANTERN,
                                Demo.PROVER.catalogue())
                        .edit()
                        .after();
        Feed call = feed(Demo.PROVER.prove(torn), CALL);
        assertThat(call.asked()).isEmpty();
        assertThat(call.torn()).contains("Nadia must hear the music bed, and Runa must not");
    }

    @Test
    void aSentenceIsCarriedOutByTheFeedsOwnKnobs() {
        MixWriting.Written written = write("everything but Nadia");
        assertThat(written.lines().getFirst().words())
                .isEqualTo("Set Show desk · USB 1 call feed to mix-minus.");
        assertThat(inTheCall(written.proof().show())).doesNotContain("nadia").contains("bram");
        assertThat(drift(written.proof())).isEmpty();
        assertThat(feed(written.proof(), CALL).state()).isEqualTo(Feed.State.SO);
        assertThat(written.edit().name())
                .isEqualTo("Let Show desk · USB 1 call carry everything but Nadia");
    }

    @Test
    void aLevelIsSetInTheFeedAlone() {
        MixWriting.Written written = write("voices, cues −6");
        assertThat(written.lines().getFirst().carried()).isTrue();
        var level =
                written.proof()
                        .scene("tales")
                        .orElseThrow()
                        .tracer()
                        .hearing("@" + CALL, "cue-pads")
                        .levelDb();
        assertThat(level).isBetween(-7.0, -5.0);
        assertThat(inTheCall(written.proof().show())).doesNotContain("music-bed", "teo");
        assertThat(written.proof().scene("tales").orElseThrow().of("stream", "cue-pads"))
                .extracting(cell -> cell.hearing().levelDb())
                .isEqualTo(
                        PROOF.scene("tales")
                                .orElseThrow()
                                .of("stream", "cue-pads")
                                .hearing()
                                .levelDb());
    }

    @Test
    void whatAMachineCannotDoIsSaidAndTheSentenceIsKept() {
        MixWriting.Written written = write("music");
        MixWriting.Line line = written.lines().getFirst();
        assertThat(line.carried()).isFalse();
        assertThat(line.words())
                .contains("carries the music bed")
                .contains("cannot all be had with this gear");
        assertThat(written.proof().show().mix(CALL)).isPresent();
        assertThat(feed(written.proof(), CALL).state()).isEqualTo(Feed.State.OTHERWISE);
    }

    @Test
    void knobsThatSaySomethingElseAreAFindingWithTheCure() {
        Show written = write("everything but Nadia").proof().show();
        Proof turned = Demo.PROVER.prove(Demo.choose(written, "desk/usb1chat.feed", "everything"));
        assertThat(drift(turned))
                .isNotEmpty()
                .allSatisfy(
                        finding ->
                                assertThat(finding.sentence())
                                        .isEqualTo(
                                                "Show desk, USB 1 call carries Nadia, and should not by its mix."));
        MixWriting.Written again =
                new MixWriting(Demo.PROVER, Budget.of(MixWriting.STEPS))
                        .one(
                                turned,
                                feed(turned, CALL),
                                Optional.of(steps("everything but Nadia")));
        assertThat(again.lines().getFirst().words())
                .isEqualTo("Set Show desk · USB 1 call feed to mix-minus.");
    }

    @Test
    void whoIsNotAtTheMachineIsMeantByNameAlone() {
        // Sunniva's voice does not come to the desk
        assertThat(drift(write("everything but Nadia").proof())).isEmpty();
        assertThat(drift(Demo.PROVER.prove(named()))).isNotEmpty();
    }

    private static Show named() {
        return LANTERN.mixing(
                CALL, Optional.of(new Mix(CALL, steps("everything, Sunniva"), Extras.NONE)));
    }

    @Test
    void everyMixIsWrittenFromTheBriefAndNobodyIsHarmed() {
        List<String> told = new ArrayList<>();
        MixWriting.Written written =
                new MixWriting(Demo.PROVER, Budget.of(MixWriting.STEPS))
                        .all(PROOF, line -> told.add(line.feed().name()));
        assertThat(told).contains("Show desk · USB 1 call");
        assertThat(written.lines()).allMatch(MixWriting.Line::carried);
        assertThat(drift(written.proof())).isEmpty();
        assertThat(written.proof().heard().stream().map(Finding::key))
                .isSubsetOf(PROOF.heard().stream().map(Finding::key).toList());
        // the echo, the late voice and the missing interpreter are gone
        assertThat(written.proof().heard())
                .noneMatch(f -> f.verdict().filter(Verdict.ECHO::equals).isPresent())
                .noneMatch(f -> f.verdict().filter(Verdict.LATE::equals).isPresent())
                .noneMatch(f -> f.verdict().filter(Verdict.MISSING::equals).isPresent());
    }

    @Test
    void nothingIsSaidOfAFeedAnyMore() {
        Proof said = write("everything but Nadia").proof();
        MixWriting.Written forgotten =
                new MixWriting(Demo.PROVER, Budget.of(MixWriting.STEPS))
                        .one(said, feed(said, CALL), Optional.empty());
        assertThat(forgotten.proof().show().mixes()).isEmpty();
        assertThat(forgotten.edit().name())
                .isEqualTo("Say nothing of what Show desk · USB 1 call carries");
    }
}
