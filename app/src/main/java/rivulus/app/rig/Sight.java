package rivulus.app.rig;

import java.util.Optional;
import java.util.OptionalDouble;
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
/// @param zoom how large the drawing is to be shown; 1 is 100 %
/// @param page what the layer says
record Sight(
        Picture picture, RigLayer layer, Optional<RigDrawing> drawing, double zoom, RigPage page) {
    private static final double LEAST_WIDTH = 300;
    /// How small a drawing may become by itself, to be seen whole.
    private static final double LEAST_ZOOM = 0.8;

    /// The room that a drawing has, in pixels.
    ///
    /// @param zoom how large somebody wants it; empty where it is to be seen whole
    record Room(double width, double height, OptionalDouble zoom) {
        private RigDrawing drawn(Picture picture, RigLayer layer, double at) {
            return RigDrawing.of(picture.proof(), lit(picture), layer, width / at);
        }

        private double zoom(Picture picture, RigLayer layer) {
            if (zoom.isPresent()) return zoom.getAsDouble();
            double at = 1;
            while (at > LEAST_ZOOM + 0.01 && drawn(picture, layer, at).height() * at > height)
                at = Math.rint((at - 0.1) * 10) / 10;
            return at;
        }
    }

    /// @param wantedMs how long a round trip may be where buffers are advised on
    static Sight of(
            Picture picture, RigLayer layer, Room room, double wantedMs, Catalogue catalogue) {
        boolean some = room.width() >= LEAST_WIDTH;
        double zoom = some ? room.zoom(picture, layer) : 1;
        Optional<RigDrawing> drawing =
                some ? Optional.of(room.drawn(picture, layer, zoom)) : Optional.empty();
        RigPages pages =
                new RigPages(
                        picture.proof(),
                        picture.scene(),
                        catalogue,
                        Optional.ofNullable(picture.ear()),
                        Optional.ofNullable(picture.source()),
                        wantedMs);
        return new Sight(picture, layer, drawing, zoom, pages.of(layer));
    }

    /// The gear that the chosen source passes, or the chosen ear depends on.
    private static Lit lit(Picture picture) {
        if (picture.source() != null) return Lit.fromSource(picture.scene(), picture.source().id());
        return picture.ear() == null ? Lit.NOTHING : Lit.toEar(picture.scene(), picture.ear().id());
    }
}
