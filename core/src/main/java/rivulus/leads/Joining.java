package rivulus.leads;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import rivulus.gear.Delay;
import rivulus.gear.LeadKind;
import rivulus.show.Device;
import rivulus.show.Show;
import rivulus.words.Words;

/// One way to join two machines.
///
/// @param after the show with it joined so, and nothing set
/// @param boxes what is put between, in order
/// @param leads the leads, in order
/// @param delay what converters, USB, boxes and buffers on the way add
/// @param picks what a computer at either end is set to then, or has still to be set to
/// @param cost of leads and boxes, to weigh ways against each other
public record Joining(
        Show after,
        List<Device> boxes,
        List<LeadReport> leads,
        Delay delay,
        Picks picks,
        int cost) {
    public Joining {
        boxes = List.copyOf(boxes);
        leads = List.copyOf(leads);
    }

    /// Whether no ground passes from one end to the other.
    public boolean isIsolated() {
        return leads.stream().anyMatch(lead -> !lead.joins());
    }

    /// The ports at the two ends, and what is between: "line out → line isolator → LINE A".
    public String way() {
        String between =
                boxes.stream().map(box -> box.name() + " → ").collect(Collectors.joining());
        return "%s → %s%s"
                .formatted(leads.getFirst().a().words(), between, leads.getLast().b().words());
    }

    /// What is needed: "3.5 mm stereo lead and XLR lead".
    public String needs() {
        return Words.list(
                leads.stream().map(lead -> lead.kind().map(LeadKind::name).orElse("?")).toList());
    }

    /// What of it has still to be bought, by name; empty where all is owned.
    public List<String> toBuy() {
        List<String> buy = new ArrayList<>();
        for (LeadReport lead : leads) if (lead.cable().toBuy()) buy.add(lead.kindInWords());
        for (Device box : boxes) if (box.toBuy()) buy.add(box.name());
        return buy;
    }

    /// Why it is a good way: what arrives, when, whether grounds stay apart, and what has to be
    /// bought.
    public String why() {
        List<LeadReport.Passage> last = leads.getLast().passages();
        List<String> clauses = new ArrayList<>();
        clauses.add(last.isEmpty() ? "digital" : last.getFirst().words());
        if (delay.ms() > 0)
            clauses.add(
                    "%s (%s to %s)"
                            .formatted(
                                    Words.ms(delay.ms()),
                                    Words.signed(delay.minMs(), 0),
                                    Words.signed(delay.maxMs(), 0)));
        clauses.add(isIsolated() ? "grounds stay apart" : "grounds are joined");
        for (LeadReport lead : leads)
            for (Fault fault : lead.faults()) if (fault.switched()) clauses.add(fault.words());
        clauses.addAll(picks.words());
        clauses.add(toBuy().isEmpty() ? "all of it is owned" : "to buy: " + Words.list(toBuy()));
        return String.join("; ", clauses);
    }
}
