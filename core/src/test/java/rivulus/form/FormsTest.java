package rivulus.form;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.LongRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import rivulus.check.Demo;
import rivulus.disk.Extras;
import rivulus.disk.FileTrouble;
import rivulus.edit.Edit;
import rivulus.file.Change;
import rivulus.file.DemoShows;
import rivulus.file.ShowFile;
import rivulus.gear.Catalogue;
import rivulus.gear.Setting;
import rivulus.show.Aim;
import rivulus.show.Limit;
import rivulus.show.Ref;
import rivulus.show.Show;
import rivulus.show.Tape;

/// Every part of a show has a form, and every answer leaves a sound show.
class FormsTest {
    private static final Catalogue CATALOGUE = Demo.PROVER.catalogue();
    private static final Show LANTERN = Demo.show("lantern-hour");

    static Stream<String> shipped() {
        return DemoShows.all().keySet().stream();
    }

    private static List<Form> all(Show show) {
        Forms forms = new Forms(show, CATALOGUE);
        return Stream.concat(
                        Stream.of("show/show"),
                        forms.outline().sections().stream()
                                .flatMap(section -> section.rows().stream())
                                .map(Outline.Row::key))
                .map(key -> forms.form(key).orElseThrow(() -> new AssertionError(key)))
                .toList();
    }

    private static Form form(Show show, String key) {
        return new Forms(show, CATALOGUE).form(key).orElseThrow();
    }

    /// The same answer as stands.
    private static Edit again(Field field) {
        return switch (field) {
            case Field.Text text -> text.to().apply(text.value());
            case Field.Choice choice -> choice.to().apply(choice.value());
            case Field.Several several -> several.to().apply(several.values());
        };
    }

    private static Show answered(Show show, String key, String field, String answer) {
        return switch (form(show, key).field(field).orElseThrow()) {
            case Field.Text text -> text.to().apply(answer).after();
            case Field.Choice choice -> {
                assertThat(choice.options()).extracting(Option::id).contains(answer);
                yield choice.to().apply(answer).after();
            }
            case Field.Several several ->
                    several.to()
                            .apply(answer.isEmpty() ? List.of() : List.of(answer.split(" ")))
                            .after();
        };
    }

    @Test
    void channelsBearTheNameOfWhatComesInUntilSomebodyWritesOnThem() {
        Form strips = form(LANTERN, "strips/desk");
        assertThat(strips.fields())
                .filteredOn(field -> field.id().endsWith(".name"))
                .map(field -> field.label() + ": " + ((Field.Text) field).hint())
                .startsWith("MIC 1: Maren", "MIC 2: Ivo")
                .contains("PHONE: Bram", "PADS: Cue pads", "USB 1 call: Nadia");
        Show written = answered(LANTERN, "strips/desk", "mic1.fader.name", "Host");
        assertThat(written.rig().device("desk").orElseThrow().strip("mic1.fader").name())
                .isEqualTo("Host");
        Show taped = answered(LANTERN, "strips/desk", "mic1.fader.tape", "blue");
        assertThat(taped.rig().device("desk").orElseThrow().strip("mic1.fader").tape())
                .contains(Tape.BLUE);
        assertThat(answered(written, "strips/desk", "mic1.fader.name", "")).isEqualTo(LANTERN);
        assertThat(new Forms(LANTERN, CATALOGUE).form("strips/ivo-mic")).isEmpty();
    }

    @Test
    void anAimIsTakenAwayByABlankAndGoesAlongWithItsEar() {
        Show aimed = answered(LANTERN, "aims/stream/cue-pads", "under", "10");
        assertThat(answered(aimed, "aims/stream/cue-pads", "under", " ")).isEqualTo(LANTERN);
        Aim first = aimed.aims().getFirst();
        Aim told =
                new Aim(
                        first.ear(),
                        first.source(),
                        first.scene(),
                        first.kind(),
                        first.figure(),
                        "it must not shout",
                        Extras.NONE);
        Show reasoned = aimed.withRundown(aimed.rundown().withAims(List.of(told)));
        assertThat(answered(reasoned, "aims/stream/cue-pads", "under", "12").aims().getFirst())
                .extracting(Aim::figure, Aim::reason)
                .containsExactly(12.0, "it must not shout");
        assertThat(done(aimed, "ear/stream", Deed.REMOVE).aims()).isEmpty();
        assertThat(form(aimed, "aims/stream/cue-pads/doors").fields())
                .extracting(Field::label)
                .containsExactly(
                        "Under the voices, dB",
                        "Under the voices in Doors, dB",
                        "Not later than, ms",
                        "Not later than in Doors, ms");
        for (String nothing : List.of("aims/stream", "aims/nobody/maren", "aims/stream/nobody"))
            assertThat(new Forms(LANTERN, CATALOGUE).form(nothing)).isEmpty();
    }

