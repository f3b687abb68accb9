package rivulus.chart;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
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
    private static final double MARGIN = 18;
    private static final double BOX_HEIGHT = 36;
    /// Between two rows, where leads run.
    private static final double CORRIDOR = 9;
    private static final double ROW = BOX_HEIGHT + CORRIDOR;
    private static final double TITLE = 16 + CORRIDOR;
    private static final double BETWEEN_BANDS = 6;
    /// Between two columns, where leads run and their numbers stand.
    private static final double GAP = 28;
    /// What a band of one box has beside it.
    private static final double NARROW = 10;
    /// How much of a box a mark takes.
    private static final double MARK = 18;
    private static final double LEAST_BOX = 118;
    /// So deep a column may be in any case.
    private static final int LEAST_DEEP = 2;
    private static final int LEAST_COLUMNS = 3;
    private static final int MOST_COLUMNS = 7;

    private final Proof proof;
    private final Survey survey;
    private final Show show;
    private final Lit lit;
    private final RigLayer layer;
    private final double width;
    private final int columns;
    private final double boxWidth;
    private final Map<String, Integer> rank;
    private final Feeding feeding;
    private final RigNotes notes;
    private final List<Ring> rings;
    private final List<Band> bands = new ArrayList<>();
    private final Map<String, Box> boxes = new LinkedHashMap<>();
    private final Map<String, Integer> columnOf = new HashMap<>();
    private double y = BETWEEN_BANDS;

    RigDraft(Proof proof, Lit lit, RigLayer layer, double width) {
        this.proof = proof;
        this.survey = proof.survey();
        this.show = proof.show();
        this.lit = lit;
        this.layer = layer;
        this.width = width;
        columns =
                Math.clamp(
                        (int) ((width - 2 * MARGIN + GAP) / (LEAST_BOX + GAP)),
                        LEAST_COLUMNS,
                        MOST_COLUMNS);
        boxWidth = (width - 2 * MARGIN - GAP * (columns - 1)) / columns;
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
        List<List<Device>> all = new ArrayList<>();
        all.add(left);
        all.addAll(columns(middle));
        all.add(right);
        level(all);
        int rows = all.stream().mapToInt(List::size).max().orElse(0);
        double top = y + TITLE;
        for (int c = 0; c < all.size(); c++)
            for (int row = 0; row < all.get(c).size(); row++) put(all.get(c).get(row), c, top, row);
        double height = heightOf(rows);
        bands.add(new Band(title, 0, y, width, height));
        y += height + BETWEEN_BANDS;
    }

    /// What a column has beyond the deepest that would do, and one more, goes to the nearest column
    /// that has room.
    private void level(List<List<Device>> all) {
        int things = all.stream().mapToInt(List::size).sum();
        int most = Math.max(LEAST_DEEP, (things + all.size() - 1) / all.size() + 1);
        for (int c = 0; c < all.size(); c++)
            while (all.get(c).size() > most) {
                int here = c;
                IntStream.range(0, all.size())
                        .filter(other -> all.get(other).size() < most)
                        .boxed()
                        .min(Comparator.comparingInt(other -> Math.abs(other - here)))
                        .ifPresent(other -> all.get(other).add(all.get(here).remove(most)));
            }
    }

    /// The machines between, by how far along the sound they stand; what is new to the rig does
    /// not move the others.
    private List<List<Device>> columns(List<Device> middle) {
        int many = columns - 2;
        List<Integer> ranks = rank.values().stream().distinct().sorted().toList();
        List<List<Device>> between = new ArrayList<>();
        for (int c = 0; c < many; c++) between.add(new ArrayList<>());
        for (Device device : middle) {
            int at = Math.max(0, ranks.indexOf(rank.getOrDefault(device.id(), 0)));
            int column = ranks.isEmpty() ? 0 : at * many / ranks.size();
            between.get(column).add(device);
        }
        return between;
    }

    private static double heightOf(int rows) {
        return TITLE + rows * ROW;
    }

    /// Places with one thing in them stand beside each other.
    private void smallBands(Map<String, Device> single) {
        int column = 0;
        for (Map.Entry<String, Device> place : single.entrySet()) {
            put(place.getValue(), column, y + TITLE, 0);
            double x = column * (boxWidth + GAP) + MARGIN - NARROW;
            bands.add(new Band(place.getKey(), x, y, boxWidth + 2 * NARROW, heightOf(1)));
            if (++column < columns) continue;
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
        double marks = (wrong.isEmpty() ? 0 : MARK) + (isMarked(device) ? MARK : 0);
        RigNotes.RigNote note = notes.of(device, boxWidth - marks);
        columnOf.put(device.id(), column);
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
            case POWER -> feeding.isSupply(device);
            default -> false;
        };
    }

    // Lines

    /// A lead before it has its way.
    private record Laid(
            String from,
            String to,
            String cable,
            String tag,
            Line.State state,
            Optional<Severity> severity) {}

    private List<Line> lines() {
        List<Laid> laid = new ArrayList<>();
        if (layer == RigLayer.POWER) {
            for (Supply supply : feeding.supplies())
                for (Device fed : feeding.fedBy(supply))
                    laid.add(
                            new Laid(
                                    supply.id(),
                                    fed.id(),
                                    "",
                                    "",
                                    Line.State.FEEDS,
                                    Optional.empty()));
            return routed(laid);
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
            laid.add(
                    new Laid(
                            home(from.id()),
                            home(to.id()),
                            lead.cable().id(),
                            tag(lead, tags),
                            state(lead),
                            worst));
        }
        List<Line> lines = routed(laid);
        lines.sort(Comparator.comparing(line -> line.state() != Line.State.QUIET));
        return lines;
    }

    /// Leads with their ways; those that begin or end in no box, or in one and the same, are left
    /// out.
    private List<Line> routed(List<Laid> laid) {
        RigRoutes routes = new RigRoutes(columns, GAP, CORRIDOR);
        List<Laid> drawn = new ArrayList<>();
        for (Laid lead : laid) {
            Box a = boxes.get(lead.from());
            Box b = boxes.get(lead.to());
            if (a == null || b == null || a == b) continue;
            routes.add(a, columnOf.get(lead.from()), b, columnOf.get(lead.to()));
            drawn.add(lead);
        }
        List<double[]> ways = drawn.isEmpty() ? List.of() : routes.ways();
        List<Line> lines = new ArrayList<>();
        for (int i = 0; i < drawn.size(); i++) {
            Laid lead = drawn.get(i);
            lines.add(
                    new Line(
                            lead.cable(),
                            lead.tag(),
                            ways.get(i),
                            routes.crowd(i, true) <= routes.crowd(i, false),
                            lead.state(),
                            lead.severity()));
        }
        return lines;
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
}
