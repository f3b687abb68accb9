package rivulus.app.levels;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import javafx.geometry.VPos;
import javafx.scene.AccessibleRole;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polygon;
import javafx.scene.text.Text;
import javafx.scene.text.TextAlignment;
import rivulus.chart.StairSheet;
import rivulus.chart.StairSheet.Step;
import rivulus.words.Words;

/// The staircase: steps along, levels upward. Silt at the bottom is noise; over it runs the voice,
/// its average to its loud moments full, its peaks paler; over that the bank that it must not
/// spill over.
final class StairChart extends Pane {
    private static final double LEFT = 52;
    private static final double RIGHT = 12;
    private static final double TOP = 34;
    private static final double FOOT = 68;
    private static final double GAP = 2;
    private static final double LINE = 15;

    private StairSheet sheet;
    private String hue = "";

    StairChart() {
        setId("staircase");
        getStyleClass().add("staircase");
        setMinSize(0, 200);
        setAccessibleRole(AccessibleRole.TEXT);
        widthProperty().addListener((_, _, _) -> draw());
        heightProperty().addListener((_, _, _) -> draw());
    }

    void show(StairSheet newSheet, String newHue) {
        sheet = newSheet;
        hue = newHue;
        setAccessibleText(
                sheet == null
                        ? ""
                        : sheet.steps().stream()
                                .map(Step::words)
                                .collect(Collectors.joining(". ")));
        draw();
    }

    private double y(double db) {
        double tall = getHeight() - TOP - FOOT;
        double part = (db - sheet.lowDb()) / (sheet.highDb() - sheet.lowDb());
        return TOP + tall * (1 - Math.clamp(part, 0, 1));
    }

    private double wide() {
        return (getWidth() - LEFT - RIGHT) / sheet.steps().size();
    }

    private void draw() {
        getChildren().clear();
        if (sheet == null || getWidth() < 240 || getHeight() < 160) return;
        axis();
        List<Step> steps = sheet.steps();
        for (int i = 0; i < steps.size(); i++) step(steps.get(i), LEFT + i * wide());
        for (int i = 1; i < steps.size(); i++)
            between(steps.get(i - 1), steps.get(i), LEFT + i * wide());
        devices();
    }

    private void axis() {
        for (double db = -90; db <= 30; db += 20) {
            double at = db + 10;
            if (at == 0 || at < sheet.lowDb() || at > sheet.highDb()) continue;
            tick(at, Words.signed(at, 0));
        }
        Line lineUp = new Line(LEFT, y(0), getWidth() - RIGHT, y(0));
        lineUp.getStyleClass().add("line-up");
        getChildren().add(lineUp);
        tick(0, "line-up");
    }

    private void tick(double db, String words) {
        Text text = text(words, "tick");
        text.setTextOrigin(VPos.CENTER);
        text.setX(LEFT - 8 - text.getLayoutBounds().getWidth());
        text.setY(y(db));
        getChildren().add(text);
    }

    private void step(Step step, double x) {
        double wide = wide() - GAP;
        boolean bank = Double.isFinite(step.ceilingDb()) && step.ceilingDb() < sheet.highDb();
        if (Double.isFinite(step.noiseDb()))
            block(x, wide, step.noiseDb(), sheet.lowDb(), "silt", step.noisy() ? "most" : "");
        block(x, wide, step.peakDb(), step.loudDb(), "spray", hue);
        block(x, wide, step.loudDb(), step.averageDb(), "voice", hue);
        if (step.clips()) block(x, wide, step.peakDb(), step.ceilingDb(), "spill", "");
        if (bank) {
            Line line = new Line(x, y(step.ceilingDb()), x + wide, y(step.ceilingDb()));
            line.getStyleClass().addAll("bank", step.tight() ? "tight" : "high");
            getChildren().add(line);
        }
        if (step.tight()) room(step, x, wide);
        Text reads = text(step.reads(), "reads");
        centre(reads, x, wide, getHeight() - FOOT + 4);
        Text point = text(fitted(step.point(), wide), "step-point");
        centre(point, x, wide, getHeight() - FOOT + 4 + LINE);
        getChildren().addAll(reads, point);
    }

