package rivulus.torture;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.lang.management.ManagementFactory;
import java.lang.management.ThreadMXBean;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Stream;
import rivulus.air.Chapters;
import rivulus.air.Clocks;
import rivulus.air.Stopwatch;
import rivulus.app.session.Picture;
import rivulus.app.session.Settings;
import rivulus.chart.Chart;
import rivulus.chart.Courses;
import rivulus.chart.KnobSheet;
import rivulus.chart.Lit;
import rivulus.chart.RigDrawing;
import rivulus.chart.RigLayer;
import rivulus.chart.RigPages;
import rivulus.chart.Ruler;
import rivulus.check.Failure;
import rivulus.check.Proof;
import rivulus.check.Prover;
import rivulus.check.SceneProof;
import rivulus.disk.FileTrouble;
import rivulus.disk.JsonText;
import rivulus.file.Journal;
import rivulus.file.Library;
import rivulus.file.ShowFile;
import rivulus.file.Templates;
import rivulus.intake.Intake;
import rivulus.intake.Lists;
import rivulus.intake.Matching;
import rivulus.mix.MixLanguage;
import rivulus.plan.Pattern;
import rivulus.rule.Rules;
import rivulus.say.Answers;
import rivulus.say.Page;
import rivulus.sheet.Sheet;
import rivulus.sheet.Sheets;
import rivulus.show.Day;
import rivulus.show.Logged;
import rivulus.show.Moment;
import rivulus.show.Now;
import rivulus.show.Show;
import rivulus.sound.Measuring;
import rivulus.sound.WavMending;

/// Feeds the program files that are nearly sound. Each is either refused in words or used for
/// everything a show is used for; whatever else happens is counted.
///
/// `java … rivulus.torture.Fuzzer INPUTS [SEED]`; an input is made of its number and the seed
/// alone.
public final class Fuzzer {
    private static final int SLOW_BYTES = 100_000;
    private static final long SLOW_NANOS = 2_000_000_000L;
    private static final int PICTURED = 32;
    private static final double WIDTH = 900;
    private static final long TOLD_EVERY = 50_000;
    private static final int TOLD = 12;
    private static final ThreadMXBean CLOCK = ManagementFactory.getThreadMXBean();

    private static final Prover PROVER = Rules.prover();

    /// Lines of all kinds, as docs/lines.md has them.
    private static final List<String> LINES =
            List.of(
                    "Maren, host, Reading Room",
                    "Nadia, caller, call program",
                    "show desk",
                    "mic for Maren",
                    "Maren's mic > Show desk",
                    "three guests in the hall, one speaks softly",
                    "Odd & Ane, hosts, with headsets",
                    "2 condenser mics for the choir",
                    "stream, podcast without music",
                    "Scene Tales, 40 min: Nadia rests",
                    "laptop line out > isolator > mixer line in",
                    "We are four at the table, Maren has the chair and Teo reads the questions.",
                    "Odd joins from home over the internet, and two people ring in from the harbour.",
                    "About thirty come to listen; two loudspeakers on stands for them.",
                    "Kai must only hear Runa, unless we are in the break",
                    "No music in the podcast please, but the stream should have everything!",
                    "The mixer has eight inputs (two with USB) and sits 20 m from the stage.",
                    "Doors 19:00, show from half past seven till nine, then everybody rests but Ane.",
                    "last time the callers heard themselves, half a second late - never again",
                    "mix-minus for Rolf; USB 2 carries Hedda only",
                    "48 kHz, buffer 128",
                    "what the house hears: everything but the callers",
                    "backup recording",
                    "a break of 10 min.");

    private static final List<String> SENTENCES =
            List.of(
                    "everything but Nadia",
                    "voices, music -12",
                    "programme and cues, Maren +3 dB",
                    "the floor without interpreters",
                    "nothing but talkback",
                    "hosts 0, guests -6, callers -3, clips off");

    private final Path folder;
    private final long seed;
    private final List<String> shows = texts(Path.of("../shows"), ".rivulus");
    private final List<String> kinds =
            texts(Path.of("../core/src/main/resources/rivulus/templates"), ".json");
    private final List<String> patterns =
            texts(Path.of("../core/src/main/resources/rivulus/plans"), ".json");
    private final List<String> journals = List.of(Sounds.journal(shows.getFirst()));
    private final List<Show> sound = shows.stream().map(Fuzzer::sound).toList();
    private final Map<Kind, Long> made = new EnumMap<>(Kind.class);
    private final Map<Kind, Long> taken = new EnumMap<>(Kind.class);
    private final List<String> uncaught = new ArrayList<>();
    private final List<String> slow = new ArrayList<>();
    private double slowestMs;
    private long stepBegan;
    private long longestStep;

