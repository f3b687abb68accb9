package rivulus.show;

import rivulus.disk.Worded;

/// Where a rule draws a line. Every threshold of the program by which something is judged stands
/// here, once; a show may say otherwise.
///
/// Sources are named in REFERENCE; ~ marks a rule of thumb.
public enum Limit implements Worded {
    HEARD(-30, "dB", -80, 0, "what must be heard is missing under this level, against nominal ~"),
    FAINT(-20, "dB", -80, 0, "what must be heard is faint under this level ~"),
    LOUD(15, "dB", 0, 60, "what is heard is too loud above this, against nominal ~"),
    LEAK(-30, "dB", -80, 0, "what must not be heard leaks above this level ~"),
    LEAK_PRIVATE(
            -50,
            "dB",
            -80,
            0,
            "the same of talkback and of music that is not licensed, for the public ~"),
    BLEED(
            -12,
            "dB",
            -80,
            0,
            "the same on a record track, where neighbours always bleed a little ~"),
    BLEED_BAD(
            -6,
            "dB",
            -80,
            0,
            "and above this the track is no longer that of one voice: a problem ~"),
    OWN_VOICE_LEVEL(-25, "dB", -80, 0, "own voice under this level does not matter ~"),
    OWN_VOICE(10, "ms", 1, 500, "own voice is late from here on (REFERENCE, own voice)"),
    OWN_VOICE_BAD(30, "ms", 1, 500, "own voice disturbs from here on (REFERENCE, own voice)"),
    ECHO_RATING(75, "R", 0, 100, "a caller's echo is a caution under this rating (ITU-T G.107)"),
    ECHO_RATING_BAD(
            60, "R", 0, 100, "and a problem under this one (ITU-T G.107, many dissatisfied)"),
    COLOURS(
            10,
            "dB",
            0,
            60,
            "a second arrival that fuses matters within this (three-to-one rule ~)"),
    COLOURS_BAD(4, "dB", 0, 60, "and is a problem within this ~"),
    SLAPS(15, "dB", 0, 60, "the same between 30 and 50 ms ~"),
    ECHOES(25, "dB", 0, 60, "the same over 50 ms ~"),
    SOFT(
            6,
            "dB",
            0,
            40,
            "what goes out or is kept is soft with every voice so far under nominal ~"),
    SOFT_AMONG(10, "dB", 0, 40, "a voice so far under the loudest of the others is soft ~"),
    BALANCE(2, "dB", 0, 20, "what is wanted so far under the voices may be off by this ~"),
    BALANCE_BAD(6, "dB", 0, 40, "and off by more is a problem for the public and for tracks ~"),
    PROGRAMME(
            0,
            "dB",
            0,
            40,
            "music and programme lie so far under the voices for the public; 0 where nobody asks, 10"
                    + " to 15 usual, more for who hears badly ~"),
    AS_FROM(
            2,
            "m",
            0.5,
            20,
            "loudspeakers are to bring who talks as near as that to an audience: the equivalent"
                    + " acoustic distance ~"),
    LOOP_MARGIN(6, "dB", 0, 40, "a loop wants at least this margin (REFERENCE, feedback)"),
    REMEDY_LOSS(
            6.5,
            "dB",
            0,
            40,
            "a remedy may take so much from what must be heard: the second of two equal arrivals"),
    CREST(
            12,
            "dB",
            0,
            30,
            "peaks of programme lie so far above its nominal level (REFERENCE, levels)"),
    PEAKS_LOW(-12, "dBFS", -40, 0, "peaks of loud moments should come up to this (level habit ~)"),
    PEAKS_HIGH(-6, "dBFS", -30, 0, "and not go over this (level habit ~)"),
    NOISE(30, "dB", 0, 120, "the average of what is wished lies at least so far over all noise ~"),
    EARS(80, "dB(A)", 40, 140, "what an ear may get on average, spread over 8 h (2003/10/EC) ~"),
    EARS_BAD(85, "dB(A)", 40, 140, "and must not get (2003/10/EC, upper action value) ~"),
    CLIPS(10, "%", 0, 100, "what clips for more of the loud moments is a problem at any ear ~"),
    GATE_CUTS(5, "%", 0, 100, "a gate may cut no more of what somebody says than this ~"),
    GATE_OVER(6, "dB", 0, 60, "a gate opens so far over the noise, or it never closes ~"),
    UNEVEN(3, "LU", 0, 20, "voices that differ by more sound uneven (REFERENCE, level habit ~)"),
    UNEVEN_BAD(6, "LU", 0, 40, "and by more are a problem for the public ~"),
    PUBLIC_LUFS(-16, "LUFS", -40, -5, "loudness of what goes out, stereo (REFERENCE, targets ~)"),
    PUBLIC_SPREAD(1, "LU", 0.1, 10, "and how far it may be off (EBU R 128, live)"),
    PUBLIC_PEAK(-1, "dBTP", -20, 0, "the highest true peak of what goes out (EBU R 128)"),
    OVERLOAD(2, "dB", 0, 30, "an overload smaller than this is left to the gain knob ~"),
    LACKING(
            25,
            "dB",
            0,
            80,
            "more gain than this makes noise heard; a microphone in a line input wants 46 ~"),
    TURNED_DOWN(10, "dB", 0, 80, "more than this is taken off by a pad, not by sending less ~"),
    BRIDGING(
            5,
            "times",
            1,
            100,
            "an input has at least so many times the impedance of what feeds it ~"),
    TREBLE_LOSS(3, "dB", 0, 40, "a pickup that loses more than this sounds dull ~"),
    HUM_PLAIN(40, "dB", 0, 120, "hum less than this under the signal is plain ~"),
    HUM_AUDIBLE(60, "dB", 0, 120, "and less than this is audible in pauses ~"),
    HUM_FAINT(80, "dB", 0, 120, "and less than this is faint ~"),
    USB_SHARE(0.9, "of 1", 0.1, 1, "a USB port should not be asked for more than this share ~"),
    STRIP_SHARE(
            0.8, "of 1", 0.1, 1, "an outlet strip should not be asked for more for hours on end ~"),
    BATTERY_EFFICIENCY(
            0.85, "of 1", 0.1, 1, "of what a battery holds, this much comes out (REFERENCE)"),
    BATTERY_AGEING(0.8, "of 1", 0.1, 1, "a battery that is no longer new holds this much of it ~"),
    BATTERY_SPARE(1.25, "times", 1, 10, "a battery should last so many times the evening ~"),
    SET_UP(60, "min", 0, 1000, "from switching on to the doors ~"),
    OVERRUN(30, "min", 0, 1000, "after the last scene ~"),
    PICTURE_EARLY(45, "ms", 0, 1000, "sound early by more is noticed (ITU-R BT.1359-1)"),
    PICTURE_LATE(125, "ms", 0, 1000, "sound late by more is noticed (ITU-R BT.1359-1)"),
    PICTURE_EARLY_BAD(90, "ms", 0, 1000, "sound early by more is unacceptable (ITU-R BT.1359-1)"),
    PICTURE_LATE_BAD(185, "ms", 0, 1000, "sound late by more is unacceptable (ITU-R BT.1359-1)"),
    CHAIN_EARLY(40, "ms", 0, 1000, "what the whole chain should keep to, sound early (EBU R 37)"),
    CHAIN_LATE(60, "ms", 0, 1000, "what the whole chain should keep to, sound late (EBU R 37)"),
    DRAWN(-45, "dB", -80, 0, "what is fainter is not drawn ~"),
    WAY_DRAWN(20, "dB", 0, 80, "a way fainter than the strongest by more is not drawn ~"),
    WAY_TOLD(25, "dB", 0, 80, "nor told with a finding by more than this ~"),
    ARRIVAL_DRAWN(26, "dB", 0, 80, "an arrival fainter than the strongest by more is not drawn ~");

    private final double usual;
    private final String unit;
    private final double least;
    private final double most;
    private final String about;

    Limit(double usual, String unit, double least, double most, String about) {
        this.usual = usual;
        this.unit = unit;
        this.least = least;
        this.most = most;
        this.about = about;
    }

    /// Where the line is drawn unless the show says otherwise.
    public double usual() {
        return usual;
    }

    /// `dB`, `dB(A)`, `dBFS`, `dBTP`, `LU`, `LUFS`, `ms`, `min`, `R`, `%`, `of 1` or `times`.
    public String unit() {
        return unit;
    }

    /// The least that may be said.
    public double least() {
        return least;
    }

    /// The most that may be said.
    public double most() {
        return most;
    }

    /// What it divides, as a clause, and where that comes from.
    public String about() {
        return about;
    }
}
