package rivulus.chart;

import java.util.List;
import java.util.Optional;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.check.SceneProof;
import rivulus.gear.Catalogue;
import rivulus.leads.Survey;
import rivulus.show.Ear;
import rivulus.show.Source;
import rivulus.words.Severity;

/// The page of one layer in the making.
abstract class LayerPage {
    final Proof proof;
    final SceneProof scene;
    final Survey survey;
    final Catalogue catalogue;
    final Optional<Ear> ear;
    final Optional<Source> source;
    final double wantedMs;

    LayerPage(RigPages.Asked asked) {
        proof = asked.proof();
        scene = asked.scene();
        survey = proof.survey();
        catalogue = asked.catalogue();
        ear = asked.ear();
        source = asked.source();
        wantedMs = asked.wantedMs();
    }

    /// What the layer says.
    abstract RigPage page();

    static void add(List<RigPage.Section> sections, String title, List<RigPage.Row> rows) {
        if (!rows.isEmpty()) sections.add(new RigPage.Section(title, rows));
    }

    static Optional<Severity> worst(List<Finding> findings) {
        return findings.stream().map(Finding::severity).findFirst();
    }
}
