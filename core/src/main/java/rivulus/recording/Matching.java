package rivulus.recording;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import rivulus.show.Ear;
import rivulus.show.Show;
import rivulus.show.Source;
import rivulus.sound.Measured;

/// Which track of a recording is whom, by the names of files: "Maren.wav" is Maren's track, "camera
/// and stream.wav" has the camera on its first channel. A file that names nobody and has as many
/// channels as the show has tracks holds them in their order. What no name tells may be told by
/// what is on it ([ByContent]).
public final class Matching {
    private final Show show;

    private Matching(Show show) {
        this.show = show;
    }

    /// Matching against a show.
    public static Matching with(Show show) {
        return new Matching(show);
    }

    /// Whom a part of a name means.
    ///
    /// @param ear empty where a camera is meant that the show has no ear for
    private record Who(Optional<Ear> ear) {
        static final Who CAMERA = new Who(Optional.empty());

        boolean isPicture() {
            return ear.map(e -> e.kind() == Ear.Kind.CAMERA).orElse(true);
        }
    }

    /// The tracks of a file.
    public List<Track> tracks(Path file, Measured measured) {
        int channels = measured.channels().size();
        List<Who> named = named(stem(file));
        List<Track> tracks = new ArrayList<>();
        if (channels <= 2 && named.size() < 2) {
            int whole = channels == 1 ? 0 : -1;
            tracks.add(track(file, whole, measured, named.stream().findFirst()));
            return tracks;
        }
        List<Who> inOrder =
                show.ears().stream()
                        .filter(ear -> ear.kind() == Ear.Kind.TRACK)
                        .map(ear -> new Who(Optional.of(ear)))
                        .toList();
        List<Who> whose =
                named.size() == channels
                        ? named
                        : named.isEmpty() && inOrder.size() == channels ? inOrder : List.of();
        for (int c = 0; c < channels; c++)
            tracks.add(
                    track(
                            file,
                            c,
                            measured,
                            whose.isEmpty() ? Optional.empty() : Optional.of(whose.get(c))));
        return tracks;
    }

    private Track track(Path file, int channel, Measured measured, Optional<Who> who) {
        Optional<Ear> ear = who.flatMap(Who::ear);
        return new Track(
                file,
                channel,
                measured,
                ear,
                ear.flatMap(this::only),
                false,
                who.map(Who::isPicture).orElse(false));
    }

    /// Whether a file names somebody of the show.
    public boolean knows(Path file) {
        return !named(stem(file)).isEmpty();
    }

    /// The one source that an ear is for, as a track is.
    public Optional<Source> only(Ear ear) {
        return ear.kind() == Ear.Kind.TRACK || ear.kind() == Ear.Kind.SECOND_LANGUAGE
                ? show.cast().source(ear.of())
                : Optional.empty();
    }

    private static String stem(Path file) {
        String name = file.getFileName().toString();
        int dot = name.lastIndexOf('.');
        return plain(dot > 0 ? name.substring(0, dot) : name);
    }

    /// In lower case, words apart by one space, a space at either end.
    private static String plain(String words) {
        return " "
                + words.toLowerCase(Locale.ROOT)
                        .replaceAll("['’]s\\b", "")
                        .replaceAll("[^\\p{L}\\p{N}]+", " ")
                        .strip()
                + " ";
    }

    /// @param at where in the name it stands
    /// @param length of what stands there: the longer says more
    private record Place(Who who, int at, int length) {
        boolean meets(Place other) {
            return at < other.at + other.length - 1 && other.at < at + length - 1;
        }
    }

    /// Whom a name names, in their order there; of two that share a word the one that takes more
    /// of the name.
    private List<Who> named(String stem) {
        List<Place> places = new ArrayList<>();
        for (Ear ear : show.ears())
            for (String name : names(ear)) place(stem, name, new Who(Optional.of(ear)), places);
        for (String word : List.of("camera", "picture")) place(stem, word, Who.CAMERA, places);
        places.sort(
                Comparator.comparingInt((Place p) -> -p.length())
                        .thenComparing(p -> p.who().ear().isEmpty())
                        .thenComparing(
                                p ->
                                        p.who()
                                                .ear()
                                                .filter(ear -> ear.kind() == Ear.Kind.TRACK)
                                                .isEmpty()));
        List<Place> kept = new ArrayList<>();
        for (Place place : places)
            if (kept.stream().noneMatch(k -> k.who().equals(place.who()) || k.meets(place)))
                kept.add(place);
        kept.sort(Comparator.comparingInt(Place::at));
        return kept.stream().map(Place::who).toList();
    }

    private static void place(String stem, String name, Who who, List<Place> places) {
        String words = plain(name);
        int at = stem.indexOf(words);
        if (at >= 0) places.add(new Place(who, at, words.length()));
    }

    /// What an ear may be called in a file's name: its own names, and whom it is for.
    private List<String> names(Ear ear) {
        List<String> names = new ArrayList<>(List.of(ear.id(), ear.name()));
        only(ear).ifPresent(source -> names.addAll(List.of(source.id(), source.name())));
        return names;
    }
}
