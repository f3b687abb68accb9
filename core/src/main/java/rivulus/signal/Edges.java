package rivulus.signal;

import java.util.List;
import java.util.Map;
import rivulus.gear.ChannelMap;
import rivulus.show.Ref;

/// The channels of all legs as flat arrays, sorted by the node they leave, with an index by the
/// node they enter.
final class Edges {
    final int[] leg;
    final int[] from;
    final int[] to;
    final double[] mapGain;
    /// The edges that leave node v are `leaveHead[v]` to `leaveHead[v + 1]`.
    final int[] leaveHead;

    /// The edges that enter node v stand in `entering` from `enterHead[v]` to `enterHead[v + 1]`.
    final int[] enterHead;

    final int[] entering;

    private Edges(int[] leg, int[] from, int[] to, double[] mapGain, int nodes) {
        this.leg = leg;
        this.from = from;
        this.to = to;
        this.mapGain = mapGain;
        leaveHead = heads(from, nodes);
        enterHead = heads(to, nodes);
        entering = new int[to.length];
        int[] next = enterHead.clone();
        for (int e = 0; e < to.length; e++) entering[next[to[e]]++] = e;
    }

    private static int[] heads(int[] ends, int nodes) {
        int[] head = new int[nodes + 1];
        for (int v : ends) head[v + 1]++;
        for (int v = 0; v < nodes; v++) head[v + 1] += head[v];
        return head;
    }

    static Edges of(List<Leg> legs, Map<Ref, int[]> pointNodes, int nodes) {
        int count = legs.stream().mapToInt(leg -> leg.map().size()).sum();
        int[] head = new int[nodes + 1];
        for (Leg leg : legs) {
            int[] from = pointNodes.get(leg.from());
            for (ChannelMap channel : leg.map()) head[from[channel.from()] + 1]++;
        }
        for (int v = 0; v < nodes; v++) head[v + 1] += head[v];
        int[] edgeLeg = new int[count];
        int[] edgeFrom = new int[count];
        int[] edgeTo = new int[count];
        double[] gain = new double[count];
        for (Leg leg : legs) {
            int[] from = pointNodes.get(leg.from());
            int[] to = pointNodes.get(leg.to());
            for (ChannelMap channel : leg.map()) {
                int e = head[from[channel.from()]]++;
                edgeLeg[e] = leg.index();
                edgeFrom[e] = from[channel.from()];
                edgeTo[e] = to[channel.to()];
                gain[e] = Math.pow(10, channel.gainDb() / 20);
            }
        }
        return new Edges(edgeLeg, edgeFrom, edgeTo, gain, nodes);
    }

    int size() {
        return leg.length;
    }
}
