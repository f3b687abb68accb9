package rivulus.app.shell;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import rivulus.app.mixes.MixesStage;
import rivulus.app.rig.RigStage;
import rivulus.app.session.Picture;
import rivulus.app.session.Session;
import rivulus.app.session.Settings;
import rivulus.app.session.TroubleCard;
import rivulus.app.stage.Command;
import rivulus.app.stage.Door;
import rivulus.check.EarVerdict;
import rivulus.edit.Borrowed;
import rivulus.file.DemoShows;
import rivulus.remedy.Remedy;
import rivulus.sheet.Sheets;
import rivulus.show.Device;
import rivulus.show.Ear;
import rivulus.show.Names;
import rivulus.show.Scene;
import rivulus.show.Source;
import rivulus.sound.Signals;

/// Everything the user can ask for.
final class Commands {
    private final Session session;
    private final MainWindow window;

    Commands(Session session, MainWindow window) {
        this.session = session;
        this.window = window;
    }

    /// What has a shortcut or is always there.
    List<Command> standing() {
        List<Command> all = new ArrayList<>();
        all.add(Command.of("Find something to do or to go to", "Shortcut+K", window::openPalette));
        all.add(
                Command.of(
                        "Take the best of what is offered",
                        "Shortcut+Enter",
                        () -> best().ifPresentOrElse(Runnable::run, this::sayWhyNone)));
        all.add(
                Command.when(
                        "Go to the next ear in trouble",
                        "Shortcut+J",
                        () -> nextInTrouble().isPresent(),
                        () -> nextInTrouble().ifPresent(this::goTo)));
        all.add(
                new Command(
                        () -> "Undo: " + session.document().undoName().orElse("nothing"),
                        "Shortcut+Z",
                        () -> session.document().undoName().isPresent(),
                        session.document()::undo));
        all.add(
                new Command(
                        () -> "Do again: " + session.document().redoName().orElse("nothing"),
                        "Shortcut+Shift+Z",
                        () -> session.document().redoName().isPresent(),
                        session.document()::redo));
        all.add(Command.of("New show", "Shortcut+N", window.files()::newShow));
        all.add(Command.of("Begin the next show from this one", "", window.files()::nextShow));
        for (Borrowed part : Borrowed.values())
            all.add(
                    Command.of(
                            "Take %s from a file …".formatted(part.words()),
                            "",
                            () -> window.files().borrow(part)));
        all.add(Command.of("Open a show …", "Shortcut+O", window.files()::openShow));
        all.add(Command.of("Save", "Shortcut+S", window.files()::save));
        all.add(Command.of("Save as …", "Shortcut+Shift+S", window.files()::saveAs));
        all.add(
                Command.when(
                        "What the file held before it was saved over …",
                        "",
                        () -> session.document().file().get() != null,
                        () -> window.recovery().offerEarlier()));
        all.add(
                Command.of(
                        "What earlier runs left behind unsaved …",
                        "",
                        () -> window.recovery().offerAgain()));
        DemoShows.all()
                .forEach(
                        (name, title) ->
                                all.add(
                                        Command.of(
                                                "Open a demo show: " + title,
                                                "",
                                                () -> window.openDemo(name))));
        List<Door<?>> stages = window.stages();
        for (Door<?> stage : stages) {
            all.add(
                    Command.of(
                            "Stage: " + stage.title(),
                            "Shortcut+" + (stages.indexOf(stage) + 1),
                            () -> session.stage().set(stage.id())));
        }
        for (Door<?> stage : stages) all.addAll(stage.commands());
        all.add(Command.of("Plan it for me, or the rest of it", "Shortcut+P", window::openPlans));
        all.add(Command.of("Add gear by what you need", "Shortcut+Shift+G", window::searchGear));
        all.add(
                Command.of(
                        "Own kinds of gear: make, change, import, export",
                        "Shortcut+B",
                        () -> window.openBench(Optional.empty(), Optional.empty())));
        all.add(
                Command.of(
                        "Take in an input list or a lead list (CSV) …",
                        "Shortcut+Shift+I",
                        window.files()::takeInList));
        for (Sheets.Kind kind : Sheets.Kind.values()) {
            all.add(
                    Command.of(
                            "Sheet: " + kind.title() + " …",
                            "",
                            () -> window.files().saveSheet(kind)));
        }
        for (Signals signal : Signals.values()) {
            all.add(
                    Command.of(
                            "Test signal: %s …".formatted(signal.title()),
                            "",
                            () -> window.files().saveSignal(signal)));
        }
        all.add(Command.of("Next scene", "Alt+Right", () -> step(1)));
        all.add(Command.of("Previous scene", "Alt+Left", () -> step(-1)));
        all.add(Command.of("Put the keyboard on the ears", "Shortcut+E", window::focusEars));
        all.add(
                Command.of(
                        "Put the keyboard on the findings", "Shortcut+F", window::focusFindings));
        all.add(Command.of("Put the keyboard on the stage", "Shortcut+G", window::focusStage));
        all.add(Command.of("Day chart or night watch", "Shortcut+Shift+L", this::changeTheme));
        all.add(Command.of("Stop trying remedies", "", session::stopSearching));
        all.add(
                Command.of(
                        "Search on where not everything was tried",
                        "Shortcut+Shift+ENTER",
                        session::searchOn));
        all.add(
                Command.of(
                        "Search for remedies by itself, or when asked", "", this::changeSearching));
        all.add(Command.of("Larger", "Shortcut+PLUS", () -> session.settings().scaleBy(1.1)));
        all.add(Command.of("Smaller", "Shortcut+MINUS", () -> session.settings().scaleBy(1 / 1.1)));
        all.add(
                Command.of(
                        "Usual size",
                        "Shortcut+0",
                        () -> session.settings().scaleBy(1 / session.settings().scale().get())));
        all.add(Command.of("Motion on or off", "", this::changeMotion));
        all.add(Command.of("Show all keys", "F1", window::showKeys));
        all.add(Command.of("Quit", "Shortcut+Q", window::quit));
        return all;
    }