    private void room(Step step, double x, double wide) {
        double room = step.ceilingDb() - step.peakDb();
        Text text =
                text(
                        room < 0 ? Words.db(-room) + " over" : Words.db(room) + " left",
                        room < 0 ? "over" : "room");
        centre(text, x, wide, y(Math.max(step.ceilingDb(), step.peakDb())) - 16);
        getChildren().add(text);
    }

    /// What stands between two steps is a wedge: a gain knob with its own marks, and what acts on
    /// the sound, in order; in words under the voice on both sides.
    private void between(Step before, Step step, double x) {
        List<String> words = new ArrayList<>();
        if (!step.gain().isEmpty()) words.add("gain " + step.gain().split(", ", 2)[0]);
        words.addAll(step.acts());
        if (words.isEmpty()) return;
        Polygon wedge = new Polygon(x - 6, y(0) + 5, x + 6, y(0) + 5, x, y(0) - 6);
        wedge.getStyleClass().add("gain-wedge");
        getChildren().add(wedge);
        double under = y(Math.min(0, Math.min(before.averageDb(), step.averageDb()))) + LINE;
        for (int i = 0; i < words.size(); i++) {
            Text text = text(words.get(i), "gain-words");
            double half = text.getLayoutBounds().getWidth() / 2;
            text.setX(Math.clamp(x - half, LEFT, getWidth() - RIGHT));
            text.setY(under + i * LINE);
            getChildren().add(text);
        }
    }

    private void block(double x, double wide, double high, double low, String... classes) {
        Region block = new Region();
        for (String name : classes) if (!name.isEmpty()) block.getStyleClass().add(name);
        block.setManaged(false);
        block.resizeRelocate(x, y(high), wide, Math.max(1, y(low) - y(high)));
        getChildren().add(block);
    }

    /// The machines, each over its steps.
    private void devices() {
        List<Step> steps = sheet.steps();
        int from = 0;
        for (int i = 1; i <= steps.size(); i++) {
            if (i < steps.size() && steps.get(i).device().equals(steps.get(from).device()))
                continue;
            double x = LEFT + from * wide();
            double wide = (i - from) * wide() - GAP;
            Line under = new Line(x, getHeight() - 30, x + wide, getHeight() - 30);
            under.getStyleClass().add("machine-line");
            getChildren().add(under);
            List<String> lines = wrapped(steps.get(from).device(), wide);
            for (int l = 0; l < lines.size(); l++) {
                Text name = text(lines.get(l), "machine");
                centre(name, x, wide, getHeight() - 27 + l * 13);
                getChildren().add(name);
            }
            from = i;
        }
    }

    private static void centre(Text text, double x, double wide, double y) {
        text.setTextOrigin(VPos.TOP);
        text.setTextAlignment(TextAlignment.CENTER);
        text.setX(x + (wide - text.getLayoutBounds().getWidth()) / 2);
        text.setY(y);
    }

    /// Two lines at most, broken between words; the second is cut where it does not fit.
    private static List<String> wrapped(String words, double wide) {
        if (widthOf(words) <= wide) return List.of(words);
        List<String> lines = new ArrayList<>();
        StringBuilder line = new StringBuilder();
        for (String word : words.split(" ")) {
            boolean fits = line.isEmpty() || widthOf(line + " " + word) <= wide;
            if (!fits && lines.isEmpty()) {
                lines.add(line.toString());
                line = new StringBuilder();
            }
            line.append(line.isEmpty() ? "" : " ").append(word);
        }
        lines.add(line.toString());
        return lines.stream().map(l -> fitted(l, wide)).toList();
    }

    private static String fitted(String words, double wide) {
        if (widthOf(words) <= wide) return words;
        String cut = words;
        while (cut.length() > 1 && widthOf(cut + "…") > wide)
            cut = cut.substring(0, cut.length() - 1);
        return cut.strip() + "…";
    }

    private static double widthOf(String words) {
        return text(words, "step-point").getLayoutBounds().getWidth();
    }

    private static Text text(String words, String... classes) {
        Text text = new Text(words);
        text.getStyleClass().addAll(classes);
        text.setFont(javafx.scene.text.Font.font("Source Sans 3", 12));
        return text;
    }
}
