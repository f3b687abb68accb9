package rivulus.rule;

import java.util.List;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.power.PortBudget;
import rivulus.show.Limits;
import rivulus.words.Severity;

/// Ports of computers, hubs and packs that are asked for more than they can give.
final class PortBudgets implements Rule {
    @Override
    public String id() {
        return "power";
    }

    @Override
    public List<Finding.Draft> inRig(Proof proof, Limits limits) {
        return PortBudget.all(proof.survey()).stream()
                .filter(PortBudget::tight)
                .map(this::finding)
                .toList();
    }

    private Finding.Draft finding(PortBudget budget) {
        return finding(
                        budget.isOver() ? Severity.PROBLEM : Severity.CAUTION,
                        "At %s: %s%s."
                                .formatted(
                                        budget.host().words(),
                                        budget.words(),
                                        budget.isOver() ? "" : ", which is nearly all"))
                .gear(budget.host().device().id(), budget.host().port().id())
                .figure("drawsMa", budget.drawsMa())
                .figure("givesMa", budget.givesMa())
                .figure("marginMa", budget.marginMa());
    }

    @Override
    public List<Idea> ideas(Finding finding, Workshop workshop) {
        return workshop.power().relieved(finding);
    }
}
