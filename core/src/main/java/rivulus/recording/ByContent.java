package rivulus.recording;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.DoublePredicate;
import rivulus.check.SceneProof;
import rivulus.disk.FileTrouble;
import rivulus.show.Ear;
import rivulus.show.Show;
import rivulus.show.Source;
import rivulus.sound.Compared;
import rivulus.sound.Comparing;

/// Whose the tracks are that no name tells, by what is on them: in each of them the voices are
/// looked for that have tracks of their own, and what is found is held against what the plan says
/// that every ear hears. The one ear that it fits is taken; where several do, nobody knows.
public final class ByContent {
    /// A voice that the plan brings so loud, against its own track, has to be there.
    private static final double THERE_DB = -15;

    /// And one that it brings no louder than that must not be found.
    private static final double ABSENT_DB = -30;

    /// What is found under that may be bleed.
    private static final double PLAIN_DB = -24;

    private static final double SILENT_LUFS = -60;
    private static final double FARTHEST_MS = 2_000;

    /// A voice comes to another track no earlier than to its own but for this; what comes earlier
    /// is an echo of that track in the voice's.
    private static final double EARLIER_MS = 20;

    /// So many voices are looked for, in so many tracks.
    private static final int MOST = 8;

    private final SceneProof scene;
    private final Show show;

    private ByContent(SceneProof scene) {
        this.scene = scene;
        show = scene.show();
    }

    /// Tracks with those known besides that can be told by what is on them.
    ///
    /// @param goesOn asked now and then with the part that is done; no ends it, with what is known
    ///     by then
    public static List<Track> matched(SceneProof scene, List<Track> tracks, DoublePredicate goesOn)
            throws FileTrouble {
        return new ByContent(scene).matched(tracks, goesOn);
    }

    private List<Track> matched(List<Track> tracks, DoublePredicate goesOn) throws FileTrouble {
        List<Track> voices =
                tracks.stream()
                        .filter(track -> track.ear().isPresent() && track.source().isPresent())
                        .filter(track -> track.lufs() > SILENT_LUFS)
                        .limit(MOST)
                        .toList();
        List<Track> strangers =
                tracks.stream()
                        .filter(track -> track.ear().isEmpty() && !track.isPicture())
                        .filter(track -> track.lufs() > SILENT_LUFS)
                        .limit(MOST)
                        .toList();
        if (voices.isEmpty() || strangers.isEmpty()) return tracks;
        Map<Track, Comparing.Stretch> read = new LinkedHashMap<>();
        for (Track voice : voices) read.put(voice, slow(voice));
        Map<Track, Ear> found = new LinkedHashMap<>();
        for (int s = 0; s < strangers.size(); s++) {
            Optional<Ear> ear = only(fitting(strangers.get(s), read, tracks));
            if (ear.isPresent()) found.put(strangers.get(s), ear.get());
            if (!goesOn.test((s + 1.0) / strangers.size())) break;
        }
        Matching matching = Matching.with(show);
        List<Track> known = new ArrayList<>(tracks);
        known.replaceAll(
                track ->
                        isSure(track, found)
                                ? track.byContent(found.get(track), matching.only(found.get(track)))
                                : track);
        return known;
    }

    /// Whether no other track was taken for the same ear.
    private static boolean isSure(Track track, Map<Track, Ear> found) {
        return found.containsKey(track)
                && found.values().stream().filter(found.get(track)::equals).count() == 1;
    }

    private static Optional<Ear> only(List<Ear> ears) {
        return ears.size() == 1 ? Optional.of(ears.getFirst()) : Optional.empty();
    }

    /// The ears that nobody's track is of, and that would hear what is on one.
    private List<Ear> fitting(
            Track stranger, Map<Track, Comparing.Stretch> voices, List<Track> tracks)
            throws FileTrouble {
        Map<Track, Optional<Compared>> there = new LinkedHashMap<>();
        Comparing.Stretch in = slow(stranger);
        for (Map.Entry<Track, Comparing.Stretch> voice : voices.entrySet()) {
            if (voice.getValue().rateHz() != in.rateHz()) continue;
            List<Comparing.Ready> ready = Comparing.ready(List.of(voice.getValue(), in));
            Compared compared =
                    Comparing.within(ready.getFirst(), ready.getLast(), -EARLIER_MS, FARTHEST_MS);
            there.put(
                    voice.getKey(), compared.isFound() ? Optional.of(compared) : Optional.empty());
        }
        return show.ears().stream()
                .filter(ear -> !ear.isNowhere() && ear.kind() != Ear.Kind.PERSON)
                .filter(ear -> tracks.stream().noneMatch(t -> t.ear().equals(Optional.of(ear))))
                .filter(ear -> there.entrySet().stream().allMatch(e -> fits(ear, e)))
                .toList();
    }

    private static Comparing.Stretch slow(Track track) throws FileTrouble {
        return Comparing.slower(Comparing.read(track.file(), track.channel()), Recording.SLOW_HZ);
    }

    /// Whether a voice that is there, or is not, is what an ear would hear.
    private boolean fits(Ear ear, Map.Entry<Track, Optional<Compared>> found) {
        Source source = found.getKey().source().orElseThrow();
        double own = level(found.getKey().ear().orElseThrow(), source);
        double foretold = level(ear, source) - own;
        boolean isPlain = found.getValue().filter(c -> c.levelDb() > PLAIN_DB).isPresent();
        if (foretold > THERE_DB) return isPlain;
        return foretold > ABSENT_DB || !isPlain;
    }

    private double level(Ear ear, Source source) {
        return scene.of(ear.id(), source.id()).hearing().levelDb();
    }
}
