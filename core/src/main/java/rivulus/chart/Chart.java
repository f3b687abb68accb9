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
    private static final int LEAST_FOLDED = 3;

    public Chart {
        sources = List.copyOf(sources);
        rows = List.copyOf(rows);
    }

    /// All cells of one ear.
    public record Row(Ear ear, List<Cell> cells) {
        public Row {
            cells = List.copyOf(cells);
        }

        /// Whether all of it is as wished.
        public boolean isWell() {
            return cells.stream().allMatch(cell -> cell.verdict().isGood());
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

    /// Rows that stand as one, or one by itself.
    ///
    /// @param title of what is folded: "5 tracks"; empty for a row by itself
    /// @param rows one, or those that are folded
    public record Fold(String title, List<Row> rows) {
        public Fold {
            rows = List.copyOf(rows);
        }

        /// Whether rows are folded here.
        public boolean isFolded() {
            return !title.isEmpty();
        }
    }

    /// The rows with those folded that are alike and where all is as wished, where there are many:
    /// rows of one kind that follow each other, but for those of the chosen ear.
    ///
    /// @param chosen the id of the chosen ear, or empty
    /// @param most so many rows are never folded
    public List<Fold> folded(String chosen, int most) {
        List<Fold> folds = new ArrayList<>();
        for (int from = 0; from < rows.size(); ) {
            int to = from + 1;
            while (to < rows.size() && kind(rows.get(to)).equals(kind(rows.get(from)))) to++;
            List<Row> alike = rows.subList(from, to);
            boolean fold =
                    rows.size() > most
                            && alike.size() >= LEAST_FOLDED
                            && alike.stream().allMatch(Row::isWell)
                            && alike.stream().noneMatch(row -> row.ear().id().equals(chosen));
            if (fold) folds.add(new Fold(alike.size() + " " + kind(rows.get(from)), alike));
            else for (Row row : alike) folds.add(new Fold("", List.of(row)));
            from = to;
        }
        return folds;
    }

    /// "tracks", "people"
    private static String kind(Row row) {
        return switch (row.ear().kind()) {
            case PERSON -> "people";
            case TRACK -> "tracks";
            case SECOND_LANGUAGE -> "languages";
            case ON_DEMAND -> "copies";
            case STREAM -> "streams";
            case HOUSE -> "houses";
            case ASSISTIVE -> "assistive feeds";
            case CAMERA -> "cameras";
        };
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
