package rivulus.power;

import java.util.List;
import rivulus.leads.LeadReport;

/// A cycle of grounds that goes through an audio lead.
///
/// @param lead the audio lead that closes it
/// @param machines the ids of the machines on the rest of it, from one end of the lead to the
///     other; the safety earth is `/earth`
/// @param round the same in words
/// @param hum how loud it may hum in that lead
public record Ring(LeadReport lead, List<String> machines, List<String> round, Hum hum) {
    public Ring {
        machines = List.copyOf(machines);
        round = List.copyOf(round);
    }

    /// "House loudspeakers – the mains earth – Show desk".
    public String words() {
        return String.join(" – ", round);
    }
}
