/// How late things are and by whose clock they run: delay budgets, buffer sizes, sample rates and
/// clocks along digital leads, sound against picture.
package rivulus.timing;
