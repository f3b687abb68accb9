package rivulus.sheet;

import java.util.ArrayList;
import java.util.List;
import rivulus.chart.GainSheet;
import rivulus.chart.GoingSheet;
import rivulus.check.Proof;
import rivulus.level.InputGain;
import rivulus.show.Source;

/// What is set for levels, recording and stream: input gains, tracks with their taps and bytes,
/// what goes out and how loud, and whose leave is asked.
final class LevelSheets {
    private final Proof proof;

    LevelSheets(Proof proof) {
        this.proof = proof;
    }

    List<Part> tables() {
        List<GoingSheet.Section> going = GoingSheet.of(proof).sections();
        return List.of(
                gains(),
                table(going.get(1), List.of("track", "where and how")),
                table(going.get(0), List.of("what", "how")),
                table(going.get(2), List.of("who or what", "asked", "yes", "date", "name")));
    }

    private Part.Table gains() {
        GainSheet sheet = GainSheet.of(proof);
        List<List<String>> rows = new ArrayList<>();
        for (InputGain gain : sheet.used())
            rows.add(
                    List.of(
                            gain.now().use().words(),
                            gain.source().map(Source::name).orElse(""),
                            gain.should().marks(),
                            gain.why()));
        List<String> notes = new ArrayList<>();
        sheet.idle().ifPresent(idle -> notes.add(idle + ": gain at the bottom."));
        notes.add(
                "Turn up from the bottom while somebody talks as loudly as they will; what the meter says then comes first.");
        return new Part.Table("Input gains", List.of("knob", "who", "set to", "then"), rows, notes);
    }

    private static Part.Table table(GoingSheet.Section section, List<String> heads) {
        List<List<String>> rows = new ArrayList<>();
        for (GoingSheet.Row row : section.rows()) {
            List<String> cells = new ArrayList<>(List.of(row.name(), row.words()));
            while (cells.size() < heads.size()) cells.add("");
            rows.add(cells);
        }
        return new Part.Table(section.title(), heads, rows, section.notes());
    }
}
