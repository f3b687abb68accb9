package rivulus.show;

/// What a person does in the show. The brief's defaults go by it.
public enum Role {
    HOST,
    GUEST,
    CALLER,
    INTERPRETER,
    PRODUCER,
    AUDIENCE;

    /// As files and sentences write it: `host`.
    public String word() {
        return name().toLowerCase(java.util.Locale.ROOT);
    }
}
