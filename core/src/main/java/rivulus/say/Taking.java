package rivulus.say;

import java.util.HashSet;
import java.util.Set;
import rivulus.gear.Catalogue;
import rivulus.show.Show;

/// Lines taken into a show one after the other.
final class Taking {
    private final Catalogue catalogue;
    private final Set<String> noWays = new HashSet<>();
    private Show show;

    Taking(Show show, Catalogue catalogue) {
        this.show = show;
        this.catalogue = catalogue;
    }

    /// The show with what was taken.
    Show show() {
        return show;
    }

    /// Takes what is clear, and tells what it takes besides, or what cannot be.
    Said take(Said said) {
        if (!said.isClear()) return said;
        Saying.Taken taken = new Saying(show, catalogue, noWays).add(said);
        Said tried = said.tried(taken);
        if (tried.isClear()) show = taken.after();
        return tried;
    }
}
