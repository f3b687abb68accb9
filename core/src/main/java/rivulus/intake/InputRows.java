package rivulus.intake;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import rivulus.disk.Extras;
import rivulus.gear.Air;
import rivulus.gear.Catalogue;
import rivulus.gear.Electric;
import rivulus.gear.Leads;
import rivulus.gear.Port;
import rivulus.gear.Setting;
import rivulus.gear.Signal;
import rivulus.gear.Template;
import rivulus.leads.End;
import rivulus.leads.Fault;
import rivulus.leads.Joiner;
import rivulus.leads.LeadReader;
import rivulus.leads.LeadReport;
import rivulus.rig.GearSearch;
import rivulus.rig.RigEdits;
import rivulus.show.Cable;
import rivulus.show.Device;
import rivulus.show.Person;
import rivulus.show.Place;
import rivulus.show.Ref;
import rivulus.show.Show;
import rivulus.words.Near;
import rivulus.words.Severity;
import rivulus.words.Words;

/// Rows of an input list: what goes into which channel of a mixer. Gear that is not there yet is
/// added, in front of the person whose name the row says.
final class InputRows implements Intake.Rows {
    private static final String CLOSE = "at the mouth";
    private static final List<String> YES =
            List.of("yes", "y", "x", "on", "48v", "+48v", "1", "true");

    private final Catalogue catalogue;
    private final Leads leads;
    private final String into;
    private Show show;

    InputRows(Show show, Catalogue catalogue, Leads leads, String into) {
        this.show = show;
        this.catalogue = catalogue;
        this.leads = leads;
        this.into = into;
    }

    @Override
    public Show show() {
        return show;
    }

    static boolean isInput(Port port) {
        return port.takes() > 0
                && EnumSet.of(Signal.MIC, Signal.LINE, Signal.INSTRUMENT).contains(port.carries());
    }

    @Override
    public Optional<Intake.Done> take(Intake.Row row) throws Intake.Refusal {
        String source = row.at(Meaning.SOURCE);
        if (source.isEmpty()) return Optional.empty();
        Show before = show;
        try {
            return Optional.of(taken(row, source));
        } catch (Intake.Refusal refusal) {
            show = before;
            throw new Intake.Refusal("%s: %s", source, refusal.getMessage());
        }
    }

    private Intake.Done taken(Intake.Row row, String source) throws Intake.Refusal {
        Device mixer = mixer(row.at(Meaning.INTO));
        Optional<Person> person =
                show.cast().people().stream()
                        .filter(p -> Intake.same(p.name(), source))
                        .findFirst();
        String name = person.map(p -> p.name() + "'s mic").orElse(source);
        Optional<Device> known =
                show.rig().devices().stream()
                        .filter(d -> Intake.same(d.name(), name) || Intake.same(d.name(), source))
                        .findFirst();
        Device gear = known.isPresent() ? known.get() : added(row, name, person, mixer);
        Port channel = channel(mixer, gear, row.at(Meaning.CHANNEL));
        List<String> changes = new ArrayList<>();
        boolean isNew = known.isEmpty();
        double metres = Intake.metres(row.at(Meaning.INPUT_METRES));
        boolean joined = join(gear, mixer, channel, metres, changes);
        if (YES.contains(row.at(Meaning.PHANTOM).toLowerCase(Locale.ROOT)))
            phantom(mixer, channel, changes);
        isSafe(mixer, channel);
        String words =
                "%s → %s, %s%s"
                        .formatted(
                                gear.name(),
                                mixer.name(),
                                channel.label().isEmpty() ? channel.id() : channel.label(),
                                changes.isEmpty() ? "" : ": " + String.join(", ", changes));
        if (isNew || joined) return new Intake.Done(Plan.Outcome.NEW, words);
        return new Intake.Done(changes.isEmpty() ? Plan.Outcome.SAME : Plan.Outcome.CHANGED, words);
    }

