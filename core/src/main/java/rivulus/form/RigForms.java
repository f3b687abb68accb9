package rivulus.form;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import rivulus.edit.Edit;
import rivulus.gear.GearKind;
import rivulus.gear.Port;
import rivulus.gear.Template;
import rivulus.leads.End;
import rivulus.show.Cable;
import rivulus.show.Device;
import rivulus.show.Person;
import rivulus.show.Place;
import rivulus.show.Ref;

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
                            id -> on.parts().put(change, device.in(id))));
        }
        if (CastForms.isWorn(device, on.catalogue()))
            fields.add(
                    choice(
                            "worn",
                            "Worn by",
                            device.worn(),
                            "nobody",
                            Ground.options(on.show().cast().people(), Person::id, Person::name),
                            id -> on.parts().put(change, device.wornBy(id))));
        if (kind.kind().isThing())
            fields.add(
                    new Field.Choice(
                            "toBuy",
                            "Is there",
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
                                "Is there",
                                lead.toBuy() ? BUY : "own",
                                OWNED,
                                word ->
                                        on.parts()
                                                .put(
                                                        "Change the lead " + words,
                                                        lead.toBuy(word.equals(BUY)))));
        return new Form(
                "lead/" + lead.id(),
                words,
                fields,
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

    private Optional<Port> port(Ref ref) {
        return on.show().rig().device(ref.device()).flatMap(d -> kind(d).port(ref.name()));
    }
}
