package rivulus.app.levels;

import java.util.List;
import java.util.Optional;
import rivulus.app.session.Picture;
import rivulus.chart.GainSheet;
import rivulus.chart.GoingSheet;
import rivulus.chart.LevelSheet;
import rivulus.chart.ProcessingSheet;
import rivulus.check.Prover;

/// How loud everything is at the chosen ear, drawn up; how the input gains stand, and what setting
/// them would do.
///
/// @param processing what acts on the source whose staircase is drawn; empty while nobody looks
/// @param going what goes out and is kept; empty while nobody looks
/// @param effects what would be heard louder or softer, and by whom
record LevelsSight(
        Picture picture,
        Optional<LevelSheet> levels,
        Optional<ProcessingSheet> processing,
        GainSheet gains,
        Optional<GoingSheet> going,
        List<String> effects) {
    /// @param acts whether somebody looks at what acts on the source
    /// @param goes whether somebody looks at what goes out
    static LevelsSight of(
            Picture picture, Prover prover, String source, boolean acts, boolean goes) {
        GainSheet gains = GainSheet.of(picture.proof());
        Optional<LevelSheet> levels =
                Optional.ofNullable(picture.ear())
                        .map(ear -> LevelSheet.of(picture.proof(), picture.scene(), ear, source));
        return new LevelsSight(
                picture,
                levels,
                levels.flatMap(LevelSheet::chosen)
                        .filter(_ -> acts)
                        .map(
                                row ->
                                        ProcessingSheet.of(
                                                picture.proof(),
                                                picture.scene(),
                                                picture.ear(),
                                                row)),
                gains,
                goes ? Optional.of(GoingSheet.of(picture.proof())) : Optional.empty(),
                gains.effects(picture.proof(), picture.scene(), prover));
    }
}
