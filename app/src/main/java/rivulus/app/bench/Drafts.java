package rivulus.app.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import rivulus.app.session.Session;
import rivulus.app.session.Typed;
import rivulus.disk.FileTrouble;
import rivulus.file.TemplateDraft;
import rivulus.show.OwnTemplate;

/// Kinds of gear that were changed and are kept nowhere yet: work that is typed, so that it counts
/// for what is unsaved, goes with the show, and is there again after a kill.
final class Drafts {
    static final String NOT_KEPT = "changed, not kept yet";
    private static final String NAME = "kind:";

    private final Session session;

    Drafts(Session session) {
        this.session = session;
    }

    private Typed typed() {
        return session.document().typed();
    }

    /// Holds a kind as it is written, or as far as it can be read.
    ///
    /// @param id of the kind that was taken to the bench
    void hold(String id, String text) {
        if (isKept(text)) drop(id);
        else typed().hold(NAME + id, text);
    }

    /// Holds it no longer.
    void drop(String id) {
        typed().drop(NAME + id);
    }

    /// What is held of a kind.
    Optional<String> of(String id) {
        return Optional.ofNullable(typed().held(NAME).get(id));
    }

    /// Lets go what is kept somewhere by now.
    void sort() {
        typed().held(NAME)
                .forEach(
                        (id, text) -> {
                            if (isKept(text)) drop(id);
                        });
    }

    private boolean isKept(String text) {
        List<OwnTemplate> kept = new ArrayList<>(session.show().get().templates());
        kept.addAll(session.shelf().library().get().kinds());
        return kept.stream().anyMatch(own -> TemplateDraft.of(own).text().equals(text));
    }

    /// Everything that is held, as kinds to choose.
    ///
    /// @param shelved the kinds there are, of which some may be held changed
    List<Shelved> with(List<Shelved> shelved) {
        List<Shelved> all = new ArrayList<>();
        typed().held(NAME)
                .forEach(
                        (id, text) -> {
                            TemplateDraft draft = read(text).orElseGet(() -> before(id, shelved));
                            String name = draft.written().getOrDefault("name", id).toString();
                            all.add(new Shelved(id, name, NOT_KEPT, true, () -> draft));
                        });
        for (Shelved kind : shelved) if (!kind.own() || of(kind.id()).isEmpty()) all.add(kind);
        return all;
    }

    private static TemplateDraft before(String id, List<Shelved> shelved) {
        return shelved.stream()
                .filter(kind -> kind.id().equals(id))
                .findFirst()
                .map(kind -> kind.draft().get())
                .orElseGet(() -> TemplateDraft.fresh(id, "New kind"));
    }

    private static Optional<TemplateDraft> read(String text) {
        try {
            return Optional.of(TemplateDraft.ofText(text));
        } catch (FileTrouble unread) {
            return Optional.empty();
        }
    }

    /// What is held and cannot be read.
    Optional<String> unread(String id) {
        return of(id).filter(text -> read(text).isEmpty());
    }
}
