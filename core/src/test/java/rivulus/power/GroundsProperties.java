package rivulus.power;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import net.jqwik.api.Assume;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.LongRange;
import rivulus.gear.Power;
import rivulus.leads.Joiner;
import rivulus.leads.LeadReport;
import rivulus.leads.RandomGear;
import rivulus.leads.Survey;
import rivulus.show.Device;
import rivulus.show.Show;

/// The leads to isolate, for any rig: with them out no ring goes through audio, and no fewer do.
/// The plan against hum: no set of steps that costs less ends every ring.
class GroundsProperties {
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
        Survey survey = RandomGear.survey(RandomGear.show(seed, 7));
        List<LeadReport> leads = survey.leads();
        Set<String> out = new HashSet<>();
        for (Ring ring : Grounds.rings(survey)) out.add(ring.lead().cable().id());

        Rings rings = new Rings();
        for (Device device : survey.devices())
            if (Grounds.isEarthed(survey, device)) rings.join(device.id(), "earth");
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

    /// What it costs to part the grounds of a lead by the ports it has, as the plan weighs it.
    private static int costOf(Show show, LeadReport lead) {
        var from = lead.passages().getFirst().from();
        var to = lead.passages().getFirst().to();
        return new Joiner(
                        show.withRig(show.rig().without(lead.cable())),
                        RandomGear.CATALOGUE,
                        RandomGear.LEADS)
                        .ways(
                                from.device(),
                                to.device(),
                                1,
                                way ->
                                        way.isIsolated()
                                                && way.leads()
                                                        .getFirst()
                                                        .a()
                                                        .ref()
                                                        .equals(from.ref())
                                                && way.leads().getLast().b().ref().equals(to.ref()))
                        .stream()
                        .mapToInt(way -> way.cost())
                        .findFirst()
                        .orElse(1000);
    }

    @Property(tries = 25)
    void noCheaperChoiceOfLeadsAndBatteriesEndsEveryRing(
            @ForAll @LongRange(max = 100_000) long seed) {
        Show show = RandomGear.show(seed, 4);
        HumPlan plan = HumPlan.of(show, RandomGear.CATALOGUE, RandomGear.LEADS);
        List<Device> laptops =
                show.rig().devices().stream()
                        .filter(d -> d.template().equals("laptop") && d.power().isEmpty())
                        .toList();
        List<LeadReport> audio =
                RandomGear.survey(show).leads().stream()
                        .filter(lead -> !lead.passages().isEmpty() && lead.joins())
                        .toList();
        Assume.that(audio.size() <= 9);
        List<Integer> costs = audio.stream().map(lead -> costOf(show, lead)).toList();
        int least = plan.isNeeded() ? Integer.MAX_VALUE : 0;
        for (int run = 0; plan.isNeeded() && run < 1 << laptops.size(); run++) {
            Show powered = show;
            for (int l = 0; l < laptops.size(); l++)
                if ((run >> l & 1) == 1)
                    powered =
                            powered.withRig(
                                    powered.rig()
                                            .with(laptops.get(l).poweredBy(Power.Source.BATTERY)));
            for (int cut = 0; cut < 1 << audio.size(); cut++) {
                int cost = Integer.bitCount(run);
                Show without = powered;
                for (int c = 0; c < audio.size(); c++) {
                    if ((cut >> c & 1) == 0) continue;
                    cost += costs.get(c);
                    without = without.withRig(without.rig().without(audio.get(c).cable()));
                }
                if (cost < least && Grounds.rings(RandomGear.survey(without)).isEmpty())
                    least = cost;
            }
        }
        assertThat(plan.cost()).isEqualTo(least);
        assertThat(plan.isProven()).isTrue();
        if (least < 1000) assertThat(plan.left()).isZero();
    }
}
