package rivulus.say;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import rivulus.check.Demo;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.check.RigText;
import rivulus.check.Trouble;
import rivulus.disk.FileTrouble;
import rivulus.edit.ShowEdits;
import rivulus.file.Change;
import rivulus.file.ShowFile;
import rivulus.form.Deed;
import rivulus.form.Field;
import rivulus.form.Form;
import rivulus.form.Forms;
import rivulus.form.Outline;
import rivulus.form.Steps;
import rivulus.gear.Catalogue;
import rivulus.listening.Listening;
import rivulus.remedy.Remedies;
import rivulus.remedy.Remedy;
import rivulus.show.Ear;
import rivulus.show.Show;
import rivulus.show.Wish;
import rivulus.show.WishChange;

/// The tide-table talk, said on one page.
public class TalkTest {
    private static final Catalogue CATALOGUE = Demo.PROVER.catalogue();

    /// The page.
    public static final String TALK =
            """
            Maren, host, Reading Room, she
            Ivo, guest, he
            Ada, guest, she
            Nadia, caller, call program, she
            Bram, caller, phone, he
            show desk
            Talk laptop: call program, streaming program, track recorder
            phone
            mic for everybody here
            Room mic
            headphones for everybody here
            mics > Show desk
            Show desk > headphones
            Show desk > Talk laptop
            Show desk > Talk laptop
            Phone > Show desk
            Call program > USB 1 call
            USB 1 call > Call program
            USB 2 > Streaming program
            Show desk > Talk laptop
            line in > Track recorder
            Music bed, music, Talk laptop
            Music bed player > USB 1 programme
            Cue pads, cues, Show desk
            stream
            on-demand copy, Track recorder
            a track per voice
            scene Doors, 10 min
            scene Tide tables, 40 min
            scene Questions, 20 min
            """;

    private static Show said(Show to, String text) {
        return Page.of(text, to, CATALOGUE).edit().after();
    }

    /// The talk as the program writes it.
    public static Show written() throws FileTrouble, IOException {
        return read("/tide-table-talk.rivulus", text -> text);
    }

    private static Show read(String name, UnaryOperator<String> changed)
            throws FileTrouble, IOException {
        try (InputStream file = TalkTest.class.getResourceAsStream(name)) {
            String text = new String(file.readAllBytes(), StandardCharsets.UTF_8);
            return ShowFile.parse(changed.apply(text), name, CATALOGUE);
        }
    }

    @Test
    void thirtyLinesComeToTheShowThatSomebodyWouldWrite() throws Exception {
        Show empty = new ShowEdits(Show.untitled(), CATALOGUE).title("The tide-table talk").after();
        assertThat(Page.of(TALK, empty, CATALOGUE).lines()).allMatch(Said::isClear);
        Show talk = said(empty, TALK);
        assertThat(new Change(written(), talk).words()).isEmpty();
        assertThat(talk).isEqualTo(written());
        assertThat(ShowFile.again(talk, CATALOGUE)).isEqualTo(talk);
    }

    @Test
    void itMeansWhatSomebodyWroteByHandWithNamesForThingsOfTheirOwn() throws Exception {
        Show said = written();
        Show own = read("/tide-table-talk-by-hand.rivulus", text -> text);
        Map<String, String> theirs = new HashMap<>();
        ids(own).forEach((name, id) -> theirs.put(id, ids(said).get(name)));
        assertThat(theirs.values()).doesNotContainNull();
        Pattern id = Pattern.compile("\"(" + String.join("|", theirs.keySet()) + ")(?=\"[^:]|/)");
        Show renamed =
                read(
                        "/tide-table-talk-by-hand.rivulus",
                        text ->
                                id.matcher(text)
                                        .replaceAll(found -> "\"" + theirs.get(found.group(1))));
        assertThat(facts(renamed)).isEqualTo(facts(said));
        assertThat(renamed.scenes()).isEqualTo(said.scenes());
    }

    /// Ids by what they are of and what it is called.
    private static Map<String, String> ids(Show show) {
        Map<String, String> ids = new HashMap<>();
        show.cast().people().forEach(person -> ids.put("person " + person.name(), person.id()));
        show.cast().playback().forEach(source -> ids.put("source " + source.name(), source.id()));
        show.places().forEach(place -> ids.put("place " + place.name(), place.id()));
        show.ears().forEach(ear -> ids.put("ear " + ear.name(), ear.id()));
        show.rig().devices().forEach(device -> ids.put("gear " + device.name(), device.id()));
        show.scenes().forEach(scene -> ids.put("scene " + scene.name(), scene.id()));
        return ids;
    }

