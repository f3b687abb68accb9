/// The rig proven before anything is bought or plugged: leads, levels, earths and power.
package rivulus.rig;
