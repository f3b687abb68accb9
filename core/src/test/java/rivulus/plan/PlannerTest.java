package rivulus.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import rivulus.check.Demo;
import rivulus.check.Trouble;
import rivulus.disk.Extras;
import rivulus.disk.FileTrouble;
import rivulus.edit.Cleaning;
import rivulus.file.Evening;
import rivulus.file.ShowFile;
import rivulus.file.Templates;
import rivulus.gear.Catalogue;
import rivulus.gear.GearKind;
import rivulus.gear.Template;
import rivulus.say.Page;
import rivulus.search.Budget;
import rivulus.show.Device;
import rivulus.show.Habit;
import rivulus.show.Owned;
import rivulus.show.Person;
import rivulus.show.Rig;
import rivulus.show.Role;
import rivulus.show.Show;

/// Whole plans from briefs, proven.
class PlannerTest {
    private static final Catalogue CATALOGUE = Demo.PROVER.catalogue();

    /// The tide-table talk, as far as it is a brief.
    private static final String TALK =
            """
            Maren, host, Reading Room, she
            Ivo, guest, he
            Ada, guest, she
            Nadia, caller, call program, she
            Bram, caller, phone, he
            Music bed, music
            Cue pads, cues
            stream
            on-demand copy
            a track per voice
            scene Doors, 10 min
            scene Tide tables, 40 min
            scene Questions, 20 min
            """;

    private static Show said(String lines) {
        return Page.of(lines, Show.untitled(), CATALOGUE).edit().after();
    }

    private static Pattern pattern(String id) {
        return Pattern.ALL.stream().filter(p -> p.id().equals(id)).findFirst().orElseThrow();
    }

    private static Offer plan(Show show, String pattern) {
        return new Planner(Demo.PROVER, () -> false, Budget.MORE * Planner.STEPS)
                .plan(show, pattern(pattern));
    }

    /// A show with nothing but its brief, and what people afar have with them.
    private static Show brief(Show show) {
        Set<String> callers =
                show.cast().people().stream()
                        .filter(person -> person.role() == Role.CALLER)
                        .map(Person::id)
                        .collect(Collectors.toSet());
        Set<String> ends =
                show.cast().people().stream()
                        .filter(person -> person.role() == Role.CALLER)
                        .map(Person::place)
                        .collect(Collectors.toSet());
        Set<String> gone = new HashSet<>();
        for (Device device : show.rig().devices()) {
            Template kind = show.kinds(CATALOGUE).get(device.template());
            boolean afar =
                    callers.contains(device.worn())
                            || kind.kind() == GearKind.SERVICE
                            || kind.kind() == GearKind.PHONE && ends.contains(device.place());
            if (!afar) gone.add(device.id());
        }
        Show left = new Cleaning(show, show.kinds(CATALOGUE), gone, new ArrayList<>()).cleaned();
        return owning(left, List.of());
    }

    private static Show owning(Show show, List<Owned> stock) {
        Rig rig = show.rig();
        return show.withRig(new Rig(rig.devices(), rig.cables(), stock, rig.extras()));
    }

    @Test
    void theTideTableTalkIsPlannedFromAnEmptyCupboardAndClean() throws FileTrouble {
        Show talk = said(TALK);
        Offer offer = plan(talk, "desk");
        assertThat(offer.undone()).isEmpty();
        assertThat(offer.left()).isEmpty();
        assertThat(offer.isClean()).isTrue();
        assertThat(offer.toBuy()).contains("Laptop", "3 × XLR lead", "3 × Dynamic microphone");
        assertThat(offer.ownVoiceMs().orElseThrow()).isLessThan(30);
        assertThat(offer.failing()).startsWith("Without Show desk");
        Show planned = offer.edit().after();
        assertThat(ShowFile.again(planned, CATALOGUE)).isEqualTo(planned);
        // proven again from nothing
        assertThat(Trouble.of(Demo.PROVER.prove(planned)))
                .noneMatch(trouble -> trouble.severity().isSerious());
        // the mixes are said, and who the brief is about has not changed
        assertThat(planned.mixes()).isNotEmpty();
        assertThat(planned.cast().people()).isEqualTo(talk.cast().people());
        // planned again nothing is added
        Offer again = plan(planned, "desk");
        assertThat(again.lines()).isEmpty();
        assertThat(again.edit().after().rig().devices()).isEqualTo(planned.rig().devices());
    }

