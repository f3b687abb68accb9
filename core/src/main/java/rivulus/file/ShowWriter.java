package rivulus.file;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import rivulus.disk.Extras;
import rivulus.disk.Json;
import rivulus.disk.JsonPrinter;
import rivulus.gear.Power;
import rivulus.gear.Setting;
import rivulus.show.Aim;
import rivulus.show.Answer;
import rivulus.show.Cable;
import rivulus.show.Cast;
import rivulus.show.Checks;
import rivulus.show.Day;
import rivulus.show.Device;
import rivulus.show.Ear;
import rivulus.show.Layout;
import rivulus.show.Lesson;
import rivulus.show.Logged;
import rivulus.show.Loudness;
import rivulus.show.Mix;
import rivulus.show.Moment;
import rivulus.show.MuteKey;
import rivulus.show.Output;
import rivulus.show.Owned;
import rivulus.show.Person;
import rivulus.show.Place;
import rivulus.show.Playback;
import rivulus.show.Profile;
import rivulus.show.Ref;
import rivulus.show.Rig;
import rivulus.show.Scene;
import rivulus.show.Show;
import rivulus.show.Strip;
import rivulus.show.Tape;
import rivulus.show.Tick;
import rivulus.show.WishChange;

/// A show as JSON: keys always in the same order, what is empty left out, unknown fields behind the
/// known ones.
final class ShowWriter {
    private ShowWriter() {}

    static String write(Show show) {
        return JsonPrinter.print(Json.of(document(show)));
    }

    /// A show as plain values.
    static Map<String, Object> document(Show show) {
        Fields out = new Fields();
        out.put("rivulus", Show.VERSION);
        out.must("title", show.title());
        out.put("date", show.occasion().date());
        out.put("air", show.occasion().air());
        out.put("notes", show.occasion().notes());
        out.put("cast", cast(show.cast()));
        out.put("places", all(show.places(), ShowWriter::place));
        out.put("ears", all(show.ears(), ShowWriter::ear));
        out.put("brief", all(show.changes(), ShowWriter::change));
        out.put("aims", all(show.aims(), ShowWriter::aim));
        out.put("rig", rig(show.rig()));
        out.put("scenes", all(show.scenes(), ShowWriter::scene));
        out.put("mutes", all(show.mutes(), ShowWriter::mute));
        out.put("mixes", all(show.mixes(), ShowWriter::mix));
        out.put("profiles", all(show.profiles(), ShowWriter::profile));
        out.put("outputs", all(show.going().outputs(), ShowWriter::output));
        out.put("cards", new LinkedHashMap<>(show.going().cards()));
        out.put("leave", new LinkedHashMap<>(show.going().leave()));
        out.put("templates", all(show.templates(), own -> own.written().fields()));
        out.put("checks", checks(show.checks()));
        out.put("day", day(show.day()));
        out.put("typed", new LinkedHashMap<>(show.typed()));
        return out.with(show.extras());
    }

    /// An object in the making: what is empty is not put in.
    private static final class Fields {
        private final Map<String, Object> map = new LinkedHashMap<>();

        /// Something that has to be there, empty or not.
        Fields must(String name, Object value) {
            map.put(name, value);
            return this;
        }

        Fields put(String name, Object value) {
            boolean empty =
                    value == null
                            || value instanceof String s && s.isEmpty()
                            || value instanceof List<?> l && l.isEmpty()
                            || value instanceof Map<?, ?> m && m.isEmpty();
            if (!empty) map.put(name, value);
            return this;
        }

        Map<String, Object> with(Extras extras) {
            map.putAll(extras.fields());
            return map;
        }
    }

    private static <T> List<Object> all(List<T> items, Function<T, Map<String, Object>> one) {
        return items.stream().<Object>map(one).toList();
    }

    private static Map<String, Object> checks(Checks checks) {
        Map<String, Object> limits = new LinkedHashMap<>();
        checks.limits().changed().forEach((limit, value) -> limits.put(limit.word(), value));
        Map<String, Object> habits = new LinkedHashMap<>();
        checks.habits().said().forEach((habit, way) -> habits.put(habit.word(), way));
        return new Fields()
                .put("limits", limits)
                .put("silenced", all(checks.silenced(), ShowWriter::silenced))
                .put("habits", habits)
                .with(checks.extras());
    }

    private static Map<String, Object> day(Day day) {
        return new Fields()
                .put("setUp", all(day.ticks(), ShowWriter::tick))
                .put("soundcheck", all(day.answers(), ShowWriter::answer))
                .put("log", all(day.log(), ShowWriter::logged))
                .put("lessons", all(day.lessons(), ShowWriter::lesson))
                .with(day.extras());
    }

    private static Map<String, Object> tick(Tick tick) {
        return new Fields()
                .must("id", tick.id())
                .must("how", tick.how().word())
                .put("why", tick.why())
                .must("time", tick.at().toString())
                .put("passed", passed(tick.at()))
                .must("said", tick.said())
                .with(tick.extras());
    }

