package rivulus.sheet;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import rivulus.chart.RigDrawing;
import rivulus.check.Proof;
import rivulus.gear.LeadKind;
import rivulus.leads.Fault;
import rivulus.leads.LeadReport;
import rivulus.leads.Survey;
import rivulus.show.Device;
import rivulus.show.Person;
import rivulus.words.Words;

/// What has to be laid, labelled, bought and packed.
final class LeadSheets {
    private final Proof proof;
    private final Survey survey;
    private final Map<String, String> tags;

    LeadSheets(Proof proof) {
        this.proof = proof;
        survey = proof.survey();
        tags = RigDrawing.tags(survey);
    }

    /// What somebody lays or plugs, in the order of its numbers.
    private List<LeadReport> laid() {
        return survey.leads().stream()
                .filter(lead -> RigDrawing.isLaid(survey, lead))
                .sorted(Comparator.comparing(this::tag))
                .toList();
    }

    private String tag(LeadReport lead) {
        return tags.get(lead.cable().id());
    }

    /// One row for each lead.
    Part.Table list() {
        List<List<String>> rows = new ArrayList<>();
        for (LeadReport lead : laid())
            rows.add(
                    List.of(
                            tag(lead),
                            lead.kindInWords() + tape(lead),
                            metres(lead),
                            lead.a().words(),
                            lead.b().words(),
                            tag(lead) + " to " + lead.b().words(),
                            tag(lead) + " to " + lead.a().words(),
                            owned(lead),
                            arrives(lead)));
        List<String> troubles =
                proof.ofTheRig().stream()
                        .map(f -> Words.sentence(f.severity().word()) + ": " + f.sentence())
                        .toList();
        return new Part.Table(
                "",
                List.of(
                        "no",
                        "lead",
                        "metres",
                        "from",
                        "to",
                        "label at from",
                        "label at to",
                        "owned",
                        "arrives"),
                rows,
                troubles);
    }

    private static String tape(LeadReport lead) {
        return lead.cable().tape().map(tape -> ", %s tape".formatted(tape.word())).orElse("");
    }

    private static boolean isThing(LeadReport lead) {
        return lead.kind().map(LeadKind::isThing).orElse(true);
    }

    private static String owned(LeadReport lead) {
        if (!isThing(lead)) return "";
        return lead.cable().toBuy() ? "to buy" : "owned";
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

    /// Two labels for each lead, one for the plug of a machine.
    Part.Labels labels() {
        List<Part.Label> labels = new ArrayList<>();
        for (LeadReport lead : laid()) {
            String a = lead.a().words();
            String b = lead.b().words();
            String kind =
                    lead.kindInWords()
                            + tape(lead)
                            + (lead.cable().metres() == 0
                                    ? ""
                                    : ", " + Words.metres(lead.cable().metres()));
            boolean plugOfB = !isThing(lead) && lead.b().port().plug();
            if (!plugOfB) labels.add(new Part.Label(tag(lead), a, b, kind));
            if (isThing(lead) || plugOfB) labels.add(new Part.Label(tag(lead), b, a, kind));
        }
        return new Part.Labels(labels);
    }

    /// What has to be bought: boxes, then leads by kind and length.
    Part.Table shopping() {
        Map<String, Integer> count = new LinkedHashMap<>();
        for (Device device : survey.devices())
            if (device.toBuy()) count.merge(name(device) + "\t", 1, Integer::sum);
        count.putAll(counted(laid().stream().filter(lead -> lead.cable().toBuy()).toList()));
        return pieces(
                count,
                count.isEmpty()
                        ? "Nothing has to be bought."
                        : "Buy a spare of every kind that the show cannot do without.");
    }

    /// Everything to carry: gear, then leads.
    Part.Table packing() {
        Map<String, Integer> count = new LinkedHashMap<>();
        for (Device device : survey.devices())
            if (isGear(device) && !isFar(device)) count.merge(name(device) + "\t", 1, Integer::sum);
        count.putAll(counted(laid()));
        return pieces(count, "Lay leads out of the way of feet and tape them down.");
    }

    private boolean isGear(Device device) {
        return survey.template(device).kind().isThing();
    }

    /// Whether a caller has it at home.
    private boolean isFar(Device device) {
        return survey.show().cast().person(device.worn()).filter(Person::isCaller).isPresent();
    }

    private String name(Device device) {
        return survey.template(device).name();
    }

    private static Map<String, Integer> counted(List<LeadReport> leads) {
        Map<String, Integer> count = new TreeMap<>();
        for (LeadReport lead : leads)
            if (isThing(lead))
                count.merge(lead.kindInWords() + "\t" + metres(lead), 1, Integer::sum);
        return count;
    }

    private static Part.Table pieces(Map<String, Integer> count, String note) {
        List<List<String>> rows = new ArrayList<>();
        count.forEach(
                (what, many) -> {
                    String[] parts = what.split("\t", -1);
                    rows.add(List.of(String.valueOf(many), parts[0], parts[1]));
                });
        return new Part.Table("", List.of("pieces", "what", "metres"), rows, List.of(note));
    }
}
