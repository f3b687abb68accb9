package rivulus.app.session;

import java.util.List;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import javafx.application.Platform;
import rivulus.plan.Offer;
import rivulus.plan.Pattern;
import rivulus.plan.Planner;
import rivulus.search.Budget;
import rivulus.show.Show;

/// Whole plans for the show as it is, made off the interface thread.
public final class Plannings implements AutoCloseable {
    private final Session session;
    private final Work planning;
    private long steps = Planner.STEPS;

    Plannings(Session session, Consumer<Mishap> mishaps) {
        this.session = session;
        planning =
                new Work(
                        "plan",
                        "planning the show",
                        mishap -> {
                            mishaps.accept(mishap);
                            session.mendOn();
                        });
    }

    boolean isSettled() {
        return planning.isIdle();
    }

    /// Asks for the best plans.
    ///
    /// @param soFar told, on the interface thread, how it goes
    public void ask(Planner.Progress soFar, Consumer<List<Offer>> then) {
        steps = Planner.STEPS;
        search(soFar, then);
    }

    /// Asks again, and searches eight times as far as before.
    public void searchOn(Planner.Progress soFar, Consumer<List<Offer>> then) {
        steps *= Budget.MORE;
        search(soFar, then);
    }

    private void search(Planner.Progress soFar, Consumer<List<Offer>> then) {
        long most = steps;
        Show now = session.show().get();
        session.rest();
        planning.ask(
                stale ->
                        new Planner(session.shelf().prover(), stale, most)
                                .best(now, Pattern.ALL, here(soFar, stale)),
                offers -> {
                    session.mendOn();
                    then.accept(offers);
                });
    }

    private static Planner.Progress here(Planner.Progress soFar, BooleanSupplier stale) {
        return new Planner.Progress() {
            @Override
            public void trying(Pattern pattern) {
                later(() -> soFar.trying(pattern));
            }

            @Override
            public void found(List<Offer> best) {
                later(() -> soFar.found(best));
            }

            private void later(Runnable deed) {
                Platform.runLater(
                        () -> {
                            if (!stale.getAsBoolean()) deed.run();
                        });
            }
        };
    }

    /// Takes a plan: one step of undo.
    public void take(Offer offer) {
        session.edit(offer.edit());
    }

    /// Gives up what is being planned.
    public void stop() {
        if (planning.isIdle()) return;
        planning.forget();
        session.mendOn();
    }

    @Override
    public void close() {
        planning.close();
    }
}
