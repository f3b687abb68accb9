package rivulus.app.session;

import java.util.function.Function;

/// Something that is drawn up of a picture, off the interface thread, and only while it is seen.
///
/// @param <P> what is drawn
public interface View<P> {
    /// Whether anybody would see it now.
    boolean isSeen();

    /// How it is drawn as the view stands now: its size, what is chosen in it. Asked on the
    /// interface thread; the answer works elsewhere.
    Function<Picture, P> drawing();

    /// Shows what was drawn.
    void show(P drawn);

    /// Shows nothing: another show opens.
    void clear();
}
