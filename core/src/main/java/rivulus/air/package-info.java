/// The evening as it runs: what to press at a change of scene and what that does, what the board
/// says, what was logged.
package rivulus.air;
