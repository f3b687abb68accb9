package rivulus.trouble;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.BooleanSupplier;
import rivulus.check.Proof;
import rivulus.check.Prover;
import rivulus.check.SceneProof;
import rivulus.setup.Act;
import rivulus.setup.Step;
import rivulus.show.Symptom;
import rivulus.words.Words;

/// The search for what is broken: what has been answered, what may still be wrong, what to ask
/// next.
///
/// Every fault says what each ear would report; an answer weighs it by how likely it is under that
/// fault, with a chance that whoever answers is wrong. Where no single fault fits, two at once are
/// looked at. The next question is the one whose answers part the field most for the time it takes.
/// Immutable: an answer gives another state.
///
/// Costs at the start a tracing for every fault, of the likeliest where there are very many; an
/// answer and a next question together some thousand sums.
public final class Diagnosis {
    /// How often somebody answers as it is ~.
    private static final double RIGHT = 0.88;

    /// How often somebody says something near to it ~: too softly for not at all.
    private static final double NEAR = 0.05;

    /// How often somebody who should not hear themself at all says "twice", or "late" ~.
    private static final double COMES_BACK = 0.4;

    private static final double WRONG = 0.01;

    /// How often a look finds what is there.
    private static final double SEEN = 0.97;

    /// How often somebody sees something amiss that is not.
    private static final double MISTAKEN = 0.003;

    /// How likely it is, before anything is known, that it is nothing of what can be seen here.
    private static final double UNKNOWN = 0.01;

    /// How much rarer two faults at once are than one.
    private static final double TWO = 0.15;

    /// So sure is sure enough to put hands on it.
    private static final double SURE = 0.9;

    private static final double LEAST_CHANCE = 1e-4;
    private static final int PAIRED = 8;
    private static final int MOST_PAIRS = 120;

    /// How much likelier is what somebody points at.
    private static final double POINTED = 20;

    private final Field singles;
    private final Field field;
    private final String pointed;
    private final List<Said> answers;
    private final double[] chance;

    /// An answer that was given.
    public record Said(Question question, Reply reply) {}

    /// @param singles what may be broken by itself
    /// @param field that, or with two at once besides
    private Diagnosis(Field singles, Field field, String pointed, List<Said> answers) {
        this.singles = singles;
        this.field = field;
        this.pointed = pointed;
        this.answers = List.copyOf(answers);
        chance = weighed();
    }

    /// A search in a scene of which nothing is known yet.
    ///
    /// @param cancelled given up when it says so
    public static Diagnosis of(
            Prover prover, Proof proof, String scene, BooleanSupplier cancelled) {
        SceneProof in = proof.scene(scene).orElseThrow();
        Field field = Field.of(prover, proof, in, cancelled);
        return new Diagnosis(field, field, "", List.of());
    }

    /// The search with an answer more.
    public Diagnosis after(Question question, Reply reply) {
        List<Said> all = new ArrayList<>(answers);
        all.add(new Said(question, reply));
        return new Diagnosis(singles, singles, pointed, all).lookingAtTwo();
    }

    /// The search as it was before the last answer.
    public Diagnosis back() {
        if (answers.isEmpty()) return this;
        List<Said> fewer = answers.subList(0, answers.size() - 1);
        return new Diagnosis(singles, singles, pointed, fewer).lookingAtTwo();
    }

    /// The search in which something is likelier from the start: what has to do with a step of the
    /// set-up that failed, or with a machine somebody points at.
    ///
    /// @param begins the beginning of the ids of faults or of spots: `lead/c4`, `look/desk`
    public Diagnosis pointedAt(String begins) {
        return new Diagnosis(singles, singles, begins, answers).lookingAtTwo();
    }

    /// The search after a step of the set-up that failed.
    public Diagnosis pointedAt(Step failed) {
        if (failed.act() instanceof Act.Lay) return pointedAt(failed.id());
        return failed.device().isEmpty() ? this : pointedAt("look/" + failed.device());
    }

    private double[] weighed() {
        List<Broken> broken = field.broken();
        double[] all = new double[broken.size() + 1];
        double total = 0;
        for (Broken one : broken)
            if (one.faults().size() == 1) total += one.faults().getFirst().weight();
        for (int b = 0; b < broken.size(); b++) {
            double prior = broken.get(b).faults().size() > 1 ? TWO : 1;
            for (Fault fault : broken.get(b).faults())
                prior *= fault.weight() / total * (isPointedAt(fault) ? POINTED : 1);
            all[b] = prior;
        }
        all[broken.size()] = UNKNOWN;
        for (Said said : answers)
            for (int b = 0; b < all.length; b++) all[b] *= likely(field, b, said);
        normalise(all);
        return all;
    }

