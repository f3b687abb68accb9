package rivulus.chart;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import rivulus.check.Proof;
import rivulus.check.SceneProof;
import rivulus.edit.Edit;
import rivulus.form.Deed;
import rivulus.form.Field;
import rivulus.form.Form;
import rivulus.form.KnobField;
import rivulus.gear.Processor.Kind;
import rivulus.gear.Processor.Part;
import rivulus.gear.Setting;
import rivulus.level.Placed;
import rivulus.level.Staircase;
import rivulus.level.StartingPoints;
import rivulus.show.Ear;
import rivulus.show.Limit;
import rivulus.show.Names;
import rivulus.show.Person;
import rivulus.show.Show;
import rivulus.show.Source;
import rivulus.show.Turn;
import rivulus.signal.KnobUse;
import rivulus.words.Words;

/// What acts on a source on its way to an ear by its level: every processor on the way, to be
/// turned, what it does, and what all of them together come to.
///
/// @param words what all of them together come to; a sentence or two
/// @param orders for a voice that can be compressed before and behind a link, what each comes to
/// @param form every processor with its figures, and the starting points as a deed
public record ProcessingSheet(String words, List<String> orders, Form form) {
    public ProcessingSheet {
        orders = List.copyOf(orders);
    }

    /// What acts on the source of a row.
    public static ProcessingSheet of(Proof proof, SceneProof scene, Ear ear, LevelSheet.Row row) {
        return new Drawn(proof, scene, ear, row).sheet();
    }

    /// The turns by which every voice begins that goes out to the public in a scene.
    public static List<Turn> starts(Proof proof, SceneProof scene) {
        List<Turn> turns = new ArrayList<>();
        Set<Object> turned = new HashSet<>();
        for (SceneProof.Heard cell : scene.all())
            if (cell.ear().isPublic()
                    && cell.source() instanceof Person who
                    && cell.hearing().levelDb() >= scene.limit(Limit.HEARD))
                for (Turn turn :
                        StartingPoints.of(
                                proof.show(),
                                proof.levels(),
                                scene.tracer().live(),
                                scene.scene().id(),
                                who,
                                cell.ear().id())) if (turned.add(turn.knob())) turns.add(turn);
        return turns;
    }

    private record Drawn(Proof proof, SceneProof scene, Ear ear, LevelSheet.Row row) {
        ProcessingSheet sheet() {
            List<Placed> placed = Placed.along(row.way().way(), scene.tracer().live());
            return new ProcessingSheet(words(placed), orders(), form(placed));
        }

        private String words(List<Placed> placed) {
            if (placed.isEmpty())
                return "No processor stands on the way of %s.".formatted(Names.of(row.source()));
            if (row.way().works().isEmpty()) return "All that stand on the way are off.";
            Staircase.Stair end = row.way().end();
            String range =
                    "Softest to loudest %s as spoken, %s here."
                            .formatted(
                                    Words.figure(Staircase.rangeOfSpeechLu(), 0, "LU"),
                                    Words.figure(row.way().rangeLu(), 0, "LU"));
            return Double.isFinite(end.pauseDb())
                    ? range + " Noise in pauses %s.".formatted(end.scale().say(end.pauseDb()))
                    : range;
        }

        // Both orders of compressor and link

        private List<String> orders() {
            if (!(row.source() instanceof Person who)) return List.of();
            Optional<Staircase> before = compressed(who, false);
            Optional<Staircase> behind = compressed(who, true);
            if (before.isEmpty() || behind.isEmpty()) return List.of();
            return List.of(
                    "Compressed in the desk, before the link: " + told(before.get()),
                    "In the program, behind it: " + told(behind.get()));
        }

        private Optional<Staircase> compressed(Person who, boolean inProgram) {
            return StartingPoints.compressed(
                    proof.show(), proof.levels(), scene.tracer().live(), who, ear.id(), inProgram);
        }

        private static String told(Staircase way) {
            Staircase.Stair end = way.end();
            String noise =
                    Double.isFinite(end.noiseDb())
                            ? "noise at %s, ".formatted(end.scale().say(end.noiseDb()))
                            : "";
            String room =
                    Double.isFinite(way.headroomDb())
                            ? Words.db(way.headroomDb()) + " of headroom"
                            : "nothing clips";
            return noise + room + ".";
        }

        // Every processor

