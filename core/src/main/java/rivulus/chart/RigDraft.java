package rivulus.chart;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import rivulus.chart.RigDrawing.Band;
import rivulus.chart.RigDrawing.Box;
import rivulus.chart.RigDrawing.Line;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.leads.LeadReport;
import rivulus.leads.Survey;
import rivulus.power.Feeding;
import rivulus.power.Grounds;
import rivulus.power.Ring;
import rivulus.power.Supply;
import rivulus.show.Device;
import rivulus.show.Person;
import rivulus.show.Place;
import rivulus.show.Show;
import rivulus.words.Severity;

/// A drawing in the making.
final class RigDraft {
    private static final double MARGIN = 8;
    private static final double BOX_HEIGHT = 36;
    private static final double ROW = 41;
    private static final double TITLE = 18;
    private static final double BAND_PADDING = 6;
    private static final double BETWEEN_BANDS = 6;
    private static final double GAP = 16;
    private static final int MIDDLE_COLUMNS = 3;
    private static final int COLUMNS = MIDDLE_COLUMNS + 2;

    private final Proof proof;
    private final Survey survey;
    private final Show show;
    private final Lit lit;
    private final RigLayer layer;
    private final double width;
    private final double boxWidth;
    private final Map<String, Integer> rank;
    private final Feeding feeding;
    private final RigNotes notes;
    private final List<Ring> rings;
    private final List<Band> bands = new ArrayList<>();
    private final Map<String, Box> boxes = new LinkedHashMap<>();
    private double y = BETWEEN_BANDS;

    RigDraft(Proof proof, Lit lit, RigLayer layer, double width) {
        this.proof = proof;
        this.survey = proof.survey();
        this.show = proof.show();
        this.lit = lit;
        this.layer = layer;
        this.width = width;
        boxWidth = (width - 2 * MARGIN - GAP * (COLUMNS - 1)) / COLUMNS;
        rank = ranks();
        feeding = Feeding.of(survey);
        notes = new RigNotes(survey, feeding, layer, this::programs);
        rings = Grounds.rings(survey);
    }

    RigDrawing drawing() {
        Map<String, List<Device>> groups = new LinkedHashMap<>();
        for (Place place : show.places()) groups.put(place.name(), new ArrayList<>());
        for (Device device : survey.devices()) {
            if (Survey.isProgram(device)) continue;
            groups.computeIfAbsent(home(device), _ -> new ArrayList<>()).add(device);
        }
        Map<String, Device> single = new LinkedHashMap<>();
        groups.forEach(
                (title, devices) -> {
                    if (devices.size() == 1) single.put(title, devices.getFirst());
                    else band(title, devices);
                });
        smallBands(single);
        return new RigDrawing(layer, width, y, bands, List.copyOf(boxes.values()), lines());
    }

    private String home(Device device) {
        String place = show.cast().person(device.worn()).map(Person::place).orElse(device.place());
        return show.place(place).map(Place::name).orElse("Elsewhere");
    }

    /// How far along the sound a device stands.
    private Map<String, Integer> ranks() {
        Columns<String> columns = new Columns<>();
        for (LeadReport lead : survey.leads())
            if (!lead.passages().isEmpty())
                columns.add(
                        List.of(
                                lead.passages().getFirst().from().device().id(),
                                lead.passages().getFirst().to().device().id()));
        for (LeadReport lead : survey.leads()) {
            if (!lead.passages().isEmpty()) continue;
            boolean toHost = lead.b().port().host() || !lead.a().port().host();
            String a = lead.a().device().id();
            String b = lead.b().device().id();
            columns.add(toHost ? List.of(a, b) : List.of(b, a));
        }
        return columns.columns();
    }

    private void band(String title, List<Device> devices) {
        if (devices.isEmpty()) return;
        List<Device> left = new ArrayList<>();
        List<Device> middle = new ArrayList<>();
        List<Device> right = new ArrayList<>();
        for (Device device : devices)
            (switch (survey.template(device).kind()) {
                        case MICROPHONE -> left;
                        case WEARABLE, LOUDSPEAKER -> right;
                        default -> middle;
                    })
                    .add(device);
        List<List<Device>> columns = columns(middle);
        int deepest = columns.stream().mapToInt(List::size).max().orElse(0);
        int atLeft = middle.isEmpty() && left.size() > 3 ? 2 : 1;
        int atRight = middle.isEmpty() && right.size() > 2 ? 2 : 1;
        int rows = Math.max(Math.max(rows(left, atLeft), rows(right, atRight)), deepest);
        double top = y + TITLE;
        for (int i = 0; i < left.size(); i++) put(left.get(i), i % atLeft, top, i / atLeft);
        for (int i = 0; i < right.size(); i++)
            put(right.get(i), COLUMNS - atRight + i % atRight, top, i / atRight);
        for (int c = 0; c < MIDDLE_COLUMNS; c++)
            for (int row = 0; row < columns.get(c).size(); row++)
                put(columns.get(c).get(row), 1 + c, top, row);
        double height = heightOf(rows);
        bands.add(new Band(title, 0, y, width, height));
        y += height + BETWEEN_BANDS;
    }

