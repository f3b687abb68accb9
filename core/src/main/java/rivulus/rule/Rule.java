package rivulus.rule;

import java.util.List;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.check.SceneProof;
import rivulus.check.Verdict;
import rivulus.hearing.Ways;
import rivulus.show.Limits;
import rivulus.show.Show;
import rivulus.words.Severity;

/// One thing that can be wrong: how it is found, and what might end it.
///
/// A rule is its class here, its line in [Rules], its row in docs/outputs.md, and its test.
public interface Rule {
    /// Into how many parts what a search may cost is divided where a cure of a finding of it is
    /// searched for: one is enough where knobs seldom help.
    default int parts() {
        return 1;
    }

    /// Whether the least that ends it is what is asked for: nothing that does more may then be told
    /// as the least.
    default boolean isLeastAsked() {
        return true;
    }

    /// Its id, as outputs write it: `missing`.
    String id();

    /// What it finds in what is heard in one scene.
    default List<Finding.Draft> inScene(SceneProof scene, Limits limits) {
        return List.of();
    }

    /// What it finds in gear, leads, earths and power, whatever the scene.
    default List<Finding.Draft> inRig(Proof proof, Limits limits) {
        return List.of();
    }

    /// What in the sound has to change for a finding of it to end, where it is about what is heard.
    default Need need(Finding finding) {
        return Need.OTHER;
    }

    /// By what id whoever hears it, or lacks it, is found in the graph; empty where nobody is
    /// meant.
    default String listener(Finding finding) {
        return finding.key().ear();
    }

    /// By how much what is heard is too much, in dB; not a number where that says nothing.
    default double overDb(Finding finding, Limits limits) {
        return Double.NaN;
    }

    /// Whether of what is too much only what comes by wire counts: of a neighbour in the same room
    /// one always hears something.
    default boolean countsByWire(Finding finding, Show show) {
        return false;
    }

    /// What somebody wishes for, against which a finding of it is: "Nadia hears Bram".
    default String wish(Finding finding, Show show) {
        return "not so: " + finding.headline();
    }

    /// What might end a finding of it, kindest first. Nothing has been tried.
    default List<Idea> ideas(Finding finding, Workshop workshop) {
        return List.of();
    }

    /// Leads that seem to be missing or misplaced, by signs of the plan, and where somebody who
    /// listens nowhere yet could listen: asked before knobs are.
    default List<Idea> leads(Finding finding, Workshop workshop) {
        return List.of();
    }

    /// What gear could be changed against a finding of it, the best idea first; asked where no knob
    /// will do.
    default List<Idea> gear(Finding finding, Workshop workshop) {
        return ideas(finding, workshop);
    }

    /// Whether anybody should change gear against a finding of it: against a mere note only where
    /// that costs nothing.
    default boolean isWorthEnding(Finding finding) {
        return finding.severity() != Severity.NOTE;
    }

    /// Whether a cure of something else may not bring a finding of it: what is heard with some
    /// noise is better than what is not heard.
    default boolean isHarm(Finding finding) {
        return true;
    }

    /// What tells it from other harm: what is the same key is the same trouble, told another way.
    default Finding.Key harm(Finding finding) {
        return finding.key();
    }

    /// Whether a change of gear that leaves a milder finding of it is a fix: less load is, a pad
    /// that is some decibels short is not.
    default boolean maybeMilder() {
        return true;
    }

    /// The beginning of a finding of it.
    default Finding.Draft finding(Severity severity, String sentence) {
        return Finding.of(id(), severity, sentence);
    }

    /// What shows a finding about what one ear hears of one source: the strongest ways, searched
    /// when they are first asked for.
    ///
    /// @param cause why, as a clause; or empty
    /// @param most how many ways
    static Finding.Evidence ways(SceneProof scene, SceneProof.Heard cell, String cause, int most) {
        return new Finding.Evidence(
                cause,
                Ways.of(scene.tracer().live())
                        .strongest(cell.source().id(), cell.ear().id(), most)
                        .all());
    }

    /// The beginning of a finding of it about what one ear hears of one source in a scene.
    default Finding.Draft finding(
            SceneProof scene,
            SceneProof.Heard cell,
            Severity severity,
            Verdict verdict,
            String sentence) {
        return finding(severity, sentence)
                .in(scene, scene.tracer().live())
                .heard(cell.ear(), cell.source(), verdict);
    }
}
