package rivulus.app.bench;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.Supplier;
import rivulus.app.session.Session;
import rivulus.file.TemplateDraft;
import rivulus.file.Templates;
import rivulus.gear.Template;
import rivulus.show.OwnTemplate;

/// A kind of gear that can be taken to the bench.
///
/// @param shelf where it is kept, in words
/// @param own whether it is the user's and can be changed as it stands
/// @param draft what stands written
record Shelved(String id, String name, String shelf, boolean own, Supplier<TemplateDraft> draft) {
    static final String WITH_SHOW = "with the show";
    static final String IN_LIBRARY = "in the library";
    static final String SHIPPED = "ships with the program";

    /// Everything there is: kept with the show, in the library, shipped.
    static List<Shelved> all(Session session) {
        List<Shelved> all = new ArrayList<>();
        for (OwnTemplate own : session.show().get().templates()) all.add(of(own, WITH_SHOW));
        for (OwnTemplate own : session.shelf().library().get().kinds())
            all.add(of(own, IN_LIBRARY));
        session.shelf().catalogue().get().templates().values().stream()
                .sorted(Comparator.comparing(Template::name))
                .filter(template -> Templates.isShipped(template.id()))
                .forEach(
                        template ->
                                all.add(
                                        new Shelved(
                                                template.id(),
                                                template.name(),
                                                SHIPPED,
                                                false,
                                                () ->
                                                        TemplateDraft.of(
                                                                Templates.shipped(template.id())
                                                                        .orElseThrow()))));
        return all;
    }

    private static Shelved of(OwnTemplate own, String shelf) {
        return new Shelved(
                own.template().id(),
                own.template().name(),
                shelf,
                true,
                () -> TemplateDraft.of(own));
    }
}
