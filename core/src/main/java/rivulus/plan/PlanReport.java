package rivulus.plan;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import rivulus.check.Trouble;

/// Plans as values for other programs; docs/outputs.md tells them.
public final class PlanReport {
    private PlanReport() {}

    /// Plans, best first.
    public static Map<String, Object> of(List<Offer> offers) {
        return Map.of("plans", offers.stream().map(PlanReport::offer).toList());
    }

    private static Map<String, Object> offer(Offer offer) {
        Map<String, Object> out = new LinkedHashMap<>();
        out.put("pattern", offer.pattern().id());
        out.put("name", offer.pattern().name());
        out.put("clean", offer.isClean());
        out.put("left", offer.left().stream().map(Trouble::headline).toList());
        out.put("allTried", offer.complete());
        out.put("undone", offer.undone());
        out.put("toBuy", offer.toBuy());
        out.put("leads", offer.leads());
        out.put("spareInputs", offer.spare());
        out.put(
                "ownVoiceMs",
                offer.ownVoiceMs().isPresent() ? offer.ownVoiceMs().getAsDouble() : null);
        out.put("failing", offer.failing());
        out.put("lines", offer.lines());
        out.put("turned", offer.turned());
        return out;
    }
}
