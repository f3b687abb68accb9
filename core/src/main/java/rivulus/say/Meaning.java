package rivulus.say;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import rivulus.gear.Template;
import rivulus.show.Aim;
import rivulus.show.Ear;
import rivulus.show.Loudness;
import rivulus.show.Names;
import rivulus.show.Playback;
import rivulus.show.Role;
import rivulus.show.Show;
import rivulus.show.Wish;
import rivulus.words.Words;

/// What a line can mean.
public sealed interface Meaning {
    /// What was understood, part by part.
    ///
    /// @param show the show that it was read in
    List<String> words(Show show);

    /// Somebody.
    ///
    /// @param place the name of where they are; empty where nobody said
    /// @param by how somebody comes in from afar; empty for who is here
    /// @param speaks whether anybody is meant to hear them
    /// @param count how many they are
    record Somebody(
            String name,
            Role role,
            String place,
            String by,
            String pronoun,
            boolean speaks,
            int count,
            Loudness loudness)
            implements Meaning {
        @Override
        public List<String> words(Show show) {
            List<String> words = new ArrayList<>(List.of(name, role.word()));
            if (count > 1) words.add(count + " people");
            if (!by.isEmpty()) words.add("afar, by " + by);
            if (!place.isEmpty()) words.add("in " + place);
            if (!pronoun.equals("they")) words.add(pronoun);
            if (loudness != Loudness.NORMALLY) words.add(loudness.words());
            if (!speaks) words.add("only listens");
            else if (role == Role.AUDIENCE) words.add("speaks");
            return words;
        }
    }

    /// A part of the evening.
    ///
    /// @param minutes 0 where nobody said
    /// @param rests the ids of the sources that rest in it
    record Part(String name, double minutes, List<String> rests) implements Meaning {
        public Part {
            rests = List.copyOf(rests);
        }

        @Override
        public List<String> words(Show show) {
            List<String> words = new ArrayList<>(List.of("scene " + name));
            if (minutes > 0) words.add(Words.minutes(minutes));
            for (String id : rests)
                show.cast().source(id).ifPresent(source -> words.add(source.name() + " rests"));
            return words;
        }
    }

    /// Something that listens and is no person.
    ///
    /// @param at the id of the device it listens at; empty where nobody said
    record Listener(Ear.Kind kind, String at) implements Meaning {
        @Override
        public List<String> words(Show show) {
            return List.of(name(kind) + " listens" + whereAt(show, at));
        }
    }

    /// A track for everybody who speaks.
    ///
    /// @param at the id of the device that records them; empty where nobody said
    record Tracks(String at) implements Meaning {
        @Override
        public List<String> words(Show show) {
            return List.of("a track for every voice" + whereAt(show, at));
        }
    }

    /// Something that plays.
    ///
    /// @param by the id of the device that plays it, or of the computer that a player runs on;
    ///     empty where nobody said
    record Plays(String name, Playback.Kind kind, String by) implements Meaning {
        @Override
        public List<String> words(Show show) {
            List<String> words = new ArrayList<>(List.of(name, kind.word()));
            show.rig().device(by).ifPresent(device -> words.add("played by " + device.name()));
            return words;
        }
    }

    /// Gear.
    ///
    /// @param template the kind
    /// @param kind what it was called
    /// @param name its own name; empty where it is called by its kind
    /// @param pieces how many
    /// @param place the name of where it stands; empty where nobody said
    /// @param on the id of the computer that a program runs on; empty where none
    /// @param whose the ids of the people who each get one; empty where it is nobody's
    /// @param runs the programs that run on it
    record Gear(
            String template,
            String kind,
            String name,
            int pieces,
            String place,
            String on,
            List<String> whose,
            List<Gear> runs)
            implements Meaning {
        public Gear {
            whose = List.copyOf(whose);
            runs = List.copyOf(runs);
        }

        /// One piece that is nobody's.
        ///
        /// @param name empty where it is called by its kind
        /// @param on the computer it runs on, or empty
        static Gear one(Template kind, String name, String on) {
            return new Gear(kind.id(), kind.name(), name, 1, "", on, List.of(), List.of());
        }

        /// The same on a computer.
        Gear on(String computer) {
            return new Gear(template, kind, name, pieces, place, computer, whose, runs);
        }

        /// How many things that is, with what runs on each.
        long allPieces() {
            long each = 1;
            for (Gear program : runs) each += program.allPieces();
            return pieces * each;
        }

        /// The same, one for each of some people.
        Gear of(List<String> people) {
            return new Gear(template, kind, name, people.size(), place, on, people, runs);
        }

        @Override
        public List<String> words(Show show) {
            List<String> words = new ArrayList<>();
            words.add((pieces > 1 ? pieces + " × " : "") + (name.isEmpty() ? kind : name));
            if (!name.isEmpty() && !name.equals(kind)) words.add(kind);
            if (!place.isEmpty()) words.add("in " + place);
            show.rig().device(on).ifPresent(host -> words.add("on " + host.name()));
            if (!whose.isEmpty())
                words.add(
                        "for "
                                + Words.list(
                                        whose.stream()
                                                .flatMap(id -> show.cast().person(id).stream())
                                                .map(person -> person.name())
                                                .toList()));
            if (!runs.isEmpty())
                words.add(
                        "runs "
                                + Words.list(
                                        runs.stream()
                                                .map(g -> g.name().isEmpty() ? g.kind() : g.name())
                                                .toList()));
            return words;
        }
    }

