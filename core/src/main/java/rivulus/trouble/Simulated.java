package rivulus.trouble;

import java.util.List;
import java.util.Optional;
import java.util.Random;
import rivulus.show.Symptom;

/// Somebody who answers from a faulty copy of the graph, now and then wrongly.
public final class Simulated {
    private final Field field;
    private final int broken;
    private final double wrong;
    private final Random random;

    private Simulated(Field field, int broken, double wrong, long seed) {
        this.field = field;
        this.broken = broken;
        this.wrong = wrong;
        random = new Random(seed);
    }

    /// Somebody in whose rig something is broken.
    ///
    /// @param fault the id of a fault of [Diagnosis#faults()]
    /// @param wrong how often an answer is any that can be given, 0 to 1
    /// @throws IllegalArgumentException if there is no such fault
    public static Simulated of(Diagnosis search, String fault, double wrong, long seed) {
        List<Broken> all = search.field().broken();
        for (int b = 0; b < all.size(); b++)
            if (all.get(b).faults().size() == 1
                    && all.get(b).faults().getFirst().id().equals(fault))
                return new Simulated(search.field(), b, wrong, seed);
        throw new IllegalArgumentException("no fault " + fault);
    }

    /// Somebody in whose rig two things are broken.
    public static Simulated of(
            Diagnosis search, String one, String other, double wrong, long seed) {
        Field field = search.field();
        List<Integer> two = List.of(of(search, one, 0, 0).broken, of(search, other, 0, 0).broken);
        Field wider = field.withPairs(List.of(two));
        int last = wider.broken().size() - 1;
        return new Simulated(wider, last, wrong, seed);
    }

    /// What they say.
    public Reply answer(Question question) {
        List<Reply> all = question.replies();
        if (random.nextDouble() < wrong) return all.get(random.nextInt(all.size()));
        return switch (question) {
            case Question.Ask ask -> new Reply.Heard(field.said(broken, field.indexOf(ask)));
            case Question.Probe probe ->
                    new Reply.Heard(field.shown(broken, field.probes().indexOf(probe)));
            case Question.Look look ->
                    field.broken().get(broken).faults().stream()
                            .filter(fault -> fault.spot().id().equals(look.spot().id()))
                            .findFirst()
                            .<Reply>map(Reply.Found::new)
                            .orElse(new Reply.Planned());
        };
    }

    /// What is reported first: the first ear, the public before others, that hears something amiss.
    public Question.Ask first() {
        Optional<Question.Ask> best = Optional.empty();
        for (int a = 0; a < field.asks().size(); a++) {
            if (field.said(broken, a) == Symptom.AS_WISHED) continue;
            Question.Ask ask = field.asks().get(a);
            if (best.isEmpty() || ask.ear().isPublic() && !best.get().ear().isPublic())
                best = Optional.of(ask);
        }
        return best.orElseThrow();
    }

    /// How a search went.
    ///
    /// @param answers how many were given, the first report among them
    /// @param found what it ended with; empty where it did not
    public record Run(int answers, Optional<Suspect> found) {}

    /// A search with their answers, from what they report first.
    ///
    /// @param most answers that are given at most
    public Run run(Diagnosis start, int most) {
        Question.Ask first = first();
        Diagnosis now = start.after(first, answer(first));
        while (now.found().isEmpty() && now.answers().size() < most) {
            Optional<Diagnosis.Next> next = now.next();
            if (next.isEmpty()) break;
            now = now.after(next.get().question(), answer(next.get().question()));
        }
        return new Run(now.answers().size(), now.found());
    }
}
