package rivulus.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.function.IntFunction;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import rivulus.disk.FileTrouble;
import rivulus.file.ShowFile;
import rivulus.gear.Catalogue;
import rivulus.show.Show;

/// A rig as large as Rivulus is meant for: 64 sources, 48 mixes, 12 computers, 40 ears, 12 scenes.
///
/// Six rooms of four people with a microphone each, who also spill into each other's, with
/// loudspeakers in the first room, so that its microphones close a loop; 16 callers on four
/// computers; 16 players in the desk and 8 on four computers; four computers that stream. The desk
/// has 64 strips and 48 mixes, and every mix takes every strip but its own return.
final class LargeRig {
    private static final int ROOMS = 6;
    private static final int SEATS = 4;
    private static final int MICS = ROOMS * SEATS;
    private static final int COMPUTERS = 12;
    private static final int PADS = 16;
    private static final int CALLERS_EACH = 4;
    private static final int PHONES = 24;
    private static final int SCENES = 12;

    private LargeRig() {}

    /// The rig, as a show that was read from text.
    static Show show(Catalogue catalogue) {
        try {
            return ShowFile.parse(text(), "large rig", catalogue);
        } catch (FileTrouble broken) {
            throw new IllegalStateException(broken);
        }
    }

    private static String text() {
        return """
        {"rivulus": 1, "title": "A large rig", "cast": {"people": [%s], "playback": [%s]},
         "places": [%s], "ears": [%s], "rig": {"devices": [%s], "cables": [%s]},
         "scenes": [%s],
         "mutes": [{"id": "cough", "name": "First cough key", "knob": "desk/m1.mute", "to": true,
                    "silences": ["voice1"]}],
         "templates": [%s]}
        """
                .formatted(
                        people(),
                        playback(),
                        places(),
                        ears(),
                        devices(),
                        cables(),
                        scenes(),
                        desk());
    }

    private static String each(int count, IntFunction<String> item) {
        return IntStream.rangeClosed(1, count).mapToObj(item).collect(Collectors.joining(", "));
    }

    private static String joined(List<String> items) {
        return String.join(", ", items);
    }

    private static int room(int mic) {
        return (mic - 1) / SEATS + 1;
    }

    private static int callers() {
        return 4 * CALLERS_EACH;
    }

    private static String people() {
        return each(
                        MICS,
                        i ->
                                """
                        {"id": "voice%1$d", "name": "Voice %1$d", "role": "guest", "place": "room%2$d"}"""
                                        .formatted(i, room(i)))
                + ", "
                + each(
                        callers(),
                        i ->
                                """
                        {"id": "caller%1$d", "name": "Caller %1$d", "role": "caller", "place": "away%1$d"}"""
                                        .formatted(i));
    }

    private static String playback() {
        return each(
                        PADS,
                        i ->
                                """
                        {"id": "pad%1$d", "name": "Pad %1$d", "kind": "cues", "at": "desk/p%1$d.player"}"""
                                        .formatted(i))
                + ", "
                + each(
                        8,
                        i ->
                                """
                        {"id": "clip%1$d", "name": "Clip %1$d", "kind": "clip", "at": "player%1$d/player"}"""
                                        .formatted(i));
    }

    private static String places() {
        return each(ROOMS, LargeRig::roomOf)
                + ", {\"id\": \"desk-room\", \"name\": \"Desk room\", \"room\": \"room-soft\"}, "
                + each(
                        callers(),
                        i ->
                                """
                        {"id": "away%1$d", "name": "Away %1$d", "room": "room-hard"}"""
                                        .formatted(i));
    }

    private static String roomOf(int room) {
        String near =
                each(
                        SEATS,
                        seat ->
                                """
                        {"from": "voice%1$d", "to": "mic%1$d", "word": "at the mouth"}"""
                                        .formatted((room - 1) * SEATS + seat));
        return """
        {"id": "room%1$d", "name": "Room %1$d", "room": "room-soft", "distances": [%2$s]}"""
                .formatted(room, near);
    }

    private static String ears() {
        List<String> ears = new ArrayList<>();
        for (int i = 1; i <= 12; i++)
            ears.add(
                    "{\"id\": \"voice%1$d\", \"name\": \"Voice %1$d\", \"kind\": \"person\", \"of\": \"voice%1$d\"}"
                            .formatted(i));
        for (int i = 1; i <= callers(); i++)
            ears.add(
                    "{\"id\": \"caller%1$d\", \"name\": \"Caller %1$d\", \"kind\": \"person\", \"of\": \"caller%1$d\"}"
                            .formatted(i));
        for (int i = 1; i <= 4; i++)
            ears.add(
                    "{\"id\": \"stream%1$d\", \"name\": \"Stream %1$d\", \"kind\": \"stream\", \"at\": [\"streaming%1$d/stream\"]}"
                            .formatted(i));
        for (int i = 1; i <= 8; i++)
            ears.add(
                    "{\"id\": \"track%1$d\", \"name\": \"Track %1$d\", \"kind\": \"track\", \"of\": \"voice%1$d\", \"at\": [\"desk/card.m%1$d\"]}"
                            .formatted(i));
        return joined(ears);
    }

