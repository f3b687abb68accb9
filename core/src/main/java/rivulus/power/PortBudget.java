package rivulus.power;

import java.util.ArrayList;
import java.util.List;
import rivulus.gear.Port;
import rivulus.gear.Power;
import rivulus.gear.Setting;
import rivulus.gear.Template;
import rivulus.leads.End;
import rivulus.leads.LeadReport;
import rivulus.leads.Survey;
import rivulus.show.Device;
import rivulus.show.Limit;
import rivulus.show.Ref;
import rivulus.words.Words;

/// What is drawn from one port that gives 5 V.
///
/// @param fed the names of what it feeds
/// @param drawsMa what all of it draws, phantom power included
/// @param phantomMa how much of that is for phantom power
/// @param givesMa what the port can give
/// @param tight whether it comes near to giving more than it can; see [Limit#USB_SHARE]
public record PortBudget(
        End host, List<String> fed, int drawsMa, int phantomMa, int givesMa, boolean tight) {
    /// What phantom power adds to a bus-powered interface's draw (REFERENCE, 100 to 200 mA).
    private static final int PHANTOM_MA = 150;

    public PortBudget {
        fed = List.copyOf(fed);
    }

    /// The budget of every port that feeds something.
    public static List<PortBudget> all(Survey survey) {
        List<PortBudget> all = new ArrayList<>();
        for (Device host : survey.devices()) {
            for (Port port : survey.template(host).ports()) {
                if (port.electric().givesMa() == 0) continue;
                PortBudget budget = of(survey, new End(host, port));
                if (!budget.fed.isEmpty()) all.add(budget);
            }
        }
        return all;
    }

    private static PortBudget of(Survey survey, End host) {
        List<String> fed = new ArrayList<>();
        int draws = 0;
        int phantom = 0;
        for (LeadReport lead : survey.leadsIn(host.ref())) {
            End far = Survey.far(lead, host.ref());
            boolean runs = survey.runsOn(far.device()) == Power.Source.USB;
            if (!runs || far.port().electric().drawsMa() == 0) continue;
            fed.add(far.device().name());
            draws += far.port().electric().drawsMa();
            if (hasPhantomOn(survey, far.device())) phantom += PHANTOM_MA;
        }
        int gives = host.port().electric().givesMa();
        double share = survey.show().checks().limits().get(Limit.USB_SHARE);
        return new PortBudget(
                host, fed, draws + phantom, phantom, gives, draws + phantom > gives * share);
    }

    private static boolean hasPhantomOn(Survey survey, Device device) {
        Template template = survey.template(device);
        for (Port port : template.ports()) {
            String knob = port.electric().phantomKnob();
            boolean on =
                    !knob.isEmpty()
                            && survey.stands(device, knob)
                                    .filter(new Setting.Switch(true)::equals)
                                    .isPresent();
            if (on && !survey.leadsIn(new Ref(device.id(), port.id())).isEmpty()) return true;
        }
        return false;
    }

    /// What is left, in mA; negative where too much is drawn.
    public int marginMa() {
        return givesMa - drawsMa;
    }

    /// Whether more is drawn than the port can give.
    public boolean isOver() {
        return marginMa() < 0;
    }

    /// "Interface needs 600 mA, 150 of them for phantom power, and gets 300: 300 too little", "…
    /// and can get 900".
    public String words() {
        return "%s %s %d%smA%s and %s %d%s"
                .formatted(
                        Words.list(fed),
                        fed.size() == 1 ? "needs" : "need",
                        drawsMa,
                        Words.THIN,
                        phantomMa > 0 ? ", %d of them for phantom power,".formatted(phantomMa) : "",
                        isOver() ? fed.size() == 1 ? "gets" : "get" : "can get",
                        givesMa,
                        isOver() ? ": %d too little".formatted(-marginMa()) : "");
    }
}
