package rivulus.edit;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import rivulus.check.Demo;
import rivulus.file.DemoShows;
import rivulus.file.ShowFile;
import rivulus.gear.Catalogue;
import rivulus.show.Scene;
import rivulus.show.Show;

/// Whole parts of one evening in another.
class BorrowedTest {
    private static final Catalogue CATALOGUE = Demo.PROVER.catalogue();

    /// Whatever part of whatever evening is taken into whatever other, the show opens again.
    @Test
    void anyPartOfAnyEveningFitsIntoAnyOther() throws Exception {
        List<String> names = List.copyOf(DemoShows.all().keySet());
        for (int i = 0; i < names.size(); i++) {
            Show show = Demo.show(names.get(i));
            Show other = Demo.show(names.get((i * 7 + 5) % names.size()));
            for (Borrowed part : Borrowed.values()) {
                Edit edit = part.from(other, show, CATALOGUE);
                assertThat(ShowFile.again(edit.after(), CATALOGUE))
                        .as(edit.name())
                        .isEqualTo(edit.after());
                Demo.PROVER.prove(edit.after()).findings();
            }
        }
    }

    @Test
    void whatStoodHereGoesAndIsToldAndTheRestStays() {
        Show show = Demo.show("lantern-hour");
        Show other = Demo.show("language-cafe");
        Edit rig = Borrowed.RIG.from(other, show, CATALOGUE);
        assertThat(rig.name()).isEqualTo("Take the rig of The language café");
        assertThat(rig.losses()).contains("House loudspeakers", "19 leads");
        assertThat(rig.after().cast().people()).isEqualTo(show.cast().people());
        assertThat(rig.after().rig().cables()).isEqualTo(other.rig().cables());
        Edit scenes = Borrowed.SCENES.from(other, show, CATALOGUE);
        assertThat(scenes.losses()).contains("the scene Tales");
        assertThat(scenes.after().scenes())
                .extracting(Scene::name)
                .isEqualTo(other.scenes().stream().map(Scene::name).toList());
        Edit cast = Borrowed.CAST.from(other, show, CATALOGUE);
        assertThat(cast.losses()).contains("7 in the cast", "16 ears");
        assertThat(cast.after().cast().people()).isEqualTo(other.cast().people());
    }
}
