package rivulus.app.rig;

import java.util.Optional;
import java.util.function.BiConsumer;
import java.util.function.Function;
import java.util.function.IntFunction;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.util.StringConverter;
import rivulus.app.look.Look;
import rivulus.chart.KnobSheet;
import rivulus.desk.Channel;
import rivulus.gear.Knob;
import rivulus.gear.Setting;

/// One knob: its label as it stands on the gear, and what it takes to turn it.
final class KnobRow extends VBox {
    private final BiConsumer<KnobSheet.Row, Setting> onTurn;
    private final Label scene = Look.text("", "in-scene");
    private final Runnable refresh;
    private KnobSheet.Row row;
    private boolean showing;

    /// @param channel the channel it belongs to, if any
    KnobRow(
            KnobSheet.Row row,
            Optional<Channel> channel,
            BiConsumer<KnobSheet.Row, Setting> onTurn) {
        this.row = row;
        this.onTurn = onTurn;
        getStyleClass().add("knob-row");
        Label label = Look.paragraph(row.use().knob().label(), "knob-label");
        VBox words = new VBox(label);
        channel.filter(of -> !of.name().isEmpty())
                .ifPresent(of -> words.getChildren().add(written(of)));
        words.setAlignment(Pos.CENTER_LEFT);
        HBox.setHgrow(words, Priority.ALWAYS);
        HBox line = new HBox(8, words);
        line.setAlignment(Pos.CENTER_LEFT);
        switch (row.use().knob()) {
            case Knob.Level level -> refresh = level(level, line);
            case Knob.Time time -> refresh = time(time, line);
            case Knob.Switch _ -> refresh = toggle(line);
            case Knob.Choice choice -> refresh = choice(choice, line);
        }
        getChildren().addFirst(line);
        getChildren().add(scene);
        show(row);
    }

    /// What is written on the channel, or comes into it.
    private static HBox written(Channel channel) {
        HBox written = new HBox(6);
        written.setAlignment(Pos.CENTER_LEFT);
        channel.tape().ifPresent(tape -> written.getChildren().add(Look.tape(tape)));
        written.getChildren().add(Look.text(channel.name(), "in-scene"));
        return written;
    }

    /// Shows how the knob stands now.
    void show(KnobSheet.Row now) {
        row = now;
        showing = true;
        refresh.run();
        showing = false;
        scene.setText(now.here());
        Look.show(scene, !now.here().isEmpty());
    }

    private void turn(Setting to) {
        if (!showing && !to.equals(row.stands()) && row.use().knob().takes(to))
            onTurn.accept(row, to);
    }

    private String id(String part) {
        return part + "-" + row.use().ref().name().replace('.', '-');
    }

    private Runnable level(Knob.Level level, HBox line) {
        return figure(line, "level", by -> stepped(level, by), text -> read(level, text));
    }

    private Runnable time(Knob.Time time, HBox line) {
        return figure(line, "time", by -> stepped(time, by), text -> read(time, text));
    }

    /// A field for a figure, with a step down and a step up beside it and on the arrow keys.
    ///
    /// @param stepped the setting one step up (1) or down (−1)
    /// @param read the setting that was typed, or empty where it is none
    private Runnable figure(
            HBox line,
            String part,
            IntFunction<Setting> stepped,
            Function<String, Optional<Setting>> read) {
        Knob knob = row.use().knob();
        TextField field = new TextField();
        field.setId(id(part));
        field.setPrefColumnCount(6);
        field.getStyleClass().add("level");
        field.setAccessibleText(knob.label() + ", " + knob.range());
        Button down = new Button("\u2212");
        Button up = new Button("+");
        down.setFocusTraversable(false);
        up.setFocusTraversable(false);
        down.setOnAction(_ -> turn(stepped.apply(-1)));
        up.setOnAction(_ -> turn(stepped.apply(1)));
        field.setOnAction(_ -> typed(read, field));
        field.focusedProperty()
                .addListener(
                        (_, _, focused) -> {
                            if (!focused) typed(read, field);
                        });
        field.addEventFilter(
                KeyEvent.KEY_PRESSED,
                event -> {
                    if (event.getCode() == KeyCode.UP) turn(stepped.apply(1));
                    else if (event.getCode() == KeyCode.DOWN) turn(stepped.apply(-1));
                    else return;
                    event.consume();
                });
        line.getChildren().addAll(down, field, up);
        return () -> stand(field);
    }

