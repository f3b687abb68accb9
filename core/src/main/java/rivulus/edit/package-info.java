/// Changes of a show, of whatever part, that leave a sound document: an [rivulus.edit.Edit] has a
/// name for undo, what is lost by it, and what is chosen afterwards.
package rivulus.edit;