    private Device mixer(String name) throws Intake.Refusal {
        if (name.isEmpty())
            return show.rig()
                    .device(into)
                    .orElseThrow(() -> new Intake.Refusal("it is not said into which mixer"));
        return show.rig().devices().stream()
                .filter(d -> Intake.same(d.name(), name) || Intake.same(d.id(), name))
                .findFirst()
                .orElseThrow(
                        () ->
                                new Intake.Refusal(
                                        "there is no mixer \"%s\"; %s",
                                        name,
                                        Near.hint(
                                                name,
                                                show.rig().devices().stream()
                                                        .map(Device::name)
                                                        .toList())));
    }

    // Gear that is new

    private Device added(Intake.Row row, String name, Optional<Person> person, Device mixer)
            throws Intake.Refusal {
        Template kind = kind(row.at(Meaning.GEAR), name);
        String place = place(row.at(Meaning.PLACE), person, mixer);
        show = new RigEdits(show, catalogue).add(kind.id(), place).after();
        Device device = show.rig().devices().getLast();
        show = new RigEdits(show, catalogue).rename(device, name).after();
        person.ifPresent(who -> show = near(who, device));
        return show.rig().devices().getLast();
    }

    private Template kind(String words, String name) throws Intake.Refusal {
        if (words.isEmpty())
            throw new Intake.Refusal(
                    "\"%s\" is not in the rig and no column says what kind of gear it is", name);
        for (Template template : catalogue.templates().values())
            if (Intake.same(template.name(), words) || Intake.same(template.id(), words))
                return template;
        return GearSearch.find(catalogue, words).stream()
                .filter(template -> template.ports().stream().anyMatch(p -> p.gives() > 0))
                .findFirst()
                .orElseThrow(
                        () ->
                                new Intake.Refusal(
                                        "no kind of gear is called \"%s\"; %s",
                                        words,
                                        Near.hint(
                                                words,
                                                catalogue.templates().values().stream()
                                                        .map(Template::name)
                                                        .toList())));
    }

    private String place(String name, Optional<Person> person, Device mixer) throws Intake.Refusal {
        if (name.isEmpty()) return person.map(Person::place).orElse(mixer.place());
        return show.places().stream()
                .filter(place -> Intake.same(place.name(), name) || Intake.same(place.id(), name))
                .map(Place::id)
                .findFirst()
                .orElseThrow(
                        () ->
                                new Intake.Refusal(
                                        "there is no place \"%s\"; %s",
                                        name,
                                        Near.hint(
                                                name,
                                                show.places().stream().map(Place::name).toList())));
    }

    /// A microphone that is new stands at the mouth of whoever it is for.
    private Show near(Person person, Device device) {
        List<Place> places = new ArrayList<>();
        for (Place place : show.places()) {
            Optional<Double> metres =
                    catalogue
                            .find(place.room())
                            .flatMap(Template::air)
                            .map(Air::words)
                            .map(w -> w.get(CLOSE));
            boolean here = place.id().equals(person.place()) && metres.isPresent();
            if (!here) {
                places.add(place);
                continue;
            }
            List<Place.Distance> distances = new ArrayList<>(place.distances());
            distances.add(
                    new Place.Distance(person.id(), device.id(), metres.get(), CLOSE, Extras.NONE));
            places.add(
                    new Place(place.id(), place.name(), place.room(), distances, place.extras()));
        }
        return show.withPlaces(places);
    }

    // Channels

    /// The channel of a number or label; the first free one where none is said.
    private Port channel(Device mixer, Device gear, String words) throws Intake.Refusal {
        Template template = catalogue.get(mixer.template());
        List<Port> inputs = template.ports().stream().filter(InputRows::isInput).toList();
        if (words.isEmpty()) {
            for (Port port : inputs) {
                Optional<Cable> in = lead(mixer, port);
                if (in.isPresent() ? in.get().touches(gear.id()) : fits(gear, port)) return port;
            }
            throw new Intake.Refusal("no channel of %s is free for it", mixer.name());
        }
        Optional<Port> named = Intake.port(template, words);
        if (named.isPresent() && isInput(named.get())) return named.get();
        if (words.matches("\\d{1,3}")) {
            int number = Integer.parseInt(words);
            for (Port port : inputs) if (port.id().matches("\\D*0*" + number)) return port;
            if (number >= 1 && number <= inputs.size()) return inputs.get(number - 1);
        }
        throw new Intake.Refusal(
                "%s has no input \"%s\"; %s",
                mixer.name(),
                words,
                Near.hint(
                        words,
                        inputs.stream()
                                .map(p -> p.label().isEmpty() ? p.id() : p.label())
                                .toList()));
    }

