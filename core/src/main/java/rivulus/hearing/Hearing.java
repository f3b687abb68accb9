package rivulus.hearing;

import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import rivulus.signal.Grid;

/// What one ear hears of one source at one stand of the knobs.
public final class Hearing {
    /// Under this nothing is heard; in dB against nominal.
    public static final double SILENCE_DB = -80;

    private final String ear;
    private final String source;
    private final double levelDb;
    private final Supplier<double[]> spectrum;
    private Supplier<List<Arrival>> listing;
    private List<Arrival> arrivals;
    private Arrival strongest;

    Hearing(
            String ear,
            String source,
            double levelDb,
            Supplier<List<Arrival>> listing,
            Supplier<double[]> spectrum) {
        this.ear = ear;
        this.source = source;
        this.levelDb = levelDb >= SILENCE_DB ? levelDb : Double.NEGATIVE_INFINITY;
        this.listing = listing;
        this.spectrum = spectrum;
    }

    /// Nothing is heard.
    static Hearing silent(String ear, String source) {
        return new Hearing(
                ear, source, Double.NEGATIVE_INFINITY, List::of, () -> new double[Grid.SIZE]);
    }

    /// The id of the ear.
    public String ear() {
        return ear;
    }

    /// The id of the source.
    public String source() {
        return source;
    }

    /// Broadband level against the source's nominal level, in dB; see [rivulus.signal.Grid] for the
    /// weighting. Power is averaged over the ear's channels and summed over the source's. Negative
    /// infinity where nothing is heard.
    public double levelDb() {
        return levelDb;
    }

    /// Whether anything is heard at all.
    public boolean isHeard() {
        return levelDb > Double.NEGATIVE_INFINITY;
    }

    /// When it arrives, earliest first, without what lies more than 50 dB under the strongest.
    public synchronized List<Arrival> arrivals() {
        if (arrivals != null) return arrivals;
        arrivals = listing.get();
        listing = null;
        for (Arrival arrival : arrivals)
            if (strongest == null || arrival.levelDb() > strongest.levelDb()) strongest = arrival;
        return arrivals;
    }

    /// Level in dB of what does not come through the air into an open ear: what knobs can reach.
    public double byWireDb() {
        if (arrivals().stream().noneMatch(Arrival::throughAir)) return levelDb;
        double power =
                arrivals().stream()
                        .filter(arrival -> !arrival.throughAir())
                        .mapToDouble(arrival -> Math.pow(10, arrival.levelDb() / 10))
                        .sum();
        return 10 * Math.log10(power);
    }

    /// The strongest arrival.
    public Optional<Arrival> strongest() {
        arrivals();
        return Optional.ofNullable(strongest);
    }

    /// Level in dB at every frequency of the [rivulus.signal.Grid], averaged over the ear's
    /// channels. Costs a sum over ways each time it is asked.
    public double[] spectrumDb() {
        return java.util.Arrays.stream(spectrum.get())
                .map(power -> 10 * Math.log10(power))
                .toArray();
    }

    /// Whether two hearings would sound the same, to a tenth of a dB and a tenth of a millisecond.
    public boolean soundsLike(Hearing other) {
        if (this == other) return true;
        if (isHeard() != other.isHeard()) return false;
        if (isHeard() && Math.abs(levelDb - other.levelDb) > 0.1) return false;
        List<Arrival> theirs = other.arrivals();
        if (arrivals().size() != theirs.size()) return false;
        for (int i = 0; i < theirs.size(); i++) {
            if (Math.abs(arrivals().get(i).ms() - theirs.get(i).ms()) > 0.1) return false;
        }
        return true;
    }
}
