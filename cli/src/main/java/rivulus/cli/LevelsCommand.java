package rivulus.cli;

import java.io.PrintWriter;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;
import rivulus.chart.GainSheet;
import rivulus.chart.LevelSheet;
import rivulus.chart.ProcessingSheet;
import rivulus.chart.StairSheet;
import rivulus.check.Proof;
import rivulus.check.SceneProof;
import rivulus.disk.JsonText;
import rivulus.form.Field;
import rivulus.level.InputGain;
import rivulus.report.LevelReport;
import rivulus.report.Table;
import rivulus.show.Ear;
import rivulus.show.Source;
import rivulus.words.Words;

/// How loud everything is in the gear's own units, where it clips and hisses, and how the input
/// gains should stand.
@Command(
        name = "levels",
        description = "How loud everything is at an ear, and how the input gains should stand.")
final class LevelsCommand implements Callable<Integer> {
    @Mixin private ShowArgument show;

    @Option(names = "--ear", paramLabel = "ID", description = "Only this ear.")
    private String ear = "";

    @Option(
            names = "--source",
            paramLabel = "ID",
            description = "Step by step for this source, at the ear.")
    private String source = "";

    @Spec private CommandSpec spec;

    @Override
    public Integer call() throws Exception {
        PrintWriter out = spec.commandLine().getOut();
        Proof proof = show.proof();
        if (!ear.isEmpty()) show.known("ear", ear, proof.show().ears().stream().map(Ear::id));
        if (!source.isEmpty())
            show.known("source", source, proof.show().sources().stream().map(Source::id));
        if (show.json()) {
            out.print(JsonText.of(LevelReport.of(proof, show.scenes(proof), ear)));
            return Main.FINE;
        }
        GainSheet sheet = GainSheet.of(proof);
        Table gains = new Table().row("GAIN", "COMES IN", "STANDS AT", "SHOULD BE", "");
        for (InputGain gain : sheet.used())
            gains.row(
                    gain.now().use().words(),
                    gain.source().map(Source::name).orElse("nothing"),
                    gain.now().marks(),
                    gain.turn().isPresent() ? gain.should().marks() : "as it is",
                    gain.why());
        out.println(gains.text());
        sheet.idle().ifPresent(idle -> out.println(idle + "."));
        for (SceneProof scene : show.scenes(proof)) {
            out.println(scene.scene().name());
            for (Ear listens : proof.show().ears())
                if (ear.isEmpty() || listens.id().equals(ear)) write(out, proof, scene, listens);
        }
        return Main.FINE;
    }

    private void write(PrintWriter out, Proof proof, SceneProof scene, Ear listens) {
        LevelSheet sheet = LevelSheet.of(proof, scene, listens, source);
        if (sheet.rows().isEmpty()) return;
        out.println("  " + listens.name());
        Table table = new Table();
        for (LevelSheet.Row row : sheet.rows())
            table.row(
                    "   ",
                    row.source().name(),
                    row.words(),
                    row.noise().map("most noise: "::concat).orElse(""));
        out.println(table.text());
        for (LevelSheet.Row row : sheet.rows())
            row.advice()
                    .forEach(a -> out.printf("    %s: %s%n", row.source().name(), a.sentence()));
        if (source.isEmpty() || sheet.chosen().isEmpty()) return;
        LevelSheet.Row row = sheet.chosen().get();
        out.println(steps(row.stairs()));
        ProcessingSheet acts = ProcessingSheet.of(proof, scene, listens, row);
        for (Field field : acts.form().fields())
            if (field instanceof Field.Choice choice && !choice.told().isEmpty())
                out.printf("    %s: %s%n", choice.label(), choice.told());
        out.println("    " + acts.words());
        acts.orders().forEach(line -> out.println("    " + line));
    }

    private static String steps(StairSheet stairs) {
        Table table = new Table().row("   ", "STEP", "", "AVERAGE", "HEADROOM", "NOISE", "GAIN");
        for (StairSheet.Step step : stairs.steps())
            table.row(
                    "   ",
                    step.device(),
                    step.point(),
                    step.reads(),
                    Double.isInfinite(step.ceilingDb())
                            ? ""
                            : Words.db(step.ceilingDb() - step.peakDb()),
                    Double.isInfinite(step.noiseDb())
                            ? ""
                            : Words.db(step.noiseDb() - step.averageDb()),
                    step.gain());
        return table.text();
    }
}
