package rivulus.gear;

/// A lead that is sold or soldered as one piece.
///
/// @param a the connector that one end goes into, as templates name it
/// @param b the other; either way round
/// @param balanced whether it can carry a balanced signal
/// @param conducts whether it joins the grounds of what it joins; light, network and radio do not
/// @param longestM how long it may be, a rule of thumb (REFERENCE)
/// @param cost weighs ways against each other; 1 is an everyday lead
public record LeadKind(
        String name,
        String a,
        String b,
        boolean balanced,
        boolean conducts,
        double longestM,
        int cost) {}
