package rivulus.file;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import rivulus.disk.FileTrouble;
import rivulus.disk.Fingerprint;
import rivulus.disk.JsonText;
import rivulus.gear.Catalogue;
import rivulus.gear.Setting;
import rivulus.show.Logged;
import rivulus.show.Moment;
import rivulus.show.Ref;
import rivulus.show.Show;

class JournalTest {
    private final Catalogue catalogue = Templates.shipped();
    private final Show show = DemoShows.open("first-call", catalogue);

    @TempDir Path folder;

    @Test
    void aJournalThatIsInUseIsNotOfferedAndACleanEndLeavesNothing() throws Exception {
        try (Journal journal = Journal.in(folder)) {
            journal.keep(show, Optional.empty());
            assertThat(Journal.leftIn(folder, catalogue).left()).isEmpty();
        }
        try (Stream<Path> files = Files.list(folder)) {
            assertThat(files).isEmpty();
        }
    }

    /// A program that writes its journal over and over is killed at moments nobody chose; each time
    /// what it left is whole.
    @Test
    void aKillAtAnyMomentLeavesAWholeShow() throws Exception {
        for (int kill = 0; kill < 6; kill++) {
            Process process =
                    new ProcessBuilder(
                                    Path.of(System.getProperty("java.home"), "bin", "java")
                                            .toString(),
                                    "-cp",
                                    System.getProperty("java.class.path"),
                                    Writer.class.getName(),
                                    folder.toString())
                            .redirectErrorStream(true)
                            .start();
            String first = process.inputReader().readLine();
            assertThat(first).isEqualTo("writing");
            process.waitFor(15L + 23L * kill, TimeUnit.MILLISECONDS);
            process.destroyForcibly().waitFor();
            assertThat(Journal.leftIn(folder, catalogue).left())
                    .singleElement()
                    .satisfies(
                            left -> {
                                assertThat(left.show().title()).startsWith("Edit ");
                                assertThat(left.file()).contains(Path.of("/shows/a.rivulus"));
                                left.discard();
                            });
        }
    }

    /// The program that is killed.
    static final class Writer {
        private Writer() {}

        public static void main(String[] args) throws FileTrouble {
            Show show = DemoShows.open("lantern-hour", Templates.shipped());
            Journal journal = Journal.in(Path.of(args[0]));
            for (int edit = 0; ; edit++) {
                journal.keep(show.titled("Edit " + edit), Optional.of(Path.of("/shows/a.rivulus")));
                if (edit == 0) System.out.println("writing");
            }
        }
    }

    /// An edit is a small record behind what stands there, wherever the program is killed within
    /// it.
    @Test
    void anEditIsAppendedAndHalfAnEditIsNone() throws Exception {
        Journal journal = Journal.in(folder);
        journal.keep(show, Optional.empty());
        Path file = onlyJournal();
        long whole = Files.size(file);
        for (int edit = 1; edit <= 3; edit++)
            journal.keep(show.titled("Edit " + edit), Optional.empty());
        journal.flush();
        journal.letGo();
        assertThat(Files.size(file) - whole).isLessThan(400);
        byte[] bytes = Files.readAllBytes(file);
        int edits = 0;
        for (int cut = (int) whole; cut <= bytes.length; cut++) {
            Files.write(file, Arrays.copyOf(bytes, cut));
            if (cut > whole && bytes[cut - 1] == '\n') edits++;
            String title = edits == 0 ? show.title() : "Edit " + edits;
            assertThat(Journal.leftIn(folder, catalogue).left())
                    .singleElement()
                    .matches(left -> left.show().title().equals(title));
        }
        assertThat(edits).isEqualTo(3);
    }

    /// Random edits of a show, one after the other: what is read is the last.
    @Test
    void whatIsReadIsWhatWasKeptLast() throws Exception {
        Random random = new Random(11);
        Journal journal = Journal.in(folder);
        Show now = DemoShows.open("lantern-hour", catalogue);
        List<Show> others = new ArrayList<>(List.of(now));
        for (String name : List.of("first-call", "language-cafe"))
            others.add(DemoShows.open(name, catalogue));
        for (int edit = 0; edit < 200; edit++) {
            if (random.nextInt(20) == 0) now = others.get(random.nextInt(others.size()));
            now = now.titled("Edit " + edit);
            now =
                    now.withKnob(
                            Ref.of("desk/mic" + (1 + random.nextInt(2)) + ".fader"),
                            new Setting.Level(-random.nextInt(30)));
            now =
                    now.withDay(
                            now.day()
                                    .logged(
                                            new Logged(
                                                    Moment.of(
                                                            "2026-12-01T20:00:00Z",
                                                            Optional.empty()),
                                                    Logged.Kind.NOTE,
                                                    "",
                                                    "Note " + edit)));
            journal.keep(now, Optional.empty());
            if (edit % 40 != 39) continue;
            journal.letGo();
            assertThat(Journal.leftIn(folder, catalogue).left())
                    .singleElement()
                    .extracting(Journal.Left::show)
                    .isEqualTo(now);
            Journal.leftIn(folder, catalogue).left().getFirst().discard();
            journal = Journal.in(folder);
        }
        journal.close();
    }

