package rivulus.sheet;

import java.util.ArrayList;
import java.util.List;
import rivulus.check.Proof;
import rivulus.gear.Catalogue;
import rivulus.rig.Channel;
import rivulus.rig.Channels;
import rivulus.show.Device;
import rivulus.show.Habit;
import rivulus.show.Habits;
import rivulus.show.Tape;

/// What is written on the channels of every mixer, and how their levels are set.
final class ChannelSheets {
    private final Proof proof;
    private final Channels channels;

    /// @param kinds every kind of gear, those of the show among them
    ChannelSheets(Proof proof, Catalogue kinds) {
        this.proof = proof;
        channels = new Channels(proof.show(), kinds);
    }

    /// One table for each machine that has channels; those that carry nothing are left out unless
    /// somebody wrote on them.
    List<Part> tables() {
        List<Part> tables = new ArrayList<>();
        for (Device device : proof.show().rig().devices()) {
            List<List<String>> rows = new ArrayList<>();
            for (Channel channel : channels.of(device))
                if (!channel.name().isEmpty() || channel.tape().isPresent())
                    rows.add(
                            List.of(
                                    channel.label(),
                                    channel.name(),
                                    channel.tape().map(Tape::word).orElse(""),
                                    channel.carries()));
            if (!rows.isEmpty())
                tables.add(
                        new Part.Table(
                                device.name(),
                                List.of("channel", "written", "tape", "comes in"),
                                rows,
                                List.of()));
        }
        if (tables.isEmpty())
            tables.add(
                    new Part.Table(
                            "", List.of(), List.of(), List.of("No mixer carries anything yet.")));
        tables.add(new Part.Table("", List.of(), List.of(), habits(proof.show().habits())));
        return tables;
    }

    /// What a hand at the desk has to know of how one likes to work.
    private static List<String> habits(Habits habits) {
        List<String> notes = new ArrayList<>();
        for (Habit habit : List.of(Habit.LEVEL, Habit.COMPRESS, Habit.TAPS)) {
            Habit.Way way = habits.of(habit).orElse(habit.ways().getFirst());
            notes.add("%s %s.".formatted(habit.about(), way.phrase()));
        }
        return notes;
    }
}
