/// Where in a rig something can begin to sound and where something can listen, what would be heard
/// there, and where a listener belongs that listens nowhere yet.
package rivulus.listening;
