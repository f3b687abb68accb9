package rivulus.check;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import rivulus.show.Names;
import rivulus.show.Scene;
import rivulus.show.Show;
import rivulus.words.Severity;
import rivulus.words.Words;

/// Findings that are one trouble: of one rule, for one ear or about the same gear, in whatever
/// scenes and of whatever sources.
public final class Trouble {
    private final Show show;
    private final List<Finding> findings;

    private Trouble(Show show, List<Finding> findings) {
        this.show = show;
        this.findings = List.copyOf(findings);
    }

    /// The troubles of a proof, worst first, those of a severity in the order of the rules.
    public static List<Trouble> of(Proof proof) {
        Map<String, List<Finding>> groups = new LinkedHashMap<>();
        for (Finding finding : proof.findings())
            groups.computeIfAbsent(id(finding), _ -> new ArrayList<>()).add(finding);
        return groups.values().stream()
                .map(group -> new Trouble(proof.show(), group))
                .sorted(
                        Comparator.comparing(Trouble::severity)
                                .thenComparing(trouble -> trouble.first().rank()))
                .toList();
    }

    private static String id(Finding finding) {
        if (finding.verdict().isEmpty()) return finding.id();
        return finding.rule() + "/" + finding.key().ear() + "/" + finding.verdict().get();
    }

    /// What tells it from other troubles of the same show.
    public String id() {
        return id(first());
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

    /// The names of the scenes it shows in, in the order of the show; none where it holds in all.
    public List<String> scenes() {
        return findings.stream()
                .flatMap(finding -> show.scene(finding.scene()).stream())
                .map(Scene::name)
                .distinct()
                .toList();
    }

    /// Whether it shows in that scene.
    public boolean isIn(String scene) {
        return findings.stream().anyMatch(f -> f.isOfTheRig() || f.scene().equals(scene));
    }

    /// What is wrong, in one line, without why.
    public String headline() {
        LinkedHashSet<String> sources = new LinkedHashSet<>();
        for (Finding finding : findings) sources.add(finding.key().source());
        if (sources.size() == 1 || first().verdict().isEmpty()) return first().headline();
        String ear = Names.subject(show.ear(first().key().ear()).orElseThrow());
        String whom =
                Words.list(
                        sources.stream()
                                .map(id -> Names.of(show.cast().source(id).orElseThrow()))
                                .toList());
        return ear + " " + first().verdict().orElseThrow().headline(whom);
    }
}
