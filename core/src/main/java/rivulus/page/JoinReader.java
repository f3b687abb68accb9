package rivulus.page;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;

/// What is joined to what: gear, in the direction of the sound, between two of which stands a word
/// that joins.
final class JoinReader {
    private static final Pattern JOINS =
            Pattern.compile(
                    "(?:^| )(?:->|→|=>|>|into|in to|to|feeds?|in|goes in|plugged into|via|through|by|behind)(?: |$)");
    private static final Pattern STRONG =
            Pattern.compile("(?:^| )(?:->|→|=>|>|into|feeds?|plugged into)(?: |$)");
    private static final Pattern THROUGH = Pattern.compile("(?:^| )(?:via|through|by)(?: |$)");
    /// What sound ends in, or what nobody joins by a lead that is told of.
    private static final Set<String> WORN =
            Set.of("headphones", "talkback mic", "handset", "intercom", "camera");
    private static final Set<String> BETWEEN =
            Set.of("isolator", "phone hybrid", "di box", "stage box");

    private final Gathered so;

    JoinReader(Gathered so) {
        this.so = so;
    }

    /// Whether a clause says what is joined.
    static boolean isOne(Clause clause) {
        long ends = clause.all(Meant.GEAR, Meant.INSTRUMENT).size();
        if (ends < 2) return false;
        return STRONG.matcher(clause.coded()).find()
                || clause.coded()
                        .matches(
                                ".*<[GI]\\d+> (?:(?:goes|go|runs?|comes?|by|its?|line|out|usb|cable|lead|one|second|main|aux|\\d+) )*to (?:the |a |an |our |my )?(?:\\w+ ){0,2}<G\\d+>.*");
    }

    void read(Sheet.Line line, Clause clause) {
        List<Chunk> ends = new ArrayList<>();
        for (Chunk chunk : clause.chunks())
            if (chunk.is(Meant.GEAR, Meant.INSTRUMENT) && !WORN.contains(chunk.value()))
                ends.add(chunk);
        Chunk from = null;
        for (int e = 0; e < ends.size(); e++) {
            Chunk to = ends.get(e);
            if (from != null) {
                String between = between(clause, from, to);
                boolean back = between.contains("back to");
                if (so.effort.matcher(JOINS, " " + between).find()) {
                    Chunk inserted = null;
                    // "A into B, through the isolator"
                    if (e + 1 < ends.size()
                            && BETWEEN.contains(ends.get(e + 1).value())
                            && THROUGH.matcher(" " + between(clause, to, ends.get(e + 1))).find()
                            && !BETWEEN.contains(to.value())) inserted = ends.get(e + 1);
                    if (inserted != null) {
                        add(line, from, inserted);
                        add(line, inserted, to);
                        e++;
                    } else if (!from.value().equals(to.value()) || back) add(line, from, to);
                }
            }
            from = to;
        }
    }

    private static String between(Clause clause, Chunk from, Chunk to) {
        StringBuilder words = new StringBuilder();
        for (int t = from.to(); t < to.from(); t++)
            words.append(clause.tokens().get(t).low()).append(' ');
        return words.toString();
    }

    private void add(Sheet.Line line, Chunk from, Chunk to) {
        Facts.Joined joined = new Facts.Joined(from.text(), to.text(), line.number(), false);
        boolean known =
                so.joined.stream()
                        .anyMatch(
                                one ->
                                        one.from().equals(joined.from())
                                                && one.to().equals(joined.to()));
        if (!known) so.joined.add(joined);
        so.used.add(line.number());
    }
}
