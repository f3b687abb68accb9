package rivulus.file;

import static org.assertj.core.api.Assertions.assertThat;

import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.lang.reflect.RecordComponent;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SequencedMap;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import rivulus.check.Demo;
import rivulus.disk.Extras;
import rivulus.disk.FileTrouble;
import rivulus.disk.Json;
import rivulus.disk.JsonText;
import rivulus.gear.Setting;
import rivulus.show.Aim;
import rivulus.show.Answer;
import rivulus.show.Cable;
import rivulus.show.Cast;
import rivulus.show.Day;
import rivulus.show.Device;
import rivulus.show.Ear;
import rivulus.show.Going;
import rivulus.show.Habit;
import rivulus.show.Habits;
import rivulus.show.Layout;
import rivulus.show.Limits;
import rivulus.show.Logged;
import rivulus.show.Loudness;
import rivulus.show.Mix;
import rivulus.show.Moment;
import rivulus.show.MuteKey;
import rivulus.show.Occasion;
import rivulus.show.OwnTemplate;
import rivulus.show.Owned;
import rivulus.show.Person;
import rivulus.show.Playback;
import rivulus.show.Profile;
import rivulus.show.Ref;
import rivulus.show.Rundown;
import rivulus.show.Show;
import rivulus.show.Strip;
import rivulus.show.Symptom;
import rivulus.show.Tape;
import rivulus.show.Tick;
import rivulus.show.Wish;
import rivulus.show.WishChange;

/// A part of the document that somebody adds and forgets to read, to write, or to put into the
/// schema, fails here.
class DocumentTest {
    /// Every evening, and one that says what none of them does.
    private static List<Show> shows() throws Exception {
        List<Show> shows = new ArrayList<>();
        for (String name : DemoShows.all().keySet()) shows.add(Demo.show(name));
        String judged =
                ShowFile.write(Demo.show(DemoShows.LANTERN_HOUR))
                        .replaceFirst(
                                "\"cast\"",
                                "\"checks\": {\"limits\": {\"heard\": -28}, \"silenced\": "
                                        + "[{\"finding\": \"leak/stream/pads\", \"reason\": \"it may\"}]},"
                                        + " \"cast\"");
        shows.add(more(ShowFile.parse(judged, "judged", Templates.shipped())));
        return shows;
    }

    private static Layout layout(Show show) {
        SequencedMap<String, String> controls = new LinkedHashMap<>();
        controls.put("f1", "mic1.fader");
        String plays = show.cast().playback().getFirst().id();
        return Layout.AS_IT_COMES
                .withControls(controls)
                .withBank("1", "Opening")
                .withPad("1/3", new Layout.Pad("Tune", plays, Extras.NONE))
                .withLinks(List.of("mic3"));
    }

    private static Day happened() {
        Moment at =
                Moment.of("2026-12-01T18:02:30.120+01:00", Optional.of(Duration.ofMillis(61_007)));
        Moment older = Moment.of("2026-12-01T18:02:30", Optional.empty());
        Day day =
                Day.AHEAD
                        .with(
                                new Tick(
                                        "lead/c1",
                                        Tick.How.SKIPPED,
                                        "not here yet",
                                        at,
                                        "Plug the lead c1.",
                                        Extras.NONE))
                        .with(new Answer("nadia", "maren", "tales", Symptom.TWICE, at, Extras.NONE))
                        .logged(new Logged(at, Logged.Kind.NOTE, "tales", "Tea is cold"))
                        .logged(new Logged(older, Logged.Kind.NOTE, "tales", "Tea is gone"))
                        .logged(
                                new Logged(at, Logged.Kind.WRONG, "tales", "Cue too early")
                                        .about("desk"))
                        .learned("Bring a second headset", "The Lantern Hour");
        return day.with(day.lessons().getFirst().taken(true));
    }

