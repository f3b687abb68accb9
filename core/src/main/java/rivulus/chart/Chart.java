package rivulus.chart;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import rivulus.check.Finding;
import rivulus.check.SceneProof;
import rivulus.check.Verdict;
import rivulus.show.Ear;
import rivulus.show.Source;
import rivulus.words.Severity;

/// The hearing chart of one scene: ears by sources, the result against the brief.
public record Chart(List<Source> sources, List<Row> rows) {
    public Chart {
        sources = List.copyOf(sources);
        rows = List.copyOf(rows);
    }

    /// All cells of one ear.
    public record Row(Ear ear, List<Cell> cells) {
        public Row {
            cells = List.copyOf(cells);
        }
    }

    /// One ear and one source.
    ///
    /// @param severity of what is wrong, or empty
    /// @param word the result in a word or two: "hears", "296 ms late", "twice"
    public record Cell(
            SceneProof.Heard heard, Verdict verdict, Optional<Severity> severity, String word) {}

    /// The chart of a scene.
    public static Chart of(SceneProof scene) {
        List<Row> rows = new ArrayList<>();
        for (Ear ear : scene.show().ears()) {
            List<Cell> cells =
                    scene.of(ear.id()).stream().map(heard -> cell(scene, heard)).toList();
            rows.add(new Row(ear, cells));
        }
        return new Chart(scene.show().sources(), rows);
    }

    private static Cell cell(SceneProof scene, SceneProof.Heard heard) {
        String ear = heard.ear().id();
        String source = heard.source().id();
        Verdict verdict = scene.verdict(ear, source);
        Optional<Finding> finding =
                scene.worst(ear, source).filter(f -> f.verdict().equals(Optional.of(verdict)));
        return new Cell(
                heard,
                verdict,
                finding.map(Finding::severity),
                finding.map(Finding::brief).orElse(verdict.brief()));
    }
}
