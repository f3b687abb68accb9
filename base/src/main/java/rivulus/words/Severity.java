package rivulus.words;

/// How bad a finding is, worst first.
public enum Severity {
    /// Can hurt people or gear.
    DANGER,
    /// The show would not be as wished.
    PROBLEM,
    /// Could be better, or is close to going wrong.
    CAUTION,
    /// Good to know.
    NOTE;

    /// As outputs and sentences write it: `problem`.
    public String word() {
        return name().toLowerCase(java.util.Locale.ROOT);
    }

    /// Whether it spoils the show.
    public boolean isSerious() {
        return this == DANGER || this == PROBLEM;
    }
}
