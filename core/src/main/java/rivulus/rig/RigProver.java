package rivulus.rig;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SequencedMap;
import java.util.Set;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.check.Prover;
import rivulus.check.Severity;
import rivulus.gear.Electric;
import rivulus.gear.Leads;
import rivulus.gear.Port;
import rivulus.gear.Power;
import rivulus.gear.Setting;
import rivulus.gear.Template;
import rivulus.show.Cable;
import rivulus.show.Device;
import rivulus.show.Ref;
import rivulus.show.Rig;
import rivulus.show.Show;
import rivulus.show.Turn;
import rivulus.words.Words;

/// Proves rigs. Keeps no state and may be shared.
public final class RigProver {
    /// A USB port should not be asked for more than this share of what it can give.
    private static final double USUAL_SHARE = 0.9;

    private static final int FIXES = 3;

    private final Prover prover;
    private final Leads leads;

    /// A prover that tries its fixes on hearing with the other.
    public RigProver(Prover prover, Leads leads) {
        this.prover = prover;
        this.leads = leads;
    }

    /// The kinds of lead there are.
    public Leads leads() {
        return leads;
    }

    /// Proves the rig of a show.
    public RigProof prove(Show show) {
        LeadReader reader = new LeadReader(show, prover.catalogue(), leads);
        List<LeadReport> reports = reader.all();
        List<RigFinding> findings = new ArrayList<>();
        for (LeadReport report : reports) faults(report, findings);
        portsUsedTwice(show, reader, findings);
        grounds(show, reader, reports, findings);
        power(show, reader, findings);
        Batteries.check(show, reader, findings);
        UnusedGain.check(show, reader, findings);
        findings.sort(Comparator.comparing(RigFinding::severity));
        return new RigProof(show, reports, findings);
    }

    // Checks

    private static void faults(LeadReport lead, List<RigFinding> findings) {
        for (Fault fault : lead.faults()) {
            SequencedMap<String, Double> figures = new LinkedHashMap<>();
            if (!fault.unit().isEmpty()) figures.put(fault.unit(), fault.figure());
            findings.add(
                    new RigFinding(
                            fault.rule(),
                            fault.severity(),
                            List.of(lead.cable().id()),
                            "From %s to %s: %s."
                                    .formatted(lead.a().words(), lead.b().words(), fault.words()),
                            figures));
        }
    }

    private static void portsUsedTwice(Show show, LeadReader reader, List<RigFinding> findings) {
        Map<Ref, List<Cable>> inPort = new LinkedHashMap<>();
        for (Cable cable : show.rig().cables()) {
            inPort.computeIfAbsent(cable.from(), _ -> new ArrayList<>()).add(cable);
            inPort.computeIfAbsent(cable.to(), _ -> new ArrayList<>()).add(cable);
        }
        inPort.forEach(
                (port, cables) -> {
                    if (cables.size() < 2) return;
                    End end = reader.end(port);
                    List<String> about = new ArrayList<>();
                    for (Cable cable : cables.reversed()) about.add(cable.id());
                    SequencedMap<String, Double> figures = new LinkedHashMap<>();
                    figures.put("leads", (double) cables.size());
                    findings.add(
                            new RigFinding(
                                    "port-twice",
                                    Severity.PROBLEM,
                                    about,
                                    "%d leads are meant for %s, which takes one."
                                            .formatted(cables.size(), end.words()),
                                    figures));
                });
    }

    private static void grounds(
            Show show, LeadReader reader, List<LeadReport> leads, List<RigFinding> findings) {
        for (Grounds.Loop loop : Grounds.loops(show, reader, leads)) {
            LeadReport lead = loop.lead();
            boolean balanced = Grounds.isBalanced(lead);
            List<String> round = loop.round();
            SequencedMap<String, Double> figures = new LinkedHashMap<>();
            figures.put("machines", (double) round.size());
            if (lead.cable().metres() > 0) figures.put("metres", lead.cable().metres());
            String hum =
                    balanced
                            ? "it is balanced and mostly rejects the hum"
                            : "it may hum at the mains frequency";
            findings.add(
                    new RigFinding(
                            "ground-loop",
                            balanced ? Severity.NOTE : Severity.PROBLEM,
                            List.of(lead.cable().id()),
                            "The lead from %s to %s closes a ring of grounds (%s): %s."
                                    .formatted(
                                            lead.a().words(),
                                            lead.b().words(),
                                            String.join(" – ", round),
                                            hum),
                            figures));
        }
    }