    private static String devices() {
        List<String> devices = new ArrayList<>();
        for (int i = 1; i <= MICS; i++) {
            devices.add(
                    device("mic" + i, "dynamic-mic", "\"place\": \"room%d\"".formatted(room(i))));
            devices.add(device("cups" + i, "headphones", "\"worn\": \"voice%d\"".formatted(i)));
        }
        devices.add(
                device(
                        "speakers",
                        "loudspeaker-pair",
                        "\"place\": \"room1\", \"knobs\": {\"volume\": -6}"));
        devices.add(device("desk", "large-desk", "\"place\": \"desk-room\""));
        for (int i = 1; i <= COMPUTERS; i++) {
            devices.add(
                    device(
                            "computer" + i,
                            "tower",
                            """
                            "place": "desk-room", "knobs": {"default-output": "desk/main%1$d", "default-input": "desk/main%1$d"}"""
                                    .formatted(i)));
        }
        for (int c = 1; c <= 4; c++) {
            devices.add(
                    device(
                            "call" + c,
                            "call-program",
                            """
                            "on": "computer%1$d", "knobs": {"plays-to": "desk/chat%1$d", "hears": "desk/chat%1$d"}"""
                                    .formatted(c)));
            devices.add(device("service" + c, "call-service", "\"place\": \"desk-room\""));
            devices.add(
                    device(
                            "streaming" + c,
                            "streaming-program",
                            """
                            "on": "computer%1$d", "knobs": {"desktop.of": "default", "input1.of": "desk/chat%1$d"}"""
                                    .formatted(c + 4)));
        }
        for (int i = 1; i <= 8; i++)
            devices.add(
                    device(
                            "player" + i,
                            "player",
                            "\"on\": \"computer%d\"".formatted(9 + (i - 1) / 2)));
        for (int i = 1; i <= callers(); i++)
            devices.add(
                    device("headset" + i, "far-headset", "\"worn\": \"caller%d\"".formatted(i)));
        return joined(devices);
    }

    private static String device(String id, String template, String rest) {
        return "{\"id\": \"%1$s\", \"name\": \"%1$s\", \"template\": \"%2$s\", %3$s}"
                .formatted(id, template, rest);
    }

    private static String cables() {
        List<String> cables = new ArrayList<>();
        for (int i = 1; i <= MICS; i++) {
            cables.add(cable(cables.size(), "mic%d/out".formatted(i), "desk/m%d".formatted(i)));
            cables.add(cable(cables.size(), "desk/h%d".formatted(i), "cups%d/in".formatted(i)));
        }
        cables.add(cable(cables.size(), "desk/house", "speakers/in"));
        for (int i = 1; i <= COMPUTERS; i++)
            cables.add(
                    cable(
                            cables.size(),
                            "desk/usb%d".formatted(i),
                            "computer%d/usb-1".formatted(i)));
        for (int c = 1; c <= 4; c++) {
            cables.add(
                    cable(cables.size(), "call%d/net".formatted(c), "service%d/p1".formatted(c)));
            for (int k = 1; k <= CALLERS_EACH; k++)
                cables.add(
                        cable(
                                cables.size(),
                                "service%d/p%d".formatted(c, k + 1),
                                "headset%d/net".formatted((c - 1) * CALLERS_EACH + k)));
        }
        return joined(cables);
    }

    private static String cable(int number, String from, String to) {
        return "{\"id\": \"c%d\", \"from\": \"%s\", \"to\": \"%s\"}".formatted(number, from, to);
    }

    private static String scenes() {
        return each(
                SCENES,
                i ->
                        """
                {"id": "scene%1$d", "name": "Scene %1$d", "quiet": ["voice%2$d", "clip%3$d"],
                 "knobs": {"desk/m%2$d.mute": true, "desk/p%1$d.fader": -%1$d, "player%3$d/level": "off"}}"""
                                .formatted(i, i + 12, (i - 1) % 8 + 1));
    }

