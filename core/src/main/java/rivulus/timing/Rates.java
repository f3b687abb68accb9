package rivulus.timing;

import rivulus.gear.Clock;
import rivulus.gear.Setting;
import rivulus.leads.Survey;
import rivulus.show.Device;
import rivulus.words.Words;

/// At which sample rate, and by whose clock, a device runs.
public final class Rates {
    private Rates() {}

    /// The rate of a device in Hz; 0 where it has no clock.
    public static int of(Survey survey, Device device) {
        Clock clock = survey.template(device).clock();
        if (!clock.isThere()) return 0;
        return survey.stands(device, clock.rateKnob())
                .map(Setting::word)
                .map(Integer::parseInt)
                .orElse(clock.rates().getFirst());
    }

    /// Whether a device takes its clock from what comes in by a port. One that has no choice does.
    static boolean follows(Survey survey, Device device, String port) {
        Clock clock = survey.template(device).clock();
        return clock.clockKnob().isEmpty()
                || survey.stands(device, clock.clockKnob())
                        .map(Setting::word)
                        .filter(port::equals)
                        .isPresent();
    }

    /// "44.1 kHz".
    public static String words(int hz) {
        return Words.signed(hz / 1000.0, hz % 1000 == 0 ? 0 : 1) + Words.THIN + "kHz";
    }
}
