package rivulus.power;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import rivulus.gear.Catalogue;
import rivulus.gear.Leads;
import rivulus.gear.Power;
import rivulus.leads.Joiner;
import rivulus.leads.Joining;
import rivulus.leads.LeadReport;
import rivulus.leads.Survey;
import rivulus.show.Cable;
import rivulus.show.Device;
import rivulus.show.Habit;
import rivulus.show.Show;

/// What ends every ring of grounds for least cost: leads joined another way that keeps grounds
/// apart (a transformer, light), and machines run from their batteries. A safety earth is never
/// touched.
///
/// Every choice of batteries is tried; for each, the leads to isolate are a least set (see
/// [Grounds]). So the plan is least over all of these, which is what [#isProven] says; with more
/// than [#MOST_BATTERIES] machines that could run from a battery only the first are tried. Cost:
/// 2^b times a survey of the rig.
///
/// @param steps what to do, as orders
/// @param cost what it costs, as ways to join are weighed
/// @param rings how many rings there were
/// @param left how many no step could end
/// @param single the one step that ends most rings by itself, with how many; empty where one step
///     is the whole plan, or none helps
/// @param after the show with every step taken
public record HumPlan(
        List<String> steps,
        int cost,
        int rings,
        int left,
        String single,
        boolean isProven,
        Show after) {
    private static final int MOST_BATTERIES = 8;
    private static final int BATTERY_COST = 1;
    /// Where somebody wants transformers first: more than any of them.
    private static final int UNWANTED_BATTERY_COST = 500;
    private static final int CANNOT = 1000;

    public HumPlan {
        steps = List.copyOf(steps);
    }

    /// The plan for a show whose templates are in the catalogue.
    public static HumPlan of(Show show, Catalogue catalogue, Leads kinds) {
        return new Search(show, catalogue, kinds).plan();
    }

    /// Whether anything has to be done.
    public boolean isNeeded() {
        return rings > 0;
    }

    /// The plan in a sentence.
    public String words() {
        if (rings == 0) return "No ring of grounds goes through an audio lead.";
        if (steps.isEmpty()) return "Nothing at hand ends the rings of grounds in this rig.";
        String many = steps.size() == 1 ? "One step ends" : steps.size() + " steps end";
        String all =
                left == 0
                        ? "%s %s%s"
                                .formatted(
                                        many,
                                        count(rings),
                                        isProven ? "; nothing that costs less does" : "")
                        : "%s %d of %s".formatted(many, rings - left, count(rings));
        return all + (single.isEmpty() ? "." : "; " + single + ".");
    }

    private static String count(int rings) {
        return rings == 1 ? "the ring of grounds" : "all " + rings + " rings of grounds";
    }

    /// The search for it.
    private static final class Search {
        private final Show show;
        private final Catalogue catalogue;
        private final Leads kinds;
        private final Map<String, Integer> costs = new HashMap<>();
        private final int batteryCost;
        private List<Device> least = List.of();
        private List<Ring> toIsolate = List.of();
        private int cost = Integer.MAX_VALUE;

        Search(Show show, Catalogue catalogue, Leads kinds) {
            this.show = show;
            this.catalogue = catalogue;
            this.kinds = kinds;
            batteryCost =
                    show.habits().says(Habit.HUM, "isolation")
                            ? UNWANTED_BATTERY_COST
                            : BATTERY_COST;
        }

        HumPlan plan() {
            Survey survey = survey(show);
            List<Ring> rings = Grounds.rings(survey);
            if (rings.isEmpty()) return new HumPlan(List.of(), 0, 0, 0, "", true, show);
            List<Device> batteries = batteries(survey);
            int tried = Math.min(batteries.size(), MOST_BATTERIES);
            for (int chosen = 0; chosen < 1 << tried; chosen++) weigh(batteries, chosen);
            List<String> steps = new ArrayList<>();
            Show after = take(steps);
            int left = Grounds.rings(survey(after)).size();
            return new HumPlan(
                    steps,
                    cost,
                    rings.size(),
                    left,
                    steps.size() > 1 ? single(survey, rings, batteries) : "",
                    tried == batteries.size(),
                    after);
        }

        private Survey survey(Show of) {
            return Survey.of(of, catalogue, kinds);
        }

        /// Machines that are earthed and could run from a battery that lasts.
        private static List<Device> batteries(Survey survey) {
            List<Device> all = new ArrayList<>();
            for (Device device : survey.devices()) {
                Power power = survey.template(device).power();
                boolean could =
                        power.from().contains(Power.Source.BATTERY) && power.batteryWh() > 0;
                if (could
                        && Grounds.isEarthed(survey, device)
                        && !BatteryLife.ifRunFrom(survey, device).dies()) all.add(device);
            }
            return all;
        }

        private void weigh(List<Device> batteries, int chosen) {
            List<Device> run = new ArrayList<>();
            for (int b = 0; b < batteries.size(); b++)
                if ((chosen >> b & 1) == 1) run.add(batteries.get(b));
            List<Ring> rings = Grounds.rings(survey(run(run)), this::costOf);
            int total = run.size() * batteryCost;
            for (Ring ring : rings) total += costOf(ring.lead());
            boolean fewer = run.size() + rings.size() < least.size() + toIsolate.size();
            if (total < cost || total == cost && fewer) {
                cost = total;
                least = run;
                toIsolate = rings;
            }
        }

        private Show run(List<Device> fromBattery) {
            Show after = show;
            for (Device device : fromBattery)
                after = after.withRig(after.rig().with(device.poweredBy(Power.Source.BATTERY)));
            return after;
        }

        /// What it costs to join the two machines of a lead, by the same ports, so that grounds
        /// stay apart. Another port would carry another sound.
        private int costOf(LeadReport lead) {
            return costs.computeIfAbsent(
                    lead.cable().id(), _ -> isolated(show, lead).map(Joining::cost).orElse(CANNOT));
        }

        private Optional<Joining> isolated(Show of, LeadReport lead) {
            Cable cable = lead.cable();
            boolean here = lead.passages().getFirst().from().ref().equals(lead.a().ref());
            Show without = of.withRig(of.rig().without(cable));
            return new Joiner(without, catalogue, kinds)
                    .ways(
                            here ? lead.a() : lead.b(),
                            here ? lead.b() : lead.a(),
                            1,
                            Joining::isIsolated)
                    .first();
        }

        private Show take(List<String> steps) {
            Show after = run(least);
            for (Device device : least)
                steps.add("Run %s from its battery.".formatted(device.name()));
            for (Ring ring : toIsolate) {
                Optional<Joining> way = isolated(after, ring.lead());
                if (way.isEmpty()) continue;
                after = way.get().after();
                steps.add("Join %s, by %s.".formatted(way.get().way(), way.get().needs()));
            }
            return after;
        }

        private String single(Survey survey, List<Ring> rings, List<Device> batteries) {
            Map<String, Integer> ends = new HashMap<>();
            for (Device device : batteries)
                ends.put(
                        "running %s from its battery".formatted(device.name()),
                        rings.size() - Grounds.rings(survey(run(List.of(device)))).size());
            for (Ring ring : rings)
                isolated(show, ring.lead())
                        .ifPresent(
                                way ->
                                        ends.put(
                                                "isolating %s from %s"
                                                        .formatted(
                                                                ring.lead().a().device().name(),
                                                                ring.lead().b().device().name()),
                                                rings.size()
                                                        - Grounds.rings(survey(way.after()))
                                                                .size()));
            return ends.entrySet().stream()
                    .filter(step -> step.getValue() > 0)
                    .max(
                            Map.Entry.<String, Integer>comparingByValue()
                                    .thenComparing(
                                            Map.Entry.comparingByKey(Comparator.reverseOrder())))
                    .map(step -> "by itself %s ends %d".formatted(step.getKey(), step.getValue()))
                    .orElse("");
        }
    }
}
