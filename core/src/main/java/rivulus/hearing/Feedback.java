package rivulus.hearing;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import rivulus.signal.Bands;
import rivulus.signal.Grid;
import rivulus.signal.Response;

/// The part of a live graph that goes round, reduced to the cut nodes: what each gives to each and
/// to the ears.
///
/// With T the responses between cut nodes, a signal s put into them stands there as x = (I − T)⁻¹
/// s. What goes round by itself (a system, see [FlowOrder#loopOf]) gives on to others and gets
/// nothing back, so that T is a triangle of blocks: the systems are settled one after the other, as
/// sound comes to them. The inverse of each block is taken at every frequency of the grid by
/// Gauss-Jordan elimination with partial pivoting: 51 · k³ for the k cuts of a system. It exists:
/// only loops that die away however the phases fall are part of T, so that its spectral radius is
/// under 1 (see [Loop]).
final class Feedback {
    private static final int MOST_ROUNDS = 24;
    private static final int MOST_ROUNDS_OF_FEW = 64;
    /// Every round may make band limits that none before has made.
    private static final int MOST_BANDS = 128;

    /// Of the taps that stand at one cut after a round, at most this many loudest are followed on.
    private static final int MOST_TAPS = 2000;

    private static final int[] NONE = {};

    private final Bands bands;
    private final Flow.Field[] from;
    private final Joint[][] joints;
    private final Response[][] toEar;
    private final List<Block> blocks;
    /// For every cut, those that it gives something to.
    private final int[][] onward;
    /// For every listened node, the cuts that it hears something of.
    private final int[][] heard;

    /// What kind of stretch leads from one cut to another.
    enum Joint {
        /// Onward, or round a loop by wire.
        PLAIN,
        /// Round a loop through a room.
        ROOM
    }

    /// @param joints the kind of stretch to cut i from cut j
    /// @param system for every cut the number of what goes round through it; what gives on to
    ///     another has the higher number
    Feedback(Flow.Field[] from, Bands bands, Joint[][] joints, int[] system) {
        this.from = from;
        this.bands = bands;
        this.joints = joints;
        int k = from.length;
        int ears = k == 0 ? 0 : from[0].atEar().length;
        toEar = new Response[k][ears];
        heard = new int[ears][];
        for (int ear = 0; ear < ears; ear++) {
            int at = ear;
            heard[ear] =
                    IntStream.range(0, k).filter(i -> !from[i].atEar()[at].isEmpty()).toArray();
        }
        onward = new int[k][];
        for (int j = 0; j < k; j++) {
            Taps[] into = from[j].intoCut();
            onward[j] = IntStream.range(0, k).filter(i -> !into[i].isEmpty()).toArray();
        }
        blocks =
                Arrays.stream(system)
                        .distinct()
                        .map(one -> -one)
                        .sorted()
                        .mapToObj(
                                one ->
                                        IntStream.range(0, k)
                                                .filter(cut -> system[cut] == -one)
                                                .toArray())
                        .map(Block::new)
                        .toList();
    }

    /// The cuts of one system, and what was put into them by systems before.
    private final class Block {
        private final int[] cuts;
        private Response[][] inverse;
        private List<Map<Integer, Response>> entering;

        Block(int[] cuts) {
            this.cuts = cuts;
        }

        /// Works out what stands at these cuts, null where nothing comes; those before are settled.
        void settle(Taps[] into, Response[] x) {
            Response[] put = new Response[cuts.length];
            boolean any = false;
            for (int c = 0; c < cuts.length; c++) {
                put[c] = put(c, into[cuts[c]], x);
                any |= put[c] != null;
            }
            if (!any) return;
            for (int c = 0; c < cuts.length; c++) {
                Response stands = Response.silent();
                for (int p = 0; p < cuts.length; p++)
                    if (put[p] != null) stands.addProduct(inverse()[c][p], put[p]);
                x[cuts[c]] = stands;
            }
        }

        /// What comes into a cut from outside the system; null where nothing does.
        private Response put(int c, Taps into, Response[] x) {
            Response put = into.isEmpty() ? null : Sum.response(into, bands);
            for (Map.Entry<Integer, Response> other : entering().get(c).entrySet()) {
                if (x[other.getKey()] == null) continue;
                if (put == null) put = Response.silent();
                put.addProduct(other.getValue(), x[other.getKey()]);
            }
            return put;
        }