    /// All that is said but in which order and what leads are called.
    private static Set<Object> facts(Show show) {
        Set<Object> facts = new HashSet<>();
        facts.add(show.title());
        facts.addAll(show.cast().people());
        facts.addAll(show.cast().playback());
        facts.addAll(show.places());
        facts.addAll(show.ears());
        facts.addAll(show.rig().devices());
        show.rig()
                .cables()
                .forEach(lead -> facts.add(List.of(lead.toBuy(), Set.of(lead.from(), lead.to()))));
        facts.addAll(show.changes());
        return facts;
    }

    @Test
    void whatIsStillWrongInItIsWhatPeopleForgetAndIsEndedByRemedies() throws Exception {
        Show now = written();
        for (int taken = 0; taken < 20; taken++) {
            Proof proof = Demo.PROVER.prove(now);
            Optional<Remedy> next =
                    Trouble.of(proof).stream()
                            .filter(trouble -> trouble.severity().isSerious())
                            .flatMap(
                                    trouble -> Remedies.of(Demo.PROVER, proof, trouble, 1).stream())
                            .findFirst();
            if (next.isEmpty()) break;
            now = next.get().change().on(now, CATALOGUE);
        }
        assertThat(Demo.PROVER.prove(now).findings())
                .filteredOn(finding -> finding.severity().isSerious())
                .extracting(Finding::sentence)
                .isEmpty();
    }

    @Test
    void networksFindTheirOtherEndWhicheverComesFirst() {
        for (String lines :
                List.of(
                        "laptop: call program\nNadia, caller, call program\nphone\nBram, caller, phone",
                        "Nadia, caller, call program\nBram, caller, phone\nphone\nlaptop: call program")) {
            Show show = said(Show.untitled(), lines);
            assertThat(show.rig().devices())
                    .filteredOn(d -> d.name().equals("Call service"))
                    .hasSize(1);
            assertThat(show.rig().cables())
                    .as(lines)
                    .extracting(
                            cable ->
                                    Stream.of(cable.from(), cable.to())
                                            .map(ref -> ref.device())
                                            .sorted()
                                            .toList()
                                            .toString())
                    .containsExactlyInAnyOrder(
                            "[call-program, call-service]",
                            "[call-service, nadias-headset]",
                            "[brams-phone, phone]");
        }
    }

    @Test
    void severalPiecesHaveNamesOfTheirOwnAndStandWhereTheHostsAre() {
        Show show =
                said(Show.untitled(), "Maren, host, Attic\n3 condensers\n2 laptops, Hall: player");
        assertThat(show.rig().devices())
                .extracting(d -> d.name() + " @" + d.place() + d.on())
                .containsExactly(
                        "Condenser microphone @attic",
                        "Condenser microphone 2 @attic",
                        "Condenser microphone 3 @attic",
                        "Laptop @hall",
                        "Music and cue player @laptop",
                        "Laptop 2 @hall",
                        "Music and cue player 2 @laptop-2");
    }

    @Test
    void aWishForAGroupIsKeptForEachOfItAndNeverForOnesOwnVoice() {
        Show show = said(Demo.show("lantern-hour"), "callers must hear Nadia, Tales");
        assertThat(show.changes())
                .filteredOn(change -> change.source().equals("nadia"))
                .singleElement()
                .extracting(WishChange::ear, WishChange::scene, WishChange::wish)
                .containsExactly("bram", "tales", Wish.MUST);
    }

