package rivulus.air;

import java.time.Duration;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import rivulus.check.Finding;
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
import rivulus.show.Show;
import rivulus.show.Source;
import rivulus.words.Words;

/// What one has to see while on air. Everything follows from the plan, the log and the clock.
///
/// @param presses what to press for the next scene; before the first, nothing
/// @param hears who hears whom now, a line for each ear
/// @param keys what every mute key really silences now
/// @param batteries which to look after, the soonest first
/// @param held callers who wait, with what they hear meanwhile
public record Board(
        Clocks clocks,
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

    private record Drawn(Proof proof, LocalDateTime at) {
        private Show show() {
            return proof.show();
        }

        Board board() {
            Clocks clocks = Clocks.of(show(), at);
            SceneProof scene =
                    clocks.now()
                            .flatMap(on -> proof.scene(on.id()))
                            .orElseGet(proof.scenes()::getFirst);
            List<Press> presses =
                    clocks.now().isPresent() && clocks.next().isPresent()
                            ? Press.between(
                                    scene, proof.scene(clocks.next().get().id()).orElseThrow())
                            : List.of();
            return new Board(clocks, presses, hears(scene), keys(scene), batteries(), held(scene));
        }

        private List<Line> hears(SceneProof scene) {
            List<Line> lines = new ArrayList<>();
            for (Ear ear : show().ears()) {
                if (ear.kind() == Ear.Kind.TRACK || ear.isNowhere()) continue;
                List<String> whom = new ArrayList<>();
                for (SceneProof.Heard cell : scene.of(ear.id()))
                    if (cell.hearing().levelDb() >= scene.limit(Limit.HEARD)
                            && !(ear.kind() == Ear.Kind.PERSON
                                    && ear.of().equals(cell.source().id())))
                        whom.add(Names.of(cell.source()));
                Optional<Finding> wrong =
                        scene.findingsOf(ear.id()).stream()
                                .filter(finding -> finding.severity().isSerious())
                                .findFirst();
                String hears = whom.isEmpty() ? "nobody" : Words.few(whom, NAMED);
                lines.add(
                        new Line(
                                ear.name(),
                                wrong.map(finding -> hears + ". " + finding.headline())
                                        .orElse(hears),
                                wrong.isPresent()));
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
                Optional<LocalDateTime> since =
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
                if (since.isEmpty()) {
                    lines.add(
                            new Line(
                                    name,
                                    "lasts %s from when it is switched on".formatted(lasts),
                                    false));
                    continue;
                }
                double on = Duration.between(since.get(), at).toSeconds() / 60.0;
                double left = battery.lastsMinutes() - on;
                lines.add(
                        new Line(
                                name,
                                left > 0
                                        ? "about %s left, until %s"
                                                .formatted(
                                                        Words.minutes(Math.floor(left)),
                                                        Clocks.time(
                                                                at.plusSeconds((long) (left * 60))))
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
