package rivulus.show;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;

/// Who must, may and must not hear whom: the defaults that follow from roles, and the exceptions.
/// May be shared between threads.
public final class Brief {
    private static final Set<Role> ON_AIR = Set.of(Role.HOST, Role.GUEST, Role.INTERPRETER);

    private final Show show;
    private final Defaults defaults;
    private final List<Standing> lasting = new ArrayList<>();
    private final Map<Resting, List<Standing>> ofScenes = new ConcurrentHashMap<>();

    /// All that wishes take from a scene.
    private record Resting(String scene, List<String> quiet) {}

    private Brief(Show show, Defaults defaults) {
        this.show = show;
        this.defaults = defaults;
        for (Ear ear : show.ears())
            for (Source source : show.sources()) lasting.add(lasting(ear, source));
    }

    /// The brief of a show under those defaults.
    public static Brief of(Show show, Defaults defaults) {
        return new Brief(show, defaults);
    }

    /// What holds for an ear and a source in a scene, and why.
    ///
    /// An exception for that very scene comes first. Somebody who rests in the scene must not reach
    /// the public and need not reach anybody; what rests of playback is not started, so that
    /// nothing can be wrong with it. Then an exception for the whole show, then the
    /// defaults.
    public Standing wish(Ear ear, Source source, Scene scene) {
        for (WishChange change : show.changes()) {
            if (!change.scene().isEmpty() && change.covers(ear.id(), source.id(), scene.id())) {
                return new Standing(change.wish(), change.reason(), true);
            }
        }
        Standing lasting = lasting(ear, source);
        if (!scene.quiet().contains(source.id())) return lasting;
        if (source instanceof Playback)
            return new Standing(
                    Wish.MAY, "%s is not started in this scene.".formatted(source.name()), false);
        if (lasting.wish() != Wish.MUST) return lasting;
        boolean own = ear.of().equals(source.id());
        return new Standing(
                ear.isPublic() && !own ? Wish.MUST_NOT : Wish.MAY,
                "%s rests in this scene.".formatted(source.name()),
                false);
    }

    /// What holds in a scene, ear by ear and in each source by source, in the order of the show.
    public List<Standing> wishes(Scene scene) {
        return ofScenes.computeIfAbsent(
                new Resting(scene.id(), scene.quiet()), _ -> wishesOf(scene));
    }

    private List<Standing> wishesOf(Scene scene) {
        List<Standing> wishes = new ArrayList<>(lasting);
        List<Source> sources = show.sources();
        for (int e = 0; e < show.ears().size(); e++) {
            Ear ear = show.ears().get(e);
            for (int s = 0; s < sources.size(); s++) {
                Source source = sources.get(s);
                if (saysMore(scene, ear, source))
                    wishes.set(e * sources.size() + s, wish(ear, source, scene));
            }
        }
        return Collections.unmodifiableList(wishes);
    }

    private boolean saysMore(Scene scene, Ear ear, Source source) {
        if (scene.quiet().contains(source.id())) return true;
        for (WishChange change : show.changes())
            if (change.scene().equals(scene.id())
                    && change.covers(ear.id(), source.id(), scene.id())) return true;
        return false;
    }

    /// What holds for an ear and a source when no scene has a say.
    public Standing lasting(Ear ear, Source source) {
        for (WishChange change : show.changes()) {
            if (change.scene().isEmpty() && change.covers(ear.id(), source.id(), "")) {
                return new Standing(change.wish(), change.reason(), true);
            }
        }
        return byRole(ear, source);
    }

    /// What the defaults say, exceptions left out.
    public Standing byRole(Ear ear, Source source) {
        String listener =
                show.cast()
                        .person(ear.of())
                        .filter(_ -> ear.kind() == Ear.Kind.PERSON)
                        .map(Person::part)
                        .orElse(ear.kind().word());
        boolean own = ear.of().equals(source.id());
        for (Default row : defaults.rows()) {
            if (!row.fits(listener, source, own)) continue;
            boolean licensed =
                    source instanceof Playback plays && plays.licensed().contains(ear.kind());
            if (own && row.wish() == Wish.MAY) return ownVoice(source, row);
            return licensed && row.wish() == Wish.MUST_NOT
                    ? new Standing(Wish.MAY, "It is licensed for that.", false)
                    : new Standing(row.wish(), row.why(), false);
        }
        return new Standing(Wish.MAY, "Nothing is said about it.", false);
    }

    /// Whether people on air hear themselves is a matter of how one likes to work.
    private Standing ownVoice(Source source, Default row) {
        Optional<Habit.Way> said = show.habits().of(Habit.OWN_VOICE);
        boolean onAir = source instanceof Person person && ON_AIR.contains(person.role());
        if (said.isEmpty() || !onAir) return new Standing(row.wish(), row.why(), false);
        return new Standing(
                said.get().word().equals("none") ? Wish.MUST_NOT : Wish.MUST,
                "%s %s, as the show has it."
                        .formatted(Habit.OWN_VOICE.about(), said.get().phrase()),
                false);
    }

    /// A wish with its reason.
    ///
    /// @param excepted whether somebody asked for it, against the defaults
    public record Standing(Wish wish, String why, boolean excepted) {}

    /// One row of the defaults; the first that fits holds.
    ///
    /// @param ears listeners by role or kind, or `*`
    /// @param sources sources by role or kind, `own` for the one the ear belongs to, `voice` for
    ///     any person, or `*`
    public record Default(List<String> ears, List<String> sources, Wish wish, String why) {
        public Default {
            ears = List.copyOf(ears);
            sources = List.copyOf(sources);
        }

        boolean fits(String listener, Source source, boolean own) {
            boolean ear = ears.contains("*") || ears.contains(listener);
            if (!ear) return false;
            if (own) return sources.contains("own");
            return sources.contains("*")
                    || sources.contains(source.part())
                    || source instanceof Person && sources.contains("voice");
        }
    }

    /// The defaults, first match first. They ship as data.
    public record Defaults(List<Default> rows) {
        public Defaults {
            rows = List.copyOf(rows);
        }
    }
}
