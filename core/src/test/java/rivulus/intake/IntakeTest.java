package rivulus.intake;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import rivulus.check.Demo;
import rivulus.check.RigText;
import rivulus.disk.FileTrouble;
import rivulus.file.DemoShows;
import rivulus.file.Templates;
import rivulus.sheet.Sheets;
import rivulus.show.Device;
import rivulus.show.Ref;
import rivulus.show.Show;

/// Lists of others, taken in.
class IntakeTest {
    private static final String HALL =
            """
            place hall
            person maren host hall
            person ivo guest hall
            desk hall-console @hall
            ivo-mic dynamic-mic @hall
            small recording-mixer @hall
            """;

    private static Listing list(String text) {
        try {
            return Lists.parse(text, "list.csv");
        } catch (FileTrouble broken) {
            throw new IllegalArgumentException(broken);
        }
    }

    private static Plan plan(Show show, String text) {
        Listing list = list(text);
        return new Intake(show, Demo.PROVER.catalogue(), Templates.leads())
                .plan(list, Matching.guess(list), "desk");
    }

    private static List<String> told(Plan plan) {
        return plan.lines().stream()
                .map(line -> line.row() + " " + line.outcome().word() + ": " + line.words())
                .toList();
    }

    // People

    @Test
    void aListOfPeopleBringsThemWithWhatTheyNeedAndMovesThoseThatAreThere() {
        Plan plan =
                plan(
                        RigText.show(HALL),
                        """
                        Name,Role,Place,By,Count
                        Nadia,caller,,call program,
                        Choir,guests,hall,,12
                        Ivo,host,Attic,,
                        Maren,host,hall,,
                        Edda,juggler,,,
                        ,host,,,
                        """);
        assertThat(told(plan))
                .hasSize(5)
                .anyMatch(line -> line.startsWith("2 new: Nadia · caller · afar, by call program"))
                .anyMatch(line -> line.startsWith("3 new: Choir · guest · 12 people · in hall"))
                .contains("4 changed: ivo: host, in Attic", "5 as it is: maren")
                .contains(
                        "6 left out: \"juggler\" is no role; people are host, guest, caller,"
                                + " interpreter, producer and audience");
        Show after = plan.after();
        assertThat(after.cast().people()).hasSize(4);
        assertThat(after.ears()).anyMatch(ear -> ear.name().equals("Nadia"));
        assertThat(after.rig().devices()).anyMatch(d -> d.template().equals("far-headset"));
    }

    // Columns

    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource(
            delimiter = '|',
            value = {
                "Ch,Source,Mic,48V | INPUTS",
                "channel;name;gear;metres | INPUTS",
                "from,to,lead,length | LEADS",
                "Name,Role,Where,Via | PEOPLE",
                "who;role | PEOPLE",
                "no,lead,metres,from,to,label at from,label at to,owned,arrives | LEADS"
            })
    void theNamesOfTheColumnsSayWhatTheyMean(String columns, Meaning.Listed listed) {
        String separator = columns.contains(";") ? ";" : ",";
        String blank = columns.replaceAll("[^" + separator + "]", "");
        Matching guess = Matching.guess(list(columns + "\nx" + blank + "\n"));
        assertThat(guess.listed()).isEqualTo(listed);
        assertThat(guess.missing()).isEmpty();
    }

    @Test
    void aColumnIsGivenAnotherMeaningOrNone() {
        Listing list = list("Kanal,Wer,Womit\n1,maren,dynamic-mic\n");
        Matching none = Matching.guess(list, Meaning.Listed.INPUTS);
        assertThat(none.missing()).containsExactly(Meaning.SOURCE);
        Matching said =
                none.with(Meaning.SOURCE, Optional.of("Wer"))
                        .with(Meaning.GEAR, Optional.of("Womit"))
                        .with(Meaning.CHANNEL, Optional.of("Kanal"));
        assertThat(said.missing()).isEmpty();
        Plan plan =
                new Intake(RigText.show(HALL), Demo.PROVER.catalogue(), Templates.leads())
                        .plan(list, said, "desk");
        assertThat(plan.count(Plan.Outcome.NEW)).isEqualTo(1);
        assertThat(said.with(Meaning.GEAR, Optional.empty()).columns())
                .doesNotContainKey(Meaning.GEAR);
    }

    // Input lists

    @Test
    void aMicrophoneForSomebodyIsAddedAtTheirMouthAndJoined() {
        Plan plan =
                plan(
                        RigText.show(HALL),
                        "ch,source,mic,48v,metres\n3,Maren,Dynamic microphone,,10\n");
        assertThat(told(plan)).containsExactly("2 new: maren's mic → desk, channel 3");
        Show after = plan.after();
        Device mic = after.rig().devices().getLast();
        assertThat(mic.template()).isEqualTo("dynamic-mic");
        assertThat(mic.place()).isEqualTo("hall");
        assertThat(after.rig().cables())
                .singleElement()
                .matches(c -> c.to().equals(Ref.of("desk/ch3")) && c.metres() == 10);
        assertThat(after.places().getFirst().distances())
                .singleElement()
                .matches(d -> d.joins("maren", mic.id()) && d.metres() == 0.08);
    }

