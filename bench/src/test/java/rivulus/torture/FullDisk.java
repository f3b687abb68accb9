package rivulus.torture;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import rivulus.disk.FileTrouble;
import rivulus.file.DemoShows;
import rivulus.file.Journal;
import rivulus.file.ShowFile;
import rivulus.file.Templates;
import rivulus.gear.Catalogue;
import rivulus.show.Show;

/// Saves and journals on a file system of 256 kB that fills up. It has to be mounted, which only an
/// administrator may do.
final class FullDisk {
    private static final int MOST_EDITS = 1_000;

    private FullDisk() {}

    /// What went wrong; empty where it could not be mounted.
    static Optional<List<String>> run(Path folder) throws Exception {
        if (!mount(folder)) return Optional.empty();
        try {
            return Optional.of(filled(folder));
        } finally {
            new ProcessBuilder("umount", folder.toString()).start().waitFor();
        }
    }

    private static boolean mount(Path folder) throws InterruptedException {
        try {
            return new ProcessBuilder(
                                    "mount",
                                    "-t",
                                    "tmpfs",
                                    "-o",
                                    "size=256k",
                                    "tmpfs",
                                    folder.toString())
                            .start()
                            .waitFor()
                    == 0;
        } catch (IOException noMount) {
            return false;
        }
    }

    private static List<String> filled(Path folder) throws Exception {
        List<String> wrong = new ArrayList<>();
        Catalogue catalogue = Templates.shipped();
        Show show = DemoShows.open("lantern-hour", catalogue);
        Path file = folder.resolve("show.rivulus");
        ShowFile.save(show, file);
        Journal journal = Journal.in(folder.resolve("journals"));
        Show unsaved = show.titled("Unsaved");
        journal.keep(unsaved, Optional.of(file));
        fill(folder.resolve("filler"));
        try {
            ShowFile.save(show.titled("New"), file);
            wrong.add("a full disk took a save");
        } catch (FileTrouble full) {
            if (!full.getMessage().contains("the old file is untouched"))
                wrong.add(full.getMessage());
        }
        Show kept = keptUntilFull(journal, unsaved, file);
        if (kept == null) wrong.add("a full disk took journals without an end");
        journal.letGo();
        if (!ShowFile.open(file, catalogue).equals(show)) wrong.add("the old file was touched");
        List<Journal.Left> left = Journal.leftIn(folder.resolve("journals"), catalogue).left();
        if (left.size() != 1 || !left.getFirst().show().equals(kept))
            wrong.add("the journal does not hold what was kept last");
        Files.delete(folder.resolve("filler"));
        try (Journal next = Journal.in(folder.resolve("journals"))) {
            next.keep(show.titled("Room again"), Optional.of(file));
        }
        try (Stream<Path> strays = Files.walk(folder)) {
            strays.filter(f -> f.toString().endsWith(".saving"))
                    .forEach(f -> wrong.add("left behind: " + f));
        }
        return wrong;
    }

    /// A small record may still find room in the last block; the one that finds none is no edit.
    private static Show keptUntilFull(Journal journal, Show first, Path file) {
        Show kept = first;
        for (int edit = 0; edit < MOST_EDITS; edit++) {
            Show next = first.titled("Unsaved " + edit);
            try {
                journal.keep(next, Optional.of(file));
                kept = next;
            } catch (FileTrouble full) {
                return kept;
            }
        }
        return null;
    }

    private static void fill(Path filler) {
        try (var out = Files.newOutputStream(filler)) {
            byte[] block = new byte[512];
            for (int i = 0; i < 4096; i++) out.write(block);
        } catch (IOException full) {
            // that was the point
        }
    }
}
