package rivulus.hearing;

import rivulus.signal.Bands;
import rivulus.signal.Response;

/// Taps summed: to a response on the grid, H(ω) = Σ g · band(ω) · e^(−jωτ), and to one power.
final class Sum {
    /// Of more taps than this the power is that of their response at the frequencies of the grid:
    /// so many fall in with it by chance alone.
    private static final int MOST_TAPS = 48;

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

    /// The weighted broadband power of taps: each by itself, and every two together, each cell of
    /// the grid integrated.
    static double power(Taps taps, Bands bands) {
        if (taps.size() > MOST_TAPS) return response(taps, bands).power();
        double power = 0;
        for (int i = 0; i < taps.size(); i++) {
            power += taps.gain[i] * taps.gain[i] * bands.power(taps.band[i]);
            for (int j = i + 1; j < taps.size(); j++) {
                long apart = taps.ns[j] - taps.ns[i];
                if (apart > FAR_NS) continue;
                power +=
                        2
                                * taps.gain[i]
                                * taps.gain[j]
                                * Response.together(
                                        bands.response(taps.band[i]),
                                        bands.response(taps.band[j]),
                                        apart * 1e-9);
            }
        }
        return Math.max(0, power);
    }
}
