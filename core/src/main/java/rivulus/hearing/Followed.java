package rivulus.hearing;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import rivulus.signal.Bands;
import rivulus.signal.Grid;
import rivulus.signal.Response;

/// One source followed through a live graph: every channel of it, to every ear.
///
/// Levels are worked out at once; arrivals and spectra when a hearing is first asked for them.
final class Followed {
    private static final double ARRIVAL_RANGE_DB = 50;
    private static final long SAME_NS = 50_000;

    private final String source;
    private final List<Channel> channels;
    private final Feedback feedback;
    private final Bands bands;

    private Followed(String source, List<Channel> channels, Feedback feedback, Bands bands) {
        this.source = source;
        this.channels = channels;
        this.feedback = feedback;
        this.bands = bands;
    }

    static Followed of(String source, int[] nodes, Flow flow, Feedback feedback, Bands bands) {
        List<Channel> channels = new ArrayList<>();
        for (int node : nodes) channels.add(new Channel(flow.fromSource(node), feedback));
        return new Followed(source, channels, feedback, bands);
    }

    /// One channel of a source; what stands at the cuts is worked out when first asked for.
    private static final class Channel {
        private final Flow.Field field;
        private final Feedback feedback;
        private final boolean goesRound;
        private Response[] settled;
        private Feedback.Rounds rounds;

        Channel(Flow.Field field, Feedback feedback) {
            this.field = field;
            this.feedback = feedback;
            boolean any = false;
            for (Taps taps : field.intoCut()) any |= !taps.isEmpty();
            goesRound = any;
        }

        synchronized Response[] settled() {
            if (settled == null) settled = feedback.settled(field.intoCut());
            return settled;
        }

        synchronized Feedback.Rounds rounds() {
            if (rounds == null) rounds = feedback.rounds(field.intoCut());
            return rounds;
        }
    }

    /// What an ear hears of this source.
    Hearing at(String ear, Listened.At at) {
        int width = at.channels().length;
        List<Pair> pairs = new ArrayList<>();
        double power = 0;
        for (Channel channel : channels) {
            Pair last = null;
            for (int c = 0; c < width; c++) {
                int[] nodes = at.channels()[c];
                boolean round = comesRound(channel, nodes);
                if (!round && isSilent(channel, nodes)) continue;
                boolean[] open = at.open()[c];
                if (last != null && sameAt(channel, last, nodes, open)) last.weight += 1.0 / width;
                else pairs.add(last = new Pair(channel, nodes, open, round, 1.0 / width));
            }
        }
        for (Pair pair : pairs) power += pair.weight * power(pair);
        if (pairs.isEmpty()) return Hearing.silent(ear, source);
        return new Hearing(
                ear, source, 10 * Math.log10(power), () -> arrivals(pairs), () -> powers(pairs));
    }

    /// One channel of a source into one channel of an ear, or into several that are alike.
    private static final class Pair {
        private final Channel channel;
        private final int[] nodes;
        private final boolean[] open;
        private final boolean round;
        private double weight;

        Pair(Channel channel, int[] nodes, boolean[] open, boolean round, double weight) {
            this.channel = channel;
            this.nodes = nodes;
            this.open = open;
            this.round = round;
            this.weight = weight;
        }
    }

    private boolean comesRound(Channel channel, int[] nodes) {
        if (!channel.goesRound) return false;
        for (int node : nodes) if (feedback.reaches(node)) return true;
        return false;
    }

    private static boolean isSilent(Channel channel, int[] nodes) {
        for (int node : nodes) if (!channel.field.atEar()[node].isEmpty()) return false;
        return true;
    }

    private boolean sameAt(Channel channel, Pair last, int[] nodes, boolean[] open) {
        if (nodes.length != last.nodes.length || !Arrays.equals(open, last.open)) return false;
        Taps[] field = channel.field.atEar();
        for (int i = 0; i < nodes.length; i++) {
            if (!field[nodes[i]].isLike(field[last.nodes[i]])) return false;
            if (!feedback.isAlike(nodes[i], last.nodes[i])) return false;
        }
        return true;
    }

