/// The least turns of knobs that do what must be done: what must be done is told clause by clause,
/// as counter-examples bring it to light, and a pseudo-Boolean solver finds the cheapest.
package rivulus.least;
