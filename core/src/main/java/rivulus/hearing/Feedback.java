package rivulus.hearing;

import rivulus.signal.Bands;
import rivulus.signal.Grid;
import rivulus.signal.Response;

/// The part of a live graph that goes round, reduced to the cut nodes: what each gives to each and
/// to the ears.
///
/// With T the responses between cut nodes, a signal s put into them stands there as x = (I − T)⁻¹
/// s. The inverse is taken at every frequency of the grid by Gauss-Jordan elimination with partial
/// pivoting: 51 · k³ for k cuts. It exists: only loops that die away however the phases fall are
/// part of T, so that its spectral radius is under 1 (see [Loop]).
final class Feedback {
    private static final int MOST_ROUNDS = 24;
    private static final int MOST_ROUNDS_OF_FEW = 64;
    /// Every round may make band limits that none before has made.
    private static final int MOST_BANDS = 128;

    /// Of the taps that stand at one cut after a round, at most this many loudest are followed on.
    private static final int MOST_TAPS = 2000;

    private final Bands bands;
    private final Flow.Field[] from;
    private final Joint[][] joints;
    private final Response[][] toEar;
    private Response[][] inverse;

    /// What kind of stretch leads from one cut to another.
    enum Joint {
        /// Onward, or round a loop by wire.
        PLAIN,
        /// Round a loop through a room.
        ROOM
    }

    /// @param joints the kind of stretch to cut i from cut j
    Feedback(Flow.Field[] from, Bands bands, Joint[][] joints) {
        this.from = from;
        this.bands = bands;
        this.joints = joints;
        int k = from.length;
        toEar = new Response[k][k == 0 ? 0 : from[0].atEar().length];
    }

    /// What leaves a cut.
    Flow.Field fromCut(int cut) {
        return from[cut];
    }

    /// The taps from one cut to another that come again and again.
    private Taps between(int fromCut, int toCut) {
        return from[fromCut].intoCut()[toCut];
    }

    private synchronized Response[][] inverse() {
        if (inverse != null) return inverse;
        int k = from.length;
        Response[][] made = new Response[k][k];
        Response[][] t = new Response[k][k];
        for (int i = 0; i < k; i++) {
            for (int j = 0; j < k; j++) {
                made[i][j] = Response.silent();
                t[i][j] = Sum.response(between(j, i), bands);
            }
        }
        for (int f = 0; f < Grid.SIZE; f++) invert(t, f, made);
        inverse = made;
        return made;
    }

    /// What stands at the cut nodes when `into` comes in, as a response for each.
    Response[] settled(Taps[] into) {
        int k = from.length;
        Response[] put = new Response[k];
        for (int j = 0; j < k; j++) put[j] = Sum.response(into[j], bands);
        Response[] x = new Response[k];
        for (int i = 0; i < k; i++) {
            x[i] = Response.silent();
            for (int j = 0; j < k; j++)
                if (!into[j].isEmpty()) x[i].addProduct(inverse()[i][j], put[j]);
        }
        return x;
    }

    /// Adds to `sum` what an ear hears of the cut nodes.
    void addAtEar(Response sum, Response[] x, int ear) {
        for (int i = 0; i < from.length; i++) {
            if (from[i].atEar()[ear].isEmpty()) continue;
            sum.addProduct(toEar(i, ear), x[i]);
        }
    }

    boolean reaches(int ear) {
        for (Flow.Field field : from) if (!field.atEar()[ear].isEmpty()) return true;
        return false;
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
            for (int i = 0; i < k; i++) {
                for (int j = 0; j < k; j++) if (!wave.isEmpty(j)) pass(wave, j, next, i);
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
        if (between.isEmpty()) return;
        Taps plain = wave.plain[fromCut].then(between, bands);
        Taps ringing = wave.ringing[fromCut].then(between, bands);
        boolean rings = joints[toCut][fromCut] == Joint.ROOM;
        next.plain[toCut] = rings ? next.plain[toCut] : next.plain[toCut].plus(plain);
        next.ringing[toCut] = next.ringing[toCut].plus(ringing).plus(rings ? plain : Taps.NONE);
    }

    private static Taps[] silence(int cuts) {
        Taps[] silence = new Taps[cuts];
        java.util.Arrays.fill(silence, Taps.NONE);
        return silence;
    }

    /// What reaches a listened node of taps that stand at the cuts.
    Taps atEar(Taps[] standing, int ear) {
        Taps sum = Taps.NONE;
        for (int k = 0; k < from.length; k++) {
            if (!standing[k].isEmpty())
                sum = sum.plus(standing[k].then(from[k].atEar()[ear], bands));
        }
        return sum;
    }

    /// Whether two listened nodes hear the same of every cut.
    boolean isAlike(int ear, int other) {
        for (Flow.Field field : from)
            if (!field.atEar()[ear].isLike(field.atEar()[other])) return false;
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
