/// What each computer and its programs are set to: which endpoint every pick comes to, what is on
/// air from it, and what an update or a replug would undo.
package rivulus.computer;
