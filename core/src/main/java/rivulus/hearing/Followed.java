package rivulus.hearing;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import rivulus.signal.Bands;
import rivulus.signal.Grid;
import rivulus.signal.Response;

/// One source followed through a live graph: every channel of it, to every ear.
///
/// Levels are worked out at once; arrivals and spectra when a hearing is first asked for them.
final class Followed {
    private static final double ARRIVAL_RANGE_DB = 50;
    private static final long SAME_NS = 50_000;

    /// A gain under which rounds that were left out do not matter.
    private static final double DIED_AWAY = 0.01;

    private final String source;
    private final List<Channel> channels;
    private final Feedback feedback;
    private final Bands bands;

    /// What has been worked out so far: ears that hear alike share it.
    private final Map<List<Part>, Mixture> mixtures = new HashMap<>();

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
        private final List<Sound> sounds = new ArrayList<>();
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

    /// One channel of a source at some nodes of an ear; the same object wherever it is alike.
    ///
    /// @param open for each node, whether it is an open ear
    /// @param round whether it gets there by way of a cut, too
    private record Sound(
            Channel channel, int[] nodes, boolean[] open, boolean round, double power) {
        @Override
        public boolean equals(Object other) {
            return this == other;
        }

        @Override
        public int hashCode() {
            return System.identityHashCode(this);
        }
    }

    /// A sound with the share of it that counts.
    private record Part(Sound sound, double weight, long lanes) {}

    /// Sounds together, as an ear hears them.
    private final class Mixture {
        private final List<Part> parts;
        private final double levelDb;
        private List<Arrival> arrivals;

        Mixture(List<Part> parts) {
            this.parts = parts;
            double power = 0;
            for (Part part : parts) power += part.weight() * part.sound().power();
            levelDb = 10 * Math.log10(power);
        }

        synchronized List<Arrival> arrivals() {
            if (arrivals == null) arrivals = Followed.this.arrivals(parts);
            return arrivals;
        }
    }

    /// What an ear hears of this source.
    Hearing at(String ear, Listened.At at) {
        int width = at.channels().length;
        List<Part> parts = new ArrayList<>();
        for (int s = 0; s < channels.size(); s++) {
            Channel channel = channels.get(s);
            Part last = null;
            for (int c = 0; c < width; c++) {
                int[] nodes = at.channels()[c];
                boolean round = comesRound(channel, nodes);
                if (!round && isSilent(channel, nodes)) continue;
                Sound sound = sound(channel, nodes, at.open()[c], round);
                boolean more = last != null && last.sound() == sound;
                if (more) parts.removeLast();
                last =
                        new Part(
                                sound,
                                (more ? last.weight() : 0) + 1.0 / width,
                                (more ? last.lanes() : 0) | Arrival.lane(s, c));
                parts.add(last);
            }
        }
        if (parts.isEmpty()) return Hearing.silent(ear, source);
        Mixture mixture = mixtures.computeIfAbsent(parts, Mixture::new);
        return new Hearing(ear, source, mixture.levelDb, mixture::arrivals, () -> powers(parts));
    }

