package rivulus.listening;

import java.util.ArrayList;
import java.util.List;
import rivulus.disk.Extras;
import rivulus.gear.Catalogue;
import rivulus.gear.Knob;
import rivulus.hearing.Tracer;
import rivulus.hearing.Ways;
import rivulus.show.Ear;
import rivulus.show.Ref;
import rivulus.show.Scene;
import rivulus.show.Show;
import rivulus.signal.Compiler;
import rivulus.signal.LiveGraph;
import rivulus.signal.Positions;
import rivulus.signal.SignalGraph;

/// What would be heard at points of the rig, as the whole show stands: an ear is put at each.
///
/// Costs one compiling and one tracing of the show.
public final class Probes {
    private final Tracer tracer;

    /// Ears at some points of a show, in place of its own.
    public Probes(Show show, Catalogue catalogue, List<Ref> points) {
        List<Ear> ears = new ArrayList<>();
        for (Ref at : points)
            ears.add(new Ear(at.toString(), "", Ear.Kind.TRACK, "", List.of(at), Extras.NONE));
        Show probed = show.withEars(ears);
        SignalGraph graph = Compiler.compile(probed, catalogue);
        Positions positions = Positions.of(graph, probed, Scene.only());
        tracer = Tracer.of(LiveGraph.of(graph, positions));
    }

    /// Whether a source passes a fader on its strongest way to a point.
    public boolean passesFader(Ref at, String source) {
        return Ways.of(tracer.live()).strongest(source, at.toString(), 1).stream()
                .anyMatch(way -> way.knob(tracer.live().graph(), Knob.Role.FADER).isPresent());
    }

    /// How loud a source is at a point, in dB against nominal.
    public double levelDb(Ref at, String source) {
        return tracer.hearing(at.toString(), source).levelDb();
    }
}
