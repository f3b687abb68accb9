package rivulus.torture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/// Half a minute of what docs/testing.md says how to run for hours.
class TortureTest {
    private static final long SEED = 20_261_126;

    @TempDir Path folder;

    @Test
    void filesThatAreNearlySoundAreRefusedInWordsOrUsed() {
        Fuzzer fuzzer = new Fuzzer(folder, SEED);
        fuzzer.run(0, Long.getLong("torture.inputs", 1_500));
        System.out.println(fuzzer.words());
        assertThat(fuzzer.uncaught()).isEmpty();
    }

    @Test
    void aKillAtAnyMomentOfTheRunningProgramLosesNothingThatWasKept() throws Exception {
        Killer killer = new Killer(folder, SEED);
        int kills = Integer.getInteger("torture.kills", 4);
        for (int kill = 0; kill < kills; kill++) killer.kill();
        killer.letLive();
        System.out.println(killer.words());
        assertThat(killer.lost()).isEmpty();
    }

    @Test
    void twoProgramsThatSaveToOneFileNeverTearIt() throws Exception {
        Savers.Tally tally = Savers.run(folder, Integer.getInteger("torture.saves", 30));
        System.out.println(tally);
        assertThat(tally.troubles()).isEmpty();
    }

    @Test
    void aFullDiskIsSaidAndWhatWasThereStays() throws Exception {
        Path disk = Files.createDirectory(folder.resolve("disk"));
        Optional<List<String>> wrong = FullDisk.run(disk);
        assumeTrue(wrong.isPresent(), "a small file system cannot be mounted here");
        assertThat(wrong.orElseThrow()).isEmpty();
    }
}
