package rivulus.cli;

import java.io.PrintWriter;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;
import rivulus.check.Proof;
import rivulus.check.SceneProof;
import rivulus.disk.JsonText;
import rivulus.hearing.Opening;
import rivulus.hearing.Way;
import rivulus.hearing.Ways;
import rivulus.report.Report;
import rivulus.report.Table;
import rivulus.search.Found;
import rivulus.show.Ear;
import rivulus.show.Limit;
import rivulus.show.Ref;
import rivulus.show.Source;
import rivulus.signal.SignalGraph;
import rivulus.timing.DelayBudget;
import rivulus.words.Words;

/// The ways from a source to an ear.
@Command(name = "trace", description = "The ways from a source to an ear, strongest first.")
final class TraceCommand implements Callable<Integer> {
    private static final int MOST_WAYS = 8;

    @Mixin private ShowArgument show;

    @Option(
            names = "--source",
            required = true,
            paramLabel = "ID",
            description = "Who or what sounds.")
    private String source;

    @Option(
            names = "--ear",
            required = true,
            paramLabel = "ID",
            description = "Who or what listens.")
    private String ear;

    @Spec private CommandSpec spec;

    @Override
    public Integer call() throws Exception {
        PrintWriter out = spec.commandLine().getOut();
        Proof proof = show.proof();
        show.known("source", source, proof.show().sources().stream().map(Source::id));
        show.known("ear", ear, proof.show().ears().stream().map(Ear::id));
        List<Object> scenes = new ArrayList<>();
        for (SceneProof scene : show.scenes(proof)) {
            List<Way> ways = Ways.of(scene.tracer().live()).strongest(source, ear, MOST_WAYS).all();
            Found<Opening> nearest =
                    isHeard(scene, ways) ? new Found<>(List.of(), true) : nearest(scene);
            if (show.json())
                scenes.add(Report.trace(source, ear, scene.scene().id(), ways, nearest.first()));
            else write(out, scene, ways, nearest);
        }
        if (show.json()) out.print(JsonText.of(Report.traces(scenes)));
        return Main.FINE;
    }

    private static void write(
            PrintWriter out, SceneProof scene, List<Way> ways, Found<Opening> nearest) {
        out.println(scene.scene().name());
        for (Way way : ways) {
            out.printf("  %s, %s: %s%n", Words.db(way.levelDb()), Words.ms(way.ms()), way.words());
            out.printf("    %s%n", DelayBudget.of(way).words());
            Table table = new Table().row("   ", "POINT", "GAIN", "SO FAR");
            for (Way.Step step : way.steps()) {
                table.row(
                        "   ",
                        step.to().point().toString(),
                        Words.db(step.gainDb()),
                        Words.ms(step.ms()));
            }
            out.println(table.text());
        }
        if (!isHeard(scene, ways)) writeBroken(out, scene, nearest);
    }

    /// Whether what comes by some way is loud enough to count as heard.
    private static boolean isHeard(SceneProof scene, List<Way> ways) {
        return !ways.isEmpty() && ways.getFirst().levelDb() >= scene.limit(Limit.HEARD);
    }

    private Found<Opening> nearest(SceneProof scene) {
        return scene.openings().nearest(source, ear, 1);
    }

    /// "Console, channel 1"
    private static String place(SceneProof scene, Ref point) {
        SignalGraph graph = scene.tracer().live().graph();
        return graph.nodes().get(graph.nodesOf(point)[0]).words();
    }

    private static void writeBroken(PrintWriter out, SceneProof scene, Found<Opening> nearest) {
        if (nearest.isEmpty()) {
            out.println(
                    nearest.complete()
                            ? "  nothing is heard: no lead and no program joins the two"
                            : "  nothing is heard, and no way that knobs could open was found");
            return;
        }
        Opening opening = nearest.all().getFirst();
        out.printf(
                "  It stops after %s: set %s.%n",
                place(scene, opening.broken().from()),
                Words.list(opening.turns().stream().map(Opening.KnobTurn::words).toList()));
    }
}
