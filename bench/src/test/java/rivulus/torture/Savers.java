package rivulus.torture;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import rivulus.disk.FileTrouble;
import rivulus.file.DemoShows;
import rivulus.file.ShowFile;
import rivulus.file.Templates;
import rivulus.gear.Catalogue;
import rivulus.show.Show;

/// Two programs that save to one file while a third reads it.
///
/// `java … rivulus.torture.Savers SAVES`
public final class Savers {
    private Savers() {}

    /// Runs and prints what came of it.
    public static void main(String[] args) throws Exception {
        Path folder = Files.createTempDirectory("rivulus-savers");
        Tally tally = run(folder, Integer.parseInt(args[0]));
        System.out.println(tally);
        System.exit(tally.troubles().isEmpty() ? 0 : 1);
    }

    /// What came of it.
    record Tally(int saves, int reads, List<String> troubles) {}

    static Tally run(Path folder, int saves) throws Exception {
        Path file = folder.resolve("show.rivulus");
        Catalogue catalogue = Templates.shipped();
        ShowFile.save(DemoShows.open("lantern-hour", catalogue), file);
        List<Process> savers = List.of(saver(file, saves, "a"), saver(file, saves, "b"));
        List<String> troubles = new ArrayList<>();
        int reads = 0;
        while (savers.stream().anyMatch(Process::isAlive)) {
            try {
                String title = ShowFile.open(file, catalogue).title();
                if (!title.startsWith("The") && !title.matches("[ab]{1,2000}")) troubles.add(title);
                reads++;
            } catch (FileTrouble torn) {
                troubles.add(torn.getMessage());
            }
        }
        for (Process saver : savers) {
            if (saver.waitFor() != 0)
                troubles.add(new String(saver.getInputStream().readAllBytes()));
        }
        try (var left = Files.list(folder)) {
            left.filter(f -> !f.equals(file)).forEach(f -> troubles.add("left behind: " + f));
        }
        return new Tally(2 * saves, reads, troubles);
    }

    private static Process saver(Path file, int saves, String letter) throws IOException {
        return new ProcessBuilder(
                        Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                        "-cp",
                        System.getProperty("java.class.path"),
                        Saver.class.getName(),
                        file.toString(),
                        String.valueOf(saves),
                        letter)
                .redirectErrorStream(true)
                .start();
    }

    /// One of the two.
    static final class Saver {
        private Saver() {}

        public static void main(String[] args) throws FileTrouble {
            Show show = DemoShows.open("lantern-hour", Templates.shipped());
            int saves = Integer.parseInt(args[1]);
            for (int i = 1; i <= saves; i++)
                ShowFile.save(show.titled(args[2].repeat(1 + i % 100)), Path.of(args[0]));
        }
    }
}
