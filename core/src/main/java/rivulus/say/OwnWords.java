package rivulus.say;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import rivulus.disk.Line;
import rivulus.gear.Catalogue;
import rivulus.page.Facts;
import rivulus.page.Reading;
import rivulus.show.Person;
import rivulus.show.Scene;
import rivulus.show.Show;

/// A page in words of somebody's own: lines that are plain are taken as they stand; what the others
/// say is read from the whole page, said again in plain lines ([Reworded]) and taken as assumed.
/// What a line leaves open is asked, and what holds nothing of sound is put aside: both stay.
final class OwnWords {
    /// A title has so many words at most.
    private static final int LONGEST_TITLE = 10;

    private final String text;
    private final Show before;
    private final Catalogue catalogue;
    private final boolean answered;
    private final Taking taking;
    /// What each line is, read as a plain one.
    private final List<Said> plainly = new ArrayList<>();
    /// What each line came to, by its number.
    private final Map<Integer, List<Said>> said = new TreeMap<>();

    /// @param answered whether what a line leaves open is taken as it is likeliest meant
    OwnWords(String text, Show show, Catalogue catalogue, boolean answered) {
        this.answered = answered;
        this.text = text;
        this.before = show;
        this.catalogue = catalogue;
        taking = new Taking(show, catalogue);
    }

    Page page() {
        List<String> raw = text.lines().filter(line -> !Line.of(line).isEmpty()).toList();
        List<String> lines = raw.stream().map(Line::of).toList();
        List<Integer> own = new ArrayList<>();
        for (int l = 0; l < lines.size(); l++) {
            Said plain = Said.of(lines.get(l), taking.show(), catalogue);
            if (l == 0 && isTitle(plain, lines)) {
                plainly.add(plain);
                said.put(l, new ArrayList<>(List.of(entitled(lines.getFirst()))));
                continue;
            }
            Said tried = taking.take(plain);
            said.put(l, new ArrayList<>());
            if (tried.isClear() || plain.isClear()) said.get(l).add(tried);
            else own.add(l);
            plainly.add(plain);
        }
        if (!own.isEmpty())
            read(
                    lines,
                    own,
                    Reading.of(String.join("\n", raw), known(), answered, !own.contains(0)));
        List<Said> all = new ArrayList<>();
        List<String> left = new ArrayList<>();
        for (int l = 0; l < lines.size(); l++) {
            all.addAll(said.get(l));
            if (said.get(l).stream().noneMatch(Said::isClear)) left.add(lines.get(l));
        }
        return new Page(text, before, all, left, Saying.edit(all, before, inOrder(taking.show())));
    }

    private List<String> known() {
        return taking.show().cast().people().stream().map(Person::name).toList();
    }

    /// Whether the first line is what the show is called: the show has no title yet, and the line
    /// says nothing else but, at most, a name.
    private boolean isTitle(Said first, List<String> lines) {
        String line = lines.getFirst();
        boolean nothingElse =
                !first.isClear()
                        || first.meant() instanceof Meaning.Somebody
                                && Spoken.parts(line).size() == 1;
        return before.equals(Show.untitled())
                && lines.size() > 1
                && nothingElse
                && line.split(" ").length <= LONGEST_TITLE;
    }

    private Said entitled(String title) {
        return taking.take(Said.titled(title, taking.show()));
    }

    /// The parts of the evening in the order in which they were said.
    private Show inOrder(Show show) {
        Map<String, Integer> lines = new HashMap<>();
        said.forEach(
                (line, all) -> {
                    for (Said one : all)
                        if (one.isClear() && one.meant() instanceof Meaning.Part part)
                            lines.putIfAbsent(part.name(), line);
                });
        List<Scene> scenes = new ArrayList<>(show.scenes());
        scenes.sort(Comparator.comparingInt(scene -> lines.getOrDefault(scene.name(), -1)));
        return scenes.equals(show.scenes())
                ? show
                : show.withRundown(show.rundown().withScenes(scenes));
    }

    private void read(List<String> lines, List<Integer> own, Facts facts) {
        for (Reworded.Line line : Reworded.of(facts, own::contains)) {
            Said plain = Said.of(line.words(), taking.show(), catalogue);
            // what names nobody who is there is left out, the rest holds
            String words = line.words();
            for (String part : plain.unclear()) words = words.replace(", " + part, "");
            if (!words.equals(line.words())) plain = Said.of(words, taking.show(), catalogue);
            if (isThere(plain)) continue;
            Said tried = taking.take(plain).from(lines.get(line.line()), line.sure());
            if (tried.isClear()) said.get(line.line()).add(tried);
        }
        for (int l : own) {
            if (!said.get(l).isEmpty()) continue;
            String line = lines.get(l);
            boolean aside = facts.aside().stream().anyMatch(text -> Line.of(text).equals(line));
            said.get(l).add(aside ? Said.aside(line) : left(facts, l, line));
        }
    }

    /// A line that stays: by what of it was not understood, where it begins as a plain one does.
    private Said left(Facts facts, int number, String line) {
        Said plain = plainly.get(number);
        boolean begins =
                plain.isSomething()
                        && !plain.unclear().isEmpty()
                        && !line.startsWith(plain.unclear().getFirst());
        if (begins) return plain;
        boolean open = facts.asked().stream().anyMatch(asked -> Line.of(asked.line()).equals(line));
        return open ? Said.open(line) : Said.dark(line);
    }

    /// Somebody who was said before is not said again.
    private boolean isThere(Said plain) {
        return plain.meant() instanceof Meaning.Somebody who
                && taking.show().cast().people().stream()
                        .anyMatch(person -> person.name().equalsIgnoreCase(who.name()));
    }
}
