package rivulus.show;

import rivulus.disk.Extras;

/// Leads or boxes that are in the cupboard.
///
/// @param what the kind of lead, or the id of a template
/// @param metres how long they are; 0 for boxes, and where nobody has said
/// @param pieces how many there are, 1 or more
public record Owned(String what, double metres, int pieces, Extras extras) {}
