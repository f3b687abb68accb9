package rivulus.app.mixes;

import java.util.List;
import rivulus.app.session.Picture;
import rivulus.chart.Course;
import rivulus.chart.Courses;
import rivulus.chart.Ruler;
import rivulus.gear.Catalogue;

/// What reaches the chosen ear, or where the chosen source goes, drawn up.
record Sight(Picture picture, Course course, Ruler ruler) {
    static Sight of(Picture picture, Catalogue catalogue) {
        return new Sight(
                picture,
                course(picture, catalogue),
                picture.ear() == null
                        ? new Ruler(List.of())
                        : Ruler.of(picture.scene(), picture.ear()));
    }

    private static Course course(Picture picture, Catalogue catalogue) {
        if (picture.source() != null)
            return Courses.ofSource(picture.scene(), picture.source().id(), catalogue);
        return picture.ear() == null
                ? Course.DRY
                : Courses.toEar(picture.scene(), picture.ear().id(), catalogue);
    }
}
