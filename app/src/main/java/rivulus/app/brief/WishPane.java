package rivulus.app.brief;

import java.util.Optional;
import java.util.function.Function;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.RadioButton;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import rivulus.app.form.FormBox;
import rivulus.app.look.Look;
import rivulus.app.session.Picture;
import rivulus.app.session.Session;
import rivulus.app.session.View;
import rivulus.check.SceneProof;
import rivulus.disk.Extras;
import rivulus.form.Form;
import rivulus.form.Forms;
import rivulus.gear.Catalogue;
import rivulus.show.Brief;
import rivulus.show.Ear;
import rivulus.show.Names;
import rivulus.show.Scene;
import rivulus.show.Show;
import rivulus.show.Source;
import rivulus.show.Wish;
import rivulus.show.WishChange;

/// The wish of the chosen ear for the chosen source, by default or by exception, with the reason;
/// and all exceptions of the show.
public final class WishPane extends VBox implements View<WishPane.Sight> {
    /// The chosen wish drawn up.
    ///
    /// @param aims how loud and how soon, as a form; empty where no pair is chosen
    record Sight(Picture picture, Optional<Form> aims) {
        static Sight of(Picture picture, Catalogue catalogue) {
            if (picture.ear() == null || picture.source() == null)
                return new Sight(picture, Optional.empty());
            String pair =
                    "aims/%s/%s/%s"
                            .formatted(
                                    picture.ear().id(),
                                    picture.source().id(),
                                    picture.scene().scene().id());
            return new Sight(picture, new Forms(picture.show(), catalogue).form(pair));
        }
    }

    private final Session session;
    private final VBox content = new VBox();
    private final Label title = Look.text("Wishes", "pane-title");
    private final ToggleGroup wishes = new ToggleGroup();
    private final ToggleGroup scope = new ToggleGroup();
    private final TextField reason = new TextField();
    private final FormBox aims;
    private String shown = "";

    /// The wishes of a session.
    public WishPane(Session session) {
        this.session = session;
        aims = new FormBox("aims", session::edit);
        getStyleClass().add("wishes");
        setId("wishes");
        content.getStyleClass().add("cards");
        reason.setId("reason");
        reason.setPromptText("Why? In your own words");
        reason.setAccessibleText("Reason for the exception");
        ScrollPane scroll = new ScrollPane(content);
        scroll.setFitToWidth(true);
        scroll.setFocusTraversable(false);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        getChildren().addAll(title, scroll);
        session.draws(this);
    }

    @Override
    public boolean isSeen() {
        return session.stage().get().equals(BriefStage.ID);
    }

    @Override
    public Function<Picture, Sight> drawing() {
        Catalogue catalogue = session.shelf().prover().catalogue();
        return picture -> Sight.of(picture, catalogue);
    }

    @Override
    public void clear() {
        title.setText("Wishes");
        content.getChildren().clear();
    }

    @Override
    public void show(Sight sight) {
        Picture picture = sight.picture();
        clear();
        if (picture.ear() == null) return;
        if (picture.source() == null) {
            title.setText("Wishes of " + picture.ear().name());
            content.getChildren()
                    .add(
                            Look.paragraph(
                                    "Choose a cell to see what is wished there, and why.", "soft"));
        } else {
            fillWish(picture, picture.ear(), picture.source());
            sight.aims().ifPresent(this::fillAims);
        }
        fillExceptions(picture.show());
    }