    private boolean fits(Device gear, Port port) {
        return catalogue.get(gear.template()).ports().stream()
                .anyMatch(out -> out.gives() > 0 && leads.between(out, port).isPresent());
    }

    private Optional<Cable> lead(Device device, Port port) {
        return show.rig().cables().stream()
                .filter(cable -> cable.ends(new Ref(device.id(), port.id())))
                .findFirst();
    }

    private String told(Cable lead) {
        return End.words(lead, show.rig(), catalogue);
    }

    /// Joins gear to a channel.
    ///
    /// @return whether the lead is new
    private boolean join(
            Device gear, Device mixer, Port channel, double metres, List<String> changes)
            throws Intake.Refusal {
        Optional<Cable> there = lead(mixer, channel);
        if (there.isPresent()) {
            if (!there.get().touches(gear.id()))
                throw new Intake.Refusal(
                        "%s of %s has a lead in it already: %s",
                        channel.label(), mixer.name(), told(there.get()));
            if (metres > 0 && metres != there.get().metres()) {
                show = show.withRig(show.rig().with(there.get().ofLength(metres)));
                changes.add("a lead of " + Words.metres(metres));
            }
            return false;
        }
        Port out = out(gear, channel);
        Optional<Cable> elsewhere = lead(gear, out);
        if (elsewhere.isPresent())
            throw new Intake.Refusal(
                    "%s is plugged in elsewhere: %s", gear.name(), told(elsewhere.get()));
        List<Cable> cables = new ArrayList<>(show.rig().cables());
        cables.add(
                new Cable(
                        Joiner.freeCable(show, 0),
                        new Ref(gear.id(), out.id()),
                        new Ref(mixer.id(), channel.id()),
                        metres,
                        false,
                        Optional.empty(),
                        Extras.NONE));
        show = show.withRig(show.rig().with(show.rig().devices(), cables));
        return true;
    }

    private Port out(Device gear, Port channel) throws Intake.Refusal {
        return catalogue.get(gear.template()).ports().stream()
                .filter(port -> port.gives() > 0 && leads.between(port, channel).isPresent())
                .findFirst()
                .orElseThrow(
                        () ->
                                new Intake.Refusal(
                                        "no lead goes from %s to %s",
                                        gear.name(), channel.label()));
    }

    private void phantom(Device mixer, Port channel, List<String> changes) throws Intake.Refusal {
        String knob = channel.electric().phantomKnob();
        boolean gives = channel.electric().phantom() == Electric.Phantom.GIVES;
        if (knob.isEmpty() && gives) return;
        if (knob.isEmpty())
            throw new Intake.Refusal(
                    "%s of %s gives no 48 V that can be switched", channel.label(), mixer.name());
        Setting on = new Setting.Switch(true);
        Device now = show.rig().device(mixer.id()).orElseThrow();
        if (on.equals(now.knobs().get(knob))) return;
        show = show.withKnob(new Ref(mixer.id(), knob), on);
        changes.add("48 V on");
    }

    /// Nothing that can hurt gear is taken from a list.
    private void isSafe(Device mixer, Port channel) throws Intake.Refusal {
        Optional<Cable> cable = lead(mixer, channel);
        if (cable.isEmpty()) return;
        LeadReport lead = new LeadReader(show, catalogue, leads).read(cable.get());
        for (Fault fault : lead.faults())
            if (fault.severity() == Severity.DANGER) throw new Intake.Refusal("%s", fault.words());
    }
}
