package rivulus.gear;

import java.util.List;
import java.util.Optional;
import rivulus.disk.Worded;

/// Something on a device that a hand or a mouse can turn.
public sealed interface Knob {
    /// What a knob is for, where a rule must know.
    enum Role implements Worded {
        /// Nothing that a rule must know.
        NONE,
        MUTE,
        FADER,
        GAIN,
        SEND,
        FEED,
        TAP,
        LEVEL,
        /// A program's choice of device: pickers have it.
        DEVICE,
        DELAY,
        RATE,
        CLOCK,
        BUFFER,
        /// A switch by which a computer lets a program hear at all.
        PERMISSION,
        PICTURE,
        /// Which track of several something goes on: it is put there, not out of the way.
        TRACK,
        /// Where it stands between left and right: moved to be heard there, not to fall silent.
        PAN,
        /// How the machine is: no hand turns it.
        FACT,
        PROFILE,
        REMOTE;

        @Override
        public String word() {
            return this == NONE ? "" : Worded.super.word();
        }
    }

    /// Unique in its template.
    String id();

    /// What stands beside it on the gear.
    String label();

    /// What it is for, where a rule must know.
    Role role();

    /// How hard a turn is while people wait, from 1 (a send) to 9 (leaving the chair).
    int effort();

    /// How it stands when nobody has touched it.
    Setting standing();

    /// The settings worth trying when looking for a cure, without the present one.
    List<Setting> others(Setting present);

    /// Whether the knob can stand like that.
    boolean takes(Setting setting);

    /// How the gear words a setting, where it has words of its own.
    default String say(Setting setting) {
        return setting.word();
    }

    /// The settings in words, for messages: "off, or −60 to 10 dB".
    String range();

    /// A fader, a gain or a send: decibels against nominal.
    ///
    /// @param minDb lowest setting that still passes sound
    /// @param maxDb highest setting
    /// @param stepDb smallest turn
    /// @param closes whether the bottom is off
    /// @param unit what it is told in: `dB`, or `dBFS` and `dBu` where it is a level of its own
    /// @param amplifies what it does to a signal that comes in by a lead, where it is a
    ///     preamplifier
    record Level(
            String id,
            String label,
            Role role,
            int effort,
            double minDb,
            double maxDb,
            double stepDb,
            boolean closes,
            String unit,
            Optional<Amplifies> amplifies,
            Setting standing)
            implements Knob {
        /// The setting that is nearest to a level, by its steps and within its range.
        public Setting.Level nearest(double db) {
            return new Setting.Level(Math.clamp(Math.rint(db / stepDb) * stepDb, minDb, maxDb));
        }

        @Override
        public List<Setting> others(Setting present) {
            boolean off = present instanceof Setting.Level level && level.isOff();
            if (off) return List.of(new Setting.Level(Math.clamp(0, minDb, maxDb)));
            Setting least = closes ? Setting.Level.OFF : new Setting.Level(minDb);
            return least.equals(present) ? List.of() : List.of(least);
        }

        @Override
        public boolean takes(Setting setting) {
            return setting instanceof Setting.Level(double db)
                    && (db == Double.NEGATIVE_INFINITY ? closes : db >= minDb && db <= maxDb);
        }

        @Override
        public String range() {
            return "%s%s to %s %s"
                    .formatted(closes ? "off, or " : "", plain(minDb), plain(maxDb), unit);
        }

        private static String plain(double db) {
            return new Setting.Level(db).word();
        }
    }

    /// A switch or a mute.
    record Switch(String id, String label, Role role, int effort, Setting standing)
            implements Knob {
        @Override
        public List<Setting> others(Setting present) {
            return List.of(new Setting.Switch(!new Setting.Switch(true).equals(present)));
        }

        @Override
        public boolean takes(Setting setting) {
            return setting instanceof Setting.Switch;
        }

        @Override
        public String range() {
            return "on (true) or off (false)";
        }
    }

    /// A delay that can be dialled in.
    ///
    /// @param minMs shortest
    /// @param maxMs longest
    /// @param stepMs smallest turn
    record Time(
            String id,
            String label,
            Role role,
            int effort,
            double minMs,
            double maxMs,
            double stepMs,
            Setting standing)
            implements Knob {
        /// The setting that is nearest to a time, by its steps and within its range.
        public Setting.Time nearest(double ms) {
            return new Setting.Time(Math.clamp(Math.rint(ms / stepMs) * stepMs, minMs, maxMs));
        }

        @Override
        public List<Setting> others(Setting present) {
            Setting least = new Setting.Time(minMs);
            return least.equals(present) ? List.of() : List.of(least);
        }

        @Override
        public boolean takes(Setting setting) {
            return setting instanceof Setting.Time(double ms) && ms >= minMs && ms <= maxMs;
        }

        @Override
        public String range() {
            return "%s to %s ms"
                    .formatted(new Setting.Time(minMs).word(), new Setting.Time(maxMs).word());
        }
    }

    /// One out of several: a feed, a tap, a program's device.
    ///
    /// @param gone where it stands at something that cannot be chosen any more, such as a device
    ///     that is not joined: that, in words
    record Choice(
            String id,
            String label,
            Role role,
            int effort,
            List<Option> options,
            Setting standing,
            Optional<Option> gone)
            implements Knob {
        public Choice {
            options = List.copyOf(options);
        }

        /// A choice that stands at one of its positions.
        public Choice(
                String id,
                String label,
                Role role,
                int effort,
                List<Option> options,
                Setting standing) {
            this(id, label, role, effort, options, standing, Optional.empty());
        }

        @Override
        public List<Setting> others(Setting present) {
            return options.stream()
                    .<Setting>map(option -> new Setting.Choice(option.id()))
                    .filter(setting -> !setting.equals(present))
                    .toList();
        }

        @Override
        public boolean takes(Setting setting) {
            return setting instanceof Setting.Choice(String option) && find(option).isPresent();
        }

        /// The option of that id.
        public Optional<Option> find(String option) {
            return options.stream().filter(o -> o.id().equals(option)).findFirst();
        }

        @Override
        public String say(Setting setting) {
            return find(setting.word())
                    .or(() -> gone.filter(option -> option.id().equals(setting.word())))
                    .map(Option::label)
                    .orElse(setting.word());
        }

        @Override
        public String range() {
            return String.join(", ", options.stream().map(Option::id).toList());
        }
    }

    /// One of a choice's positions.
    record Option(String id, String label) {}
}
