package rivulus.torture;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.concurrent.TimeUnit;

/// Kills the running program over and over at moments nobody chose, starting and recovering among
/// them, and looks whether the next one has everything that was said to be kept.
///
/// `java … rivulus.torture.Killer KILLS [SEED]`
public final class Killer {
    private static final int STARTING_MS = 2_000;
    private static final int WORKING_MS = 600;
    private static final int WITH_WINDOW = 8;

    /// An edit is on the disk after so long.
    private static final long SOON_MS = 100;

    /// And under whatever load after so long.
    private static final long NEVER_MS = 1_000;

    private final Path folder;
    private final Path said;
    private final Random random;
    private final long seed;
    private final List<String> lost = new ArrayList<>();
    private int acknowledged;

    /// Edits that were made and not said to be kept, by when; those of the last process.
    private final SortedMap<Integer, Long> made = new TreeMap<>();

    private long killed;

    /// When the process was killed that made those.
    private long madeUntil;

    private int kills;
    private int late;
    private long oldest;
    private int early;
    private int asked;

    Killer(Path folder, long seed) {
        this.folder = folder;
        this.said = folder.resolve("said");
        this.seed = seed;
        this.random = new Random(seed);
    }

    /// Runs and prints what came of it.
    public static void main(String[] args) throws Exception {
        long seed = args.length > 1 ? Long.parseLong(args[1]) : System.nanoTime();
        Killer killer = new Killer(Files.createTempDirectory("rivulus-kill"), seed);
        for (int kill = 0; kill < Integer.parseInt(args[0]); kill++) killer.kill();
        killer.letLive();
        System.out.println(killer.words());
        System.exit(killer.lost().isEmpty() ? 0 : 1);
    }

    List<String> lost() {
        return lost;
    }

    int acknowledged() {
        return acknowledged;
    }

    String words() {
        return "seed %d: %d kills, %d of them before the program had anything; %d edits kept; asked %d times whose changes hold; not on the disk after %d ms: %d edits, the oldest %d ms old; lost: %d %s"
                .formatted(
                        seed,
                        kills,
                        early,
                        acknowledged,
                        asked,
                        SOON_MS,
                        late,
                        oldest,
                        lost.size(),
                        lost);
    }

    private Process start() throws IOException {
        List<String> command =
                new ArrayList<>(
                        List.of(
                                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                                "-XX:TieredStopAtLevel=1",
                                "-XX:+UseSerialGC",
                                "-Dglass.platform=Headless",
                                "-Dprism.order=sw",
                                "--enable-native-access=ALL-UNNAMED",
                                "--sun-misc-unsafe-memory-access=allow",
                                "-cp",
                                System.getProperty("java.class.path"),
                                Victim.class.getName(),
                                folder.toString()));
        if (random.nextInt(WITH_WINDOW) == 0) command.add("window");
        return new ProcessBuilder(command)
                .redirectError(ProcessBuilder.Redirect.DISCARD)
                .redirectOutput(said.toFile())
                .start();
    }

    /// Starts the program, kills it, and notes what it said.
    void kill() throws Exception {
        Process process = start();
        boolean whileStarting = random.nextInt(3) == 0;
        if (!whileStarting) awaitFirstWord(process);
        int life = random.nextInt(whileStarting ? STARTING_MS : WORKING_MS);
        process.waitFor(life, TimeUnit.MILLISECONDS);
        killed = System.currentTimeMillis();
        process.destroyForcibly().waitFor();
        kills++;
        List<String> lines = Files.readAllLines(said);
        if (lines.isEmpty()) early++;
        lines.forEach(this::hear);
    }

    /// Starts the program a last time and lets it say what it has.
    void letLive() throws Exception {
        Process process = start();
        awaitFirstWord(process);
        process.destroyForcibly().waitFor();
        List<String> lines = Files.readAllLines(said);
        hear(lines.isEmpty() ? "trouble: nothing was said" : lines.getFirst());
    }

    /// An edit of that age was not on the disk.
    private void older(long ms) {
        if (ms > SOON_MS) late++;
        if (ms > NEVER_MS) lost.add("kill %d: an edit %d ms old".formatted(kills, ms));
        oldest = Math.max(oldest, ms);
    }

    private void awaitFirstWord(Process process) throws Exception {
        while (process.isAlive() && Files.size(said) == 0)
            process.waitFor(5, TimeUnit.MILLISECONDS);
    }

    private void hear(String line) {
        if (line.startsWith(Victim.HAS)) {
            int has = Integer.parseInt(line.substring(Victim.HAS.length()));
            if (has < acknowledged)
                lost.add("kill %d: kept %d, has %d".formatted(kills, acknowledged, has));
            acknowledged = has;
            for (long when : made.tailMap(has + 1).values()) older(madeUntil - when);
            made.clear();
        } else if (line.startsWith(Victim.MADE)) {
            String[] words = line.substring(Victim.MADE.length()).split(" ");
            madeUntil = killed;
            made.put(Integer.parseInt(words[0]), Long.parseLong(words[1]));
        } else if (line.startsWith(Victim.KEPT)) {
            String number = line.substring(Victim.KEPT.length());
            acknowledged = Math.max(acknowledged, Integer.parseInt(number));
        } else if (line.equals(Victim.ASKED)) {
            asked++;
        } else {
            lost.add("kill %d: %s".formatted(kills, line));
        }
    }
}
