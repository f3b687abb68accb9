package rivulus.form;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Optional;
import java.util.SequencedMap;
import rivulus.disk.Worded;
import rivulus.edit.Edit;
import rivulus.gear.Knob;
import rivulus.gear.Setting;
import rivulus.gear.Template;
import rivulus.listening.Points;
import rivulus.show.Checks;
import rivulus.show.Device;
import rivulus.show.Ear;
import rivulus.show.Limit;
import rivulus.show.MuteKey;
import rivulus.show.Playback;
import rivulus.show.Profile;
import rivulus.show.Ref;
import rivulus.show.Scene;
import rivulus.show.Source;
import rivulus.signal.KnobUse;
import rivulus.words.Words;

/// Forms of who listens, of the scenes, of mute keys, and of how the show is judged.
record RundownForms(Ground on) {
    private static final double MOST_MINUTES = 6000;

    // Ears

    Form of(Ear ear) {
        String change = "Change the ear " + ear.name();
        List<Field> fields = new ArrayList<>();
        fields.add(
                Field.Text.of(
                        "name",
                        "Name",
                        ear.name(),
                        typed -> on.parts().put(change, ear.named(Ground.name(typed)))));
        if (ear.kind() != Ear.Kind.PERSON) {
            fields.add(
                    new Field.Choice(
                            "kind",
                            "Is",
                            ear.kind().word(),
                            Ground.options(
                                    List.of(Ear.Kind.values()).stream()
                                            .filter(kind -> kind != Ear.Kind.PERSON)
                                            .toList()),
                            word ->
                                    on.parts()
                                            .put(
                                                    change,
                                                    ear.as(
                                                            Worded.words(Ear.Kind.class)
                                                                    .get(word)))));
            List<Option> whose = new ArrayList<>(List.of(Option.none("everybody")));
            whose.addAll(sources());
            fields.add(
                    new Field.Choice(
                            "of",
                            "Is for",
                            ear.of(),
                            whose,
                            id -> on.parts().put(change, ear.of(id))));
            List<Ref> points = new ArrayList<>(Points.listening(on.show(), on.catalogue()));
            for (Ref at : ear.at()) if (!points.contains(at)) points.add(at);
            fields.add(
                    new Field.Several(
                            "at",
                            "Listens at",
                            ear.at().stream().map(Ref::toString).toList(),
                            Ground.options(
                                    points,
                                    Ref::toString,
                                    at -> Points.words(at, on.show(), on.catalogue())),
                            ids ->
                                    on.parts()
                                            .put(
                                                    change,
                                                    ear.at(ids.stream().map(Ref::of).toList()))));
        }
        List<Deed> deeds =
                new ArrayList<>(
                        Ground.order(on.show().ears(), ear, by -> on.parts().move(ear, by)));
        deeds.add(Deed.removal(() -> on.edits().remove(ear)));
        return new Form("ear/" + ear.id(), ear.name(), fields, deeds);
    }

    private List<Option> sources() {
        return Ground.options(on.show().sources(), Source::id, Source::name);
    }

    // Scenes

    Form of(Scene scene) {
        String change = "Change the scene " + scene.name();
        List<Field> fields =
                List.of(
                        Field.Text.of(
                                "name",
                                "Name",
                                scene.name(),
                                typed -> on.parts().put(change, scene.named(Ground.name(typed)))),
                        new Field.Text(
                                "minutes",
                                "Minutes",
                                scene.minutes() == 0 ? "" : Ground.plain(scene.minutes()),
                                "how long it lasts",
                                List.of(),
                                typed ->
                                        on.parts()
                                                .put(
                                                        change,
                                                        scene.lasting(
                                                                Ground.number(
                                                                        typed,
                                                                        "Minutes are",
                                                                        0,
                                                                        MOST_MINUTES)))),
                        new Field.Several(
                                "rests",
                                "Who rests",
                                scene.quiet(),
                                sources(),
                                ids -> on.parts().put(change, scene.resting(rests(scene, ids)))));
        List<Deed> deeds = new ArrayList<>();
        scene.knobs()
                .forEach(
                        (knob, setting) ->
                                deeds.add(
                                        Deed.of(
                                                "clear-" + knob,
                                                "Clear " + stands(knob, setting),
                                                on.parts()
                                                        .put(
                                                                "Clear %s in %s"
                                                                        .formatted(
                                                                                label(knob),
                                                                                scene.name()),
                                                                scene.without(knob)))));
        deeds.add(Deed.of(Deed.DOUBLE, "Double", on.edits().twice(scene)));
        deeds.addAll(Ground.order(on.show().scenes(), scene, by -> on.parts().move(scene, by)));
        deeds.add(Deed.removal(() -> on.edits().remove(scene)));
        return new Form("scene/" + scene.id(), scene.name(), fields, deeds);
    }

