package rivulus.say;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import rivulus.gear.GearKind;
import rivulus.gear.Template;
import rivulus.page.Trade;
import rivulus.show.Device;
import rivulus.show.Person;
import rivulus.show.Role;
import rivulus.words.Words;

/// "4 dynamic microphones", "Cue laptop, Workroom: call program, music player", "headphones for
/// Maren and Ivo", "streaming program, Stream tower".
final class GearLines implements Said.Reader {
    private static final Pattern COUNTED = Pattern.compile("(\\d{1,2}) ?(?:x|×)? (.+)");
    private static final Pattern FOR_SOMEBODY = Pattern.compile("(?i)(.+?) for (.+)");

    @Override
    public Optional<Said> read(Spoken line) {
        int colon = line.line().indexOf(':');
        String head = colon < 0 ? line.line() : line.line().substring(0, colon);
        List<String> parts = new ArrayList<>(Spoken.parts(head));
        if (parts.isEmpty()
                || parts.stream().skip(1).anyMatch(p -> PersonLines.role(p).isPresent()))
            return Optional.empty();
        List<String> unclear = new ArrayList<>();
        List<Meaning.Gear> runs = new ArrayList<>();
        if (colon >= 0)
            for (String program : Spoken.parts(line.line().substring(colon + 1)))
                named(program, line)
                        .filter(n -> n.kind().kind() == GearKind.PROGRAM || isCable(n.kind()))
                        .ifPresentOrElse(
                                n -> runs.add(n.gear(1, "", "", List.of(), List.of())),
                                () -> unclear.add(program));
        return new Reading(line, parts, unclear)
                .gear(runs)
                .map(meant -> Said.of(line, meant, unclear));
    }

    private static boolean isCable(Template kind) {
        return kind.kind() == GearKind.CABLE;
    }

    /// A line while its parts are taken from it, one after the other.
    private static final class Reading {
        private final Spoken line;
        private final List<String> parts;
        private final List<String> unclear;
        private final List<String> whose = new ArrayList<>();
        private String first;
        private int pieces = 1;
        private boolean isFor;
        private String place = "";
        private String on = "";

        Reading(Spoken line, List<String> parts, List<String> unclear) {
            this.line = line;
            this.parts = parts;
            this.unclear = unclear;
            first = parts.removeFirst();
        }

        Optional<Meaning> gear(List<Meaning.Gear> runs) {
            Matcher counted = COUNTED.matcher(first);
            if (counted.matches()) {
                pieces = Integer.parseInt(counted.group(1));
                first = counted.group(2);
            }
            Matcher somebody = FOR_SOMEBODY.matcher(first);
            isFor = somebody.matches();
            if (isFor) {
                first = somebody.group(1);
                whose.addAll(whose(somebody.group(2), line, unclear));
            }
            Optional<Named> gear = kind();
            if (gear.isEmpty() || pieces < 1) return Optional.empty();
            parts.forEach(this::where);
            String name = gear.get().name();
            if (isFor && name.isEmpty()) name = Kinds.one(first, line.catalogue());
            int each = whose.isEmpty() ? pieces : whose.size();
            return Optional.of(
                    new Named(gear.get().kind(), name).gear(each, place, on, whose, runs));
        }

        /// By what the line begins with; "Room mic, condenser microphone": the kind that is said
        /// behind a name holds.
        private Optional<Named> kind() {
            Optional<Named> begins = named(first, line);
            if (parts.isEmpty() || begins.isPresent() && begins.get().name().isEmpty())
                return begins;
            String next = parts.getFirst();
            Optional<Template> said =
                    begins.isPresent()
                            ? Kinds.exactly(Said.low(next), line.catalogue())
                            : Kinds.find(next, line.catalogue())
                                    .filter(_ -> !Afar.ALL.containsKey(Said.low(next)));
            if (said.isEmpty()) return begins;
            parts.removeFirst();
            return Optional.of(new Named(said.get(), begins.map(Named::name).orElse(first)));
        }

        private void where(String part) {
            Optional<Device> host =
                    line.device(part.replaceFirst("^(?i)on ", "")).filter(this::isComputer);
            boolean isSomebody = line.person(part).isPresent() || part.contains(" and ");
            if (isFor && isSomebody) whose.addAll(whose(part, line, unclear));
            else if (host.isPresent() && on.isEmpty()) on = host.get().id();
            else if (Kinds.exactly(Said.low(part), line.catalogue()).isPresent()) unclear.add(part);
            else if (place.isEmpty() && Spoken.isPlace(part)) place = line.place(part);
            else unclear.add(part);
        }

        private boolean isComputer(Device device) {
            return line.catalogue().get(device.template()).isComputer();
        }
    }

    /// A kind of gear, and what this piece of it is called.
    ///
    /// @param name empty where it is called by its kind
    private record Named(Template kind, String name) {
        Meaning.Gear gear(
                int pieces, String place, String on, List<String> whose, List<Meaning.Gear> runs) {
            return new Meaning.Gear(kind.id(), kind.name(), name, pieces, place, on, whose, runs);
        }
    }

    /// "show desk" is a kind; "Cue laptop" is a laptop with a name.
    private static Optional<Named> named(String phrase, Spoken line) {
        List<String> words = Arrays.asList(phrase.strip().split("\\s+"));
        for (int from = 0; from < words.size(); from++) {
            String kind = String.join(" ", words.subList(from, words.size()));
            Optional<Template> found = Kinds.find(kind, line.catalogue());
            boolean thing = Trade.isThing(String.join(" ", words.subList(0, from)));
            if (found.isPresent() && thing)
                return Optional.of(new Named(found.get(), own(phrase, from, found.get())));
        }
        return Optional.empty();
    }

    /// A beginning of a kind's name is what people call it: "Show desk".
    private static String own(String phrase, int from, Template kind) {
        String name = Spoken.clipped(phrase.strip().replaceFirst("^(?i)(the|a|an) ", ""));
        if (from > 0) return name;
        boolean begins = Said.low(kind.name()).startsWith(Said.low(name) + " ");
        return begins ? Words.sentence(name) : "";
    }

    /// The ids of who each get one: people by name, or by what they do.
    private static List<String> whose(String words, Spoken line, List<String> unclear) {
        List<String> ids = new ArrayList<>();
        for (String one : words.split(" and ")) {
            String plain = Spoken.plain(one).replaceFirst("^(each|every|all) ", "");
            Optional<Person> person = line.person(one);
            Optional<Role> role = PersonLines.role(plain);
            if (person.isPresent()) ids.add(person.get().id());
            else if (plain.matches("(everybody|everyone|each|all|body) here|here"))
                ids.addAll(here(line));
            else if (role.isPresent())
                line.show().cast().people().stream()
                        .filter(p -> p.role() == role.get())
                        .forEach(p -> ids.add(p.id()));
            else unclear.add(one.strip());
        }
        return ids;
    }

    /// Who is in the room that the hosts are in, and is no audience.
    private static List<String> here(Spoken line) {
        List<Person> people = line.show().cast().people();
        String room =
                people.stream()
                        .filter(p -> p.role() == Role.HOST)
                        .findFirst()
                        .map(Person::place)
                        .orElse("");
        return people.stream()
                .filter(p -> p.place().equals(room) && p.role() != Role.AUDIENCE)
                .map(Person::id)
                .toList();
    }
}
