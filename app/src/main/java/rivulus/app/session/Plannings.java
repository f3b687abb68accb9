package rivulus.app.session;

import java.util.List;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import javafx.application.Platform;
import rivulus.plan.Offer;
import rivulus.plan.Pattern;
import rivulus.plan.Planner;
import rivulus.show.Show;

/// Whole plans for the show as it is, made off the interface thread.
public final class Plannings implements AutoCloseable {
    private final Session session;
    private final Work planning;

    Plannings(Session session, Consumer<Mishap> mishaps) {
        this.session = session;
        planning = new Work("plan", "planning the show", mishaps);
    }

    boolean isSettled() {
        return planning.isIdle();
    }

    /// Asks for the best plans.
    ///
    /// @param soFar told the name of each pattern before it is tried
    public void ask(Consumer<String> soFar, Consumer<List<Offer>> then) {
        Show now = session.show().get();
        planning.ask(stale -> planned(now, soFar, stale), then);
    }

    private List<Offer> planned(Show now, Consumer<String> soFar, BooleanSupplier stale) {
        Consumer<String> told =
                name ->
                        Platform.runLater(
                                () -> {
                                    if (!stale.getAsBoolean()) soFar.accept(name);
                                });
        return new Planner(session.shelf().prover(), stale).best(now, Pattern.ALL, told);
    }

    /// Takes a plan: one step of undo.
    public void take(Offer offer) {
        session.edit(offer.edit());
    }

    /// Gives up what is being planned.
    public void stop() {
        planning.forget();
    }

    @Override
    public void close() {
        planning.close();
    }
}