    /// The machines between, by how far along the sound they stand; what is new to the rig does
    /// not move the others. A column that would be much deeper than the rest spills over.
    private List<List<Device>> columns(List<Device> middle) {
        List<Integer> ranks = rank.values().stream().distinct().sorted().toList();
        List<List<Device>> columns = new ArrayList<>();
        for (int c = 0; c < MIDDLE_COLUMNS; c++) columns.add(new ArrayList<>());
        for (Device device : middle) {
            int at = Math.max(0, ranks.indexOf(rank.getOrDefault(device.id(), 0)));
            int column = ranks.isEmpty() ? 0 : at * MIDDLE_COLUMNS / ranks.size();
            columns.get(column).add(device);
        }
        int most = (middle.size() + MIDDLE_COLUMNS - 1) / MIDDLE_COLUMNS + 1;
        for (List<Device> column : columns)
            while (column.size() > most)
                columns.stream()
                        .min(Comparator.comparingInt(List::size))
                        .orElseThrow()
                        .add(column.removeLast());
        return columns;
    }

    private static int rows(List<Device> devices, int columns) {
        return (devices.size() + columns - 1) / columns;
    }

    private static double heightOf(int rows) {
        return TITLE + rows * ROW - (ROW - BOX_HEIGHT) + BAND_PADDING;
    }

    /// Places with one thing in them stand beside each other.
    private void smallBands(Map<String, Device> single) {
        int column = 0;
        for (Map.Entry<String, Device> place : single.entrySet()) {
            put(place.getValue(), column, y + TITLE, 0);
            double x = column * (boxWidth + GAP);
            bands.add(new Band(place.getKey(), x, y, boxWidth + 2 * MARGIN - 4, heightOf(1)));
            if (++column < COLUMNS) continue;
            column = 0;
            y += heightOf(1) + BETWEEN_BANDS;
        }
        if (column > 0) y += heightOf(1) + BETWEEN_BANDS;
    }

    private void put(Device device, int column, double top, int row) {
        List<Finding> wrong =
                proof.ofDevice(device.id()).stream()
                        .filter(finding -> finding.severity() != Severity.NOTE)
                        .toList();
        RigNotes.RigNote note = notes.of(device);
        boxes.put(
                device.id(),
                new Box(
                        device,
                        note.words(),
                        note.yields(),
                        MARGIN + column * (boxWidth + GAP),
                        top + row * ROW,
                        boxWidth,
                        BOX_HEIGHT,
                        isLit(device),
                        isMarked(device),
                        wrong.stream().findFirst().map(Finding::severity)));
    }

    private boolean isLit(Device device) {
        return lit.devices().contains(device.id())
                || programs(device).stream().anyMatch(p -> lit.devices().contains(p.id()));
    }

    private List<Device> programs(Device computer) {
        return survey.devices().stream().filter(d -> d.on().equals(computer.id())).toList();
    }

    private boolean isMarked(Device device) {
        return switch (layer) {
            case EARTHS -> Grounds.isEarthed(survey, device);
            case POWER ->
                    feeding.supplies().stream()
                            .anyMatch(
                                    supply ->
                                            supply.id().equals(device.id())
                                                    && !feeding.fedBy(supply).isEmpty());
            default -> false;
        };
    }

    // Lines

    private List<Line> lines() {
        List<Line> lines = new ArrayList<>();
        if (layer == RigLayer.POWER) {
            for (Supply supply : feeding.supplies())
                for (Device fed : feeding.fedBy(supply))
                    line(supply.id(), fed.id(), "", "", Line.State.FEEDS, Optional.empty())
                            .ifPresent(lines::add);
            return spread(lines);
        }
        Map<String, String> tags = RigDrawing.tags(survey);
        for (LeadReport lead : survey.leads()) {
            Optional<Severity> worst =
                    proof.ofLead(lead.cable().id()).stream()
                            .map(Finding::severity)
                            .filter(severity -> severity != Severity.NOTE)
                            .findFirst();
            boolean turned =
                    !lead.passages().isEmpty()
                            && lead.passages().getFirst().from().ref().equals(lead.b().ref());
            Device from = turned ? lead.b().device() : lead.a().device();
            Device to = turned ? lead.a().device() : lead.b().device();
            line(
                            home(from.id()),
                            home(to.id()),
                            lead.cable().id(),
                            tag(lead, tags),
                            state(lead),
                            worst)
                    .ifPresent(lines::add);
        }
        List<Line> spread = spread(lines);
        spread.sort(Comparator.comparing(line -> line.state() != Line.State.QUIET));
        return spread;
    }