        private Form form(List<Placed> placed) {
            List<Field> fields = new ArrayList<>();
            Set<Object> asked = new HashSet<>();
            List<Staircase.Worked> works = new ArrayList<>(row.way().works());
            for (Placed one : placed) {
                one.order()
                        .filter(order -> asked.add(order.ref()))
                        .ifPresent(order -> fields.add(field(one, order, "Order, " + of(one), "")));
                String does = one.isOn() ? does(works.removeFirst()) : "";
                String what = Words.sentence(one.kind().words()) + ", " + of(one);
                fields.add(field(one, one.onOff(), what, does));
                if (one.isOn()) fields.addAll(figures(one));
            }
            return new Form(
                    "processing/" + row.source().id() + "/" + ear.id(),
                    "Processing",
                    fields,
                    deeds());
        }

        private static String of(Placed one) {
            return one.onOff().device();
        }

        private List<Field> figures(Placed one) {
            List<Field> fields = new ArrayList<>();
            for (var usual : one.kind().parts()) {
                Part part = usual.part();
                String unit = part.isLevel() ? one.processor().unit().word() : part.unit();
                one.turns(part)
                        .ifPresent(
                                knob ->
                                        fields.add(
                                                field(
                                                        one,
                                                        knob,
                                                        Words.sentence(part.words()) + ", " + unit,
                                                        "")));
            }
            return fields;
        }

        private Field field(Placed one, KnobUse knob, String label, String told) {
            Setting stands = one.stands(knob);
            return KnobField.of(knob, stands, label, told, to -> turned(knob, stands, to));
        }

        private Edit turned(KnobUse knob, Setting from, Setting to) {
            Show show = proof.show();
            Turn turn =
                    new Turn(knob.ref(), from, to, show.turnedIn(scene.scene().id(), knob.ref()));
            return Edit.of(
                    "Turn %s to %s".formatted(knob.words(), knob.say(to)), show, show.with(turn));
        }

        private List<Deed> deeds() {
            List<Turn> turns = starts(proof, scene);
            if (turns.isEmpty()) return List.of();
            Show show = proof.show();
            return List.of(
                    new Deed(
                            "starting-points",
                            "Begin with the usual",
                            Optional.of(
                                    Edit.of(
                                            "Begin with the usual processing",
                                            show,
                                            show.with(turns))),
                            "A low cut, one compressor and a limiter for every voice that goes out: %s. Only a beginning; the ear decides."
                                    .formatted(Words.count(turns.size(), "knob"))));
        }

        private String does(Staircase.Worked worked) {
            Source source = row.source();
            Kind kind = worked.block().kind();
            return switch (kind) {
                case LOW_CUT ->
                        "Takes out what lies under %s: steps, hum, wind."
                                .formatted(Words.hz(worked.block().at(Part.FREQUENCY)));
                case EQUALISER, DE_ESSER -> "Set by ear.";
                case GATE -> gate(worked, source);
                case COMPRESSOR ->
                        "Loud moments %s, the average %s; a make-up of %s keeps it as loud."
                                .formatted(
                                        Words.stepDb(worked.outDb() - worked.inDb()),
                                        Words.stepDb(worked.outAverageDb() - worked.inAverageDb()),
                                        Words.db(worked.keepingMakeUpDb()));
                case LEVELLER ->
                        "All of it %s.".formatted(Words.stepDb(worked.outDb() - worked.inDb()));
                case LIMITER -> limiter(worked);
            };
        }

        private String gate(Staircase.Worked worked, Source source) {
            double cut = 100 * row.way().shareUnder(worked, worked.block().level(Part.THRESHOLD));
            boolean closes = worked.noiseDb() < worked.block().level(Part.THRESHOLD);
            return "Cuts %s of what %s says; %s."
                    .formatted(
                            cut < 1 ? "less than 1 %" : "about %d %%".formatted(Math.round(cut)),
                            Names.of(source),
                            closes
                                    ? "pauses are %s quieter"
                                            .formatted(Words.db(worked.block().at(Part.RANGE)))
                                    : "the noise keeps it open");
        }

        private String limiter(Staircase.Worked worked) {
            double over = worked.inPeakDb() - worked.outPeakDb();
            return over > 0
                    ? "Peaks of loud moments come down by %s.".formatted(Words.db(over))
                    : "Loud moments do not reach it.";
        }
    }
}
