package rivulus.signal;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import rivulus.gear.Block;
import rivulus.gear.Setting;
import rivulus.show.Ref;
import rivulus.show.Scene;
import rivulus.show.Show;

/// How every knob of a graph stands at one moment.
public final class Positions {
    private final Setting[] settings;

    private Positions(Setting[] settings) {
        this.settings = settings;
    }

    /// How the knobs stand in a scene of a show. Settings that a knob cannot take are left as they
    /// came: they open nothing. What the right side of a linked pair was set to on its own counts
    /// for nothing, but pressing its key in a scene presses the one that it goes by.
    public static Positions of(SignalGraph graph, Show show, Scene scene) {
        return of(graph, show).in(graph, show, scene);
    }

    /// How the knobs stand where no scene says otherwise.
    public static Positions of(SignalGraph graph, Show show) {
        List<KnobUse> knobs = graph.knobs();
        Setting[] settings = new Setting[knobs.size()];
        for (int k = 0; k < settings.length; k++) settings[k] = knobs.get(k).knob().standing();
        show.rig()
                .devices()
                .forEach(
                        device ->
                                device.knobs()
                                        .forEach(
                                                (name, setting) -> {
                                                    int k = graph.knobIndex(device.id(), name);
                                                    if (k >= 0 && knobs.get(k).isCalled(name))
                                                        settings[k] = setting;
                                                }));
        return new Positions(settings);
    }

    /// The same with what a scene has set of its own.
    public Positions in(SignalGraph graph, Show show, Scene scene) {
        List<KnobUse> knobs = graph.knobs();
        Setting[] settings = this.settings.clone();
        Map<Ref, Setting> own = show.own(scene);
        own.forEach(
                (ref, setting) -> {
                    int k = graph.knobIndex(ref.device(), ref.name());
                    if (k < 0) return;
                    Ref leads = knobs.get(k).ref();
                    if (leads.equals(ref) || !own.containsKey(leads)) settings[k] = setting;
                });
        return new Positions(settings);
    }

    /// How that knob stands.
    public Setting get(int knob) {
        return settings[knob];
    }

    /// Whether a knob stands so.
    boolean stands(int knob, Setting so) {
        return settings[knob] == so || settings[knob].equals(so);
    }

    /// The same with one knob turned.
    public Positions with(int knob, Setting setting) {
        Setting[] turned = settings.clone();
        turned[knob] = setting;
        return new Positions(turned);
    }

    /// The processors on a leg that are on, in their order and as they stand.
    public List<Block> blocks(Leg leg) {
        return leg.processing().standing(this);
    }

    /// The decibels that the governors add to a leg; negative infinity where one closes it.
    public double governedDb(Leg leg) {
        double db = 0;
        for (Leg.Govern govern : leg.governors()) {
            db += govern.governor().gainDb(settings[govern.knob()]);
            if (db == Double.NEGATIVE_INFINITY) return db;
        }
        return db;
    }

    /// The gain of a leg in dB, with its governors, and with its processors as they act on a voice
    /// at nominal; negative infinity where it is closed.
    public double legDb(Leg leg) {
        return leg.gainDb() + governedDb(leg) + Processing.nominalDb(blocks(leg));
    }

    /// The milliseconds that the governors of a leg add, and the look-ahead of its processors.
    public double governedMs(Leg leg) {
        double ms = 0;
        for (Leg.Govern govern : leg.governors())
            ms += govern.governor().delayMs(settings[govern.knob()]);
        for (Block block : blocks(leg)) ms += block.ms();
        return ms;
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Positions positions && Arrays.equals(settings, positions.settings);
    }

    @Override
    public int hashCode() {
        return Arrays.hashCode(settings);
    }
}
