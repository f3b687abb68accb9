package rivulus.check;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import rivulus.show.Show;
import rivulus.words.Words;

/// Findings that are one trouble to a listener: of one rule, for one ear, in whatever scenes and of
/// whatever sources.
public final class Trouble {
    private final Show show;
    private final List<Finding> findings;

    private Trouble(Show show, List<Finding> findings) {
        this.show = show;
        this.findings = List.copyOf(findings);
    }

    /// The troubles of a proof, worst first, and those of a severity in the order of
    /// [Prover#rules()].
    public static List<Trouble> of(Proof proof) {
        Map<List<String>, List<Finding>> groups = new LinkedHashMap<>();
        for (Finding finding : proof.findings()) {
            List<String> key =
                    List.of(finding.rule(), finding.key().ear(), finding.verdict().name());
            groups.computeIfAbsent(key, _ -> new ArrayList<>()).add(finding);
        }
        return groups.values().stream()
                .map(group -> new Trouble(proof.show(), group))
                .sorted(
                        Comparator.comparing(Trouble::severity)
                                .thenComparing(
                                        trouble -> Prover.rules().indexOf(trouble.first().rule())))
                .toList();
    }

    /// What tells it from other troubles of the same show.
    public String id() {
        return first().rule() + "/" + first().key().ear() + "/" + first().verdict();
    }

    /// The findings, scene by scene.
    public List<Finding> findings() {
        return findings;
    }

    /// The finding to show for it.
    public Finding first() {
        return findings.getFirst();
    }

    /// The worst severity among them.
    public Severity severity() {
        return findings.stream().map(Finding::severity).min(Enum::compareTo).orElseThrow();
    }

    /// The ear, where one is meant.
    public Optional<String> ear() {
        return first().ear();
    }

    /// The names of the scenes it shows in, in the order of the show.
    public List<String> scenes() {
        return findings.stream()
                .map(finding -> show.scene(finding.scene()).orElseThrow().name())
                .distinct()
                .toList();
    }

    /// Whether it shows in that scene.
    public boolean isIn(String scene) {
        return findings.stream().anyMatch(finding -> finding.scene().equals(scene));
    }

    /// What is wrong, in one line, without why.
    public String headline() {
        LinkedHashSet<String> sources = new LinkedHashSet<>();
        for (Finding finding : findings) sources.add(finding.key().source());
        if (sources.size() == 1) return first().headline();
        String ear = Names.subject(show.ear(first().key().ear()).orElseThrow());
        String whom =
                Words.list(
                        sources.stream()
                                .map(id -> Names.of(show.cast().source(id).orElseThrow()))
                                .toList());
        return switch (first().verdict()) {
            case MISSING -> "%s does not hear %s".formatted(ear, whom);
            case FAINT -> "%s hears %s only faintly".formatted(ear, whom);
            case DOUBLED -> "%s hears %s twice".formatted(ear, whom);
            case UNMUTED -> "%s hears %s though muted".formatted(ear, whom);
            default -> "%s hears %s and must not".formatted(ear, whom);
        };
    }
}