    private double power(Pair pair) {
        Taps direct = direct(pair);
        if (!pair.round && direct.size() == 1)
            return direct.gain[0] * direct.gain[0] * bands.power(direct.band[0]);
        return response(pair, direct).power();
    }

    private static Taps direct(Pair pair) {
        Taps direct = Taps.NONE;
        for (int node : pair.nodes) direct = direct.plus(pair.channel.field.atEar()[node]);
        return direct;
    }

    private Response response(Pair pair, Taps direct) {
        Response response = Sum.response(direct, bands);
        if (pair.round) {
            for (int node : pair.nodes) feedback.addAtEar(response, pair.channel.settled(), node);
        }
        return response;
    }

    private double[] powers(List<Pair> pairs) {
        double[] powers = new double[Grid.SIZE];
        for (Pair pair : pairs) {
            Response response = response(pair, direct(pair));
            for (int i = 0; i < powers.length; i++) powers[i] += pair.weight * response.power(i);
        }
        return powers;
    }

    // Arrivals

    /// Taps of one time at an ear, as power.
    private record Drop(long ns, double power) {}

    private List<Arrival> arrivals(List<Pair> pairs) {
        List<Arrival> arrivals = new ArrayList<>();
        for (boolean air : new boolean[] {false, true}) {
            List<Drop> plain = new ArrayList<>();
            List<Drop> ringing = new ArrayList<>();
            for (Pair pair : pairs) collect(pair, air, plain, ringing);
            merge(plain, air, false, arrivals);
            merge(ringing, air, true, arrivals);
        }
        double loudest = Hearing.SILENCE_DB + ARRIVAL_RANGE_DB;
        for (Arrival arrival : arrivals) loudest = Math.max(loudest, arrival.levelDb());
        double floor = loudest - ARRIVAL_RANGE_DB;
        arrivals.removeIf(arrival -> arrival.levelDb() < floor);
        arrivals.sort(Comparator.comparingDouble(Arrival::ms));
        return List.copyOf(arrivals);
    }

    private void collect(Pair pair, boolean air, List<Drop> plain, List<Drop> ringing) {
        Taps straight = Taps.NONE;
        Taps rung = Taps.NONE;
        for (int i = 0; i < pair.nodes.length; i++) {
            if (pair.open[i] != air) continue;
            int node = pair.nodes[i];
            straight = straight.plus(pair.channel.field.atEar()[node]);
            if (!pair.round) continue;
            straight = straight.plus(feedback.atEar(pair.channel.rounds().plain(), node));
            rung = rung.plus(feedback.atEar(pair.channel.rounds().ringing(), node));
        }
        collect(straight, pair.weight, plain);
        collect(rung, pair.weight, ringing);
    }

    /// Taps of one time in one channel are one drop, in phase.
    private void collect(Taps taps, double weight, List<Drop> drops) {
        for (int from = 0, to; from < taps.size(); from = to) {
            to = from + 1;
            while (to < taps.size() && taps.ns[to] - taps.ns[from] <= Taps.SAME_NS) to++;
            double power =
                    to == from + 1
                            ? taps.gain[from] * taps.gain[from] * bands.power(taps.band[from])
                            : Sum.response(taps.between(from, to), bands).power();
            drops.add(new Drop(taps.ns[from], power * weight));
        }
    }

    /// Drops within 0.05 ms are one arrival; those of the channels add as power.
    private static void merge(List<Drop> drops, boolean air, boolean rings, List<Arrival> into) {
        drops.sort(Comparator.comparingLong(Drop::ns));
        for (int from = 0, to; from < drops.size(); from = to) {
            double power = 0;
            double moment = 0;
            for (to = from;
                    to < drops.size() && drops.get(to).ns() - drops.get(from).ns() <= SAME_NS;
                    to++) {
                power += drops.get(to).power();
                moment += drops.get(to).power() * drops.get(to).ns();
            }
            into.add(new Arrival(moment / power * 1e-6, 10 * Math.log10(power), air, rings));
        }
    }
}
