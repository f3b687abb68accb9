package rivulus.show;

import java.util.List;
import rivulus.disk.Worded;

/// Where people who do this work disagree. Each school is sound, and each costs something; the
/// first is what holds where nobody has said.
public enum Habit implements Worded {
    STREAM_MIX(
            "The stream's mix",
            new Way(
                    "separate",
                    "a mix of its own",
                    "One mix more to set, and somebody to listen to it."),
            new Way(
                    "house",
                    "a copy of the house mix",
                    "What the room hears bare is too soft on the stream, and every turn for the"
                            + " room is heard there.")),
    TAPS(
            "Tracks are taken",
            new Way(
                    "pre",
                    "before the fader",
                    "A mute does not silence them: what is said off air is recorded."),
            new Way(
                    "post",
                    "after the fader",
                    "A fader pulled too early is a word lost for the edit.")),
    HUB(
            "The mix is made in",
            new Way(
                    "desk",
                    "one desk in hardware",
                    "As many inputs and feeds as it has, and no more."),
            new Way(
                    "software",
                    "a software mixer",
                    "Every way through it is late by its buffers, and it stops when its computer"
                            + " does."),
            new Way(
                    "streaming",
                    "the streaming computer",
                    "Feeds for callers and headphones are what it lacks first.")),
    OWN_VOICE(
            "People hear themselves",
            new Way("direct", "direct, in hardware", "The desk has to have a feed for it."),
            new Way(
                    "computer",
                    "through the computer, with small buffers",
                    "Late by both buffers; small ones crackle when the computer is busy."),
            new Way(
                    "none",
                    "not at all",
                    "People talk louder, and nobody hears a dead microphone.")),
    LEVEL(
            "Levels are set by",
            new Way(
                    "peaks",
                    "peaks between −12 and −6 dBFS, ceiling −1 dBTP",
                    "Voices of equal peaks are not equally loud."),
            new Way(
                    "loudness",
                    "loudness in LUFS, ceiling −1 dBTP",
                    "A meter for it, and half a minute of speech to read it.")),
    HUM(
            "Hum is ended by",
            new Way(
                    "isolation",
                    "a transformer or a balanced line first, then a battery",
                    "A box in the way, with its price and its weight."),
            new Way(
                    "battery",
                    "a battery first, then a transformer",
                    "It has to last the evening, and must not be charged meanwhile.")),
    COMPRESS(
            "Voices are compressed",
            new Way(
                    "desk",
                    "in the desk, before the link",
                    "It is in every feed, and cannot be taken out afterwards."),
            new Way(
                    "streaming",
                    "in the streaming program, after the link",
                    "Loud words reach the link as they are: leave room for them."));

    private final String about;
    private final List<Way> ways;

    Habit(String about, Way... ways) {
        this.about = about;
        this.ways = List.of(ways);
    }

    /// One school.
    ///
    /// @param word as files write it
    /// @param phrase after [#about()]: "before the fader"
    /// @param costs what it costs, a sentence
    public record Way(String word, String phrase, String costs) {}

    /// What it is about: "Tracks are taken".
    public String about() {
        return about;
    }

    /// The schools; the first holds where nobody has said.
    public List<Way> ways() {
        return ways;
    }

    /// The school of that word.
    ///
    /// @throws IllegalArgumentException if there is none
    public Way way(String word) {
        return ways.stream()
                .filter(way -> way.word().equals(word))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("no way \"" + word + "\""));
    }
}
