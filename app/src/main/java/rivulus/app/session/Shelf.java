package rivulus.app.session;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import rivulus.check.Prover;
import rivulus.disk.FileTrouble;
import rivulus.file.Library;
import rivulus.gear.Catalogue;
import rivulus.gear.Leads;
import rivulus.gear.Template;
import rivulus.show.OwnTemplate;
import rivulus.show.Show;

/// Every kind of gear there is: shipped, in the user's library, and kept with the show; and the
/// provers that know them. The library is read and written away from the interface thread.
public final class Shelf implements AutoCloseable {
    private final Work shelving;
    private final Prover shipped;
    private final Consumer<String> told;
    private final ReadOnlyObjectWrapper<Library> library;
    private final ReadOnlyObjectWrapper<Catalogue> catalogue;
    private volatile Prover prover;
    private Show show = Show.untitled();

    /// @param told told in a sentence what was done
    /// @param mishaps told what failed
    Shelf(Prover shipped, Path folder, Consumer<String> told, Consumer<Mishap> mishaps) {
        shelving = new Work("shelve", "reading the library of gear", mishaps);
        this.shipped = shipped;
        this.told = told;
        prover = shipped;
        library = new ReadOnlyObjectWrapper<>(new Library(folder, List.of(), List.of()));
        catalogue = new ReadOnlyObjectWrapper<>(shipped.catalogue());
        shelving.each(_ -> Library.in(folder), this::take);
    }

    /// Whether nothing but what ships is on it.
    boolean isAsShipped() {
        return prover.catalogue() == shipped.catalogue();
    }

    /// The prover in use.
    public Prover prover() {
        return prover;
    }

    /// The kinds of gear that everybody has.
    Catalogue shipped() {
        return shipped.catalogue();
    }

    /// The kinds of lead there are.
    public Leads leads() {
        return prover.leads();
    }

    /// Every kind of gear there is.
    public ReadOnlyObjectProperty<Catalogue> catalogue() {
        return catalogue.getReadOnlyProperty();
    }

    /// The user's own kinds of gear.
    public ReadOnlyObjectProperty<Library> library() {
        return library.getReadOnlyProperty();
    }

    /// A show is open, with kinds of its own.
    void shows(Show now) {
        show = now;
        catalogue.set(now.kinds(prover.catalogue()));
    }

    private void take(Library now) {
        library.set(now);
        List<Template> own = now.kinds().stream().map(OwnTemplate::template).toList();
        prover = shipped.with(shipped.catalogue().with(own));
        shows(show);
        if (!now.troubles().isEmpty()) told.accept("In the library: " + now.troubles().getFirst());
    }

    /// Puts a kind of gear into the library.
    ///
    /// @param failed told where it cannot be written
    public void keep(OwnTemplate own, Consumer<FileTrouble> failed) {
        Library now = library.get();
        change(() -> now.with(own), "Kept in the library: " + own.template().name(), failed);
    }

    /// Takes a kind of gear out of the library.
    public void drop(OwnTemplate own, Consumer<FileTrouble> failed) {
        Library now = library.get();
        change(() -> now.without(own), "Out of the library: " + own.template().name(), failed);
    }

    private void change(Attempt.Trial<Library> change, String done, Consumer<FileTrouble> failed) {
        shelving.each(
                _ -> Attempt.at(change),
                changed ->
                        changed.either(
                                then -> {
                                    take(then);
                                    told.accept(done);
                                },
                                failed));
    }

    /// A show that can be opened by others: kinds of gear that are in use and in the library are
    /// kept with it.
    Show whole(Show edited) {
        List<OwnTemplate> templates = new ArrayList<>(edited.templates());
        for (OwnTemplate own : library.get().kinds()) {
            String id = own.template().id();
            boolean used = edited.rig().devices().stream().anyMatch(d -> d.template().equals(id));
            boolean kept = templates.stream().anyMatch(t -> t.template().id().equals(id));
            if (used && !kept) templates.add(own);
        }
        return templates.size() == edited.templates().size()
                ? edited
                : edited.withTemplates(templates);
    }

    boolean isSettled() {
        return shelving.isIdle();
    }

    @Override
    public void close() {
        shelving.finish();
    }
}
