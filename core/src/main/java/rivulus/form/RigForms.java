package rivulus.form;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import rivulus.desk.Channel;
import rivulus.desk.Channels;
import rivulus.desk.Linking;
import rivulus.disk.Worded;
import rivulus.edit.Edit;
import rivulus.gear.GearKind;
import rivulus.gear.Link;
import rivulus.gear.Port;
import rivulus.gear.Power;
import rivulus.gear.Template;
import rivulus.leads.End;
import rivulus.show.Cable;
import rivulus.show.Device;
import rivulus.show.Person;
import rivulus.show.Place;
import rivulus.show.Ref;
import rivulus.show.Strip;
import rivulus.show.Tape;
import rivulus.words.Words;

/// Forms of machines, programs and leads.
record RigForms(Ground on) {
    private static final double LONGEST_M = 1000;
    private static final String BUY = "buy";
    private static final List<Option> OWNED =
            List.of(new Option("own", "is there"), new Option(BUY, "has to be bought"));

    Form of(Device device) {
        Template kind = kind(device);
        String change = "Change " + device.name();
        List<Field> fields = new ArrayList<>();
        fields.add(
                Field.Text.of(
                        "name",
                        "Name",
                        device.name(),
                        typed -> on.rig().rename(device, Ground.name(typed))));
        if (kind.kind() == GearKind.PROGRAM || kind.kind() == GearKind.CABLE) {
            List<Device> computers =
                    on.show().rig().devices().stream().filter(d -> kind(d).isComputer()).toList();
            fields.add(
                    choice(
                            "on",
                            "Runs on",
                            device.on(),
                            "no computer yet",
                            Ground.options(computers, Device::id, Device::name),
                            id -> on.parts().put(change, device.on(id))));
        } else {
            fields.add(
                    choice(
                            "place",
                            "Stands in",
                            device.place(),
                            "no place",
                            Ground.options(on.show().places(), Place::id, Place::name),
                            id ->
                                    on.show()
                                            .place(id)
                                            .map(place -> on.rig().move(device, place))
                                            .orElseGet(
                                                    () -> on.parts().put(change, device.in("")))));
        }
        List<Power.Source> feeds = kind.power().from();
        if (feeds.size() > 1)
            fields.add(
                    choice(
                            "power",
                            "Runs from",
                            device.power().map(Power.Source::word).orElse(""),
                            "as usual: " + feeds.getFirst().word(),
                            Ground.options(feeds),
                            word ->
                                    Optional.ofNullable(Worded.words(Power.Source.class).get(word))
                                            .map(source -> on.rig().power(device, source))
                                            .orElseGet(
                                                    () ->
                                                            on.parts()
                                                                    .put(
                                                                            change,
                                                                            device.poweredBy(
                                                                                    Optional
                                                                                            .empty())))));
        List<Device> strips =
                on.show().rig().devices().stream()
                        .filter(d -> kind(d).power().mostWatts() > 0)
                        .filter(d -> on.show().rig().mayFeed(d, device))
                        .toList();
        if (!strips.isEmpty() && feeds.contains(Power.Source.MAINS))
            fields.add(
                    choice(
                            "outlet",
                            "Plugged into",
                            device.outlet(),
                            "the wall",
                            Ground.options(strips, Device::id, Device::name),
                            id -> on.rig().plug(device, on.show().rig().device(id))));
        if (CastForms.isWorn(device, on.catalogue()))
            fields.add(
                    choice(
                            "worn",
                            "Worn by",
                            device.worn(),
                            "nobody",
                            Ground.options(on.show().cast().people(), Person::id, Person::name),
                            id -> on.parts().put(change, device.wornBy(id))));
        fields.addAll(new Distances(on).of(device));
        if (kind.kind().isThing())
            fields.add(
                    new Field.Choice(
                            "toBuy",
                            "Owned",
                            device.toBuy() ? BUY : "own",
                            OWNED,
                            word -> on.rig().toBuy(device, word.equals(BUY))));
        return new Form(
                "device/" + device.id(),
                device.name(),
                fields,
                List.of(
                        Deed.of(Deed.DOUBLE, "Double", on.rig().twice(device)),
                        Deed.removal(() -> on.rig().remove(device))));
    }

    private static Field choice(
            String id,
            String label,
            String value,
            String none,
            List<Option> options,
            Function<String, Edit> to) {
        List<Option> all = new ArrayList<>(List.of(Option.none(none)));
        all.addAll(options);
        return new Field.Choice(id, label, value, all, to);
    }

    private Template kind(Device device) {
        return on.catalogue().get(device.template());
    }

    // Leads

