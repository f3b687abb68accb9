package rivulus.hearing;

import rivulus.signal.Bands;
import rivulus.signal.Response;

/// Taps summed to a response on the grid: H(ω) = Σ g · band(ω) · e^(−jωτ).
final class Sum {
    private Sum() {}

    static Response response(Taps taps, Bands bands) {
        Response sum = Response.silent();
        for (int i = 0; i < taps.size(); i++) {
            sum.add(taps.gain[i], bands.response(taps.band[i]), taps.ns[i] * 1e-9);
        }
        return sum;
    }
}