    @Test
    void gearThatIsThereIsUsedAndTheSecondTimeNothingChanges() {
        String list = "channel,source,phantom\n1,ivo-mic,no\n";
        Plan first = plan(RigText.show(HALL), list);
        assertThat(told(first)).containsExactly("2 new: ivo-mic → desk, channel 1");
        Plan second = plan(first.after(), list);
        assertThat(told(second)).containsExactly("2 as it is: ivo-mic → desk, channel 1");
        assertThat(second.after()).isEqualTo(first.after());
        assertThat(second.words()).isEqualTo("0 new, 0 changed, 1 as they are, 0 left out");
    }

    @Test
    void phantomPowerIsSwitchedWhereItIsAskedForAndNowhereItHarms() {
        String condenser = "ch,source,mic,48v\n2,Choir,Condenser microphone,x\n";
        Plan plan = plan(RigText.show(HALL), condenser);
        assertThat(told(plan)).singleElement().asString().contains("48 V on");
        Plan ribbon = plan(RigText.show(HALL), "ch,source,mic,48v\n2,Lute,Ribbon microphone,yes\n");
        assertThat(ribbon.lines().getFirst().outcome()).isEqualTo(Plan.Outcome.REFUSED);
        assertThat(ribbon.after()).isEqualTo(RigText.show(HALL));
    }

    @Test
    void whereNoChannelIsSaidTheFirstFreeOneIsTaken() {
        Plan plan =
                plan(
                        RigText.show(HALL),
                        "source,mic\nOne,Dynamic microphone\nTwo,Dynamic microphone\n");
        assertThat(told(plan))
                .containsExactly("2 new: One → desk, channel 1", "3 new: Two → desk, channel 2");
    }

    @Test
    void aColumnSaysIntoWhichMixer() {
        Plan plan =
                plan(RigText.show(HALL), "source,mic,desk,ch\nOne,Dynamic microphone,small,2\n");
        assertThat(told(plan)).containsExactly("2 new: One → small, input 2");
    }

    @ParameterizedTest(name = "{1}")
    @CsvSource(
            delimiter = '|',
            value = {
                "99,Maren,Dynamic microphone,,,      | has no input \"99\"",
                "1,Maren,Foghorn,,,                  | no kind of gear is called \"Foghorn\"",
                "1,Maren,,,,                         | no column says what kind of gear it is",
                "1,Maren,Dynamic microphone,attic,,  | there is no place \"attic\"",
                "1,Maren,Dynamic microphone,,far,    | \"far\" is no length in metres",
                "1,Maren,Dynamic microphone,,-4,     | is no length in metres",
                "1,Maren,Dynamic microphone,,5000,   | is no length in metres",
                "1,Maren,Dynamic microphone,,,fridge | there is no mixer \"fridge\""
            })
    void aRowThatCannotBeTakenIsLeftOutWithTheReason(String row, String why) {
        Show before = RigText.show(HALL);
        Plan plan = plan(before, "ch,source,mic,place,metres,desk\n" + row.strip() + "\n");
        assertThat(plan.lines()).singleElement();
        assertThat(plan.lines().getFirst().outcome()).isEqualTo(Plan.Outcome.REFUSED);
        assertThat(plan.lines().getFirst().words()).contains(why);
        assertThat(plan.after()).isEqualTo(before);
    }

    @Test
    void aChannelThatIsTakenStaysAsItIs() {
        Plan plan =
                plan(
                        RigText.show(HALL + "ivo-mic/out desk/ch1 5\n"),
                        "ch,source,mic\n1,Maren,Dynamic microphone\n1,ivo-mic,\n2,ivo-mic,\n");
        assertThat(told(plan))
                .satisfiesExactly(
                        a ->
                                assertThat(a)
                                        .endsWith(
                                                "has a lead in it already: ivo-mic – desk, channel 1"),
                        b -> assertThat(b).startsWith("3 as it is"),
                        c ->
                                assertThat(c)
                                        .endsWith(
                                                "is plugged in elsewhere: ivo-mic – desk, channel 1"));
    }

    @Test
    void theMixerWithTheMostInputsIsMeantFirst() {
        Intake intake = new Intake(RigText.show(HALL), Demo.PROVER.catalogue(), Templates.leads());
        assertThat(intake.mixers()).extracting(Device::id).containsExactly("desk", "small");
    }

    // Lead lists

    static Stream<String> everyShow() {
        return DemoShows.all().keySet().stream();
    }

    private static String leadList(Show show) {
        var proof = Demo.PROVER.prove(show);
        return new Sheets(proof, Demo.PROVER.catalogue()).of(Sheets.Kind.LEADS).csv();
    }

