package rivulus.rig;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.function.Predicate;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import rivulus.gear.Catalogue;
import rivulus.gear.Electric;
import rivulus.gear.GearKind;
import rivulus.gear.Port;
import rivulus.gear.Power;
import rivulus.gear.Template;

/// Finds gear by what one needs, in plain words: "two xlr in, battery".
///
/// Every part between commas must be true of the gear. A part that counts ("two xlr", "4
/// headphones") asks for that many ports of a connector or signal, `in` or `out` where said; one
/// that feeds ("runs from a phone", "powered by usb") asks that it can run on that, or that a USB
/// port of that gear gives what it draws, without phantom power; any other word must begin one in
/// the name, the kind, the description, a connector or what it runs on.
public final class GearSearch {
    private static final List<String> COUNTS =
            List.of("no", "one", "two", "three", "four", "five", "six", "seven", "eight");

    private static final Pattern COUNTED =
            Pattern.compile("(\\d+|" + String.join("|", COUNTS) + ")\\s+(.+?)(\\s+(in|out)s?)?");

    private static final Pattern FED =
            Pattern.compile("(?:runs?|powered|fed) (?:from|by|on|off) (?:an? |the |its )?(.+)");

    private GearSearch() {}

    /// The gear that fits, by name; rooms and people are no gear. Blank words fit all.
    public static List<Template> find(Catalogue catalogue, String words) {
        Predicate<Template> fits = t -> t.kind() != GearKind.ROOM && t.kind() != GearKind.PERSON;
        for (String part : words.toLowerCase(Locale.ROOT).strip().split("\\s*,\\s*"))
            fits = fits.and(wish(catalogue, part));
        return catalogue.templates().values().stream()
                .filter(fits)
                .sorted(Comparator.comparing(Template::name))
                .toList();
    }

    private static Predicate<Template> wish(Catalogue catalogue, String part) {
        Matcher fed = FED.matcher(part);
        if (fed.matches()) return fed(catalogue, fed.group(1));
        Predicate<String> says = says(part);
        Predicate<Template> named = template -> says.test(text(template));
        Matcher counted = COUNTED.matcher(part);
        if (!counted.matches()) return named;
        int wanted = count(counted.group(1));
        return template -> {
            int there = ports(template, counted.group(2), counted.group(4));
            return there > 0 ? there >= wanted : named.test(template);
        };
    }

    /// Whether every word begins one of a text.
    private static Predicate<String> says(String words) {
        List<Pattern> starts =
                Arrays.stream(words.split("\\s+"))
                        .map(word -> Pattern.compile("(?<![\\p{L}\\d])" + Pattern.quote(word)))
                        .toList();
        return text -> starts.stream().allMatch(start -> start.matcher(text).find());
    }

    /// Whether something runs on a kind of supply, or on what a USB port of some gear gives.
    private static Predicate<Template> fed(Catalogue catalogue, String by) {
        String supply = by.equals("batteries") ? "battery" : by;
        Predicate<String> says = says(by);
        int most =
                catalogue.templates().values().stream()
                        .filter(source -> says.test(source.name().toLowerCase(Locale.ROOT)))
                        .flatMap(source -> source.ports().stream())
                        .mapToInt(port -> port.electric().givesMa())
                        .max()
                        .orElse(0);
        return template -> {
            List<Power.Source> from = template.power().from();
            return from.stream().anyMatch(source -> source.word().equals(supply))
                    || from.contains(Power.Source.USB)
                            && template.ports().stream()
                                    .mapToInt(port -> port.electric().drawsMa())
                                    .anyMatch(draws -> draws > 0 && draws <= most);
        };
    }

    private static int count(String word) {
        int named = COUNTS.indexOf(word);
        return named >= 0 ? named : Integer.parseInt(word.substring(0, Math.min(4, word.length())));
    }

    private static int ports(Template template, String what, String way) {
        int count = 0;
        for (Port port : template.ports()) {
            boolean wanted =
                    way == null || (way.equals("in") ? port.takes() > 0 : port.gives() > 0);
            String words =
                    (port.connector() + " " + port.carries().word()).toLowerCase(Locale.ROOT);
            if (wanted && words.contains(what.replaceAll("s$", ""))) count++;
        }
        return count;
    }

    private static String text(Template template) {
        StringBuilder text = new StringBuilder();
        text.append(template.name()).append(' ').append(template.kind().word()).append(' ');
        text.append(template.about()).append(' ');
        Power power = template.power();
        power.from().forEach(source -> text.append(source.word()).append(' '));
        for (Port port : template.ports()) {
            text.append(port.connector()).append(' ').append(port.carries().word()).append(' ');
            if (port.electric().phantom() == Electric.Phantom.GIVES) text.append("phantom 48 v ");
        }
        return text.toString().toLowerCase(Locale.ROOT);
    }
}
