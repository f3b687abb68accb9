/// What is kept and sent: tracks by machine with the room they take, what goes out and how, whose
/// leave is asked.
package rivulus.keeping;
