package rivulus.file;

import java.util.Set;
import rivulus.disk.Entry;
import rivulus.disk.FileTrouble;
import rivulus.gear.Delay;
import rivulus.gear.Knob;
import rivulus.gear.Picker;
import rivulus.gear.Setting;
import rivulus.gear.Template;

/// Reads how a knob stands: a number of dB or "off", true or false, or the name of an option.
final class SettingReader {
    private SettingReader() {}

    static Setting level(Entry entry) throws FileTrouble {
        if (entry.isText() && entry.text().equals("off")) return Setting.Level.OFF;
        if (!entry.isNumber())
            throw entry.trouble(
                    "a number of dB or \"off\" was expected, not %s", entry.json().kind());
        return new Setting.Level(entry.number(-200, 200));
    }

    static Setting time(Entry entry) throws FileTrouble {
        return new Setting.Time(entry.number(0, Delay.LONGEST_MS));
    }

    /// Reads a setting for that knob of a device; a picker takes any endpoint, since gear may be
    /// unplugged for now.
    static Setting read(Entry entry, Template template, String knobId) throws FileTrouble {
        if (template.picker(knobId).isPresent()) return picked(entry);
        Knob knob = template.knob(knobId).orElse(null);
        if (knob == null) {
            var known = new java.util.ArrayList<>(template.knobs().stream().map(Knob::id).toList());
            template.pickers().forEach(p -> known.add(p.id()));
            throw entry.unknown(
                    "knob on the " + template.name().toLowerCase(java.util.Locale.ROOT),
                    knobId,
                    known);
        }
        Setting setting =
                switch (knob) {
                    case Knob.Level _ -> level(entry);
                    case Knob.Time _ -> time(entry);
                    case Knob.Switch _ -> new Setting.Switch(entry.truth());
                    case Knob.Choice _ -> new Setting.Choice(entry.text());
                };
        if (!knob.takes(setting)) {
            throw entry.trouble(
                    "\"%s\" cannot stand at %s; it takes %s",
                    knob.label(), setting.word(), knob.range());
        }
        return setting;
    }

    private static Setting picked(Entry entry) throws FileTrouble {
        String option = entry.text();
        boolean word = Set.of(Picker.DEFAULT, Picker.COMMUNICATIONS, Picker.NONE).contains(option);
        int slash = option.indexOf('/');
        if (!word && (slash < 1 || slash == option.length() - 1)) {
            throw entry.trouble(
                    "\"%s\" should be \"default\", \"communications\", \"none\" or an endpoint written device/endpoint",
                    option);
        }
        return new Setting.Choice(option);
    }
}
