package rivulus.chart;

import java.util.List;
import java.util.function.Function;
import java.util.regex.Pattern;
import rivulus.gear.Power;
import rivulus.leads.Survey;
import rivulus.power.Feeding;
import rivulus.power.Grounds;
import rivulus.power.Supply;
import rivulus.show.Device;
import rivulus.timing.Rates;
import rivulus.words.Words;

/// What stands under the name of each machine, by layer.
///
/// @param programs the programs on a computer
record RigNotes(
        Survey survey, Feeding feeding, RigLayer layer, Function<Device, List<Device>> programs) {
    /// A letter of a note is about so wide.
    private static final double LETTER = 5.9;

    private static final double EDGES = 14;
    private static final Pattern BEYOND = Pattern.compile(" (with|that|to|paired|for) .*|[,(].*");

    /// What a layer says of a device.
    ///
    /// @param yields whether it is of so little weight that a long name may take its line
    record RigNote(String words, boolean yields) {
        static RigNote light(String words) {
            return new RigNote(words, true);
        }
    }

    /// What is said of a device.
    ///
    /// @param width how wide it may be, edges included, in pixels
    RigNote of(Device device, double width) {
        int letters = (int) ((width - EDGES) / LETTER);
        return switch (layer) {
            case LEADS -> RigNote.light(machine(device, letters));
            case COMPUTERS ->
                    new RigNote(machine(device, letters), programs.apply(device).isEmpty());
            case POWER -> new RigNote(power(device), survey.runsOn(device) == Power.Source.NONE);
            case EARTHS -> earth(device);
            case TIME -> {
                int rate = Rates.of(survey, device);
                yield rate == 0 ? RigNote.light("no clock") : new RigNote(Rates.words(rate), false);
            }
        };
    }

    private String machine(Device device, int letters) {
        List<String> names = programs.apply(device).stream().map(Device::name).toList();
        return names.isEmpty()
                ? kind(survey.template(device).name(), letters)
                : some(names, letters);
    }

    /// A kind as far as it fits, never cut in a word: without what it has, and of what is still
    /// too long the last words, which say what it is.
    private static String kind(String name, int letters) {
        String kind = BEYOND.matcher(name).replaceFirst("");
        while (kind.length() > letters && kind.contains(" "))
            kind = kind.substring(kind.indexOf(' ') + 1);
        return Words.sentence(kind);
    }

    /// As many names as fit, and how many more there are.
    private static String some(List<String> names, int letters) {
        for (int shown = names.size(); shown > 0; shown--) {
            String more = shown == names.size() ? "" : " +" + (names.size() - shown);
            String words = String.join(", ", names.subList(0, shown)) + more;
            if (words.length() <= letters) return words;
        }
        return Words.count(names.size(), "program");
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
