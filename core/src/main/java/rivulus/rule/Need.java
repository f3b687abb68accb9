package rivulus.rule;

/// What in the sound has to change for a finding to end.
public enum Need {
    /// Something that comes has to come softer, or not at all.
    LESS,
    /// Something has to come, or louder.
    MORE,
    /// Something has to come otherwise than it does: one of its ways, not both.
    ONE_WAY,
    /// One of the rule's ideas has to be so: nothing else ends it.
    IDEAS,
    /// Something has to be otherwise; what, only the rule's ideas say.
    OTHER
}
