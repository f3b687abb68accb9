package rivulus.show;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Optional;
import java.util.SequencedMap;
import java.util.Set;
import java.util.function.Predicate;
import rivulus.disk.Extras;
import rivulus.disk.Worded;

/// What a feed is to carry, said step by step, so that it grows with the cast. A group means what
/// of it comes to the machine that mixes the feed; who is named is meant wherever they are.
///
/// @param at the point where the feed is mixed
/// @param steps what is put in and left out, in order; none for nothing at all
public record Mix(Ref at, List<Step> steps, Extras extras) {
    /// Levels beyond this are not said.
    public static final double MOST_DB = 60;

    public Mix {
        steps = List.copyOf(steps);
    }

    /// Something put in or left out.
    ///
    /// @param but whether it is left out
    /// @param db how loud it is put in, against nominal; 0 where it is left out
    public record Step(Who who, boolean but, double db) {
        /// Something put in at nominal.
        public static Step in(Who who) {
            return new Step(who, false, 0);
        }

        /// Something left out.
        public static Step out(Who who) {
            return new Step(who, true, 0);
        }
    }

    /// Who or what a step is about: a group, or one source.
    public sealed interface Who {
        /// Whether a source belongs to it.
        boolean has(Source source);
    }

    /// One source, by its id.
    public record One(String source) implements Who {
        @Override
        public boolean has(Source other) {
            return other.id().equals(source);
        }
    }

    /// Sources of a kind.
    public enum Group implements Who, Worded {
        /// Whatever sounds.
        EVERYTHING(_ -> true),
        /// What the public may hear: everything but talkback and alerts.
        PROGRAMME(s -> !isRole(s, Role.PRODUCER) && !isKind(s, Playback.Kind.ALERTS)),
        /// What an interpreter translates: the programme without interpreters.
        FLOOR(s -> PROGRAMME.has(s) && !isRole(s, Role.INTERPRETER)),
        /// Whoever speaks, but talkback.
        VOICES(s -> s instanceof Person && !isRole(s, Role.PRODUCER)),
        HOSTS(s -> isRole(s, Role.HOST)),
        GUESTS(s -> isRole(s, Role.GUEST)),
        CALLERS(s -> isRole(s, Role.CALLER)),
        INTERPRETERS(s -> isRole(s, Role.INTERPRETER)),
        /// The people in the room.
        AUDIENCE(s -> isRole(s, Role.AUDIENCE)),
        MUSIC(s -> isKind(s, Playback.Kind.MUSIC)),
        CUES(s -> isKind(s, Playback.Kind.CUES)),
        CLIPS(s -> isKind(s, Playback.Kind.CLIP)),
        ALERTS(s -> isKind(s, Playback.Kind.ALERTS)),
        /// Whoever produces.
        TALKBACK(s -> isRole(s, Role.PRODUCER));

        private final Predicate<Source> members;

        Group(Predicate<Source> members) {
            this.members = members;
        }

        @Override
        public boolean has(Source source) {
            return members.test(source);
        }

        private static boolean isRole(Source source, Role role) {
            return source instanceof Person person && person.role() == role;
        }

        private static boolean isKind(Source source, Playback.Kind kind) {
            return source instanceof Playback plays && plays.kind() == kind;
        }
    }

    /// What it carries of a cast, each with how loud it is put in, in dB against nominal; what was
    /// said last holds.
    public SequencedMap<String, Double> carried(Cast cast) {
        SequencedMap<String, Double> carried = new LinkedHashMap<>();
        for (Source source : cast.sources())
            level(source).ifPresent(db -> carried.put(source.id(), db));
        return carried;
    }

    private Optional<Double> level(Source source) {
        return last(source).filter(step -> !step.but()).map(Step::db);
    }

    /// Whether what holds of a source is said of it alone, not of a group.
    public boolean names(Source source) {
        return last(source).filter(step -> step.who() instanceof One).isPresent();
    }

    /// Whether a source has to be in it: *everything* lets through what must never be public,
    /// talkback and alerts, and does not ask for it.
    public boolean asksFor(Source source) {
        return last(source)
                .filter(step -> !step.but())
                .filter(step -> step.who() != Group.EVERYTHING || Group.PROGRAMME.has(source))
                .isPresent();
    }

    private Optional<Step> last(Source source) {
        return steps.reversed().stream().filter(step -> step.who().has(source)).findFirst();
    }

    /// The same without what is said about sources that are not there.
    public Mix of(Set<String> sources) {
        return new Mix(
                at,
                steps.stream()
                        .filter(s -> !(s.who() instanceof One(String id)) || sources.contains(id))
                        .toList(),
                extras);
    }

    /// By what id its feed is listened to in the graph.
    public String ear() {
        return earAt(at.toString());
    }

    /// By what id a feed that is mixed at a point is listened to in the graph: one that no ear of a
    /// show can have.
    public static String earAt(String at) {
        return "@" + at;
    }
}
