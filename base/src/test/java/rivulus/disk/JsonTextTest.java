package rivulus.disk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.LongRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class JsonTextTest {
    private static Object random(Random random, int depth) {
        return switch (random.nextInt(depth > 3 ? 5 : 7)) {
            case 0 -> "a \"quoted\" \n line, \u202F and é " + random.nextInt(100);
            case 1 -> (double) random.nextInt(2000) / 8 - 100;
            case 2 -> random.nextBoolean();
            case 3 -> null;
            case 4 -> "word" + random.nextInt(9);
            case 5 -> {
                List<Object> list = new ArrayList<>();
                for (int i = random.nextInt(5); i > 0; i--) list.add(random(random, depth + 1));
                yield list;
            }
            default -> {
                Map<String, Object> map = new LinkedHashMap<>();
                for (int i = random.nextInt(5); i > 0; i--)
                    map.put("key " + i, random(random, depth + 1));
                yield map;
            }
        };
    }

    @Property(tries = 200)
    void whatIsWrittenIsReadBackTheSame(@ForAll @LongRange(max = 1_000_000) long seed)
            throws FileTrouble {
        Object plain = Map.of("value", List.of(String.valueOf(random(new Random(seed), 0))));
        String text = JsonText.of(plain);
        assertThat(text).endsWith("\n");
        assertThat(JsonText.of(Json.parse(text, "text").plain())).isEqualTo(text);
    }

    @Property(tries = 200)
    void nestedValuesSurviveToo(@ForAll @LongRange(max = 1_000_000) long seed) throws FileTrouble {
        Map<String, Object> map = new LinkedHashMap<>();
        map.put("it", random(new Random(seed), 0));
        String text = JsonText.of(map);
        assertThat(JsonText.of(Json.parse(text, "text").plain())).isEqualTo(text);
        for (String line : text.split("\n")) assertThat(line).doesNotEndWith(" ");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            quoteCharacter = '`',
            value = {
                "{\"a\": ; line 1",
                "{\"a\": 1,}; line 1",
                "[1, 2; line 1",
                "nonsense; line 1",
                "{\"a\": 1} more; line 1",
                "{\"a\": 1, \"a\": 2}; a"
            })
    void brokenTextIsRefusedWithThePlace(String text, String place) {
        assertThatThrownBy(() -> Json.parse(text, "broken.rivulus"))
                .isInstanceOf(FileTrouble.class)
                .hasMessageContaining("broken.rivulus")
                .hasMessageContaining(place);
    }

    @Test
    void whatIsNoPlainValueIsRefused() {
        assertThatThrownBy(() -> JsonText.of(Map.of("a", new Object())))
                .isInstanceOf(IllegalArgumentException.class);
    }
}