    /// Who rests: in the order of before, and of people who only listen as before.
    private List<String> rests(Scene scene, List<String> chosen) {
        List<String> rests = new ArrayList<>(scene.quiet());
        rests.removeIf(id -> on.show().cast().source(id).isPresent() && !chosen.contains(id));
        for (String id : chosen) if (!rests.contains(id)) rests.add(id);
        return rests;
    }

    private String stands(Ref ref, Setting setting) {
        return "%s (%s)"
                .formatted(
                        label(ref), use(ref).map(use -> use.say(setting)).orElse(setting.word()));
    }

    private String label(Ref ref) {
        return use(ref).map(KnobUse::words).orElse(ref.toString());
    }

    private Optional<KnobUse> use(Ref ref) {
        Optional<Device> device = on.show().rig().device(ref.device());
        return device.flatMap(d -> kind(d).knob(ref.name()))
                .map(knob -> new KnobUse(ref, device.get().name(), knob));
    }

    private Template kind(Device device) {
        return on.catalogue().get(device.template());
    }

    // Mute keys

    Form of(MuteKey key) {
        String change = "Change the mute key " + key.name();
        List<KnobUse> knobs = silencing();
        List<Field> fields =
                List.of(
                        Field.Text.of(
                                "name",
                                "Name",
                                key.name(),
                                typed -> on.parts().put(change, key.named(Ground.name(typed)))),
                        new Field.Choice(
                                "knob",
                                "Key",
                                key.knob().toString(),
                                Ground.options(knobs, use -> use.ref().toString(), KnobUse::words),
                                ref ->
                                        on.parts()
                                                .put(
                                                        change,
                                                        key.on(
                                                                Ref.of(ref),
                                                                silent(
                                                                                use(Ref.of(ref))
                                                                                        .orElseThrow()
                                                                                        .knob())
                                                                        .orElseThrow()))),
                        new Field.Choice(
                                "pressed",
                                "Silences for",
                                pressed(key.pressed()),
                                presses(),
                                word -> on.parts().put(change, key.pressed(pressed(word)))),
                        new Field.Several(
                                "silences",
                                "Silences",
                                key.silences(),
                                sources(),
                                ids -> on.parts().put(change, key.silencing(ids))),
                        new Field.Several(
                                "except",
                                "But not for",
                                key.except(),
                                Ground.options(on.show().ears(), Ear::id, Ear::name),
                                ids -> on.parts().put(change, key.except(ids))));
        List<Deed> deeds =
                new ArrayList<>(
                        Ground.order(on.show().mutes(), key, by -> on.parts().move(key, by)));
        deeds.add(Deed.removal(() -> on.edits().remove(key)));
        return new Form("mute/" + key.id(), key.name(), fields, deeds);
    }

    private static final String ONCE = "once";
    private static final String HELD = "held";

    private static String pressed(MuteKey.Pressed pressed) {
        if (!pressed.during().isEmpty()) return "during/" + pressed.during();
        return pressed.held() ? HELD : ONCE;
    }

    private static MuteKey.Pressed pressed(String word) {
        if (word.startsWith("during/"))
            return new MuteKey.Pressed(false, word.substring("during/".length()));
        return new MuteKey.Pressed(word.equals(HELD), "");
    }

    private List<Option> presses() {
        List<Option> presses =
                new ArrayList<>(
                        List.of(
                                new Option(ONCE, "until it is pressed again"),
                                new Option(HELD, "as long as it is held, a cough key")));
        for (Playback plays : on.show().cast().playback())
            presses.add(
                    new Option(
                            "during/" + plays.id(),
                            "as long as %s plays, by itself".formatted(plays.name())));
        return presses;
    }

    // Profiles

    Form of(Profile profile) {
        List<Field> fields =
                List.of(
                        Field.Text.of(
                                "name",
                                "Name",
                                profile.name(),
                                typed ->
                                        on.parts()
                                                .put(
                                                        "Change the profile " + profile.name(),
                                                        profile.named(Ground.name(typed)))));
        List<Deed> deeds = new ArrayList<>();
        var differs = profile.against(on.show());
        if (!differs.isEmpty())
            deeds.add(
                    Deed.of(
                            "set",
                            "Set %s so".formatted(Words.count(differs.size(), "knob")),
                            on.edits().set(profile)));
        differs.forEach(
                (knob, stood) ->
                        use(knob)
                                .ifPresent(
                                        use ->
                                                deeds.add(
                                                        Deed.of(
                                                                "set-" + knob,
                                                                turned(use, stood),
                                                                on.parts()
                                                                        .put(
                                                                                "Set "
                                                                                        + use
                                                                                                .words(),
                                                                                turned(
                                                                                        knob,
                                                                                        stood))))));
        deeds.add(
                Deed.of(
                        "keep",
                        "Keep how they stand now instead",
                        on.parts()
                                .put(
                                        "Change the profile " + profile.name(),
                                        profile.with(Profile.of("", "", on.show()).knobs()))));
        deeds.add(Deed.removal(() -> on.edits().remove(profile)));
        return new Form("profile/" + profile.id(), profile.name(), fields, deeds);
    }

