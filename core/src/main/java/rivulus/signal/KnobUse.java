package rivulus.signal;

import rivulus.gear.Knob;
import rivulus.gear.Setting;
import rivulus.show.Ref;

/// One knob of one device in the rig.
public record KnobUse(Ref ref, String device, Knob knob) {
    /// The knob in words: "Show desk · USB 1 chat feed".
    public String words() {
        return device + " · " + knob.label();
    }

    /// A setting in the gear's own words.
    public String say(Setting setting) {
        if (setting instanceof Setting.Level level) {
            return level.isOff() ? "off" : rivulus.words.Words.db(level.db());
        }
        return knob.say(setting);
    }
}
