package rivulus.gear;

import java.util.ArrayList;
import java.util.List;

/// One channel of a route: from which channel to which, counted from 0, and at what gain in dB.
public record ChannelMap(int from, int to, double gainDb) {
    /// Each of two channels folded to one is halved, so that equal channels keep their level: 20
    /// log10 ½.
    public static final double FOLD_DB = 20 * Math.log10(0.5);

    /// What happens when nothing is said: channel by channel where the counts agree; mono goes to
    /// every channel at its own level; several fold to one with 1/n each; else channel by channel
    /// as far as both reach.
    public static List<ChannelMap> usual(int from, int to) {
        List<ChannelMap> map = new ArrayList<>();
        if (from == 1) {
            for (int c = 0; c < to; c++) map.add(new ChannelMap(0, c, 0));
        } else if (to == 1) {
            double share = from == 2 ? FOLD_DB : -20 * Math.log10(from);
            for (int c = 0; c < from; c++) map.add(new ChannelMap(c, 0, share));
        } else {
            for (int c = 0; c < Math.min(from, to); c++) map.add(new ChannelMap(c, c, 0));
        }
        return map;
    }
}
