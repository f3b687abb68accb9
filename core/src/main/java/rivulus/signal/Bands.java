package rivulus.signal;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import rivulus.gear.Band;

/// The band limits of a graph, and what they make when sound passes several: each has a small
/// number, so that taps of like colour can be told and merged quickly. Number 0 lets everything
/// through. Safe to share between threads.
public final class Bands {
    /// The number of [Band#OPEN].
    public static final int OPEN = 0;

    private final Map<List<Integer>, Integer> numbers = new HashMap<>();
    private final Map<Long, Integer> products = new HashMap<>();
    private final List<List<Integer>> parts = new ArrayList<>();
    private final List<Response> responses = new ArrayList<>();
    private final List<Double> powers = new ArrayList<>();
    private final Map<Band, Integer> single = new HashMap<>();

    /// A table that knows only the open band.
    public Bands() {
        put(List.of(), Response.flat());
        single.put(Band.OPEN, OPEN);
    }

    /// The number of one band limit.
    public synchronized int number(Band band) {
        Integer known = single.get(band);
        if (known != null) return known;
        int own = responses.size();
        single.put(band, own);
        return put(List.of(own), Grid.response(band));
    }

    /// The number of one band limit after another; the order does not matter.
    public int after(int a, int b) {
        if (a == OPEN) return b;
        if (b == OPEN) return a;
        return product(Math.min(a, b), Math.max(a, b));
    }

    private synchronized int product(int a, int b) {
        return products.computeIfAbsent(((long) a << 32) | b, _ -> findProduct(a, b));
    }

    private int findProduct(int a, int b) {
        List<Integer> both =
                Stream.concat(parts.get(a).stream(), parts.get(b).stream()).sorted().toList();
        Integer known = numbers.get(both);
        return known != null ? known : put(both, responses.get(a).times(responses.get(b)));
    }

    private int put(List<Integer> made, Response response) {
        int number = responses.size();
        numbers.put(made, number);
        parts.add(made);
        responses.add(response);
        powers.add(response.power());
        return number;
    }

    /// The response of that number on the grid. Not to be changed.
    public synchronized Response response(int number) {
        return responses.get(number);
    }

    /// The weighted broadband power of that number.
    public synchronized double power(int number) {
        return number == OPEN ? 1 : powers.get(number);
    }
}
