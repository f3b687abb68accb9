package rivulus.chart;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import rivulus.check.SceneProof;
import rivulus.hearing.Way;
import rivulus.show.Cable;
import rivulus.show.Device;
import rivulus.show.Show;

/// The gear that an ear depends on, or that a source passes.
///
/// @param devices the ids of the devices on the ways that count
/// @param cables the ids of the leads between them that those ways take
public record Lit(Set<String> devices, Set<String> cables) {
    /// Nothing is lit.
    public static final Lit NOTHING = new Lit(Set.of(), Set.of());

    public Lit {
        devices = Set.copyOf(devices);
        cables = Set.copyOf(cables);
    }

    /// What an ear depends on.
    public static Lit toEar(SceneProof scene, String ear) {
        return of(scene, scene.of(ear));
    }

    /// What a source passes on its way to every ear.
    public static Lit fromSource(SceneProof scene, String source) {
        return of(
                scene,
                scene.all().stream().filter(cell -> cell.source().id().equals(source)).toList());
    }

    private static Lit of(SceneProof scene, List<SceneProof.Heard> cells) {
        Set<String> devices = new LinkedHashSet<>();
        Set<List<String>> steps = new HashSet<>();
        for (SceneProof.Heard cell : cells) {
            if (Courses.isTooFaint(scene, cell)) continue;
            for (Way way : Courses.waysThatCount(scene, cell)) {
                String last = way.start().point().device();
                for (Way.Step step : way.steps()) {
                    String next = step.to().point().device();
                    devices.add(next);
                    if (!next.equals(last)) steps.add(List.of(last, next));
                    last = next;
                }
            }
        }
        return new Lit(devices, cables(scene.show(), steps));
    }

    /// The leads between the machines that follow each other on a way; a program is at home in its
    /// computer.
    private static Set<String> cables(Show show, Set<List<String>> steps) {
        Set<List<String>> pairs = new HashSet<>();
        for (List<String> step : steps) {
            String from = home(show, step.getFirst());
            String to = home(show, step.getLast());
            pairs.add(List.of(from, to));
            pairs.add(List.of(to, from));
        }
        List<String> lit = new ArrayList<>();
        for (Cable cable : show.rig().cables()) {
            String from = home(show, cable.from().device());
            String to = home(show, cable.to().device());
            if (pairs.contains(List.of(from, to))) lit.add(cable.id());
        }
        return Set.copyOf(lit);
    }

    private static String home(Show show, String device) {
        return show.rig().device(device).map(Device::on).filter(on -> !on.isEmpty()).orElse(device);
    }
}
