package rivulus.check;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Optional;
import java.util.SequencedMap;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import rivulus.hearing.Way;
import rivulus.show.Ear;
import rivulus.show.Limit;
import rivulus.show.Ref;
import rivulus.show.Source;
import rivulus.signal.LiveGraph;
import rivulus.words.Severity;

/// Something that is wrong, with what shows it: in what somebody hears in one scene, or in gear,
/// leads, earths and power, whatever the scene.
///
/// Ways and the cause behind the sentence cost a search; they are found when first asked for.
public final class Finding {
    private final Key key;
    private final int rank;
    private final Severity severity;
    private final Optional<Verdict> verdict;
    private final String headline;
    private final String brief;
    private final SequencedMap<String, Double> figures;
    private final List<String> gear;
    private Supplier<List<Ref>> knobs;
    private List<Ref> foundKnobs;
    private final LiveGraph live;
    private final double rangeDb;
    private Supplier<Evidence> search;
    private Evidence evidence;

    /// What a finding is about. Two findings of the same key are the same trouble.
    ///
    /// @param rule the id of the rule
    /// @param scene the scene's id, or empty where it holds in every scene
    /// @param ear the ear's id, or empty where no single ear is meant
    /// @param source the source's id, or empty
    /// @param about what else tells it apart, such as the knob of a mute, or leads and devices; or
    ///     empty
    public record Key(String rule, String scene, String ear, String source, String about) {
        /// The same trouble in whatever scene.
        public Key anyScene() {
            return new Key(rule, "", ear, source, about);
        }

        /// What it is about, but for the gear by which it is told, which a remedy may change.
        public Key whom() {
            return new Key(rule, scene, ear, source, "");
        }

        /// In one line, in whatever scene: `leak/stream/cues`.
        public String id() {
            return Stream.of(rule, ear, source, about)
                    .filter(part -> !part.isEmpty())
                    .collect(Collectors.joining("/"));
        }
    }

    /// What a search brings to light.
    ///
    /// @param cause why, as a clause without capital or full stop; or empty
    /// @param ways the ways that the sound takes, strongest first
    public record Evidence(String cause, List<Way> ways) {
        static final Evidence NONE = new Evidence("", List.of());

        public Evidence {
            ways = List.copyOf(ways);
        }

        /// The same without ways that are fainter than the strongest by more.
        Evidence within(double rangeDb) {
            double strongest = ways.isEmpty() ? 0 : ways.getFirst().levelDb();
            return new Evidence(
                    cause,
                    ways.stream().filter(way -> way.levelDb() > strongest - rangeDb).toList());
        }
    }

    private Finding(Draft draft, int rank) {
        key = draft.key();
        this.rank = rank;
        severity = draft.severity;
        verdict = draft.verdict;
        headline = draft.headline;
        brief = draft.brief;
        figures = Collections.unmodifiableSequencedMap(new LinkedHashMap<>(draft.figures));
        gear = List.copyOf(draft.gear);
        knobs = draft.knobs;
        live = draft.live;
        rangeDb = draft.rangeDb;
        search = draft.search;
    }

    /// The beginning of a finding.
    ///
    /// @param rule the id of its rule
    /// @param sentence what is wrong, without why: "Sunniva does not hear Bram"
    public static Draft of(String rule, Severity severity, String sentence) {
        return new Draft(rule, severity, sentence);
    }

    /// A finding in the making.
    public static final class Draft {
        private final String rule;
        private final Severity severity;
        private final String headline;
        private final SequencedMap<String, Double> figures = new LinkedHashMap<>();
        private final List<String> gear = new ArrayList<>();
        private Supplier<List<Ref>> knobs = List::of;
        private String scene = "";
        private String ear = "";
        private String source = "";
        private String about = "";
        private String brief = "";
        private Optional<Verdict> verdict = Optional.empty();
        private LiveGraph live;
        private double rangeDb = Limit.WAY_TOLD.usual();
        private Supplier<Evidence> search = () -> Evidence.NONE;

        private Draft(String rule, Severity severity, String sentence) {
            this.rule = rule;
            this.severity = severity;
            headline =
                    sentence.endsWith(".")
                            ? sentence.substring(0, sentence.length() - 1)
                            : sentence;
        }

        private Key key() {
            return new Key(
                    rule, scene, ear, source, gear.isEmpty() ? about : String.join("/", gear));
        }

