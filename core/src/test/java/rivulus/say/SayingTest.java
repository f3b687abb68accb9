package rivulus.say;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import rivulus.check.Demo;
import rivulus.check.Proof;
import rivulus.disk.FileTrouble;
import rivulus.edit.Edit;
import rivulus.edit.Parts;
import rivulus.edit.ShowEdits;
import rivulus.file.DemoShows;
import rivulus.file.ShowFile;
import rivulus.show.Ear;
import rivulus.show.Person;
import rivulus.show.Place;
import rivulus.show.Scene;
import rivulus.show.Show;
import rivulus.show.Source;

class SayingTest {
    private static final Show LANTERN = Demo.show("lantern-hour");

    private static final String TALK =
            """
            Maren, host, Reading Room, she
            Ivo, guest, Reading Room, he
            Ada, guest, Reading Room, she
            Nadia, caller, call program, she
            Bram, caller, phone, he
            stream
            on-demand copy
            a track per voice
            scene Doors, 10 min
            scene Tide tables, 40 min
            scene Questions, 20 min
            """;

    private static ShowEdits edits(Show show) {
        return new ShowEdits(show, Demo.PROVER.catalogue());
    }

    private static Show said(Show to, String text) {
        var catalogue = Demo.PROVER.catalogue();
        return Page.of(text, to, catalogue).edit().after();
    }

    private static Show talk() {
        Show empty = Show.untitled();
        return said(empty, TALK);
    }

    @Test
    void aTalkIsSaidInElevenLinesAndIsOneStepOfUndo() throws FileTrouble {
        Show talk = talk();
        assertThat(talk.cast().people())
                .extracting(Person::name)
                .containsExactly("Maren", "Ivo", "Ada", "Nadia", "Bram");
        assertThat(talk.places())
                .extracting(Place::name)
                .containsExactly("Reading Room", "Nadia's end", "Bram's end");
        assertThat(talk.ears())
                .extracting(Ear::name)
                .containsExactly(
                        "Maren",
                        "Ivo",
                        "Ada",
                        "Nadia",
                        "Bram",
                        "Stream",
                        "On-demand copy",
                        "Maren's track",
                        "Ivo's track",
                        "Ada's track",
                        "Nadia's track",
                        "Bram's track");
        assertThat(talk.scenes())
                .extracting(Scene::name)
                .containsExactly("Doors", "Tide tables", "Questions");
        assertThat(talk.scenes()).extracting(Scene::minutes).containsExactly(10.0, 40.0, 20.0);
        assertThat(ShowFile.again(talk, Demo.PROVER.catalogue())).isEqualTo(talk);
    }

    @Test
    void whoListensNowhereYetIsToldAsHearingNobody() {
        Proof proof = Demo.PROVER.prove(talk());
        assertThat(proof.scenes().getFirst().findingsOf("stream"))
                .anySatisfy(
                        finding ->
                                assertThat(finding.sentence())
                                        .isEqualTo(
                                                "The stream does not hear Maren: it listens nowhere yet."));
    }

    @Test
    void whoGoesTakesTheirEarsTracksAndWishesAlong() {
        Edit gone = edits(LANTERN).remove("nadia");
        assertThat(gone.name()).isEqualTo("Remove Nadia");
        assertThat(gone.losses())
                .contains("Nadia", "Nadia's track", "Nadia's headset is worn by nobody");
        assertThat(gone.after().cast().person("nadia")).isEmpty();
        assertThat(gone.after().scenes()).noneMatch(scene -> scene.quiet().contains("nadia"));
    }

    @Test
    void aPlaceWithSomebodyInItStaysAndSaysWhy() {
        Place room = LANTERN.place("reading-room").orElseThrow();
        assertThatThrownBy(() -> edits(LANTERN).remove(room))
                .hasMessageStartingWith("Maren, Ivo and ")
                .hasMessageEndingWith(" are in Reading Room; move them first");
    }

