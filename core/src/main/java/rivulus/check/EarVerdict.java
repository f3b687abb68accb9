package rivulus.check;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import rivulus.show.Ear;
import rivulus.show.Source;
import rivulus.show.Wish;
import rivulus.words.Words;

/// What is to be said of one ear in one scene, in a line of a few words: "hears all 7; herself 296
/// ms late".
///
/// @param severity how bad, or empty where all is as wished
/// @param words without the ear's name
/// @param elsewhere scenes other than this one in which the ear is in trouble, by name
public record EarVerdict(
        Ear ear, Optional<Severity> severity, String words, List<String> elsewhere) {
    /// The verdict on an ear in a scene of a proof.
    public static EarVerdict of(Proof proof, SceneProof scene, Ear ear) {
        List<Finding> own = scene.findingsOf(ear.id());
        Optional<Severity> worst = own.stream().map(Finding::severity).min(Enum::compareTo);
        return new EarVerdict(ear, worst, words(scene, ear, own), elsewhere(proof, scene, ear));
    }

    private static List<String> elsewhere(Proof proof, SceneProof here, Ear ear) {
        return proof.scenes().stream()
                .filter(scene -> scene != here)
                .filter(scene -> !scene.findingsOf(ear.id()).isEmpty())
                .map(scene -> scene.scene().name())
                .toList();
    }

    private static String words(SceneProof scene, Ear ear, List<Finding> findings) {
        List<String> clauses = new ArrayList<>();
        List<SceneProof.Heard> musts =
                scene.of(ear.id()).stream()
                        .filter(cell -> cell.standing().wish() == Wish.MUST)
                        .toList();
        List<String> missing = sources(scene, findings, Verdict.MISSING);
        if (!missing.isEmpty()) clauses.add("not " + Words.list(missing));
        else if (musts.size() == 1) clauses.add("hears " + Names.of(musts.getFirst().source()));
        else if (!musts.isEmpty()) clauses.add("hears all " + musts.size());
        for (Verdict verdict : List.of(Verdict.ECHO, Verdict.LATE)) {
            for (Finding finding : findings) {
                if (finding.verdict() != verdict) continue;
                clauses.add(
                        "%s %s late"
                                .formatted(
                                        source(scene, finding).self(),
                                        Words.ms(finding.figures().get("delayMs"))));
            }
        }
        add(clauses, "hears %s though muted", sources(scene, findings, Verdict.UNMUTED));
        add(clauses, "hears %s and must not", sources(scene, findings, Verdict.LEAK));
        add(clauses, "%s twice", sources(scene, findings, Verdict.DOUBLED));
        add(clauses, "%s faintly", sources(scene, findings, Verdict.FAINT));
        return clauses.isEmpty() ? "nothing to hear" : String.join("; ", clauses);
    }

    private static void add(List<String> clauses, String clause, List<String> names) {
        if (!names.isEmpty()) clauses.add(clause.formatted(Words.list(names)));
    }

    private static List<String> sources(SceneProof scene, List<Finding> findings, Verdict verdict) {
        return findings.stream()
                .filter(finding -> finding.verdict() == verdict)
                .map(finding -> Names.of(source(scene, finding)))
                .distinct()
                .toList();
    }

    private static Source source(SceneProof scene, Finding finding) {
        return scene.show().cast().source(finding.key().source()).orElseThrow();
    }
}