    @Test
    void whatIsInTheCupboardIsTakenFirst() {
        Show talk =
                owning(
                        said(TALK),
                        List.of(
                                new Owned("tower", 0, 1, Extras.NONE),
                                new Owned("condenser-mic", 0, 2, Extras.NONE)));
        Offer offer = plan(talk, "desk");
        assertThat(offer.isClean()).as("%s", offer.left()).isTrue();
        assertThat(offer.turned()).anyMatch(turn -> turn.contains("switch 48 V on"));
        // a call is carried by no lead that lies in a cupboard
        assertThat(offer.toBuy()).noneMatch(lead -> lead.contains("network"));
        List<String> kinds =
                offer.edit().after().rig().devices().stream().map(Device::template).toList();
        assertThat(kinds).contains("tower").doesNotContain("laptop");
        assertThat(kinds).filteredOn("condenser-mic"::equals).hasSize(2);
        assertThat(kinds).filteredOn("dynamic-mic"::equals).hasSize(1);
    }

    @Test
    void whatTheRigHasIsKeptAndWhatIsLackingIsAdded() {
        Show begun = said(TALK + "show desk\nmic for Maren\nMaren's mic > Show desk\n");
        Offer offer = plan(begun, "desk");
        assertThat(offer.isClean()).isTrue();
        assertThat(offer.edit().after().rig().devices())
                .extracting(Device::withoutKnobs)
                .containsAll(begun.rig().devices().stream().map(Device::withoutKnobs).toList());
        assertThat(offer.edit().after().rig().cables()).containsAll(begun.rig().cables());
        assertThat(offer.lines()).noneMatch(line -> line.contains("microphone for Maren"));
        assertThat(offer.lines()).anyMatch(line -> line.contains("microphone for Ivo"));
    }

    @Test
    void theBestPlansComeFirstAndEachIsAnother() {
        List<String> tried = new ArrayList<>();
        Planner.Progress progress =
                new Planner.Progress() {
                    @Override
                    public void trying(Pattern pattern) {
                        tried.add(pattern.id());
                    }

                    @Override
                    public void found(List<Offer> best) {
                        assertThat(best.getFirst()).matches(Offer::isClean);
                        tried.add("found");
                    }
                };
        List<Offer> offers =
                new Planner(Demo.PROVER, () -> false)
                        .best(
                                said(TALK),
                                List.of(pattern("keep"), pattern("desk"), pattern("recorder")),
                                progress);
        // nothing is there that could be kept; every plan is told as soon as it stands
        assertThat(tried).containsExactly("desk", "found", "recorder", "found");
        assertThat(offers.getFirst().pattern().id()).isEqualTo("desk");
        assertThat(offers).extracting(offer -> offer.pattern().id()).doesNotHaveDuplicates();
        assertThat(offers).hasSizeLessThanOrEqualTo(3);
    }

    @Test
    void ofPlansThatLeaveAsLittleThoseComeFirstByWhichTheShowLikesToWork() {
        Show log = brief(Demo.show("ferry-log-repaired"));
        List<Pattern> both = List.of(pattern("desk"), pattern("software"));
        for (Habit.Way way : Habit.HUB.ways().subList(0, 2)) {
            Show liked =
                    log.withChecks(log.checks().with(log.habits().with(Habit.HUB, way.word())));
            List<Offer> offers =
                    new Planner(Demo.PROVER, () -> false, Budget.MORE * Planner.STEPS)
                            .best(liked, both, Planner.Progress.NONE);
            assertThat(offers).allMatch(Offer::isClean);
            assertThat(offers.getFirst().pattern().hub()).contains(way.word());
        }
    }

