package rivulus.sound;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import rivulus.disk.FileTrouble;
import rivulus.disk.SafeFile;

/// A recording that is read from beginning to end, in blocks; memory does not depend on its length.
public sealed interface SoundFile extends AutoCloseable permits WavFile, FlacFile {
    /// What is longer is not read.
    int MOST_HOURS = 200;

    /// Opens a file, WAV or FLAC, by what is in it.
    ///
    /// @throws FileTrouble where it cannot be read, or is of no kind that this program can read;
    ///     says why, and at which byte
    static SoundFile open(Path file) throws FileTrouble {
        String name = SafeFile.name(file);
        try {
            if (Files.isDirectory(file))
                throw new FileTrouble(name + " is a folder; name a recording in it");
            if (Files.exists(file) && !Files.isRegularFile(file))
                throw new FileTrouble(name + " is a pipe or a device; name a recording");
            return FlacFile.is(file) ? FlacFile.open(file) : WavFile.open(file);
        } catch (IOException broken) {
            throw new FileTrouble(
                    "%s cannot be read: %s".formatted(name, SafeFile.why(broken)), broken);
        }
    }

    /// What it is called.
    String name();

    /// What its samples are.
    WavFormat format();

    /// How many samples each channel has, as found when it was opened: what is written behind
    /// meanwhile is left.
    long frames();

    /// How long it is.
    default double seconds() {
        return frames() / (double) format().rateHz();
    }

    /// What is wrong with it and could be borne, in sentences; complete once it has been read.
    List<String> notes();

    /// Reads on.
    ///
    /// @param into an array for each channel, all as long; samples are −1 to 1 at full scale
    /// @return how many samples of each channel were read, 0 at the end
    int read(double[][] into) throws FileTrouble;

    @Override
    void close() throws FileTrouble;
}
