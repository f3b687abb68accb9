package rivulus.say;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import rivulus.show.Ear;
import rivulus.show.Person;
import rivulus.show.Role;
import rivulus.show.Scene;
import rivulus.show.Show;
import rivulus.show.Source;
import rivulus.show.Wish;

/// "no caller hears the music bed", "Sunniva must hear Teo, Tales", "guests may hear alerts".
final class WishLines implements Said.Reader {
    private static final Pattern WISH =
            Pattern.compile("(?i)(no |nobody)?(.*?) ?(must not|must|may)? ?hears? (.+)");

    @Override
    public Optional<Said> read(Spoken line) {
        Matcher wish = WISH.matcher(line.first());
        if (!wish.matches()) return Optional.empty();
        boolean none = wish.group(1) != null;
        String modal = wish.group(3) == null ? "" : Said.low(wish.group(3));
        String who = none && wish.group(2).isBlank() ? "everybody" : wish.group(2);
        List<String> ears = ears(who, line);
        List<String> sources = sources(wish.group(4), line);
        List<String> unclear = new ArrayList<>();
        if (ears.isEmpty()) unclear.add(who.strip());
        if (sources.isEmpty()) unclear.add(wish.group(4).strip());
        String scene = "";
        for (String part : line.rest()) {
            String name = Spoken.plain(part.replaceFirst("^(?i)in ", ""));
            Optional<Scene> in =
                    line.show().scenes().stream()
                            .filter(one -> Said.low(one.name()).equals(name))
                            .findFirst();
            if (in.isPresent()) scene = in.get().id();
            else unclear.add(part);
        }
        if (!unclear.isEmpty()) return Optional.of(Said.of(line, new Meaning.Nothing(), unclear));
        return Optional.of(
                Said.of(
                        line,
                        new Meaning.Wishes(ears, sources, wish(none, modal), scene),
                        List.of()));
    }

    private static Wish wish(boolean none, String modal) {
        if (none || modal.equals("must not")) return Wish.MUST_NOT;
        return modal.equals("may") ? Wish.MAY : Wish.MUST;
    }

    private static List<String> ears(String words, Spoken line) {
        List<String> ears = new ArrayList<>();
        for (String one : words.split(" and ")) {
            Optional<Ear> ear = line.ear(one);
            if (ear.isPresent()) ears.add(ear.get().id());
            else if (Spoken.plain(one).matches("everybody|everyone|all"))
                line.show().ears().stream()
                        .filter(each -> each.kind() == Ear.Kind.PERSON)
                        .forEach(each -> ears.add(each.id()));
            else PersonLines.role(one).ifPresent(role -> ears.addAll(ears(role, line.show())));
        }
        return ears.stream().distinct().toList();
    }

    private static List<String> ears(Role role, Show show) {
        return show.ears().stream()
                .filter(ear -> ear.kind() == Ear.Kind.PERSON)
                .filter(ear -> show.cast().person(ear.of()).map(Person::role).orElse(null) == role)
                .map(Ear::id)
                .toList();
    }

    private static List<String> sources(String words, Spoken line) {
        List<String> sources = new ArrayList<>();
        for (String one : words.split(" and ")) {
            Optional<Source> source = line.source(one);
            String kind = Spoken.plain(one).replaceFirst("s$", "");
            if (source.isPresent()) sources.add(source.get().id());
            else
                line.show().sources().stream()
                        .filter(each -> each.part().replaceFirst("s$", "").equals(kind))
                        .forEach(each -> sources.add(each.id()));
        }
        return sources.stream().distinct().toList();
    }
}
