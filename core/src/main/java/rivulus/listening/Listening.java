package rivulus.listening;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import rivulus.gear.Catalogue;
import rivulus.show.Ear;
import rivulus.show.Habit;
import rivulus.show.Limit;
import rivulus.show.Limits;
import rivulus.show.Ref;
import rivulus.show.Show;
import rivulus.show.Source;

/// Where something could listen, found by listening: every point of the rig where sound ends is
/// given an ear, and what it hears decides.
///
/// Costs one compiling and one tracing of the show.
public final class Listening {
    /// What is not heard at all counts as this.
    private static final double SILENCE_DB = -120;

    private final Show show;
    private final Catalogue shipped;
    private final List<Ref> points;
    private Probes probes;

    /// Listening in a show whose templates are in the catalogue.
    public Listening(Show show, Catalogue catalogue) {
        this.show = show;
        shipped = catalogue;
        points = Points.listening(show, show.kinds(catalogue));
    }

    /// The show with those of some ears that listen nowhere yet put where they belong, as far as
    /// that is plain: a track where its voice is heard and no other as well; a listener where a
    /// point is called so.
    public Show placed(Set<String> ears) {
        return placed(ears, "");
    }

    /// The same at one device, where what is called otherwise will do.
    ///
    /// @param device its id, or empty for any
    public Show placed(Set<String> ears, String device) {
        List<Ear> placed = new ArrayList<>();
        for (Ear ear : show.ears())
            placed.add(
                    ears.contains(ear.id()) && ear.isNowhere()
                            ? place(ear, device).map(at -> ear.at(List.of(at))).orElse(ear)
                            : ear);
        return show.withEars(placed);
    }

    /// Where an ear that listens nowhere yet might: where it plainly belongs, then what carries
    /// most of some sources, each once; a house by its loudspeakers, then by the ears of its
    /// audience.
    ///
    /// @param wanted the ids of those it must hear
    public List<Ref> likely(Ear ear, Set<String> wanted, int most) {
        Set<Ref> likely = new LinkedHashSet<>();
        boolean house = ear.kind() == Ear.Kind.HOUSE;
        if (!house) place(ear, "").ifPresent(likely::add);
        List<Ref> there = new ArrayList<>();
        if (house) there.addAll(Points.filling(show, show.kinds(shipped)));
        for (Ref at : points)
            if (house == show.cast().person(at.device()).isPresent()) there.add(at);
        Probes heard = new Probes(show, shipped, there);
        Map<Ref, Long> counts = new LinkedHashMap<>();
        double least = show.checks().limits().get(Limit.FAINT);
        for (Ref at : there)
            counts.put(
                    at,
                    wanted.stream().filter(source -> heard.levelDb(at, source) > least).count());
        there.stream()
                .filter(at -> counts.get(at) > 0)
                .sorted(Comparator.comparing(counts::get, Comparator.reverseOrder()))
                .limit(most)
                .forEach(likely::add);
        return likely.stream().limit(most).toList();
    }

    private Optional<Ref> place(Ear ear, String device) {
        List<Ref> there =
                points.stream()
                        .filter(at -> device.isEmpty() || at.device().equals(device))
                        .toList();
        if (ear.kind() == Ear.Kind.TRACK) return track(ear, there);
        if (ear.kind() == Ear.Kind.HOUSE && !device.isEmpty()) return loudspeakers(device);
        Optional<Ref> called = there.stream().filter(at -> isCalled(at, ear)).findFirst();
        return called.isPresent() || device.isEmpty()
                ? called
                : there.stream().max(Comparator.comparingInt(this::heard));
    }

    /// Where the loudspeakers of a device fill a room.
    private Optional<Ref> loudspeakers(String device) {
        return Points.filling(show, show.kinds(shipped)).stream()
                .filter(at -> at.device().equals(device))
                .findFirst();
    }

    /// Whether a point is called what the ear is: "stream", "second language", the audience's ears.
    private boolean isCalled(Ref at, Ear ear) {
        if (ear.kind() == Ear.Kind.HOUSE) return show.cast().person(at.device()).isPresent();
        return Points.called(Points.words(at, show, show.kinds(shipped)))
                .equals(Optional.of(ear.kind()));
    }

    /// The point that hears a voice, and of all others no more than bleeds.
    private Optional<Ref> track(Ear ear, List<Ref> there) {
        Limits limits = show.checks().limits();
        return there.stream()
                .filter(at -> level(at, ear.of()) > limits.get(Limit.HEARD))
                .filter(at -> apart(at, ear.of()) > -limits.get(Limit.BLEED))
                .max(
                        Comparator.comparing((Ref at) -> isTakenAsLiked(at, ear.of()))
                                .thenComparingDouble(at -> apart(at, ear.of())));
    }

    /// Whether a voice is taken before or after its fader, as somebody likes it; true where nobody
    /// has said.
    private boolean isTakenAsLiked(Ref at, String voice) {
        return show.habits()
                .of(Habit.TAPS)
                .map(way -> way.word().equals("post") == probes().passesFader(at, voice))
                .orElse(true);
    }

    /// By how much a point hears one source above the loudest other, in dB.
    private double apart(Ref at, String source) {
        double others = Double.NEGATIVE_INFINITY;
        for (Source other : show.sources())
            if (!other.id().equals(source)) others = Math.max(others, level(at, other.id()));
        return level(at, source) - Math.max(others, SILENCE_DB);
    }

    /// How many sources a point hears.
    private int heard(Ref at) {
        double least = show.checks().limits().get(Limit.HEARD);
        return (int) show.sources().stream().filter(s -> level(at, s.id()) > least).count();
    }

    private double level(Ref at, String source) {
        return probes().levelDb(at, source);
    }

    private Probes probes() {
        if (probes == null) probes = new Probes(show, shipped, points);
        return probes;
    }
}
