package rivulus.app.rig;

import java.util.Optional;
import rivulus.app.session.Picture;
import rivulus.chart.Lit;
import rivulus.chart.RigDrawing;
import rivulus.chart.RigLayer;
import rivulus.chart.RigPage;
import rivulus.chart.RigPages;
import rivulus.gear.Catalogue;

/// The rig drawn up under one layer.
///
/// @param drawing the machines and leads; empty where there is no room for it
/// @param page what the layer says
record Sight(Picture picture, RigLayer layer, Optional<RigDrawing> drawing, RigPage page) {
    private static final double LEAST_WIDTH = 300;

    /// @param wantedMs how long a round trip may be where buffers are advised on
    static Sight of(
            Picture picture, RigLayer layer, double width, double wantedMs, Catalogue catalogue) {
        Optional<RigDrawing> drawing =
                width < LEAST_WIDTH
                        ? Optional.empty()
                        : Optional.of(RigDrawing.of(picture.proof(), lit(picture), layer, width));
        RigPages pages =
                new RigPages(
                        picture.proof(),
                        picture.scene(),
                        catalogue,
                        Optional.ofNullable(picture.ear()),
                        Optional.ofNullable(picture.source()),
                        wantedMs);
        return new Sight(picture, layer, drawing, pages.of(layer));
    }

    /// The gear that the chosen source passes, or the chosen ear depends on.
    private static Lit lit(Picture picture) {
        if (picture.source() != null) return Lit.fromSource(picture.scene(), picture.source().id());
        return picture.ear() == null ? Lit.NOTHING : Lit.toEar(picture.scene(), picture.ear().id());
    }
}
