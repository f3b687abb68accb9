package rivulus.check;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import rivulus.show.Ear;
import rivulus.show.Names;
import rivulus.show.Source;
import rivulus.show.Wish;
import rivulus.words.Severity;
import rivulus.words.Words;

/// What is to be said of one ear in one scene, in a line of a few words: "hears all 7; herself 296
/// ms late".
///
/// @param severity how bad, or empty where all is as wished
/// @param words without the ear's name
/// @param elsewhere scenes other than this one in which the ear is in trouble, by name
public record EarVerdict(
        Ear ear, Optional<Severity> severity, String words, List<String> elsewhere) {
    private static final Optional<Verdict> MISSING = Optional.of(Verdict.MISSING);

    /// What is amiss, in the order in which it is said: nobody missing is let wait, what is heard
    /// and should not be comes before what is only worse than it could be.
    private static final List<Verdict> IN_ORDER =
            Stream.of(Verdict.values())
                    .filter(verdict -> !verdict.isGood())
                    .sorted(Comparator.reverseOrder())
                    .toList();

    /// More names than this are counted.
    private static final int MOST_NAMES = 5;

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
        boolean deaf = findings.stream().anyMatch(f -> f.verdict().equals(MISSING));
        if (!deaf && musts.size() == 1) clauses.add("hears " + Names.of(musts.getFirst().source()));
        else if (!deaf && !musts.isEmpty()) clauses.add("hears all " + musts.size());
        for (Verdict verdict : IN_ORDER) {
            List<String> names = sources(scene, findings, verdict);
            if (!names.isEmpty()) clauses.add(verdict.clause(Words.few(names, MOST_NAMES)));
        }
        return clauses.isEmpty() ? "nothing to hear" : String.join("; ", clauses);
    }

    /// The sources of a verdict, those of one's own voice with how late it is: "herself 296 ms".
    private static List<String> sources(SceneProof scene, List<Finding> findings, Verdict verdict) {
        return findings.stream()
                .filter(finding -> finding.verdict().filter(verdict::equals).isPresent())
                .map(finding -> name(source(scene, finding), finding))
                .distinct()
                .toList();
    }

    private static String name(Source source, Finding finding) {
        Double late = finding.figures().get("delayMs");
        return late == null ? Names.of(source) : source.self() + " " + Words.ms(late);
    }

    private static Source source(SceneProof scene, Finding finding) {
        return scene.show().cast().source(finding.key().source()).orElseThrow();
    }
}
