package rivulus.rig;

import java.util.List;
import rivulus.check.Proof;
import rivulus.leads.Survey;

/// One rule, or a few that are found together, over the gear of a show.
interface RigCheck {
    /// Adds what it finds.
    ///
    /// @param survey the gear and its leads
    /// @param proof what everybody hears by it
    void check(Survey survey, Proof proof, List<RigFinding> findings);
}
