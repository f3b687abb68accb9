package rivulus.leads;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import rivulus.check.Demo;
import rivulus.check.RigText;
import rivulus.file.Templates;
import rivulus.show.Device;
import rivulus.show.Show;

/// Ways to join two machines: what is owned first, then what must be bought; and what each brings.
class JoinerTest {
    private static List<Joining> ways(Show show, String from, String to) {
        Device a = show.rig().device(from).orElseThrow();
        Device b = show.rig().device(to).orElseThrow();
        return new Joiner(show, Demo.PROVER.catalogue(), Templates.leads()).ways(a, b, 6).all();
    }

    @Test
    void withoutACupboardEverythingHasToBeBought() {
        Show show = RigText.show("m dynamic-mic\n d show-desk");
        Joining way = ways(show, "m", "d").getFirst();
        assertThat(way.needs()).isEqualTo("XLR lead");
        assertThat(way.toBuy()).containsExactly("XLR lead");
        assertThat(way.why()).contains("−57.8\u202FdBu", "49.8\u202FdB");
        assertThat(way.after().rig().cables()).singleElement().matches(c -> c.toBuy());
    }

    @Test
    void whatIsOwnedComesFirstAndIsNotBoughtAgain() {
        String gear = "l laptop\n s loudspeaker-pair\n d two-mic-desk\n";
        Joining bought = ways(RigText.show(gear), "d", "s").getFirst();
        assertThat(bought.toBuy()).isNotEmpty();
        Show stocked =
                RigText.show(
                        "own 1 3.5 mm stereo to two 6.3 mm lead\n own 1 isolator\n"
                                + " own 2 3.5 mm stereo lead\n"
                                + gear);
        Joining owned = ways(stocked, "l", "s").getFirst();
        assertThat(owned.toBuy()).isEmpty();
        assertThat(owned.why()).contains("all of it is owned").doesNotContain("to buy");
        assertThat(owned.after().rig().cables()).noneMatch(c -> c.toBuy());
    }

    @Test
    void anOwnedBoxMakesItsWayCheaperThanTheSameWayWithABoughtOne() {
        String gear = "c hall-console\n k camera\n";
        int bought = pad(ways(RigText.show(gear), "c", "k")).cost();
        Show with = RigText.show("own 1 line-pad-35\n own 1 pad-40-camera\n" + gear);
        Joining owned = pad(ways(with, "c", "k"));
        assertThat(owned.cost()).isLessThan(bought);
        assertThat(owned.boxes()).noneMatch(Device::toBuy);
    }

    private static Joining pad(List<Joining> ways) {
        assertThat(ways).isNotEmpty();
        return ways.stream()
                .filter(w -> w.boxes().stream().anyMatch(b -> b.template().contains("pad")))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void aLineIntoACameraIsOfferedByNothingThatOverloadsIt() {
        Show show = RigText.show("c hall-console\n k camera\n");
        for (Joining way : ways(show, "c", "k"))
            for (LeadReport lead : way.leads())
                for (LeadReport.Passage passage : lead.passages())
                    if (passage.to().device().id().equals("k"))
                        assertThat(passage.headroomDb()).as(way.way()).isGreaterThan(-3);
    }

    /// The switch is one step more, and said; where an input gives none there is no way.
    @Test
    void aMicrophoneThatWants48VIsJoinedWhereASwitchGivesIt() {
        Show show = RigText.show("c condenser-mic\n d show-desk");
        Joining way = ways(show, "c", "d").getFirst();
        assertThat(way.way()).endsWith("→ d, MIC 1");
        assertThat(way.why()).contains("c wants 48 V and it is off at d, MIC 1");
        assertThat(ways(RigText.show("c condenser-mic\n k camera"), "c", "k"))
                .allMatch(other -> other.leads().getLast().isSound());
    }

    /// Its left alone into a camera or a line input would lose the right.
    @Test
    void aBoxThatTakesTwoSidesApartIsNoWayForOneLead() {
        for (String to : List.of("k camera", "k tower"))
            assertThat(ways(RigText.show("l laptop\n" + to), "l", "k"))
                    .flatExtracting(Joining::boxes)
                    .extracting(Device::template)
                    .doesNotContain("stereo-direct-box");
    }

    @ParameterizedTest(name = "{0} to {1}: {2} of them isolated")
    @CsvSource({"laptop, loudspeaker-pair, true", "hall-console, streaming-mixer, true"})
    void isolationIsFoundWhereItIsAskedFor(String from, String to, boolean found) {
        Show show = RigText.show("a %s\n b %s".formatted(from, to));
        List<Joining> isolated =
                new Joiner(show, Demo.PROVER.catalogue(), Templates.leads())
                        .ways(
                                show.rig().devices().getFirst(),
                                show.rig().devices().getLast(),
                                3,
                                Joining::isIsolated)
                        .all();
        assertThat(!isolated.isEmpty()).isEqualTo(found);
        for (Joining way : isolated) {
            assertThat(way.leads()).anyMatch(lead -> !lead.joins());
            assertThat(way.why()).contains("grounds");
        }
    }

    @Test
    void theDelayOfAWayIsThatOfItsConvertersUsbAndBuffers() {
        Show show = RigText.show("i interface-2\n l laptop\n d show-desk\n");
        Joining usb = ways(show, "i", "l").getFirst();
        assertThat(usb.delay().ms()).isPositive();
        assertThat(usb.delay().minMs()).isLessThanOrEqualTo(usb.delay().ms());
        assertThat(usb.delay().maxMs()).isGreaterThanOrEqualTo(usb.delay().ms());
        assertThat(usb.why()).contains("ms");
    }

    @Test
    void aComputersSoundIsPickedAtTheOtherEndOrSaidToBe() {
        Show show = RigText.show("l laptop\n i interface-2\n");
        Joining way = ways(show, "l", "i").getFirst();
        assertThat(way.needs()).contains("USB");
        assertThat(way.picks().words()).containsExactly("l plays to i USB by default");
        assertThat(way.picks().after().rig().device("l").orElseThrow().knobs())
                .containsKey("default-output");
        Show picked = RigText.show("l laptop default-output=l/line-out\n i interface-2\n");
        assertThat(ways(picked, "l", "i").getFirst().picks().words())
                .containsExactly("pick i USB on l where something is to play there");
    }

    @Test
    void batteryPacksFeedWhatDrawsFromUsb() {
        Show show = RigText.show("p battery-pack\n i interface-2 runs:usb\n");
        assertThat(ways(show, "p", "i")).isNotEmpty();
        assertThat(ways(show, "i", "p")).isEmpty();
    }

    @Test
    void aPortThatIsTakenIsNotOffered() {
        Show show = RigText.show("a dynamic-mic\n b dynamic-mic\n i interface-2\n a/out i/in1 3\n");
        for (Joining way : ways(show, "b", "i"))
            assertThat(way.leads().getLast().b().port().id()).isNotEqualTo("in1");
    }
}
