package rivulus.show;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import rivulus.disk.Extras;
import rivulus.gear.Keyed;

/// What happened with a plan: how far the set-up is, what the soundcheck said, the log, and what to
/// do otherwise the next time. Nothing of it changes what is planned.
///
/// @param ticks what became of the steps of the set-up
/// @param answers of the soundcheck, the last one for each ear, source and scene
/// @param log in the order in which it was written, whatever the clock said
public record Day(
        List<Tick> ticks,
        List<Answer> answers,
        List<Logged> log,
        List<Lesson> lessons,
        Extras extras) {
    /// Nothing has happened yet.
    public static final Day AHEAD =
            new Day(List.of(), List.of(), List.of(), List.of(), Extras.NONE);

    public Day {
        ticks = Keyed.copyOf(ticks, Tick::id);
        answers = List.copyOf(answers);
        log = List.copyOf(log);
        lessons = Keyed.copyOf(lessons, Lesson::id);
    }

    /// What became of a step.
    public Optional<Tick> tick(String step) {
        return Keyed.find(ticks, step);
    }

    /// The same with a step ticked, in place of any other tick of it.
    public Day with(Tick tick) {
        List<Tick> all = new ArrayList<>(without(tick.id()).ticks);
        all.add(tick);
        return new Day(all, answers, log, lessons, extras);
    }

    /// The same with a step open again.
    public Day without(String step) {
        List<Tick> all = new ArrayList<>(ticks);
        all.removeIf(tick -> tick.id().equals(step));
        return new Day(all, answers, log, lessons, extras);
    }

    /// The last answer about a source at an ear in a scene.
    public Optional<Answer> answer(String ear, String source, String scene) {
        return answers.stream()
                .filter(
                        answer ->
                                answer.ear().equals(ear)
                                        && answer.source().equals(source)
                                        && answer.scene().equals(scene))
                .findFirst();
    }

    /// The same with an answer in place of any other about the same.
    public Day with(Answer answer) {
        List<Answer> all = new ArrayList<>(answers);
        all.removeIf(answer::replaces);
        all.add(answer);
        return new Day(ticks, all, log, lessons, extras);
    }

    /// The same with one more line in the log, a thousandth later where there is one of that very
    /// moment.
    public Day logged(Logged line) {
        Moment when = line.at();
        while (isTaken(when)) when = when.next();
        List<Logged> all = new ArrayList<>(log);
        all.add(
                new Logged(
                        when, line.kind(), line.scene(), line.about(), line.text(), line.extras()));
        return new Day(ticks, answers, all, lessons, extras);
    }

    private boolean isTaken(Moment when) {
        return log.stream().anyMatch(line -> line.at().isOnTheWallAt(when));
    }

    /// When the last thing happened, by the count; of what was not counted, the last line.
    public Optional<Moment> last() {
        return Stream.of(
                        ticks.stream().map(Tick::at),
                        answers.stream().map(Answer::at),
                        log.stream().map(Logged::at))
                .flatMap(moments -> moments)
                .reduce(Moment::later);
    }

    /// The same without a line of the log.
    public Day without(Logged line) {
        List<Logged> all = new ArrayList<>(log);
        all.remove(line);
        return new Day(ticks, answers, all, lessons, extras);
    }

    /// The same with a lesson in place of the one of that id, or as one more.
    public Day with(Lesson lesson) {
        List<Lesson> all = new ArrayList<>(lessons);
        int at = all.stream().map(Lesson::id).toList().indexOf(lesson.id());
        if (at < 0) all.add(lesson);
        else all.set(at, lesson);
        return new Day(ticks, answers, log, all, extras);
    }

    /// The same with a lesson learned.
    public Day learned(String text, String from) {
        int n = 1;
        while (Keyed.find(lessons, "lesson-" + n).isPresent()) n++;
        return with(new Lesson("lesson-" + n, text, from, false, Extras.NONE));
    }

    /// The same without a lesson.
    public Day without(Lesson lesson) {
        List<Lesson> all = new ArrayList<>(lessons);
        all.removeIf(other -> other.id().equals(lesson.id()));
        return new Day(ticks, answers, log, all, extras);
    }

    /// What is left of it for the next evening: the lessons that were not taken to heart, each
    /// with where it is from.
    ///
    /// @param evening the title of this one
    public Day next(String evening) {
        List<Lesson> open =
                lessons.stream()
                        .filter(lesson -> !lesson.taken())
                        .map(
                                lesson ->
                                        lesson.from().isEmpty()
                                                ? new Lesson(
                                                        lesson.id(),
                                                        lesson.text(),
                                                        evening,
                                                        false,
                                                        lesson.extras())
                                                : lesson)
                        .toList();
        return new Day(List.of(), List.of(), List.of(), open, Extras.NONE);
    }
}
