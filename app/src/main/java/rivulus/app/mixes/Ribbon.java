package rivulus.app.mixes;

import javafx.animation.Interpolator;
import javafx.animation.Transition;
import javafx.scene.shape.CubicCurveTo;
import javafx.scene.shape.LineTo;
import javafx.scene.shape.MoveTo;
import javafx.scene.shape.Path;
import javafx.util.Duration;

/// A ribbon through points that come in pairs, into a bed and out of it: straight inside, bent
/// between. It can run to a new bed in a quarter of a second.
final class Ribbon extends Path {
    private static final Duration QUARTER = Duration.millis(250);

    private final double[] target;

    /// @param points x and y of each point in turn
    Ribbon(double[] points) {
        target = points.clone();
        lay(points);
    }

    /// Where it lies once it has come to rest.
    double[] points() {
        return target.clone();
    }

    /// Runs here from where another ribbon lay. Does nothing where the two have not as many points.
    void runFrom(double[] before) {
        if (before.length != target.length) return;
        lay(before);
        new Transition() {
            {
                setCycleDuration(QUARTER);
                setInterpolator(Interpolator.EASE_BOTH);
            }

            @Override
            protected void interpolate(double done) {
                double[] now = new double[target.length];
                for (int i = 0; i < now.length; i++)
                    now[i] = before[i] + (target[i] - before[i]) * done;
                lay(now);
            }
        }.play();
    }

    private void lay(double[] p) {
        getElements().clear();
        getElements().add(new MoveTo(p[0], p[1]));
        for (int i = 2; i < p.length; i += 2) {
            boolean insideBed = i / 2 % 2 == 1;
            double middle = (p[i - 2] + p[i]) / 2;
            getElements()
                    .add(
                            insideBed
                                    ? new LineTo(p[i], p[i + 1])
                                    : new CubicCurveTo(
                                            middle, p[i - 1], middle, p[i + 1], p[i], p[i + 1]));
        }
    }
}
