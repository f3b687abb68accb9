package rivulus.signal;

import rivulus.gear.Knob;
import rivulus.gear.Setting;
import rivulus.show.Ref;
import rivulus.words.Words;

/// One knob of one device in the rig.
public record KnobUse(Ref ref, String device, Knob knob) {
    /// The knob in words: "Show desk · USB 1 call feed".
    public String words() {
        return device + " · " + knob.label();
    }

    /// Whether that is its id on its device, and not one that goes by it.
    boolean isCalled(String id) {
        return ref.name().equals(id);
    }

    /// A setting in the gear's own words.
    public String say(Setting setting) {
        return switch (setting) {
            case Setting.Level level -> level.isOff() ? "off" : Words.figure(level.db(), 1, unit());
            case Setting.Time(double ms) -> Words.ms(ms);
            case Setting.Switch _, Setting.Choice _ -> knob.say(setting);
        };
    }

    private String unit() {
        return knob instanceof Knob.Level level ? level.unit() : "dB";
    }
}
