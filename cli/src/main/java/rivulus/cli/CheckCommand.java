package rivulus.cli;

import java.io.PrintWriter;
import java.time.Duration;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SequencedMap;
import java.util.Set;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Spec;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.check.SceneProof;
import rivulus.cure.Cure;
import rivulus.cure.Cured;
import rivulus.cure.Cures;
import rivulus.disk.JsonText;
import rivulus.file.Templates;
import rivulus.report.Report;
import rivulus.rig.RigFinding;
import rivulus.rig.RigFix;
import rivulus.rig.RigProof;
import rivulus.rig.RigProver;

/// What is wrong, and what cures it.
@Command(
        name = "check",
        description =
                "What is wrong, and what cures it. Exit 0: nothing serious; 1: findings; 2: no usable input.")
final class CheckCommand implements Callable<Integer> {
    private static final int CURES_SHOWN = 3;

    /// Searching for cures and fixes ends then, however many findings there are.
    private static final Duration MOST_TIME = Duration.ofSeconds(20);

    private final long end = System.nanoTime() + MOST_TIME.toNanos();

    @Mixin private ShowArgument show;

    @Spec private CommandSpec spec;

    @Override
    public Integer call() throws Exception {
        PrintWriter out = spec.commandLine().getOut();
        Proof proof = show.proof();
        List<Finding> findings =
                show.scenes(proof).stream()
                        .map(SceneProof::findings)
                        .flatMap(List::stream)
                        .toList();
        Map<Finding, Cured> cures = cures(proof, findings);
        RigProver rigs = new RigProver(show.prover(), Templates.leads());
        RigProof rig = rigs.prove(proof);
        SequencedMap<RigFinding, List<RigFix>> fixes = new LinkedHashMap<>();
        for (RigFinding finding : rig.findings())
            fixes.put(finding, rigs.fixes(proof, rig, finding, this::isLate));
        String first = show.scenes(proof).getFirst().scene().id();
        if (show.json())
            out.print(JsonText.of(Report.findings(proof, findings, cures, fixes, first)));
        else write(out, proof, findings, cures, fixes);
        boolean serious =
                findings.stream().anyMatch(f -> f.severity().isSerious())
                        || rig.findings().stream().anyMatch(f -> f.severity().isSerious());
        return serious ? Main.FOUND : Main.FINE;
    }

    private boolean isLate() {
        return System.nanoTime() > end;
    }

    /// One search for each trouble, however many scenes it shows in.
    private Map<Finding, Cured> cures(Proof proof, List<Finding> findings) {
        Map<Finding.Key, Cured> searched = new HashMap<>();
        Map<Finding, Cured> cures = new HashMap<>();
        for (Finding finding : findings) {
            cures.put(
                    finding,
                    searched.computeIfAbsent(
                            finding.key().anyScene(),
                            _ ->
                                    Cures.of(
                                            show.prover(),
                                            proof,
                                            finding,
                                            CURES_SHOWN,
                                            this::isLate)));
        }
        return cures;
    }

    private static void write(
            PrintWriter out,
            Proof proof,
            List<Finding> findings,
            Map<Finding, Cured> cures,
            SequencedMap<RigFinding, List<RigFix>> fixes) {
        if (findings.isEmpty() && fixes.isEmpty())
            out.println(proof.show().title() + ": everybody hears what they should.");
        Set<Finding.Key> told = new HashSet<>();
        for (Finding finding : findings) {
            if (!told.add(finding.key().anyScene())) continue;
            List<String> scenes =
                    findings.stream()
                            .filter(f -> f.key().anyScene().equals(finding.key().anyScene()))
                            .map(f -> proof.show().scene(f.scene()).orElseThrow().name())
                            .distinct()
                            .toList();
            out.printf("%-8s %s%n", finding.severity().word(), finding.sentence());
            out.printf("         in %s%n", String.join(", ", scenes));
            finding.evidence().ways().stream()
                    .limit(2)
                    .forEach(way -> out.printf("         way: %s%n", way.words()));
            Cured found = cures.get(finding);
            if (found.cures().isEmpty()) out.printf("         %s%n", found.words());
            for (Cure cure : found.cures()) out.printf("         cure: %s%n", cure.sentence());
            out.println();
        }
        fixes.forEach(
                (finding, found) -> {
                    out.printf("%-8s %s%n", finding.severity().word(), finding.sentence());
                    for (RigFix fix : found) out.printf("         cure: %s%n", fix.sentence());
                    out.println();
                });
    }
}
