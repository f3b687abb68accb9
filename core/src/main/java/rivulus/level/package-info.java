/// How loud: where line-up lies at every point of a rig, in dB SPL, dBu or dBFS, what clips there
/// and what hisses there, and what becomes of a source step by step on its way to an ear.
///
/// It adds nothing to what is heard: relative levels come from the signal graph, levels in leads
/// from `rivulus.leads`, and this package only says what they are in the gear's own units. See
/// [rivulus.gear.Speech] for the one scale that holds everywhere.
package rivulus.level;
