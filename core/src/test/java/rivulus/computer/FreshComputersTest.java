package rivulus.computer;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import rivulus.check.Demo;
import rivulus.check.Proof;
import rivulus.check.SceneProof;
import rivulus.file.DemoShows;
import rivulus.gear.Knob;
import rivulus.gear.Setting;
import rivulus.show.Device;
import rivulus.show.Ref;
import rivulus.show.Show;
import rivulus.signal.KnobUse;
import rivulus.signal.Leg;
import rivulus.signal.LiveGraph;

/// Somebody who sets fresh computers by their sheets alone gets the graph that was planned.
class FreshComputersTest {
    static List<String> evenings() {
        return List.copyOf(DemoShows.all().keySet());
    }

    @ParameterizedTest
    @MethodSource("evenings")
    void freshComputersSetByTheirSheetsCarryThePlan(String name) {
        Show plan = Demo.show(name);
        Proof proof = Demo.PROVER.prove(plan);
        for (SceneProof scene : proof.scenes()) {
            Map<Ref, Setting> read = new LinkedHashMap<>();
            Set<String> computers = new HashSet<>();
            for (ComputerReport report : ComputerReport.all(scene, proof.survey())) {
                computers.add(report.computer().id());
                for (ComputerReport.Line line : report.lines())
                    read.put(line.knob().ref(), read(line.knob(), line.setTo()));
            }
            Show fresh = plan;
            for (Device device : plan.rig().devices())
                if (computers.contains(device.id()) || computers.contains(device.on()))
                    for (Ref knob : turned(plan, scene, device)) {
                        KnobUse use = scene.tracer().live().graph().knob(knob).orElseThrow();
                        Setting set = read.getOrDefault(knob, use.knob().standing());
                        fresh = fresh.withKnob(knob, set);
                        fresh =
                                fresh.withScene(
                                        scene.scene().id(),
                                        s ->
                                                s.knobs().containsKey(knob)
                                                        ? s.withKnob(knob, set)
                                                        : s);
                    }
            isAlike(
                    scene.tracer().live(),
                    Demo.PROVER
                            .prove(fresh)
                            .scene(scene.scene().id())
                            .orElseThrow()
                            .tracer()
                            .live());
        }
    }

    private static Set<Ref> turned(Show plan, SceneProof scene, Device device) {
        Set<Ref> turned = new HashSet<>();
        device.knobs().keySet().forEach(knob -> turned.add(new Ref(device.id(), knob)));
        for (Ref knob : scene.scene().knobs().keySet())
            if (knob.device().equals(device.id())) turned.add(knob);
        return turned;
    }

    /// What somebody would set who reads it.
    private static Setting read(KnobUse use, String words) {
        Knob knob = use.knob();
        if (words.equals("off") && knob instanceof Knob.Level) return Setting.Level.OFF;
        String figure = words.replace('\u2212', '-').replaceAll("[^0-9.-].*", "");
        if (knob instanceof Knob.Level) return new Setting.Level(Double.parseDouble(figure));
        if (knob instanceof Knob.Time) return new Setting.Time(Double.parseDouble(figure));
        List<Setting> all = new ArrayList<>(knob.others(knob.standing()));
        all.add(knob.standing());
        List<Setting> meant = all.stream().filter(way -> use.say(way).equals(words)).toList();
        assertThat(meant).as("%s: %s", use.words(), words).hasSize(1);
        return meant.getFirst();
    }

    private static void isAlike(LiveGraph plan, LiveGraph set) {
        for (Leg leg : plan.graph().legs()) {
            Leg other = set.graph().legs().get(leg.index());
            assertThat(set.legGain(other.index()))
                    .as(leg.toString())
                    .isCloseTo(
                            plan.legGain(leg.index()), within(0.006 * plan.legGain(leg.index())));
            assertThat(set.legDelay(other).ms()).isCloseTo(plan.legDelay(leg).ms(), within(0.5));
        }
    }
}
