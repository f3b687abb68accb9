package rivulus.rig;

import java.util.List;
import rivulus.show.Show;

/// One rule, or a few that are found together, over the gear of a show.
interface RigCheck {
    /// Adds what it finds.
    ///
    /// @param reader knows ports and templates
    /// @param leads every lead, read
    void check(Show show, LeadReader reader, List<LeadReport> leads, List<RigFinding> findings);
}
