package rivulus.signal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;
import rivulus.check.Demo;
import rivulus.check.Proof;
import rivulus.check.RigText;
import rivulus.hearing.Hearing;
import rivulus.show.Show;

/// A machine hears its own loudspeaker, and an echo canceller takes its own sound out again.
class OwnSoundTest {
    /// A voice 3 dB under a mouth, 0.3 m away in a room with a critical distance of 2.5 m, into a
    /// microphone that is set for 0.5 m: −3 + 10 log(1/0.3² + 1/2.5²) + 20 log 0.5.
    private static final double LAPTOP_DB = -3 + 10 * Math.log10(1 / 0.09 + 1 / 6.25) - 6.02;

    /// What the bands of a call, small loudspeakers and small microphones leave of a level.
    private static final Offset<Double> BANDS = within(1.2);

    private static final String LAPTOP =
            """
            place room
            place far
            person maren host room
            person nadia caller far
            ear maren person maren
            ear nadia person nadia
            ear stream stream prog/stream
            far-end far-headset worn:nadia
            service call-service
            pc laptop @room
            call call-program on:pc plays-to=pc/speakers hears=pc/microphone %s
            prog streaming-program on:pc input1.of=pc/microphone
            far-end/net service/p1
            call/net service/p2
            """;

    private static Hearing heard(Show show, String ear, String source) {
        Proof proof = Demo.PROVER.prove(show);
        return proof.scenes().getFirst().of(ear, source).hearing();
    }

    private static Show laptop(String knobs) {
        return RigText.show(LAPTOP.formatted(knobs));
    }

    @Test
    void aCallOnALaptopsLoudspeakersGivesTheFarCallerThemselfBack() {
        Hearing back = heard(laptop("echo-canceller=false"), "nadia", "nadia");
        assertThat(back.levelDb()).isEqualTo(LAPTOP_DB, BANDS);
        assertThat(back.arrivals()).singleElement();
        assertThat(back.strongest().orElseThrow().ms()).isBetween(285.0, 305.0);
    }

    @Test
    void theCancellerTakesAwayWhatItPlayedAndNothingElse() {
        Show on = laptop("echo-canceller=true");
        Show off = laptop("echo-canceller=false");
        assertThat(heard(on, "nadia", "nadia").levelDb())
                .isEqualTo(heard(off, "nadia", "nadia").levelDb() - 45, within(0.01));
        assertThat(heard(on, "nadia", "maren").levelDb())
                .isEqualTo(heard(off, "nadia", "maren").levelDb(), within(0.01));
        assertThat(heard(on, "maren", "nadia").levelDb())
                .isEqualTo(heard(off, "maren", "nadia").levelDb(), within(0.01))
                .isGreaterThan(-30);
    }

    @Test
    void anotherProgramAtTheSameMicrophoneHearsTheLoudspeakersWhole() {
        assertThat(heard(laptop("echo-canceller=true"), "stream", "nadia").levelDb())
                .isEqualTo(LAPTOP_DB, BANDS);
    }

    @Test
    void whatListensAtTheLoudspeakersHearsTheCallThere() {
        Show show =
                RigText.show(
                        LAPTOP.formatted("echo-canceller=true")
                                + "ear cone house pc/speakers.cone");
        assertThat(heard(show, "cone", "nadia").levelDb()).isEqualTo(0, within(0.8));
    }

    @Test
    void soundThatGoesRoundByADeskIsNotTakenToBeCancelled() {
        String desk =
                """
                place room
                place far
                person nadia caller far
                ear nadia person nadia
                far-end far-headset worn:nadia
                service call-service
                pc laptop @room
                desk show-desk @room
                call call-program on:pc plays-to=desk/chat hears=desk/chat echo-canceller=%s
                desk/usb1 pc/usb-1
                far-end/net service/p1
                call/net service/p2
                """;
        double on = heard(RigText.show(desk.formatted("true")), "nadia", "nadia").levelDb();
        double off = heard(RigText.show(desk.formatted("false")), "nadia", "nadia").levelDb();
        assertThat(on).isEqualTo(off).isGreaterThan(-3);
    }

    @Test
    void aPhoneOnTheTableAndACallerOnLoudspeakersSendEverybodyBackWithoutACanceller() {
        String table =
                """
                place room
                place far
                person maren host room
                person bram caller far
                ear maren person maren
                ear bram person bram
                phone phone-table @room echo-canceller=%s
                far-end far-phone worn:bram
                phone/line far-end/line
                """;
        double on = heard(RigText.show(table.formatted("true")), "bram", "bram").levelDb();
        double off = heard(RigText.show(table.formatted("false")), "bram", "bram").levelDb();
        double coupled = -12 + 10 * Math.log10(1 / 0.01 + 1 / 6.25);
        assertThat(off).isEqualTo(coupled, within(1.8));
        assertThat(on).isEqualTo(off - 45, within(0.01));

        String aloud =
                """
                place room
                place far
                person maren host room
                person nadia caller far
                ear maren person maren
                headset usb-headset worn:maren
                far-end far-laptop worn:nadia echo-canceller=%s
                service call-service
                pc laptop @room
                call call-program on:pc plays-to=headset/headset hears=headset/headset
                headset/usb pc/usb-1
                far-end/net service/p1
                call/net service/p2
                """;
        Hearing back = heard(RigText.show(aloud.formatted("false")), "maren", "maren");
        assertThat(back.levelDb()).isEqualTo(LAPTOP_DB, BANDS);
        assertThat(heard(RigText.show(aloud.formatted("true")), "maren", "maren").levelDb())
                .isEqualTo(back.levelDb() - 45, within(0.01));
    }
}
