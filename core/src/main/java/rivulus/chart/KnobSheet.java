package rivulus.chart;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import rivulus.check.SceneProof;
import rivulus.desk.Channel;
import rivulus.desk.Channels;
import rivulus.desk.Labels;
import rivulus.gear.Catalogue;
import rivulus.gear.Setting;
import rivulus.hearing.Way;
import rivulus.hearing.Ways;
import rivulus.show.Device;
import rivulus.show.Ear;
import rivulus.show.Limit;
import rivulus.show.MuteKey;
import rivulus.show.Ref;
import rivulus.show.Source;
import rivulus.signal.KnobUse;
import rivulus.signal.Leg;

/// The knobs of one device in one scene, with those that matter to the chosen ear told apart.
///
/// @param channels what is written on its channels, or comes into them
public record KnobSheet(Device device, String kind, List<Row> rows, List<Channel> channels) {
    private static final int WAYS_LOOKED_AT = 2;

    public KnobSheet {
        rows = List.copyOf(rows);
        channels = List.copyOf(channels);
    }

    /// One knob.
    ///
    /// @param stands how it stands in the scene
    /// @param here why it stands in this scene as it does and not as in the whole show: "set in
    ///     this scene"; empty where it does
    /// @param turned whether it stands other than its template says
    /// @param onTheWay whether it governs a way to the chosen ear
    public record Row(KnobUse use, Setting stands, String here, boolean turned, boolean onTheWay) {}

    /// The channel that a knob belongs to, told by its label: "MIC 1 gain" is of "MIC 1".
    public Optional<Channel> channel(Row row) {
        String label = Labels.of(channels).of(row.use().knob());
        return channels.stream().filter(channel -> channel.label().equals(label)).findFirst();
    }

    /// The sheet of a device; empty where the show has no such device.
    ///
    /// @param ear the chosen ear, or null
    public static Optional<KnobSheet> of(
            SceneProof scene, String device, Ear ear, Catalogue catalogue) {
        Optional<Device> found = scene.show().rig().device(device);
        if (found.isEmpty()) return Optional.empty();
        var live = scene.tracer().live();
        Set<Integer> onTheWay = ear == null ? Set.of() : onTheWay(scene, ear);
        List<Row> rows = new ArrayList<>();
        for (KnobUse use : live.graph().knobsOf(device)) {
            int index = live.graph().knobIndex(device, use.ref().name());
            Setting stands = live.positions().get(index);
            rows.add(
                    new Row(
                            use,
                            stands,
                            here(scene, use.ref()),
                            !stands.equals(use.knob().standing()),
                            onTheWay.contains(index)));
        }
        String kind =
                catalogue
                        .find(found.get().template())
                        .map(t -> t.name())
                        .orElse(found.get().template());
        List<Channel> channels = channels(scene, catalogue).of(found.get());
        return Optional.of(new KnobSheet(found.get(), kind, rows, channels));
    }

    private static String here(SceneProof scene, Ref knob) {
        for (MuteKey key : scene.show().mutes())
            if (key.knob().equals(knob) && key.isPressedIn(scene.scene()))
                return "pressed while %s plays, by itself"
                        .formatted(
                                scene.show()
                                        .cast()
                                        .source(key.pressed().during())
                                        .map(Source::name)
                                        .orElse(key.pressed().during()));
        return scene.scene().knobs().containsKey(knob) ? "set in this scene" : "";
    }

    private static Channels channels(SceneProof scene, Catalogue catalogue) {
        Catalogue kinds = scene.show().kinds(catalogue);
        return Channels.in(
                scene.show(), device -> kinds.get(device.template()), scene.tracer().live());
    }

    private static Set<Integer> onTheWay(SceneProof scene, Ear ear) {
        Set<Integer> knobs = new HashSet<>();
        double range = scene.show().checks().limits().get(Limit.WAY_DRAWN);
        for (Source source : scene.show().sources()) {
            List<Way> ways =
                    Ways.of(scene.tracer().live())
                            .strongest(source.id(), ear.id(), WAYS_LOOKED_AT)
                            .all();
            for (Way way : ways) {
                if (way.levelDb() < ways.getFirst().levelDb() - range) continue;
                for (Leg leg : way.legs()) {
                    leg.governors().forEach(govern -> knobs.add(govern.knob()));
                }
            }
        }
        return knobs;
    }
}
