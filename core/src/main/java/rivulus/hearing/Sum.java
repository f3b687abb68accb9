package rivulus.hearing;

import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import rivulus.signal.Bands;
import rivulus.signal.Response;

/// Taps summed: to a response on the grid, H(ω) = Σ g · band(ω) · e^(−jωτ), and to one power.
final class Sum {
    /// So many pairs of taps are looked at; of more, the loudest taps are summed in [#LEAST_PLACES]
    /// to [#MOST_PLACES] of every cell of the grid.
    private static final int MOST_PAIRS = 20_000;

    /// Of more taps not even the pairs are counted.
    private static final int MOST_PAIRED = 3000;

    private static final int MOST_SAMPLED = 6000;
    private static final double PLACES_PER_MS = 2;
    private static final int LEAST_PLACES = 16;
    private static final int MOST_PLACES = 128;

    /// So often taps are looked at in one cell, all together.
    private static final int MOST_LOOKS = 200_000;

    /// Two taps whose gains multiply to less than this share of the power of all add nothing that
    /// counts by falling into each other.
    private static final double FAINT = 2e-5;

    /// Arrivals that are farther apart fall into each other in no cell of the grid that counts.
    private static final long FAR_NS = 400_000_000;

    private Sum() {}

    static Response response(Taps taps, Bands bands) {
        Response sum = Response.silent();
        for (int i = 0; i < taps.size(); i++) {
            sum.add(taps.gain[i], bands.response(taps.band[i]), taps.ns[i] * 1e-9);
        }
        return sum;
    }

    /// The weighted broadband power of taps.
    static double power(Taps taps, Bands bands) {
        return exactPower(taps, bands).orElseGet(() -> densely(taps, bands));
    }

    /// The same where too many would have to be looked at two by two: the loudest finely, and what
    /// the others add to them on the grid.
    private static double densely(Taps taps, Bands bands) {
        Taps loudest = taps.loudest(MOST_SAMPLED);
        double finely = densest(loudest, bands);
        if (loudest.size() == taps.size()) return finely;
        double more = response(taps, bands).power() - response(loudest, bands).power();
        return Math.max(0, finely + more);
    }

    private static double densest(Taps loudest, Bands bands) {
        List<Integer> numbers =
                Arrays.stream(loudest.band).limit(loudest.size()).distinct().boxed().toList();
        int[] passed = new int[loudest.size()];
        double[] seconds = new double[passed.length];
        for (int t = 0; t < passed.length; t++) {
            passed[t] = numbers.indexOf(loudest.band[t]);
            seconds[t] = loudest.ns[t] * 1e-9;
        }
        List<Response> responses = numbers.stream().map(bands::response).toList();
        return Response.denselySampled(loudest.gain, passed, responses, seconds, places(loudest));
    }

    /// The longer the delays between them the finer they have to be looked at.
    private static int places(Taps taps) {
        double ms = (taps.ns[taps.size() - 1] - taps.ns[0]) * 1e-6;
        int most = Math.clamp(MOST_LOOKS / taps.size(), LEAST_PLACES, MOST_PLACES);
        return Math.clamp(Math.round(ms * PLACES_PER_MS), LEAST_PLACES, most);
    }

    /// The weighted broadband power of taps: each by itself, and every two together, each cell of
    /// the grid integrated; empty where too many would have to be looked at.
    private static OptionalDouble exactPower(Taps taps, Bands bands) {
        if (taps.size() > MOST_PAIRED) return OptionalDouble.empty();
        double power = 0;
        for (int i = 0; i < taps.size(); i++)
            power += taps.gain[i] * taps.gain[i] * bands.power(taps.band[i]);
        double least = power * FAINT;
        int pairs = 0;
        for (int i = 0; i < taps.size(); i++) {
            for (int j = i + 1; j < taps.size(); j++) {
                long apart = taps.ns[j] - taps.ns[i];
                if (apart > FAR_NS) break;
                double gains = taps.gain[i] * taps.gain[j];
                if (gains < least) continue;
                if (++pairs > MOST_PAIRS) return OptionalDouble.empty();
                power += 2 * gains * bands.together(taps.band[i], taps.band[j], apart);
            }
        }
        return OptionalDouble.of(Math.max(0, power));
    }
}
