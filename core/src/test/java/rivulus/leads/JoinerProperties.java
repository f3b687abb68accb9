package rivulus.leads;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.LongRange;
import rivulus.disk.Extras;
import rivulus.show.Cable;
import rivulus.show.Device;
import rivulus.show.Ref;
import rivulus.show.Show;

/// Leads and ways to join, for any rig.
class JoinerProperties {
    @Property(tries = 40)
    void aLeadIsReadTheSameEitherWayRound(@ForAll @LongRange(max = 100_000) long seed) {
        Show show = RandomGear.show(seed, 7);
        LeadReader reader = new LeadReader(show, RandomGear.CATALOGUE, RandomGear.LEADS);
        for (Cable cable : show.rig().cables()) {
            Cable turned =
                    new Cable(
                            cable.id(),
                            cable.to(),
                            cable.from(),
                            cable.metres(),
                            cable.toBuy(),
                            Optional.empty(),
                            Extras.NONE);
            LeadReport there = reader.read(cable);
            LeadReport back = reader.read(turned);
            assertThat(back.kind()).isEqualTo(there.kind());
            assertThat(back.joins()).isEqualTo(there.joins());
            assertThat(back.faults())
                    .extracting(fault -> fault.kind().word())
                    .isEqualTo(rules(there));
        }
    }

    private static List<String> rules(LeadReport report) {
        return report.faults().stream().map(fault -> fault.kind().word()).toList();
    }

    @Property(tries = 30)
    void everyWayThatIsOfferedUsesFreePortsAndIsSound(@ForAll @LongRange(max = 100_000) long seed) {
        Show show = RandomGear.show(seed, 7);
        Set<Ref> taken = new HashSet<>();
        for (Cable cable : show.rig().cables()) {
            taken.add(cable.from());
            taken.add(cable.to());
        }
        Device from = show.rig().devices().getFirst();
        Device to = show.rig().devices().getLast();
        for (Joining way :
                new Joiner(show, RandomGear.CATALOGUE, RandomGear.LEADS).ways(from, to, 3).all()) {
            assertThat(way.leads()).allMatch(LeadReport::isSoundOnceSwitched);
            assertThat(taken).doesNotContain(way.leads().getFirst().a().ref());
            assertThat(taken).doesNotContain(way.leads().getLast().b().ref());
            assertThat(way.after().rig().cables())
                    .hasSize(show.rig().cables().size() + way.leads().size());
        }
    }
}
