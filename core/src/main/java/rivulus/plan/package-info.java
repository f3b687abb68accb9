/// Whole plans from a brief: patterns ([rivulus.plan.Pattern], data) say which machines there are
/// and how every kind of source and ear is served, as the lines one would write; the
/// [rivulus.plan.Planner] carries them out, turns the knobs and proves what comes of it.
package rivulus.plan;
