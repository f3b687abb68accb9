package rivulus.setup;

import java.util.List;

/// One thing that hands do.
///
/// @param id the same however often the list is made: `lead/c4`
/// @param device the id of the machine it is done at; or empty
/// @param machine its name; or empty
/// @param who who does it: somebody's name where only they can, else empty
/// @param what as an order: "Lead 04: Maren's microphone · out into Show desk · MIC 1."
/// @param why as a clause, "so that the stream hears Maren"; or empty
/// @param minutes about how long it takes, see [Pace]
/// @param after the ids of the steps that come before it
public record Step(
        String id,
        Part part,
        String device,
        String machine,
        String who,
        String what,
        String why,
        double minutes,
        List<String> after,
        Act act) {
    public Step {
        after = List.copyOf(after);
    }
}
