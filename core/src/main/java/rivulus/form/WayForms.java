package rivulus.form;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import rivulus.edit.Edit;
import rivulus.show.Aim;
import rivulus.show.Ear;
import rivulus.show.Habit;
import rivulus.show.Habits;
import rivulus.show.Names;
import rivulus.show.Scene;
import rivulus.show.Show;
import rivulus.show.Source;
import rivulus.words.Words;

/// Forms of how loud and how soon somebody is wanted, and of how one likes to work.
record WayForms(Ground on) {
    // How loud, how soon

    /// The form of a pair.
    ///
    /// @param pair `stream/music-bed`, or `stream/music-bed/doors` for one scene besides
    Optional<Form> aims(String pair) {
        String[] parts = pair.split("/", -1);
        if (parts.length < 2) return Optional.empty();
        Optional<Ear> ear = on.show().ear(parts[0]);
        Optional<Source> source = on.show().cast().source(parts[1]);
        if (ear.isEmpty() || source.isEmpty()) return Optional.empty();
        Optional<Scene> scene =
                parts.length < 3 || on.show().scenes().size() < 2
                        ? Optional.empty()
                        : on.show().scene(parts[2]);
        return Optional.of(aims("aims/" + pair, ear.get(), source.get(), scene));
    }

    private Form aims(String key, Ear ear, Source source, Optional<Scene> scene) {
        List<Field> fields = new ArrayList<>();
        for (Aim.Kind kind : Aim.Kind.values()) {
            fields.add(aim(kind, ear, source, "", ""));
            scene.ifPresent(in -> fields.add(aim(kind, ear, source, in.id(), " in " + in.name())));
        }
        String title = "%s and %s".formatted(Names.subject(ear), Names.of(source));
        return new Form(key, title, fields, List.of());
    }

    private Field aim(Aim.Kind kind, Ear ear, Source source, String scene, String where) {
        String stands =
                on.show().aims().stream()
                        .filter(aim -> aim.kind() == kind)
                        .filter(aim -> aim.ear().equals(ear.id()))
                        .filter(aim -> aim.source().equals(source.id()))
                        .filter(aim -> aim.scene().equals(scene))
                        .map(aim -> Ground.plain(aim.figure()))
                        .findFirst()
                        .orElse("");
        String label = asked(kind) + where + ", " + kind.unit();
        return new Field.Text(
                kind.word() + (scene.isEmpty() ? "" : "-" + scene),
                label,
                stands,
                kind == Aim.Kind.UNDER ? "as loud as it comes" : "whenever it comes",
                List.of(),
                typed -> aimed(kind, ear, source, scene, typed));
    }

    private static String asked(Aim.Kind kind) {
        return switch (kind) {
            case UNDER -> "Under the voices";
            case WITHIN -> "Not later than";
        };
    }

    /// Blank is nothing aimed at.
    private Edit aimed(Aim.Kind kind, Ear ear, Source source, String scene, String typed) {
        Optional<Double> figure =
                typed.isBlank()
                        ? Optional.empty()
                        : Optional.of(Ground.number(typed, "This is", 0, kind.most()));
        String who = "%s for %s".formatted(Names.of(source), Names.of(ear));
        String name =
                figure.map(to -> "Want %s %s".formatted(who, kind.words(to)))
                        .orElse("Take %s as it comes".formatted(who));
        return Edit.of(
                name, on.show(), on.show().aiming(ear.id(), source.id(), scene, kind, figure));
    }

    List<Outline.Row> rows() {
        List<Outline.Row> rows = new ArrayList<>();
        Show show = on.show();
        for (Aim aim : show.aims()) {
            String key = "aims/%s/%s".formatted(aim.ear(), aim.source());
            String in = show.scene(aim.scene()).map(scene -> " in " + scene.name()).orElse("");
            rows.add(
                    new Outline.Row(
                            aim.scene().isEmpty() ? key : key + "/" + aim.scene(),
                            show.cast().source(aim.source()).map(Source::name).orElse(aim.source()),
                            "%s, for %s%s"
                                    .formatted(
                                            aim.kind().words(aim.figure()),
                                            show.ear(aim.ear()).map(Names::of).orElse(aim.ear()),
                                            in)));
        }
        return rows;
    }

    // How one likes to work

    Form habits() {
        List<Field> fields = new ArrayList<>();
        for (Habit habit : Habit.values()) {
            Optional<Habit.Way> said = on.show().habits().of(habit);
            List<Option> options = new ArrayList<>(List.of(Option.none("not said")));
            options.addAll(Ground.options(habit.ways(), Habit.Way::word, Habit.Way::phrase));
            fields.add(
                    new Field.Choice(
                            habit.word(),
                            habit.about(),
                            said.map(Habit.Way::word).orElse(""),
                            options,
                            said.map(way -> Words.sentence(way.phrase()))
                                            .orElse("As if " + habit.ways().getFirst().phrase())
                                    + ". "
                                    + said.orElse(habit.ways().getFirst()).costs(),
                            word -> worked(habit, word)));
        }
        return new Form("habits/show", "How you like to work", fields, List.of());
    }

    private Edit worked(Habit habit, String word) {
        Habits habits = on.show().habits().with(habit, word);
        String name =
                word.isEmpty()
                        ? "Leave open how " + Names.lower(habit.about())
                        : "%s %s".formatted(habit.about(), habit.way(word).phrase());
        return on.parts().put(name, on.show().checks().with(habits));
    }

    Outline.Row worked() {
        List<String> said =
                on.show().habits().said().keySet().stream()
                        .map(
                                habit ->
                                        "%s %s"
                                                .formatted(
                                                        Names.lower(habit.about()),
                                                        on.show()
                                                                .habits()
                                                                .of(habit)
                                                                .orElseThrow()
                                                                .phrase()))
                        .toList();
        return new Outline.Row(
                "habits/show",
                "Schools",
                said.isEmpty() ? "the first named of each" : String.join(" · ", said));
    }
}
