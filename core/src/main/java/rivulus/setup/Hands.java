package rivulus.setup;

import java.util.List;
import java.util.Optional;
import rivulus.leads.Survey;
import rivulus.show.Device;
import rivulus.show.Person;
import rivulus.show.Show;

/// Whose hands are at a machine.
public final class Hands {
    private Hands() {}

    /// Whoever alone can do something at a machine, since it is with them and they are not here;
    /// empty where anybody here can.
    public static String of(Show show, Survey survey, Device device) {
        if (Survey.isProgram(device))
            return survey.device(device.on()).map(on -> of(show, survey, on)).orElse("");
        Optional<Person> wearer = show.cast().person(device.worn());
        if (wearer.isPresent()) return wearer.get().isCaller() ? wearer.get().name() : "";
        List<Person> there =
                show.cast().people().stream()
                        .filter(who -> who.place().equals(device.place()))
                        .toList();
        boolean afar = !there.isEmpty() && there.stream().allMatch(Person::isCaller);
        return afar ? there.getFirst().name() : "";
    }
}
