package rivulus.app.session;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.beans.property.SimpleStringProperty;
import javafx.beans.property.StringProperty;
import javafx.collections.FXCollections;
import javafx.collections.ObservableList;
import rivulus.leads.Joiner;
import rivulus.leads.Joining;
import rivulus.rig.RigEdits;
import rivulus.show.Device;
import rivulus.show.Show;

/// How the chosen device could be joined to another, searched off the interface thread; and which
/// of its leads is looked at.
public final class Joinings implements AutoCloseable {
    private static final int WAYS_OFFERED = 3;

    private final Session session;
    private final Work joining;
    private final StringProperty joinTo = new SimpleStringProperty("");
    private final StringProperty lead = new SimpleStringProperty("");
    private final ObservableList<Joining> joinings = FXCollections.observableArrayList();
    private Show joinedOn = Show.untitled();

    Joinings(Session session, Consumer<Mishap> mishaps) {
        this.session = session;
        joining = new Work("join", "searching for leads", mishaps);
        joinTo.addListener((_, _, _) -> find());
        session.device()
                .addListener(
                        (_, _, device) -> {
                            joinTo.set("");
                            if (!touches(device)) lead.set("");
                        });
        lead.addListener((_, _, _) -> session.redraw());
    }

    boolean isSettled() {
        return joining.isIdle();
    }

    /// The device that the chosen one is to be joined to, or empty.
    public StringProperty to() {
        return joinTo;
    }

    /// The lead that is looked at, one of the chosen device; or empty.
    public StringProperty lead() {
        return lead;
    }

    private boolean touches(String device) {
        return session.show().get().rig().cables().stream()
                .anyMatch(cable -> cable.id().equals(lead.get()) && cable.touches(device));
    }

    /// The best ways to join the chosen device to the other, as soon as they are found.
    public ObservableList<Joining> ways() {
        return joinings;
    }

    /// Takes a way to join two machines.
    public void take(Joining way) {
        Show on = joinedOn;
        joinTo.set("");
        session.edit(new RigEdits(on, session.shelf().prover().catalogue()).join(way));
    }

    /// Searches again: the show, or what is to be joined, has changed.
    void find() {
        joinings.clear();
        Show now = session.show().get();
        Optional<Device> from = now.rig().device(session.device().get());
        Optional<Device> to = now.rig().device(joinTo.get());
        if (from.isEmpty() || to.isEmpty()) return;
        joining.ask(
                _ -> waysBetween(now, from.get(), to.get()),
                found -> {
                    joinedOn = now;
                    joinings.setAll(found);
                });
    }

    /// The best ways from one to the other, then those the other way round.
    private List<Joining> waysBetween(Show now, Device one, Device other) {
        Joiner joiner =
                new Joiner(
                        now,
                        session.shelf().prover().catalogue(),
                        session.shelf().prover().leads());
        List<Joining> ways = new ArrayList<>(joiner.ways(one, other, WAYS_OFFERED).all());
        ways.addAll(joiner.ways(other, one, WAYS_OFFERED).all());
        return ways;
    }

    @Override
    public void close() {
        joining.close();
    }
}