    private boolean isPointedAt(Fault fault) {
        return !pointed.isEmpty()
                && (fault.id().startsWith(pointed) || fault.spot().id().startsWith(pointed));
    }

    private static void normalise(double[] chance) {
        double sum = 0;
        for (double one : chance) sum += one;
        if (sum > 0) for (int b = 0; b < chance.length; b++) chance[b] /= sum;
    }

    /// How likely an answer is under something broken; the last is what cannot be seen.
    private static double likely(Field field, int b, Said said) {
        boolean unknown = b == field.broken().size();
        return switch (said.question()) {
            case Question.Ask ask -> {
                Symptom answer = ((Reply.Heard) said.reply()).symptom();
                if (unknown) yield likely(answer);
                int a = field.indexOf(ask);
                yield a < 0 ? 1 : likely(field.said(b, a), answer);
            }
            case Question.Probe probe -> {
                Symptom answer = ((Reply.Heard) said.reply()).symptom();
                if (unknown) yield likely(answer);
                yield likely(field.shown(b, field.probes().indexOf(probe)), answer);
            }
            case Question.Look look ->
                    unknown
                            ? said.reply() instanceof Reply.Found ? MISTAKEN : SEEN
                            : likely(field.broken().get(b), look, said.reply());
        };
    }

    /// How likely an answer is where it is something that the plan does not know of: most is well
    /// then, and of what is not nothing is likelier than anything else.
    private static double likely(Symptom answer) {
        return answer == Symptom.AS_WISHED ? 0.5 : 0.5 / (Symptom.values().length - 1);
    }

    private static double likely(Broken broken, Question.Look look, Reply reply) {
        boolean here =
                broken.faults().stream()
                        .anyMatch(fault -> fault.spot().id().equals(look.spot().id()));
        if (reply instanceof Reply.Found(Fault found))
            return broken.faults().stream().anyMatch(fault -> fault.id().equals(found.id()))
                    ? SEEN
                    : MISTAKEN;
        return here ? 1 - SEEN : SEEN;
    }

    private static double likely(Symptom would, Symptom said) {
        if (would == said) return RIGHT;
        if (would == Symptom.UNWANTED && (said == Symptom.TWICE || said == Symptom.LATE))
            return COMES_BACK;
        if (said == Symptom.OTHER) return would == Symptom.AS_WISHED ? WRONG : NEAR;
        return isNear(would, said) || isNear(said, would) ? NEAR : WRONG;
    }

    private static boolean isNear(Symptom one, Symptom other) {
        return switch (one) {
            case NOT -> other == Symptom.SOFT || other == Symptom.ONE_SIDE;
            case TWICE -> other == Symptom.HOLLOW || other == Symptom.LATE;
            case SOFT -> other == Symptom.ONE_SIDE || other == Symptom.AS_WISHED;
            case LOUD -> other == Symptom.AS_WISHED || other == Symptom.TWICE;
            case HOLLOW -> other == Symptom.AS_WISHED;
            default -> false;
        };
    }

    /// With two faults at once besides, where no single one accounts for every answer: of what
    /// accounts for one thing that is amiss each with each of what accounts for another.
    private Diagnosis lookingAtTwo() {
        if (answers.size() < 2) return this;
        int[] misfits = new int[singles.broken().size()];
        int fewest = Integer.MAX_VALUE;
        for (int b = 0; b < misfits.length; b++) {
            for (Said said : answers) if (likely(singles, b, said) < NEAR) misfits[b]++;
            fewest = Math.min(fewest, misfits[b]);
        }
        if (fewest == 0) return this;
        List<List<Integer>> accounts = new ArrayList<>();
        for (Said said : answers) if (isAmiss(said)) accounts.add(accounting(said, misfits));
        Set<List<Integer>> pairs = new LinkedHashSet<>();
        for (int i = 0; i < accounts.size(); i++)
            for (int j = i + 1; j < accounts.size(); j++)
                for (int one : accounts.get(i))
                    for (int other : accounts.get(j))
                        if (one != other && pairs.size() < MOST_PAIRS)
                            pairs.add(List.of(Math.min(one, other), Math.max(one, other)));
        if (pairs.isEmpty()) return this;
        return new Diagnosis(singles, singles.withPairs(pairs), pointed, answers);
    }

