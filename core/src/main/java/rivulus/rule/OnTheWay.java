package rivulus.rule;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import rivulus.check.Finding;
import rivulus.check.SceneProof;
import rivulus.gear.Block;
import rivulus.gear.Processor.Kind;
import rivulus.gear.Processor.Part;
import rivulus.level.Placed;
import rivulus.level.Staircase;
import rivulus.signal.KnobUse;
import rivulus.words.Severity;

/// A processor that is on, on the way of a source to an ear.
///
/// @param comes whose way, to whom
record OnTheWay(SceneProof scene, SceneProof.Coming comes, Staircase.Worked worked, Placed placed) {
    /// Every processor that is on, on one way.
    static List<OnTheWay> of(SceneProof scene, SceneProof.Coming comes) {
        List<OnTheWay> all = new ArrayList<>();
        List<Placed> on = placed(scene, comes).stream().filter(Placed::isOn).toList();
        List<Staircase.Worked> works = comes.way().works();
        for (int i = 0; i < works.size(); i++)
            all.add(new OnTheWay(scene, comes, works.get(i), on.get(i)));
        return all;
    }

    private static List<Placed> placed(SceneProof scene, SceneProof.Coming comes) {
        return Placed.along(comes.way().way(), scene.tracer().live());
    }

    /// As it stands.
    Block block() {
        return worked.block();
    }

    Kind kind() {
        return block().kind();
    }

    /// The switch that turns it on.
    KnobUse onOff() {
        return placed.onOff();
    }

    /// What turns one of its figures; empty where that is fixed.
    Optional<KnobUse> turns(Part part) {
        return placed.turns(part);
    }

    /// In words: "Show desk · MIC 1 gate".
    String words() {
        return placed.words();
    }

    /// Whether it is a program's, and not one of a machine with knobs.
    boolean isOfAProgram() {
        return placed.isOfAProgram(scene.show());
    }

    /// The switches of every processor of a kind on the way, on or off.
    ///
    /// @param program whether of programs, or of all other machines
    static List<KnobUse> switches(
            SceneProof scene, SceneProof.Coming comes, Kind kind, boolean program) {
        return placed(scene, comes).stream()
                .filter(one -> one.kind() == kind)
                .filter(one -> one.isOfAProgram(scene.show()) == program)
                .map(Placed::onOff)
                .toList();
    }

    /// The beginning of a finding about its source, whoever hears that.
    ///
    /// @param others what else it is about
    Finding.Draft finding(Rule rule, Severity severity, String sentence, OnTheWay... others) {
        StringBuilder about = new StringBuilder(onOff().ref().toString());
        for (OnTheWay other : others) about.append(' ').append(other.onOff().ref());
        return rule.finding(severity, sentence)
                .in(scene, scene.tracer().live())
                .carried(comes.cell().source())
                .about(about.toString())
                .because(() -> new Finding.Evidence("", List.of(comes.way().way())));
    }
}
