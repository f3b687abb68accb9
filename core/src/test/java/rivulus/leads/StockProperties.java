package rivulus.leads;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;
import rivulus.check.Demo;
import rivulus.check.RigText;
import rivulus.file.Templates;
import rivulus.show.Show;

/// What the cupboard gives: as many leads of the plan as can be served at all.
class StockProperties {
    @Property(tries = 200)
    void asFewNeedsAsCanBeAreLeftUnmet(
            @ForAll @Size(min = 1, max = 6) List<@IntRange(max = 6) Integer> owned,
            @ForAll @Size(min = 1, max = 6) List<@IntRange(max = 6) Integer> needs) {
        StringBuilder text = new StringBuilder("d digital-console\n");
        for (int metres : owned) text.append("own 1 XLR lead %d\n".formatted(metres));
        for (int n = 0; n < needs.size(); n++)
            text.append(
                    "m%d dynamic-mic\nm%d/out d/ch%d %d\n".formatted(n, n, n + 1, needs.get(n)));
        Show show = RigText.show(text.toString());
        var leads = new LeadReader(show, Demo.PROVER.catalogue(), Templates.leads()).all();
        assertThat(Stock.of(show, leads).shortOf())
                .hasSize(needs.size() - mostServed(owned, needs));
    }

    /// The largest matching of needs with leads that reach, by augmenting paths.
    private static int mostServed(List<Integer> owned, List<Integer> needs) {
        int[] servedBy = new int[owned.size()];
        Arrays.fill(servedBy, -1);
        int served = 0;
        for (int need = 0; need < needs.size(); need++)
            if (serve(need, owned, needs, servedBy, new boolean[owned.size()])) served++;
        return served;
    }

    private static boolean serve(
            int need, List<Integer> owned, List<Integer> needs, int[] servedBy, boolean[] tried) {
        for (int lead = 0; lead < owned.size(); lead++) {
            int length = owned.get(lead);
            int wanted = needs.get(need);
            boolean reaches = length == 0 || wanted == 0 || length >= wanted;
            if (!reaches || tried[lead]) continue;
            tried[lead] = true;
            boolean free =
                    servedBy[lead] < 0 || serve(servedBy[lead], owned, needs, servedBy, tried);
            if (!free) continue;
            servedBy[lead] = need;
            return true;
        }
        return false;
    }
}
