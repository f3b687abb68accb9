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
/// 2^b times a passage over its leads, and a search for a way for each
/// lead on a ring.
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
        private final Survey asItIs;
        private final Map<String, Integer> costs = new HashMap<>();
        private final int batteryCost;
        private List<Device> least = List.of();
        private List<LeadReport> toIsolate = List.of();
        private int cost = Integer.MAX_VALUE;

        Search(Show show, Catalogue catalogue, Leads kinds) {
            this.show = show;
            this.catalogue = catalogue;
            this.kinds = kinds;
            asItIs = Survey.of(show, catalogue, kinds);
            batteryCost =
                    show.habits().says(Habit.HUM, "isolation")
                            ? UNWANTED_BATTERY_COST
                            : BATTERY_COST;
        }

        HumPlan plan() {
            int rings = rings(asItIs);
            if (rings == 0) return new HumPlan(List.of(), 0, 0, 0, "", true, show);
            for (LeadReport lead : Grounds.onRings(asItIs))
                costs.put(
                        lead.cable().id(),
                        isolated(asItIs, lead).map(Joining::cost).orElse(CANNOT));
            List<Device> batteries = batteries(asItIs);
            int tried = Math.min(batteries.size(), MOST_BATTERIES);
            for (int chosen = 0; chosen < 1 << tried; chosen++) weigh(batteries, chosen);
            List<String> steps = new ArrayList<>();
            Show after = take(steps);
            return new HumPlan(
                    steps,
                    cost,
                    rings,
                    rings(Survey.of(after, catalogue, kinds)),
                    steps.size() > 1 ? single(rings, batteries) : "",
                    tried == batteries.size(),
                    after);
        }

        private static int rings(Survey survey) {
            return Grounds.closing(survey, _ -> 0).size();
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
            List<LeadReport> closing = Grounds.closing(run(run), this::costOf);
            int total = run.size() * batteryCost;
            for (LeadReport lead : closing) total += costOf(lead);
            boolean fewer = run.size() + closing.size() < least.size() + toIsolate.size();
            if (total < cost || total == cost && fewer) {
                cost = total;
                least = run;
                toIsolate = closing;
            }
        }

        private Survey run(List<Device> fromBattery) {
            Survey after = asItIs;
            for (Device device : fromBattery)
                after = after.with(device.poweredBy(Power.Source.BATTERY));
            return after;
        }

        /// What it costs to join the two machines of a lead, by the same ports, so that grounds
        /// stay apart; nothing where no ring goes through it. Another port would carry another
        /// sound.
        private int costOf(LeadReport lead) {
            return costs.getOrDefault(lead.cable().id(), 0);
        }

        private Optional<Joining> isolated(Survey of, LeadReport lead) {
            boolean here = lead.passages().getFirst().from().ref().equals(lead.a().ref());
            return Joiner.without(of, lead.cable(), catalogue)
                    .ways(
                            here ? lead.a() : lead.b(),
                            here ? lead.b() : lead.a(),
                            1,
                            Joining::isIsolated)
                    .first();
        }

        private Show take(List<String> steps) {
            Show after = run(least).show();
            for (Device device : least)
                steps.add("Run %s from its battery.".formatted(device.name()));
            for (LeadReport lead : toIsolate) {
                Optional<Joining> way = isolated(Survey.of(after, catalogue, kinds), lead);
                if (way.isEmpty()) continue;
                after = way.get().after();
                steps.add("Join %s, by %s.".formatted(way.get().way(), way.get().needs()));
            }
            return after;
        }

        /// A lead is isolated by itself where its way costs what can be had.
        private String single(int rings, List<Device> batteries) {
            Map<String, Integer> ends = new HashMap<>();
            for (Device device : batteries)
                ends.put(
                        "running %s from its battery".formatted(device.name()),
                        rings - rings(run(List.of(device))));
            for (LeadReport lead : Grounds.closing(asItIs, Grounds::toBreak))
                if (costOf(lead) < CANNOT)
                    ends.put(
                            "isolating %s from %s"
                                    .formatted(lead.a().device().name(), lead.b().device().name()),
                            1);
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
