package rivulus.gear;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SequencedMap;

/// The processors on a route, in their order. They stand behind the route's gain knobs, and before
/// all its other knobs.
///
/// @param orderKnob the choice by which their order is changed; empty where it cannot be
/// @param orders by its settings; one, under the empty word, where no knob changes it
public record Chain(String orderKnob, SequencedMap<String, List<Processor>> orders) {
    /// Nothing on the way.
    public static final Chain NONE = new Chain("", new LinkedHashMap<>());

    public Chain {
        orders = new LinkedHashMap<>(orders);
    }

    /// Processors in one order.
    public static Chain of(List<Processor> processors) {
        return new Chain("", new LinkedHashMap<>(Map.of("", List.copyOf(processors))));
    }

    /// Whether nothing stands on the way.
    public boolean isEmpty() {
        return orders.isEmpty();
    }

    /// All of them, in the order that the gear comes with.
    public List<Processor> processors() {
        return isEmpty() ? List.of() : orders.firstEntry().getValue();
    }
}
