package rivulus.cli;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SequencedMap;
import java.util.Set;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import rivulus.check.Proof;
import rivulus.check.Prover;
import rivulus.check.SceneProof;
import rivulus.disk.FileTrouble;
import rivulus.disk.JsonText;
import rivulus.file.ShowFile;
import rivulus.recording.ByContent;
import rivulus.recording.Matching;
import rivulus.recording.Recording;
import rivulus.recording.Remark;
import rivulus.recording.Track;
import rivulus.report.SoundReport;
import rivulus.report.Table;
import rivulus.rule.Rules;
import rivulus.sheet.SoundSheets;
import rivulus.show.Show;
import rivulus.sound.Channel;
import rivulus.sound.Measured;
import rivulus.sound.Measuring;
import rivulus.sound.WavMending;
import rivulus.words.Severity;
import rivulus.words.Words;

/// Measures recordings, and says what they say against a show.
@Command(
        name = "measure",
        description = "Measures recordings (WAV, FLAC), and says what they say against a show.")
final class MeasureCommand implements Callable<Integer> {
    @Parameters(arity = "1..*", paramLabel = "FILE", description = "The recordings.")
    private List<Path> files;

    @Option(
            names = "--against",
            paramLabel = "SHOW",
            description =
                    "The show that they are of; files are matched by their names, else by what is on them.")
    private Path against;

    @Option(names = "--scene", paramLabel = "ID", description = "The scene; the first otherwise.")
    private String scene = "";

    @Option(
            names = "--out",
            paramLabel = "FILE",
            description = "Writes a sheet with every track over time: .pdf, .svg, .md or .csv.")
    private Path sheet;

    @Option(
            names = "--mend",
            description =
                    "Where a recorder was cut off, writes into the header how long the recording is.")
    private boolean mends;

    @Option(names = "--json", description = "Write JSON for other programs.")
    private boolean json;

    @Mixin private Force force;

    @Spec private CommandSpec spec;

    @Override
    public Integer call() throws Exception {
        force.mayWrite(sheet);
        PrintWriter out = spec.commandLine().getOut();
        SequencedMap<Path, Measured> read = measured();
        List<Measured> all = List.copyOf(read.values());
        boolean isWhole = read.size() == Set.copyOf(files).size();
        if (against == null) {
            Show none = Show.untitled();
            if (sheet != null) draw("Measured", none, tracks(none, read), List.of());
            if (json) out.print(JsonText.of(SoundReport.measured(all)));
            else all.forEach(measured -> write(out, measured));
            return isWhole ? Main.FINE : Main.UNUSABLE;
        }
        Prover prover = Rules.prover();
        Show show = ShowFile.open(against, prover.catalogue());
        Recording recording = recording(prover.prove(show), read);
        if (sheet != null) draw(show.title(), show, recording.tracks(), recording.remarks());
        if (json) {
            out.print(JsonText.of(SoundReport.against(all, recording)));
        } else {
            all.forEach(measured -> write(out, measured));
            for (Track track : recording.tracks())
                if (track.ear().isEmpty() && !track.isPicture())
                    out.printf("%s is nobody that the show knows by name.%n", track.name());
                else if (track.isByContent())
                    out.printf(
                            "%s is taken for %s, by what is on it.%n",
                            track.measured().name(), track.name());
            for (Remark remark : recording.remarks())
                out.printf("%-8s %s%n", remark.severity().word(), remark.sentence());
            if (recording.remarks().isEmpty()) out.println("All is as the plan foretells.");
        }
        boolean serious =
                recording.remarks().stream().map(Remark::severity).anyMatch(Severity::isSerious);
        if (!isWhole) return Main.UNUSABLE;
        return serious ? Main.FOUND : Main.FINE;
    }

    /// Every file that can be; the others are told, and stop nothing.
    private SequencedMap<Path, Measured> measured() throws FileTrouble {
        PrintWriter err = spec.commandLine().getErr();
        SequencedMap<Path, Measured> all = new LinkedHashMap<>();
        for (Path file : files) {
            try {
                if (mends) mend(file, err);
                all.put(file, Measuring.of(file, _ -> true).orElseThrow());
            } catch (FileTrouble broken) {
                if (files.size() == 1) throw broken;
                err.println(broken.getMessage());
            }
        }
        if (all.isEmpty()) throw new FileTrouble("none of these files can be measured");
        return all;
    }

    private static void mend(Path file, PrintWriter err) throws FileTrouble {
        Optional<WavMending> cut = WavMending.of(file);
        if (cut.isEmpty()) return;
        cut.get().write();
        err.println("the header of %s says how long it is now".formatted(file));
    }

    private void draw(String title, Show show, List<Track> tracks, List<Remark> remarks)
            throws FileTrouble {
        SheetCommand.write(SoundSheets.of(title, tracks, remarks, show.checks().limits()), sheet);
    }

    /// The tracks of all files, as far as their names tell whose they are.
    private List<Track> tracks(Show show, Map<Path, Measured> all) {
        Matching matching = Matching.with(show);
        List<Track> tracks = new ArrayList<>();
        all.forEach((file, measured) -> tracks.addAll(matching.tracks(file, measured)));
        return tracks;
    }

    private Recording recording(Proof proof, Map<Path, Measured> all) throws FileTrouble {
        SceneProof in =
                scene.isEmpty()
                        ? proof.scenes().getFirst()
                        : proof.scene(scene)
                                .orElseThrow(
                                        () ->
                                                ShowArgument.unknown(
                                                        against, "scene", scene, proof.sceneIds()));
        List<Track> tracks = ByContent.matched(in, tracks(proof.show(), all), _ -> true);
        return Recording.of(proof, in, tracks, _ -> true).orElseThrow();
    }

    private static void write(PrintWriter out, Measured measured) {
        out.printf(
                "%s: %s, %s%n",
                measured.name(),
                measured.format().words(),
                Words.shortest(Math.rint(measured.seconds() * 10) / 10) + " s");
        measured.notes().forEach(note -> out.println("  " + note));
        measured.programme()
                .filter(_ -> measured.channels().size() > 1)
                .ifPresent(
                        p ->
                                out.printf(
                                        "  together %s LUFS, range %s LU, true peak %s dBTP%n",
                                        Words.signed(p.lufs(), 1),
                                        Words.signed(p.rangeLu(), 1),
                                        Words.signed(p.truePeakDbtp(), 1)));
        Table table =
                new Table()
                        .row(
                                "  ",
                                "CHANNEL",
                                "LUFS",
                                "RANGE",
                                "LOUDEST 3 S",
                                "TRUE PEAK",
                                "FLOOR",
                                "CLIPPED",
                                "HUM");
        for (Channel channel : measured.channels())
            table.row(
                    "  ",
                    String.valueOf(channel.number()),
                    channel.isSilent() ? "silent" : Words.signed(channel.lufs(), 1),
                    Words.signed(channel.rangeLu(), 1),
                    Words.signed(channel.shortTermLufs(), 1),
                    Words.signed(channel.truePeakDbtp(), 1),
                    Words.signed(channel.floorDbfs(), 0),
                    channel.clipped() == 0 ? "" : Words.times(channel.clipped()),
                    channel.hum()
                            .map(hum -> hum.hz() + " Hz, " + Words.signed(hum.dbfs(), 0) + " dBFS")
                            .orElse(""));
        out.println(table.text());
    }
}
