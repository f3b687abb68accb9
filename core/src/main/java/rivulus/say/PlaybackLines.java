package rivulus.say;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import rivulus.disk.Worded;
import rivulus.listening.Points;
import rivulus.show.Device;
import rivulus.show.Playback;

/// "Music bed, music, Cue laptop", "Cue pads, cues, Show desk".
final class PlaybackLines implements Said.Reader {
    @Override
    public Optional<Said> read(Spoken line) {
        Playback.Kind kind = null;
        String by = "";
        List<String> unclear = new ArrayList<>();
        for (String part : line.rest()) {
            Playback.Kind said = Worded.words(Playback.Kind.class).get(Said.low(part));
            Optional<Device> device =
                    line.device(
                            part.replaceFirst("^(?i)(played by|by|on|from) ", ""),
                            Points.playing(line.show(), line.catalogue()));
            if (said != null && kind == null) kind = said;
            else if (device.isPresent() && by.isEmpty()) by = device.get().id();
            else unclear.add(part);
        }
        if (kind == null) return Optional.empty();
        return Optional.of(
                Said.of(line, new Meaning.Plays(Spoken.clipped(line.first()), kind, by), unclear));
    }
}
