package rivulus.rig;

import java.util.ArrayList;
import java.util.List;
import rivulus.disk.Extras;
import rivulus.gear.Catalogue;
import rivulus.hearing.Tracer;
import rivulus.show.Ear;
import rivulus.show.Ref;
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
        Positions positions = Positions.of(graph, probed, Show.untitled().scenes().getFirst());
        tracer = Tracer.of(LiveGraph.of(graph, positions));
    }

    /// How loud a source is at a point, in dB against nominal.
    public double levelDb(Ref at, String source) {
        return tracer.hearing(at.toString(), source).levelDb();
    }
}