    @Test
    void aJournalOfTheFirstVersionIsReadStill() throws Exception {
        Files.writeString(
                folder.resolve("old.journal"),
                JsonText.of(
                        Map.of(
                                "journal",
                                1,
                                "written",
                                "2026-11-20T18:00:00Z",
                                "file",
                                "/shows/a.rivulus",
                                "show",
                                ShowFile.write(show))));
        assertThat(Journal.leftIn(folder, catalogue).left())
                .singleElement()
                .matches(left -> left.show().equals(show));
    }

    @Test
    void onlyItsOwnerLooksIntoIt() throws Exception {
        Path journals = folder.resolve("journals");
        Journal.in(journals).close();
        assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(journals)))
                .isEqualTo("rwx------");
    }

    private Path onlyJournal() throws IOException {
        try (Stream<Path> files = Files.list(folder)) {
            return files.filter(f -> f.toString().endsWith(".journal")).findFirst().orElseThrow();
        }
    }

    @Test
    void aDamagedJournalIsSetAsideAndToldAndIsNotToldAgain() throws IOException {
        Path damaged = folder.resolve("x.journal");
        Files.writeString(damaged, "{\"journal\": 1, \"show\": \"{");
        Journal.Found found = Journal.leftIn(folder, catalogue);
        assertThat(found.left()).isEmpty();
        assertThat(found.troubles())
                .singleElement()
                .asString()
                .contains("x.journal", "line 1", "set aside as");
        assertThat(damaged).doesNotExist();
        assertThat(folder.resolve("x.journal.unreadable")).exists();
        assertThat(Journal.leftIn(folder, catalogue).troubles()).isEmpty();
        assertThat(Journal.leftIn(folder.resolve("nowhere"), catalogue).left()).isEmpty();
    }

    @Test
    void whateverStandsInAJournalIsToldAndNeverThrown() throws IOException {
        List<String> hostile =
                List.of(
                        "[]",
                        "7",
                        "",
                        "{\"journal\": 1, \"written\": \"now\", \"show\": \"{}\"}",
                        "{\"written\": \"2026-11-20T18:00:00Z\", \"show\": 1e99999999999}",
                        "{\"written\": \"2026-11-20T18:00:00Z\", \"file\": \"\\u0000\", \"show\": "
                                + JsonText.of(ShowFile.write(show)).strip()
                                + "}");
        for (int i = 0; i < hostile.size(); i++)
            Files.writeString(folder.resolve(i + ".journal"), hostile.get(i));
        Files.write(folder.resolve("b.journal"), new byte[] {(byte) 0xC0, 0, 1});
        Files.createDirectory(folder.resolve("d.journal"));
        Journal.Found found = Journal.leftIn(folder, catalogue);
        assertThat(found.left()).isEmpty();
        assertThat(found.troubles()).hasSize(hostile.size() + 2).allMatch(t -> !t.contains("\n"));
    }

    @Test
    void locksThatNobodyHoldsAreSweptAwayAndHeldOnesStay() throws Exception {
        for (int i = 0; i < 20; i++) Files.createFile(folder.resolve("old" + i + ".lock"));
        try (Journal journal = Journal.in(folder)) {
            journal.keep(show, Optional.empty());
            assertThat(Journal.leftIn(folder, catalogue).left()).isEmpty();
            try (Stream<Path> files = Files.list(folder)) {
                assertThat(files.filter(f -> f.toString().endsWith(".lock"))).hasSize(1);
            }
        }
    }

    /// Killed between writing down what it took up and deleting what it was taken up from.
    @Test
    void whatWasTakenUpIsNotOfferedAgainOnceTheNewJournalHoldsIt() throws Exception {
        Journal first = Journal.in(folder);
        first.keep(show.titled("Old"), Optional.empty());
        first.letGo();
        Journal.Left old = Journal.leftIn(folder, catalogue).left().getFirst();
        Journal second = Journal.in(folder);
        second.keep(show.titled("New"), Optional.empty(), Fingerprint.NONE, List.of(old));
        second.letGo();
        assertThat(old.journal()).exists();
        assertThat(Journal.leftIn(folder, catalogue).left())
                .singleElement()
                .matches(left -> left.show().title().equals("New"));
        assertThat(old.journal()).doesNotExist();
    }

    /// Killed between saving and forgetting.
    @Test
    void whatIsSavedJustSoIsNotOffered() throws Exception {
        Path file = folder.resolve("a.rivulus");
        ShowFile.save(show, file);
        Journal journal = Journal.in(folder);
        journal.keep(show, Optional.of(file));
        journal.letGo();
        assertThat(Journal.leftIn(folder, catalogue).left()).isEmpty();
        Journal other = Journal.in(folder);
        other.keep(show.titled("Newer"), Optional.of(file));
        other.letGo();
        assertThat(Journal.leftIn(folder, catalogue).left()).hasSize(1);
    }
}
