/// What to change, least of all, to make a finding go away: knob turns that were tried on the graph
/// and shown to cure it without causing another.
package rivulus.remedy;
