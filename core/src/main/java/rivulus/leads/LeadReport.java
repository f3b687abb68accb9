package rivulus.leads;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import rivulus.gear.LeadKind;
import rivulus.show.Cable;
import rivulus.words.Words;

/// What becomes of what goes through one lead.
///
/// @param meets what is plugged into what: "XLR, male, 3 contacts → XLR, female, 3 contacts"
/// @param kind the lead that joins the two ports; empty where none does
/// @param passages one for each direction in which an analogue signal passes
/// @param faults what is wrong with it, worst first
/// @param joins whether it joins the grounds of the two machines
/// @param grounded whether both have a ground to be joined: a microphone or a pair of headphones
///     has none of its own
public record LeadReport(
        Cable cable,
        End a,
        End b,
        String meets,
        Optional<LeadKind> kind,
        List<Passage> passages,
        List<Fault> faults,
        boolean joins,
        boolean grounded) {
    public LeadReport {
        passages = List.copyOf(passages);
        faults = List.copyOf(faults);
    }

    /// What arrives in one direction.
    ///
    /// @param arrivesDbu at the nominal level
    /// @param headroomDb how much louder it may get before the taking end clips, after the usual
    ///     crest of programme; negative where it clips
    /// @param lossDb what is lost because the taking end loads the giving end, beyond what any
    ///     input does; 0 where the impedances bridge
    public record Passage(End from, End to, double arrivesDbu, double headroomDb, double lossDb) {
        /// "arrives at 4.0 dBu with 18.0 dB of headroom".
        public String words() {
            return "arrives at %s%sdBu, %s"
                    .formatted(
                            Words.signed(arrivesDbu, 1),
                            Words.THIN,
                            headroomDb < 0
                                    ? Words.db(-headroomDb) + " too hot"
                                    : Words.db(headroomDb) + " of headroom");
        }
    }

    /// What is to be known of it, one clause each: what is plugged into what, what arrives, how
    /// long it may be, and whether it joins grounds.
    public List<String> facts() {
        List<String> facts = new ArrayList<>();
        facts.add(meets);
        facts.addAll(arrivals());
        kind.filter(LeadKind::isThing)
                .ifPresent(
                        lead ->
                                facts.add(
                                        "up to about %s%sm"
                                                .formatted(
                                                        Words.signed(lead.longestM(), 0),
                                                        Words.THIN)));
        if (grounded)
            facts.add(
                    joins ? "joins the grounds of the two" : "keeps the grounds of the two apart");
        return facts;
    }

    /// What arrives; where sound goes both ways, what arrives at either end.
    private List<String> arrivals() {
        List<String> words = passages.stream().map(Passage::words).distinct().toList();
        long ends = passages.stream().map(passage -> passage.to().ref()).distinct().count();
        if (ends < 2) return words;
        if (words.size() == 1) return List.of("both ways it " + words.getFirst());
        return passages.stream()
                .map(p -> "at %s it %s".formatted(p.to().device().name(), p.words()))
                .distinct()
                .toList();
    }

    /// Whether sound or data gets through it as meant.
    public boolean isSound() {
        return faults.stream().noneMatch(fault -> fault.severity().isSerious());
    }

    /// The same once every switch is where it has to be, as that for 48 V.
    public boolean isSoundOnceSwitched() {
        return faults.stream()
                .noneMatch(fault -> fault.severity().isSerious() && !fault.switched());
    }

    /// What it is: "XLR lead", or "no such lead".
    public String kindInWords() {
        return kind.map(LeadKind::name).orElse("no such lead");
    }
}
