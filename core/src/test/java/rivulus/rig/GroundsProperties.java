package rivulus.rig;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.LongRange;
import rivulus.file.Templates;
import rivulus.gear.Catalogue;
import rivulus.gear.Leads;
import rivulus.show.Cable;
import rivulus.show.Device;
import rivulus.show.Extras;
import rivulus.show.Ref;
import rivulus.show.Rig;
import rivulus.show.Show;

/// The leads to isolate, for any rig: with them out no ring goes through audio, and no fewer do.
class GroundsProperties {
    private static final Catalogue CATALOGUE = Templates.shipped();
    private static final Leads LEADS = Templates.leads();

    private static Show random(long seed) {
        Random random = new Random(seed);
        List<Device> devices = new ArrayList<>();
        List<String> kinds =
                List.of("tower", "small-mixer", "hall-console", "laptop", "two-mic-desk");
        int count = 3 + random.nextInt(5);
        for (int d = 0; d < count; d++) {
            devices.add(
                    Device.of("d" + d, "Machine " + d, kinds.get(random.nextInt(kinds.size())))
                            .poweredBy(random.nextInt(4) == 0 ? "none" : ""));
        }
        Show empty = Show.untitled().withRig(Rig.of(devices, List.of()));
        Show show = empty;
        for (int c = 0; c < 2 * count; c++) {
            Device from = devices.get(random.nextInt(count));
            Device to = devices.get(random.nextInt(count));
            if (from == to) continue;
            List<Joining> ways = new Joiner(show, CATALOGUE, LEADS).ways(from, to, 1);
            if (!ways.isEmpty() && ways.getFirst().boxes().isEmpty())
                show = ways.getFirst().after();
        }
        return show;
    }

    private static final class Rings {
        private final Map<String, String> parent = new HashMap<>();

        private String root(String at) {
            String up = parent.getOrDefault(at, at);
            return up.equals(at) ? at : root(up);
        }

        /// Whether the two were apart.
        boolean join(String a, String b) {
            if (root(a).equals(root(b))) return false;
            parent.put(root(a), root(b));
            return true;
        }
    }

    @Property(tries = 60)
    void withTheNamedLeadsOutNoRingIsLeftAndEachOfThemIsNeeded(
            @ForAll @LongRange(max = 100_000) long seed) {
        Show show = random(seed);
        LeadReader reader = new LeadReader(show, CATALOGUE, LEADS);
        List<LeadReport> leads = reader.all();
        Set<String> out = new HashSet<>();
        for (Grounds.Loop loop : Grounds.loops(show, reader, leads))
            out.add(loop.lead().cable().id());

        Rings rings = new Rings();
        for (Device device : show.rig().devices()) {
            var power = reader.template(device).power();
            if (power.earthed() && power.when(device.power()).equals("mains"))
                rings.join(device.id(), "earth");
        }
        for (LeadReport lead : leads)
            if (lead.passages().isEmpty() && lead.joins())
                rings.join(lead.a().device().id(), lead.b().device().id());
        int closing = 0;
        for (LeadReport lead : leads) {
            if (lead.passages().isEmpty() || !lead.joins()) continue;
            boolean opened = rings.join(lead.a().device().id(), lead.b().device().id());
            if (!opened) closing++;
        }
        assertThat(out).as("as many as close rings, in whatever order").hasSize(closing);

        Rings without = new Rings();
        for (LeadReport lead : leads) {
            if (lead.passages().isEmpty() || !lead.joins()) continue;
            if (!out.contains(lead.cable().id()))
                assertThat(without.join(lead.a().device().id(), lead.b().device().id()))
                        .as("no ring of kept audio leads")
                        .isTrue();
        }
    }

    @Property(tries = 40)
    void aLeadIsReadTheSameEitherWayRound(@ForAll @LongRange(max = 100_000) long seed) {
        Show show = random(seed);
        LeadReader reader = new LeadReader(show, CATALOGUE, LEADS);
        for (Cable cable : show.rig().cables()) {
            Cable turned =
                    new Cable(
                            cable.id(),
                            cable.to(),
                            cable.from(),
                            cable.metres(),
                            cable.toBuy(),
                            Extras.NONE);
            LeadReport there = reader.read(cable);
            LeadReport back = reader.read(turned);
            assertThat(back.kind()).isEqualTo(there.kind());
            assertThat(back.joins()).isEqualTo(there.joins());
            assertThat(back.faults()).extracting(Fault::rule).isEqualTo(rules(there));
        }
    }

    private static List<String> rules(LeadReport report) {
        return report.faults().stream().map(Fault::rule).toList();
    }

    @Property(tries = 30)
    void everyWayThatIsOfferedUsesFreePortsAndIsSound(@ForAll @LongRange(max = 100_000) long seed) {
        Show show = random(seed);
        Set<Ref> taken = new HashSet<>();
        for (Cable cable : show.rig().cables()) {
            taken.add(cable.from());
            taken.add(cable.to());
        }
        Device from = show.rig().devices().getFirst();
        Device to = show.rig().devices().getLast();
        for (Joining way : new Joiner(show, CATALOGUE, LEADS).ways(from, to, 3)) {
            assertThat(way.leads()).allMatch(LeadReport::isSound);
            assertThat(taken).doesNotContain(way.leads().getFirst().a().ref());
            assertThat(taken).doesNotContain(way.leads().getLast().b().ref());
            assertThat(way.after().rig().cables())
                    .hasSize(show.rig().cables().size() + way.leads().size());
        }
    }
}
