package rivulus.page;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/// What goes out and who listens to it, and what plays.
final class OutReader {
    private static final Pattern WITHOUT =
            Pattern.compile(
                    "(?<outs>(?:<O\\d+> (?:, |and |& |\\+ )(?:the |a )?)*<O\\d+>) (?:(?!<O|but|and )\\S+ ){0,7}?(?:without|no|minus|less|but not|and not|not) (?:(?<what>"
                            + WishShapes.LIST
                            + ")|(?:the |any )?(?<raw>\\w+ (?:\\w+ )?)(?=$|[,.(]))");
    private static final Set<String> NONE =
            Set.of("no", "not", "without", "nor", "never", "nothing");
    private static final Set<String> FROM = Set.of("from", "off", "on", "by", "in");

    private final Gathered so;

    OutReader(Gathered so) {
        this.so = so;
    }

    void outs(Sheet.Line line, Clause clause) {
        for (Chunk out : clause.all(Meant.OUT)) {
            if (out.value().equals("house") || out.value().equals("camera")) continue;
            String before = out.from() > 0 ? clause.tokens().get(out.from() - 1).low() : "";
            String further = out.from() > 1 ? clause.tokens().get(out.from() - 2).low() : "";
            String after =
                    out.to() < clause.tokens().size() ? clause.tokens().get(out.to()).low() : "";
            if (NONE.contains(before) && !further.equals("if")
                    || NONE.contains(further) && before.equals("the")) continue;
            boolean last =
                    out.to() + 1 >= clause.tokens().size()
                            || clause.tokens().get(out.to() + 1).low().equals(",");
            if (after.equals("no") && last) continue;
            if (before.equals("is") && further.equals("nothing")) continue;
            so.listens.computeIfAbsent(out.value(), _ -> new LinkedHashSet<>());
            so.listensAt.putIfAbsent(out.value(), line.number());
            so.used.add(line.number());
        }
        if (clause.low().matches("not (?:the |a )?\\w+ ") && clause.all(Meant.OUT).size() == 1) {
            String kind = clause.first(Meant.OUT).orElseThrow().value();
            so.listens.remove(kind);
            so.listensAt.remove(kind);
        }
        Matcher without = so.effort.matcher(WITHOUT, clause.coded());
        while (without.find()) {
            for (Chunk out : clause.in(without.group("outs")))
                without(clause, out.value(), without);
        }
    }

    private void without(Clause clause, String kind, Matcher without) {
        if (!so.listens.containsKey(kind)) return;
        String what = without.group("what");
        if (what != null) {
            List<Chunk> meant = new ArrayList<>(clause.in(what));
            meant.removeIf(chunk -> chunk.kind() == Meant.OUT);
            so.listens.get(kind).addAll(so.meant(meant, List.of()));
        } else so.listens.get(kind).add(without.group("raw").strip());
    }

    void plays(Sheet.Line line, Clause clause) {
        for (Chunk sound : clause.all(Meant.SOUND)) {
            String before = sound.from() > 0 ? clause.tokens().get(sound.from() - 1).low() : "";
            if (NONE.contains(before) || before.equals("any")) continue;
            boolean apposed =
                    sound.text().equals(sound.value())
                            && (before.equals("a") || before.equals("("))
                            && sound.from() > 1;
            if (apposed) continue;
            boolean lasts =
                    clause.chunks().stream()
                            .anyMatch(
                                    c ->
                                            c.kind() == Meant.MINUTES
                                                    && c.from() >= sound.to()
                                                    && c.from() - sound.to() <= 1);
            if (lasts && clause.all(Meant.MINUTES).size() > 1) continue;
            if (so.isAllOf(sound)) continue;
            String quoted = quoted(clause, sound);
            String name = quoted.isEmpty() ? so.sound(sound) : quoted;
            String from = from(clause, sound);
            if (sound.value().equals("noise") && from.isEmpty()) continue;
            int at = -1;
            for (int p = 0; p < so.plays.size(); p++)
                if (so.plays.get(p).name().equals(name)) at = p;
            if (at < 0) {
                so.plays.add(
                        new Facts.Plays(name, sound.value(), from, line.number(), !from.isEmpty()));
            } else if (so.plays.get(at).from().isEmpty() && !from.isEmpty()) {
                Facts.Plays one = so.plays.get(at);
                so.plays.set(at, new Facts.Plays(one.name(), one.kind(), from, one.line(), true));
            }
            so.used.add(line.number());
        }
    }

    /// The title in quotes beside something that plays.
    private static String quoted(Clause clause, Chunk sound) {
        List<Token> tokens = clause.tokens();
        int from = sound.to();
        if (from < tokens.size() && tokens.get(from).low().matches("[\"“„]")) {
            int to = from + 1;
            while (to < tokens.size() && !tokens.get(to).low().matches("[\"”“]")) to++;
            if (to < tokens.size() && to > from + 1) return clause.text(from + 1, to);
        }
        return "";
    }

    /// "from the laptop", "off the playout pc", "laptop B: beds, jingles".
    private static String from(Clause clause, Chunk sound) {
        List<Chunk> gear = clause.all(Meant.GEAR);
        for (Chunk one : gear) {
            if (!Set.of(
                            "laptop",
                            "pc",
                            "tablet",
                            "mobile phone",
                            "player",
                            "decks",
                            "looper pedal",
                            "pad box")
                    .contains(one.value())) continue;
            boolean behind = one.from() >= sound.to() && one.from() - sound.to() <= 12;
            if (behind)
                for (int t = Math.max(sound.to(), one.from() - 4); t < one.from(); t++)
                    if (FROM.contains(clause.tokens().get(t).low())) return one.text();
            boolean label =
                    one.to() <= sound.from()
                            && one.from() <= 2
                            && clause
                                    .tokens()
                                    .subList(
                                            one.to(),
                                            Math.min(one.to() + 3, clause.tokens().size()))
                                    .stream()
                                    .anyMatch(
                                            t ->
                                                    List.of(":", "plays", "does", "holds")
                                                            .contains(t.low()));
            if (label) return one.text();
        }
        return "";
    }
}
