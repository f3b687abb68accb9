package rivulus.air;

import java.time.Duration;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.check.SceneProof;
import rivulus.desk.Silencing;
import rivulus.power.BatteryLife;
import rivulus.show.Ear;
import rivulus.show.Limit;
import rivulus.show.Logged;
import rivulus.show.MuteKey;
import rivulus.show.Names;
import rivulus.show.Person;
import rivulus.show.Show;
import rivulus.show.Tick;
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

    /// A battery that lasts no longer is to be swapped soon ~.
    private static final double SOON_MINUTES = 20;

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

    private static final class Drawn {
        private final Proof proof;
        private final LocalDateTime at;

        Drawn(Proof proof, LocalDateTime at) {
            this.proof = proof;
            this.at = at;
        }

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
            for (MuteKey key : show().mutes()) {
                String whom =
                        Words.list(
                                key.silences().stream()
                                        .flatMap(id -> show().cast().source(id).stream())
                                        .map(Names::of)
                                        .toList());
                Silencing.of(scene, key)
                        .ifPresent(
                                does -> lines.add(new Line(key.name(), does.words(whom), false)));
            }
            return lines;
        }

        /// When a battery would be empty, counted from when it was last seen to: from its place in
        /// the set-up, or from the last swap in the log.
        private List<Line> batteries() {
            return BatteryLife.all(proof.survey()).stream()
                    .map(Battery::new)
                    .sorted(Comparator.comparingDouble(Battery::left))
                    .map(Battery::line)
                    .toList();
        }

        /// One battery, and since when it runs.
        private final class Battery {
            private final BatteryLife life;
            private final Optional<LocalDateTime> since;

            Battery(BatteryLife life) {
                this.life = life;
                since =
                        show().day().log().reversed().stream()
                                .filter(line -> line.kind() == Logged.Kind.BATTERY)
                                .filter(line -> line.text().startsWith(name()))
                                .map(Logged::at)
                                .findFirst()
                                .or(
                                        () ->
                                                show().day()
                                                        .tick("place/" + life.device().id())
                                                        .map(Tick::at));
            }

            private String name() {
                return life.device().name();
            }

            /// In minutes; all of it where nobody switched it on yet.
            double left() {
                return since.map(on -> life.lastsMinutes() - minutes(on))
                        .orElse(life.lastsMinutes());
            }

            private double minutes(LocalDateTime on) {
                return Duration.between(on, at).toSeconds() / 60.0;
            }

            Line line() {
                String left = Words.minutes(Math.floor(left()));
                if (since.isEmpty())
                    return new Line(
                            name(), "lasts %s from when it is switched on".formatted(left), false);
                String words =
                        left() > 0
                                ? "about %s left, until %s"
                                        .formatted(
                                                left,
                                                Clocks.time(at.plusSeconds((long) (left() * 60))))
                                : "may be empty: swap it";
                return new Line(name(), words, left() < SOON_MINUTES);
            }
        }

        private List<Line> held(SceneProof scene) {
            List<Line> lines = new ArrayList<>();
            for (Person person : show().cast().people()) {
                if (!person.isCaller() || !scene.scene().quiet().contains(person.id())) continue;
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
