package rivulus.least;

import rivulus.gear.Setting;

/// A knob that stands some way.
///
/// @param knob its place in the graph's knobs
public record Stand(int knob, Setting setting) {}
