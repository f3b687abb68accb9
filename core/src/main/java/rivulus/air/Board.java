package rivulus.air;

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
import rivulus.show.Moment;
import rivulus.show.MuteKey;
import rivulus.show.Names;
import rivulus.show.Now;
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
    /// @param id of the device, person, listener or key
    /// @param urgent whether somebody has to do something about it soon
    public record Line(String id, String name, String words, boolean urgent) {}

    /// What the log says where a battery was swapped.
    public static String swapped(String name) {
        return name + ": swapped";
    }

    /// The board at a time.
    public static Board of(Proof proof, Now at) {
        return new Drawn(proof, at).board();
    }

    private static final class Drawn {
        private final Proof proof;
        private final Now at;

        Drawn(Proof proof, Now at) {
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
                                ear.id(),
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
                                does ->
                                        lines.add(
                                                new Line(
                                                        key.id(),
                                                        key.name(),
                                                        does.words(whom),
                                                        false)));
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
            private final Optional<Moment> since;

            Battery(BatteryLife life) {
                this.life = life;
                since =
                        show().day().log().reversed().stream()
                                .filter(line -> line.kind() == Logged.Kind.BATTERY)
                                .filter(this::isAbout)
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

            /// Lines that were written before they held whom they are about say it in words.
            private boolean isAbout(Logged line) {
                return line.about().isEmpty()
                        ? line.text().equals(swapped(name()))
                        : line.about().equals(life.device().id());
            }

            /// In minutes; all of it where nobody switched it on yet.
            double left() {
                return since.map(on -> life.lastsMinutes() - minutes(on))
                        .orElse(life.lastsMinutes());
            }

            private double minutes(Moment on) {
                return at.since(on).toSeconds() / 60.0;
            }

            Line line() {
                String left = Words.minutes(Math.floor(left()));
                if (since.isEmpty())
                    return new Line(
                            life.device().id(),
                            name(),
                            "lasts %s from when it is switched on".formatted(left),
                            false);
                String words =
                        left() > 0
                                ? "about %s left, until %s".formatted(left, at.after(left()))
                                : "may be empty: swap it";
                return new Line(life.device().id(), name(), words, left() < SOON_MINUTES);
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
                                person.id(),
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