    @Test
    void aFaderGoesToTheControlBeforeOrBehindAndWhoSatThereTheOtherWay() {
        Form desk = form(LANTERN, "desk/desk");
        assertThat(desk.along("mic1.fader", -1)).as("there is none before the first").isEmpty();
        assertThat(desk.along("usb2.fader", 1)).as("nor behind the last").isEmpty();
        assertThat(desk.along("no.fader", 1)).isEmpty();
        assertThat(
                        desk.along("mic1.fader", 1)
                                .orElseThrow()
                                .after()
                                .rig()
                                .device("desk")
                                .orElseThrow()
                                .layout()
                                .controls())
                .containsEntry("f1", "mic2.fader")
                .containsEntry("f2", "mic1.fader")
                .containsEntry("f3", "mic3.fader");
        assertThat(desk.toDo().fields()).isEmpty();
        assertThat(desk.toDo().deeds()).isEqualTo(desk.deeds());
    }

    private static Show done(Show show, String key, String deed) {
        return form(show, key).deed(deed).orElseThrow().edit().orElseThrow().after();
    }

    @ParameterizedTest
    @MethodSource("shipped")
    void theAnswerThatStandsChangesNothingInAnyFormOfAnyShow(String name) {
        Show show = Demo.show(name);
        for (Form form : all(show))
            for (Field field : form.fields()) {
                if (field instanceof Field.Choice choice)
                    assertThat(choice.options())
                            .as("%s %s", form.key(), field.id())
                            .extracting(Option::id)
                            .contains(choice.value());
                assertThat(new Change(show, again(field).after()).words())
                        .as("%s %s", form.key(), field.id())
                        .isEmpty();
            }
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "person/ivo|name|Ivo Lind|cast.people.ivo.name=Ivo Lind",
                "person/ivo|role|host|cast.people.ivo.role=host",
                "person/ivo|place|Booth two|cast.people.ivo.place=booth-two",
                "person/ivo|count|12|cast.people.ivo.count=12",
                "person/ivo|loudness|softly|cast.people.ivo.loudness=softly",
                "playback/music-bed|licensed|on-demand|cast.playback.music-bed.licensed=[on-demand]",
                "show/show|date|1 December|date=1 December",
                "show/show|notes|bring tea|notes=bring tea",
                "person/ivo|pronoun|they|cast.people.ivo.pronoun=null",
                "person/ivo|voice|listens|cast.people.ivo.speaks=false",
                "person/ivo|to-ivo-mic|1.2 m|places.reading-room.distances.ivo ivo-mic.m=1.2",
                "person/ivo|to-ivo-mic|At arm's length|places.reading-room.distances.ivo ivo-mic.word=at arm's length",
                "playback/music-bed|kind|clip|cast.playback.music-bed.kind=clip",
                "playback/music-bed|at|desk/pads.player|cast.playback.music-bed.at=desk/pads.player",
                "place/booth|name|Cabin|places.booth.name=Cabin",
                "place/booth|room|room-hard|places.booth.room=room-hard",
                "ear/stream|name|Web|ears.stream.name=Web",
                "ear/stream|kind|on-demand|ears.stream.kind=on-demand",
                "ear/stream|at|small-recorder/card desk/card.mic1|ears.stream.at=[small-recorder/card, desk/card.mic1]",
                "ear/track-ivo|of|maren|ears.track-ivo.of=maren",
                "scene/tales|name|Old tales|scenes.tales.name=Old tales",
                "scene/tales|minutes|35,5|scenes.tales.minutes=35.5",
                "scene/tales|rests|ivo maren|scenes.tales.quiet=[ivo, maren]",
                "mute/maren-cough|name|Cough|mutes.maren-cough.name=Cough",
                "mute/maren-cough|knob|desk/mic2.mute|mutes.maren-cough.knob=desk/mic2.mute",
                "mute/maren-cough|silences|ivo|mutes.maren-cough.silences=[ivo]",
                "mute/maren-cough|except|teo|mutes.maren-cough.except=[teo]",
                "device/ivo-mic|name|Guest's mic|rig.devices.ivo-mic.name=Guest's mic",
                "device/ivo-mic|place|booth|rig.devices.ivo-mic.place=booth",
                "device/ivo-phones|worn|teo|rig.devices.ivo-phones.worn=teo",
                "device/music|on|stream-tower|rig.devices.music.on=stream-tower",
                "device/ivo-mic|toBuy|buy|rig.devices.ivo-mic.toBuy=true",
                "device/house-speakers|to-maren-mic|4 m|places.reading-room.distances.house-speakers maren-mic.m=4",
                "lead/c02|to|desk/mic4|rig.cables.c02.to=desk/mic4",
                "lead/c02|metres|4.5|rig.cables.c02.metres=4.5",
                "lead/c02|tape|red|rig.cables.c02.tape=red",
                "device/cue-laptop|power|battery|rig.devices.cue-laptop.power=battery",
                "aims/stream/cue-pads|under|10,5|aims.stream cue-pads.under=10.5",
                "aims/nadia/maren/tales|within-tales|250|aims.nadia maren tales.within=250",
                "habits/show|taps|post|checks.habits.taps=post",
                "checks/show|own-voice|20|checks.limits.own-voice=20",
                "show/show|title|The tide-table talk|title=The tide-table talk",
            })
    void anAnswerIsKeptAndIsSound(String key, String field, String answer, String kept)
            throws FileTrouble {
        Show after = answered(LANTERN, key, field, answer);
        assertThat(ShowFile.again(after, CATALOGUE)).isEqualTo(after);
        String path = kept.substring(0, kept.indexOf('='));
        assertThat(String.valueOf(Written.at(after, path)))
                .isEqualTo(kept.substring(kept.indexOf('=') + 1));
    }

    @Test
    void whatSomebodyWearsIsTakenOffWhoHadIt() {
        Show after = answered(LANTERN, "person/ivo", "wears", "");
        assertThat(after.rig().device("ivo-phones").orElseThrow().worn()).isEmpty();
        Show back = answered(after, "person/teo", "wears", "teo-earbuds ivo-phones");
        assertThat(back.rig().device("ivo-phones").orElseThrow().worn()).isEqualTo("teo");
    }

    @Test
    void aSceneIsDoubledMovedAndGivenBackItsKnobs() {
        assertThat(done(LANTERN, "scene/tales", Deed.EARLIER).scenes().getFirst().id())
                .isEqualTo("tales");
        assertThat(done(LANTERN, "scene/tales", Deed.LATER).scenes().get(2).id())
                .isEqualTo("tales");
        assertThat(form(LANTERN, "scene/doors").deed(Deed.EARLIER)).isEmpty();
        assertThat(done(LANTERN, "scene/tales", Deed.DOUBLE).scenes()).hasSize(6);
        Show cleared = done(LANTERN, "scene/tales", "clear-desk/phone.mute");
        assertThat(cleared.scene("tales").orElseThrow().knobs())
                .containsOnlyKeys(Ref.of("music/level"));
        assertThat(form(LANTERN, "scene/tales").deed("clear-desk/phone.mute").orElseThrow().words())
                .contains("Show desk · PHONE mute (on)");
    }

    @Test
    void whatGoesAlongIsToldFirstAndWhatCannotGoSaysWhy() {
        assertThat(form(LANTERN, "person/nadia").deed(Deed.REMOVE).orElseThrow().told())
                .contains("Nadia's track");
        assertThat(form(LANTERN, "place/reading-room").deed(Deed.REMOVE).orElseThrow())
                .satisfies(deed -> assertThat(deed.edit()).isEmpty())
                .satisfies(deed -> assertThat(deed.told()).contains("move them first"));
        assertThat(form(LANTERN, "device/music").deed(Deed.REMOVE).orElseThrow().told())
                .contains("nothing plays Music bed");
        Show without = done(LANTERN, "device/music", Deed.REMOVE);
        assertThat(without.cast().source("music-bed")).isPresent();
        assertThat(done(LANTERN, "lead/c02", Deed.REMOVE).rig().cables()).hasSize(18);
    }

    @Test
    void whatIsDoubledKeepsItsKnobsAndBelongsToNobody() {
        Show turned = LANTERN.withKnob(Ref.of("music/level"), new Setting.Level(-6));
        Show doubled = done(turned, "device/music", Deed.DOUBLE);
        assertThat(doubled.rig().devices())
                .filteredOn(device -> device.name().equals("Music player 2"))
                .singleElement()
                .satisfies(device -> assertThat(device.on()).isEqualTo("cue-laptop"))
                .satisfies(
                        device ->
                                assertThat(device.knobs())
                                        .containsEntry("level", new Setting.Level(-6)));
    }

    @Test
    void aMuteKeyIsAddedOnAKeyThatNobodyReliesOnYet() {
        Deed more =
                new Forms(LANTERN, CATALOGUE)
                        .outline().sections().stream()
                                .flatMap(section -> section.add().stream())
                                .findFirst()
                                .orElseThrow();
        Show after = more.edit().orElseThrow().after();
        assertThat(after.mutes()).hasSize(2);
        assertThat(after.mutes().get(1).knob()).isNotEqualTo(after.mutes().get(0).knob());
        assertThat(done(after, "mute/" + after.mutes().get(1).id(), Deed.REMOVE))
                .isEqualTo(LANTERN);
    }

    @Test
    void aSilencedFindingIsListedAndToldAgain() {
        Show silenced =
                LANTERN.withChecks(LANTERN.checks().silencing("echo/nadia/nadia", "she knows"));
        Form checks = form(silenced, "checks/show");
        assertThat(checks.deeds())
                .singleElement()
                .extracting(Deed::words)
                .asString()
                .contains("echo/nadia/nadia", "she knows");
        assertThat(checks.deeds().getFirst().edit().orElseThrow().after()).isEqualTo(LANTERN);
        Show moved = answered(LANTERN, "checks/show", "own-voice", "20");
        assertThat(moved.checks().limits().get(Limit.OWN_VOICE)).isEqualTo(20);
        assertThat(answered(moved, "checks/show", "own-voice", " ")).isEqualTo(LANTERN);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "person/ivo|name|'  '|It needs a name",
                "person/ivo|to-ivo-mic|far|metres",
                "person/ivo|to-ivo-mic|900 m|0.005 to 200",
                "person/ivo|count|1.5|whole numbers",
                "person/ivo|count|-2|They are a number from 1",
                "scene/tales|minutes|long|Minutes are a number from 0 to 6000",
                "scene/tales|minutes|-1|Minutes are",
                "lead/c02|metres|1e9|from 0 to 1000",
                "checks/show|own-voice|0|from 1 to 500",
            })
    void whatCannotBeIsRefusedInASentence(String key, String field, String answer, String words) {
        assertThatThrownBy(() -> answered(LANTERN, key, field, answer))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining(words);
    }

    // Any answers at all

    private static <T> T any(Random random, List<T> all) {
        return all.get(random.nextInt(all.size()));
    }

    private static Edit answer(Random random, Field field) {
        return switch (field) {
            case Field.Text text -> {
                List<String> typed =
                        Stream.concat(
                                        Stream.of("Ada", "12", "1,5 m", "", "x".repeat(300), "ä\n"),
                                        text.offers().stream())
                                .toList();
                yield text.to().apply(any(random, typed));
            }
            case Field.Choice choice -> choice.to().apply(any(random, choice.options()).id());
            case Field.Several several ->
                    several.to()
                            .apply(
                                    several.options().stream()
                                            .filter(_ -> random.nextBoolean())
                                            .map(Option::id)
                                            .toList());
        };
    }

    private static Edit edit(Random random, Show show) {
        Form form = any(random, all(show));
        boolean field = form.deeds().isEmpty() || random.nextInt(4) > 0;
        if (field && !form.fields().isEmpty()) return answer(random, any(random, form.fields()));
        return any(random, form.deeds())
                .edit()
                .orElseThrow(() -> new IllegalArgumentException("cannot be"));
    }

    private static Set<String> names(Show show) {
        Function<Show, Stream<String>> all =
                s ->
                        Stream.of(
                                        s.cast().people().stream().map(p -> p.name()),
                                        s.cast().playback().stream().map(p -> p.name()),
                                        s.ears().stream().map(e -> e.name()),
                                        s.rig().devices().stream().map(d -> d.name()),
                                        s.mutes().stream().map(m -> m.name()))
                                .flatMap(names -> names);
        return all.apply(show).collect(Collectors.toSet());
    }

    @Property(tries = 60)
    void anyAnswersLeaveAShowThatOpensAgainAndNothingGoesUntold(
            @ForAll @LongRange(max = 1_000_000) long seed) throws FileTrouble {
        Random random = new Random(seed);
        Show show = Demo.show(any(random, shipped().toList()));
        StringBuilder path = new StringBuilder(show.title());
        for (int i = 0; i < 8; i++) {
            Edit edit;
            try {
                edit = edit(random, show);
            } catch (IllegalArgumentException refused) {
                assertThat(refused.getMessage()).isNotBlank();
                continue;
            }
            path.append(", ").append(edit.name());
            Show after = edit.after();
            assertThat(ShowFile.again(after, CATALOGUE)).as(path.toString()).isEqualTo(after);
            if (edit.name().startsWith("Remove")) {
                Set<String> gone = names(show);
                gone.removeAll(names(after));
                String told = edit.name() + " " + edit.losses();
                for (String name : gone) assertThat(told).as(path.toString()).contains(name);
            }
            show = after;
        }
    }
}
