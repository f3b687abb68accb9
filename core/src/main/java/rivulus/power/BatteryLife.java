package rivulus.power;

import java.util.ArrayList;
import java.util.List;
import rivulus.gear.Port;
import rivulus.gear.Power;
import rivulus.leads.End;
import rivulus.leads.LeadReport;
import rivulus.leads.Survey;
import rivulus.show.Device;
import rivulus.show.Limit;
import rivulus.show.Limits;
import rivulus.show.Ref;
import rivulus.show.Scene;
import rivulus.show.Show;
import rivulus.words.Words;

/// How long a battery lasts against the evening.
///
/// @param watts what is drawn from it
/// @param lastsMinutes from when it is switched on, at the stated efficiency and ageing
/// @param wantedMinutes set-up, every scene, and an overrun; 0 where the show does not say how long
///     its scenes last
/// @param swap when to swap or feed it, in words; empty where it lasts
/// @param tight whether little is left at the end; see [Limit#BATTERY_SPARE]
public record BatteryLife(
        Device device,
        double watts,
        double lastsMinutes,
        double wantedMinutes,
        String swap,
        boolean tight) {
    private static final double USB_VOLTS = 5;

    /// Every battery that something runs from.
    public static List<BatteryLife> all(Survey survey) {
        List<BatteryLife> all = new ArrayList<>();
        for (Device device : survey.devices()) {
            Power power = survey.template(device).power();
            if (survey.runsOn(device) != Power.Source.BATTERY || power.batteryWh() == 0) continue;
            double watts = power.watts() + fedWatts(survey, device);
            if (watts > 0) all.add(of(survey.show(), device, power.batteryWh(), watts));
        }
        return all;
    }

    /// How long a device would last on its battery, whether or not it runs from it now.
    static BatteryLife ifRunFrom(Survey survey, Device device) {
        Power power = survey.template(device).power();
        return of(survey.show(), device, power.batteryWh(), Math.max(0.01, power.watts()));
    }

    /// What is drawn from the 5 V ports of a device.
    private static double fedWatts(Survey survey, Device host) {
        double watts = 0;
        for (Port port : survey.template(host).ports()) {
            if (port.electric().givesMa() == 0) continue;
            Ref ref = new Ref(host.id(), port.id());
            for (LeadReport lead : survey.leadsIn(ref)) {
                End far = Survey.far(lead, ref);
                if (survey.runsOn(far.device()) == Power.Source.USB)
                    watts += far.port().electric().drawsMa() / 1000.0 * USB_VOLTS;
            }
        }
        return watts;
    }

    private static BatteryLife of(Show show, Device device, double batteryWh, double watts) {
        Limits limits = show.checks().limits();
        double holds = limits.get(Limit.BATTERY_EFFICIENCY) * limits.get(Limit.BATTERY_AGEING);
        double lasts = 60 * batteryWh * holds / watts;
        double planned = show.scenes().stream().mapToDouble(Scene::minutes).sum();
        double wanted =
                planned == 0 ? 0 : limits.get(Limit.SET_UP) + planned + limits.get(Limit.OVERRUN);
        return new BatteryLife(
                device,
                watts,
                lasts,
                wanted,
                lasts < wanted ? swap(show, lasts) : "",
                lasts < wanted * limits.get(Limit.BATTERY_SPARE));
    }

    /// The last moment between two scenes at which it still runs.
    private static String swap(Show show, double lasts) {
        double into = lasts - show.checks().limits().get(Limit.SET_UP);
        if (into < 0) return "before the doors open";
        double at = 0;
        for (Scene scene : show.scenes()) {
            if (into < at + scene.minutes() && at == 0) return "right before " + scene.name();
            if (into < at + scene.minutes())
                return "before %s, %s into the show".formatted(scene.name(), Words.minutes(at));
            at += scene.minutes();
        }
        return "before an overrun";
    }

    /// Whether it dies before the evening is over.
    public boolean dies() {
        return lastsMinutes < wantedMinutes;
    }

    /// "The battery of Recorder lasts 3.4 h".
    public String words() {
        return "The battery of %s lasts %s".formatted(device.name(), Words.hours(lastsMinutes));
    }
}
