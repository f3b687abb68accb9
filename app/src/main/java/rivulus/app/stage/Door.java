package rivulus.app.stage;

import java.util.List;
import java.util.function.Function;
import java.util.function.Supplier;

/// The way to a stage, which is built when somebody first turns to it.
///
/// @param <S> the stage behind it
public final class Door<S extends Stage> implements Supplier<S> {
    private final String id;
    private final String title;
    private final Supplier<S> builds;
    private final List<Command> commands;
    private S stage;

    /// @param id by which the session knows the stage: `mixes`
    /// @param title its name in the top bar
    /// @param builds builds the stage
    /// @param commands what can be asked of the stage, for the palette; what is asked goes in by
    ///     this door
    public Door(
            String id,
            String title,
            Supplier<S> builds,
            Function<Supplier<S>, List<Command>> commands) {
        this.id = id;
        this.title = title;
        this.builds = builds;
        this.commands = List.copyOf(commands.apply(this));
    }

    /// By which the session knows the stage.
    public String id() {
        return id;
    }

    /// Its name in the top bar.
    public String title() {
        return title;
    }

    /// What can be asked of it.
    public List<Command> commands() {
        return commands;
    }

    /// The stage.
    @Override
    public S get() {
        if (stage == null) stage = builds.get();
        return stage;
    }
}
