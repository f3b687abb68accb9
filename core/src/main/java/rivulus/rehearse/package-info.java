/// The signal graph in the time domain: the same nodes, legs, delays and bands, run on blocks of
/// samples. It must agree with `rivulus.hearing`; the tests hold the two to each other over random
/// rigs.
package rivulus.rehearse;
