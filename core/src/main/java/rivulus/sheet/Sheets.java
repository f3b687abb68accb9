package rivulus.sheet;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import rivulus.check.Limits;
import rivulus.check.Proof;
import rivulus.check.SceneProof;
import rivulus.gear.Catalogue;
import rivulus.gear.Picker;
import rivulus.gear.Power;
import rivulus.gear.Setting;
import rivulus.leads.Fault;
import rivulus.leads.LeadReport;
import rivulus.rig.RigFinding;
import rivulus.rig.RigProof;
import rivulus.show.Device;
import rivulus.show.Playback;
import rivulus.signal.KnobUse;
import rivulus.words.Words;

/// Draws up the sheets of a proven rig.
public final class Sheets {
    /// The kinds of sheet there are.
    public enum Kind {
        LEADS("Lead list"),
        SHOPPING("Shopping list"),
        PACKING("Packing list"),
        COMPUTERS("Settings of every computer"),
        POWER("Power and earths");

        private final String title;

        Kind(String title) {
            this.title = title;
        }

        /// What stands over it.
        public String title() {
            return title;
        }

        /// As commands name it: `leads`.
        public String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    private final Proof proof;
    private final RigProof rig;
    private final Catalogue catalogue;

    /// Sheets of a show whose templates are in the catalogue.
    public Sheets(Proof proof, RigProof rig, Catalogue catalogue) {
        this.proof = proof;
        this.rig = rig;
        this.catalogue =
                catalogue.with(proof.show().templates().stream().map(o -> o.template()).toList());
    }

    /// The sheet of that kind.
    public Sheet of(Kind kind) {
        return switch (kind) {
            case LEADS -> leads();
            case SHOPPING -> shopping();
            case PACKING -> packing();
            case COMPUTERS -> computers();
            case POWER -> power();
        };
    }

    private Sheet sheet(
            Kind kind, List<String> columns, List<List<String>> rows, List<String> notes) {
        return new Sheet(proof.show().title() + ": " + kind.title(), columns, rows, notes);
    }

    /// One row for each lead, with what to write on both its ends.
    private Sheet leads() {
        List<List<String>> rows = new ArrayList<>();
        int number = 1;
        for (LeadReport lead : carried(rig.leads())) {
            String tag = String.format(Locale.ROOT, "%02d", number++);
            rows.add(
                    List.of(
                            tag,
                            lead.kindInWords(),
                            metres(lead),
                            lead.a().words(),
                            lead.b().words(),
                            tag + " to " + lead.b().words(),
                            tag + " to " + lead.a().words(),
                            lead.cable().toBuy() ? "to buy" : "owned",
                            arrives(lead)));
        }
        List<String> columns =
                List.of(
                        "no",
                        "lead",
                        "metres",
                        "from",
                        "to",
                        "label at from",
                        "label at to",
                        "owned",
                        "arrives");
        return sheet(Kind.LEADS, columns, rows, troubles());
    }

    private List<String> troubles() {
        return rig.findings().stream()
                .map(
                        finding ->
                                Words.sentence(finding.severity().word())
                                        + ": "
                                        + finding.sentence())
                .toList();
    }

    private static String metres(LeadReport lead) {
        return lead.cable().metres() == 0 ? "" : Words.signed(lead.cable().metres(), 1);
    }

    private static String arrives(LeadReport lead) {
        List<String> words = new ArrayList<>();
        for (LeadReport.Passage passage : lead.passages())
            words.add(Words.signed(passage.arrivesDbu(), 1) + " dBu");
        for (Fault fault : lead.faults()) words.add(fault.words());
        return String.join("; ", words);
    }

    /// What has to be bought, counted by kind and length.
    private Sheet shopping() {
        return counted(Kind.SHOPPING, rig.leads().stream().filter(l -> l.cable().toBuy()).toList());
    }

    /// Leads that somebody lays: the telephone network, radio, and what programs say to each other
    /// are none.
    private List<LeadReport> carried(List<LeadReport> leads) {
        return leads.stream()
                .filter(lead -> lead.kind().filter(kind -> kind.cost() == 0).isEmpty())
                .filter(lead -> isThing(lead.a().device()) && isThing(lead.b().device()))
                .toList();
    }

    private boolean isThing(Device device) {
        String kind = catalogue.get(device.template()).kind();
        return !kind.equals("program") && !kind.equals("service");
    }

    private Sheet counted(Kind kind, List<LeadReport> leads) {
        Map<String, Integer> count = new TreeMap<>();
        for (LeadReport lead : carried(leads))
            count.merge(lead.kindInWords() + "\t" + metres(lead), 1, Integer::sum);
        List<List<String>> rows = new ArrayList<>();
        count.forEach(
                (what, many) -> {
                    String[] parts = what.split("\t", -1);
                    rows.add(List.of(String.valueOf(many), parts[0], parts[1]));
                });
        List<String> notes =
                rows.isEmpty()
                        ? List.of("Nothing has to be bought.")
                        : List.of("Buy a spare of every kind that the show cannot do without.");
        return sheet(kind, List.of("pieces", "what", "metres"), rows, notes);
    }

