package rivulus.intake;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import rivulus.edit.Parts;
import rivulus.edit.ShowEdits;
import rivulus.gear.Catalogue;
import rivulus.say.Page;
import rivulus.say.Said;
import rivulus.show.Person;
import rivulus.show.Place;
import rivulus.show.Role;
import rivulus.show.Show;
import rivulus.words.Words;

/// Rows of a list of people. A row is read as a line that says the same ([Said]), so that whoever
/// comes in from afar gets what they need there; who is in the show already is changed.
final class PeopleRows implements Intake.Rows {
    private final Catalogue catalogue;
    private Show show;

    PeopleRows(Show show, Catalogue catalogue) {
        this.show = show;
        this.catalogue = catalogue;
    }

    @Override
    public Show show() {
        return show;
    }

    @Override
    public Optional<Intake.Done> take(Intake.Row row) throws Intake.Refusal {
        String name = row.at(Meaning.WHO);
        if (name.isEmpty()) return Optional.empty();
        Optional<Person> there =
                show.cast().people().stream()
                        .filter(person -> Intake.same(person.name(), name))
                        .findFirst();
        return Optional.of(there.isPresent() ? changed(there.get(), row) : added(name, row));
    }

    private Intake.Done added(String name, Intake.Row row) throws Intake.Refusal {
        List<String> parts = new ArrayList<>();
        parts.add(name.replaceAll("[,;·\\t]", " "));
        parts.add(role(row.at(Meaning.ROLE)).word());
        for (Meaning more :
                List.of(Meaning.BY, Meaning.PERSON_PLACE, Meaning.PRONOUN, Meaning.COUNT))
            if (!row.at(more).isEmpty()) parts.add(row.at(more).replaceAll("[,;·\\t]", " "));
        Page page = Page.of(String.join(", ", parts), show, catalogue);
        Said line = page.lines().getFirst();
        if (!line.isClear()) throw new Intake.Refusal("%s", line.trouble());
        show = page.edit().after();
        return new Intake.Done(Plan.Outcome.NEW, line.words());
    }

    private static Role role(String said) throws Intake.Refusal {
        for (Role role : Role.values())
            if (Intake.same(role.word(), said) || Intake.same(role.word() + "s", said)) return role;
        throw new Intake.Refusal(
                said.isEmpty()
                        ? "nothing says what they do; people are " + roles()
                        : "\"%s\" is no role; people are %s".formatted(said, roles()));
    }

    private static String roles() {
        return Words.list(Stream.of(Role.values()).map(Role::word).toList());
    }

    /// Role and place; how somebody comes in is not changed by a list.
    private Intake.Done changed(Person there, Intake.Row row) throws Intake.Refusal {
        List<String> changes = new ArrayList<>();
        Person now = there;
        String said = row.at(Meaning.ROLE);
        if (!said.isEmpty() && role(said) != there.role()) {
            now = now.as(role(said));
            changes.add(now.role().word());
        }
        String place = row.at(Meaning.PERSON_PLACE);
        if (!place.isEmpty()) {
            Show with = ShowEdits.withPlace(show, place, catalogue);
            Place at = ShowEdits.placeCalled(with, place);
            if (!at.id().equals(there.place())) {
                show = with;
                now = now.in(at.id());
                changes.add("in " + at.name());
            }
        }
        if (changes.isEmpty()) return new Intake.Done(Plan.Outcome.SAME, there.name());
        show = new Parts(show, catalogue).put("Change " + there.name(), now).after();
        return new Intake.Done(
                Plan.Outcome.CHANGED, there.name() + ": " + String.join(", ", changes));
    }
}
