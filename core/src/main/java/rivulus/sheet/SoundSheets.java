package rivulus.sheet;

import java.util.ArrayList;
import java.util.List;
import rivulus.chart.SoundPicture;
import rivulus.recording.Remark;
import rivulus.recording.Track;
import rivulus.show.Limits;

/// A test recording to take along: every track over time, what was measured, and what it says.
public final class SoundSheets {
    private SoundSheets() {}

    /// The sheet of a recording.
    ///
    /// @param title what it is a recording of
    /// @param remarks what it says against a plan; none where there was none
    public static Sheet of(String title, List<Track> tracks, List<Remark> remarks, Limits limits) {
        List<Part> parts = new ArrayList<>();
        List<SoundPicture> pictures =
                tracks.stream().map(track -> SoundPicture.of(track, limits)).toList();
        if (!pictures.isEmpty()) parts.add(new Part.Sounds(pictures));
        List<List<String>> rows = new ArrayList<>();
        for (Remark remark : remarks)
            rows.add(List.of(remark.severity().word(), remark.sentence()));
        if (!rows.isEmpty())
            parts.add(new Part.Table("What it says", List.of("how bad", "what"), rows, List.of()));
        if (parts.isEmpty())
            parts.add(new Part.Table("", List.of(), List.of(), List.of("Nothing was measured.")));
        return Sheet.of(title + ": Recording", parts.toArray(Part[]::new));
    }
}
