/// What a recording says against the plan: which of its tracks is whom, what was measured beside
/// what was foretold, and what to turn.
///
/// Measuring is `rivulus.sound`, which knows nothing of shows; what was foretold is the proof's.
package rivulus.recording;