    private String turned(KnobUse use, Optional<Setting> stood) {
        Setting now =
                on.show()
                        .rig()
                        .device(use.ref().device())
                        .map(device -> device.knobs().get(use.ref().name()))
                        .orElse(use.knob().standing());
        return "%s to %s (now %s)"
                .formatted(use.words(), use.say(stood.orElse(use.knob().standing())), use.say(now));
    }

    private Device turned(Ref knob, Optional<Setting> stood) {
        Device device = on.show().rig().device(knob.device()).orElseThrow();
        SequencedMap<String, Setting> knobs = new LinkedHashMap<>(device.knobs());
        if (stood.isPresent()) knobs.put(knob.name(), stood.get());
        else knobs.remove(knob.name());
        return device.withKnobs(knobs);
    }

    /// One more mute key, on the first key that nobody relies on yet.
    Optional<Deed> more() {
        return silencing().stream()
                .filter(
                        use ->
                                on.show().mutes().stream()
                                        .noneMatch(key -> key.knob().equals(use.ref())))
                .findFirst()
                .map(
                        use ->
                                Deed.of(
                                        "add-mute",
                                        "Add a mute key",
                                        on.edits()
                                                .add(
                                                        use.words(),
                                                        use.ref(),
                                                        silent(use.knob()).orElseThrow())));
    }

    /// Every knob that somebody could reach for to silence something, mutes first.
    private List<KnobUse> silencing() {
        List<KnobUse> mutes = new ArrayList<>();
        List<KnobUse> others = new ArrayList<>();
        for (Device device : on.show().rig().devices())
            for (Knob knob : kind(device).knobs()) {
                if (silent(knob).isEmpty()) continue;
                KnobUse use = new KnobUse(new Ref(device.id(), knob.id()), device.name(), knob);
                (knob.role() == Knob.Role.MUTE ? mutes : others).add(use);
            }
        mutes.addAll(others);
        return mutes;
    }

    /// How a knob stands when it silences; empty where it never does.
    private static Optional<Setting> silent(Knob knob) {
        return switch (knob) {
            case Knob.Switch _ ->
                    knob.role() == Knob.Role.MUTE
                            ? Optional.of(new Setting.Switch(true))
                            : Optional.empty();
            case Knob.Level level ->
                    level.closes() ? Optional.of(Setting.Level.OFF) : Optional.empty();
            case Knob.Time _, Knob.Choice _ -> Optional.empty();
        };
    }

    // How the show is judged

    Form checks() {
        Checks checks = on.show().checks();
        List<Field> fields = new ArrayList<>();
        for (Limit limit : Limit.values())
            fields.add(
                    new Field.Text(
                            limit.word(),
                            Words.sentence(limit.word().replace('-', ' ')) + ", " + limit.unit(),
                            Ground.plain(checks.limits().get(limit)),
                            limit.about(),
                            List.of(),
                            typed -> limit(checks, limit, typed)));
        List<Deed> deeds = new ArrayList<>();
        for (Checks.Silenced silenced : checks.silenced())
            deeds.add(
                    Deed.of(
                            "tell-" + silenced.finding(),
                            "Tell again: %s (%s)"
                                    .formatted(
                                            silenced.finding(),
                                            silenced.reason().isEmpty()
                                                    ? "no reason given"
                                                    : silenced.reason()),
                            on.parts()
                                    .put(
                                            "Tell %s again".formatted(silenced.finding()),
                                            checks.telling(silenced.finding()))));
        return new Form("checks/show", "How it is judged", fields, deeds);
    }

    /// Blank is as usual.
    private Edit limit(Checks checks, Limit limit, String typed) {
        double value =
                typed.isBlank()
                        ? limit.usual()
                        : Ground.number(
                                typed,
                                Words.sentence(limit.word().replace('-', ' ')) + " is",
                                limit.least(),
                                limit.most());
        return on.parts()
                .put(
                        "Draw the line %s at %s %s"
                                .formatted(limit.word(), Ground.plain(value), limit.unit()),
                        checks.with(checks.limits().with(limit, value)));
    }
}
