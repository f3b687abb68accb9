package rivulus.bench;

import java.util.function.IntFunction;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import rivulus.disk.FileTrouble;
import rivulus.file.ShowFile;
import rivulus.gear.Catalogue;
import rivulus.show.Show;

/// A rig of any size: everybody in one room, each with a microphone that hears all the others, into
/// a desk with four outputs that carry all of them, two of which are streamed; the other ears sit
/// in the room. The second stream is shut: it lacks everybody. Scene by scene a send is turned.
///
/// @param sources people with a microphone each
/// @param ears at least 3
/// @param deaf whether the ears of people are in another room, where nobody is heard
record GrowingRig(int sources, int ears, int scenes, boolean deaf) {
    GrowingRig(int sources, int ears, int scenes) {
        this(sources, ears, scenes, false);
    }

    private static final int STREAMS = 2;
    private static final int OUTPUTS = 4;

    Show show(Catalogue catalogue) {
        try {
            return ShowFile.parse(text(), toString(), catalogue);
        } catch (FileTrouble broken) {
            throw new IllegalStateException(broken);
        }
    }

    private static String each(int count, IntFunction<String> item) {
        return IntStream.rangeClosed(1, count).mapToObj(item).collect(Collectors.joining(",\n"));
    }

    private String text() {
        return """
        {"rivulus": 1, "title": "A growing rig",
         "cast": {"people": [%s, %s]},
         "places": [{"id": "hall", "name": "Hall", "room": "room-soft", "distances": [%s]},
                    {"id": "booth", "name": "Booth", "room": "room-soft"}],
         "ears": [%s, %s],
         "rig": {"devices": [{"id": "desk", "name": "Desk", "template": "grown-desk", "place": "booth", "knobs": {%s}}, %s],
                 "cables": [%s]},
         "scenes": [%s],
         "templates": [
           {"template": "grown-desk", "name": "Grown desk", "kind": "desk",
            "lists": {"in": "1..%d", "out": "1..%d"},
            "ports": [{"id": "i{i}", "for": {"i": "in"}, "connector": "XLR", "carries": "mic", "takes": 1}],
            "points": [{"id": "o{o}", "for": {"o": "out"}}],
            "routes": [{"for": {"i": "in", "o": "out"}, "from": "i{i}.in", "to": "o{o}", "knobs": ["o{o}.i{i}"]}],
            "knobs": [{"id": "o{o}.i{i}", "for": {"i": "in", "o": "out"}, "label": "{i} in {o}",
                       "kind": "level", "role": "send"}]}]}
        """
                .formatted(
                        each(
                                sources,
                                "{\"id\": \"v%1$d\", \"name\": \"Voice %1$d\", \"role\": \"guest\", \"place\": \"hall\"}"
                                        ::formatted),
                        each(
                                ears - STREAMS,
                                "{\"id\": \"l%1$d\", \"name\": \"Listener %1$d\", \"role\": \"audience\", \"place\": \"PLACE\", \"speaks\": false}"
                                                .replace("PLACE", deaf ? "booth" : "hall")
                                        ::formatted),
                        each(
                                sources,
                                "{\"from\": \"v%1$d\", \"to\": \"m%1$d\", \"word\": \"at the mouth\"}"
                                        ::formatted),
                        each(
                                ears - STREAMS,
                                "{\"id\": \"l%1$d\", \"name\": \"Listener %1$d\", \"kind\": \"person\", \"of\": \"l%1$d\"}"
                                        ::formatted),
                        each(
                                STREAMS,
                                "{\"id\": \"t%1$d\", \"name\": \"Track %1$d\", \"kind\": \"stream\", \"at\": [\"desk/o%1$d\"]}"
                                        ::formatted),
                        each(sources, "\"o2.i%1$d\": \"off\""::formatted),
                        each(
                                sources,
                                "{\"id\": \"m%1$d\", \"name\": \"Mic %1$d\", \"template\": \"dynamic-mic\", \"place\": \"hall\"}"
                                        ::formatted),
                        each(
                                sources,
                                "{\"id\": \"c%1$d\", \"from\": \"m%1$d/out\", \"to\": \"desk/i%1$d\"}"
                                        ::formatted),
                        each(
                                scenes,
                                s ->
                                        "{\"id\": \"s%1$d\", \"name\": \"Scene %1$d\", \"knobs\": {\"desk/o1.i%2$d\": -%3$d}}"
                                                .formatted(s, (s - 1) % sources + 1, s % 40)),
                        sources,
                        OUTPUTS);
    }
}