        /// The stretches from cuts of other systems into each of these.
        private synchronized List<Map<Integer, Response>> entering() {
            if (entering != null) return entering;
            List<Map<Integer, Response>> made = new ArrayList<>();
            for (int cut : cuts) {
                Map<Integer, Response> by = new LinkedHashMap<>();
                for (int other = 0; other < from.length; other++) {
                    Taps between = between(other, cut);
                    if (!between.isEmpty() && Arrays.binarySearch(cuts, other) < 0)
                        by.put(other, Sum.response(between, bands));
                }
                made.add(by);
            }
            entering = made;
            return made;
        }

        private synchronized Response[][] inverse() {
            if (inverse != null) return inverse;
            int k = cuts.length;
            Response[][] made = new Response[k][k];
            Response[][] t = new Response[k][k];
            for (int i = 0; i < k; i++) {
                for (int j = 0; j < k; j++) {
                    made[i][j] = Response.silent();
                    t[i][j] = Sum.response(between(cuts[j], cuts[i]), bands);
                }
            }
            for (int f = 0; f < Grid.SIZE; f++) invert(t, f, made);
            inverse = made;
            return made;
        }
    }

    /// What leaves a cut.
    Flow.Field fromCut(int cut) {
        return from[cut];
    }

    /// The taps from one cut to another that come again and again.
    private Taps between(int fromCut, int toCut) {
        return from[fromCut].intoCut()[toCut];
    }

    /// What stands at the cut nodes when `into` comes in, as a response for each; null where
    /// nothing does.
    Response[] settled(Taps[] into) {
        Response[] x = new Response[from.length];
        for (Block block : blocks) block.settle(into, x);
        return x;
    }

    /// Adds to `sum` what an ear hears of the cut nodes.
    void addAtEar(Response sum, Response[] x, int ear) {
        for (int i : heard(ear)) if (x[i] != null) sum.addProduct(toEar(i, ear), x[i]);
    }

    private int[] heard(int ear) {
        return from.length == 0 ? NONE : heard[ear];
    }

    boolean reaches(int ear) {
        return heard(ear).length > 0;
    }

    private synchronized Response toEar(int i, int ear) {
        if (toEar[i][ear] == null) toEar[i][ear] = Sum.response(from[i].atEar()[ear], bands);
        return toEar[i][ear];
    }

    /// What stands at the cut nodes in time.
    ///
    /// @param plain what has not been round a room
    /// @param ringing what has
    /// @param left how loud the loudest is that was followed no further; a gain
    record Rounds(Taps[] plain, Taps[] ringing, double left) {
        Rounds(Taps[] plain, Taps[] ringing) {
            this(plain, ringing, 0);
        }

        boolean isEmpty(int cut) {
            return plain[cut].isEmpty() && ringing[cut].isEmpty();
        }
    }

    /// The rounds of what comes in, down to the faintest tap, but for no more than [#MOST_ROUNDS],
    /// or, of what is few and rings long, [#MOST_ROUNDS_OF_FEW].
    Rounds rounds(Taps[] into) {
        int k = from.length;
        Rounds total = new Rounds(into.clone(), silence(k));
        Rounds wave = new Rounds(into.clone(), silence(k));
        for (int round = 0; round < MOST_ROUNDS || mayGoOn(total, round); round++) {
            Rounds next = new Rounds(silence(k), silence(k));
            boolean heard = false;
            for (int j = 0; j < k; j++)
                if (!wave.isEmpty(j)) for (int i : onward[j]) pass(wave, j, next, i);
            for (int i = 0; i < k; i++) {
                next.plain[i] = next.plain[i].loudest(MOST_TAPS);
                next.ringing[i] = next.ringing[i].loudest(MOST_TAPS);
                total.plain[i] = total.plain[i].plus(next.plain[i]);
                total.ringing[i] = total.ringing[i].plus(next.ringing[i]);
                heard |= !next.isEmpty(i);
            }
            if (!heard) return total;
            wave = next;
        }
        double left = 0;
        for (int i = 0; i < k; i++)
            left = Math.max(left, Math.max(wave.plain[i].loudest(), wave.ringing[i].loudest()));
        return new Rounds(total.plain, total.ringing, left);
    }

