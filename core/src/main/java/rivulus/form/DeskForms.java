package rivulus.form;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Optional;
import java.util.SequencedMap;
import rivulus.desk.Channel;
import rivulus.desk.Channels;
import rivulus.desk.DeskPlan;
import rivulus.desk.LayingOut;
import rivulus.desk.Seat;
import rivulus.edit.Edit;
import rivulus.gear.Template;
import rivulus.show.Device;
import rivulus.show.Layout;
import rivulus.show.Playback;

/// The form of a desk laid out: what sits on each control, and what each cue pad plays.
record DeskForms(Ground on) {
    private static final String EMPTY = "";

    /// A desk as a form; empty where there is nothing to lay out.
    Optional<Form> of(Device device) {
        Template kind = on.catalogue().get(device.template());
        if (kind.desk().controls().isEmpty()) return Optional.empty();
        Optional<DeskPlan> found =
                DeskPlan.of(device, kind, Channels.of(on.show(), on.catalogue()));
        if (found.isEmpty()) return Optional.empty();
        DeskPlan plan = found.get();
        List<Field> fields = new ArrayList<>();
        if (plan.isMovable()) for (Seat seat : plan.seats()) fields.add(seat(plan, seat));
        return Optional.of(
                new Form(
                        "desk/" + device.id(),
                        device.name() + ", laid out",
                        fields,
                        plan.isMovable() ? deeds(plan) : List.of()));
    }

    private Field seat(DeskPlan plan, Seat seat) {
        List<Option> options = new ArrayList<>(List.of(Option.none("nothing")));
        for (Channel channel : plan.channels())
            if (seat.control().takes(channel.fader().name()))
                options.add(new Option(channel.fader().name(), channel.words()));
        return new Field.Choice(
                "control-" + seat.control().id(),
                seat.control().label(),
                stands(seat),
                options,
                fader -> placed(plan, seat, fader));
    }

    private static String stands(Seat seat) {
        return seat.channel().map(channel -> channel.fader().name()).orElse(EMPTY);
    }

    /// Whoever sat there goes where the other came from, if it can sit there.
    private Edit placed(DeskPlan plan, Seat seat, String fader) {
        Device device = plan.device();
        if (fader.equals(stands(seat)))
            return laid("Lay out " + device.name(), device, device.layout());
        SequencedMap<String, String> controls = new LinkedHashMap<>();
        for (Seat other : plan.seats())
            other.channel().ifPresent(c -> controls.put(other.control().id(), c.fader().name()));
        String was = controls.remove(seat.control().id());
        if (!fader.isEmpty()) {
            Optional<Seat> from =
                    plan.seats().stream()
                            .filter(s -> fader.equals(controls.get(s.control().id())))
                            .findFirst();
            from.ifPresent(
                    left -> {
                        controls.remove(left.control().id());
                        if (was != null && left.control().takes(was))
                            controls.put(left.control().id(), was);
                    });
            controls.put(seat.control().id(), fader);
        }
        return laid("Lay out " + device.name(), device, device.layout().withControls(controls));
    }

    private Edit laid(String name, Device device, Layout layout) {
        return on.parts().put(name, device.withLayout(layout));
    }

    private List<Deed> deeds(DeskPlan plan) {
        List<Deed> deeds = new ArrayList<>();
        Device device = plan.device();
        Layout best = new LayingOut(plan, on.show()).layout();
        if (!best.equals(device.layout()))
            deeds.add(
                    Deed.of(
                            "lay-out",
                            "Lay it out for me",
                            laid("Lay out " + device.name(), device, best)));
        Device named = device;
        for (Channel channel : plan.channels()) {
            String fader = channel.fader().name();
            String fits = plan.fitted(channel);
            if (!fits.equals(channel.name()))
                named = named.withStrip(fader, device.strip(fader).named(fits));
        }
        if (!named.equals(device))
            deeds.add(
                    Deed.of(
                            "fit-names",
                            "Make the names fit",
                            on.parts().put("Make the names fit " + device.name(), named)));
        if (device.layout().isLaidOut())
            deeds.add(
                    Deed.of(
                            "as-it-comes",
                            "As it comes",
                            laid(
                                    device.name() + " as it comes",
                                    device,
                                    device.layout().withControls(new LinkedHashMap<>()))));
        return deeds;
    }

    // Cue pads

    /// The cue pads of a machine as a form; empty where it has none: the banks that hold something,
    /// and the next; in each the pads that do, and the next.
    Optional<Form> pads(Device device) {
        Template kind = on.catalogue().get(device.template());
        if (kind.desk().pads() == 0) return Optional.empty();
        List<Field> fields = new ArrayList<>();
        Layout layout = device.layout();
        for (int b = 1; b <= kind.desk().banks(); b++) {
            String bank = String.valueOf(b);
            boolean holds = layout.pads().keySet().stream().anyMatch(p -> p.startsWith(bank + "/"));
            fields.add(
                    new Field.Text(
                            "bank-" + bank,
                            "Bank " + bank,
                            layout.banks().getOrDefault(bank, ""),
                            "what it is for",
                            List.of(),
                            typed ->
                                    laid(
                                            "Name bank %s of %s".formatted(bank, device.name()),
                                            device,
                                            layout.withBank(bank, Ground.words(typed)))));
            for (int p = 1; p <= kind.desk().pads(); p++) {
                String number = bank + "/" + p;
                Layout.Pad pad = layout.pad(number);
                fields.addAll(pad(device, number, pad));
                if (pad.isBlank()) break;
            }
            if (!holds) break;
        }
        return Optional.of(
                new Form("pads/" + device.id(), device.name() + ", cue pads", fields, List.of()));
    }

    private List<Field> pad(Device device, String number, Layout.Pad pad) {
        List<Option> playing = new ArrayList<>(List.of(Option.none("nothing yet")));
        playing.addAll(Ground.options(on.show().cast().playback(), Playback::id, Playback::name));
        return List.of(
                new Field.Text(
                        "pad-" + number + ".name",
                        "Pad " + number,
                        pad.name(),
                        "what stands on it",
                        List.of(),
                        typed -> padded(device, number, pad.named(Ground.words(typed)))),
                new Field.Choice(
                        "pad-" + number + ".plays",
                        "plays",
                        pad.plays(),
                        playing,
                        id -> padded(device, number, pad.playing(id))));
    }

    private Edit padded(Device device, String number, Layout.Pad pad) {
        return laid(
                "Change pad %s of %s".formatted(number, device.name()),
                device,
                device.layout().withPad(number, pad));
    }
}
