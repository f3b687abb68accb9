package rivulus.rig;

import java.util.List;
import rivulus.leads.Survey;

/// One rule, or a few that are found together, over the gear of a show.
interface RigCheck {
    /// Adds what it finds.
    void check(Survey survey, List<RigFinding> findings);
}