    @Test
    void whoIsSaidBeforeTheGearListensNowhereAndIsPutByAskingLater() throws Exception {
        Show early = said(Show.untitled(), "Maren, host\nstream\na track per voice");
        assertThat(early.ears()).filteredOn(Ear::isNowhere).hasSize(2);
        Show later =
                said(
                        early,
                        "show desk\nlaptop: streaming program\nmic for Maren\nMaren's mic > Show desk");
        assertThat(later.ears()).filteredOn(Ear::isNowhere).hasSize(2);
        Deed put =
                new Forms(later, CATALOGUE)
                        .outline().sections().stream()
                                .flatMap(section -> section.add().stream())
                                .filter(deed -> deed.id().equals("place-ears"))
                                .findFirst()
                                .orElseThrow();
        assertThat(put.words()).isEqualTo("Put 2 listeners where they hear");
        Show placed = put.edit().orElseThrow().after();
        assertThat(placed)
                .isEqualTo(new Listening(later, CATALOGUE).placed(Set.of("stream", "track-maren")));
        assertThat(placed.ears())
                .extracting(ear -> ear.at().toString())
                .containsExactly("[]", "[streaming-program/stream]", "[show-desk/card.mic1]");
    }

    @Test
    void whoHasNoEarIsNotLookedAtUntilSomebodySaysWhyNobodyNeedsTo() throws Exception {
        Show show = RigText.show("place hall\n person teo producer hall");
        assertThat(Unlooked.of(show, CATALOGUE)).extracting(Unlooked::name).containsExactly("teo");
        Form form = new Forms(show, CATALOGUE).form("person/teo").orElseThrow();
        Field.Text why =
                form.fields().stream()
                        .filter(field -> field.id().equals("unlooked"))
                        .map(Field.Text.class::cast)
                        .findFirst()
                        .orElseThrow();
        Show said = why.to().apply("he listens at home").after();
        assertThat(Unlooked.of(said, CATALOGUE)).isEmpty();
        assertThat(ShowFile.again(said, CATALOGUE)).isEqualTo(said);
        assertThat(Unlooked.because(said, said.cast().people().getFirst(), " ").after())
                .isEqualTo(show);
    }

    @Test
    void whatCannotBeJoinedIsSaidAndTheLineStaysWholeToBeMended() {
        Show show = said(Show.untitled(), "Maren, host\nAda, guest\nmic for Maren\nmic for Ada");
        Page page = Page.of("Maren's mic > Ada's mic\nstream", show, CATALOGUE);
        assertThat(page.lines().getFirst().trouble())
                .isEqualTo("there is no way from Maren's mic to Ada's mic");
        assertThat(page.left()).containsExactly("Maren's mic > Ada's mic");
        assertThat(page.edit().after().rig()).isEqualTo(show.rig());
        assertThat(page.edit().after().ears()).hasSize(3);
    }

    @Test
    void whichBoxesALeadTakesIsSaidBeforeItIsTaken() {
        Show show = said(Show.untitled(), "Maren, host\nlaptop\nhall console");
        Page page = Page.of("Laptop > Analogue hall console", show, CATALOGUE);
        List<String> boxes =
                page.edit().after().rig().devices().stream().skip(2).map(d -> d.name()).toList();
        assertThat(page.lines().getFirst().words())
                .isEqualTo(
                        "join Laptop to Analogue hall console"
                                + String.join(
                                        "",
                                        boxes.stream().map(box -> " · through " + box).toList()));
        Show full = said(Show.untitled(), "Maren, host\nshow desk\n4 mics\nmics > Show desk");
        assertThat(full.rig().cables()).hasSize(4);
        Page fifth = Page.of("mic for Maren\nmics > Show desk", full, CATALOGUE);
        assertThat(fifth.lines().getLast().trouble())
                .as("a microphone does not go into a line input by way of a box")
                .isEqualTo("there is no way from Maren's mic to Show desk");
    }

    @Test
    void whatTheOutlineAndTheStepsSuggestIsUnderstood() {
        Show show = said(Show.untitled(), "Maren, host\nCue laptop\nshow desk\nmic for Maren");
        Forms forms = new Forms(show, CATALOGUE);
        List<String> suggested = new ArrayList<>();
        for (Outline.Section section : forms.outline().sections())
            if (!Set.of("places", "mutes", "profiles").contains(section.id())
                    && !section.hint().isEmpty())
                suggested.addAll(List.of(section.hint().split(" · ")));
        for (Steps.Step step : Steps.of(show, 0, CATALOGUE))
            if (!step.line().isEmpty()) suggested.add(step.line());
        assertThat(suggested).hasSizeGreaterThan(9);
        for (String line : suggested) {
            assertThat(Said.of(line, show, CATALOGUE).isClear()).as(line).isTrue();
            show = said(show, line);
        }
    }
}