    private enum Kind {
        SHOW,
        TEMPLATE,
        LIST,
        SETTINGS,
        JOURNAL,
        LINES,
        SENTENCE,
        PATTERN,
        DAY,
        WAV,
        FLAC
    }

    Fuzzer(Path folder, long seed) {
        this.folder = folder;
        this.seed = seed;
    }

    /// Runs and prints what came of it.
    public static void main(String[] args) throws IOException {
        long inputs = Long.parseLong(args[0]);
        long seed = args.length > 1 ? Long.parseLong(args[1]) : System.nanoTime();
        Fuzzer fuzzer = new Fuzzer(Files.createTempDirectory("rivulus-fuzz"), seed);
        long first = args.length > 2 ? Long.parseLong(args[2]) : 0;
        for (long done = 0; done < inputs; done += TOLD_EVERY) {
            fuzzer.run(first + done, first + Math.min(inputs, done + TOLD_EVERY));
            System.out.println(fuzzer.words());
        }
        System.exit(fuzzer.failures().isEmpty() ? 0 : 1);
    }

    private static List<String> texts(Path folder, String ending) {
        try (Stream<Path> files = Files.list(folder)) {
            List<String> texts = new ArrayList<>();
            for (Path file : files.filter(f -> f.toString().endsWith(ending)).sorted().toList())
                texts.add(Files.readString(file));
            return texts;
        } catch (IOException missing) {
            throw new UncheckedIOException(missing);
        }
    }

    /// Feeds the inputs of those numbers.
    void run(long from, long to) {
        for (long number = from; number < to; number++) one(number);
    }

    /// What was thrown, and what was slow, with the numbers of the inputs.
    List<String> failures() {
        List<String> all = new ArrayList<>(uncaught);
        all.addAll(slow);
        return Collections.unmodifiableList(all);
    }

    /// What was thrown.
    List<String> uncaught() {
        return Collections.unmodifiableList(uncaught);
    }

    String words() {
        StringBuilder words = new StringBuilder("seed " + seed + "\n");
        for (Kind kind : Kind.values())
            words.append(
                    "%-8s %8d inputs, %8d of them taken\n"
                            .formatted(
                                    kind.name().toLowerCase(java.util.Locale.ROOT),
                                    made.getOrDefault(kind, 0L),
                                    taken.getOrDefault(kind, 0L)));
        words.append(
                "slowest under %d bytes: %.0f ms; uncaught: %d; slow: %d\n"
                        .formatted(SLOW_BYTES, slowestMs, uncaught.size(), slow.size()));
        failures().stream().limit(TOLD).forEach(failure -> words.append(failure).append('\n'));
        return words.toString();
    }

    /// A show on whose day things happened at any time, forwards and backwards.
    private String days(Random random) {
        Show show = any(random, sound);
        Day day = show.day();
        LocalDateTime at = LocalDateTime.of(2026, 10, 25, 1, 0);
        for (int line = random.nextInt(12); line >= 0; line--) {
            at = at.plusSeconds(random.nextInt(20_000) - 4_000);
            boolean older = random.nextInt(4) == 0;
            Moment moment =
                    Moment.of(
                            at + (older ? "" : random.nextBoolean() ? "Z" : "+02:00"),
                            older
                                    ? Optional.empty()
                                    : Optional.of(Duration.ofSeconds(random.nextInt(90_000))));
            Logged.Kind kind = any(random, List.of(Logged.Kind.values()));
            boolean ends = random.nextInt(5) == 0;
            String scene = ends ? "" : any(random, show.scenes()).id();
            day = day.logged(new Logged(moment, kind, scene, "Line " + line));
        }
        return ShowFile.write(show.withDay(day));
    }

    private static Show sound(String text) {
        try {
            return ShowFile.parse(text, "a.rivulus", PROVER.catalogue());
        } catch (FileTrouble broken) {
            throw new IllegalStateException(broken);
        }
    }

    private static Kind kind(Random random) {
        int at = random.nextInt(40);
        if (at < 9) return Kind.SHOW;
        if (at < 14) return Kind.TEMPLATE;
        if (at < 17) return Kind.LIST;
        if (at < 18) return Kind.SETTINGS;
        if (at < 20) return Kind.JOURNAL;
        if (at < 26) return Kind.LINES;
        if (at < 29) return Kind.SENTENCE;
        if (at < 31) return Kind.PATTERN;
        if (at < 34) return Kind.DAY;
        return at < 37 ? Kind.WAV : Kind.FLAC;
    }

