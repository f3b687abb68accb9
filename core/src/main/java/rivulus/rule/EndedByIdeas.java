package rivulus.rule;

import java.util.List;
import rivulus.check.Finding;

/// A rule about knobs that no search over the graph finds, since they govern no leg: a finding of
/// it is ended by what the rule thinks of, and by nothing else. None of them is so bad that it
/// stands in the way of another cure.
interface EndedByIdeas extends Rule {
    @Override
    default Need need(Finding finding) {
        return Need.IDEAS;
    }

    @Override
    default boolean isHarm(Finding finding) {
        return false;
    }

    /// What may be turned, each by itself.
    @Override
    default List<Idea> ideas(Finding finding, Workshop workshop) {
        return Turned.each(finding);
    }
}