    /// The Lantern Hour has people who rest in scenes that no knob of a fresh desk silences in
    /// time, and an interpreter whose booth no pattern has; the radio takes several seconds.
    static List<String> evenings() {
        return Evening.ALL.stream()
                .map(evening -> evening.repaired().orElse(evening.file()))
                .filter(
                        file ->
                                !file.startsWith("lantern-hour")
                                        && !file.startsWith("harbour-radio"))
                .toList();
    }

    @ParameterizedTest
    @MethodSource("evenings")
    void theBriefOfEveryEveningIsPlannedCleanFromAnEmptyCupboard(String evening) {
        Offer offer = plan(brief(Demo.show(evening)), "desk");
        assertThat(offer.undone()).isEmpty();
        assertThat(offer.left()).extracting(Trouble::headline).isEmpty();
    }

    // Patterns

    /// For whom each pattern is meant.
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "desk | Maren, host, Reading Room; Nadia, caller, call program; Music bed, music; stream",
                "software | Maren, host, Reading Room; Music bed, music; stream",
                "streaming | Maren, host, Reading Room; stream",
                "recorder | Maren, host, Reading Room; Nadia, caller, call program",
                "console | Maren, host, Reading Room; Ada, guest; house; stream",
                "twin | Ivo, host, Reading Room; Puzzle, music; Alerts, cues; stream",
                "two-outputs | Ivo, host, Reading Room; Nadia, caller, call program; a track per voice",
                "workstation | Ada, host, Reading Room; Lute, clip; stream"
            })
    void everyPatternMakesACleanPlanOfTheBriefThatItIsFor(String pattern, String brief) {
        Offer offer = plan(said(brief.replace("; ", "\n")), pattern);
        assertThat(offer.undone()).isEmpty();
        assertThat(offer.left()).extracting(Trouble::headline).isEmpty();
        assertThat(offer.isClean()).isTrue();
    }

    @Test
    void aMicrophoneOfAMachinesOwnIsNobodys() {
        Offer offer =
                plan(said("Ivo, host, Reading Room\nNadia, caller, call program"), "two-outputs");
        assertThat(offer.lines()).contains("Ivo's microphone with XLR and USB > Table recorder");
    }

    @Test
    void everyPatternThatShipsFitsItsSchemaAndItsGearIsThere() throws Exception {
        Schema schema =
                SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                        .getSchema(Files.readString(Path.of("../docs/plan-pattern.schema.json")));
        for (String file : Templates.resource("/rivulus/plans/index.txt").lines().toList()) {
            String text = Templates.resource("/rivulus/plans/" + file);
            assertThat(schema.validate(text, InputFormat.JSON)).as(file).isEmpty();
            Pattern pattern = Pattern.parse(text, file);
            assertThat(file).isEqualTo(pattern.id() + ".json");
            for (Pattern.Machine machine : pattern.machines()) {
                assertThat(CATALOGUE.templates().keySet()).containsAll(machine.kinds());
                for (Pattern.Runs program : machine.runs())
                    assertThat(CATALOGUE.templates()).containsKey(program.program());
            }
            pattern.gear()
                    .values()
                    .forEach(k -> assertThat(CATALOGUE.templates().keySet()).containsAll(k));
        }
    }

    @Test
    void aMistakeInAPatternIsToldAtItsPlace() {
        assertThatThrownBy(
                        () ->
                                Pattern.parse(
                                        """
                                        {"id": "x", "name": "X", "good": "g", "costs": "c", "machines": [],
                                         "steps": [{"each": "voices-hear", "lines": ["a"]}]}
                                        """,
                                        "mine.json"))
                .isInstanceOf(FileTrouble.class)
                .hasMessageContaining("mine.json: steps[0].each")
                .hasMessageContaining("voices-here");
    }
}