    private static Map<String, Object> answer(Answer answer) {
        return new Fields()
                .must("ear", answer.ear())
                .must("source", answer.source())
                .must("scene", answer.scene())
                .must("heard", answer.heard().word())
                .must("time", answer.at().toString())
                .put("passed", passed(answer.at()))
                .with(answer.extras());
    }

    private static Map<String, Object> logged(Logged line) {
        return new Fields()
                .must("at", line.at().toString())
                .put("passed", passed(line.at()))
                .must("kind", line.kind().word())
                .put("scene", line.scene())
                .put("about", line.about())
                .must("text", line.text())
                .with(line.extras());
    }

    /// In seconds; null where it was not counted.
    private static Double passed(Moment at) {
        return at.passed().map(count -> count.toMillis() / 1000.0).orElse(null);
    }

    private static Map<String, Object> lesson(Lesson lesson) {
        Fields out =
                new Fields()
                        .must("id", lesson.id())
                        .must("text", lesson.text())
                        .put("from", lesson.from());
        if (lesson.taken()) out.put("taken", true);
        return out.with(lesson.extras());
    }

    private static Map<String, Object> silenced(Checks.Silenced silenced) {
        return new Fields()
                .put("finding", silenced.finding())
                .put("reason", silenced.reason())
                .with(silenced.extras());
    }

    private static Map<String, Object> mix(Mix mix) {
        return new Fields()
                .must("at", mix.at().toString())
                .put("carries", all(mix.steps(), ShowWriter::step))
                .with(mix.extras());
    }

    private static Map<String, Object> step(Mix.Step step) {
        Fields out = new Fields();
        switch (step.who()) {
            case Mix.Group group -> out.put("group", group.word());
            case Mix.One(String source) -> out.put("source", source);
        }
        if (step.but()) out.put("but", true);
        if (step.db() != 0) out.put("db", step.db());
        return out.with(Extras.NONE);
    }

    private static Map<String, Object> cast(Cast cast) {
        return new Fields()
                .put("people", all(cast.people(), ShowWriter::person))
                .put("playback", all(cast.playback(), ShowWriter::playback))
                .with(cast.extras());
    }

    private static Map<String, Object> person(Person person) {
        Fields out =
                new Fields()
                        .must("id", person.id())
                        .must("name", person.name())
                        .put("role", person.role().word())
                        .put("place", person.place())
                        .put("pronoun", person.pronoun().equals("they") ? "" : person.pronoun());
        if (!person.speaks()) out.put("speaks", false);
        if (person.count() > 1) out.put("count", person.count());
        if (person.loudness() != Loudness.NORMALLY) out.put("loudness", person.loudness().word());
        if (person.measuredDb() != 0) out.put("measuredDb", person.measuredDb());
        return out.with(person.extras());
    }

    private static Map<String, Object> playback(Playback playback) {
        Fields out =
                new Fields()
                        .must("id", playback.id())
                        .must("name", playback.name())
                        .put("kind", playback.kind().word())
                        .put(
                                "licensed",
                                playback.licensed().stream().<Object>map(Ear.Kind::word).toList())
                        .put("at", playback.at().map(Ref::toString).orElse(""));
        if (playback.overNominalDb() != 0) out.put("lufs", playback.lufs());
        return out.with(playback.extras());
    }

    private static Map<String, Object> place(Place place) {
        return new Fields()
                .must("id", place.id())
                .must("name", place.name())
                .put("room", place.room())
                .put("distances", all(place.distances(), ShowWriter::distance))
                .with(place.extras());
    }

    private static Map<String, Object> distance(Place.Distance distance) {
        Fields out = new Fields().put("from", distance.from()).put("to", distance.to());
        if (distance.word().isEmpty()) out.put("m", distance.metres());
        else out.put("word", distance.word());
        return out.with(distance.extras());
    }

    private static Map<String, Object> ear(Ear ear) {
        return new Fields()
                .must("id", ear.id())
                .must("name", ear.name())
                .put("kind", ear.kind().word())
                .put("of", ear.of())
                .put("at", ear.at().stream().<Object>map(Ref::toString).toList())
                .with(ear.extras());
    }

    private static Map<String, Object> change(WishChange change) {
        return new Fields()
                .put("ear", change.ear())
                .put("source", change.source())
                .put("scene", change.scene())
                .put("wish", change.wish().word())
                .put("reason", change.reason())
                .with(change.extras());
    }

    private static Map<String, Object> aim(Aim aim) {
        return new Fields()
                .put("ear", aim.ear())
                .put("source", aim.source())
                .put("scene", aim.scene())
                .put(aim.kind().word(), aim.figure())
                .put("reason", aim.reason())
                .with(aim.extras());
    }

