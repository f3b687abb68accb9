package rivulus.keeping;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static rivulus.check.Demo.PROVER;

import java.util.List;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.Test;
import rivulus.chart.GoingSheet;
import rivulus.check.Demo;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.disk.FileTrouble;
import rivulus.edit.ShowEdits;
import rivulus.file.ShowFile;
import rivulus.file.Templates;
import rivulus.form.Field;
import rivulus.form.Form;
import rivulus.show.Going;
import rivulus.show.Show;
import rivulus.words.Severity;

/// What is kept and sent, the room it takes, and whose leave was given.
class RoomTest {
    private static final Show TALK = Demo.show("tide-table-talk");

    private static Room room(Show show, String machine) {
        Proof proof = PROVER.prove(show);
        return Room.all(proof.scenes().getFirst(), proof.survey()).stream()
                .filter(room -> room.machine().id().equals(machine))
                .findFirst()
                .orElseThrow();
    }

    private static Show with(Show show, UnaryOperator<Going> to) {
        return show.withRundown(show.rundown().withGoing(to.apply(show.going())));
    }

    private static List<Finding> cards(Show show) {
        return PROVER.prove(show).findings().stream().filter(f -> f.rule().equals("card")).toList();
    }

    /// Five tracks of one channel, 48,000 times 3 bytes a second: 0.72 MB. Scenes of 70 minutes and
    /// 30 of overrun are 6,000 s, 4.32 GB.
    @Test
    void bytesAreRateTimesBytesTimesChannelsTimesTime() {
        Room room = room(TALK, "show-desk");
        assertThat(room.channels()).isEqualTo(5);
        assertThat(room.second()).isEqualTo(720_000);
        assertThat(room.gb()).isCloseTo(4.32, within(0.001));
        assertThat(room.words())
                .contains(
                        "4.3\u202FGB for 70\u202Fmin and the overrun", "let it split or use RF64");
        Show safer =
                with(
                        TALK,
                        going ->
                                going.with(going.output("track-maren").withBits(32).withSafer(12)));
        assertThat(room(safer, "show-desk").second()).isEqualTo(720_000 + 48_000 * (8 - 3));
        assertThat(room(safer, "show-desk").channels()).isEqualTo(6);
    }

    /// 4 GB last 4,000 MB / 0.72 MB/s = 5,556 s = 93 min: the scenes, and not the overrun.
    @Test
    void aCardThatDoesNotHoldTheEveningIsTold() {
        assertThat(cards(TALK)).isEmpty();
        assertThat(cards(with(TALK, going -> going.withCard("show-desk", 32)))).isEmpty();
        Finding tight = cards(with(TALK, going -> going.withCard("show-desk", 4))).getFirst();
        assertThat(tight.severity()).isEqualTo(Severity.CAUTION);
        assertThat(tight.figures().get("lastsMinutes")).isCloseTo(92.6, within(0.1));
        Finding full = cards(with(TALK, going -> going.withCard("show-desk", 2))).getFirst();
        assertThat(full.severity()).isEqualTo(Severity.PROBLEM);
        assertThat(full.headline())
                .startsWith("The card of Show desk is full after 46\u202Fmin of 70\u202Fmin: ");
    }

    @Test
    void allOfItIsSaidInAFormAndKept() throws Exception {
        GoingSheet sheet = GoingSheet.of(PROVER.prove(TALK));
        Form form = sheet.form();
        assertThat(sheet.sections().toString()).contains("A stream key is typed where it belongs");
        assertThat(sheet.sections().getLast().rows()).allMatch(GoingSheet.Row::isLacking);
        Show said = typed(form, "leave-nadia", "by mail, 20 November");
        said = typed(GoingSheet.of(PROVER.prove(said)).form(), "show-desk-card", "32");
        said = typed(GoingSheet.of(PROVER.prove(said)).form(), "stream-kbps", "192");
        said = typed(GoingSheet.of(PROVER.prove(said)).form(), "show-desk-safer", "12");
        Form now = GoingSheet.of(PROVER.prove(said)).form();
        said = ((Field.Choice) now.field("stream-channels").orElseThrow()).to().apply("1").after();
        assertThat(ShowFile.again(said, Templates.shipped())).isEqualTo(said);
        assertThat(said.going().leave()).containsEntry("nadia", "by mail, 20 November");
        assertThat(said.going().output("stream").kbps()).isEqualTo(192);
        assertThat(said.going().output("track-ivo").saferDb()).isEqualTo(12);
        String told = GoingSheet.of(PROVER.prove(said)).sections().toString();
        assertThat(told).contains("mono, 192 kbit/s", "yes, by mail, 20 November");
        Form then = GoingSheet.of(PROVER.prove(said)).form();
        assertThatThrownBy(() -> typed(then, "stream-kbps", "many"))
                .hasMessageContaining("This is a number from 8 to 5000");
    }

    private static Show typed(Form form, String field, String words) {
        return ((Field.Text) form.field(field).orElseThrow()).to().apply(words).after();
    }

    /// Whoever goes takes along what was said of them, told first.
    @Test
    void whatWasSaidOfSomebodyGoesWithThem() {
        Show said =
                with(
                        TALK,
                        going ->
                                going.withLeave("nadia", "yes")
                                        .with(going.output("track-nadia").withBits(16)));
        var edit = new ShowEdits(said, Templates.shipped()).remove("nadia");
        assertThat(edit.after().going().leave()).isEmpty();
        assertThat(edit.after().going().outputs()).isEmpty();
        assertThat(edit.losses()).anyMatch(loss -> loss.contains("leave given"));
    }

    @Test
    void whatNamesNobodyIsRefusedInWords() {
        String written = ShowFile.write(TALK);
        for (String wrong :
                List.of(
                        "\"leave\": {\"nobody\": \"yes\"}",
                        "\"cards\": {\"nothing\": 3}",
                        "\"outputs\": [{\"ear\": \"none\"}]",
                        "\"outputs\": [{\"ear\": \"stream\", \"bits\": 20}]"))
            assertThatThrownBy(
                            () ->
                                    ShowFile.parse(
                                            written.replaceFirst("\\{", "{" + wrong + ","),
                                            "show",
                                            Templates.shipped()))
                    .isInstanceOf(FileTrouble.class);
    }
}
