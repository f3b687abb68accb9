package rivulus.air;

import java.time.Duration;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import rivulus.check.Proof;
import rivulus.check.SceneProof;
import rivulus.gear.Power;
import rivulus.hearing.Tracer;
import rivulus.power.BatteryLife;
import rivulus.show.Ear;
import rivulus.show.Limit;
import rivulus.show.Logged;
import rivulus.show.MuteKey;
import rivulus.show.Names;
import rivulus.show.Person;
import rivulus.show.Role;
import rivulus.show.Scene;
import rivulus.show.Show;
import rivulus.show.Source;
import rivulus.words.Words;

/// What one has to see while on air. Everything follows from the plan, the log and the clock.
///
/// @param now the scene that is on; empty before the first
/// @param next the one after it; empty in the last
/// @param clock how the time of the scene is, as "4 min left", "2 min over"
/// @param evening how the time of the evening is
/// @param presses what to press for the next scene; before the first, nothing
/// @param hears who hears whom now, a line for each ear
/// @param keys what every mute key really silences now
/// @param batteries which to look after, the soonest first
/// @param held callers who wait, with what they hear meanwhile
public record Board(
        Optional<Scene> now,
        Optional<Scene> next,
        String clock,
        String evening,
        List<Press> presses,
        List<Line> hears,
        List<Line> keys,
        List<Line> batteries,
        List<Line> held) {
    private static final int NAMED = 6;

    public Board {
        presses = List.copyOf(presses);
        hears = List.copyOf(hears);
        keys = List.copyOf(keys);
        batteries = List.copyOf(batteries);
        held = List.copyOf(held);
    }

    /// One thing and what is to be said of it.
    ///
    /// @param urgent whether somebody has to do something about it soon
    public record Line(String name, String words, boolean urgent) {}

    /// The board at a time.
    public static Board of(Proof proof, LocalDateTime at) {
        return new Drawn(proof, at).board();
    }

    /// The scene that a log says is on.
    public static Optional<Scene> on(Show show) {
        return began(show).flatMap(line -> show.scene(line.scene()));
    }

    private static Optional<Logged> began(Show show) {
        return show.day().log().reversed().stream()
                .filter(line -> line.kind() == Logged.Kind.SCENE)
                .filter(line -> show.scene(line.scene()).isPresent())
                .findFirst();
    }

    /// Minutes to air; negative once it has begun; empty where nobody said when that is.
    public static Optional<Double> toAir(Show show, LocalDateTime at) {
        if (show.occasion().air().isEmpty()) return Optional.empty();
        String[] parts = show.occasion().air().split(":");
        LocalTime air = LocalTime.of(Integer.parseInt(parts[0]), Integer.parseInt(parts[1]));
        LocalDateTime day = at.toLocalDate().atTime(air);
        // who looks after midnight is still in last evening's show
        if (Duration.between(day, at).toHours() < -HALF_A_DAY) day = day.minusDays(1);
        if (Duration.between(day, at).toHours() > HALF_A_DAY) day = day.plusDays(1);
        return Optional.of(Duration.between(at, day).toSeconds() / 60.0);
    }

    private static final long HALF_A_DAY = 12;

    private record Drawn(Proof proof, LocalDateTime at) {
        private Show show() {
            return proof.show();
        }

        Board board() {
            Optional<Logged> began = began(show());
            Optional<Scene> now = began.flatMap(line -> show().scene(line.scene()));
            int place = now.map(scene -> show().scenes().indexOf(scene)).orElse(-1);
            Optional<Scene> next =
                    place + 1 < show().scenes().size()
                            ? Optional.of(show().scenes().get(place + 1))
                            : Optional.empty();
            SceneProof scene =
                    now.flatMap(s -> proof.scene(s.id())).orElseGet(proof.scenes()::getFirst);
            List<Press> presses =
                    now.isPresent() && next.isPresent()
                            ? Press.between(scene, proof.scene(next.get().id()).orElseThrow())
                            : List.of();
            return new Board(
                    now,
                    next,
                    clock(began, now),
                    evening(place),
                    presses,
                    hears(scene),
                    keys(scene),
                    batteries(),
                    held(scene));
        }

        private double since(LocalDateTime then) {
            return Duration.between(then, at).toSeconds() / 60.0;
        }

        private String clock(Optional<Logged> began, Optional<Scene> now) {
            if (now.isEmpty())
                return toAir(show(), at)
                        .map(
                                minutes ->
                                        minutes >= 0
                                                ? Words.minutes(Math.ceil(minutes)) + " to air"
                                                : Words.minutes(Math.floor(-minutes)) + " late")
                        .orElse("not on air yet");
            double on = since(began.orElseThrow().at());
            double minutes = now.get().minutes();
            if (minutes == 0) return "on for " + Words.minutes(Math.floor(on));
            return on <= minutes
                    ? Words.minutes(Math.ceil(minutes - on)) + " left"
                    : Words.minutes(Math.floor(on - minutes)) + " over";
        }

        /// What is behind, and when it would end if everything from here took as long as planned.
        private String evening(int place) {
            List<String> words = new ArrayList<>();
            Optional<Logged> first =
                    show().day().log().stream()
                            .filter(line -> line.kind() == Logged.Kind.SCENE)
                            .findFirst();
            first.ifPresent(
                    line -> words.add("on air for " + Words.minutes(Math.floor(since(line.at())))));
            double left = 0;
            for (int s = place + 1; s < show().scenes().size(); s++)
                left += show().scenes().get(s).minutes();
            if (place >= 0) {
                double on = since(began(show()).orElseThrow().at());
                left += Math.max(0, show().scenes().get(place).minutes() - on);
            }
            if (left > 0)
                words.add(
                        "ends about "
                                + at.plusSeconds((long) (left * 60))
                                        .toLocalTime()
                                        .withSecond(0)
                                        .withNano(0));
            return String.join(", ", words);
        }

        private List<Line> hears(SceneProof scene) {
            List<Line> lines = new ArrayList<>();
            for (Ear ear : show().ears()) {
                if (ear.kind() == Ear.Kind.TRACK || ear.isNowhere()) continue;
                List<String> whom = new ArrayList<>();
                for (SceneProof.Heard cell : scene.of(ear.id()))
                    if (cell.hearing().levelDb() >= scene.limit(Limit.HEARD)
                            && !ear.of().equals(cell.source().id()))
                        whom.add(Names.of(cell.source()));
                boolean wrong =
                        scene.findingsOf(ear.id()).stream()
                                .anyMatch(finding -> finding.severity().isSerious());
                lines.add(
                        new Line(
                                ear.name(),
                                whom.isEmpty() ? "nobody" : Words.few(whom, NAMED),
                                wrong));
            }
            return lines;
        }

        private List<Line> keys(SceneProof scene) {
            List<Line> lines = new ArrayList<>();
            double least = scene.limit(Limit.HEARD);
            for (MuteKey key : show().mutes()) {
                Tracer pressed = scene.with(key.knob(), key.to());
                List<String> still = new ArrayList<>();
                boolean heard = false;
                for (String id : key.silences()) {
                    Optional<Source> source = show().cast().source(id);
                    if (source.isEmpty()) continue;
                    for (Ear ear : show().ears()) {
                        if (ear.kind() == Ear.Kind.TRACK || ear.of().equals(id)) continue;
                        boolean was = scene.of(ear.id(), id).hearing().levelDb() >= least;
                        heard |= was;
                        if (was && pressed.hearing(ear.id(), id).levelDb() >= least)
                            still.add(Names.of(ear));
                    }
                }
                List<String> whom =
                        key.silences().stream()
                                .flatMap(id -> show().cast().source(id).stream())
                                .map(Names::of)
                                .toList();
                String words =
                        !heard
                                ? "nobody hears %s now".formatted(Words.list(whom))
                                : still.isEmpty()
                                        ? "silences %s for everybody".formatted(Words.list(whom))
                                        : "silences %s, but not for %s"
                                                .formatted(
                                                        Words.list(whom),
                                                        Words.few(
                                                                still.stream().distinct().toList(),
                                                                NAMED));
                lines.add(new Line(key.name(), words, false));
            }
            return lines;
        }

        /// When a battery would be empty, counted from when it was last seen to: from its place in
        /// the set-up, or from the last swap in the log.
        private List<Line> batteries() {
            List<Line> lines = new ArrayList<>();
            for (BatteryLife battery : BatteryLife.all(proof.survey())) {
                if (proof.survey().runsOn(battery.device()) != Power.Source.BATTERY) continue;
                String name = battery.device().name();
                Optional<LocalDateTime> on =
                        show().day().log().reversed().stream()
                                .filter(line -> line.kind() == Logged.Kind.BATTERY)
                                .filter(line -> line.text().startsWith(name))
                                .map(Logged::at)
                                .findFirst()
                                .or(
                                        () ->
                                                show().day()
                                                        .tick("place/" + battery.device().id())
                                                        .map(tick -> tick.at()));
                String lasts = Words.minutes(Math.floor(battery.lastsMinutes()));
                if (on.isEmpty()) {
                    lines.add(
                            new Line(
                                    name,
                                    "lasts %s from when it is switched on".formatted(lasts),
                                    false));
                    continue;
                }
                double left = battery.lastsMinutes() - since(on.get());
                lines.add(
                        new Line(
                                name,
                                left > 0
                                        ? "about %s left, until %s"
                                                .formatted(
                                                        Words.minutes(Math.floor(left)),
                                                        at.plusSeconds((long) (left * 60))
                                                                .toLocalTime()
                                                                .withSecond(0)
                                                                .withNano(0))
                                        : "may be empty: swap it",
                                left < SOON_MINUTES));
            }
            return lines;
        }

        private static final double SOON_MINUTES = 20;

        private List<Line> held(SceneProof scene) {
            List<Line> lines = new ArrayList<>();
            for (Person person : show().cast().people()) {
                if (person.role() != Role.CALLER || !scene.scene().quiet().contains(person.id()))
                    continue;
                List<String> hears = new ArrayList<>();
                for (Ear ear : show().ears()) {
                    if (ear.kind() != Ear.Kind.PERSON || !ear.of().equals(person.id())) continue;
                    for (SceneProof.Heard cell : scene.of(ear.id()))
                        if (cell.hearing().levelDb() >= scene.limit(Limit.HEARD)
                                && !cell.source().id().equals(person.id()))
                            hears.add(Names.of(cell.source()));
                }
                lines.add(
                        new Line(
                                person.name(),
                                hears.isEmpty()
                                        ? "waits and hears nothing: say a word now and then"
                                        : "waits and hears " + Words.few(hears, NAMED),
                                false));
            }
            return lines;
        }
    }
}
