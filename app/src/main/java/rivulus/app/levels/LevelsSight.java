package rivulus.app.levels;

import java.util.List;
import java.util.Optional;
import rivulus.app.session.Picture;
import rivulus.chart.LevelSheet;
import rivulus.check.Proof;
import rivulus.check.Prover;
import rivulus.show.Turn;

/// How loud everything is at the chosen ear, drawn up, and what setting all gains would do.
///
/// @param effects what would be heard louder or softer, and by whom
record LevelsSight(Picture picture, Optional<LevelSheet> sheet, List<String> effects) {
    static LevelsSight of(Picture picture, Prover prover, String source) {
        if (picture.ear() == null) return new LevelsSight(picture, Optional.empty(), List.of());
        LevelSheet sheet = LevelSheet.of(picture.proof(), picture.scene(), picture.ear(), source);
        return new LevelsSight(picture, Optional.of(sheet), effects(picture, prover, sheet));
    }

    private static List<String> effects(Picture picture, Prover prover, LevelSheet sheet) {
        List<Turn> turns = sheet.turns();
        if (turns.isEmpty()) return List.of();
        Proof after = prover.prove(picture.show().with(turns), picture.proof());
        return after.scene(picture.scene().scene().id())
                .map(then -> LevelSheet.effects(picture.scene(), then))
                .orElse(List.of());
    }
}
