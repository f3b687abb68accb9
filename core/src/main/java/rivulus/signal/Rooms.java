package rivulus.signal;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import rivulus.gear.AcousticEnd;
import rivulus.gear.Air;
import rivulus.gear.Catalogue;
import rivulus.gear.Delay;
import rivulus.gear.Template;
import rivulus.show.Device;
import rivulus.show.Person;
import rivulus.show.Place;
import rivulus.show.Ref;
import rivulus.show.Show;

/// What passes through the air of rooms: from everything that sounds to everything that hears, in
/// the same place. Costs as much as there are such pairs.
final class Rooms {
    private final Catalogue catalogue;
    private final List<Place> places;
    private final Map<String, String> wearers = new HashMap<>();
    private final Map<String, Double> isolation = new HashMap<>();
    private final Map<String, Double> effort = new HashMap<>();
    private final Map<String, List<Here>> here = new HashMap<>();

    /// An acoustic end of a person or a device in a room.
    private record Here(String owner, AcousticEnd end) {
        Ref point() {
            return new Ref(owner, end.point());
        }
    }

    /// Two things, either way round.
    private record Pair(String a, String b) {
        static Pair of(String a, String b) {
            return a.compareTo(b) < 0 ? new Pair(a, b) : new Pair(b, a);
        }
    }

    /// Takes up a stretch of air.
    interface Sink {
        /// From one point to another, with that gain in dB.
        void air(Ref from, Ref to, double db, Delay delay);
    }

    /// @param catalogue every kind of gear, those of the show among them
    Rooms(Show show, Catalogue catalogue) {
        this.catalogue = catalogue;
        this.places = show.places();
        for (Person person : show.cast().people()) {
            add(person.place(), person.id(), catalogue.get(Catalogue.PERSON));
            effort.put(person.id(), person.overNormalDb());
        }
        for (Device device : show.rig().devices()) {
            Template template = catalogue.get(device.template());
            String place =
                    show.cast().person(device.worn()).map(Person::place).orElse(device.place());
            add(place, device.id(), template);
            if (device.worn().isEmpty()) continue;
            wearers.put(device.id(), device.worn());
            for (AcousticEnd end : template.ends())
                isolation.merge(device.worn(), end.isolatesDb(), Math::max);
        }
    }

    private void add(String place, String owner, Template template) {
        for (AcousticEnd end : template.ends())
            here.computeIfAbsent(place, _ -> new ArrayList<>()).add(new Here(owner, end));
    }

    /// Hands over every stretch, place by place.
    void into(Sink sink) {
        for (Place place : places)
            catalogue
                    .find(place.room())
                    .flatMap(Template::air)
                    .ifPresent(air -> new Room(place, air).into(sink));
    }

    /// One of them.
    private final class Room {
        private final Air air;
        private final List<Here> ends;
        private final Map<Pair, Double> said = new HashMap<>();

        Room(Place place, Air air) {
            this.air = air;
            ends = here.getOrDefault(place.id(), List.of());
            for (Place.Distance d : place.distances())
                said.putIfAbsent(Pair.of(d.from(), d.to()), d.metres());
        }

        void into(Sink sink) {
            List<Here> sounding = ends.stream().filter(end -> end.end().kind().sounds()).toList();
            for (Here hearer : ends) {
                if (!hearer.end().kind().hearsAir()) continue;
                List<Here> others = sounding.stream().filter(end -> meet(end, hearer)).toList();
                Optional<Here> aim =
                        others.stream()
                                .filter(end -> end.end().kind() == AcousticEnd.Kind.MOUTH)
                                .min(Comparator.comparingDouble(end -> metres(end, hearer)));
                for (Here sounder : others) {
                    double metres = metres(sounder, hearer);
                    sink.air(
                            sounder.point(),
                            hearer.point(),
                            levelDb(metres, sounder, hearer, aim),
                            Delay.exactly(air.delayMs(metres)));
                }
            }
        }

        /// Whether one hears the other: nobody their own mouth, a microphone also the loudspeaker
        /// beside it.
        private boolean meet(Here sounder, Here hearer) {
            return !sounder.owner().equals(hearer.owner())
                    || sounder.end().kind() == AcousticEnd.Kind.LOUDSPEAKER
                            && hearer.end().kind() == AcousticEnd.Kind.MICROPHONE;
        }

        private double levelDb(double metres, Here sounder, Here hearer, Optional<Here> aim) {
            double loud = sounder.end().loudDb() + effort.getOrDefault(sounder.owner(), 0.0);
            double db = loud + air.levelDb(metres) + hearer.end().hearsDb();
            if (hearer.end().kind() != AcousticEnd.Kind.MICROPHONE)
                return db - isolation.getOrDefault(hearer.owner(), 0.0);
            if (aim.filter(sounder::equals).isEmpty()) db -= hearer.end().rejectsDb();
            boolean loudspeaker = sounder.end().kind() == AcousticEnd.Kind.LOUDSPEAKER;
            return loudspeaker ? db - sounder.end().rejectsDb() : db;
        }

        /// As the place says; else a worn microphone sits where it is spoken into.
        private double metres(Here sounder, Here hearer) {
            if (sounder.owner().equals(hearer.owner())) return hearer.end().ownM();
            Double metres = said.get(Pair.of(sounder.owner(), hearer.owner()));
            if (metres != null) return metres;
            boolean worn = sounder.owner().equals(wearers.get(hearer.owner()));
            return worn && hearer.end().kind() == AcousticEnd.Kind.MICROPHONE
                    ? hearer.end().workedAtM()
                    : air.words().get(air.otherwise());
        }
    }
}
