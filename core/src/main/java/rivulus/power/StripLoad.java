package rivulus.power;

import java.util.ArrayList;
import java.util.List;
import rivulus.leads.Survey;
import rivulus.show.Device;
import rivulus.words.Words;

/// What hangs on one outlet strip.
///
/// @param watts what all of it draws at most
/// @param mostWatts what the strip may feed
/// @param inStrip whether it is itself plugged into a strip
public record StripLoad(
        Device strip, List<Device> fed, double watts, double mostWatts, boolean inStrip) {
    public StripLoad {
        fed = List.copyOf(fed);
    }

    /// The load of every strip of a rig.
    public static List<StripLoad> all(Survey survey) {
        Feeding feeding = Feeding.of(survey);
        List<StripLoad> all = new ArrayList<>();
        for (Device strip : survey.devices()) {
            double most = survey.template(strip).power().mostWatts();
            if (most == 0) continue;
            List<Device> fed = feeding.fedBy(Supply.device(strip, Supply.Kind.STRIP));
            all.add(
                    new StripLoad(
                            strip,
                            fed,
                            watts(survey, feeding, fed),
                            most,
                            !strip.outlet().isEmpty()));
        }
        return all;
    }

    private static double watts(Survey survey, Feeding feeding, List<Device> fed) {
        double watts = 0;
        for (Device device : fed) {
            boolean strip = survey.template(device).power().mostWatts() > 0;
            watts +=
                    strip
                            ? watts(
                                    survey,
                                    feeding,
                                    feeding.fedBy(Supply.device(device, Supply.Kind.STRIP)))
                            : survey.template(device).power().watts();
        }
        return watts;
    }

    /// "Outlet strip feeds 310 of 2300 W".
    public String words() {
        return "%s feeds %s of %s%sW"
                .formatted(
                        strip.name(),
                        Words.signed(watts, 0),
                        Words.signed(mostWatts, 0),
                        Words.THIN);
    }
}
