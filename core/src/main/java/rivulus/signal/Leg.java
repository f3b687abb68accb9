package rivulus.signal;

import java.util.List;
import rivulus.gear.Band;
import rivulus.gear.ChannelMap;
import rivulus.gear.Delay;
import rivulus.gear.Governor;
import rivulus.show.Ref;

/// One stretch of the graph between two points: a route inside a device, a lead, a program's pick,
/// air, or an earpiece.
///
/// @param gainDb gain with every governor at 0 dB
/// @param map which channels it joins, at which gain
/// @param marks what is done to the sound on the way, see [rivulus.gear.Route]
/// @param processing what acts on the sound by its level or its tone
/// @param governors the knobs that govern it, by their place in [SignalGraph#knobs()]
public record Leg(
        int index,
        Kind kind,
        Ref from,
        Ref to,
        double gainDb,
        Delay delay,
        Band band,
        List<String> marks,
        List<ChannelMap> map,
        Processing processing,
        List<Govern> governors) {
    public Leg {
        marks = List.copyOf(marks);
        map = List.copyOf(map);
        governors = List.copyOf(governors);
    }

    private static final String CLEANS_UP = "voice-clean-up";

    /// Whether it keeps voices and takes away all else, as a call program's clean-up does.
    public boolean keepsOnlyVoices() {
        return marks.contains(CLEANS_UP);
    }

    /// The same stretch between two other points of as many channels.
    Leg between(int newIndex, Ref newFrom, Ref newTo, List<Govern> newGovernors) {
        return new Leg(
                newIndex,
                kind,
                newFrom,
                newTo,
                gainDb,
                delay,
                band,
                marks,
                map,
                processing,
                newGovernors);
    }

    /// What the sound passes on this stretch.
    public enum Kind {
        /// A route inside a device.
        ROUTE,
        /// A lead.
        CABLE,
        /// A program's or computer's pick of an endpoint.
        PICK,
        /// Air in a room.
        AIR,
        /// From an earpiece into an ear.
        WORN
    }

    /// One governing knob and what it does to the leg.
    public record Govern(int knob, Governor governor) {}
}
