package rivulus.rig;

import java.util.List;
import java.util.stream.Collectors;
import rivulus.gear.LeadKind;
import rivulus.show.Device;
import rivulus.show.Show;
import rivulus.words.Words;

/// One way to join two machines.
///
/// @param after the show with it joined so
/// @param boxes what is put between, in order
/// @param leads the leads, in order
/// @param cost of leads and boxes, to weigh ways against each other
public record Joining(Show after, List<Device> boxes, List<LeadReport> leads, int cost) {
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

    /// Why it is a good way: what arrives, and whether grounds stay apart.
    public String why() {
        List<LeadReport.Passage> last = leads.getLast().passages();
        String arrives = last.isEmpty() ? "digital" : last.getFirst().words();
        return arrives + (isIsolated() ? "; grounds stay apart" : "");
    }
}
