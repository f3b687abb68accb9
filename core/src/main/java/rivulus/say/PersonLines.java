package rivulus.say;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import rivulus.disk.Worded;
import rivulus.page.Trade;
import rivulus.show.Loudness;
import rivulus.show.Role;

/// "Maren, host, Reading Room", "Nadia, caller, call program".
final class PersonLines implements Said.Reader {
    private static final List<String> PRONOUNS = List.of("she", "he", "they");
    private static final String SPEAKS = "speaks";
    private static final List<String> LISTENS_ONLY =
            List.of("only listens", "listens only", "silent", "does not speak");

    @Override
    public Optional<Said> read(Spoken line) {
        Role role = null;
        String place = "";
        String by = "";
        String pronoun = "";
        int count = 1;
        Loudness loudness = Loudness.NORMALLY;
        Optional<Boolean> speaks = Optional.empty();
        List<String> unclear = new ArrayList<>();
        for (String part : line.rest()) {
            String low = Said.low(part);
            String way = low.replaceFirst("^by ", "");
            Optional<Role> said = role(part);
            if (said.isPresent() && role == null) role = said.get();
            else if (PRONOUNS.contains(low)) pronoun = low;
            else if (Afar.ALL.containsKey(way)) by = way;
            else if (LISTENS_ONLY.contains(low)) speaks = Optional.of(false);
            else if (low.matches("\\d{1,4}( people)?") && !low.startsWith("0"))
                count = Integer.parseInt(low.replace(" people", ""));
            else if (Loudness.said(low).isPresent()) loudness = Loudness.said(low).get();
            else if (low.equals(SPEAKS)) speaks = Optional.of(true);
            else if (place.isEmpty() && Spoken.isPlace(part) && isPlace(part, line))
                place = line.place(part);
            else unclear.add(part);
        }
        // a name has no verb and no lead in it: what is none is nobody
        boolean signed = role != null || !by.isEmpty() || !pronoun.isEmpty();
        boolean placed = place.isEmpty() || isKnown(place, line) || Trade.isKnownPlace(place);
        boolean named =
                line.person(line.first()).isPresent()
                        || Trade.isName(line.first())
                                && (signed || placed && Trade.isProper(line.first()));
        if (!named) unclear.addFirst(line.first());
        if (pronoun.isEmpty()) pronoun = "they";
        if (role == null) role = by.isEmpty() ? Role.GUEST : Role.CALLER;
        Meaning meant =
                new Meaning.Somebody(
                        Spoken.clipped(line.first()),
                        role,
                        place,
                        by,
                        pronoun,
                        speaks.orElse(role != Role.AUDIENCE),
                        count,
                        loudness);
        return Optional.of(Said.of(line, meant, unclear));
    }

    private static boolean isPlace(String part, Spoken line) {
        return isKnown(part, line) || Trade.isPlace(part);
    }

    private static boolean isKnown(String place, Spoken line) {
        return line.show().places().stream()
                .anyMatch(one -> Said.low(one.name()).equals(Spoken.plain(place)));
    }

    /// "host", "guests".
    static Optional<Role> role(String part) {
        String word = Said.low(part).replaceFirst("s$", "");
        return Optional.ofNullable(Worded.words(Role.class).get(word))
                .or(() -> Trade.role(part).map(Worded.words(Role.class)::get));
    }
}
