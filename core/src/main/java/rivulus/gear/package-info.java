/// What a piece of gear is: its template, as data.
///
/// A [rivulus.gear.Template] has ports, inner points, routes between points, and knobs that govern
/// routes. A console, a microphone, a computer's sound system, a call program, a room and a person
/// are all templates. New gear is a new file in `resources/rivulus/templates`, never new code.
///
/// This package knows nothing of shows, graphs or files.
package rivulus.gear;
