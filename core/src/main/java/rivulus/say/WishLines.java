package rivulus.say;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import rivulus.show.Aim;
import rivulus.show.Ear;
import rivulus.show.Person;
import rivulus.show.Role;
import rivulus.show.Scene;
import rivulus.show.Show;
import rivulus.show.Source;
import rivulus.show.Wish;

/// "music 12 under the voices on the stream", "Nadia hears Maren within 150 ms", "no caller hears
/// the music bed", "Sunniva must hear Teo, Tales", "guests may hear alerts".
final class WishLines implements Said.Reader {
    private static final Pattern WISH =
            Pattern.compile("(?i)(no |nobody)?(.*?) ?(must not|must|may)? ?hears? (.+)");

    private static final Pattern UNDER =
            Pattern.compile(
                    "(?i)(.+?) (?:at )?([0-9.]+) ?(?:db )?(?:under|below)(?: the)? voices?"
                            + " (?:on|in|for|at) (.+)");
    private static final Pattern WITHIN =
            Pattern.compile("(?i)(.+?) hears? (.+?) within ([0-9.]+) ?(?:ms|milliseconds)?");

    @Override
    public Optional<Said> read(Spoken line) {
        Matcher under = UNDER.matcher(line.first());
        if (under.matches())
            return Optional.of(
                    aim(line, Aim.Kind.UNDER, under.group(3), under.group(1), under.group(2)));
        Matcher within = WITHIN.matcher(line.first());
        if (within.matches())
            return Optional.of(
                    aim(line, Aim.Kind.WITHIN, within.group(1), within.group(2), within.group(3)));
        Matcher wish = WISH.matcher(line.first());
        if (!wish.matches()) return Optional.empty();
        boolean none = wish.group(1) != null;
        String modal = wish.group(3) == null ? "" : Said.low(wish.group(3));
        String who = none && wish.group(2).isBlank() ? "everybody" : wish.group(2);
        List<String> sources = sources(wish.group(4), line);
        return Optional.of(
                said(
                        line,
                        who,
                        wish.group(4),
                        scene ->
                                new Meaning.Wishes(
                                        ears(who, line), sources, wish(none, modal), scene)));
    }

    private static Said aim(Spoken line, Aim.Kind kind, String who, String whom, String figure) {
        double to = number(figure);
        if (!(to <= kind.most()))
            return Said.of(line, new Meaning.Nothing(), List.of(figure + " " + kind.unit()));
        return said(
                line,
                who,
                whom,
                scene -> new Meaning.Aims(ears(who, line), sources(whom, line), kind, to, scene));
    }

    private static double number(String figure) {
        try {
            return Double.parseDouble(figure);
        } catch (NumberFormatException none) {
            return Double.NaN;
        }
    }

    /// What is said of ears and sources, in one scene or in all.
    private static Said said(
            Spoken line, String who, String whom, Function<String, Meaning> meant) {
        List<String> unclear = new ArrayList<>();
        if (ears(who, line).isEmpty()) unclear.add(who.strip());
        if (sources(whom, line).isEmpty()) unclear.add(whom.strip());
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
        return unclear.isEmpty()
                ? Said.of(line, meant.apply(scene), List.of())
                : Said.of(line, new Meaning.Nothing(), unclear);
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
