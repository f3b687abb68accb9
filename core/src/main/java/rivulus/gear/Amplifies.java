package rivulus.gear;

import rivulus.disk.Worded;

/// What a gain knob does to what comes in by a lead, and how it is marked.
///
/// @param fromDb the gain at the bottom of its travel, in dB; with it the input clips at the most
///     that its port takes
/// @param toDb the gain at the top, in dB
/// @param marks how it is marked
public record Amplifies(double fromDb, double toDb, Marks marks) {
    /// What stands around a gain knob.
    public enum Marks implements Worded {
        /// Decibels, or a display of them.
        DB,
        /// 0 to 10.
        TEN,
        /// Nothing that could be read: turned until the meter stands in its green zone.
        GREEN
    }

    /// Where a gain stands in the travel, from 0 at the bottom to 1 at the top; an even taper is
    /// assumed ~.
    public double travel(double gainDb) {
        return Math.clamp((gainDb - fromDb) / (toDb - fromDb), 0, 1);
    }
}
