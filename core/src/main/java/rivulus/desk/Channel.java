package rivulus.desk;

import java.util.List;
import java.util.Optional;
import rivulus.show.Ref;
import rivulus.show.Source;
import rivulus.show.Tape;

/// One channel of a machine.
///
/// @param fader its fader
/// @param leads the fader that moves it: its own, or that of the left side of a linked pair
/// @param before the point before its fader
/// @param mutes its mute keys, in the order of the machine: one for all, or one for each way out
/// @param label as it is printed on the machine: "MIC 1"
/// @param written what somebody wrote on it, or empty
/// @param comes what comes in, the loudest first; what is much weaker than that is bleed and left
///     out
/// @param width how many channels of sound it has
public record Channel(
        Ref fader,
        Ref leads,
        Ref before,
        List<Ref> mutes,
        String label,
        String written,
        Optional<Tape> tape,
        List<Source> comes,
        int width) {
    public Channel {
        mutes = List.copyOf(mutes);
        comes = List.copyOf(comes);
    }

    /// The name of the one source that comes in; empty where there is none, or several.
    public String carries() {
        return comes.size() == 1 ? comes.getFirst().name() : "";
    }

    /// What is written on it, else what comes in, else nothing.
    public String name() {
        return written.isEmpty() ? carries() : written;
    }

    /// With its name: "MIC 1, Maren".
    public String words() {
        return name().isEmpty() ? label : label + ", " + name();
    }

    /// Whether anything comes in, or somebody wrote on it.
    public boolean isUsed() {
        return !comes.isEmpty() || !written.isEmpty();
    }

    /// Its fader and its mutes, or those that it goes by.
    public boolean isTurnedBy(Ref knob) {
        return fader.equals(knob) || leads.equals(knob) || mutes.contains(knob);
    }

    /// Whether it is the right side of a linked pair.
    public boolean isLinked() {
        return !leads.equals(fader);
    }
}
