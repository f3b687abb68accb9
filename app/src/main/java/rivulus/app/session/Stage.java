package rivulus.app.session;

/// The stages of the work, in the order people go through them.
public enum Stage {
    /// Who must hear whom.
    BRIEF("Brief"),
    /// The gear, and how its knobs stand.
    RIG("Rig"),
    /// What reaches each ear.
    MIXES("Mixes");

    private final String title;

    Stage(String title) {
        this.title = title;
    }

    /// Its name in the top bar.
    public String title() {
        return title;
    }
}