    /// A lead, or whatever it takes, between machines.
    ///
    /// @param from the ids of the machines that sound comes from
    /// @param to the ids of the machines it goes to
    record Joins(List<String> from, List<String> to) implements Meaning {
        public Joins {
            from = List.copyOf(from);
            to = List.copyOf(to);
        }

        @Override
        public List<String> words(Show show) {
            return List.of("join " + names(show, from) + " to " + names(show, to));
        }

        private static String names(Show show, List<String> ids) {
            return Words.list(
                    ids.stream()
                            .flatMap(id -> show.rig().device(id).stream())
                            .map(device -> device.name())
                            .toList());
        }
    }

    /// A program that plays to, or hears, what a machine offers its computer.
    ///
    /// @param program its id
    /// @param picker the id of what is set on it
    /// @param option what it is set to: `desk/chat`
    /// @param said what it does then: "Call program plays to Show desk USB 1 call"
    record Picks(String program, String picker, String option, String said) implements Meaning {
        @Override
        public List<String> words(Show show) {
            return List.of(said);
        }
    }

    /// Wishes for pairs of ears and sources.
    ///
    /// @param ears the ids of who is meant
    /// @param sources the ids of what they hear
    /// @param scene the id of the scene it holds in; empty for all
    record Wishes(List<String> ears, List<String> sources, Wish wish, String scene)
            implements Meaning {
        public Wishes {
            ears = List.copyOf(ears);
            sources = List.copyOf(sources);
        }

        @Override
        public List<String> words(Show show) {
            List<String> who = earNames(show, ears);
            List<String> whom = ownOr(show, ears, sources);
            List<String> words =
                    new ArrayList<>(
                            List.of(
                                    "%s %s %s"
                                            .formatted(
                                                    Words.sentence(Words.list(who)),
                                                    wish.phrase(),
                                                    Words.list(whom))));
            show.scene(scene).ifPresent(in -> words.add("in " + in.name()));
            return words;
        }
    }

    /// How loud or how soon sources are wanted.
    ///
    /// @param ears the ids of who is meant
    /// @param sources the ids of what they hear
    /// @param figure in the unit of the kind
    /// @param scene the id of the scene it holds in; empty for all
    record Aims(List<String> ears, List<String> sources, Aim.Kind kind, double figure, String scene)
            implements Meaning {
        public Aims {
            ears = List.copyOf(ears);
            sources = List.copyOf(sources);
        }

        @Override
        public List<String> words(Show show) {
            List<String> words =
                    new ArrayList<>(
                            List.of(
                                    "%s hears %s %s"
                                            .formatted(
                                                    Words.sentence(
                                                            Words.list(earNames(show, ears))),
                                                    Words.list(sourceNames(show, sources)),
                                                    kind.words(figure))));
            show.scene(scene).ifPresent(in -> words.add("in " + in.name()));
            return words;
        }
    }

    /// What the show is called.
    record Title(String title) implements Meaning {
        @Override
        public List<String> words(Show show) {
            return List.of(title, "the title");
        }
    }

    /// Nothing that was understood.
    record Nothing() implements Meaning {
        @Override
        public List<String> words(Show show) {
            return List.of("nothing");
        }
    }

    private static List<String> earNames(Show show, List<String> ids) {
        return ids.stream().flatMap(id -> show.ear(id).stream()).map(Names::of).toList();
    }

    /// Sources by name; of one who hears alone their own voice by "himself".
    private static List<String> ownOr(Show show, List<String> ears, List<String> sources) {
        boolean own =
                ears.size() == 1
                        && sources.size() == 1
                        && show.ear(ears.getFirst())
                                .filter(ear -> ear.of().equals(sources.getFirst()))
                                .isPresent();
        return own
                ? show.cast().source(sources.getFirst()).map(source -> source.self()).stream()
                        .toList()
                : sourceNames(show, sources);
    }

    private static List<String> sourceNames(Show show, List<String> ids) {
        return ids.stream().flatMap(id -> show.cast().source(id).stream()).map(Names::of).toList();
    }

    private static String whereAt(Show show, String device) {
        return Optional.of(device)
                .flatMap(show.rig()::device)
                .map(there -> " at " + there.name())
                .orElse("");
    }

    /// What a listener that is no person is called.
    static String name(Ear.Kind kind) {
        return switch (kind) {
            case STREAM -> "Stream";
            case ON_DEMAND -> "On-demand copy";
            case HOUSE -> "House";
            case ASSISTIVE -> "Assistive feed";
            case CAMERA -> "Camera";
            case SECOND_LANGUAGE -> "Second language";
            case TRACK -> "Track";
            case PERSON -> "Somebody";
        };
    }
}
