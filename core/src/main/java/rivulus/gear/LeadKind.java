package rivulus.gear;

/// A lead that is sold or soldered as one piece, or an adapter that a plug goes into.
///
/// @param a the connector that one end goes into, as templates name it
/// @param b the other; either way round
/// @param balanced whether it can carry a balanced signal
/// @param conducts whether it joins the grounds of what it joins; light, network and radio do not
/// @param longestM how long it may be, a rule of thumb (REFERENCE)
/// @param cost weighs ways against each other; 1 is an everyday lead, 0 is nothing to carry
/// @param adapts the body of the plug that goes into `a`, for an adapter; empty for a lead
public record LeadKind(
        String name,
        String a,
        String b,
        boolean balanced,
        boolean conducts,
        double longestM,
        int cost,
        String adapts) {
    /// A plug on its own cord, straight into a socket: no lead at all.
    static LeadKind ownPlug(Port plug, boolean balanced) {
        String name = plug.connector().startsWith("USB") ? "its own USB plug" : "its own plug";
        return new LeadKind(
                name, plug.connector(), plug.connector(), balanced, true, 10, 0, plug.connector());
    }

    /// Whether it is something to be carried and laid.
    public boolean isThing() {
        return cost > 0;
    }

    /// Whether a plug of one of the machines is all there is.
    public boolean isOwnPlug() {
        return cost == 0 && !adapts.isEmpty();
    }
}
