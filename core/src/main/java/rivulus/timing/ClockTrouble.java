package rivulus.timing;

import java.util.ArrayList;
import java.util.List;
import rivulus.computer.Picked;
import rivulus.gear.Picker;
import rivulus.gear.Template;
import rivulus.leads.Survey;
import rivulus.show.Device;
import rivulus.show.Ref;
import rivulus.words.Severity;
import rivulus.words.Words;

/// A rate or a clock that does not fit along a digital path.
///
/// @param about the ids of leads and devices
/// @param knobs what may be turned against it
public record ClockTrouble(
        Severity severity, List<String> about, String sentence, List<Ref> knobs) {
    /// Everything that does not fit in a rig.
    public static List<ClockTrouble> all(Survey survey) {
        List<ClockTrouble> all = new ArrayList<>();
        for (DigitalPath path : DigitalPath.all(survey)) along(survey, path, all);
        for (Device program : survey.devices())
            if (Survey.isProgram(program)) inProgram(survey, program, all);
        return all;
    }

    private static void along(Survey survey, DigitalPath path, List<ClockTrouble> all) {
        Device gives = path.from().device();
        Device takes = path.to().device();
        List<String> about = List.of(path.lead().cable().id(), takes.id());
        switch (path.state()) {
            case FOLLOWS, CONVERTS -> {}
            case TWO_RATES ->
                    all.add(
                            new ClockTrouble(
                                    Severity.PROBLEM,
                                    about,
                                    "%s sends its sound at %s and %s runs at %s: nothing or noise comes of it; both want one rate."
                                            .formatted(
                                                    path.from().words(),
                                                    Rates.words(path.fromHz()),
                                                    path.to().words(),
                                                    Rates.words(path.toHz())),
                                    rateKnobs(survey, takes, gives)));
            case DRIFTS ->
                    all.add(
                            new ClockTrouble(
                                    Severity.PROBLEM,
                                    about,
                                    "%s and %s both run by their own clocks: they drift apart and it clicks now and then; one has to follow the other."
                                            .formatted(gives.name(), takes.name()),
                                    List.of(
                                            new Ref(
                                                    takes.id(),
                                                    survey.template(takes).clock().clockKnob()))));
        }
    }

    private static List<Ref> rateKnobs(Survey survey, Device... devices) {
        List<Ref> knobs = new ArrayList<>();
        for (Device device : devices) {
            String knob = survey.template(device).clock().rateKnob();
            if (!knob.isEmpty()) knobs.add(new Ref(device.id(), knob));
        }
        return knobs;
    }

    /// What a program picks, against the rate it runs at and the clocks it can bridge.
    private static void inProgram(Survey survey, Device program, List<ClockTrouble> all) {
        Template template = survey.template(program);
        int own = Rates.of(survey, program);
        List<Device> clocks = new ArrayList<>();
        for (Picked picked : Picked.of(survey, program)) {
            if (picked.gear().isEmpty() || picked.picker().picks() == Picker.Picks.DESKTOP)
                continue;
            Device gear = picked.gear().get();
            int rate = Rates.of(survey, gear);
            boolean here = gear.id().equals(program.on()) || Survey.isProgram(gear);
            if (rate == 0 || here) continue;
            if (!clocks.contains(gear)) clocks.add(gear);
            if (own != 0 && own != rate)
                all.add(
                        new ClockTrouble(
                                Severity.CAUTION,
                                List.of(program.id(), gear.id()),
                                "%s runs at %s and %s at %s: the computer converts between them all evening; set both to one rate."
                                        .formatted(
                                                program.name(),
                                                Rates.words(own),
                                                gear.name(),
                                                Rates.words(rate)),
                                rateKnobs(survey, program, gear)));
        }
        if (template.clock().oneOnly() && clocks.size() > 1)
            all.add(
                    new ClockTrouble(
                            Severity.PROBLEM,
                            List.of(program.id(), clocks.getLast().id()),
                            "%s records and plays by one clock and is given %s: they drift apart and it clicks. Take one device for both."
                                    .formatted(
                                            program.name(),
                                            Words.list(clocks.stream().map(Device::name).toList())),
                            template.pickers().stream()
                                    .map(p -> new Ref(program.id(), p.id()))
                                    .toList()));
    }
}
