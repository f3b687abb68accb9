package rivulus.chart;

import java.util.List;
import java.util.Optional;
import rivulus.check.Proof;
import rivulus.check.SceneProof;
import rivulus.gear.Catalogue;
import rivulus.show.Ear;
import rivulus.show.Source;

/// The pages of the rig's layers, each a [LayerPage].
public final class RigPages {
    private final Asked asked;

    /// What is looked at.
    ///
    /// @param wantedMs how long a round trip may be where buffers are advised on
    record Asked(
            Proof proof,
            SceneProof scene,
            Catalogue catalogue,
            Optional<Ear> ear,
            Optional<Source> source,
            double wantedMs) {}

    /// Pages of a proven rig in a scene, for whoever is chosen.
    ///
    /// @param wantedMs how long a round trip may be where buffers are advised on
    public RigPages(
            Proof proof,
            SceneProof scene,
            Catalogue catalogue,
            Optional<Ear> ear,
            Optional<Source> source,
            double wantedMs) {
        asked = new Asked(proof, scene, catalogue, ear, source, wantedMs);
    }

    /// The page of a layer.
    public RigPage of(RigLayer layer) {
        LayerPage making =
                switch (layer) {
                    case LEADS -> new LeadsPage(asked);
                    case POWER -> new PowerPage(asked);
                    case EARTHS -> new EarthsPage(asked);
                    case TIME -> new TimePage(asked);
                    case COMPUTERS -> new ComputersPage(asked);
                };
        RigPage page = making.page();
        return page.sections().isEmpty() ? nothing(layer) : page;
    }

    private static RigPage nothing(RigLayer layer) {
        RigPage.Row row =
                switch (layer) {
                    case LEADS ->
                            RigPage.Row.of(
                                    "No lead", "Choose a machine and join it to another.", "");
                    case POWER -> RigPage.Row.of("No supply", "Nothing here has to be fed.", "");
                    case EARTHS -> RigPage.Row.of("No earth", "Nothing here is earthed.", "");
                    case TIME ->
                            RigPage.Row.of(
                                    "Nobody is chosen",
                                    "Choose an ear or a source to see what its delay is made of.",
                                    "");
                    case COMPUTERS ->
                            RigPage.Row.of(
                                    "No computer", "Add one to see what has to be set on it.", "");
                };
        return new RigPage(List.of(new RigPage.Section(layer.title(), List.of(row))));
    }
}
