package rivulus.search;

import java.util.function.BooleanSupplier;

/// How much a search may do: counted in steps of work and never in time, so that whoever asks
/// twice, on any machine, loaded or not, is told the same.
///
/// A step is one conflict of the solver, which takes some tenths of a millisecond; what else a
/// search does is told in steps by whoever does it. A part of a budget is spent with the whole.
/// Somebody may stop a search at any time; what it then comes to is no answer, only what there is
/// so far. To be used by one thread.
public final class Budget {
    /// What the search for one cure may cost: on a quiet machine most take less than a tenth of
    /// it, and the whole of it takes some seconds.
    public static final long USUAL = 128_000;

    /// By how much a search that is gone on with may cost more than the one before.
    public static final long MORE = 8;

    private final Budget whole;
    private final BooleanSupplier stopped;
    private long left;
    private long spent;

    private Budget(long steps, Budget whole, BooleanSupplier stopped) {
        left = Math.max(0, steps);
        this.whole = whole;
        this.stopped = stopped;
    }

    /// So many steps, which nobody stops.
    public static Budget of(long steps) {
        return new Budget(steps, null, () -> false);
    }

    /// What one cure is worth.
    public static Budget usual() {
        return of(USUAL);
    }

    /// The same steps, until somebody stops them.
    public Budget stoppedBy(BooleanSupplier stop) {
        return new Budget(left(), this, stop);
    }

    /// No more than so many of the steps that are left.
    public Budget part(long steps) {
        return new Budget(Math.min(steps, left()), this, () -> false);
    }

    /// Counts what was done.
    public void spend(long steps) {
        left = Math.max(0, left - steps);
        spent += steps;
        if (whole != null) whole.spend(steps);
    }

    /// How many steps may still be done; 0 once somebody stopped it.
    public long left() {
        if (stopped.getAsBoolean()) return 0;
        return whole == null ? left : Math.min(left, whole.left());
    }

    /// How many steps have been done.
    public long spent() {
        return spent;
    }

    /// Whether nothing further may be done.
    public boolean isOver() {
        return left() == 0;
    }

    /// Whether somebody stopped it, whatever is left.
    public boolean isStopped() {
        return stopped.getAsBoolean() || whole != null && whole.isStopped();
    }
}
