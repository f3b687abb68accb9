package rivulus.bench;

import java.util.List;
import java.util.Locale;
import rivulus.check.Proof;
import rivulus.check.Prover;
import rivulus.file.DemoShows;
import rivulus.rule.Rules;
import rivulus.trouble.Diagnosis;
import rivulus.trouble.Fault;
import rivulus.trouble.Simulated;
import rivulus.trouble.Suspect;

/// How many answers it takes to find every single fault of every shipped show, with nobody wrong
/// and with one answer in ten wrong, and how long a question takes. Prints a table in Markdown.
public final class Troubleshooting {
    private static final int MOST = 25;
    private static final double WRONG = 0.1;

    private Troubleshooting() {}

    /// Prints the table; with names, of those shows alone.
    public static void main(String[] args) throws Exception {
        Prover prover = Rules.prover();
        List<String> names =
                args.length > 0 ? List.of(args) : List.copyOf(DemoShows.all().keySet());
        System.out.println(
                "| show | faults | goal | answers | most | found | found, 1 in 10 wrong | begins, ms | a question, ms |");
        System.out.println("|---|---|---|---|---|---|---|---|---|");
        for (String name : names) {
            Proof proof = prover.prove(DemoShows.open(name, prover.catalogue()));
            String scene = proof.fullest().scene().id();
            long start = System.nanoTime();
            Diagnosis search = Diagnosis.of(prover, proof, scene, () -> false);
            long begun = System.nanoTime() - start;
            if (search.noticed() == 0) continue;
            Sum right = new Sum(search, 0);
            Sum wrong = new Sum(search, WRONG);
            double log = Math.log(search.noticed()) / Math.log(2);
            System.out.printf(
                    Locale.ROOT,
                    "| %s | %d | %.0f | %.1f | %d | %.0f %% | %.0f %% | %d | %.1f |%n",
                    name,
                    search.noticed(),
                    Math.ceil(log) + 1,
                    (double) right.answers / search.noticed(),
                    right.most,
                    right.share(),
                    wrong.share(),
                    begun / 1_000_000,
                    right.nanos / 1e6 / right.answers);
        }
    }

    /// Every single fault of a show, looked for.
    private static final class Sum {
        private final int faults;
        private int answers;
        private int most;
        private int found;
        private long nanos;

        Sum(Diagnosis search, double wrong) {
            faults = search.noticed();
            for (Fault fault : search.faults()) {
                long start = System.nanoTime();
                Simulated people = Simulated.of(search, fault.id(), wrong, fault.id().hashCode());
                Simulated.Run run = people.run(search, MOST);
                nanos += System.nanoTime() - start;
                answers += run.answers();
                most = Math.max(most, run.answers());
                List<Fault> named = run.found().map(Suspect::faults).orElse(List.of());
                if (named.equals(List.of(fault))) found++;
            }
        }

        double share() {
            return 100.0 * found / faults;
        }
    }
}
