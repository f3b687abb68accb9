package rivulus.leads;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import rivulus.file.Templates;
import rivulus.gear.Catalogue;
import rivulus.gear.Leads;
import rivulus.gear.Power;
import rivulus.show.Device;
import rivulus.show.Rig;
import rivulus.show.Show;

/// A few earthed and unearthed machines, joined as they can be.
public final class RandomGear {
    /// The shipped templates.
    public static final Catalogue CATALOGUE = Templates.shipped();

    /// The shipped leads.
    public static final Leads LEADS = Templates.leads();

    private static final List<String> KINDS =
            List.of("tower", "small-mixer", "hall-console", "laptop", "two-mic-desk");

    private RandomGear() {}

    /// A rig that depends on nothing but the seed.
    ///
    /// @param most how many machines at most, 3 or more
    public static Show show(long seed, int most) {
        Random random = new Random(seed);
        List<Device> devices = new ArrayList<>();
        int count = 3 + random.nextInt(most - 2);
        for (int d = 0; d < count; d++) {
            devices.add(
                    Device.of("d" + d, "Machine " + d, KINDS.get(random.nextInt(KINDS.size())))
                            .poweredBy(
                                    random.nextInt(4) == 0
                                            ? Optional.of(Power.Source.NONE)
                                            : Optional.empty()));
        }
        Show show = Show.untitled().withRig(Rig.of(devices, List.of()));
        for (int c = 0; c < 2 * count; c++) {
            Device from = devices.get(random.nextInt(count));
            Device to = devices.get(random.nextInt(count));
            if (from == to) continue;
            List<Joining> ways = new Joiner(show, CATALOGUE, LEADS).ways(from, to, 1).all();
            if (!ways.isEmpty() && ways.getFirst().boxes().isEmpty())
                show = ways.getFirst().after();
        }
        return show;
    }

    /// Surveys one.
    public static Survey survey(Show show) {
        return Survey.of(show, CATALOGUE, LEADS);
    }
}
