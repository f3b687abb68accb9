package rivulus.app.session;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import java.util.stream.Stream;
import javafx.application.Platform;
import javafx.beans.property.ReadOnlyDoubleProperty;
import javafx.beans.property.ReadOnlyDoubleWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import rivulus.check.Proof;
import rivulus.check.SceneProof;
import rivulus.disk.FileTrouble;
import rivulus.disk.SafeFile;
import rivulus.recording.ByContent;
import rivulus.recording.Matching;
import rivulus.recording.Recipe;
import rivulus.recording.Recording;
import rivulus.recording.Remark;
import rivulus.recording.Track;
import rivulus.show.Ear;
import rivulus.show.Show;
import rivulus.sound.Measured;
import rivulus.sound.Measuring;
import rivulus.sound.WavMending;

/// Recordings of the show: measured and compared with the plan off the interface thread.
public final class Recordings implements AutoCloseable {
    /// What the names of recordings end in.
    public static final List<String> ENDINGS = List.of(".wav", ".flac");

    private final Session session;
    private final Work measuring;
    private final ReadOnlyObjectWrapper<Heard> heard = new ReadOnlyObjectWrapper<>(Heard.NOTHING);
    private final ReadOnlyDoubleWrapper progress = new ReadOnlyDoubleWrapper(1);

    /// What was heard of recordings.
    ///
    /// @param remarks what they say and has not been taken, worst first
    /// @param troubles files that could not be read, and why
    /// @param cut files whose header could be mended
    public record Heard(
            List<Track> tracks, List<Remark> remarks, List<String> troubles, List<WavMending> cut) {
        /// Nothing yet.
        public static final Heard NOTHING = new Heard(List.of(), List.of(), List.of(), List.of());

        public Heard {
            tracks = List.copyOf(tracks);
            remarks = List.copyOf(remarks);
            troubles = List.copyOf(troubles);
            cut = List.copyOf(cut);
        }

        /// Whether nothing was measured, and nothing tried.
        public boolean isNothing() {
            return tracks.isEmpty() && troubles.isEmpty();
        }

        /// The remarks that can be taken.
        public List<Remark> canBeTaken() {
            return remarks.stream().filter(Remark::canBeTaken).toList();
        }

        private Heard without(WavMending mended) {
            return new Heard(
                    tracks,
                    remarks,
                    troubles,
                    cut.stream().filter(one -> !one.equals(mended)).toList());
        }

        private Heard without(List<Remark> taken) {
            return new Heard(
                    tracks,
                    remarks.stream().filter(r -> !taken.contains(r)).toList(),
                    troubles,
                    cut);
        }
    }

    Recordings(Session session, Consumer<Mishap> mishaps) {
        this.session = session;
        measuring = new Work("measure", "measuring a recording", mishaps);
    }

    boolean isSettled() {
        return measuring.isIdle();
    }

    /// What was heard.
    public ReadOnlyObjectProperty<Heard> heard() {
        return heard.getReadOnlyProperty();
    }

    /// How far it is, 0 to 1; 1 at rest.
    public ReadOnlyDoubleProperty progress() {
        return progress.getReadOnlyProperty();
    }

    /// Whether a file is taken for a recording, by its name; a folder for those in it.
    public static boolean isRecording(Path file) {
        String name = file.getFileName().toString().toLowerCase(Locale.ROOT);
        return ENDINGS.stream().anyMatch(name::endsWith);
    }

    /// Measures files, and compares them with the chosen scene. They take the place of what was
    /// heard before.
    public void take(List<Path> files) {
        Proof proof = session.proof().get();
        if (proof == null || files.isEmpty()) return;
        String scene = session.scene().get();
        begin();
        measuring.ask(stale -> measured(proof, scene, files, stale), this::done);
    }

    /// Makes the recordings of a recipe in a folder of their own, which goes when the program does,
    /// and measures those.
    public void make(Recipe recipe) {
        Proof proof = session.proof().get();
        if (proof == null) return;
        String scene = session.scene().get();
        begin();
        measuring.ask(
                stale -> {
                    try {
                        Path folder = Files.createTempDirectory("rivulus-made");
                        folder.toFile().deleteOnExit(); // last, since it is asked for first
                        List<Path> files = recipe.make(folder);
                        files.forEach(file -> file.toFile().deleteOnExit());
                        return measured(proof, scene, files, stale);
                    } catch (IOException broken) {
                        return new Heard(
                                List.of(),
                                List.of(),
                                List.of("It cannot be made: " + broken.getMessage()),
                                List.of());
                    }
                },
                this::done);
    }

