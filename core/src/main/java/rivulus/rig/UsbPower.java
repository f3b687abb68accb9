package rivulus.rig;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.SequencedMap;
import rivulus.check.Severity;
import rivulus.gear.Port;
import rivulus.gear.Setting;
import rivulus.gear.Template;
import rivulus.show.Cable;
import rivulus.show.Device;
import rivulus.show.Ref;
import rivulus.show.Show;
import rivulus.words.Words;

/// Ports of computers and hubs that are asked for more than they can give.
final class UsbPower implements RigCheck {
    /// A USB port should not be asked for more than this share of what it can give.
    private static final double USUAL_SHARE = 0.9;

    /// What phantom power adds to a bus-powered interface's draw (REFERENCE, 100 to 200 mA).
    private static final int PHANTOM_MA = 150;

    @Override
    public void check(
            Show show, LeadReader reader, List<LeadReport> leads, List<RigFinding> findings) {
        for (Device host : show.rig().devices()) {
            for (Port port : reader.template(host).ports()) {
                int gives = port.electric().givesMa();
                if (gives == 0) continue;
                List<String> fed = new ArrayList<>();
                int draws = 0;
                Ref ref = new Ref(host.id(), port.id());
                for (Cable cable : show.rig().cables()) {
                    if (!cable.ends(ref)) continue;
                    End other = reader.end(cable.from().equals(ref) ? cable.to() : cable.from());
                    int own = drawn(reader.template(other.device()), other);
                    if (own > 0) fed.add(other.device().name());
                    draws += own;
                }
                if (draws > gives * USUAL_SHARE)
                    findings.add(overdrawn(new End(host, port), fed, draws, gives));
            }
        }
    }

    private static int drawn(Template template, End end) {
        boolean fed = template.power().when(end.device().power()).equals("usb");
        int phantom = 0;
        for (Port port : template.ports()) {
            Setting knob = end.device().knobs().get(port.electric().phantomKnob());
            if (knob instanceof Setting.Switch(boolean on) && on) phantom = PHANTOM_MA;
        }
        return fed ? end.port().electric().drawsMa() + phantom : 0;
    }

    private static RigFinding overdrawn(End host, List<String> fed, int draws, int gives) {
        SequencedMap<String, Double> figures = new LinkedHashMap<>();
        figures.put("drawsMa", (double) draws);
        figures.put("givesMa", (double) gives);
        boolean over = draws > gives;
        return new RigFinding(
                "power",
                over ? Severity.PROBLEM : Severity.CAUTION,
                List.of(host.device().id(), host.port().id()),
                "%s draws %d mA from %s, which gives %d mA%s."
                        .formatted(
                                Words.list(fed),
                                draws,
                                host.words(),
                                gives,
                                over ? "; put a powered hub between" : ", with little to spare"),
                figures);
    }
}
