package rivulus.cli;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
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
import rivulus.recording.Matching;
import rivulus.recording.Recording;
import rivulus.recording.Remark;
import rivulus.recording.Track;
import rivulus.report.SoundReport;
import rivulus.report.Table;
import rivulus.rule.Rules;
import rivulus.sound.Channel;
import rivulus.sound.Measured;
import rivulus.sound.Measuring;
import rivulus.words.Severity;
import rivulus.words.Words;

/// Measures recordings, and says what they say against a show.
@Command(
        name = "measure",
        description = "Measures recordings (WAV), and says what they say against a show.")
final class MeasureCommand implements Callable<Integer> {
    @Parameters(arity = "1..*", paramLabel = "FILE.wav", description = "The recordings.")
    private List<Path> files;

    @Option(
            names = "--against",
            paramLabel = "SHOW",
            description = "The show that they are of; files are matched by their names.")
    private Path against;

    @Option(names = "--scene", paramLabel = "ID", description = "The scene; the first otherwise.")
    private String scene = "";

    @Option(names = "--json", description = "Write JSON for other programs.")
    private boolean json;

    @Spec private CommandSpec spec;

    @Override
    public Integer call() throws Exception {
        PrintWriter out = spec.commandLine().getOut();
        List<Measured> all = new ArrayList<>();
        for (Path file : files) all.add(Measuring.of(file, _ -> true).orElseThrow());
        if (against == null) {
            if (json) out.print(JsonText.of(SoundReport.measured(all)));
            else all.forEach(measured -> write(out, measured));
            return Main.FINE;
        }
        Recording recording = recording(all);
        if (json) {
            out.print(JsonText.of(SoundReport.against(all, recording)));
        } else {
            all.forEach(measured -> write(out, measured));
            for (Track track : recording.tracks())
                if (track.ear().isEmpty() && !track.isPicture())
                    out.printf("%s is nobody that the show knows by name.%n", track.name());
            for (Remark remark : recording.remarks())
                out.printf("%-8s %s%n", remark.severity().word(), remark.sentence());
            if (recording.remarks().isEmpty()) out.println("All is as the plan foretells.");
        }
        boolean serious =
                recording.remarks().stream().map(Remark::severity).anyMatch(Severity::isSerious);
        return serious ? Main.FOUND : Main.FINE;
    }

    private Recording recording(List<Measured> all) throws FileTrouble {
        Prover prover = Rules.prover();
        Proof proof = prover.prove(ShowFile.open(against, prover.catalogue()));
        SceneProof in =
                scene.isEmpty()
                        ? proof.scenes().getFirst()
                        : proof.scene(scene)
                                .orElseThrow(
                                        () ->
                                                ShowArgument.unknown(
                                                        against, "scene", scene, proof.sceneIds()));
        Matching matching = Matching.with(proof.show());
        List<Track> tracks = new ArrayList<>();
        for (int f = 0; f < files.size(); f++)
            tracks.addAll(matching.tracks(files.get(f), all.get(f)));
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