    @Test
    void scenesAreDoubledMovedRenamedAndLetSomebodyRest() {
        Scene tales = LANTERN.scene("tales").orElseThrow();
        Show twice = edits(LANTERN).twice(tales).after();
        assertThat(twice.scenes()).hasSize(LANTERN.scenes().size() + 1);
        Scene again = twice.scene("tales-again").orElseThrow();
        assertThat(again.knobs()).isEqualTo(tales.knobs());
        assertThat(twice.scenes().indexOf(again)).isEqualTo(twice.scenes().indexOf(tales) + 1);
        Show moved = new Parts(LANTERN, Demo.PROVER.catalogue()).move(tales, -5).after();
        assertThat(moved.scenes().getFirst()).isEqualTo(tales);
        assertThatThrownBy(() -> edits(Show.untitled()).remove(Show.untitled().scenes().getFirst()))
                .hasMessageContaining("one scene at least");
        assertThatThrownBy(() -> edits(LANTERN).title("  ")).hasMessage("a show needs a name");
    }

    @Test
    void whoMovesIsInAPlaceKnownOrNewAndAnEarBearsTheNewName() {
        Person ivo = LANTERN.cast().person("ivo").orElseThrow();
        Show attic = edits(LANTERN).move(ivo, "Attic").after();
        Person there = attic.cast().person("ivo").orElseThrow();
        assertThat(attic.place(there.place()).orElseThrow().name()).isEqualTo("Attic");
        assertThat(edits(attic).move(there, "Reading Room").after().places())
                .hasSize(LANTERN.places().size() + 1);
        Show named =
                new Parts(LANTERN, Demo.PROVER.catalogue())
                        .put("Change Ivo", ivo.named("Ivo Lind"))
                        .after();
        assertThat(named.ear("ivo").orElseThrow().name()).isEqualTo("Ivo Lind");
    }

    /// Whatever is said and taken away again, the show can be saved and opened, ids stay apart, and
    /// what is told to be lost is lost.
    @Property(tries = 120)
    void anyRowOfEditsLeavesASoundShow(@ForAll long seed) throws FileTrouble {
        Random random = new Random(seed);
        List<String> names = List.copyOf(DemoShows.all().keySet());
        Show show =
                random.nextInt(3) == 0
                        ? talk()
                        : Demo.show(names.get(random.nextInt(names.size())));
        for (int step = 0; step < 12; step++) {
            Edit edit = any(random, show);
            if (edit == null) continue;
            Show after = edit.after();
            assertThat(ShowFile.again(after, Demo.PROVER.catalogue())).isEqualTo(after);
            assertThat(ids(after)).doesNotHaveDuplicates();
            assertThat(edit.change().on(show, Demo.PROVER.catalogue())).isEqualTo(after);
            show = after;
        }
        Demo.PROVER.prove(show).findings();
    }

    private static List<String> ids(Show show) {
        List<String> ids = new ArrayList<>();
        show.ears().forEach(ear -> ids.add("ear " + ear.id()));
        show.scenes().forEach(scene -> ids.add("scene " + scene.id()));
        show.places().forEach(place -> ids.add("place " + place.id()));
        Set<String> things = new HashSet<>();
        show.cast().people().forEach(p -> ids.add("thing " + p.id()));
        show.rig().devices().forEach(d -> ids.add("thing " + d.id()));
        show.cast().playback().forEach(p -> things.add(p.id()));
        return ids;
    }

    private static Edit any(Random random, Show show) {
        ShowEdits edits = edits(show);
        List<String> lines = TALK.lines().toList();
        try {
            return switch (random.nextInt(8)) {
                case 0, 1 ->
                        Page.of(
                                        lines.get(random.nextInt(lines.size())),
                                        show,
                                        Demo.PROVER.catalogue())
                                .edit();
                case 2 -> {
                    List<Source> sources = show.sources();
                    yield sources.isEmpty()
                            ? null
                            : edits.remove(sources.get(random.nextInt(sources.size())).id());
                }
                case 3 ->
                        show.ears().isEmpty()
                                ? null
                                : edits.remove(show.ears().get(random.nextInt(show.ears().size())));
                case 4 ->
                        show.places().isEmpty()
                                ? null
                                : edits.remove(
                                        show.places().get(random.nextInt(show.places().size())));
                case 5 -> edits.remove(show.scenes().get(random.nextInt(show.scenes().size())));
                case 6 -> edits.twice(show.scenes().get(random.nextInt(show.scenes().size())));
                default ->
                        new Parts(show, Demo.PROVER.catalogue())
                                .move(
                                        show.scenes().get(random.nextInt(show.scenes().size())),
                                        random.nextInt(5) - 2);
            };
        } catch (IllegalArgumentException cannotBe) {
            return null;
        }
    }
}
