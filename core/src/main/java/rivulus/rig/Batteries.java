package rivulus.rig;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.SequencedMap;
import rivulus.check.Severity;
import rivulus.gear.Power;
import rivulus.show.Device;
import rivulus.show.Scene;
import rivulus.show.Show;
import rivulus.words.Words;

/// Whether what runs from a battery lasts the evening: set-up, every scene, and an overrun.
///
/// Shows that do not say how long their scenes last are passed over.
final class Batteries implements RigCheck {
    /// Of what a battery holds, this much comes out at the voltage that is wanted (REFERENCE).
    static final double EFFICIENCY = 0.85;

    /// A battery that is no longer new holds this much of what it held.
    static final double AGEING = 0.8;

    private static final double SET_UP_MINUTES = 60;
    private static final double OVERRUN_MINUTES = 30;

    /// Less to spare than this is said as a caution.
    private static final double SPARE = 1.25;

    @Override
    public void check(
            Show show, LeadReader reader, List<LeadReport> leads, List<RigFinding> findings) {
        double planned = show.scenes().stream().mapToDouble(Scene::minutes).sum();
        if (planned == 0) return;
        double wanted = SET_UP_MINUTES + planned + OVERRUN_MINUTES;
        for (Device device : show.rig().devices()) {
            Power power = reader.template(device).power();
            boolean onBattery = power.when(device.power()).equals("battery");
            if (!onBattery || power.watts() == 0 || power.batteryWh() == 0) continue;
            double lasts = 60 * power.batteryWh() * EFFICIENCY * AGEING / power.watts();
            if (lasts >= wanted * SPARE) continue;
            findings.add(finding(show, device, lasts, wanted));
        }
    }

    private static RigFinding finding(Show show, Device device, double lasts, double wanted) {
        boolean dies = lasts < wanted;
        SequencedMap<String, Double> figures = new LinkedHashMap<>();
        figures.put("lastsMinutes", (double) Math.round(lasts));
        figures.put("wantedMinutes", wanted);
        return new RigFinding(
                "battery",
                dies ? Severity.PROBLEM : Severity.CAUTION,
                List.of(device.id()),
                "%s lasts %s from its battery and the evening, with an hour to set up and half an hour over, takes %s%s."
                        .formatted(
                                device.name(),
                                hours(lasts),
                                hours(wanted),
                                dies ? "; swap or feed it before " + before(show, lasts) : ""),
                figures);
    }

    /// The scene during which the battery runs out, or what comes before and after the scenes.
    private static String before(Show show, double lasts) {
        double at = SET_UP_MINUTES;
        if (lasts < at) return "the doors open";
        for (Scene scene : show.scenes()) {
            at += scene.minutes();
            if (lasts < at) return scene.name();
        }
        return "an overrun";
    }

    private static String hours(double minutes) {
        return Words.signed(minutes / 60, 1) + Words.THIN + "h";
    }
}
