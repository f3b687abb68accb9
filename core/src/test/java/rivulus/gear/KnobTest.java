package rivulus.gear;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import rivulus.disk.Worded;
import rivulus.file.Templates;

/// Knobs, what they govern, and how channels are joined.
class KnobTest {
    static List<Template> templates() {
        return List.copyOf(Templates.shipped().templates().values());
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("templates")
    void everyKnobTakesItsStandingAndWhateverElseItOffers(Template template) {
        for (Knob knob : template.knobs()) {
            assertThat(knob.takes(knob.standing())).as(knob.id()).isTrue();
            for (Setting other : knob.others(knob.standing())) {
                assertThat(knob.takes(other)).as("%s %s", knob.id(), other.word()).isTrue();
                assertThat(other).isNotEqualTo(knob.standing());
            }
            assertThat(knob.label()).as(knob.id()).isNotBlank();
            assertThat(knob.range()).isNotBlank();
            assertThat(knob.effort()).isPositive();
        }
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("templates")
    void everyRouteRunsBetweenPointsAndItsGovernorsAreKnobs(Template template) {
        Set<String> knobs = new HashSet<>();
        template.knobs().forEach(knob -> knobs.add(knob.id()));
        for (Route route : template.routes()) {
            assertThat(template.point(route.from())).as(route.from()).isPresent();
            assertThat(template.point(route.to())).as(route.to()).isPresent();
            for (Governor governor : route.governors()) assertThat(knobs).contains(governor.knob());
            assertThat(route.delay().minMs()).isLessThanOrEqualTo(route.delay().ms());
            assertThat(route.delay().ms()).isLessThanOrEqualTo(route.delay().maxMs());
        }
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("templates")
    void everyEndpointAndPickerNamesWhatIsThere(Template template) {
        for (Endpoint endpoint : template.endpoints()) {
            endpoint.plays().ifPresent(p -> assertThat(template.point(p)).isPresent());
            endpoint.hears().ifPresent(p -> assertThat(template.point(p)).isPresent());
            endpoint.port().ifPresent(p -> assertThat(template.port(p)).isPresent());
        }
        for (Picker picker : template.pickers())
            assertThat(template.point(picker.point())).as(picker.id()).isPresent();
        for (AcousticEnd end : template.ends())
            assertThat(template.point(end.point())).as(end.point()).isPresent();
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("templates")
    void everythingWithoutAProgramOrARoomSaysWhatItIsInASentence(Template template) {
        assertThat(template.name()).isNotBlank();
        assertThat(template.about()).as(template.id()).endsWith(".");
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("templates")
    void whatIsActiveSaysWhatItRunsOnAndWhatRunsOnABatteryHowMuchThatHolds(Template template) {
        Power power = template.power();
        boolean active =
                EnumSet.of(
                                GearKind.RECORDER,
                                GearKind.DESK,
                                GearKind.COMPUTER,
                                GearKind.LOUDSPEAKER,
                                GearKind.HUB,
                                GearKind.BATTERY)
                        .contains(template.kind());
        if (active) assertThat(power.from()).as(template.id()).doesNotContain(Power.Source.NONE);
        if (power.from().contains(Power.Source.BATTERY))
            assertThat(power.batteryWh()).as(template.id()).isPositive();
        if (power.from().contains(Power.Source.MAINS))
            assertThat(power.watts() + power.mostWatts()).as(template.id()).isPositive();
    }

    @Test
    void aLevelAddsItsDecibelsAndASwitchOpensOrCloses() {
        Governor fader = Governor.plain("fader");
        assertThat(fader.gainDb(new Setting.Level(-6))).isEqualTo(-6);
        assertThat(fader.opens(new Setting.Level(Double.NEGATIVE_INFINITY))).isFalse();
        Governor mute = new Governor("mute", Map.of("off", 0.0), Double.NEGATIVE_INFINITY);
        assertThat(mute.opens(new Setting.Switch(false))).isTrue();
        assertThat(mute.opens(new Setting.Switch(true))).isFalse();
        Governor pad = new Governor("pad", Map.of("on", -20.0), 0);
        assertThat(pad.gainDb(new Setting.Switch(true))).isEqualTo(-20);
        assertThat(pad.gainDb(new Setting.Switch(false))).isZero();
    }

    @Test
    void aTimeAddsItsMillisecondsAndAChoiceThoseOfItsStand() {
        Governor offset = Governor.plain("offset");
        assertThat(offset.delayMs(new Setting.Time(40))).isEqualTo(40);
        assertThat(offset.gainDb(new Setting.Time(40))).isZero();
        Governor buffer = new Governor("buffer", Map.of(), 0, Map.of("64", 1.333, "256", 5.333));
        assertThat(buffer.delayMs(new Setting.Choice("256"))).isEqualTo(5.333);
        assertThat(buffer.delayMs(new Setting.Choice("none"))).isZero();
        assertThat(buffer.opens(new Setting.Choice("64"))).isTrue();
    }

    @ParameterizedTest(name = "{0} to {1}: {2}")
    @CsvSource({"1, 1, 1", "1, 2, 2", "2, 1, 2", "2, 2, 2", "4, 1, 4", "4, 2, 2", "2, 8, 2"})
    void channelsAreJoinedAsIsUsual(int from, int to, int joins) {
        List<ChannelMap> map = ChannelMap.usual(from, to);
        assertThat(map).hasSize(joins);
        for (ChannelMap channel : map) {
            assertThat(channel.from()).isBetween(0, from - 1);
            assertThat(channel.to()).isBetween(0, to - 1);
        }
    }

    @Test
    void equalChannelsKeepTheirLevelWhenTheyAreFolded() {
        for (int from : new int[] {2, 3, 4, 8}) {
            double sum = 0;
            for (ChannelMap channel : ChannelMap.usual(from, 1))
                sum += Math.pow(10, channel.gainDb() / 20);
            assertThat(sum).isCloseTo(1, within(1e-9));
        }
    }

    @ParameterizedTest(name = "{0}: {2} dBu, {3} dBu at most")
    @CsvSource({
        "mic, true, -54, -14",
        "line, true, 4, 22",
        "line, false, -7.782, 10",
        "instrument, false, -18, 0",
        "headphones, false, 0, 14",
        "speaker, false, 30, 42"
    })
    void whatComesOutOfAPortIsAsTheReferenceSays(
            String carries, boolean balanced, double level, double most) {
        Electric electric = Electric.usual(Worded.words(Signal.class).get(carries), balanced, true);
        assertThat(electric.levelDbu()).isEqualTo(level);
        assertThat(electric.mostDbu()).isEqualTo(most);
    }

    @Test
    void theTwoLineHabitsLieElevenPointSevenEightDbApart() {
        assertThat(Electric.PROFESSIONAL_LINE_DBU - Electric.CONSUMER_LINE_DBU)
                .isCloseTo(11.78, within(0.01));
    }

    @Test
    void lightNetworksAndTelephonesJoinNoGrounds() {
        for (Signal carries : List.of(Signal.OPTICAL, Signal.NET, Signal.PHONE, Signal.RADIO)) {
            assertThat(Electric.usual(carries, false, true).floating()).isTrue();
            assertThat(Electric.usual(carries, false, true).isAnalogue()).isFalse();
        }
        assertThat(Electric.usual(Signal.USB, false, true).floating()).isFalse();
    }

    @Test
    void aMachineRunsFromWhatItsTemplateSaysFirstUnlessSomebodyChose() {
        Power power =
                new Power(
                        List.of(Power.Source.MAINS, Power.Source.BATTERY), true, 30, 0, false, 55);
        assertThat(power.when(Optional.empty())).isEqualTo(Power.Source.MAINS);
        assertThat(power.when(Optional.of(Power.Source.BATTERY))).isEqualTo(Power.Source.BATTERY);
    }
}
