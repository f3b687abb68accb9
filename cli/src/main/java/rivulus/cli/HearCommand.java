package rivulus.cli;

import java.io.PrintWriter;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Spec;
import rivulus.check.Proof;
import rivulus.check.SceneProof;
import rivulus.disk.JsonText;
import rivulus.hearing.Arrival;
import rivulus.report.Report;
import rivulus.report.Table;
import rivulus.words.Words;

/// What every ear hears of every source.
@Command(name = "hear", description = "What every ear hears of every source.")
final class HearCommand implements Callable<Integer> {
    @Mixin private ShowArgument show;

    @Spec private CommandSpec spec;

    @Override
    public Integer call() throws Exception {
        PrintWriter out = spec.commandLine().getOut();
        Proof proof = show.proof();
        if (show.json()) {
            out.print(JsonText.of(Report.hearing(proof, show.scenes(proof))));
            return Main.FINE;
        }
        for (SceneProof scene : show.scenes(proof)) {
            out.println(scene.scene().name());
            out.println(table(scene).text());
        }
        return Main.FINE;
    }

    private static Table table(SceneProof scene) {
        Table table = new Table().row("EAR", "SOURCE", "WISH", "LEVEL", "ARRIVES", "VERDICT");
        for (SceneProof.Heard cell : scene.all()) {
            var hearing = cell.hearing();
            String arrives =
                    String.join(
                            ", ",
                            hearing.arrivals().stream()
                                    .filter(a -> a.levelDb() > hearing.levelDb() - 25)
                                    .map(Arrival::ms)
                                    .map(Words::ms)
                                    .toList());
            table.row(
                    cell.ear().name(),
                    cell.source().name(),
                    cell.standing().wish().phrase(),
                    Words.db(hearing.levelDb()),
                    arrives,
                    scene.verdict(cell.ear().id(), cell.source().id()).word());
        }
        return table;
    }
}