    /// What depends on the show: ears, scenes, sources, devices, cures, recent files.
    List<Command> ofTheMoment() {
        List<Command> all = new ArrayList<>();
        for (Ear ear : session.show().get().ears()) {
            all.add(
                    Command.of(
                            "Ear: " + ear.name(),
                            "",
                            () -> {
                                session.source().set("");
                                session.ear().set(ear.id());
                            }));
        }
        for (Scene scene : session.show().get().scenes()) {
            all.add(
                    Command.of(
                            "Scene: " + scene.name(), "", () -> session.scene().set(scene.id())));
        }
        for (Source source : session.show().get().sources()) {
            all.add(
                    Command.of(
                            "Follow " + Names.of(source) + " to every ear",
                            "",
                            () -> {
                                session.source().set(source.id());
                                session.stage().set(MixesStage.ID);
                            }));
        }
        for (Device device : session.show().get().rig().devices()) {
            all.add(
                    Command.of(
                            "Knobs of " + device.name(),
                            "",
                            () -> session.device().set(device.id())));
        }
        for (Path recent : session.settings().recent()) {
            all.add(
                    Command.of(
                            "Open " + recent.getFileName() + " (" + recent.getParent() + ")",
                            "",
                            () -> window.open(recent)));
        }
        return all;
    }

    /// The first way to join, where ways are offered; the best for the chosen ear; in the rig, and
    /// where nothing is wrong for the ear, the first for the rig.
    private Optional<Runnable> best() {
        Picture picture = session.picture().get();
        if (picture == null) return Optional.empty();
        if (!session.joinings().ways().isEmpty())
            return Optional.of(() -> session.joinings().take(session.joinings().ways().getFirst()));
        boolean rig = session.stage().get().equals(RigStage.ID) && session.device().get().isEmpty();
        boolean ear =
                !rig
                        && picture.ear() != null
                        && picture.troubles().stream()
                                .anyMatch(card -> card.concerns(picture.ear().id()));
        Optional<Remedy> best =
                ear
                        ? bestForTheEar()
                        : picture.proof().ofTheRig().stream()
                                .filter(finding -> rig || finding.severity().isSerious())
                                .flatMap(finding -> found(finding.id()))
                                .findFirst();
        return best.map(remedy -> () -> session.take(remedy));
    }

    /// A key that does nothing says why.
    private void sayWhyNone() {
        session.say(
                session.isSettled()
                        ? "Nothing is offered here to be taken"
                        : "Remedies are still being tried");
    }

    private Optional<Remedy> bestForTheEar() {
        Picture picture = session.picture().get();
        if (picture == null || picture.ear() == null) return Optional.empty();
        return picture.troubles().stream()
                .filter(card -> card.concerns(picture.ear().id()))
                .map(TroubleCard::trouble)
                .flatMap(trouble -> found(trouble.id()).limit(1))
                .findFirst();
    }

    private Stream<Remedy> found(String trouble) {
        return Optional.ofNullable(session.remedies().get(trouble)).stream()
                .flatMap(found -> found.stream());
    }

    private Optional<EarVerdict> nextInTrouble() {
        Picture picture = session.picture().get();
        if (picture == null) return Optional.empty();
        List<EarVerdict> troubled =
                picture.rail().stream()
                        .filter(
                                verdict ->
                                        verdict.severity().isPresent()
                                                || !verdict.elsewhere().isEmpty())
                        .toList();
        int at = troubled.stream().map(v -> v.ear().id()).toList().indexOf(session.ear().get());
        return troubled.isEmpty()
                ? Optional.empty()
                : Optional.of(troubled.get((at + 1) % troubled.size()));
    }

    private void goTo(EarVerdict verdict) {
        session.source().set("");
        session.ear().set(verdict.ear().id());
        if (verdict.severity().isPresent()) return;
        session.show().get().scenes().stream()
                .filter(scene -> verdict.elsewhere().contains(scene.name()))
                .findFirst()
                .ifPresent(scene -> session.scene().set(scene.id()));
    }

    private void step(int by) {
        List<String> ids = session.show().get().scenes().stream().map(Scene::id).toList();
        int at = ids.indexOf(session.scene().get());
        session.scene().set(ids.get(Math.floorMod(at + by, ids.size())));
    }

    private void changeTheme() {
        Settings settings = session.settings();
        settings.theme()
                .set(settings.theme().get().equals(Settings.DAY) ? Settings.NIGHT : Settings.DAY);
        settings.keep();
    }

    private void changeSearching() {
        Settings settings = session.settings();
        settings.searching().set(!settings.searching().get());
        settings.keep();
        session.say(
                settings.searching().get()
                        ? "Remedies are searched by themselves"
                        : "Remedies are searched when asked: Ctrl Shift Enter");
    }

    private void changeMotion() {
        Settings settings = session.settings();
        settings.motion().set(!settings.motion().get());
        settings.keep();
        session.say(settings.motion().get() ? "Ribbons move" : "Nothing moves");
    }
}
