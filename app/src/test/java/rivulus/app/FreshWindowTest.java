package rivulus.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import rivulus.app.brief.BriefStage;
import rivulus.app.mixes.MixesStage;
import rivulus.app.rig.RigStage;
import rivulus.edit.Edit;
import rivulus.file.ShowFile;
import rivulus.form.Deed;
import rivulus.form.Field;
import rivulus.form.Form;
import rivulus.form.Forms;
import rivulus.form.Outline;
import rivulus.gear.Catalogue;
import rivulus.show.Show;

/// After edits of every kind, and some of them undone, the window shows what a fresh one shows of
/// the same file.
class FreshWindowTest {
    private static final int EDITS = 9;
    private static final List<String> PARTS =
            List.of(
                    "#ear-rail",
                    "#side",
                    "#scenes",
                    "#chart",
                    "#outline",
                    "#rig",
                    "#rig-page",
                    "#watercourse",
                    "#ruler",
                    "#findings");

    @TempDir Path folder;

    @ParameterizedTest
    @ValueSource(longs = 2)
    void theWindowShowsTheSameAsAFreshOneOfTheSameFile(long seed) throws Exception {
        Random random = new Random(seed);
        Map<String, List<String>> worked;
        Show show;
        try (Hand hand = Hand.atDemo(folder.resolve("worked"))) {
            for (int i = 0; i < EDITS; i++) {
                String stage = List.of(BriefStage.ID, RigStage.ID, MixesStage.ID).get(i % 3);
                hand.act(() -> hand.session().stage().set(stage));
                Edit edit = edit(hand, random);
                hand.act(() -> hand.session().edit(edit));
                if (random.nextInt(4) == 0) hand.act(() -> hand.session().document().undo());
            }
            show = hand.session().show().get();
            worked = shown(hand);
        }
        Path file = folder.resolve("worked.rivulus");
        ShowFile.save(show, file);
        try (Hand hand = Hand.atNewWindow(folder.resolve("fresh"))) {
            hand.act(() -> hand.window().open(file));
            assertThat(hand.session().show().get()).isEqualTo(show);
            assertThat(shown(hand)).isEqualTo(worked);
        }
    }

    /// What a form of the show offers, taken at random.
    private static Edit edit(Hand hand, Random random) {
        Catalogue catalogue = hand.session().shelf().prover().catalogue();
        Forms forms = new Forms(hand.session().show().get(), catalogue);
        List<String> keys = new ArrayList<>();
        for (Outline.Section section : forms.outline().sections())
            section.rows().forEach(row -> keys.add(row.key()));
        while (true) {
            Form form = forms.form(keys.get(random.nextInt(keys.size()))).orElseThrow();
            List<Edit> edits = new ArrayList<>();
            for (Field field : form.fields())
                if (field instanceof Field.Choice choice && !choice.options().isEmpty())
                    edits.add(
                            choice.to()
                                    .apply(
                                            choice.options()
                                                    .get(random.nextInt(choice.options().size()))
                                                    .id()));
            for (Deed deed : form.deeds()) deed.edit().ifPresent(edits::add);
            if (!edits.isEmpty()) return edits.get(random.nextInt(edits.size()));
        }
    }

    private static Map<String, List<String>> shown(Hand hand) {
        Show show = hand.session().show().get();
        Map<String, List<String>> shown = new LinkedHashMap<>();
        hand.act(
                () -> {
                    hand.session().device().set("");
                    hand.session().source().set("");
                    hand.session().scene().set(show.scenes().getLast().id());
                    hand.session().ear().set(show.ears().getLast().id());
                });
        for (String stage : List.of(BriefStage.ID, RigStage.ID, MixesStage.ID)) {
            hand.act(() -> hand.session().stage().set(stage));
            for (String part : PARTS)
                if (hand.sees(part)) shown.put(stage + " " + part, hand.textsIn(part));
        }
        assertThat(shown).hasSizeGreaterThan(12);
        return shown;
    }
}
