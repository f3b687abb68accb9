package rivulus.cli;

import java.io.PrintWriter;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SequencedMap;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Spec;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.check.SceneProof;
import rivulus.disk.JsonText;
import rivulus.remedy.Cures;
import rivulus.remedy.Remedies;
import rivulus.remedy.Remedy;
import rivulus.report.Report;
import rivulus.say.Unlooked;
import rivulus.search.Budget;
import rivulus.show.Scene;
import rivulus.words.Severity;

/// What is wrong, and what cures it.
@Command(
        name = "check",
        description =
                "What is wrong, and what cures it. Exit 0: nothing serious; 1: findings; 2: no usable input.")
final class CheckCommand implements Callable<Integer> {
    private static final int REMEDIES_SHOWN = 3;

    /// What all searches for remedies together may cost, however many findings there are: ten times
    /// what one may.
    private static final long STEPS = 10 * Budget.USUAL;

    @Mixin private ShowArgument show;

    @Mixin private Thoroughness how;

    @Spec private CommandSpec spec;

    @Override
    public Integer call() throws Exception {
        PrintWriter out = spec.commandLine().getOut();
        Proof proof = show.proof();
        List<Finding> findings = new ArrayList<>();
        for (SceneProof scene : show.scenes(proof)) findings.addAll(scene.findings());
        findings.addAll(proof.ofTheRig());
        SequencedMap<Finding, Cures> remedies = remedies(proof, findings);
        String first = show.scenes(proof).getFirst().scene().id();
        List<String> unlooked =
                Unlooked.of(proof.show(), show.prover().catalogue()).stream()
                        .map(Unlooked::name)
                        .toList();
        if (show.json()) out.print(JsonText.of(Report.findings(proof, remedies, first, unlooked)));
        else write(out, proof, remedies, unlooked);
        boolean serious = findings.stream().anyMatch(f -> f.severity().isSerious());
        // where nobody listens nothing is proven
        return serious || proof.show().ears().isEmpty() ? Main.FOUND : Main.FINE;
    }

    /// One search for each trouble, however many scenes it shows in.
    private SequencedMap<Finding, Cures> remedies(Proof proof, List<Finding> findings) {
        Map<Finding.Key, Cures> searched = new HashMap<>();
        Budget budget = Budget.of(how.steps(STEPS));
        SequencedMap<Finding, Cures> remedies = new LinkedHashMap<>();
        for (Finding finding : findings)
            remedies.put(
                    finding,
                    searched.computeIfAbsent(
                            finding.key().anyScene(),
                            _ ->
                                    Remedies.of(
                                            show.prover(),
                                            proof,
                                            finding,
                                            REMEDIES_SHOWN,
                                            budget.part(how.steps(Budget.USUAL)))));
        return remedies;
    }

    /// Whether it is no fault, but something to think of about the gear.
    private static boolean isMereNote(Finding finding) {
        return finding.isOfTheRig() && finding.severity() == Severity.NOTE;
    }

    private static void write(
            PrintWriter out,
            Proof proof,
            SequencedMap<Finding, Cures> remedies,
            List<String> unlooked) {
        if (proof.show().ears().isEmpty())
            out.println(proof.show().title() + ": nobody listens, so nothing is proven.");
        else if (remedies.keySet().stream().allMatch(CheckCommand::isMereNote))
            out.printf(
                    "%s: %s hears what they should.%n",
                    proof.show().title(),
                    unlooked.isEmpty() ? "everybody" : "everybody who is looked at");
        if (!unlooked.isEmpty()) out.printf("not looked at: %s%n%n", String.join(", ", unlooked));
        Set<Finding.Key> told = new HashSet<>();
        remedies.forEach(
                (finding, found) -> {
                    if (!told.add(finding.key().anyScene())) return;
                    out.printf("%-8s %s%n", finding.severity().word(), finding.sentence());
                    if (!finding.isOfTheRig())
                        out.printf("         in %s%n", scenes(proof, finding, remedies));
                    finding.evidence().ways().stream()
                            .limit(2)
                            .forEach(way -> out.printf("         way: %s%n", way.words()));
                    for (Remedy remedy : found.all())
                        out.printf(
                                "         %s: %s%s%n",
                                remedy.least() ? "cure, proven least" : "cure",
                                remedy.sentence(),
                                price(remedy.price()));
                    boolean silent = finding.isOfTheRig() && found.complete();
                    if (!silent && !found.words().isEmpty())
                        out.printf("         %s%n", found.words());
                    out.println();
                });
        if (remedies.values().stream().anyMatch(Cures::mayBeBettered))
            out.println(Thoroughness.SEARCHES_ON);
    }

    /// " (Teo no longer hears himself)"
    private static String price(List<String> price) {
        return price.isEmpty() ? "" : " (" + String.join("; ", price) + ")";
    }

    private static String scenes(Proof proof, Finding finding, SequencedMap<Finding, Cures> all) {
        return all.keySet().stream()
                .filter(other -> other.key().anyScene().equals(finding.key().anyScene()))
                .flatMap(other -> proof.show().scene(other.scene()).stream())
                .map(Scene::name)
                .distinct()
                .collect(Collectors.joining(", "));
    }
}
