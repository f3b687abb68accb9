package rivulus.sheet;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import rivulus.chart.DeskSheet;
import rivulus.check.Proof;
import rivulus.desk.Channel;
import rivulus.gear.Catalogue;
import rivulus.show.Device;
import rivulus.show.Habit;
import rivulus.show.Habits;
import rivulus.show.Layout;
import rivulus.show.Playback;
import rivulus.show.Source;
import rivulus.show.Tape;

/// Every desk as it lies under the hand, to lay beside it: what sits where, what is written on it,
/// what its keys silence; its cue pads; and how levels are set.
final class ChannelSheets {
    private final Proof proof;
    private final Catalogue kinds;

    /// @param kinds every kind of gear, those of the show among them
    ChannelSheets(Proof proof, Catalogue kinds) {
        this.proof = proof;
        this.kinds = kinds;
    }

    /// One drawing and table for each machine that has channels, and one table for its pads;
    /// controls that hold nothing that is used are left out.
    List<Part> tables() {
        List<Part> tables = new ArrayList<>();
        Function<Device, Optional<DeskSheet>> desks =
                DeskSheet.maker(proof.scenes().getFirst(), kinds);
        for (Device device : proof.show().rig().devices()) {
            desks.apply(device)
                    .map(laid -> new Part.Desk(laid, table(laid)))
                    .filter(part -> !part.table().rows().isEmpty())
                    .ifPresent(tables::add);
            pads(device).ifPresent(tables::add);
        }
        if (tables.isEmpty())
            tables.add(
                    new Part.Table(
                            "", List.of(), List.of(), List.of("No mixer carries anything yet.")));
        tables.add(new Part.Table("", List.of(), List.of(), habits(proof.show().habits())));
        return tables;
    }

    private static Part.Table table(DeskSheet desk) {
        List<List<String>> rows = new ArrayList<>();
        List<String> notes = new ArrayList<>();
        for (DeskSheet.Group group : desk.groups())
            for (DeskSheet.Row row : group.rows()) {
                Optional<Channel> used = row.used();
                if (used.isEmpty()) continue;
                Channel channel = used.get();
                rows.add(
                        List.of(
                                group.title(),
                                row.place(),
                                channel.label(),
                                row.name(),
                                channel.tape().map(Tape::word).orElse(""),
                                String.join(
                                        ", ", channel.comes().stream().map(Source::name).toList()),
                                String.join("; ", row.keys())));
                if (row.taped())
                    notes.add(
                            "Tape over what is printed on %s: it carries %s."
                                    .formatted(row.place(), row.name()));
            }
        return new Part.Table(
                desk.device().name(),
                List.of("where", "control", "channel", "written", "tape", "comes in", "its key"),
                rows,
                notes);
    }

    private Optional<Part> pads(Device device) {
        Layout layout = device.layout();
        if (layout.pads().isEmpty()) return Optional.empty();
        List<List<String>> rows = new ArrayList<>();
        layout.pads()
                .forEach(
                        (number, pad) -> {
                            String bank = number.substring(0, number.indexOf('/'));
                            rows.add(
                                    List.of(
                                            layout.banks().getOrDefault(bank, bank),
                                            number,
                                            pad.name(),
                                            proof.show().cast().playback().stream()
                                                    .filter(p -> p.id().equals(pad.plays()))
                                                    .map(Playback::name)
                                                    .findFirst()
                                                    .orElse("")));
                        });
        return Optional.of(
                new Part.Table(
                        device.name() + ", cue pads",
                        List.of("bank", "pad", "name", "plays"),
                        rows,
                        List.of()));
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
