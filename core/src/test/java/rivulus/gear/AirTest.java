package rivulus.gear;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Map;
import org.junit.jupiter.api.Test;

class AirTest {
    private final Air open =
            new Air(1000, 20, Map.of("across the room", 6.0), "across the room", 35);

    @Test
    void soundTakesJustUnderThreeMillisecondsAMetreAtTwentyDegrees() {
        assertThat(open.speed()).isCloseTo(343.4, within(0.05));
        assertThat(open.delayMs(1)).isCloseTo(2.91, within(0.005));
    }

    @Test
    void directSoundFallsSixDecibelsADoublingUntilTheRoomTakesOver() {
        assertThat(open.levelDb(2) - open.levelDb(1)).isCloseTo(-6.02, within(0.01));
        Air hard = new Air(1, 20, Map.of("across the room", 6.0), "across the room", 35);
        assertThat(hard.levelDb(1))
                .as("at the critical distance both are equal")
                .isCloseTo(3.01, within(0.01));
        assertThat(hard.levelDb(20) - hard.levelDb(10))
                .as("far away the room stays")
                .isGreaterThan(-0.1);
    }

    @Test
    void aDelayKeepsItsRangeAndAddsUp() {
        Delay sum = new Delay(10, 5, 20).plus(new Delay(3, 1, 6));
        assertThat(sum).isEqualTo(new Delay(13, 6, 26));
        assertThat(new Delay(2.5, 0, 3).nanos()).isEqualTo(2_500_000);
    }

    @Test
    void foldingHalvesEachOfTwoSoThatEqualChannelsKeepTheirLevel() {
        double sum =
                ChannelMap.usual(2, 1).stream()
                        .mapToDouble(map -> Math.pow(10, map.gainDb() / 20))
                        .sum();
        assertThat(sum).isCloseTo(1, within(1e-9));
        assertThat(ChannelMap.usual(1, 2)).allSatisfy(map -> assertThat(map.gainDb()).isZero());
        assertThat(ChannelMap.usual(4, 2)).hasSize(2);
    }
}
