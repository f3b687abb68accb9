package rivulus.setup;

/// The parts of a set-up, in the order in which they are done: what could hurt ears or gear comes
/// first as "down" and last as "up".
public enum Part {
    QUIET("Levels down, loudspeakers off"),
    PLACE("Place and power"),
    LEADS("Leads"),
    MICROPHONES("Microphones"),
    COMPUTERS("Computers"),
    KNOBS("Desks and boxes"),
    GOING("Stream and record"),
    LOUD("Loudspeakers, last");

    private final String title;

    Part(String title) {
        this.title = title;
    }

    /// As a heading: "Place and power".
    public String title() {
        return title;
    }
}
