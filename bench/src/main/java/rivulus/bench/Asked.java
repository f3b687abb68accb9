package rivulus.bench;

import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Function;
import rivulus.air.Board;
import rivulus.air.Clocks;
import rivulus.app.session.Picture;
import rivulus.chart.Chart;
import rivulus.chart.Courses;
import rivulus.chart.DeskSheet;
import rivulus.chart.GainSheet;
import rivulus.chart.GoingSheet;
import rivulus.chart.KnobSheet;
import rivulus.chart.LevelSheet;
import rivulus.chart.Lit;
import rivulus.chart.RigDrawing;
import rivulus.chart.RigLayer;
import rivulus.chart.RigPages;
import rivulus.chart.Ruler;
import rivulus.check.Failure;
import rivulus.check.Proof;
import rivulus.check.Prover;
import rivulus.check.Trouble;
import rivulus.disk.FileTrouble;
import rivulus.file.ShowFile;
import rivulus.form.Forms;
import rivulus.form.Steps;
import rivulus.gear.Catalogue;
import rivulus.gear.Setting;
import rivulus.mix.Feeds;
import rivulus.power.HumPlan;
import rivulus.remedy.Remedies;
import rivulus.report.LevelReport;
import rivulus.report.Report;
import rivulus.say.Unlooked;
import rivulus.setup.SetUp;
import rivulus.sheet.Sheets;
import rivulus.show.Device;
import rivulus.show.Now;
import rivulus.show.Show;
import rivulus.signal.Leg;
import rivulus.signal.LiveGraph;
import rivulus.trouble.Diagnosis;
import rivulus.trouble.Soundcheck;

/// Every answer that the window can ask for of a proven show, by name.
///
/// @param name as a table tells it
/// @param of from a proof what is to be measured
record Asked(String name, Function<Proof, Runnable> of) {
    private static final double WIDTH = 1000;
    private static final double ROUND_TRIP_MS = 10;
    private static final int CURES = 3;
    private static final Now EVENING = Now.by(LocalDateTime.of(2026, 12, 1, 20, 0));

    /// All of them.
    static List<Asked> all(Prover prover) {
        List<Asked> all = new ArrayList<>();
        Catalogue kinds = prover.catalogue();
        all.add(new Asked("proving from nothing", proof -> proving(prover, proof.show())));
        all.add(
                new Asked(
                        "one fader",
                        proof -> {
                            Show turned = turned(proof);
                            return () -> prover.prove(turned, proof).findings();
                        }));
        plain(all, "picture", proof -> Picture.of(proof, new Picture.Choice("", "", "", "")));
        ofPicture(all, "watercourse", p -> Courses.toEar(p.scene(), p.ear().id(), kinds));
        ofPicture(all, "ruler", p -> Ruler.of(p.scene(), p.ear()));
        ofPicture(all, "hearing chart", p -> Chart.of(p.scene()));
        for (RigLayer layer : RigLayer.values()) {
            plain(
                    all,
                    "drawing: " + layer.title(),
                    proof -> RigDrawing.of(proof, Lit.NOTHING, layer, WIDTH));
            plain(
                    all,
                    "page: " + layer.title(),
                    proof ->
                            new RigPages(
                                            proof,
                                            proof.scenes().getFirst(),
                                            kinds,
                                            Optional.of(proof.show().ears().getFirst()),
                                            Optional.of(proof.show().sources().getFirst()),
                                            ROUND_TRIP_MS)
                                    .of(layer));
        }
        ofPicture(all, "lit to an ear", p -> Lit.toEar(p.scene(), p.ear().id()));
        plain(all, "gains", GainSheet::of);
        ofPicture(
                all,
                "levels of an ear",
                p ->
                        LevelSheet.of(
                                p.proof(), p.scene(), p.ear(), p.show().sources().getFirst().id()));
        plain(all, "what goes out", GoingSheet::of);
        ofDesk(
                all,
                "knobs of a desk",
                (proof, desk) ->
                        KnobSheet.of(
                                proof.scenes().getFirst(),
                                desk.id(),
                                proof.show().ears().getFirst(),
                                kinds));
        ofDesk(
                all,
                "a desk laid out",
                (proof, desk) -> DeskSheet.of(proof.scenes().getFirst(), desk, kinds));
        ofDesk(all, "a desk fails", (proof, desk) -> Failure.of(proof.scenes().getFirst(), desk));
        plain(all, "forms of what is said", proof -> new Forms(proof.show(), kinds).outline());
        plain(all, "steps of what is said", proof -> Steps.of(proof, kinds));
        plain(all, "nobody looks at", proof -> Unlooked.of(proof.show(), kinds));
        plain(all, "feeds", proof -> Feeds.of(prover, proof));
        plain(all, "set-up list", SetUp::of);
        plain(all, "soundcheck", Soundcheck::of);
        plain(
                all,
                "the fault",
                proof -> Diagnosis.of(prover, proof, proof.fullest().scene().id(), () -> false));
        plain(all, "board on air", proof -> Board.of(proof, EVENING));
        plain(all, "clocks", proof -> Clocks.of(proof.show(), EVENING));
        plain(all, "plan against hum", proof -> HumPlan.of(proof.show(), kinds, prover.leads()));
        for (Sheets.Kind kind : Sheets.Kind.values())
            plain(all, "sheet: " + kind.title(), proof -> new Sheets(proof, kinds).of(kind));
        plain(all, "report of hearing", proof -> Report.hearing(proof, proof.scenes()));
        plain(
                all,
                "report of levels",
                proof ->
                        LevelReport.of(proof, proof.scenes(), proof.show().ears().getFirst().id()));
        plain(all, "written and read", proof -> read(ShowFile.write(proof.show()), kinds));
        plain(all, "troubles", Trouble::of);
        all.add(
                new Asked(
                        "first cure",
                        proof -> {
                            List<Trouble> troubles = Trouble.of(proof);
                            return () -> {
                                if (!troubles.isEmpty())
                                    Remedies.of(prover, proof, troubles.getFirst(), CURES);
                            };
                        }));
        return all;
    }

