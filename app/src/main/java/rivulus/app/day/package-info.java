/// The stage *Show day*: set-up, soundcheck, what is broken, on air, and the log.
package rivulus.app.day;