    private static <T> T any(Random random, List<T> all) {
        return all.get(random.nextInt(all.size()));
    }

    private void one(long number) {
        Random random = new Random(seed * 1_000_003 + number);
        Kind kind = kind(random);
        String text = text(random, kind);
        made.merge(kind, 1L, Long::sum);
        longestStep = 0;
        stepBegan = CLOCK.getCurrentThreadCpuTime();
        try {
            use(random, kind, text, number);
            taken.merge(kind, 1L, Long::sum);
        } catch (FileTrouble refused) {
            String words = refused.getMessage();
            if (words.contains("\n") || words.length() > 700)
                uncaught.add(
                        "input %d, %s: a message of %d letters"
                                .formatted(number, kind, words.length()));
        } catch (Throwable thrown) {
            StackTraceElement at =
                    thrown.getStackTrace().length == 0 ? null : thrown.getStackTrace()[0];
            uncaught.add("input %d, %s: %s at %s".formatted(number, kind, thrown, at));
        }
        step();
        double ms = longestStep / 1e6;
        if (text.length() > SLOW_BYTES) return;
        slowestMs = Math.max(slowestMs, ms);
        if (ms * 1e6 > SLOW_NANOS) slow.add("input %d, %s: %.0f ms".formatted(number, kind, ms));
    }

    /// One thing that somebody waits for is done. Its time is that of the processor, so that what
    /// else the machine does is not counted.
    private void step() {
        long now = CLOCK.getCurrentThreadCpuTime();
        longestStep = Math.max(longestStep, now - stepBegan);
        stepBegan = now;
    }

    private String text(Random random, Kind kind) {
        Mutator mutator = new Mutator(random);
        String show = any(random, shows);
        return switch (kind) {
            case SHOW ->
                    mutator.document(
                            show, random.nextBoolean() ? any(random, shows) : any(random, kinds));
            case TEMPLATE -> mutator.document(any(random, kinds), any(random, kinds));
            case LIST ->
                    random.nextBoolean()
                            ? mutator.table(
                                    "channel,source,gear,48v,metres\n1,Maren,dynamic microphone,no,3\n2,Ivo,condenser microphone,yes,5\n,Choir,condenser,x,10\n")
                            : mutator.table(
                                    "from,to,metres,owned\nShow desk,Stream tower,2,yes\ndesk/mic1,Maren's mic,3,no\n\"Show desk, USB 1\",Cue laptop,2,\n");
            case SETTINGS ->
                    mutator.document(
                            "{\"theme\": \"night\", \"scale\": 1.1, \"motion\": true, \"recent\": [\"/a\", \"/b\"]}",
                            show);
            case JOURNAL -> {
                String inner =
                        random.nextBoolean() ? show : mutator.document(show, any(random, shows));
                String sound =
                        JsonText.of(
                                Map.of(
                                        "journal",
                                        1,
                                        "written",
                                        "2026-11-20T18:00:00Z",
                                        "file",
                                        "/shows/a.rivulus",
                                        "show",
                                        inner));
                yield switch (random.nextInt(3)) {
                    case 0 -> sound;
                    case 1 -> mutator.document(sound, show);
                    default -> mutator.bytes(any(random, journals));
                };
            }
            case LINES -> mutator.words(LINES);
            case SENTENCE -> mutator.words(SENTENCES);
            case PATTERN -> mutator.document(any(random, patterns), any(random, patterns));
            case DAY -> mutator.document(days(random), show);
            case WAV -> mutator.sound(Sounds.WAV);
            case FLAC -> mutator.sound(Sounds.FLAC);
        };
    }