    @ParameterizedTest
    @MethodSource("everyShow")
    void theProgramsOwnLeadListSaysThatAllIsAsItIs(String name) {
        Show show = Demo.show(name);
        Plan plan = plan(show, leadList(show));
        assertThat(plan.lines()).isNotEmpty().allMatch(l -> l.outcome() == Plan.Outcome.SAME);
        assertThat(plan.after()).isEqualTo(show);
    }

    @ParameterizedTest
    @MethodSource("everyShow")
    void aRigWithoutLeadsIsJoinedAgainByItsOwnLeadList(String name) {
        Show show = Demo.show(name);
        Show bare = show.withRig(show.rig().with(show.rig().devices(), List.of()));
        Plan plan = plan(bare, leadList(show));
        long refused = plan.count(Plan.Outcome.REFUSED);
        assertThat(plan.count(Plan.Outcome.NEW) + refused).isEqualTo(plan.lines().size());
        for (Plan.Line line : plan.lines())
            if (line.outcome() == Plan.Outcome.REFUSED)
                assertThat(line.words()).containsAnyOf("no lead goes", "already");
        assertThat(leadList(plan.after()).lines().count())
                .isEqualTo(leadList(show).lines().count() - refused);
    }

    @Test
    void aLeadIsMadeLongerOrPutOnTheShoppingList() {
        Show show = RigText.show(HALL + "ivo-mic/out desk/ch1 5\n");
        Plan plan =
                plan(show, "from,to,metres,owned\nivo-mic,\"desk, channel 1\",\"7,5 m\",to buy\n");
        assertThat(told(plan))
                .containsExactly(
                        "2 changed: ivo-mic → desk, channel 1: 7.5\u202Fm instead of 5\u202Fm, to buy");
        assertThat(plan.after().rig().cables())
                .singleElement()
                .matches(c -> c.metres() == 7.5 && c.toBuy());
    }

    @Test
    void machinesWithoutPortsAreJoinedByTheBestLead() {
        Plan plan = plan(RigText.show(HALL), "from,to\nivo-mic,desk\n");
        assertThat(told(plan)).containsExactly("2 new: ivo-mic → desk, channel 1, by XLR lead");
    }

    @ParameterizedTest(name = "{1}")
    @CsvSource(
            delimiter = '|',
            value = {
                "ivo-mik,desk | there is no machine \"ivo-mik\"; did you mean \"ivo-mic\"?",
                "ivo-mic,\"desk, chanel 1\" | desk has no port \"chanel 1\"; did you mean \"channel 1\"?",
                "ivo-mic,\"desk, main out\" | no lead goes from",
                "ivo-mic,ivo-mic | no lead goes from",
                "ivo-mic, | one end of the lead is not said"
            })
    void aLeadThatCannotBeLaidIsLeftOut(String row, String why) {
        Show show = RigText.show(HALL);
        Plan plan = plan(show, "from,to\n" + row.strip() + "\n");
        assertThat(plan.lines()).singleElement();
        assertThat(plan.lines().getFirst().words()).contains(why);
        assertThat(plan.after()).isEqualTo(show);
    }

    // Files

    @ParameterizedTest(name = "{1}")
    @CsvSource(
            delimiter = '|',
            value = {
                "''                    | this list is empty",
                "'one'                 | names of 2 to 200 columns",
                "'from,to'             | no row",
                "'from,to\n\"x,y\nz'   | no list of separated values"
            })
    void aFileThatIsNoListIsRefused(String text, String why) {
        assertThatThrownBy(() -> Lists.parse(text, "list.csv"))
                .isInstanceOf(FileTrouble.class)
                .hasMessageStartingWith("list.csv: ")
                .hasMessageContaining(why);
    }

    @Test
    void raggedRowsMarksOfOrderAndDoubledNamesDoNoHarm() throws Exception {
        Listing list = Lists.parse("\uFEFFfrom;to;;to\nx\n\ny;z;;;;;\n", "list.csv");
        assertThat(list.columns()).containsExactly("from", "to", "column 3", "to 4");
        assertThat(list.rows())
                .containsExactly(List.of("x", "", "", ""), List.of("y", "z", "", ""));
    }

    @Test
    void aCellOrAListOfAnyLengthIsRefusedAtOnce() {
        String blanks = "from,to,metres\ndesk,desk,5" + " ".repeat(300_000) + "x\n";
        assertThatThrownBy(() -> Lists.parse(blanks, "list.csv"))
                .isInstanceOf(FileTrouble.class)
                .hasMessage(
                        "list.csv: column 3 of row 2 has 300002 characters; a cell has at most 400");
        assertThatThrownBy(() -> Lists.parse("from,to\n" + "a,b\n".repeat(3_000_000), "list.csv"))
                .isInstanceOf(FileTrouble.class)
                .hasMessageContaining("more than 2000 rows");
    }
}