    private static void power(Show show, LeadReader reader, List<RigFinding> findings) {
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

    /// What phantom power adds to a bus-powered interface's draw (REFERENCE, 100 to 200 mA).
    private static final int PHANTOM_MA = 150;

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

    // Fixes

    /// The fixes of a finding that were tried and found good, best first. Costs a proof of the show
    /// for each that is tried.
    public List<RigFix> fixes(Proof proof, RigProof rig, RigFinding finding) {
        List<RigFix> good = new ArrayList<>();
        if (finding.severity() == Severity.NOTE) return good;
        for (RigFix fix : ideas(rig.show(), finding)) {
            if (good.size() == FIXES) break;
            if (isGood(proof, rig, finding, fix)) good.add(fix);
        }
        return good;
    }

    private List<RigFix> ideas(Show show, RigFinding finding) {
        Optional<Cable> cable = cable(show, finding.about().getFirst());
        if (cable.isEmpty()) return List.of();
        LeadReport lead = new LeadReader(show, prover.catalogue(), leads).read(cable.get());
        return switch (finding.rule()) {
            case "phantom" -> phantom(show, lead);
            case "length" -> List.of();
            case "ground-loop" -> unearthed(show, lead);
            default -> rejoined(show, lead, false);
        };
    }

    /// A transformer first; then a battery, where one of the machines has one.
    private List<RigFix> unearthed(Show show, LeadReport lead) {
        List<RigFix> fixes = new ArrayList<>(rejoined(show, lead, true));
        for (Device device : show.rig().devices()) {
            Power power =
                    prover.catalogue()
                            .find(device.template())
                            .map(Template::power)
                            .orElse(Power.NONE);
            boolean plugged = power.earthed() && power.when(device.power()).equals("mains");
            if (!plugged || !power.from().contains("battery")) continue;
            fixes.add(
                    new RigFix(
                            "Run %s from its battery.".formatted(device.name()),
                            List.of(),
                            show.withRig(show.rig().with(device.poweredBy("battery")))));
        }
        return fixes;
    }

    private static Optional<Cable> cable(Show show, String id) {
        return show.rig().cables().stream().filter(c -> c.id().equals(id)).findFirst();
    }

    /// The switch of the phantom power the other way.
    private List<RigFix> phantom(Show show, LeadReport lead) {
        List<RigFix> fixes = new ArrayList<>();
        for (End end : List.of(lead.a(), lead.b())) {
            Electric electric = end.port().electric();
            if (electric.phantomKnob().isEmpty()) continue;
            Ref knob = new Ref(end.device().id(), electric.phantomKnob());
            boolean on =
                    end.device().knobs().get(knob.name()) instanceof Setting.Switch(boolean is)
                            && is;
            Turn turn =
                    new Turn(
                            knob,
                            new Setting.Switch(on),
                            new Setting.Switch(!on),
                            Optional.empty());
            fixes.add(
                    new RigFix(
                            "Levels down, then switch 48 V %s at %s."
                                    .formatted(on ? "off" : "on", end.words()),
                            List.of(turn),
                            show.with(turn)));
        }
        return fixes;
    }

    /// The same two machines joined another way, by the same ports first.
    private List<RigFix> rejoined(Show show, LeadReport lead, boolean isolated) {
        End from = lead.a().port().gives() > 0 || lead.b().port().host() ? lead.a() : lead.b();
        End to = from == lead.a() ? lead.b() : lead.a();
        Show without = without(show, lead.cable().id());
        List<RigFix> fixes = new ArrayList<>();
        List<RigFix> elsewhere = new ArrayList<>();
        for (Joining way :
                new Joiner(without, prover.catalogue(), leads)
                        .ways(
                                from.device(),
                                to.device(),
                                4 * FIXES,
                                j -> !isolated || j.isIsolated())) {
            boolean samePorts =
                    way.leads().getFirst().a().ref().equals(from.ref())
                            && way.leads().getLast().b().ref().equals(to.ref());
            (samePorts ? fixes : elsewhere)
                    .add(
                            new RigFix(
                                    "Join %s, by %s.".formatted(way.way(), way.needs()),
                                    List.of(),
                                    way.after()));
        }
        fixes.addAll(elsewhere);
        return fixes;
    }

    /// A show without one lead.
    public static Show without(Show show, String cable) {
        Rig rig = show.rig();
        return show.withRig(
                new Rig(
                        rig.devices(),
                        rig.cables().stream().filter(c -> !c.id().equals(cable)).toList(),
                        rig.extras()));
    }

    private boolean isGood(Proof proof, RigProof rig, RigFinding finding, RigFix fix) {
        RigProof after = prove(fix.after());
        long ofRule = 0;
        Map<String, Severity> before = new HashMap<>();
        for (RigFinding known : rig.findings())
            before.merge(known.id(), known.severity(), (a, b) -> a.compareTo(b) < 0 ? a : b);
        for (RigFinding left : after.findings()) {
            if (left.id().equals(finding.id())) return false;
            if (left.rule().equals(finding.rule())) ofRule++;
            Severity was = before.get(left.id());
            boolean worse = was == null || left.severity().compareTo(was) < 0;
            if (worse && left.severity().isSerious()) return false;
        }
        long were = rig.findings().stream().filter(f -> f.rule().equals(finding.rule())).count();
        if (ofRule >= were) return false;
        Set<Finding.Key> heard = new HashSet<>();
        for (Finding known : proof.findings()) heard.add(whom(known));
        return prover.prove(fix.after(), proof).findings().stream()
                .allMatch(left -> heard.contains(whom(left)));
    }

    /// What a finding is about, but for the gear by which it is told, which a fix may change.
    private static Finding.Key whom(Finding finding) {
        Finding.Key key = finding.key();
        return new Finding.Key(key.rule(), key.scene(), key.ear(), key.source(), "");
    }
}