    private Sound sound(Channel channel, int[] nodes, boolean[] open, boolean round) {
        for (Sound known : channel.sounds)
            if (known.round() == round && isAlike(known, nodes, open)) return known;
        Sound sound = new Sound(channel, nodes, open, round, power(channel, nodes, round));
        channel.sounds.add(sound);
        return sound;
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

    private boolean isAlike(Sound known, int[] nodes, boolean[] open) {
        if (nodes.length != known.nodes().length || !Arrays.equals(open, known.open()))
            return false;
        Taps[] field = known.channel().field.atEar();
        for (int i = 0; i < nodes.length; i++) {
            int other = known.nodes()[i];
            if (nodes[i] == other) continue;
            if (!field[nodes[i]].isLike(field[other])) return false;
            if (known.round() && !feedback.isAlike(nodes[i], other)) return false;
        }
        return true;
    }

    private double power(Channel channel, int[] nodes, boolean round) {
        Taps direct = direct(channel, nodes);
        if (!round) return Sum.power(direct, bands);
        Taps followed = direct.plus(round(channel, nodes));
        double power = Sum.power(followed, bands);
        if (channel.rounds().left() < DIED_AWAY) return power;
        // what rings on is summed on the grid, and only that
        double all = response(channel, nodes, true, direct).power();
        return Math.max(0, power + all - Sum.response(followed, bands).power());
    }

    /// What comes by way of a cut.
    private Taps round(Channel channel, int[] nodes) {
        Taps round = Taps.NONE;
        Feedback.Rounds rounds = channel.rounds();
        for (int node : nodes)
            round =
                    round.plus(feedback.atEar(rounds.plain(), node))
                            .plus(feedback.atEar(rounds.ringing(), node));
        return round;
    }

    private static Taps direct(Channel channel, int[] nodes) {
        Taps direct = Taps.NONE;
        for (int node : nodes) direct = direct.plus(channel.field.atEar()[node]);
        return direct;
    }

    private Response response(Channel channel, int[] nodes, boolean round, Taps direct) {
        Response response = Sum.response(direct, bands);
        if (round) {
            for (int node : nodes) feedback.addAtEar(response, channel.settled(), node);
        }
        return response;
    }

    private double[] powers(List<Part> parts) {
        double[] powers = new double[Grid.SIZE];
        for (Part part : parts) {
            Sound sound = part.sound();
            Taps direct = direct(sound.channel(), sound.nodes());
            Response response = response(sound.channel(), sound.nodes(), sound.round(), direct);
            for (int i = 0; i < powers.length; i++) powers[i] += part.weight() * response.power(i);
        }
        return powers;
    }

    // Arrivals

    /// Taps of one time at an ear, as power.
    private record Drop(long ns, double power, long lanes) {}

    private List<Arrival> arrivals(List<Part> parts) {
        List<Arrival> arrivals = new ArrayList<>();
        for (boolean air : new boolean[] {false, true}) {
            List<Drop> plain = new ArrayList<>();
            List<Drop> ringing = new ArrayList<>();
            for (Part part : parts) collect(part, air, plain, ringing);
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

    private void collect(Part part, boolean air, List<Drop> plain, List<Drop> ringing) {
        Sound sound = part.sound();
        Channel channel = sound.channel();
        Taps straight = Taps.NONE;
        Taps rung = Taps.NONE;
        for (int i = 0; i < sound.nodes().length; i++) {
            if (sound.open()[i] != air) continue;
            int node = sound.nodes()[i];
            straight = straight.plus(channel.field.atEar()[node]);
            if (!sound.round()) continue;
            straight = straight.plus(feedback.atEar(channel.rounds().plain(), node));
            rung = rung.plus(feedback.atEar(channel.rounds().ringing(), node));
        }
        collect(straight, part, plain);
        collect(rung, part, ringing);
    }

    /// Taps of one time in one channel are one drop, in phase.
    private void collect(Taps taps, Part part, List<Drop> drops) {
        for (int from = 0, to; from < taps.size(); from = to) {
            to = from + 1;
            while (to < taps.size() && taps.ns[to] - taps.ns[from] <= Taps.SAME_NS) to++;
            double power = Sum.power(taps.between(from, to), bands);
            drops.add(new Drop(taps.ns[from], power * part.weight(), part.lanes()));
        }
    }

    /// Drops within 0.05 ms are one arrival; those of the channels add as power.
    private static void merge(List<Drop> drops, boolean air, boolean rings, List<Arrival> into) {
        drops.sort(Comparator.comparingLong(Drop::ns));
        for (int from = 0, to; from < drops.size(); from = to) {
            double power = 0;
            double moment = 0;
            long lanes = 0;
            for (to = from;
                    to < drops.size() && drops.get(to).ns() - drops.get(from).ns() <= SAME_NS;
                    to++) {
                power += drops.get(to).power();
                moment += drops.get(to).power() * drops.get(to).ns();
                lanes |= drops.get(to).lanes();
            }
            into.add(new Arrival(moment / power * 1e-6, 10 * Math.log10(power), air, rings, lanes));
        }
    }
}