    private static Map<String, Object> rig(Rig rig) {
        return new Fields()
                .put("devices", all(rig.devices(), ShowWriter::device))
                .put("cables", all(rig.cables(), ShowWriter::cable))
                .put("stock", all(rig.stock(), ShowWriter::owned))
                .with(rig.extras());
    }

    private static Map<String, Object> device(Device device) {
        return new Fields()
                .must("id", device.id())
                .must("name", device.name())
                .put("template", device.template())
                .put("place", device.place())
                .put("on", device.on())
                .put("worn", device.worn())
                .put("power", device.power().map(Power.Source::word).orElse(""))
                .put("outlet", device.outlet())
                .put("toBuy", device.toBuy() ? true : null)
                .put("knobs", knobs(device.knobs()))
                .put("strips", strips(device.strips()))
                .put("layout", layout(device.layout()))
                .with(device.extras());
    }

    private static Map<String, Object> layout(Layout layout) {
        Map<String, Object> pads = new LinkedHashMap<>();
        layout.pads()
                .forEach(
                        (number, pad) ->
                                pads.put(
                                        number,
                                        new Fields()
                                                .put("name", pad.name())
                                                .put("plays", pad.plays())
                                                .with(pad.extras())));
        return new Fields()
                .put("controls", new LinkedHashMap<>(layout.controls()))
                .put("banks", new LinkedHashMap<>(layout.banks()))
                .put("pads", pads)
                .put("links", layout.links())
                .with(layout.extras());
    }

    private static Map<String, Object> strips(Map<String, Strip> strips) {
        Map<String, Object> out = new LinkedHashMap<>();
        strips.forEach(
                (fader, strip) ->
                        out.put(
                                fader,
                                new Fields()
                                        .put("name", strip.name())
                                        .put("tape", strip.tape().map(Tape::word).orElse(""))
                                        .with(strip.extras())));
        return out;
    }

    private static Map<String, Object> knobs(Map<?, Setting> knobs) {
        Map<String, Object> out = new LinkedHashMap<>();
        knobs.forEach((knob, setting) -> out.put(knob.toString(), setting(setting)));
        return out;
    }

    /// A setting as files hold it: a number of dB, "off", true, false or an option.
    static Object setting(Setting setting) {
        return switch (setting) {
            case Setting.Level level -> level.isOff() ? "off" : level.db();
            case Setting.Time(double ms) -> ms;
            case Setting.Switch(boolean on) -> on;
            case Setting.Choice(String option) -> option;
        };
    }

    private static Map<String, Object> cable(Cable cable) {
        return new Fields()
                .must("id", cable.id())
                .put("from", cable.from().toString())
                .put("to", cable.to().toString())
                .put("metres", cable.metres() == 0 ? null : cable.metres())
                .put("toBuy", cable.toBuy() ? true : null)
                .put("tape", cable.tape().map(Tape::word).orElse(""))
                .with(cable.extras());
    }

    private static Map<String, Object> owned(Owned owned) {
        return new Fields()
                .put("what", owned.what())
                .put("metres", owned.metres() == 0 ? null : owned.metres())
                .put("pieces", owned.pieces())
                .with(owned.extras());
    }

    private static Map<String, Object> scene(Scene scene) {
        return new Fields()
                .must("id", scene.id())
                .must("name", scene.name())
                .put("quiet", List.copyOf(scene.quiet()))
                .put("minutes", scene.minutes() == 0 ? null : scene.minutes())
                .put("knobs", knobs(scene.knobs()))
                .with(scene.extras());
    }

    private static Map<String, Object> output(Output output) {
        return new Fields()
                .must("ear", output.ear())
                .put("bits", output.bits() == Output.USUAL_BITS ? null : output.bits())
                .put("channels", output.channels() == 0 ? null : output.channels())
                .put("kbps", output.kbps() == Output.USUAL_KBPS ? null : output.kbps())
                .put(
                        "keyFrameSeconds",
                        output.keyFrameS() == Output.USUAL_KEY_FRAME_S ? null : output.keyFrameS())
                .put("saferDb", output.saferDb() == 0 ? null : output.saferDb())
                .with(output.extras());
    }

    private static Map<String, Object> profile(Profile profile) {
        return new Fields()
                .must("id", profile.id())
                .must("name", profile.name())
                .put("knobs", knobs(profile.knobs()))
                .with(profile.extras());
    }

    private static Map<String, Object> mute(MuteKey mute) {
        return new Fields()
                .must("id", mute.id())
                .must("name", mute.name())
                .put("knob", mute.knob().toString())
                .put("to", setting(mute.to()))
                .put("held", mute.pressed().held() ? true : null)
                .put("during", mute.pressed().during())
                .put("silences", List.copyOf(mute.silences()))
                .put("except", List.copyOf(mute.except()))
                .with(mute.extras());
    }
}
