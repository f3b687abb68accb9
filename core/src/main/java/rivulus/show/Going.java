package rivulus.show;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Optional;
import java.util.SequencedMap;

/// What goes out and is kept, as it is set: streams and tracks, cards, and whose leave was given. A
/// stream key is no part of it.
///
/// @param outputs by ear; those that somebody set
/// @param cards what the card or disk of a machine holds, in GB, by the device's id
/// @param leave who may be heard and kept, or what may be played, by the source's id: when, or by
///     what, leave was given
public record Going(
        List<Output> outputs,
        SequencedMap<String, Double> cards,
        SequencedMap<String, String> leave) {
    /// Nothing was said.
    public static final Going UNSAID =
            new Going(List.of(), new LinkedHashMap<>(), new LinkedHashMap<>());

    public Going {
        outputs = List.copyOf(outputs);
        cards = Collections.unmodifiableSequencedMap(new LinkedHashMap<>(cards));
        leave = Collections.unmodifiableSequencedMap(new LinkedHashMap<>(leave));
    }

    /// How one is set; as usual where nobody set it.
    public Output output(String ear) {
        return find(ear).orElseGet(() -> Output.usual(ear));
    }

    private Optional<Output> find(String ear) {
        return outputs.stream().filter(output -> output.ear().equals(ear)).findFirst();
    }

    /// The same with one set otherwise.
    public Going with(Output changed) {
        List<Output> all = new ArrayList<>(outputs);
        all.removeIf(output -> output.ear().equals(changed.ear()));
        if (!changed.isUsual()) all.add(changed);
        return new Going(all, cards, leave);
    }

    /// The same without one.
    public Going without(Output gone) {
        List<Output> all = new ArrayList<>(outputs);
        all.remove(gone);
        return new Going(all, cards, leave);
    }

    /// The same with another card in a machine.
    ///
    /// @param gb 0 where nothing is said of it
    public Going withCard(String device, double gb) {
        SequencedMap<String, Double> all = new LinkedHashMap<>(cards);
        if (gb == 0) all.remove(device);
        else all.put(device, gb);
        return new Going(outputs, all, leave);
    }

    /// The same with leave given.
    ///
    /// @param given empty where it was not
    public Going withLeave(String source, String given) {
        SequencedMap<String, String> all = new LinkedHashMap<>(leave);
        if (given.isEmpty()) all.remove(source);
        else all.put(source, given);
        return new Going(outputs, cards, all);
    }
}
