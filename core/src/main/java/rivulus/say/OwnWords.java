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
    /// What a line that is put aside is read as.
    private static final String NOTHING = "\u00b7";

    /// A title has so many words at most.
    private static final int LONGEST_TITLE = 10;

    private final String text;
    private final Show before;
    private final Catalogue catalogue;
    private final Answers answers;
    private final Taking taking;
    /// What each line is, read as a plain one.
    private final List<Said> plainly = new ArrayList<>();
    /// What each line came to, by its number.
    private final Map<Integer, List<Said>> said = new TreeMap<>();

    /// @param answers what was said of what was read before
    OwnWords(String text, Show show, Catalogue catalogue, Answers answers) {
        this.answers = answers;
        this.text = text;
        this.before = show;
        this.catalogue = catalogue;
        taking = new Taking(show, catalogue);
    }

    Page page() {
        List<String> raw =
                new ArrayList<>(text.lines().filter(line -> !Line.of(line).isEmpty()).toList());
        List<String> lines = raw.stream().map(Line::of).toList();
        List<Integer> own = new ArrayList<>();
        for (int l = 0; l < lines.size(); l++) {
            if (answers.aside().contains(lines.get(l))) {
                raw.set(l, NOTHING);
                plainly.add(Said.dark(lines.get(l)));
                said.put(l, new ArrayList<>(List.of(Said.aside(lines.get(l)))));
                continue;
            }
            Said plain = Said.of(lines.get(l), taking.show(), catalogue);
            Said title = Said.titled(lines.get(l), taking.show());
            if (l == 0 && isTitle(plain, lines) && !Answers.holds(answers.wrong(), title)) {
                boolean looked = Answers.holds(answers.right(), title);
                plainly.add(plain);
                said.put(
                        l, new ArrayList<>(List.of(taking.take(title).from(title.line(), looked))));
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
                    Reading.of(
                            String.join("\n", raw),
                            known(),
                            line -> answers.isTaken(Line.of(line)),
                            !own.contains(0)));
        List<Said> all = new ArrayList<>();
        List<String> left = new ArrayList<>();
        for (int l = 0; l < lines.size(); l++) {
            all.addAll(said.get(l));
            if (said.get(l).stream().noneMatch(Said::isClear)) left.add(lines.get(l));
        }
        return new Page(
                text,
                before,
                all,
                left,
                choices(all),
                Saying.edit(all, before, inOrder(taking.show())));
    }

    /// What lines that leave something open would be taken as.
    private Map<String, List<String>> choices(List<Said> all) {
        if (all.stream().noneMatch(Said::isOpen)) return Map.of();
        Page taken = new OwnWords(text, before, catalogue, answers.first()).page();
        Map<String, List<String>> choices = new HashMap<>();
        for (Said open : all)
            if (open.isOpen())
                choices.put(
                        open.line(),
                        taken.lines().stream()
                                .filter(one -> one.line().equals(open.line()) && one.isClear())
                                .map(Said::words)
                                .toList());
        return choices;
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
            Said one = plain.from(lines.get(line.line()), line.sure());
            if (Answers.holds(answers.wrong(), one)) continue;
            boolean looked = Answers.holds(answers.right(), one);
            Said tried = taking.take(one).from(one.line(), line.sure() || looked);
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