    /// Everything to carry: gear, then leads.
    private Sheet packing() {
        List<List<String>> rows = new ArrayList<>();
        Map<String, Integer> gear = new LinkedHashMap<>();
        for (Device device : proof.show().rig().devices()) {
            if (isThing(device))
                gear.merge(catalogue.get(device.template()).name(), 1, Integer::sum);
        }
        gear.forEach((name, many) -> rows.add(List.of(String.valueOf(many), name, "")));
        rows.addAll(counted(Kind.PACKING, rig.leads()).rows());
        return sheet(
                Kind.PACKING,
                List.of("pieces", "what", "metres"),
                rows,
                List.of("Lay leads out of the way of feet and tape them down."));
    }

    /// What a person sets on each computer, in the order of clicks.
    private Sheet computers() {
        List<List<String>> rows = new ArrayList<>();
        List<String> notes = new ArrayList<>();
        for (Device computer : proof.show().rig().devices()) {
            if (!catalogue.get(computer.template()).isComputer()) continue;
            settings(computer, computer, rows);
            for (Device program : proof.show().rig().devices())
                if (program.on().equals(computer.id())) settings(computer, program, rows);
            notes.add(onAir(computer));
        }
        return sheet(
                Kind.COMPUTERS,
                List.of("computer", "where", "setting", "set to", "why"),
                rows,
                notes);
    }

    private void settings(Device computer, Device where, List<List<String>> rows) {
        SceneProof scene = proof.scenes().getFirst();
        for (Picker picker : catalogue.get(where.template()).pickers()) {
            var live = scene.tracer().live();
            int index = live.graph().knobIndex(where.id(), picker.id());
            KnobUse use = live.graph().knobs().get(index);
            Setting stands = live.positions().get(index);
            rows.add(
                    List.of(
                            computer.name(),
                            where == computer ? "sound settings" : where.name(),
                            picker.label(),
                            use.say(stands),
                            why(picker)));
        }
    }

    private static String why(Picker picker) {
        if (picker.isStandard())
            return "every program that follows the default "
                    + (picker.picks() == Picker.Picks.OUTPUT ? "plays there" : "listens there");
        return switch (picker.picks()) {
            case OUTPUT -> "so that it plays there and nowhere else";
            case INPUT -> "so that it hears that and nothing else";
            case DESKTOP -> "so that it captures what is played there";
        };
    }

    private String onAir(Device computer) {
        Set<String> heard = new LinkedHashSet<>();
        for (SceneProof scene : proof.scenes()) {
            for (SceneProof.Heard cell : scene.all()) {
                if (!cell.ear().isPublic() || !(cell.source() instanceof Playback playback))
                    continue;
                boolean here =
                        proof.show()
                                .rig()
                                .device(playback.at().device())
                                .filter(d -> d.on().equals(computer.id()) || d == computer)
                                .isPresent();
                if (here && cell.hearing().levelDb() > Limits.USUAL.heardDb())
                    heard.add(playback.name());
            }
        }
        return heard.isEmpty()
                ? "Nothing that %s plays by itself is on air.".formatted(computer.name())
                : "On air from %s: %s.".formatted(computer.name(), Words.list(List.copyOf(heard)));
    }

    /// What every machine runs on.
    private Sheet power() {
        List<List<String>> rows = new ArrayList<>();
        double watts = 0;
        for (Device device : proof.show().rig().devices()) {
            Power power = catalogue.get(device.template()).power();
            String from = power.when(device.power());
            if (from.equals("none")) continue;
            boolean mains = from.equals("mains");
            if (mains) watts += power.watts();
            rows.add(
                    List.of(
                            device.name(),
                            from,
                            power.watts() == 0 ? "" : Words.signed(power.watts(), 1),
                            power.batteryWh() == 0 ? "" : Words.signed(power.batteryWh(), 0),
                            mains && power.earthed() ? "yes" : ""));
        }
        List<String> notes = new ArrayList<>();
        notes.add("From the mains: %s W in all.".formatted(Words.signed(watts, 0)));
        for (RigFinding finding : rig.findings())
            if (finding.rule().equals("ground-loop") || finding.rule().equals("power"))
                notes.add(finding.sentence());
        notes.add(
                "Never defeat a safety earth: it is there so that a fault blows the fuse and not a"
                        + " person. A licensed electrician decides, by the local code.");
        return sheet(
                Kind.POWER,
                List.of("machine", "runs from", "watts", "battery Wh", "earthed"),
                rows,
                notes);
    }
}
