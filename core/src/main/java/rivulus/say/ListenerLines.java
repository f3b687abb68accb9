package rivulus.say;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import rivulus.listening.Points;
import rivulus.show.Device;
import rivulus.show.Ear;
import rivulus.show.Ref;

/// "stream", "on-demand copy, Small recorder", "a track per voice".
final class ListenerLines implements Said.Reader {
    /// Listeners that are no persons and belong to nobody.
    private static final Map<String, Ear.Kind> LISTENERS = listeners();

    private static Map<String, Ear.Kind> listeners() {
        Map<String, Ear.Kind> words = new TreeMap<>();
        for (Ear.Kind kind :
                EnumSet.of(
                        Ear.Kind.STREAM,
                        Ear.Kind.ON_DEMAND,
                        Ear.Kind.HOUSE,
                        Ear.Kind.ASSISTIVE,
                        Ear.Kind.SECOND_LANGUAGE,
                        Ear.Kind.CAMERA)) {
            words.put(kind.word(), kind);
            words.put(Said.low(Meaning.name(kind)), kind);
        }
        words.put("on demand", Ear.Kind.ON_DEMAND);
        words.put("recording", Ear.Kind.ON_DEMAND);
        words.put("live stream", Ear.Kind.STREAM);
        return words;
    }

    @Override
    public Optional<Said> read(Spoken line) {
        List<String> unclear = new ArrayList<>();
        String at = "";
        String what = Spoken.plain(line.first());
        Ear.Kind listener = LISTENERS.get(what);
        List<Ref> points =
                listener == Ear.Kind.HOUSE
                        ? Points.filling(line.show(), line.catalogue())
                        : Points.listening(line.show(), line.catalogue());
        for (String part : line.rest()) {
            Optional<Device> device =
                    line.device(part.replaceFirst("^(?i)(at|on|by) ", ""), points);
            if (device.isPresent() && at.isEmpty()) at = device.get().id();
            else unclear.add(part);
        }
        if (listener != null)
            return Optional.of(Said.of(line, new Meaning.Listener(listener, at), unclear));
        if (what.matches("tracks?( per (voice|person))?"))
            return Optional.of(Said.of(line, new Meaning.Tracks(at), unclear));
        return Optional.empty();
    }
}
