/// What feeds the gear and what joins its grounds: outlets, strips, USB, batteries, rings of
/// grounds, and how loud they may hum.
///
/// A safety earth is never a choice here: what is earthed stays earthed.
package rivulus.power;