        /// It shows in a scene, on that state of the graph.
        public Draft in(SceneProof proof, LiveGraph state) {
            scene = proof.scene().id();
            live = state;
            rangeDb = proof.show().checks().limits().get(Limit.WAY_TOLD);
            return this;
        }

        /// It is what one ear makes of one source.
        public Draft heard(Ear by, Source whom, Verdict said) {
            ear = by.id();
            source = whom.id();
            verdict = Optional.of(said);
            return this;
        }

        /// It is about what one ear hears altogether.
        public Draft heard(Ear by) {
            ear = by.id();
            return this;
        }

        /// It is about one source, whoever hears it.
        public Draft carried(Source whom) {
            source = whom.id();
            return this;
        }

        /// What else tells it from others: the knob of a mute.
        public Draft about(String what) {
            about = what;
            return this;
        }

        /// The leads and devices it is about, the foremost first.
        public Draft gear(String... ids) {
            return gear(List.of(ids));
        }

        /// The leads and devices it is about, the foremost first.
        public Draft gear(List<String> ids) {
            gear.addAll(ids);
            return this;
        }

        /// What may be turned against it.
        public Draft knobs(List<Ref> refs) {
            List<Ref> all = List.copyOf(refs);
            return knobs(() -> all);
        }

        /// What may be turned against it, where finding that out takes a search.
        public Draft knobs(Supplier<List<Ref>> found) {
            knobs = found;
            return this;
        }

        /// A figure that matters.
        ///
        /// @param name with its unit: `levelDb`
        public Draft figure(String name, double value) {
            figures.put(name, value);
            return this;
        }

        /// The verdict in a word or two, where it has a figure: "296 ms late".
        public Draft brief(String words) {
            brief = words;
            return this;
        }

        /// What a search would bring to light.
        public Draft because(Supplier<Evidence> found) {
            search = found;
            return this;
        }

        /// The finding.
        public Finding found() {
            return new Finding(this, 0);
        }

        /// The finding, of a rule at that place in the list of rules.
        public Finding found(int rank) {
            return new Finding(this, rank);
        }
    }

    /// What it is about.
    public Key key() {
        return key;
    }

    /// What tells it from others of the same show, in whatever scene: `leak/stream/cues`.
    public String id() {
        return key.id();
    }

    /// The id of the rule.
    public String rule() {
        return key.rule();
    }

    /// The place of its rule in the list of rules: what stops a show comes first.
    public int rank() {
        return rank;
    }

    /// The id of the scene; empty where it holds in every scene.
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

    /// The leads and devices it is about, the foremost first; none where it is about what is heard.
    public List<String> gear() {
        return gear;
    }

    /// Whether it is about gear and leads and holds in every scene.
    public boolean isOfTheRig() {
        return key.scene().isEmpty();
    }

    /// What may be turned against it, where that is known beforehand.
    public synchronized List<Ref> knobs() {
        if (foundKnobs == null) {
            foundKnobs = List.copyOf(knobs.get());
            knobs = null;
        }
        return foundKnobs;
    }

    /// How bad it is.
    public Severity severity() {
        return severity;
    }

    /// What it makes of a hearing, where it is about one.
    public Optional<Verdict> verdict() {
        return verdict;
    }

    /// What is wrong, without why: "Sunniva does not hear Bram".
    public String headline() {
        return headline;
    }

    /// The verdict in a word or two: "296 ms late".
    public String brief() {
        return brief.isEmpty() ? verdict.map(Verdict::brief).orElse("") : brief;
    }

    /// What is wrong, and why: "Sunniva does not hear Bram: Show desk · PHONE in headphones 3 is
    /// off."
    public String sentence() {
        String cause = evidence().cause();
        return cause.isEmpty() ? headline + "." : headline + ": " + cause + ".";
    }

    /// The figures that matter, with the unit in the name: `levelDb`, `delayMs`, `rating`.
    public SequencedMap<String, Double> figures() {
        return figures;
    }

    /// The live graph in which it shows, where it is about what is heard; for a mute key, the one
    /// with the key pressed.
    public LiveGraph live() {
        return live;
    }

    /// Cause and ways; found when first asked for.
    public synchronized Evidence evidence() {
        if (evidence == null) {
            evidence = search.get().within(rangeDb);
            search = null;
        }
        return evidence;
    }
}
