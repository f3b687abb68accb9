package rivulus.chart;

/// What is laid over the drawing of the rig.
public enum RigLayer {
    /// Which lead goes where.
    LEADS("Leads"),
    /// What feeds what.
    POWER("Power"),
    /// What joins the grounds.
    EARTHS("Earths"),
    /// How late, and by whose clock.
    TIME("Time"),
    /// What every computer is set to.
    COMPUTERS("Computers");

    private final String title;

    RigLayer(String title) {
        this.title = title;
    }

    /// Its name.
    public String title() {
        return title;
    }
}