    private void use(Random random, Kind kind, String text, long number) throws Exception {
        switch (kind) {
            case SHOW -> use(ShowFile.parse(text, "a.rivulus", PROVER.catalogue()), number);
            case TEMPLATE -> {
                Templates.parseOwn(text, "kind.json");
                if (number % PICTURED == 0) {
                    Files.write(folder.resolve("kind.json"), Mutator.utf8(text));
                    Library.in(folder);
                    Files.delete(folder.resolve("kind.json"));
                }
            }
            case LIST -> {
                Show show = any(random, sound);
                var list = Lists.parse(text, "list.csv");
                Intake intake = new Intake(show, PROVER.catalogue(), Templates.leads());
                String into = intake.mixers().isEmpty() ? "" : intake.mixers().getFirst().id();
                Show after = intake.plan(list, Matching.guess(list), into).after();
                holds(after);
            }
            case SETTINGS -> {
                Files.write(folder.resolve("settings.json"), Mutator.utf8(text));
                Settings settings = Settings.in(folder);
                if (!settings.troubles().isEmpty())
                    throw new FileTrouble(settings.troubles().getFirst());
            }
            case JOURNAL -> {
                Path journals = folder.resolve("journals");
                Files.createDirectories(journals);
                Path journal = journals.resolve("a.journal");
                Files.write(journal, Mutator.utf8(text));
                Journal.Found found = Journal.leftIn(journals, PROVER.catalogue());
                Files.deleteIfExists(journal);
                for (Journal.Left left : found.left()) holds(left.show());
                if (!found.troubles().isEmpty()) throw new FileTrouble(found.troubles().getFirst());
            }
            case LINES -> {
                Page page =
                        Page.written(
                                text,
                                any(random, sound),
                                PROVER.catalogue(),
                                random.nextBoolean() ? Answers.FIRST : Answers.NONE);
                step();
                holds(ShowFile.again(page.edit().after(), PROVER.catalogue()));
            }
            case SENTENCE -> {
                MixLanguage language = new MixLanguage(any(random, sound).cast());
                language.complete(text, random.nextInt(text.length() + 1));
                if (language.read(text) instanceof MixLanguage.Says(var steps)
                        && language.read(language.print(steps)) instanceof MixLanguage.Mistake)
                    throw new IllegalStateException("printed and not read again");
            }
            case PATTERN -> Pattern.parse(text, "pattern.json");
            case DAY -> {
                Show show = ShowFile.parse(text, "a.rivulus", PROVER.catalogue());
                holds(show);
                Now now = Now.by(LocalDateTime.of(2026, 12, 1, 20, random.nextInt(60)));
                Clocks.of(show, now);
                Clocks.toAir(show, now);
                Chapters.webVtt(show);
                new Stopwatch(now::at, () -> number).now(show.day());
            }
            case WAV, FLAC -> {
                Path file = folder.resolve("a.sound");
                Files.write(file, text.getBytes(StandardCharsets.ISO_8859_1));
                Measuring.of(file, _ -> true);
                WavMending.of(file);
            }
        }
    }

    /// What was read can be written and read again, and is then the same.
    private static void holds(Show show) throws FileTrouble {
        Show again;
        try {
            again = ShowFile.again(show, PROVER.catalogue());
        } catch (FileTrouble unsound) {
            throw new IllegalStateException(
                    "written and refused: " + unsound.getMessage(), unsound);
        }
        if (!again.equals(show))
            throw new IllegalStateException("written and read as something else");
    }

    private void use(Show show, long number) throws FileTrouble {
        holds(show);
        step();
        Proof proof = PROVER.prove(show);
        proof.findings();
        if (number % PICTURED != 0) return;
        String device = show.rig().devices().isEmpty() ? "" : show.rig().devices().getFirst().id();
        String ear = show.ears().isEmpty() ? "" : show.ears().getFirst().id();
        step();
        SceneProof scene = proof.scenes().getFirst();
        Picture.of(proof, new Picture.Choice(scene.scene().id(), ear, "", device));
        Chart.of(scene);
        step();
        if (!ear.isEmpty()) {
            Courses.toEar(scene, ear, PROVER.catalogue());
            Ruler.of(scene, show.ears().getFirst());
            step();
        }
        KnobSheet.of(scene, device, show.ear(ear).orElse(null), PROVER.catalogue());
        show.rig().device(device).ifPresent(d -> Failure.of(scene, d));
        step();
        for (RigLayer layer : RigLayer.values()) {
            RigDrawing.of(proof, ear.isEmpty() ? Lit.NOTHING : Lit.toEar(scene, ear), layer, WIDTH);
            new RigPages(proof, scene, PROVER.catalogue(), show.ear(ear), Optional.empty(), 10)
                    .of(layer);
            step();
        }
        Sheets sheets = new Sheets(proof, PROVER.catalogue());
        for (Sheets.Kind sheet : Sheets.Kind.values()) {
            Sheet drawn = sheets.of(sheet);
            drawn.csv();
            drawn.markdown();
            if (number % (PICTURED * PICTURED) == 0) drawn.pdf();
            step();
        }
    }
}
