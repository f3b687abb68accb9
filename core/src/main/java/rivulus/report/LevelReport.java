package rivulus.report;

import static rivulus.report.Report.map;
import static rivulus.report.Report.number;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import rivulus.chart.LevelSheet;
import rivulus.check.Proof;
import rivulus.check.SceneProof;
import rivulus.gear.Speech;
import rivulus.level.Advice;
import rivulus.level.InputGain;
import rivulus.level.Staircase;
import rivulus.show.Ear;
import rivulus.show.Ref;
import rivulus.show.Source;

/// How loud everything is, as plain maps, ready to be written as JSON.
public final class LevelReport {
    private LevelReport() {}

    /// `{"gains": [{"knob", "source", "turnedDb", "gainDb", "shouldBeDb", "peaksDbfs", "why"}],
    /// "scenes": [{"scene", "levels": [{"ear", "source", "headroomDb", "tightAt",
    /// "signalToNoiseDb", "advice", "rangeLu", "processors", "steps"}]}]}`; levels of steps are
    /// against line-up.
    ///
    /// @param ear only this one; or empty
    public static Map<String, Object> of(Proof proof, List<SceneProof> scenes, String ear) {
        List<Object> out = new ArrayList<>();
        for (SceneProof scene : scenes) {
            List<Object> levels = new ArrayList<>();
            for (Ear listens : proof.show().ears())
                if (ear.isEmpty() || listens.id().equals(ear))
                    for (LevelSheet.Row row : LevelSheet.of(proof, scene, listens, "").rows())
                        levels.add(level(listens, row));
            out.add(map("scene", scene.scene().id(), "levels", levels));
        }
        return map(
                "show",
                proof.show().title(),
                "lineUpDbfs",
                Speech.LINE_UP_DBFS,
                "gains",
                proof.gains().stream().map(LevelReport::gain).toList(),
                "scenes",
                out);
    }

    private static Map<String, Object> gain(InputGain gain) {
        return map(
                "knob", gain.knob().toString(),
                "source", gain.source().map(Source::id).orElse(null),
                "turnedDb", number(gain.now().turnedDb()),
                "gainDb", number(gain.now().gainDb()),
                "shouldBeDb", number(gain.should().turnedDb()),
                "peaksDbfs", number(gain.peaksDbfs(gain.now())),
                "why", gain.why());
    }

    private static Map<String, Object> level(Ear ear, LevelSheet.Row row) {
        Staircase way = row.way();
        return map(
                "ear", ear.id(),
                "source", row.source().id(),
                "headroomDb", number(way.headroomDb()),
                "tightAt", way.tightest().node().words(),
                "signalToNoiseDb", number(way.signalToNoiseDb()),
                "advice", row.advice().stream().map(Advice::sentence).toList(),
                "rangeLu", number(way.rangeLu()),
                "processors", way.works().stream().map(worked -> worked(way, worked)).toList(),
                "steps", way.stairs().stream().map(stair -> step(stair)).toList());
    }

    private static Map<String, Object> worked(Staircase way, Staircase.Worked worked) {
        String device = way.stairs().get(worked.at()).leg().orElseThrow().from().device();
        return map(
                "knob", new Ref(device, worked.block().processor().id()).toString(),
                "kind", worked.block().kind().word(),
                "inDb", number(worked.inDb()),
                "outDb", number(worked.outDb()),
                "inAverageDb", number(worked.inAverageDb()),
                "outAverageDb", number(worked.outAverageDb()),
                "noiseDb", number(worked.noiseDb()));
    }

    private static Map<String, Object> step(Staircase.Stair stair) {
        return map(
                "point", stair.node().point().toString(),
                "averageDb", number(stair.averageDb()),
                "peakDb", number(stair.peakDb()),
                "noiseDb", number(stair.noiseDb()),
                "pauseDb", number(stair.pauseDb()),
                "ceilingDb", number(stair.scale().ceilingDb()),
                "unit", stair.scale().unit().word(),
                "lineUp", number(stair.scale().lineUp()));
    }
}