    private static Show more(Show show) throws FileTrouble {
        Device strip = Device.of("strip", "Strip", "outlet-strip").toBuy(true);
        List<Device> devices = new ArrayList<>(show.rig().devices());
        devices.set(0, devices.getFirst().pluggedInto("strip"));
        devices.replaceAll(
                device ->
                        device.id().equals("desk")
                                ? device.withStrip(
                                                "mic1.fader",
                                                Strip.BLANK
                                                        .named("Maren")
                                                        .in(Optional.of(Tape.RED)))
                                        .withLayout(layout(show))
                                : device);
        devices.add(strip);
        List<Cable> cables = new ArrayList<>(show.rig().cables());
        cables.set(0, cables.getFirst().toBuy(true).marked(Optional.of(Tape.BLUE)));
        List<Owned> stock = List.of(new Owned("XLR lead", 5, 4, Extras.NONE));
        Mix mix =
                new Mix(
                        Ref.of("desk/out.usb1chat"),
                        List.of(
                                Mix.Step.in(Mix.Group.EVERYTHING),
                                Mix.Step.out(new Mix.One("nadia")),
                                new Mix.Step(Mix.Group.MUSIC, false, -6)),
                        Extras.NONE);
        MuteKey key = show.mutes().getFirst();
        MuteKey excepted =
                new MuteKey(
                        key.id(),
                        key.name(),
                        key.knob(),
                        key.to(),
                        new MuteKey.Pressed(true, show.cast().playback().getFirst().id()),
                        key.silences(),
                        List.of(show.ears().getFirst().id()),
                        Extras.NONE);
        WishChange once =
                new WishChange(
                        show.ears().getFirst().id(),
                        show.sources().getFirst().id(),
                        show.scenes().getFirst().id(),
                        Wish.MAY,
                        "for once",
                        Extras.NONE);
        Aim aim =
                new Aim(
                        once.ear(),
                        once.source(),
                        once.scene(),
                        Aim.Kind.UNDER,
                        12,
                        "so that one can talk",
                        Extras.NONE);
        String own = "{\"template\": \"own\", \"name\": \"Own\", \"kind\": \"desk\"}";
        List<Person> people = new ArrayList<>(show.cast().people());
        people.set(0, people.getFirst().many(12).talking(Loudness.LOUDLY).measured(-4.5));
        List<Playback> playback = new ArrayList<>(show.cast().playback());
        playback.set(0, playback.getFirst().licensed(List.of(Ear.Kind.ON_DEMAND)).made(-14));
        return show.withChecks(show.checks().with(Habits.UNSAID.with(Habit.TAPS, "post")))
                .withRig(show.rig().with(devices, cables).withStock(stock))
                .on(new Occasion("1 December", "20:00", "Bring tea."))
                .withDay(happened())
                .withTyped(new LinkedHashMap<>(Map.of("say", "x".repeat(5000))))
                .withCast(new Cast(people, playback, show.cast().extras()))
                .withRundown(
                        new Rundown(
                                List.of(once),
                                List.of(aim),
                                show.scenes(),
                                List.of(excepted),
                                List.of(mix),
                                List.of(Profile.of("now", "As now", show)),
                                Going.UNSAID
                                        .with(
                                                Going.UNSAID
                                                        .output(show.ears().getFirst().id())
                                                        .withBits(16)
                                                        .withChannels(1)
                                                        .withKbps(128)
                                                        .withKeyFrame(4)
                                                        .withSafer(12))
                                        .withCard(devices.getFirst().id(), 32)
                                        .withLeave(people.getFirst().id(), "20 November")))
                .withTemplates(List.of(Templates.parseOwn(own, "own")));
    }

    @Test
    void everyPartOfTheDocumentIsSaidSomewhereAndComesBackAsItWasWritten() throws Exception {
        Set<String> parts = new TreeSet<>();
        Set<String> said = new TreeSet<>();
        for (Show show : shows()) {
            walk(show, parts, said);
            assertThat(ShowFile.again(show, Templates.shipped())).isEqualTo(show);
        }
        parts.removeAll(said);
        assertThat(parts).as("parts that no show of the tests says anything in").isEmpty();
    }

    private static void walk(Object value, Set<String> parts, Set<String> said) throws Exception {
        switch (value) {
            case Extras _, Limits _, Habits _, Setting _, OwnTemplate _ -> {}
            case Collection<?> all -> {
                for (Object one : all) walk(one, parts, said);
            }
            case Map<?, ?> all -> {
                for (Object one : all.values()) walk(one, parts, said);
            }
            case Optional<?> one when one.isPresent() -> walk(one.get(), parts, said);
            case Record record -> {
                for (RecordComponent part : record.getClass().getRecordComponents()) {
                    if (part.getType() == Extras.class) continue;
                    String name = record.getClass().getSimpleName() + "." + part.getName();
                    Object of = part.getAccessor().invoke(record);
                    parts.add(name);
                    if (isSaid(of)) said.add(name);
                    walk(of, parts, said);
                }
            }
            default -> {}
        }
    }

    private static boolean isSaid(Object value) {
        return switch (value) {
            case String text -> !text.isEmpty();
            case Collection<?> all -> !all.isEmpty();
            case Map<?, ?> all -> !all.isEmpty();
            case Optional<?> one -> one.isPresent();
            case Double number -> number != 0;
            case Integer number -> number != 0;
            case Boolean truth -> truth;
            case Habits habits -> !habits.said().isEmpty();
            case Limits limits -> !limits.changed().isEmpty();
            default -> true;
        };
    }

    @Test
    void everythingThatIsWrittenIsNamedInTheSchema() throws Exception {
        String template = Files.readString(Path.of("../docs/template.schema.json"));
        Json open = Json.parse(Files.readString(Path.of("../docs/show.schema.json")), "schema");
        Schema strict =
                SchemaRegistry.withDefaultDialect(
                                SpecificationVersion.DRAFT_2020_12,
                                builder -> builder.schemas(Map.of("rivulus:template", template)))
                        .getSchema(JsonText.of(closed(open.plain())));
        for (Show show : shows())
            assertThat(strict.validate(ShowFile.write(show), InputFormat.JSON))
                    .filteredOn(wrong -> !wrong.toString().contains("'fullName'"))
                    .as("the Lantern Hour keeps one unknown field on purpose")
                    .isEmpty();
    }

    /// A schema that lets nothing through that it does not name.
    private static Object closed(Object schema) {
        if (schema instanceof List<?> list) return list.stream().map(DocumentTest::closed).toList();
        if (!(schema instanceof Map<?, ?> map)) return schema;
        Map<Object, Object> closed = new java.util.LinkedHashMap<>();
        map.forEach((name, value) -> closed.put(name, closed(value)));
        boolean object = "object".equals(map.get("type")) && map.containsKey("properties");
        if (object) closed.putIfAbsent("unevaluatedProperties", false);
        return closed;
    }
}
