package rivulus.level;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import rivulus.gear.Block;
import rivulus.gear.Processor;
import rivulus.gear.Processor.Kind;
import rivulus.gear.Processor.Part;
import rivulus.gear.Setting;
import rivulus.hearing.Way;
import rivulus.leads.Survey;
import rivulus.show.Show;
import rivulus.signal.KnobUse;
import rivulus.signal.Leg;
import rivulus.signal.LiveGraph;

/// A processor on a leg, on or off, with its knobs as they stand in one state.
public record Placed(LiveGraph live, Leg leg, Processor processor) {
    /// Every processor along a way, in the order in which they stand.
    public static List<Placed> along(Way way, LiveGraph live) {
        List<Placed> all = new ArrayList<>();
        for (Leg leg : way.legs())
            for (Processor processor : leg.processing().ordered(live.positions()))
                all.add(new Placed(live, leg, processor));
        return all;
    }

    /// What it does.
    public Kind kind() {
        return processor.kind();
    }

    /// Whether it is on.
    public boolean isOn() {
        return stands(processor.id()).equals(new Setting.Switch(true));
    }

    /// Its figures as they stand.
    public Block block() {
        return leg.processing().block(processor, live.positions()::get);
    }

    /// The switch that turns it on.
    public KnobUse onOff() {
        return use(processor.id());
    }

    /// What turns one of its figures; empty where that is fixed.
    public Optional<KnobUse> turns(Part part) {
        String knob = processor.knob(part);
        return knob.isEmpty() ? Optional.empty() : Optional.of(use(knob));
    }

    /// The choice of the order that it stands in; empty where there is none.
    public Optional<KnobUse> order() {
        String knob = leg.processing().chain().orderKnob();
        return knob.isEmpty() ? Optional.empty() : Optional.of(use(knob));
    }

    /// Whether it is a program's, and not one of a machine before it.
    public boolean isOfAProgram(Show show) {
        return show.rig().device(leg.from().device()).filter(Survey::isProgram).isPresent();
    }

    /// In words: "Show desk · MIC 1 gate".
    public String words() {
        return onOff().words();
    }

    /// How one of its knobs stands.
    public Setting stands(KnobUse knob) {
        return stands(knob.ref().name());
    }

    private Setting stands(String knob) {
        return live.positions().get(leg.processing().place(knob));
    }

    private KnobUse use(String knob) {
        return live.graph().knobs().get(leg.processing().place(knob));
    }
}
