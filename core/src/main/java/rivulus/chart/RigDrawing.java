package rivulus.chart;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import rivulus.check.Proof;
import rivulus.leads.LeadReport;
import rivulus.leads.Survey;
import rivulus.show.Device;
import rivulus.words.Severity;

/// The rig drawn: a band for each place; in it what sounds at the left, what is listened to at the
/// right, and the machines between, in the order that sound travels. The layout follows from the
/// rig alone; nobody drags anything.
///
/// Sizes are in pixels at 100 %.
///
/// @param leads every lead that is drawn, or, in the layer of power, what feeds what
public record RigDrawing(
        RigLayer layer,
        double width,
        double height,
        List<Band> bands,
        List<Box> boxes,
        List<Line> leads) {

    public RigDrawing {
        bands = List.copyOf(bands);
        boxes = List.copyOf(boxes);
        leads = List.copyOf(leads);
    }

    /// A place.
    public record Band(String title, double x, double y, double width, double height) {}

    /// A device; programs are told in the box of their computer.
    ///
    /// @param note a second line: what the layer has to say of it
    /// @param noteYields whether the note is of so little weight that a name too long for its line
    ///     may take that of the note
    /// @param lit whether what is chosen depends on it
    /// @param marked whether the layer marks it: earthed, a supply, a clock master
    /// @param severity the worst that is wrong with it
    public record Box(
            Device device,
            String note,
            boolean noteYields,
            double x,
            double y,
            double width,
            double height,
            boolean lit,
            boolean marked,
            Optional<Severity> severity) {}

    /// A lead from one box to another.
    ///
    /// @param cable its id; empty for a feed
    /// @param tag what is written on it: its number, the letter of a ring, a current
    /// @param way x and y of its corners, from start to end; every run is level or upright
    /// @param tagAtEnd whether the end is the less crowded of the two, where the tag is read best
    /// @param state how it is drawn
    public record Line(
            String cable,
            String tag,
            double[] way,
            boolean tagAtEnd,
            State state,
            Optional<Severity> severity) {
        /// Where its tag is read best: x and y of that end, and the side on which the lead comes.
        ///
        /// @param toTheLeft whether the lead comes from the left there
        public record Tag(double x, double y, boolean toTheLeft) {}

        /// Where its tag is read best.
        public Tag tagged() {
            int at = tagAtEnd ? way.length - 2 : 0;
            int next = tagAtEnd ? way.length - 4 : 2;
            return new Tag(way[at], way[at + 1], way[next] < way[at]);
        }

        /// How a lead is drawn.
        public enum State {
            /// Sound that matters to what is chosen passes it.
            LIT,
            /// It is there.
            QUIET,
            /// It joins grounds.
            JOINS,
            /// It closes a ring.
            RING,
            /// It feeds.
            FEEDS
        }
    }

    /// The drawing of a proven rig.
    ///
    /// @param width how wide it may be
    public static RigDrawing of(Proof proof, Lit lit, RigLayer layer, double width) {
        return new RigDraft(proof, lit, layer, width).drawing();
    }

    /// The letter of the ring of that number, counted from 0.
    public static String letter(int ring) {
        return ring < 26 ? String.valueOf((char) ('A' + ring)) : "Z" + (ring - 25);
    }

    /// The number of each lead, by its id, as lists and labels carry it: what is laid by hand is
    /// counted first, in the order of the rig. All have as many digits, so that they sort.
    public static Map<String, String> tags(Survey survey) {
        Map<String, String> tags = new HashMap<>();
        int digits = Math.max(2, String.valueOf(survey.leads().size()).length());
        String pattern = "%0" + digits + "d";
        int number = 1;
        for (boolean laid : new boolean[] {true, false})
            for (LeadReport lead : survey.leads())
                if (isLaid(survey, lead) == laid)
                    tags.put(lead.cable().id(), pattern.formatted(number++));
        return tags;
    }

    /// Whether somebody lays or plugs a lead: what programs say to each other, radio and the
    /// telephone network are none.
    public static boolean isLaid(Survey survey, LeadReport lead) {
        boolean thing =
                lead.kind().isEmpty()
                        || lead.kind().get().isThing()
                        || lead.kind().get().isOwnPlug();
        return thing && isGear(survey, lead.a().device()) && isGear(survey, lead.b().device());
    }

    private static boolean isGear(Survey survey, Device device) {
        return survey.template(device).kind().isThing();
    }
}
