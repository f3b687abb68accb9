/// What hands must do so that a rig stands as planned, in the order in which it is done, and how
/// far they are. Knows nothing of what may be broken.
package rivulus.setup;
