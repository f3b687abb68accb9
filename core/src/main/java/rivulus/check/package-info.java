/// What is wrong: what every ear hears against what the brief wishes, in every scene, as findings
/// with evidence.
///
/// Each rule is one [rivulus.check.Check]. [rivulus.check.Prover] runs them all and gives a
/// [rivulus.check.Proof]. Cures are the business of `rivulus.cure`.
package rivulus.check;