    /// One step up or down: a whole decibel, or a bigger knob step; off below the bottom.
    private Setting stepped(Knob.Level level, int by) {
        double step = Math.max(1, level.stepDb());
        if (!(row.stands() instanceof Setting.Level(double db))) return row.stands();
        if (db == Double.NEGATIVE_INFINITY)
            return by > 0 ? new Setting.Level(level.minDb()) : row.stands();
        double next = db + by * step;
        if (next < level.minDb())
            return level.closes() ? Setting.Level.OFF : new Setting.Level(level.minDb());
        return new Setting.Level(Math.min(next, level.maxDb()));
    }

    private Setting stepped(Knob.Time time, int by) {
        if (!(row.stands() instanceof Setting.Time(double ms))) return row.stands();
        return new Setting.Time(Math.clamp(ms + by * time.stepMs(), time.minMs(), time.maxMs()));
    }

    private void typed(Function<String, Optional<Setting>> read, TextField field) {
        Optional<Setting> setting = read.apply(field.getText());
        setting.ifPresent(this::turn);
        if (setting.isEmpty()) stand(field);
    }

    private void stand(TextField field) {
        field.setText(row.use().say(row.stands()));
        Look.stands(field, "knob/" + row.use().ref());
    }

    /// "-6", "−6.0 dB", "off"; nothing where it is neither.
    static Optional<Setting> read(Knob.Level level, String text) {
        String plain = plain(text, "db");
        if (plain.equals("off"))
            return level.closes() ? Optional.of(Setting.Level.OFF) : Optional.empty();
        try {
            return Optional.of(
                    new Setting.Level(
                            Math.clamp(Double.parseDouble(plain), level.minDb(), level.maxDb())));
        } catch (NumberFormatException notANumber) {
            return Optional.empty();
        }
    }

    /// "40", "40 ms"; nothing where it is no time.
    static Optional<Setting> read(Knob.Time time, String text) {
        try {
            double ms = Double.parseDouble(plain(text, "ms"));
            return Optional.of(new Setting.Time(Math.clamp(ms, time.minMs(), time.maxMs())));
        } catch (NumberFormatException notANumber) {
            return Optional.empty();
        }
    }

    private static String plain(String text, String unit) {
        return text.strip()
                .toLowerCase(java.util.Locale.ROOT)
                .replace('\u2212', '-')
                .replaceAll("[\\s\\h]*" + unit + "$", "")
                .strip();
    }

    private Runnable toggle(HBox line) {
        CheckBox box = new CheckBox();
        box.setId(id("switch"));
        box.setAccessibleText(row.use().knob().label());
        box.setOnAction(_ -> turn(new Setting.Switch(box.isSelected())));
        line.getChildren().add(box);
        return () -> {
            boolean on = row.stands() instanceof Setting.Switch(boolean is) && is;
            box.setSelected(on);
            box.setText(on ? "on" : "off");
        };
    }

    private Runnable choice(Knob.Choice choice, HBox line) {
        ComboBox<Knob.Option> box = new ComboBox<>();
        box.setId(id("choice"));
        box.getItems().setAll(choice.options());
        box.setConverter(
                new StringConverter<>() {
                    @Override
                    public String toString(Knob.Option option) {
                        return option == null ? "" : option.label();
                    }

                    @Override
                    public Knob.Option fromString(String label) {
                        return choice.options().stream()
                                .filter(o -> o.label().equals(label))
                                .findFirst()
                                .orElse(null);
                    }
                });
        box.setAccessibleText(choice.label());
        box.setMaxWidth(Double.MAX_VALUE);
        box.setOnAction(
                _ -> {
                    if (box.getValue() != null) turn(new Setting.Choice(box.getValue().id()));
                });
        getChildren().add(box);
        return () -> box.setValue(present(choice));
    }

    /// The option it stands at; gear that is not joined now is said to be away.
    private Knob.Option present(Knob.Choice choice) {
        String word = row.stands().word();
        return choice.find(word).orElseGet(() -> new Knob.Option(word, word + " (not here now)"));
    }
}
