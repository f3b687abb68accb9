package rivulus.recording;

import java.util.List;
import java.util.Optional;
import java.util.function.DoublePredicate;
import rivulus.check.Proof;
import rivulus.check.SceneProof;
import rivulus.disk.FileTrouble;

/// What the tracks of a recording say against the plan: each difference a sentence, with what to
/// turn.
///
/// Voices are compared with each other, less what the plan says that they differ by; whoever is off
/// is turned to the middle of the rest. Costs two passes over every file (one has measured it) and
/// a few Fourier transforms for each pair of voices.
public final class Recording {
    /// What voices do to each other, and sound to picture, is found at this rate.
    static final int SLOW_HZ = 8_000;

    private final List<Track> tracks;
    private final List<Remark> remarks;

    private Recording(List<Track> tracks, List<Remark> remarks) {
        this.tracks = tracks;
        this.remarks = remarks;
    }

    /// Compares tracks with what is heard in a scene.
    ///
    /// @param goesOn asked now and then with the part that is done; no ends it
    /// @return empty where it was ended
    public static Optional<Recording> of(
            Proof proof, SceneProof scene, List<Track> tracks, DoublePredicate goesOn)
            throws FileTrouble {
        Foretold plan = new Foretold(proof, scene);
        Said said = new Said();
        TrackRemarks single = new TrackRemarks(plan, said);
        tracks.forEach(single::look);
        new SpeedRemarks(said).look(tracks);
        VoiceRemarks voices = new VoiceRemarks(plan, tracks, said);
        voices.voices();
        if (!goesOn.test(0.2) || !voices.pairs(goesOn)) return Optional.empty();
        new PictureRemarks(plan, said).look(tracks);
        return Optional.of(new Recording(List.copyOf(tracks), said.all()));
    }

    /// The tracks, as they were matched.
    public List<Track> tracks() {
        return tracks;
    }

    /// What they say, worst first.
    public List<Remark> remarks() {
        return remarks;
    }
}