    private static Runnable proving(Prover prover, Show show) {
        return () -> prover.prove(show).findings();
    }

    /// The first level of the first scene's graph that lets something through, lowered.
    private static Show turned(Proof proof) {
        LiveGraph live = proof.scenes().getFirst().tracer().live();
        for (Leg leg : live.graph().legs())
            for (Leg.Govern govern : leg.governors())
                if (live.legGain(leg.index()) > 0
                        && live.positions().get(govern.knob()) instanceof Setting.Level level)
                    return proof.show()
                            .withKnob(
                                    live.graph().knobs().get(govern.knob()).ref(),
                                    new Setting.Level(level.db() - 1));
        throw new IllegalStateException("nothing is open");
    }

    private static void read(String text, Catalogue kinds) {
        try {
            ShowFile.parse(text, "written", kinds);
        } catch (FileTrouble broken) {
            throw new IllegalStateException(broken);
        }
    }

    private static void plain(List<Asked> all, String name, Consumer<Proof> answer) {
        all.add(new Asked(name, proof -> () -> answer.accept(proof)));
    }

    private static void ofPicture(List<Asked> all, String name, Consumer<Picture> answer) {
        all.add(
                new Asked(
                        name,
                        proof -> {
                            Picture picture =
                                    Picture.of(
                                            proof,
                                            new Picture.Choice(
                                                    proof.scenes().getFirst().scene().id(),
                                                    proof.show().ears().getFirst().id(),
                                                    "",
                                                    ""));
                            return () -> answer.accept(picture);
                        }));
    }

    private interface OfDesk {
        void ask(Proof proof, Device desk);
    }

    /// Of the machine with most knobs.
    private static void ofDesk(List<Asked> all, String name, OfDesk answer) {
        all.add(
                new Asked(
                        name,
                        proof -> {
                            Device desk =
                                    proof.show().rig().devices().stream()
                                            .max(
                                                    Comparator.comparingInt(
                                                            device ->
                                                                    proof.survey()
                                                                            .template(device)
                                                                            .knobs()
                                                                            .size()))
                                            .orElseThrow();
                            return () -> answer.ask(proof, desk);
                        }));
    }
}
