package rivulus.computer;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import rivulus.gear.Endpoint;
import rivulus.gear.Picker;
import rivulus.gear.Setting;
import rivulus.gear.Template;
import rivulus.leads.Survey;
import rivulus.show.Device;
import rivulus.words.Words;

/// What one picker of a computer or a program comes to, defaults followed.
///
/// @param owner the computer or program that picks
/// @param setting what it is set to itself: an endpoint, `default`, `communications` or `none`
/// @param gear the device whose endpoint it comes to; empty where it comes to nothing
/// @param endpoint that endpoint
/// @param byDefault whether it gets there by following the computer's own pick
public record Picked(
        Device owner,
        Picker picker,
        String setting,
        Optional<Device> gear,
        Optional<Endpoint> endpoint,
        boolean byDefault) {
    /// The picks of a device, in the order of its template.
    public static List<Picked> of(Survey survey, Device owner) {
        List<Picked> all = new ArrayList<>();
        for (Picker picker : survey.template(owner).pickers()) all.add(of(survey, owner, picker));
        return all;
    }

    /// What one picker comes to.
    public static Picked of(Survey survey, Device owner, Picker picker) {
        String setting = setting(owner, picker);
        String comesTo = resolved(survey, owner, picker, setting);
        int slash = comesTo.indexOf('/');
        Optional<Device> gear =
                slash < 0 ? Optional.empty() : survey.device(comesTo.substring(0, slash));
        Optional<Endpoint> endpoint =
                gear.flatMap(
                        device ->
                                survey.template(device).endpoints().stream()
                                        .filter(e -> e.id().equals(comesTo.substring(slash + 1)))
                                        .filter(picker::sees)
                                        .findFirst());
        return new Picked(
                owner, picker, setting, gear, endpoint, !setting.equals(comesTo) && slash > 0);
    }

    private static String setting(Device owner, Picker picker) {
        Setting turned = owner.knobs().get(picker.id());
        return turned == null ? picker.standing() : turned.word();
    }

    private static String resolved(Survey survey, Device owner, Picker picker, String setting) {
        for (Picker.Standard standard :
                List.of(Picker.Standard.COMMUNICATIONS, Picker.Standard.DEFAULT)) {
            if (!setting.equals(standard.word())) continue;
            if (!standard.isAbove(picker.standard())) return Picker.NONE;
            Device computer = survey.device(owner.on()).orElse(owner);
            return standardOf(survey.template(computer), standard, picker.picks())
                    .map(s -> resolved(survey, computer, s, setting(computer, s)))
                    .orElse(Picker.NONE);
        }
        return setting;
    }

    private static Optional<Picker> standardOf(
            Template computer, Picker.Standard standard, Picker.Picks picks) {
        boolean input = picks == Picker.Picks.INPUT;
        return computer.pickers().stream()
                .filter(p -> p.standard() == standard)
                .filter(p -> (p.picks() == Picker.Picks.INPUT) == input)
                .findFirst();
    }

    /// The endpoint in words, as a settings page lists it: "Show desk USB 1 call"; "nothing".
    public String words() {
        if (gear.isEmpty() || endpoint.isEmpty()) return "nothing";
        boolean own = gear.get().id().equals(owner.on()) || gear.get().id().equals(owner.id());
        return own ? endpoint.get().label() : Words.part(gear.get().name(), endpoint.get().label());
    }
}