    private static String desk() {
        return """
        {"template": "large-desk", "name": "Desk with 64 strips and 48 mixes", "kind": "desk",
         "lists": {"mics": [%s], "pads": [%s], "pairs": [%s], "stereo": [%s], "strips": [%s],
                   "phones": [%s], "outs": [%s], "n": "1..12"},
         "ports": [
           {"id": "{s}", "for": {"s": "mics"}, "connector": "XLR", "carries": "mic", "takes": 1},
           {"id": "{h}", "for": {"h": "phones"}, "connector": "6.3 mm stereo", "carries": "line", "gives": 2},
           {"id": "house", "connector": "6.3 mm balanced pair", "carries": "line", "gives": 2},
           {"id": "usb{i}", "for": {"i": "n"}, "connector": "USB-C", "carries": "usb"}],
         "points": [
           {"id": "strip.{s}.pre", "for": {"s": "mics"}}, {"id": "strip.{s}.post", "for": {"s": "mics"}},
           {"id": "{p}.player", "for": {"p": "pads"}, "channels": 2},
           {"id": "strip.{s}.pre", "for": {"s": "stereo"}, "channels": 2},
           {"id": "strip.{s}.post", "for": {"s": "stereo"}, "channels": 2},
           {"id": "{p}.play", "for": {"p": "pairs"}, "channels": 2},
           {"id": "{p}.hear", "for": {"p": "pairs"}, "channels": 2},
           {"id": "out.{o}", "for": {"o": "outs"}, "channels": 2},
           {"id": "card.{s}", "for": {"s": "mics"}}],
         "routes": [
           {"for": {"s": "mics"}, "from": "{s}.in", "to": "strip.{s}.pre", "delayMs": 1},
           {"for": {"s": "mics"}, "from": "strip.{s}.pre", "to": "card.{s}"},
           {"for": {"p": "pads"}, "from": "{p}.player", "to": "strip.{p}.pre"},
           {"for": {"p": "pairs"}, "from": "{p}.play", "to": "strip.{p}.pre", "delayMs": 3},
           {"for": {"s": "strips"}, "from": "strip.{s}.pre", "to": "strip.{s}.post",
            "knobs": [{"knob": "{s}.mute", "open": ["off"]}, "{s}.fader"]},
           {"for": {"s": "strips", "o": "outs"}, "unless": "{s}={o}", "from": "strip.{s}.post", "to": "out.{o}",
            "knobs": [{"knob": "{o}.tap", "open": ["post"]}, "{o}.send.{s}"]},
           {"for": {"s": "strips", "o": "outs"}, "unless": "{s}={o}", "from": "strip.{s}.pre", "to": "out.{o}",
            "knobs": [{"knob": "{o}.tap", "open": ["pre"]}, "{o}.send.{s}"]},
           {"for": {"h": "phones"}, "from": "out.{h}", "to": "{h}.out", "delayMs": 1},
           {"from": "out.h1", "to": "house.out", "delayMs": 1},
           {"for": {"p": "pairs"}, "from": "out.{p}", "to": "{p}.hear", "delayMs": 3}],
         "knobs": [
           {"id": "{s}.mute", "for": {"s": "strips"}, "label": "{s} mute", "kind": "switch", "role": "mute"},
           {"id": "{s}.fader", "for": {"s": "strips"}, "label": "{s} fader", "kind": "level", "role": "fader"},
           {"id": "{o}.tap", "for": {"o": "outs"}, "label": "{o} tap", "kind": "choice", "role": "tap",
            "options": {"post": "after the faders", "pre": "before the faders"}},
           {"id": "{o}.send.{s}", "for": {"o": "outs", "s": "strips"}, "unless": "{s}={o}", "label": "{o} send of {s}", "kind": "level", "role": "send"}],
         "endpoints": [
           {"id": "main{i}", "for": {"i": "n"}, "label": "main {i}", "port": "usb{i}", "plays": "main{i}.play", "hears": "main{i}.hear"},
           {"id": "chat{i}", "for": {"i": "n"}, "label": "chat {i}", "port": "usb{i}", "plays": "chat{i}.play", "hears": "chat{i}.hear"}]}
        """
                .formatted(
                        quoted("m", MICS),
                        quoted("p", PADS),
                        pairs(),
                        quoted("p", PADS) + ", " + pairs(),
                        quoted("m", MICS) + ", " + quoted("p", PADS) + ", " + pairs(),
                        quoted("h", PHONES),
                        quoted("h", PHONES) + ", " + pairs());
    }

    private static String pairs() {
        return quoted("main", COMPUTERS) + ", " + quoted("chat", COMPUTERS);
    }

    private static String quoted(String stem, int count) {
        return each(count, i -> "\"" + stem + i + "\"");
    }
}
