package rivulus.keeping;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import rivulus.check.SceneProof;
import rivulus.gear.Knob;
import rivulus.hearing.Way;
import rivulus.hearing.Ways;
import rivulus.leads.Survey;
import rivulus.show.Device;
import rivulus.show.Ear;
import rivulus.show.Output;
import rivulus.show.Ref;
import rivulus.show.Source;
import rivulus.signal.LiveGraph;

/// Something that is kept: a track of one voice, or a mix.
///
/// @param of whose it is; empty where it is a mix
/// @param where the point in words
/// @param taken before or after which fader; empty where it is a mix
/// @param channels as many as are written
public record Track(
        Ear ear,
        Optional<Source> of,
        Device machine,
        String where,
        String taken,
        int channels,
        Output output) {
    /// Everything that is kept in a show.
    public static List<Track> all(SceneProof scene, Survey survey) {
        List<Track> tracks = new ArrayList<>();
        for (Ear ear : scene.show().ears())
            if (ear.isKept() && !ear.isNowhere()) tracks.add(of(ear, scene, survey));
        return tracks;
    }

    private static Track of(Ear ear, SceneProof scene, Survey survey) {
        Ref at = ear.at().getFirst();
        Device machine = survey.device(at.device()).orElseThrow();
        LiveGraph live = scene.tracer().live();
        int[] nodes = live.graph().nodesOf(at);
        Output output = scene.show().going().output(ear.id());
        Optional<Source> of = scene.show().cast().source(ear.of());
        return new Track(
                ear,
                of,
                machine,
                nodes.length == 0 ? machine.name() : live.graph().nodes().get(nodes[0]).words(),
                of.isPresent() ? tap(ear, live) : "",
                output.channels() == 0 ? nodes.length : output.channels(),
                output);
    }

    private static String tap(Ear ear, LiveGraph live) {
        Optional<Way> way = Ways.of(live).strongest(ear.of(), ear.id(), 1).first();
        if (way.isEmpty()) return "nothing comes";
        return way.get()
                .knob(live.graph(), Knob.Role.FADER)
                .map(fader -> "after " + fader.knob().label())
                .orElse("before the fader");
    }

    /// Bytes of all its channels for one sample, a second copy included.
    int bytes() {
        int copies = output.saferDb() > 0 ? 2 : 1;
        return copies * channels * output.bits() / 8;
    }
}