    private String home(String device) {
        return survey.device(device).map(Device::on).filter(on -> !on.isEmpty()).orElse(device);
    }

    private String tag(LeadReport lead, Map<String, String> tags) {
        if (layer != RigLayer.EARTHS) return tags.get(lead.cable().id());
        for (int r = 0; r < rings.size(); r++)
            if (rings.get(r).lead().cable().id().equals(lead.cable().id()))
                return RigDrawing.letter(r);
        return "";
    }

    private Line.State state(LeadReport lead) {
        String id = lead.cable().id();
        if (layer == RigLayer.EARTHS) {
            boolean closes = rings.stream().anyMatch(r -> r.lead().cable().id().equals(id));
            if (closes) return Line.State.RING;
            return lead.joins() && lead.grounded() ? Line.State.JOINS : Line.State.QUIET;
        }
        return lit.cables().contains(id) ? Line.State.LIT : Line.State.QUIET;
    }

    private Optional<Line> line(
            String from,
            String to,
            String cable,
            String tag,
            Line.State state,
            Optional<Severity> severity) {
        Box a = boxes.get(from);
        Box b = boxes.get(to);
        if (a == null || b == null || a == b) return Optional.empty();
        return Optional.of(new Line(cable, tag, curve(a, b), true, state, severity));
    }

    /// Out at the right and in at the left where that goes forward; round the near side where
    /// the two stand above each other; else out at the left and in at the right.
    private static double[] curve(Box a, Box b) {
        double ay = a.y() + a.height() / 2;
        double by = b.y() + b.height() / 2;
        if (Math.abs(a.x() - b.x()) < 1) {
            double x = a.x() + a.width();
            return new double[] {x, ay, x + GAP, ay, x + GAP, by, x, by};
        }
        boolean forward = a.x() < b.x();
        double from = forward ? a.x() + a.width() : a.x();
        double to = forward ? b.x() : b.x() + b.width();
        double bend = (forward ? 1 : -1) * Math.max(GAP, Math.abs(to - from) / 2);
        return new double[] {from, ay, from + bend, ay, to - bend, by, to, by};
    }

    /// Lines that meet at one side of a box are spread over it, in the order in which they
    /// come.
    private static List<Line> spread(List<Line> lines) {
        Map<List<Double>, List<Double>> sides = new HashMap<>();
        for (Line line : lines) {
            double[] c = line.curve();
            sides.computeIfAbsent(List.of(c[0], c[1]), _ -> new ArrayList<>()).add(c[7]);
            sides.computeIfAbsent(List.of(c[6], c[7]), _ -> new ArrayList<>()).add(c[1]);
        }
        sides.values().forEach(list -> list.sort(Comparator.naturalOrder()));
        Map<List<Double>, Map<Double, Integer>> given = new HashMap<>();
        List<Line> spread = new ArrayList<>();
        for (Line line : lines) {
            double[] c = line.curve().clone();
            List<Double> start = List.of(c[0], c[1]);
            List<Double> end = List.of(c[6], c[7]);
            double from = place(sides, given, start, c[7]);
            double to = place(sides, given, end, c[1]);
            c[1] += from;
            c[3] += from;
            c[5] += to;
            c[7] += to;
            boolean atEnd = sides.get(end).size() <= sides.get(start).size();
            spread.add(new Line(line.cable(), line.tag(), c, atEnd, line.state(), line.severity()));
        }
        return spread;
    }

    /// How far from the middle of its side a line is put.
    private static double place(
            Map<List<Double>, List<Double>> sides,
            Map<List<Double>, Map<Double, Integer>> given,
            List<Double> side,
            double comesFrom) {
        List<Double> all = sides.get(side);
        int before =
                given.computeIfAbsent(side, _ -> new HashMap<>()).merge(comesFrom, 1, Integer::sum);
        int index = all.indexOf(comesFrom) + before - 1;
        double room = BOX_HEIGHT - 8;
        return all.size() == 1 ? 0 : room * (index / (all.size() - 1.0) - 0.5);
    }
}