    Form of(Cable lead) {
        String words = End.words(lead, on.show().rig(), on.catalogue());
        List<Field> fields =
                List.of(
                        end("from", "From", lead, lead.from(), lead.to()),
                        end("to", "To", lead, lead.to(), lead.from()),
                        new Field.Text(
                                "metres",
                                "Metres",
                                lead.metres() == 0 ? "" : Ground.plain(lead.metres()),
                                "how long it is",
                                List.of(),
                                typed ->
                                        on.parts()
                                                .put(
                                                        "Change the length of the lead " + words,
                                                        lead.ofLength(
                                                                Ground.number(
                                                                        typed,
                                                                        "A length in metres is",
                                                                        0,
                                                                        LONGEST_M)))),
                        new Field.Choice(
                                "toBuy",
                                "Owned",
                                lead.toBuy() ? BUY : "own",
                                OWNED,
                                word ->
                                        on.parts()
                                                .put(
                                                        "Change the lead " + words,
                                                        lead.toBuy(word.equals(BUY)))));
        List<Field> all = new ArrayList<>(fields);
        all.add(
                tape(
                        "tape",
                        "Marked",
                        lead.tape(),
                        tape -> on.parts().put("Mark the lead " + words, lead.marked(tape))));
        return new Form(
                "lead/" + lead.id(),
                words,
                all,
                List.of(Deed.removal(() -> on.rig().unjoin(lead))));
    }

    /// The end of a lead: where it is, or any free port that the other end bears.
    private Field end(String id, String label, Cable lead, Ref here, Ref there) {
        Set<Ref> taken = new HashSet<>();
        for (Cable cable : on.show().rig().cables()) {
            taken.add(cable.from());
            taken.add(cable.to());
        }
        taken.remove(here);
        Optional<Port> far = port(there);
        List<Option> options = new ArrayList<>();
        for (Device device : on.show().rig().devices())
            for (Port port : kind(device).ports()) {
                Ref ref = new Ref(device.id(), port.id());
                boolean free = !taken.contains(ref) && !device.id().equals(there.device());
                boolean bears = far.filter(f -> port.cannotJoin(f).isEmpty()).isPresent();
                if (ref.equals(here) || free && bears)
                    options.add(new Option(ref.toString(), new End(device, port).words()));
            }
        return new Field.Choice(
                id,
                label,
                here.toString(),
                options,
                ref ->
                        on.parts()
                                .put(
                                        "Move a lead to " + ref,
                                        id.equals("from")
                                                ? lead.between(Ref.of(ref), lead.to())
                                                : lead.between(lead.from(), Ref.of(ref))));
    }

    /// A colour of tape, or none.
    private static Field tape(
            String id, String label, Optional<Tape> stands, Function<Optional<Tape>, Edit> to) {
        return choice(
                id,
                label,
                stands.map(Tape::word).orElse(""),
                "no tape",
                Ground.options(List.of(Tape.values())),
                word -> to.apply(Optional.ofNullable(Worded.words(Tape.class).get(word))));
    }

    // Channels

    /// What is written on the channels of a machine; empty where it has none.
    Optional<Form> strips(Device device) {
        List<Channel> channels = Channels.of(on.show(), on.catalogue()).of(device);
        if (channels.isEmpty()) return Optional.empty();
        List<Field> fields = new ArrayList<>();
        for (Channel channel : channels) {
            Strip written = device.strip(channel.fader().name());
            String change = "Write on " + channel.label() + " of " + device.name();
            fields.add(
                    new Field.Text(
                            channel.fader().name() + ".name",
                            channel.label(),
                            written.name(),
                            channel.carries().isEmpty() ? "no one source alone" : channel.carries(),
                            List.of(),
                            typed ->
                                    on.parts()
                                            .put(
                                                    change,
                                                    device.withStrip(
                                                            channel.fader().name(),
                                                            written.named(Ground.words(typed))))));
            fields.add(
                    tape(
                            channel.fader().name() + ".tape",
                            "",
                            written.tape(),
                            tape ->
                                    on.parts()
                                            .put(
                                                    change,
                                                    device.withStrip(
                                                            channel.fader().name(),
                                                            written.in(tape)))));
        }
        if (!kind(device).desk().links().isEmpty()) fields.add(links(device, channels));
        return Optional.of(
                new Form("strips/" + device.id(), device.name() + ", channels", fields, List.of()));
    }

    /// Which channels are linked in pairs.
    private Field links(Device device, List<Channel> channels) {
        return new Field.Several(
                "links",
                "Linked in pairs",
                device.layout().links(),
                Ground.options(
                        kind(device).desk().links(),
                        Link::first,
                        link -> Words.list(Linking.sides(link, channels))),
                chosen -> linked(device, channels, chosen));
    }

    private Edit linked(Device device, List<Channel> channels, List<String> chosen) {
        Device now = device;
        String name = "Link channels of " + device.name();
        for (Link link : kind(device).desk().links()) {
            boolean links = chosen.contains(link.first());
            if (links == device.layout().links().contains(link.first())) continue;
            name =
                    "%s %s of %s"
                            .formatted(
                                    links ? "Link" : "Part",
                                    Words.list(Linking.sides(link, channels)),
                                    device.name());
            now = links ? Linking.linked(now, kind(device), link) : Linking.parted(now, link);
        }
        return on.parts().put(name, now);
    }

    private Optional<Port> port(Ref ref) {
        return on.show().rig().device(ref.device()).flatMap(d -> kind(d).port(ref.name()));
    }
}
