package rivulus.rig;

import java.util.List;
import java.util.Optional;
import rivulus.gear.LeadKind;
import rivulus.show.Cable;
import rivulus.words.Words;

/// What becomes of what goes through one lead.
///
/// @param kind the lead that joins the two ports; empty where none does
/// @param passages one for each direction in which an analogue signal passes
/// @param faults what is wrong with it, worst first
/// @param joins whether it joins the grounds of the two machines
public record LeadReport(
        Cable cable,
        End a,
        End b,
        Optional<LeadKind> kind,
        List<Passage> passages,
        List<Fault> faults,
        boolean joins) {
    public LeadReport {
        passages = List.copyOf(passages);
        faults = List.copyOf(faults);
    }

    /// What arrives in one direction.
    ///
    /// @param arrivesDbu at the nominal level
    /// @param headroomDb how much louder it may get before the taking end clips, after the usual
    ///     crest of programme; negative where it clips
    public record Passage(End from, End to, double arrivesDbu, double headroomDb) {
        /// "arrives at 4.0 dBu with 18.0 dB of headroom".
        public String words() {
            return "arrives at %s dBu, %s"
                    .formatted(
                            Words.signed(arrivesDbu, 1),
                            headroomDb < 0
                                    ? Words.db(-headroomDb) + " too hot"
                                    : Words.db(headroomDb) + " of headroom");
        }
    }

    /// Whether sound or data gets through it as meant.
    public boolean isSound() {
        return faults.stream().noneMatch(fault -> fault.severity().isSerious());
    }

    /// What it is: "XLR lead", or "no such lead".
    public String kindInWords() {
        return kind.map(LeadKind::name).orElse("no such lead");
    }
}
