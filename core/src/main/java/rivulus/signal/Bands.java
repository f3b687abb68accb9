package rivulus.signal;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Stream;
import rivulus.gear.Band;

/// The band limits of a graph, and what they make when sound passes several: each has a small
/// number, so that taps of like colour can be told and merged quickly. Number 0 lets everything
/// through. Safe to share between threads: what has been put in is read without a lock.
public final class Bands {
    /// The number of [Band#OPEN].
    public static final int OPEN = 0;

    private static final int MOST_PAIRS = 50_000;

    private final Map<Pair, Double> pairs = new ConcurrentHashMap<>();
    private final Map<Long, Shared> shared = new ConcurrentHashMap<>();
    private final Map<List<Integer>, Integer> numbers = new HashMap<>();
    private final List<List<Integer>> parts = new ArrayList<>();
    private final Map<Band, Integer> single = new HashMap<>();
    private final List<double[]> finely = new ArrayList<>();
    private volatile Table table = new Table(new Response[0], new double[0], new int[0][]);

    /// What is known so far; replaced, never changed, but for products, which are filled in once.
    ///
    /// @param products the number of a after b at `[a][b]` where a ≤ b; 0 where not yet known
    private record Table(Response[] responses, double[] powers, int[][] products) {
        Table with(Response response, double power) {
            int n = responses.length;
            Response[] moreResponses = Arrays.copyOf(responses, n + 1);
            double[] morePowers = Arrays.copyOf(powers, n + 1);
            int[][] moreProducts = new int[n + 1][];
            for (int a = 0; a < n; a++) moreProducts[a] = Arrays.copyOf(products[a], n + 1);
            moreResponses[n] = response;
            morePowers[n] = power;
            moreProducts[n] = new int[n + 1];
            return new Table(moreResponses, morePowers, moreProducts);
        }
    }

    /// A table that knows only the open band.
    public Bands() {
        put(List.of(), Response.flat(), Grid.finely(Band.OPEN));
        single.put(Band.OPEN, OPEN);
    }

    /// The number of one band limit.
    public synchronized int number(Band band) {
        Integer known = single.get(band);
        if (known != null) return known;
        int own = table.responses.length;
        single.put(band, own);
        return put(List.of(own), Grid.response(band), Grid.finely(band));
    }

    /// The number of one band limit after another; the order does not matter.
    public int after(int a, int b) {
        if (a == OPEN) return b;
        if (b == OPEN) return a;
        return product(Math.min(a, b), Math.max(a, b));
    }

    private int product(int a, int b) {
        int known = table.products[a][b];
        return known != 0 ? known : findProduct(a, b);
    }

    private synchronized int findProduct(int a, int b) {
        List<Integer> both =
                Stream.concat(parts.get(a).stream(), parts.get(b).stream()).sorted().toList();
        Integer known = numbers.get(both);
        Response[] responses = table.responses;
        int number =
                known != null ? known : put(both, responses[a].times(responses[b]), times(a, b));
        table.products[a][b] = number;
        return number;
    }

    private double[] times(int a, int b) {
        double[] product = finely.get(a).clone();
        double[] other = finely.get(b);
        for (int i = 0; i < product.length; i++) product[i] *= other[i];
        return product;
    }

    private int put(List<Integer> made, Response response, double[] powers) {
        int number = table.responses.length;
        numbers.put(made, number);
        parts.add(made);
        finely.add(powers);
        table = table.with(response, Grid.weighted(powers));
        return number;
    }

    /// How many there are so far.
    public int size() {
        return table.responses.length;
    }

    /// The response of that number on the grid. Not to be changed.
    public Response response(int number) {
        return table.responses[number];
    }

    /// What two arrivals of one sound add to its power by falling into each other: see
    /// [Shared#power]. Kept, since the same delays come again with every source and edit.
    ///
    /// @param first what the first has passed
    /// @param ns how much later the second is, 0 or more
    public double together(int first, int second, long ns) {
        Pair pair = new Pair(first, second, ns);
        Double known = pairs.get(pair);
        if (known != null) return known;
        double found =
                shared.computeIfAbsent(
                                (long) first << Integer.SIZE | second,
                                _ -> new Shared(response(first), response(second)))
                        .power(ns * 1e-9);
        if (pairs.size() >= MOST_PAIRS) pairs.clear();
        pairs.put(pair, found);
        return found;
    }

    private record Pair(int first, int second, long ns) {
        @Override
        public int hashCode() {
            long mixed = (ns * 31 + first) * 0x9E3779B97F4A7C15L + second;
            return (int) (mixed ^ mixed >>> 32);
        }
    }

    /// The weighted broadband power of that number.
    public double power(int number) {
        return number == OPEN ? 1 : table.powers[number];
    }
}
