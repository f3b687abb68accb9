package rivulus.chart;

import java.util.List;
import java.util.function.Function;
import rivulus.gear.Power;
import rivulus.leads.Survey;
import rivulus.power.Feeding;
import rivulus.power.Grounds;
import rivulus.power.Supply;
import rivulus.show.Device;
import rivulus.timing.Rates;

/// What stands under the name of each machine, by layer.
///
/// @param programs the programs on a computer
record RigNotes(
        Survey survey, Feeding feeding, RigLayer layer, Function<Device, List<Device>> programs) {
    /// What a layer says of a device.
    ///
    /// @param yields whether it is of so little weight that a long name may take its line
    record RigNote(String words, boolean yields) {
        static RigNote light(String words) {
            return new RigNote(words, true);
        }
    }

    /// What is said of a device.
    RigNote of(Device device) {
        return switch (layer) {
            case LEADS -> RigNote.light(machine(device));
            case COMPUTERS -> new RigNote(machine(device), programs.apply(device).isEmpty());
            case POWER -> new RigNote(power(device), survey.runsOn(device) == Power.Source.NONE);
            case EARTHS -> earth(device);
            case TIME -> {
                int rate = Rates.of(survey, device);
                yield rate == 0 ? RigNote.light("no clock") : new RigNote(Rates.words(rate), false);
            }
        };
    }

    private String machine(Device device) {
        List<String> names = programs.apply(device).stream().map(Device::name).toList();
        return names.isEmpty() ? survey.template(device).name() : String.join(", ", names);
    }

    /// The mark of an earth tells it too.
    private RigNote earth(Device device) {
        if (Grounds.isEarthed(survey, device)) return RigNote.light("earthed");
        return switch (survey.runsOn(device)) {
            case MAINS -> new RigNote("mains, no earth", false);
            case BATTERY -> new RigNote("on its battery", false);
            default -> RigNote.light("no plug of its own");
        };
    }

    private String power(Device device) {
        double watts = survey.template(device).power().watts();
        return switch (survey.runsOn(device)) {
            case NONE -> "needs none";
            case PHANTOM, BATTERY -> survey.runsOn(device).words();
            case JACK -> "from its jack";
            case USB -> feeding.of(device).map(supply -> "USB of " + supply.name()).orElse("USB");
            case MAINS ->
                    feeding.of(device)
                                    .filter(s -> s.kind() == Supply.Kind.STRIP)
                                    .map(Supply::name)
                                    .orElse("wall")
                            + (watts > 0 ? ", %.0f W".formatted(watts) : "");
        };
    }
}
