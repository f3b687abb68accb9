package rivulus.show;

/// Somebody or something that sounds.
public sealed interface Source permits Person, Playback {
    /// Unique among everything that sounds.
    String id();

    /// What people call it.
    String name();

    /// What the brief's defaults go by: a role or a kind of playback, as one word.
    String part();

    /// The source as the object of a sentence about itself: "herself".
    String self();

    /// The source as an object: "her".
    String object();
}
