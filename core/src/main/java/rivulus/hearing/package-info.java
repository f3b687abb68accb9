/// What reaches an ear: how loud, how late, how often and by which way; what goes round and how
/// near it is to howling; and for what is missing, the nearest way and where it breaks.
///
/// The exact response is H(ω) = C (I − A(ω))⁻¹ B. Everything here reads a
/// [rivulus.signal.LiveGraph]; nothing here knows what anybody wishes.
package rivulus.hearing;
