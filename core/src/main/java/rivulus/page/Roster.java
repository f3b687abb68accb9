package rivulus.page;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/// Who is on a page, as far as it has been read.
final class Roster {
    /// Somebody, or several without names.
    static final class Somebody {
        final String name;
        String role = "";
        String place = "";
        String by = "";
        Double count = 1.0;
        Boolean speaks;
        boolean signed;
        boolean sure;
        /// How often the page names them.
        int named;
        boolean gone;
        int line = -1;
        /// How the page speaks of several without names: "the phone people"; empty where it does
        /// not.
        String called = "";
        final Set<String> words = new LinkedHashSet<>();

        Somebody(String name) {
            this.name = name;
        }

        boolean isAfar() {
            return !by.isEmpty();
        }

        boolean isNamed() {
            return !name.isEmpty();
        }
    }

    private final List<Somebody> all = new ArrayList<>();
    private List<Somebody> last = List.of();
    private List<Somebody> lastSeveral = List.of();
    /// Whoever was spoken of, the latest first.
    private final LinkedHashSet<Somebody> spoken = new LinkedHashSet<>();
    private Somebody me;
    private Somebody other;
    private String thing = "";
    private List<String> subject = List.of();

    List<Somebody> all() {
        return all;
    }

    Somebody add(String name) {
        Somebody one = new Somebody(name);
        for (Token token : Token.all(name))
            for (Vocabulary.Sense sense : Vocabulary.shipped().of(token.low()))
                if (sense.kind() == Meant.ROLE) one.words.add(token.low());
        all.add(one);
        return one;
    }

    Somebody get(String value) {
        return all.get(Integer.parseInt(value));
    }

    /// Those who are there: somebody said so.
    List<Somebody> there() {
        return all.stream().filter(one -> one.signed && !one.gone).toList();
    }

    void me(Somebody who) {
        me = who;
    }

    Optional<Somebody> me() {
        return Optional.ofNullable(me);
    }

    /// A page is read again from its beginning: nobody was spoken of yet.
    void again() {
        last = List.of();
        lastSeveral = List.of();
        spoken.clear();
        other = null;
        thing = "";
        subject = List.of();
    }

    /// Notes who was spoken of.
    void spokenOf(List<Somebody> people) {
        if (people.isEmpty()) return;
        for (Somebody one : people.reversed()) spoken.addFirst(one);
        last = List.copyOf(people);
        for (Somebody one : people) if (one != me) other = one;
        if (people.size() > 1) lastSeveral = last;
    }

    /// Notes whom a clause is about, by the words that facts use.
    void subject(List<String> words) {
        if (!words.isEmpty()) subject = List.copyOf(words);
    }

    /// Whom the clause before was about.
    List<String> subject() {
        return subject;
    }

    /// Notes that some were named together.
    void together(List<Somebody> people) {
        if (people.size() > 1) lastSeveral = List.copyOf(people);
    }

    /// Notes what was spoken of.
    void spokenOf(String what) {
        thing = what;
    }

    /// What is meant by "it"; empty where nothing was spoken of.
    String it() {
        return thing;
    }

    /// Who is meant by "she".
    Optional<Somebody> one() {
        Optional<Somebody> named = last.stream().filter(one -> one != me).findFirst();
        return named.isPresent() ? named : Optional.ofNullable(other);
    }

    /// Who is meant by "she" where some others are named beside: nobody hears themselves so.
    Optional<Somebody> one(List<Somebody> beside) {
        Optional<Somebody> one = one();
        if (one.isEmpty() || !beside.contains(one.get())) return one;
        return spoken.stream()
                .filter(other -> other != me && other.isNamed() && !beside.contains(other))
                .findFirst();
    }

    /// Who is meant by "they".
    List<Somebody> several() {
        return last.size() > 1 ? last : lastSeveral;
    }

    /// Those of a role.
    List<Somebody> ofRole(String role) {
        return there().stream().filter(one -> one.role.equals(role)).toList();
    }
}