    private static boolean isAmiss(Said said) {
        return said.reply() instanceof Reply.Found
                || said.reply() instanceof Reply.Heard(Symptom symptom)
                        && symptom != Symptom.AS_WISHED;
    }

    /// What accounts for an answer, and for most others.
    private List<Integer> accounting(Said said, int[] misfits) {
        List<Integer> all = new ArrayList<>();
        for (int b = 0; b < misfits.length; b++)
            if (singles.broken().get(b).isPairable() && likely(singles, b, said) >= NEAR)
                all.add(b);
        all.sort(
                Comparator.comparingInt((Integer b) -> misfits[b])
                        .thenComparing(b -> -singles.broken().get(b).faults().getFirst().weight()));
        return all.subList(0, Math.min(PAIRED, all.size()));
    }

    /// What has been answered, in order.
    public List<Said> answers() {
        return answers;
    }

    /// Every single fault that would be noticed.
    public List<Fault> faults() {
        return singles.broken().stream().map(one -> one.faults().getFirst()).toList();
    }

    /// How many of them there are.
    public int noticed() {
        return faults().size();
    }

    /// How many faults are not looked at, since the rig is so large that there are too many; the
    /// likeliest are.
    public int leftOut() {
        return singles.leftOut();
    }

    Field field() {
        return singles;
    }

    /// What may be wrong, likeliest first, down to one in ten thousand.
    public List<Suspect> suspects() {
        List<Suspect> suspects = new ArrayList<>();
        for (int b = 0; b < chance.length; b++)
            if (chance[b] >= LEAST_CHANCE)
                suspects.add(
                        new Suspect(
                                b == field.broken().size()
                                        ? List.of()
                                        : field.broken().get(b).faults(),
                                chance[b]));
        suspects.sort(Comparator.comparingDouble(Suspect::chance).reversed());
        return suspects;
    }

    /// What it is, once that is sure enough. While it leaves something that is amiss unaccounted
    /// for, as long as there is more to ask, it is not.
    public Optional<Suspect> found() {
        if (answers.isEmpty()) return Optional.empty();
        int first = 0;
        for (int b = 1; b < chance.length; b++) if (chance[b] > chance[first]) first = b;
        if (chance[first] < SURE) return Optional.empty();
        if (first < field.broken().size() && leavesOpen(first) && next().isPresent())
            return Optional.empty();
        return suspects().stream().findFirst();
    }

    private boolean leavesOpen(int b) {
        return answers.stream().anyMatch(said -> isAmiss(said) && likely(field, b, said) < NEAR);
    }

    /// A question, what it tells in bits, and what is to be said of it.
    ///
    /// @param why "parts 34 suspects: 20 say twice, 14 as it should be"
    public record Next(Question question, double bits, String why) {}

    /// The question that tells most for the time it takes; empty where none tells anything.
    public Optional<Next> next() {
        return questions().stream().findFirst();
    }

    /// Every question that tells something, best first.
    public List<Next> questions() {
        Set<String> asked = new HashSet<>();
        for (Said said : answers) asked.add(said.question().id());
        return new Asking(field, chance, LEAST_CHANCE, asked).all();
    }

    /// What somebody reports first: a question about an ear and a source.
    public Optional<Question.Ask> about(String ear, String source) {
        return field.asks().stream()
                .filter(ask -> ask.ear().id().equals(ear) && ask.source().id().equals(source))
                .findFirst();
    }

    /// Everything that can be reported of what is heard.
    public List<Question.Ask> reports() {
        return field.asks();
    }

    /// The search as it stands, in words.
    public String words() {
        Optional<Suspect> found = found();
        if (found.isPresent() && !found.get().faults().isEmpty())
            return "It is this, as good as sure: %s.".formatted(found.get().words());
        List<Suspect> left = suspects();
        if (found.isPresent() || next().isEmpty())
            return left.isEmpty() || left.getFirst().faults().isEmpty()
                    ? "As far as this can tell it is nothing of what the plan knows."
                    : "As far as this can tell: %s, one in %d."
                            .formatted(
                                    left.getFirst().words(),
                                    Math.max(2, Math.round(1 / left.getFirst().chance())));
        String could =
                "%s it could be.".formatted(Words.sentence(Words.count(left.size(), "thing")));
        return leftOut() == 0
                ? could
                : could
                        + " So large is this rig that %d less likely faults are not looked at."
                                .formatted(leftOut());
    }
}
