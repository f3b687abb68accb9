package rivulus.say;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import rivulus.disk.Extras;
import rivulus.edit.Edit;
import rivulus.edit.Ids;
import rivulus.gear.Catalogue;
import rivulus.listening.Points;
import rivulus.show.Checks;
import rivulus.show.Ear;
import rivulus.show.Person;
import rivulus.show.Ref;
import rivulus.show.Show;

/// Somebody, or an output to the public, whose hearing nobody proves: it is not well because
/// nothing is said about it. Somebody may say why nobody needs to.
///
/// @param name "Edda", "Streaming program · stream"
/// @param look lets it be looked at from now on
public record Unlooked(String name, Edit look) {
    private static final String ID = "not-looked-at/";

    /// A second language is there only where somebody makes one.
    private static final Set<Ear.Kind> PUBLIC =
            Set.of(Ear.Kind.STREAM, Ear.Kind.ON_DEMAND, Ear.Kind.ASSISTIVE);

    /// Everybody in the cast without an ear, then every point that is called what a public ear is
    /// and has none.
    public static List<Unlooked> of(Show show, Catalogue catalogue) {
        List<Unlooked> unlooked = new ArrayList<>();
        for (Person person : show.cast().people())
            if (!isLookedAt(show, person) && reason(show, person).isEmpty())
                unlooked.add(
                        new Unlooked(
                                person.name(),
                                look(
                                        show,
                                        person.name(),
                                        Ear.Kind.PERSON,
                                        person.id(),
                                        List.of())));
        for (Ref at : Points.listening(show, show.kinds(catalogue))) {
            boolean taken = show.ears().stream().anyMatch(ear -> ear.at().contains(at));
            String words = Points.words(at, show, show.kinds(catalogue));
            Optional<Ear.Kind> kind =
                    taken ? Optional.empty() : Points.called(words).filter(PUBLIC::contains);
            kind.ifPresent(
                    is ->
                            unlooked.add(
                                    new Unlooked(
                                            words,
                                            look(show, Meaning.name(is), is, "", List.of(at)))));
        }
        return unlooked;
    }

    /// Whether an ear is theirs.
    public static boolean isLookedAt(Show show, Person person) {
        return show.ears().stream().anyMatch(ear -> isOf(ear, person));
    }

    /// Why nobody needs to look at what somebody hears; empty where nobody has said.
    public static String reason(Show show, Person person) {
        return show.checks().silenced().stream()
                .filter(one -> one.finding().equals(ID + person.id()))
                .map(Checks.Silenced::reason)
                .findFirst()
                .orElse("");
    }

    /// Says why nobody needs to look, or, blank, that somebody does.
    public static Edit because(Show show, Person person, String reason) {
        Checks checks = show.checks();
        String finding = ID + person.id();
        return Edit.of(
                "Say why nobody looks at " + person.name(),
                show,
                show.withChecks(
                        reason.isBlank()
                                ? checks.telling(finding)
                                : checks.silencing(finding, reason.strip())));
    }

    private static boolean isOf(Ear ear, Person person) {
        return ear.kind() == Ear.Kind.PERSON && ear.of().equals(person.id())
                || ear.at().stream().anyMatch(at -> at.device().equals(person.id()));
    }

    private static Edit look(Show show, String name, Ear.Kind kind, String of, List<Ref> at) {
        List<Ear> ears = new ArrayList<>(show.ears());
        String id = Ids.ofEar(ears, name);
        ears.add(new Ear(id, name, kind, of, at, Extras.NONE));
        return Edit.of("Look at " + name, show, show.withEars(ears)).choosing(id);
    }
}
