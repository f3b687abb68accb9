package rivulus.trouble;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import rivulus.check.Demo;
import rivulus.check.Proof;
import rivulus.check.SceneProof;
import rivulus.disk.FileTrouble;
import rivulus.gear.Setting;
import rivulus.show.Ref;
import rivulus.show.Show;
import rivulus.show.Symptom;

class DiagnosisTest {
    private static final int MOST = 25;
    private static final Show LANTERN = Demo.lanternMended();
    private static final Proof PROVEN = Demo.PROVER.prove(LANTERN);

    private static Diagnosis search(Show show, String scene) {
        return Diagnosis.of(Demo.PROVER, Demo.PROVER.prove(show), scene, () -> false);
    }

    /// States of a search do not change, so that all tests share its beginning. Not begun while the
    /// class is being made: it works on other threads, which would wait for that.
    private static Diagnosis begun;

    @BeforeAll
    static void begin() {
        begun = Diagnosis.of(Demo.PROVER, PROVEN, "call-in", () -> false);
    }

    private static Diagnosis lantern() {
        return begun;
    }

    private static String only(Simulated.Run run) {
        List<Fault> faults = run.found().map(Suspect::faults).orElse(List.of());
        return faults.size() == 1 ? faults.getFirst().id() : "";
    }

    /// The goal of the design: in the mean no more than the rounded-up log2 of how many there are,
    /// and one.
    @ParameterizedTest
    @ValueSource(strings = {"first-call", "long-read-repaired", "lantern-hour"})
    void everySingleFaultIsFoundInFewAnswers(String name) {
        Diagnosis search =
                name.equals("lantern-hour")
                        ? lantern()
                        : search(Demo.show(name), Demo.show(name).scenes().getFirst().id());
        int answers = 0;
        for (Fault fault : search.faults()) {
            Simulated.Run run = Simulated.of(search, fault.id(), 0, 1).run(search, MOST);
            assertThat(only(run)).as(fault.words()).isEqualTo(fault.id());
            answers += run.answers();
        }
        double log = Math.log(search.noticed()) / Math.log(2);
        assertThat((double) answers / search.noticed()).isLessThanOrEqualTo(Math.ceil(log) + 1);
    }

    @Test
    void oneWrongAnswerInTenIsBorne() {
        Diagnosis search = lantern();
        List<Fault> faults = Demo.some(search.faults());
        int right = 0;
        for (Fault fault : faults)
            if (only(Simulated.of(search, fault.id(), 0.1, fault.id().hashCode()).run(search, MOST))
                    .equals(fault.id())) right++;
        assertThat(right).isGreaterThan(faults.size() * 8 / 10);
    }

    /// What an ear reports under a fault is what the proof of the faulty show says it hears: every
    /// seventh fault, and every lead, two between the same two machines among them.
    @ParameterizedTest
    @ValueSource(strings = {"lantern-hour", "long-read-repaired"})
    void whatIsForetoldIsWhatAProofOfTheFaultyShowSays(String name) {
        Proof proof = name.equals("lantern-hour") ? PROVEN : Demo.PROVER.prove(Demo.show(name));
        String scene = proof.fullest().scene().id();
        Field field = Diagnosis.of(Demo.PROVER, proof, scene, () -> false).field();
        SceneProof planned = proof.scene(scene).orElseThrow();
        int looked = 0;
        for (int b = 0; b < field.broken().size(); b++) {
            Fault fault = field.broken().get(b).faults().getFirst();
            if (fault.plan().isEmpty() || b % 7 != 0 && !fault.id().startsWith("lead/")) continue;
            SceneProof faulty = Demo.PROVER.prove(fault.plan().get()).scene(scene).orElseThrow();
            for (Question.Ask ask : field.asks()) {
                SceneProof.Heard cell = planned.of(ask.ear().id(), ask.source().id());
                Symptom would =
                        Reports.of(
                                cell.hearing(),
                                faulty.of(ask.ear().id(), ask.source().id()).hearing(),
                                planned);
                assertThat(field.said(b, field.indexOf(ask)))
                        .as("%s: %s", fault.words(), ask.words())
                        .isEqualTo(ask.metered() ? Reports.onAMeter(would) : would);
                looked++;
            }
        }
        assertThat(looked).isGreaterThan(200);
    }

    @Test
    void twoFaultsAtOnceAreFoundWhereNoSingleOneFits() {
        Diagnosis search = lantern();
        String lead = "lead/c02"; // Ivo's microphone
        String muted = "set/desk/usb1chat.mute/on";
        Simulated both = Simulated.of(search, lead, muted, 0, 1);
        Diagnosis now = search;
        // what people say of their own accord: neither Ivo nor Nadia comes
        for (String source : List.of("ivo", "nadia")) {
            Question.Ask ask = search.about("stream", source).orElseThrow();
            now = now.after(ask, both.answer(ask));
        }
        while (now.found().isEmpty() && now.answers().size() < MOST) {
            var next = now.next();
            if (next.isEmpty()) break;
            now = now.after(next.get().question(), both.answer(next.get().question()));
        }
        assertThat(now.suspects().getFirst().faults()).extracting(Fault::id).contains(lead, muted);
    }

