package rivulus.say;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import rivulus.file.Templates;
import rivulus.gear.Catalogue;
import rivulus.show.Device;
import rivulus.show.Show;

/// Gear that was said, put into a show.
class FittingTest {
    private static final Catalogue CATALOGUE = Templates.shipped();

    /// A page of many pieces that cannot be joined took twenty seconds: each pair was sought again.
    @Test
    void whatCannotBeJoinedIsSoughtOnceForMachinesThatAreAlikeAndToldAFewTimes() {
        Taking taking = new Taking(Show.untitled(), CATALOGUE);
        Said gear = Page.of("40 headphones", taking.show(), CATALOGUE).lines().getFirst();
        taking.take(gear);
        List<String> all = taking.show().rig().devices().stream().map(Device::id).toList();
        assertThat(all).hasSize(40);

        Set<String> noWays = new HashSet<>();
        List<String> lacking = new ArrayList<>();
        Show after =
                new Fitting(taking.show(), CATALOGUE, noWays)
                        .joined(
                                new Meaning.Joins(all.subList(0, 20), all.subList(20, 40)),
                                new ArrayList<>(),
                                lacking);
        assertThat(after).isEqualTo(taking.show());
        assertThat(noWays).hasSize(1);
        assertThat(lacking).hasSize(3).allMatch(words -> words.startsWith("there is no way from"));
    }
}
