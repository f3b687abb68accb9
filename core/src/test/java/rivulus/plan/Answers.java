package rivulus.plan;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import rivulus.check.Demo;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.check.Trouble;
import rivulus.disk.JsonText;
import rivulus.mix.MixWriting;
import rivulus.remedy.Cures;
import rivulus.remedy.Effect;
import rivulus.remedy.Remedies;
import rivulus.remedy.Remedy;
import rivulus.say.Page;
import rivulus.search.Budget;
import rivulus.show.Show;

/// Everything that the program answers about some shows, word for word and figure for figure, with
/// the steps that each search took.
final class Answers {
    private static final String BRIEF =
            """
            Maren, host, Reading Room, she
            Ivo, guest, he
            Nadia, caller, call program, she
            Bram, caller, phone, he
            Music bed, music
            stream
            on-demand copy
            scene Tide tables, 40 min
            """;

    private Answers() {}

    /// The answers about shows, by name.
    static List<String> of(List<String> shows) {
        List<String> answers = new ArrayList<>();
        for (String name : shows) about(name, answers);
        Show brief = Page.of(BRIEF, Show.untitled(), Demo.PROVER.catalogue()).edit().after();
        List<Offer> plans =
                new Planner(Demo.PROVER, () -> false)
                        .best(brief, Pattern.ALL, Planner.Progress.NONE);
        answers.addAll(JsonText.of(PlanReport.of(plans)).lines().toList());
        return answers;
    }

    private static void about(String name, List<String> answers) {
        Proof proof = Demo.PROVER.prove(Demo.show(name));
        for (Finding finding : proof.findings())
            answers.add(
                    "%s %s %s %s"
                            .formatted(
                                    name,
                                    finding.id(),
                                    finding.sentence(),
                                    finding.evidence().ways().stream()
                                            .map(way -> way.words() + way.levelDb() + way.ms())
                                            .toList()));
        for (Trouble trouble : Trouble.of(proof)) {
            Budget budget = Budget.usual();
            Cures cures = Remedies.of(Demo.PROVER, proof, trouble, 3, budget, _ -> {});
            answers.add(
                    "%s %s %d steps, %d tried %s"
                            .formatted(
                                    name,
                                    trouble.id(),
                                    budget.spent(),
                                    cures.tried(),
                                    cures.words()));
            for (Remedy remedy : cures.all())
                answers.add(
                        remedy.sentence()
                                + remedy.least()
                                + remedy.price()
                                + remedy.effects().stream().map(Effect::words).toList());
        }
        Budget budget = Budget.of(MixWriting.STEPS);
        new MixWriting(Demo.PROVER, budget)
                .all(proof, line -> answers.add(line.feed().at() + " " + line.words()));
        answers.add(name + " mixes, " + budget.spent() + " steps");
    }

    /// Writes the answers about some shows to a file: `FILE SHOW…`.
    public static void main(String[] arguments) throws Exception {
        List<String> all = List.of(arguments);
        Files.write(Path.of(all.getFirst()), of(all.subList(1, all.size())));
    }
}