    /// Mends the header of a recording that was cut off.
    public void mend(WavMending mending) {
        measuring.each(
                _ -> Attempt.at(() -> written(mending)),
                attempt ->
                        attempt.either(
                                said -> {
                                    session.say(said);
                                    heard.set(heard.get().without(mending));
                                },
                                failed -> session.say(failed.getMessage())));
    }

    private static String written(WavMending mending) throws FileTrouble {
        mending.write();
        return "The header of %s says how long it is now".formatted(SafeFile.name(mending.file()));
    }

    /// Says whom a track is of, and compares again.
    public void match(Track track, Ear ear) {
        Proof proof = session.proof().get();
        if (proof == null) return;
        Matching matching = Matching.with(proof.show());
        List<Track> tracks = new ArrayList<>(heard.get().tracks());
        tracks.replaceAll(t -> t.equals(track) ? t.of(ear, matching.only(ear)) : t);
        Heard before = heard.get();
        String scene = session.scene().get();
        begin();
        measuring.ask(stale -> compared(proof, scene, tracks, before, 0, stale), this::done);
    }

    private void begin() {
        progress.set(0);
    }

    private void done(Heard now) {
        progress.set(1);
        heard.set(now);
    }

    private Heard measured(Proof proof, String scene, List<Path> files, BooleanSupplier stale) {
        Matching matching = Matching.with(proof.show());
        List<Track> tracks = new ArrayList<>();
        List<String> troubles = new ArrayList<>();
        List<WavMending> cut = new ArrayList<>();
        for (int f = 0; f < files.size(); f++) {
            Path file = files.get(f);
            double before = f;
            try {
                Optional<Measured> found =
                        Measuring.of(
                                file, part -> goesOn(0.6 * (before + part) / files.size(), stale));
                if (found.isEmpty()) return Heard.NOTHING;
                tracks.addAll(matching.tracks(file, found.get()));
                WavMending.of(file).ifPresent(cut::add);
            } catch (FileTrouble broken) {
                troubles.add(broken.getMessage());
            }
        }
        List<Track> known = known(proof, scene, tracks, troubles, stale);
        Heard found = new Heard(known, List.of(), troubles, cut);
        return compared(proof, scene, known, found, 0.7, stale);
    }

    /// Whose tracks are, by what is on them where no name tells.
    private List<Track> known(
            Proof proof,
            String scene,
            List<Track> tracks,
            List<String> troubles,
            BooleanSupplier stale) {
        SceneProof in = proof.scene(scene).orElse(proof.scenes().getFirst());
        try {
            return ByContent.matched(in, tracks, part -> goesOn(0.6 + 0.1 * part, stale));
        } catch (FileTrouble broken) {
            troubles.add(broken.getMessage());
            return tracks;
        }
    }

    private Heard compared(
            Proof proof,
            String scene,
            List<Track> tracks,
            Heard found,
            double from,
            BooleanSupplier stale) {
        List<String> all = new ArrayList<>(found.troubles());
        SceneProof in = proof.scene(scene).orElse(proof.scenes().getFirst());
        try {
            Optional<Recording> recording =
                    Recording.of(
                            proof, in, tracks, part -> goesOn(from + (1 - from) * part, stale));
            if (recording.isEmpty()) return Heard.NOTHING;
            return new Heard(tracks, recording.get().remarks(), all, found.cut());
        } catch (FileTrouble broken) {
            all.add(broken.getMessage());
            return new Heard(tracks, List.of(), all, found.cut());
        }
    }

    private boolean goesOn(double part, BooleanSupplier stale) {
        Platform.runLater(
                () -> {
                    if (!stale.getAsBoolean()) progress.set(Math.min(part, 0.99));
                });
        return !stale.getAsBoolean();
    }

    /// The recordings among some files and folders.
    public static List<Path> among(List<Path> dropped) {
        List<Path> files = new ArrayList<>();
        for (Path one : dropped) {
            if (Files.isDirectory(one)) {
                try (Stream<Path> inside = Files.list(one)) {
                    inside.filter(Recordings::isRecording).sorted().forEach(files::add);
                } catch (IOException broken) {
                    files.add(one);
                }
            } else if (isRecording(one)) {
                files.add(one);
            }
        }
        return files;
    }

    /// Takes some remarks in one step.
    public void take(Show show, List<Remark> remarks) {
        session.edit(Remark.take(show, remarks));
        heard.set(heard.get().without(remarks));
    }

    /// Gives up what is being measured.
    public void stop() {
        measuring.forget();
        progress.set(1);
    }

    /// Forgets what was heard: another show is open.
    void forget() {
        stop();
        heard.set(Heard.NOTHING);
    }

    @Override
    public void close() {
        measuring.close();
    }
}
