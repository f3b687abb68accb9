package rivulus.rehearse;

import java.util.ArrayList;
import java.util.List;
import rivulus.gear.Band;
import rivulus.signal.BandFilter;
import rivulus.signal.FlowOrder;
import rivulus.signal.LiveGraph;
import rivulus.signal.SignalGraph;

/// Runs a live graph on samples.
///
/// Every node keeps its last samples in a ring; every edge reads the node it leaves so many samples
/// ago. Delays are rounded to the sample. Blocks are as long as the shortest delay that closes a
/// loop allows; a loop without any delay gets one of one sample, since no sound can overtake
/// itself. Cost: live edges times samples.
public final class Renderer {
    private static final int LONGEST_BLOCK = 256;

    private final LiveGraph live;
    private final double rateHz;
    private final int[] order;
    private final List<List<Strand>> entering = new ArrayList<>();
    private final double[][] ring;
    private final double[][] input;
    private final int block;
    private long now;

    /// A live edge: where it comes from, and how sound passes it.
    private static final class Strand {
        private final int from;
        private final double gain;
        private final int delay;
        private final List<Biquad> filters = new ArrayList<>();

        Strand(int from, double gain, int delay) {
            this.from = from;
            this.gain = gain;
            this.delay = delay;
        }
    }

    /// A filter and what it remembers.
    private static final class Biquad {
        private final BandFilter filter;
        private double x1;
        private double x2;
        private double y1;
        private double y2;

        Biquad(BandFilter filter) {
            this.filter = filter;
        }

        double pass(double x) {
            double y =
                    filter.b0() * x
                            + filter.b1() * x1
                            + filter.b2() * x2
                            - filter.a1() * y1
                            - filter.a2() * y2;
            x2 = x1;
            x1 = x;
            y2 = y1;
            y1 = y;
            return y;
        }
    }

    private Renderer(LiveGraph live, double rateHz) {
        this.live = live;
        this.rateHz = rateHz;
        FlowOrder flow = FlowOrder.inTime(live);
        this.order = flow.order();
        int[] position = new int[live.size()];
        for (int i = 0; i < order.length; i++) position[order[i]] = i;
        int[] longest = new int[live.size()];
        int shortestBack = LONGEST_BLOCK;
        for (int v = 0; v < live.size(); v++) entering.add(new ArrayList<>());
        for (int v = 0; v < live.size(); v++) {
            for (int e = live.firstEdge(v); e < live.firstEdge(v + 1); e++) {
                int to = live.to(e);
                int delay = (int) Math.round(live.ns(e) * 1e-9 * rateHz);
                if (position[to] <= position[v]) {
                    delay = Math.max(1, delay);
                    shortestBack = Math.min(shortestBack, delay);
                }
                entering.get(to).add(strand(v, e, delay));
                longest[v] = Math.max(longest[v], delay);
            }
        }
        block = shortestBack;
        ring = new double[live.size()][];
        for (int v = 0; v < ring.length; v++) {
            ring[v] = new double[Integer.highestOneBit(longest[v] + block) * 2];
        }
        input = new double[live.size()][];
    }

    private Strand strand(int from, int liveEdge, int delay) {
        Strand strand = new Strand(from, live.gain(liveEdge), delay);
        Band band = live.leg(liveEdge).band();
        for (BandFilter filter : BandFilter.of(band, rateHz))
            strand.filters.add(new Biquad(filter));
        return strand;
    }

    /// A renderer of a live graph at a sample rate in Hz, everything silent.
    public static Renderer of(LiveGraph live, double rateHz) {
        return new Renderer(live, rateHz);
    }

    /// Samples in a block, 1 to 256.
    public int blockSize() {
        return block;
    }

    /// Puts samples into a node for the next block.
    ///
    /// @param samples as many as a block has; read when the block is run, then forgotten
    public void put(int node, double[] samples) {
        input[node] = samples;
    }

    /// Runs one block.
    public void run() {
        for (int v : order) {
            double[] own = ring[v];
            int mask = own.length - 1;
            double[] put = input[v];
            for (int i = 0; i < block; i++) own[(int) (now + i) & mask] = put == null ? 0 : put[i];
            input[v] = null;
            for (Strand strand : entering.get(v)) add(strand, own, mask);
        }
        now += block;
    }

    private void add(Strand strand, double[] own, int mask) {
        double[] from = ring[strand.from];
        int fromMask = from.length - 1;
        for (int i = 0; i < block; i++) {
            double x = strand.gain * from[(int) (now + i - strand.delay) & fromMask];
            for (Biquad filter : strand.filters) x = filter.pass(x);
            own[(int) (now + i) & mask] += x;
        }
    }

    /// A sample of a node in the last block.
    ///
    /// @param i from 0 to the block's size less 1
    public double read(int node, int i) {
        return ring[node][(int) (now - block + i) & (ring[node].length - 1)];
    }

    /// What an ear hears of an impulse put into one channel of a source, from silence on.
    ///
    /// @param samples how many samples are wanted
    /// @return for each channel of the ear, its samples
    public static double[][] impulseResponse(
            LiveGraph live, String source, int channel, String ear, double rateHz, int samples) {
        Renderer renderer = of(live, rateHz);
        SignalGraph.EarNodes at = live.graph().ear(ear);
        double[][] out = new double[at.channels().size()][samples];
        double[] impulse = new double[renderer.block];
        impulse[0] = 1;
        renderer.put(live.graph().source(source)[channel], impulse);
        for (int start = 0; start < samples; start += renderer.block) {
            renderer.run();
            for (int c = 0; c < out.length; c++) {
                for (int node : at.channels().get(c)) {
                    for (int i = 0; i < renderer.block && start + i < samples; i++) {
                        out[c][start + i] += renderer.read(node, i);
                    }
                }
            }
        }
        return out;
    }
}