    /// What rings long is followed until it has died away, as long as it is few.
    private boolean mayGoOn(Rounds so, int round) {
        if (round >= MOST_ROUNDS_OF_FEW || bands.size() > MOST_BANDS) return false;
        int taps = 0;
        for (int i = 0; i < from.length; i++) taps += so.plain[i].size() + so.ringing[i].size();
        return taps <= MOST_ROUNDS_OF_FEW;
    }

    private void pass(Rounds wave, int fromCut, Rounds next, int toCut) {
        Taps between = between(fromCut, toCut);
        Taps plain = wave.plain[fromCut].then(between, bands);
        Taps ringing = wave.ringing[fromCut].then(between, bands);
        boolean rings = joints[toCut][fromCut] == Joint.ROOM;
        next.plain[toCut] = rings ? next.plain[toCut] : next.plain[toCut].plus(plain);
        next.ringing[toCut] = next.ringing[toCut].plus(ringing).plus(rings ? plain : Taps.NONE);
    }

    private static Taps[] silence(int cuts) {
        Taps[] silence = new Taps[cuts];
        Arrays.fill(silence, Taps.NONE);
        return silence;
    }

    /// What reaches a listened node of taps that stand at the cuts.
    Taps atEar(Taps[] standing, int ear) {
        Taps sum = Taps.NONE;
        for (int k : heard(ear))
            if (!standing[k].isEmpty())
                sum = sum.plus(standing[k].then(from[k].atEar()[ear], bands));
        return sum;
    }

    /// Whether two listened nodes hear the same of every cut.
    boolean isAlike(int ear, int other) {
        if (!Arrays.equals(heard(ear), heard(other))) return false;
        for (int k : heard(ear))
            if (!from[k].atEar()[ear].isLike(from[k].atEar()[other])) return false;
        return true;
    }

    /// Inverts I − T at one frequency.
    private static void invert(Response[][] t, int f, Response[][] made) {
        int k = t.length;
        double[][] re = new double[k][2 * k];
        double[][] im = new double[k][2 * k];
        for (int i = 0; i < k; i++) {
            for (int j = 0; j < k; j++) {
                re[i][j] = (i == j ? 1 : 0) - t[i][j].re()[f];
                im[i][j] = -t[i][j].im()[f];
            }
            re[i][k + i] = 1;
        }
        for (int c = 0; c < k; c++) {
            int pivot = c;
            for (int r = c + 1; r < k; r++)
                if (power(re, im, r, c) > power(re, im, pivot, c)) pivot = r;
            swap(re, c, pivot);
            swap(im, c, pivot);
            double p = power(re, im, c, c);
            if (p == 0)
                throw new ArithmeticException(
                        "a loop that neither dies away nor howls at %.0f Hz".formatted(Grid.hz(f)));
            double invRe = re[c][c] / p;
            double invIm = -im[c][c] / p;
            scale(re[c], im[c], invRe, invIm);
            for (int r = 0; r < k; r++) if (r != c) subtract(re, im, r, c);
        }
        for (int i = 0; i < k; i++) {
            for (int j = 0; j < k; j++) {
                made[i][j].re()[f] = re[i][k + j];
                made[i][j].im()[f] = im[i][k + j];
            }
        }
    }

    private static double power(double[][] re, double[][] im, int r, int c) {
        return re[r][c] * re[r][c] + im[r][c] * im[r][c];
    }

    private static void swap(double[][] rows, int a, int b) {
        double[] row = rows[a];
        rows[a] = rows[b];
        rows[b] = row;
    }

    private static void scale(double[] re, double[] im, double byRe, double byIm) {
        for (int j = 0; j < re.length; j++) {
            double r = re[j] * byRe - im[j] * byIm;
            im[j] = re[j] * byIm + im[j] * byRe;
            re[j] = r;
        }
    }

    private static void subtract(double[][] re, double[][] im, int row, int pivot) {
        double fRe = re[row][pivot];
        double fIm = im[row][pivot];
        if (fRe == 0 && fIm == 0) return;
        for (int j = 0; j < re[row].length; j++) {
            re[row][j] -= fRe * re[pivot][j] - fIm * im[pivot][j];
            im[row][j] -= fRe * im[pivot][j] + fIm * re[pivot][j];
        }
    }
}
