package rivulus.file;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import rivulus.disk.FileTrouble;
import rivulus.gear.Template;

/// A template with a mistake is refused with the file, the place and what would be right.
class TemplateMistakesTest {
    private static final String GOOD =
            """
            {
              "template": "pad", "name": "Pad", "kind": "isolator",
              "lists": {"ways": {"a": "A", "b": "B"}},
              "ports": [
                {"id": "in", "connector": "XLR", "carries": "mic", "takes": 2},
                {"id": "out", "connector": "XLR", "carries": "mic", "gives": 2}
              ],
              "points": [{"id": "mid.{w}", "for": {"w": "ways"}, "label": "way {w.label}", "channels": 2}],
              "routes": [
                {"for": {"w": "ways"}, "from": "in.in", "to": "mid.{w}", "knobs": ["{w}.level"]},
                {"for": {"w": "ways", "v": "ways"}, "unless": "{w}={v}", "from": "mid.{w}", "to": "mid.{v}", "gainDb": -90},
                {"for": {"w": "ways"}, "from": "mid.{w}", "to": "out.out", "gainDb": -20, "knobs": [{"knob": "pad", "gainDb": {"off": 20}}]}
              ],
              "knobs": [
                {"id": "pad", "label": "PAD", "kind": "switch", "standing": true},
                {"id": "{w}.level", "for": {"w": "ways"}, "label": "{w.label}", "kind": "level", "standing": -3}
              ]
            }
            """;

    @Test
    void aSoundTemplateIsReadAndItsRepeatsWrittenOut() throws FileTrouble {
        Template pad = Templates.parse(GOOD, "pad.json");
        assertThat(pad.points())
                .extracting(p -> p.id())
                .contains("mid.a", "mid.b", "in.in", "out.out");
        assertThat(pad.point("mid.b").orElseThrow().label()).isEqualTo("way B");
        assertThat(pad.routes()).as("2 in, 2 across without a to a, 2 out").hasSize(6);
        assertThat(pad.knob("a.level").orElseThrow().standing().word()).isEqualTo("-3");
    }