    private void fillWish(Picture picture, Ear ear, Source source) {
        SceneProof.Heard cell = picture.scene().of(ear.id(), source.id());
        Scene scene = picture.scene().scene();
        Brief brief = picture.proof().brief();
        Brief.Standing usual = brief.byRole(ear, source);
        title.setText(Names.subject(ear) + " and " + Names.of(source));
        Optional<WishChange> own = exception(picture.show(), ear, source, scene.id());
        String key =
                ear.id() + "/" + source.id() + "/" + scene.id() + "/" + own.map(WishChange::wish);
        boolean fresh = !key.equals(shown);
        shown = key;

        Label now =
                Look.paragraph(
                        "%s %s %s."
                                .formatted(
                                        Names.subject(ear),
                                        cell.standing().wish().phrase(),
                                        Names.of(source)),
                        "headline");
        Label why = Look.paragraph(cell.standing().why(), "cause");
        VBox choices = new VBox(4);
        wishes.getToggles().clear();
        for (Wish wish : Wish.values())
            choices.getChildren().add(radio(wish, own.map(WishChange::wish).orElse(usual.wish())));
        scope.getToggles().clear();
        RadioButton everywhere =
                scopeButton("in every scene", own.map(c -> c.scene().isEmpty()).orElse(true));
        RadioButton here =
                scopeButton(
                        "only in " + scene.name(),
                        own.map(c -> !c.scene().isEmpty()).orElse(false));
        if (fresh) reason.setText(own.map(WishChange::reason).orElse(""));
        if (fresh) Look.stands(reason, "wish/%s/%s".formatted(ear.id(), source.id()));
        Button keep = new Button("Keep as an exception");
        keep.setId("keep-exception");
        keep.getStyleClass().add("first-answer");
        keep.setOnAction(_ -> keep(ear, source, scene, here.isSelected()));
        reason.setOnAction(_ -> keep.fire());
        Label byDefault =
                Look.paragraph(
                        "By default: %s. %s".formatted(usual.wish().phrase(), usual.why()), "way");
        content.getChildren()
                .addAll(now, why, choices, new VBox(4, everywhere, here), reason, keep, byDefault);
        own.ifPresent(
                change -> {
                    Button usualAgain = new Button("Back to the default");
                    usualAgain.setId("back-to-default");
                    usualAgain.setOnAction(_ -> remove(change));
                    content.getChildren().add(usualAgain);
                });
    }

    private void fillAims(Form form) {
        aims.show(form);
        content.getChildren().addAll(Look.text("How loud, how soon", "pane-title"), aims);
    }

    private RadioButton radio(Wish wish, Wish stands) {
        RadioButton button = new RadioButton(wish.phrase());
        button.setToggleGroup(wishes);
        button.setUserData(wish);
        button.setSelected(wish == stands);
        button.getStyleClass().add("wish-" + wish.word());
        return button;
    }

    private RadioButton scopeButton(String words, boolean selected) {
        RadioButton button = new RadioButton(words);
        button.setToggleGroup(scope);
        button.setSelected(selected);
        return button;
    }

    private static Optional<WishChange> exception(Show show, Ear ear, Source source, String scene) {
        return show.changes().stream()
                .filter(change -> change.covers(ear.id(), source.id(), scene))
                .max((a, b) -> Boolean.compare(!a.scene().isEmpty(), !b.scene().isEmpty()));
    }

    private void keep(Ear ear, Source source, Scene scene, boolean here) {
        Wish wish = (Wish) wishes.getSelectedToggle().getUserData();
        WishChange change =
                new WishChange(
                        ear.id(),
                        source.id(),
                        here ? scene.id() : "",
                        wish,
                        reason.getText().strip(),
                        Extras.NONE);
        String name = "Brief: %s %s %s".formatted(Names.of(ear), wish.phrase(), Names.of(source));
        session.document().edit(name, show -> show.with(change));
    }

    private void remove(WishChange change) {
        session.document()
                .edit(
                        "Brief: back to the default for " + sentence(session.show().get(), change),
                        show -> show.withoutChange(change.ear(), change.source(), change.scene()));
    }

    private void fillExceptions(Show show) {
        content.getChildren().add(Look.text("Exceptions", "pane-title", "others"));
        if (show.changes().isEmpty()) {
            content.getChildren()
                    .add(Look.paragraph("None. Every wish follows from a role.", "soft"));
        }
        for (WishChange change : show.changes()) {
            VBox words =
                    new VBox(
                            2,
                            Look.block(sentence(show, change) + ".", 240, "order"),
                            Look.block(
                                    change.reason().isEmpty()
                                            ? "No reason is given."
                                            : change.reason(),
                                    240,
                                    "effect"));
            Button line = new Button();
            line.setGraphic(new HBox(8, words));
            line.getStyleClass().add("exception");
            line.setMaxWidth(Double.MAX_VALUE);
            line.setAccessibleText(sentence(show, change) + ". " + change.reason());
            line.setOnAction(
                    _ -> {
                        session.ear().set(change.ear());
                        session.source().set(change.source());
                        if (!change.scene().isEmpty()) session.scene().set(change.scene());
                    });
            content.getChildren().add(line);
        }
    }

    private static String sentence(Show show, WishChange change) {
        String ear = show.ear(change.ear()).map(Names::subject).orElse(change.ear());
        String source = show.cast().source(change.source()).map(Names::of).orElse(change.source());
        String where = show.scene(change.scene()).map(scene -> " in " + scene.name()).orElse("");
        return "%s %s %s%s".formatted(ear, change.wish().phrase(), source, where);
    }
}
