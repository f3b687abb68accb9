package rivulus.say;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import rivulus.gear.Endpoint;
import rivulus.gear.GearKind;
import rivulus.gear.Picker;
import rivulus.gear.Setting;
import rivulus.gear.Template;
import rivulus.show.Device;

/// "join Maren's mic and Ivo's mic to Show desk", "mics > Show desk"; where a program is at
/// one end, what it plays to or hears: "Call program > USB 1 call", "USB 2 > Streaming program".
final class JoinLines implements Said.Reader {
    private static final String JOIN = "join ";

    @Override
    public Optional<Said> read(Spoken line) {
        boolean joins = Said.low(line.line()).startsWith(JOIN);
        if (!joins && !line.line().contains(">")) return Optional.empty();
        String plain = joins ? line.line().substring(JOIN.length()) : line.line();
        String joint = plain.contains(">") ? ">" : " to ";
        int at = plain.lastIndexOf(joint);
        if (at < 0) return unclear(line, plain);
        String from = plain.substring(0, at).strip();
        String to = plain.substring(at + joint.length()).strip();
        return program(line, from)
                .map(program -> picks(line, program, to, true))
                .or(() -> program(line, to).map(program -> picks(line, program, from, false)))
                .orElseGet(() -> leads(line, from, to));
    }

    private static Optional<Said> unclear(Spoken line, String what) {
        return Optional.of(Said.of(line, new Meaning.Nothing(), List.of(what)));
    }

    // Leads

    private static Optional<Said> leads(Spoken line, String from, String to) {
        List<String> unclear = new ArrayList<>();
        List<String> here = ends(line, from, unclear);
        List<String> there = ends(line, to, unclear);
        if (!unclear.isEmpty()) return Optional.of(Said.of(line, new Meaning.Nothing(), unclear));
        if (here.isEmpty() || there.stream().anyMatch(here::contains)) return unclear(line, from);
        return Optional.of(Said.of(line, new Meaning.Joins(here, there), List.of()));
    }

    /// The ids of machines by their names, in which "and" may stand too, or of all of a kind that
    /// no lead is in yet: "Maren's mic and Ivo's mic", "headphones".
    private static List<String> ends(Spoken line, String words, List<String> unclear) {
        Optional<Device> whole = line.device(words);
        if (whole.isPresent()) return List.of(whole.get().id());
        List<String> ends = new ArrayList<>();
        for (String one : words.split(",| and ")) {
            if (one.isBlank()) continue;
            Optional<Device> device = line.device(one);
            List<String> alike = device.isPresent() ? List.of() : alike(line, one);
            device.ifPresent(d -> ends.add(d.id()));
            ends.addAll(alike);
            if (device.isEmpty() && alike.isEmpty()) unclear.add(one.strip());
        }
        return ends.stream().distinct().toList();
    }

    private static List<String> alike(Spoken line, String words) {
        return Kinds.find(words, line.catalogue()).stream()
                .flatMap(
                        kind ->
                                line.show().rig().devices().stream()
                                        .filter(device -> device.template().equals(kind.id())))
                .map(Device::id)
                .filter(id -> !isJoined(line, id))
                .toList();
    }

    private static boolean isJoined(Spoken line, String device) {
        return line.show().rig().cables().stream().anyMatch(cable -> cable.touches(device));
    }

    // Programs

    private static Optional<Device> program(Spoken line, String name) {
        return line.device(name).filter(d -> kind(line, d).kind() == GearKind.PROGRAM);
    }

    private static Template kind(Spoken line, Device device) {
        return line.catalogue().get(device.template());
    }

    private static Optional<Said> picks(Spoken line, Device program, String end, boolean plays) {
        Optional<Picker> picker = picker(line, program, plays);
        if (picker.isEmpty()) return unclear(line, program.name());
        for (Device device : line.show().rig().devices()) {
            Template kind = kind(line, device);
            boolean elsewhere = kind.isComputer() && !device.id().equals(program.on());
            if (elsewhere) continue;
            for (Endpoint endpoint : kind.endpoints()) {
                boolean can = plays ? endpoint.plays().isPresent() : endpoint.hears().isPresent();
                if (can && picker.get().sees(endpoint) && isCalled(device, kind, endpoint, end)) {
                    String said =
                            "%s %s %s %s"
                                    .formatted(
                                            program.name(),
                                            plays ? "plays to" : "hears",
                                            device.name(),
                                            endpoint.label());
                    return Optional.of(
                            Said.of(
                                    line,
                                    new Meaning.Picks(
                                            program.id(),
                                            picker.get().id(),
                                            device.id() + "/" + endpoint.id(),
                                            said.strip()),
                                    List.of()));
                }
            }
        }
        return unclear(line, end);
    }

    /// By its label, with or without the machine before it; a machine that offers but one thing by
    /// its name.
    private static boolean isCalled(Device device, Template kind, Endpoint endpoint, String words) {
        String name = Spoken.plain(words);
        String label = Said.low(endpoint.label());
        boolean only = kind.endpoints().size() == 1 && Said.low(device.name()).equals(name);
        return only || label.equals(name) || (Said.low(device.name()) + " " + label).equals(name);
    }

    /// The first picker of that direction that nobody has set, else the first.
    private static Optional<Picker> picker(Spoken line, Device program, boolean plays) {
        Picker.Picks picks = plays ? Picker.Picks.OUTPUT : Picker.Picks.INPUT;
        List<Picker> pickers =
                kind(line, program).pickers().stream()
                        .filter(picker -> picker.picks() == picks)
                        .toList();
        return pickers.stream()
                .filter(picker -> isUnset(program.knobs().get(picker.id())))
                .findFirst()
                .or(() -> pickers.stream().findFirst());
    }

    private static boolean isUnset(Setting setting) {
        return setting == null || setting.equals(new Setting.Choice(Picker.NONE));
    }
}