    @Test
    void anAnswerIsTakenBackAndAQuestionIsNotAskedTwice() {
        Diagnosis search = lantern();
        Question.Ask ask = search.about("nadia", "maren").orElseThrow();
        Diagnosis after = search.after(ask, new Reply.Heard(Symptom.NOT));
        assertThat(after.back().suspects()).isEqualTo(search.suspects());
        Set<String> asked = new HashSet<>();
        Diagnosis now = after;
        while (now.next().isPresent() && now.answers().size() < MOST) {
            Question question = now.next().get().question();
            assertThat(asked.add(question.id())).as(question.words()).isTrue();
            now = now.after(question, question.replies().getFirst());
        }
    }

    @Test
    void whereSomebodyPointsIsLookedAtFirst() {
        Diagnosis search = lantern().pointedAt("lead/c01");
        assertThat(search.suspects().getFirst().faults().getFirst().id()).isEqualTo("lead/c01");
        Question.Ask ask = search.about("stream", "maren").orElseThrow();
        Diagnosis after = search.after(ask, new Reply.Heard(Symptom.NOT));
        assertThat(after.suspects().getFirst().words())
                .isEqualTo("lead 01 (Maren's mic to Show desk, MIC 1) is out or broken");
        assertThat(after.suspects().getFirst().todo()).startsWith("Push lead 01");
    }

    /// The calls that come in by one pair go back out by another: Nadia hears herself.
    @Test
    void aCallerWhoHearsHerselfLeadsToTheFeed() {
        Diagnosis search = lantern();
        Question.Ask ask = search.about("nadia", "nadia").orElseThrow();
        assertThat(ask.words()).isEqualTo("Nadia, how do you hear yourself?");
        Diagnosis after = search.after(ask, new Reply.Heard(Symptom.UNWANTED));
        List<String> likely = new ArrayList<>();
        for (Suspect suspect : after.suspects().subList(0, 4)) likely.add(suspect.words());
        assertThat(likely).anyMatch(words -> words.contains("USB 1 call feed is on"));
    }

    /// The pupil hears the lute by the call; its clean-up keeps voices only.
    @Test
    void aCleanUpThatIsOnAgainEatsTheMusicAndNotTheVoice() {
        Show lesson = Demo.show("lute-lesson-repaired");
        Diagnosis search = search(lesson, "lute");
        Field field = search.field();
        List<String> eaten = new ArrayList<>();
        for (int b = 0; b < field.broken().size(); b++) {
            String words = field.broken().get(b).faults().getFirst().words();
            for (Question.Ask ask : field.asks())
                if (words.contains("untouched") && field.said(b, field.indexOf(ask)) == Symptom.NOT)
                    eaten.add(ask.ear().id() + " " + ask.source().id());
        }
        assertThat(eaten).isNotEmpty().noneMatch(pair -> isVoice(lesson, pair));
    }

    private static boolean isVoice(Show show, String pair) {
        return show.cast().person(pair.split(" ")[1]).isPresent();
    }

    @Test
    void whatFitsNothingIsSaidSo() {
        Diagnosis now = lantern();
        for (String ear : List.of("maren", "ivo", "sunniva", "house", "assistive"))
            for (String source : List.of("maren", "ivo"))
                if (now.about(ear, source).isPresent())
                    now = now.after(now.about(ear, source).get(), new Reply.Heard(Symptom.OTHER));
        assertThat(now.suspects().getFirst().faults()).isEmpty();
        assertThat(now.suspects().getFirst().words())
                .isEqualTo("something that the plan does not know of");
    }

    @Test
    void aRigChangedByAFaultIsARigThatCouldBePlanned() {
        Fault fault =
                lantern().faults().stream()
                        .filter(one -> one.id().startsWith("set/desk/usb1chat.feed/"))
                        .findFirst()
                        .orElseThrow();
        Show stays = fault.plan().orElseThrow();
        assertThat(stays.rig().device("desk").orElseThrow().knobs().get("usb1chat.feed"))
                .isNotEqualTo(new Setting.Choice("mix-minus"));
        assertThat(Ref.of("desk/usb1chat.feed")).isNotNull();
    }

    @Test
    void aBadFileOfFaultsIsRefusedWithItsPlace() {
        assertThatThrownBy(
                        () ->
                                FaultKind.parse(
                                        "{\"kinds\": [{\"id\": \"a\", \"does\": \"melts\"}]}",
                                        "faults.json"))
                .isInstanceOf(FileTrouble.class)
                .hasMessageContaining("melts")
                .hasMessageContaining("line 1");
    }
}
