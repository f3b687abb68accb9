package rivulus.app.session;

import java.nio.file.Path;
import java.util.List;
import java.util.function.Consumer;
import java.util.stream.Stream;
import rivulus.disk.FileTrouble;
import rivulus.disk.SafeFile;
import rivulus.file.ShowFile;
import rivulus.file.Templates;
import rivulus.gear.Catalogue;
import rivulus.intake.Intake;
import rivulus.intake.Listing;
import rivulus.intake.Lists;
import rivulus.intake.Matching;
import rivulus.intake.Plan;
import rivulus.show.Device;
import rivulus.show.OwnTemplate;
import rivulus.show.Show;

/// Files beside the show: sheets that are written, lists that are taken in, kinds of gear that
/// travel. All of it away from the interface thread.
public final class Papers implements AutoCloseable {
    private final Session session;
    private final Work reading;
    private final Work writing;
    private final Work planning;

    /// @param mishaps told what failed
    Papers(Session session, Consumer<Mishap> mishaps) {
        this.session = session;
        reading = new Work("read-paper", "reading a file", mishaps);
        writing = new Work("write-paper", "writing a sheet", mishaps);
        planning = new Work("plan", "looking through a list", mishaps);
    }

    /// Draws up what is to be written to a file.
    public interface Contents {
        /// The bytes, unless they cannot be had.
        byte[] get() throws FileTrouble;
    }

    /// Writes something to a file.
    ///
    /// @param bytes makes what is to be written
    /// @param failed told where it cannot be written there
    public void write(Path file, Contents bytes, Consumer<FileTrouble> failed) {
        writing(file, () -> SafeFile.replace(file, bytes.get()), failed);
    }

    /// Writes a kind of gear to a file.
    public void write(Path file, OwnTemplate own, Consumer<FileTrouble> failed) {
        writing(file, () -> Templates.save(own, file), failed);
    }

    /// Something that is done to a file.
    private interface Deed {
        void run() throws FileTrouble;
    }

    private void writing(Path file, Deed deed, Consumer<FileTrouble> failed) {
        writing.each(
                _ ->
                        Attempt.at(
                                () -> {
                                    deed.run();
                                    return file;
                                }),
                done ->
                        done.either(
                                written -> session.say("Wrote " + written.getFileName()), failed));
    }

    /// Reads a kind of gear from a file.
    public void openKind(Path file, Consumer<OwnTemplate> then, Consumer<FileTrouble> failed) {
        reading.ask(_ -> Attempt.at(() -> Templates.open(file)), read -> read.either(then, failed));
    }

    /// Reads another show from a file.
    public void openShow(Path file, Consumer<Show> then, Consumer<FileTrouble> failed) {
        Catalogue catalogue = session.shelf().prover().catalogue();
        reading.ask(
                _ -> Attempt.at(() -> ShowFile.open(file, catalogue)),
                read -> read.either(then, failed));
    }

    /// Reads a list from a file.
    public void openList(Path file, Consumer<Listing> then, Consumer<FileTrouble> failed) {
        reading.ask(_ -> Attempt.at(() -> Lists.open(file)), read -> read.either(then, failed));
    }

    /// Works out what a list would change.
    ///
    /// @param into the id of the mixer that an input list is meant for
    public void plan(Listing list, Matching matching, String into, Consumer<Plan> then) {
        Intake intake = intake();
        planning.ask(_ -> intake.plan(list, matching, into), then);
    }

    /// The mixers that an input list may be meant for.
    public void mixers(Consumer<List<Device>> then) {
        Intake intake = intake();
        planning.ask(_ -> intake.mixers(), then);
    }

    private Intake intake() {
        return new Intake(
                session.show().get(),
                session.shelf().prover().catalogue(),
                session.shelf().leads());
    }

    boolean isSettled() {
        return Stream.of(reading, writing, planning).allMatch(Work::isIdle);
    }

    @Override
    public void close() {
        writing.finish();
        for (Work lane : List.of(reading, planning)) lane.close();
    }
}
