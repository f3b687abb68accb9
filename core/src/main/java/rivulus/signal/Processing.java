package rivulus.signal;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.IntFunction;
import java.util.function.ToIntFunction;
import rivulus.gear.Block;
import rivulus.gear.Chain;
import rivulus.gear.Processor;
import rivulus.gear.Processor.Part;
import rivulus.gear.Setting;
import rivulus.gear.Talker;

/// The processors on a leg, with the places of their knobs in [SignalGraph#knobs()].
///
/// In the graph a processor has the gain that it gives a voice at nominal: loud moments at line-up
/// where they come in. What it makes of softer and louder ones says [rivulus.level.Staircase]. What
/// goes round begins softly, and is not held back: see [LiveGraph#unheld].
public final class Processing {
    /// Nothing on the way.
    static final Processing NONE = new Processing(Chain.NONE, Map.of());

    static final Setting ON = new Setting.Switch(true);

    private final Chain chain;
    private final Map<String, Integer> places;

    private Processing(Chain chain, Map<String, Integer> places) {
        this.chain = chain;
        this.places = places;
    }

    static Processing of(Chain chain, ToIntFunction<String> place) {
        if (chain.isEmpty()) return NONE;
        Map<String, Integer> places = new LinkedHashMap<>();
        if (!chain.orderKnob().isEmpty())
            places.put(chain.orderKnob(), place.applyAsInt(chain.orderKnob()));
        for (Processor processor : chain.processors()) {
            places.put(processor.id(), place.applyAsInt(processor.id()));
            processor
                    .figures()
                    .values()
                    .forEach(
                            figure -> {
                                if (!figure.knob().isEmpty())
                                    places.put(figure.knob(), place.applyAsInt(figure.knob()));
                            });
        }
        return new Processing(chain, places);
    }

    /// Whether there are none.
    public boolean isEmpty() {
        return chain.isEmpty();
    }

    /// What stands on the way, on or off.
    public Chain chain() {
        return chain;
    }

    /// The knobs that turn them, each once.
    Set<Integer> knobs() {
        return new LinkedHashSet<>(places.values());
    }

    /// The places of their switches.
    List<Integer> switches() {
        return chain.processors().stream().map(Processor::id).map(places::get).toList();
    }

    /// The place of one of their knobs in [SignalGraph#knobs()].
    public int place(String knob) {
        return places.get(knob);
    }

    /// In the order in which they stand.
    public List<Processor> ordered(Positions positions) {
        if (chain.orderKnob().isEmpty()) return chain.processors();
        String order = positions.get(places.get(chain.orderKnob())).word();
        return chain.orders().getOrDefault(order, chain.processors());
    }

    /// Those that are on, in their order and as they stand.
    List<Block> standing(Positions positions) {
        if (chain.isEmpty()) return List.of();
        List<Block> standing = new ArrayList<>();
        for (Processor processor : ordered(positions))
            if (positions.get(places.get(processor.id())).equals(ON))
                standing.add(block(processor, positions::get));
        return standing;
    }

    /// The most that they ever add in dB, with all that lift on and the others off.
    ///
    /// @param stands how a knob stands, by its place
    public double mostDb(IntFunction<Setting> stands) {
        if (chain.isEmpty()) return 0;
        return chain.processors().stream()
                .mapToDouble(processor -> block(processor, stands).mostDb())
                .sum();
    }

    /// One of them as it stands, on or off.
    ///
    /// @param stands how a knob stands, by its place
    public Block block(Processor processor, IntFunction<Setting> stands) {
        Map<Part, Double> figures = new LinkedHashMap<>();
        processor
                .figures()
                .forEach(
                        (part, figure) ->
                                figures.put(
                                        part,
                                        figure.knob().isEmpty()
                                                ? figure.fixed()
                                                : figure.at(
                                                        stands.apply(places.get(figure.knob())))));
        return processor.with(figures);
    }

    /// What blocks in a row add to the loud moments of a voice that comes in at nominal, in dB.
    /// What acts by the average goes by that of all its moments, as a loudness meter would.
    public static double nominalDb(List<Block> blocks) {
        double loud = 0;
        Talker talker = Talker.START;
        for (int i = 0; i < blocks.size(); i++) {
            loud = blocks.get(i).after(loud, talker.averageDb());
            if (i < blocks.size() - 1) talker = talker.through(blocks.get(i));
        }
        return loud;
    }

    /// The most that blocks in a row ever add, in dB: to what is too soft to be held back.
    static double mostDb(List<Block> blocks) {
        return blocks.stream().mapToDouble(Block::mostDb).sum();
    }
}
