package rivulus.trouble;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import rivulus.show.Symptom;
import rivulus.words.Words;

/// What could be asked now, and how much each answer would tell: the entropy of what the suspects
/// would bring as answers, in bits, for the minutes that it takes. Costs an answer of every suspect
/// to every question.
final class Asking {
    /// A question that tells less than this, in bits, is not worth asking.
    private static final double LEAST_BITS = 0.03;

    /// Added to every question's minutes: asking at all costs something ~.
    private static final double BOTHER = 0.5;

    private static final int PARTS_NAMED = 3;

    private final Field field;
    private final double[] chance;
    private final Set<String> asked;
    private final List<Integer> live = new ArrayList<>();
    private final List<Diagnosis.Next> all = new ArrayList<>();

    /// @param chance of every fault of the field
    /// @param least below which a fault is no suspect
    /// @param asked the ids of questions that are not asked again
    Asking(Field field, double[] chance, double least, Set<String> asked) {
        this.field = field;
        this.chance = chance;
        this.asked = asked;
        for (int b = 0; b < field.broken().size(); b++) if (chance[b] >= least) live.add(b);
    }

    /// Every question that tells something, best first.
    List<Diagnosis.Next> all() {
        for (int a = 0; a < field.asks().size(); a++) {
            int at = a;
            worth(field.asks().get(a), b -> field.said(b, at));
        }
        for (int p = 0; p < field.probes().size(); p++) {
            int at = p;
            worth(field.probes().get(p), b -> field.shown(b, at));
        }
        field.spots().forEach(this::look);
        all.sort(
                Comparator.comparingDouble(
                                (Diagnosis.Next next) ->
                                        next.bits() / (next.question().minutes() + BOTHER))
                        .reversed());
        return all;
    }

    /// What something broken would bring as an answer.
    private interface Would {
        Symptom say(int broken);
    }

    private void worth(Question question, Would would) {
        if (asked.contains(question.id())) return;
        double[] mass = new double[Symptom.values().length];
        int[] count = new int[mass.length];
        double sum = 0;
        for (int b : live) {
            int symptom = would.say(b).ordinal();
            mass[symptom] += chance[b];
            count[symptom]++;
            sum += chance[b];
        }
        double bits = entropy(Arrays.stream(mass).filter(m -> m > 0).boxed().toList(), sum);
        if (bits >= LEAST_BITS) all.add(new Diagnosis.Next(question, bits, parts(count)));
    }

    private String parts(int[] count) {
        List<String> parts = new ArrayList<>();
        Arrays.stream(Symptom.values())
                .filter(symptom -> count[symptom.ordinal()] > 0)
                .sorted(Comparator.comparing(symptom -> -count[symptom.ordinal()]))
                .limit(PARTS_NAMED)
                .forEach(
                        symptom ->
                                parts.add(
                                        "%d would say %s"
                                                .formatted(
                                                        count[symptom.ordinal()],
                                                        symptom.words())));
        return "parts %s: %s"
                .formatted(Words.count(live.size(), "suspect"), String.join(", ", parts));
    }

    /// A look tells which of what can be seen there it is, or that it is nothing of that.
    ///
    /// @param there what may be seen there
    private void look(String spot, List<Integer> there) {
        Set<Integer> alive = new HashSet<>(live);
        List<Integer> here =
                there.stream()
                        .distinct()
                        .filter(alive::contains)
                        .sorted(Comparator.comparing(b -> -chance[b]))
                        .toList();
        if (here.isEmpty() || asked.contains(spot)) return;
        double sum = live.stream().mapToDouble(b -> chance[b]).sum();
        List<Double> masses = new ArrayList<>();
        double rest = sum;
        for (int b : here) {
            masses.add(chance[b]);
            rest -= chance[b];
        }
        masses.add(Math.max(0, rest));
        double bits = entropy(masses, sum);
        if (bits < LEAST_BITS) return;
        List<Fault> faults =
                here.stream()
                        .flatMap(b -> field.broken().get(b).faults().stream())
                        .filter(fault -> fault.spot().id().equals(spot))
                        .distinct()
                        .toList();
        Spot at = faults.getFirst().spot();
        for (Fault fault : faults) at = at.takes(fault.spot().minutes());
        all.add(
                new Diagnosis.Next(
                        new Question.Look(at, faults),
                        bits,
                        "%d of %s could be seen there"
                                .formatted(here.size(), Words.count(live.size(), "suspect"))));
    }

    private static double entropy(Iterable<Double> masses, double sum) {
        double bits = 0;
        for (double mass : masses) {
            double share = mass / sum;
            if (share > 0) bits -= share * Math.log(share) / Math.log(2);
        }
        return bits;
    }
}
