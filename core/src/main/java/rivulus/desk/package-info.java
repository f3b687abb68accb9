/// Desks under the hand: the channels of a machine and what comes into each, where their faders
/// sit, what their mutes silence, how they are best laid out, and names that fit.
package rivulus.desk;
