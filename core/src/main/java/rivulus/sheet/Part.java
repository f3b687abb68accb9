package rivulus.sheet;

import java.util.ArrayList;
import java.util.List;
import rivulus.chart.DeskSheet;
import rivulus.chart.RigDrawing;
import rivulus.chart.SoundPicture;

/// A piece of a sheet.
public sealed interface Part {
    /// The piece as a table; of a drawing, what it shows in words.
    Table table();

    /// A table with notes under it.
    ///
    /// @param title stands over it; may be empty
    /// @param rows cells of text, as many as there are columns
    /// @param notes sentences under it
    record Table(String title, List<String> columns, List<List<String>> rows, List<String> notes)
            implements Part {
        public Table {
            columns = List.copyOf(columns);
            rows = rows.stream().map(List::copyOf).toList();
            notes = List.copyOf(notes);
        }

        @Override
        public Table table() {
            return this;
        }
    }

    /// Labels to cut out and stick round the ends of leads.
    record Labels(List<Label> labels) implements Part {
        public Labels {
            labels = List.copyOf(labels);
        }

        @Override
        public Table table() {
            return new Table(
                    "",
                    List.of("no", "at", "to", "lead"),
                    labels.stream().map(l -> List.of(l.tag(), l.at(), l.to(), l.lead())).toList(),
                    List.of());
        }
    }

    /// One label.
    ///
    /// @param tag the number of the lead
    /// @param at where it is stuck on
    /// @param to where the other end goes
    /// @param lead its kind and length
    record Label(String tag, String at, String to, String lead) {}

    /// A drawing of the rig.
    ///
    /// @param about what the lines mean
    record Drawing(RigDrawing drawing, String about) implements Part, Drawn {
        @Override
        public double width() {
            return drawing.width();
        }

        @Override
        public double height() {
            return drawing.height();
        }

        @Override
        public void paint(Canvas canvas) {
            RigPainter.paint(drawing, canvas);
        }

        @Override
        public Table table() {
            List<List<String>> rows = new ArrayList<>();
            for (RigDrawing.Box box : drawing.boxes())
                rows.add(List.of(place(box), box.device().name(), box.note()));
            return new Table("", List.of("place", "machine", "what"), rows, List.of(about));
        }

        private String place(RigDrawing.Box box) {
            for (RigDrawing.Band band : drawing.bands()) {
                boolean across = box.x() >= band.x() && box.x() < band.x() + band.width();
                boolean down = box.y() >= band.y() && box.y() < band.y() + band.height();
                if (across && down) return band.title();
            }
            return "";
        }
    }

    /// Tracks of a recording over time, with what was measured of each.
    record Sounds(List<SoundPicture> tracks) implements Part, Drawn {
        public Sounds {
            tracks = List.copyOf(tracks);
        }

        /// So many tracks each.
        List<Sounds> by(int each) {
            List<Sounds> parts = new ArrayList<>();
            for (int from = 0; from < tracks.size(); from += each)
                parts.add(new Sounds(tracks.subList(from, Math.min(tracks.size(), from + each))));
            return parts;
        }

        @Override
        public double width() {
            return SoundPainter.WIDTH;
        }

        @Override
        public double height() {
            return SoundPainter.height(tracks);
        }

        @Override
        public String about() {
            return "Peaks and short-term loudness over time; the band is where the loudness should"
                    + " run, a wedge marks where it clipped, a bar where it fell silent, a dashed line how"
                    + " loud it hums.";
        }

        @Override
        public void paint(Canvas canvas) {
            SoundPainter.paint(tracks, canvas);
        }

        @Override
        public Table table() {
            List<List<String>> rows = new ArrayList<>();
            for (SoundPicture track : tracks)
                rows.add(
                        List.of(
                                track.track().name(),
                                track.track().measured().name(),
                                track.figures()));
            return new Table("", List.of("track", "file", "measured"), rows, List.of());
        }
    }

    /// A desk as it is to be labelled, drawn, with its table.
    record Desk(DeskSheet desk, Table table) implements Part, Drawn {
        @Override
        public double width() {
            return DeskPainter.WIDTH;
        }

        @Override
        public double height() {
            return DeskPainter.height(desk);
        }

        @Override
        public String about() {
            return desk.device().name() + ", from left to right as one reads.";
        }

        @Override
        public void paint(Canvas canvas) {
            DeskPainter.paint(desk, canvas);
        }
    }
}