    @ParameterizedTest(name = "{2}")
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '`',
            value = {
                "\"to\": \"out.out\"   | \"to\": \"out.uot\"  | there is no point \"out.uot\"; did you mean \"out.out\"?",
                "[\"{w}.level\"]       | []                   | the knob \"a.level\" governs no route",
                "\"id\": \"out\"       | \"id\": \"in\"       | there are two ports \"in\"; an id may be used once",
                "\"id\": \"mid.{w}\"   | \"id\": \"mid\"      | there are two points \"mid\"; an id may be used once",
                "\"kind\": \"isolator\"| \"kind\": \"isolater\"| there is no kind of gear \"isolater\"; did you mean \"isolator\"?",
                "\"w\": \"ways\", \"v\"| \"w\": \"wyas\", \"v\"| there is no list \"wyas\"; did you mean \"ways\"?",
                "{\"off\": 20}         | {\"of\": 20}         | there is no setting \"of\"; did you mean \"off\"?",
                "\"knob\": \"pad\"     | \"knob\": \"pat\"    | there is no knob \"pat\"; did you mean \"pad\"?",
                "\"standing\": -3      | \"standing\": 40     | \"a.level\" cannot stand at 40; it takes off, or -60 to 10 dB",
                "\"standing\": true    | \"standing\": 3      | true or false was expected, not a number",
                "\"gainDb\": -90       | \"gianDb\": -90      | there is no field \"gianDb\"; did you mean \"gainDb\"?",
                "\"gainDb\": -90       | \"gainDb\": -9000    | -9000 is out of range; -120 to 80 is possible here",
                "\"gainDb\": -90       | \"delayMs\": {\"typical\": 5, \"max\": 2} | min ≤ typical ≤ max should hold",
                "\"gainDb\": -90       | \"band\": {\"lowHz\": 900, \"highHz\": 100} | the low edge should lie under the high one",
                "\"takes\": 2          | \"takes\": 65        | 65 is out of range; 0 to 64 is possible here",
                "\"takes\": 2          | \"takes\": 1.5       | a whole number was expected, not 1.5",
                "\"connector\": \"XLR\", \"carries\": \"mic\", \"gives\": 2 | \"gives\": 2 | \"connector\" is missing here",
                "\"unless\": \"{w}={v}\"| \"unless\": \"{w}\" | \"unless\" compares two sides, like \"{s}={o}\""
            })
    void aMistakeIsRefusedWithThePlaceAndWhatWouldBeRight(
            String right, String wrong, String message) {
        assertThat(GOOD).contains(right);
        assertThatThrownBy(() -> Templates.parse(GOOD.replace(right, wrong), "pad.json"))
                .isInstanceOf(FileTrouble.class)
                .hasMessageStartingWith("pad.json: ")
                .hasMessageContaining(message)
                .hasMessageMatching("(?s).*\\(line \\d+, column \\d+\\).*");
    }

    private static final String DESK =
            """
            {"template": "two", "name": "Two", "kind": "desk",
             "links": [{"first": "fader", "second": "pan"}],
             "ports": [{"id": "a", "connector": "XLR", "carries": "mic", "takes": 1},
                       {"id": "usb", "connector": "USB-B", "carries": "usb"},
                       {"id": "out", "connector": "XLR pair", "carries": "line", "gives": 2}],
             "points": [{"id": "hear"}],
             "routes": [{"from": "a.in", "to": "out.out", "map": [{"from": 0, "to": 0}],
                         "knobs": ["fader", {"knob": "pan", "gainDb": {"left": 3, "right": "off"}}]},
                        {"from": "a.in", "to": "hear"}],
             "knobs": [{"id": "fader", "label": "fader", "kind": "level", "role": "fader", "was": "level"},
                       {"id": "pan", "label": "pan", "kind": "choice", "role": "pan", "options": {"left": "left", "right": "right"}}],
             "endpoints": [{"id": "mix", "label": "mix", "port": "usb", "hears": "hear"},
                           {"id": "one", "label": "1", "port": "usb", "hears": "hear", "within": "mix"}],
             "letters": 8,
             "pads": {"banks": 2, "each": 8},
             "controls": [{"id": "f1", "label": "1", "reach": "hand", "prints": "CHAT", "means": ["caller"], "takes": ["fader"]}]}
            """;

    @ParameterizedTest(name = "{2}")
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '`',
            value = {
                "\"was\": \"level\"      | \"was\": \"pan\"    | there is still a knob \"pan\", so nothing took its place",
                "\"right\": \"off\"      | \"right\": \"shut\" | a number was expected",
                "\"within\": \"mix\"     | \"within\": \"one\" | there is no whole endpoint \"one\"",
                "\"letters\": 8          | \"letters\": 80    | 80 is out of range; 0 to 40 is possible here",
                "\"banks\": 2, \"each\": 8 | \"banks\": 2     | \"each\" is missing here",
                "\"banks\": 2, \"each\": 8 | \"each\": 8, \"colour\": 1 | there is no field \"colour\"",
                "\"reach\": \"hand\"     | \"reach\": \"foot\" | there is no reach \"foot\"",
                "\"means\": [\"caller\"] | \"means\": [\"dog\"]  | there is no thing to carry \"dog\"",
                "\"prints\": \"CHAT\", |                     | nothing is printed here that could mean anything; say \"prints\"",
                "\"takes\": [\"fader\"]  | \"takes\": [\"pan\"]  | there is no fader \"pan\"; there is fader",
                "\"role\": \"pan\"       | \"role\": \"pam\"   | there is no role \"pam\"; did you mean \"pan\"?",
                "\"second\": \"pan\"     | \"second\": \"ch9\" | no knob belongs to \"ch9\"",
                "\"second\": \"pan\"     | \"second\": \"fader\" | \"fader\" cannot be linked to itself",
                "\"second\": \"pan\"}    | \"second\": \"pan\"}, {\"first\": \"pan\", \"second\": \"fader\"} | \"pan\" is linked already"
            })
    void aMistakeOnADeskIsRefusedToo(String right, String wrong, String message)
            throws FileTrouble {
        assertThat(Templates.parse(DESK, "desk.json").desk().pads()).isEqualTo(8);
        assertThat(DESK).contains(right);
        assertThatThrownBy(
                        () ->
                                Templates.parse(
                                        DESK.replace(right, wrong == null ? "" : wrong),
                                        "desk.json"))
                .isInstanceOf(FileTrouble.class)
                .hasMessageContaining(message);
    }
}
