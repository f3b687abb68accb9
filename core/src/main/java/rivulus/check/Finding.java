package rivulus.check;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Optional;
import java.util.SequencedMap;
import java.util.function.Supplier;
import rivulus.hearing.Way;
import rivulus.signal.LiveGraph;

/// Something that is wrong, in one scene, with what shows it.
///
/// Ways and the cause behind the sentence cost a search; they are found when first asked for.
public final class Finding {
    private final Key key;
    private final Severity severity;
    private final Verdict verdict;
    private final String headline;
    private final SequencedMap<String, Double> figures;
    private final LiveGraph live;
    private final Supplier<Evidence> search;
    private Evidence evidence;

    /// What a finding is about. Two findings of the same key are the same trouble.
    ///
    /// @param rule the id of the check
    /// @param ear the ear's id, or empty where no single ear is meant
    /// @param source the source's id, or empty
    /// @param about what else tells it apart, such as the knob of a mute; or empty
    public record Key(String rule, String scene, String ear, String source, String about) {
        /// The same trouble in whatever scene.
        public Key anyScene() {
            return new Key(rule, "", ear, source, about);
        }
    }

    /// What a search brings to light.
    ///
    /// @param cause why, as a clause without capital or full stop; or empty
    /// @param ways the ways that the sound takes, strongest first, without those 25 dB fainter
    public record Evidence(String cause, List<Way> ways) {
        private static final double RANGE_DB = 25;

        public Evidence {
            double strongest = ways.isEmpty() ? 0 : ways.getFirst().levelDb();
            ways = ways.stream().filter(way -> way.levelDb() > strongest - RANGE_DB).toList();
        }
    }

    Finding(
            Key key,
            Severity severity,
            Verdict verdict,
            String headline,
            SequencedMap<String, Double> figures,
            LiveGraph live,
            Supplier<Evidence> search) {
        this.key = key;
        this.severity = severity;
        this.verdict = verdict;
        this.headline = headline;
        this.figures = Collections.unmodifiableSequencedMap(new LinkedHashMap<>(figures));
        this.live = live;
        this.search = search;
    }

    /// What it is about.
    public Key key() {
        return key;
    }

    /// The id of the check.
    public String rule() {
        return key.rule();
    }

    /// The id of the scene.
    public String scene() {
        return key.scene();
    }

    /// The id of the ear, where one is meant.
    public Optional<String> ear() {
        return Optional.of(key.ear()).filter(id -> !id.isEmpty());
    }

    /// The id of the source, where one is meant.
    public Optional<String> source() {
        return Optional.of(key.source()).filter(id -> !id.isEmpty());
    }

    /// How bad it is.
    public Severity severity() {
        return severity;
    }

    /// What it makes of the hearing it is about.
    public Verdict verdict() {
        return verdict;
    }

    /// What is wrong, without why: "Sunniva does not hear Bram".
    public String headline() {
        return headline;
    }

    /// What is wrong, and why: "Sunniva does not hear Bram: Show desk · PHONE in headphones 3 is
    /// off."
    public String sentence() {
        String cause = evidence().cause();
        return cause.isEmpty() ? headline + "." : headline + ": " + cause + ".";
    }

    /// The figures that matter, with the unit in the name: `levelDb`, `delayMs`, `rating`,
    /// `firstNotchHz`.
    public SequencedMap<String, Double> figures() {
        return figures;
    }

    /// The live graph in which it shows; for a mute key, the one with the key pressed.
    public LiveGraph live() {
        return live;
    }

    /// Cause and ways; found when first asked for.
    public synchronized Evidence evidence() {
        if (evidence == null) evidence = search.get();
        return evidence;
    }
}
