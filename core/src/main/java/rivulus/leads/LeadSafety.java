package rivulus.leads;

import java.util.List;
import java.util.Optional;
import rivulus.gear.Electric;
import rivulus.gear.LeadKind;
import rivulus.gear.Setting;
import rivulus.show.Cable;
import rivulus.words.Severity;
import rivulus.words.Words;

/// Wiring, phantom power and length of a lead: what may be harmed by it, or does not work at all.
final class LeadSafety {
    private final LeadReader reader;

    LeadSafety(LeadReader reader) {
        this.reader = reader;
    }

    /// Two orders of a 4-pole jack.
    static void wiring(End a, End b, List<Fault> faults) {
        String one = a.port().electric().wiring();
        String other = b.port().electric().wiring();
        if (one.isEmpty() || other.isEmpty() || one.equals(other)) return;
        faults.add(
                new Fault(
                        Fault.Kind.FOUR_POLE,
                        Severity.PROBLEM,
                        "%s is wired %s and %s %s: ground and microphone change places"
                                .formatted(a.words(), one, b.words(), other)));
    }

    /// 48 V wanted and off, or on where it harms.
    void phantom(End wants, End gives, Optional<LeadKind> kind, List<Fault> faults) {
        Electric.Phantom wish = wants.port().electric().phantom();
        boolean can = gives.port().electric().phantom() == Electric.Phantom.GIVES;
        boolean always = can && gives.port().electric().phantomKnob().isEmpty();
        boolean on = can && !always && isOn(gives);
        if (wish == Electric.Phantom.WANTS && !always && !on) {
            faults.add(
                    new Fault(
                            Fault.Kind.PHANTOM,
                            Severity.PROBLEM,
                            can
                                    ? "%s wants 48 V and it is off at %s"
                                            .formatted(wants.device().name(), gives.words())
                                    : "%s wants 48 V and %s gives none"
                                            .formatted(wants.device().name(), gives.words())));
        }
        if (!on) return;
        if (wish == Electric.Phantom.HARMED) {
            faults.add(
                    new Fault(
                            Fault.Kind.PHANTOM,
                            Severity.DANGER,
                            "48 V is on at %s and can damage %s; levels down, then switch it off"
                                    .formatted(gives.words(), wants.device().name())));
        } else if (wish == Electric.Phantom.NONE
                && wants.port().gives() > 0
                && !kind.map(LeadKind::balanced).orElse(false)) {
            faults.add(
                    new Fault(
                            Fault.Kind.PHANTOM,
                            Severity.DANGER,
                            "48 V is on at %s and goes through an unbalanced lead into %s"
                                    .formatted(gives.words(), wants.words())));
        }
    }

    private boolean isOn(End end) {
        String knob = end.port().electric().phantomKnob();
        Setting stands = end.device().knobs().get(knob);
        if (stands == null)
            stands = reader.template(end.device()).knob(knob).map(k -> k.standing()).orElse(null);
        return stands instanceof Setting.Switch(boolean on) && on;
    }

    /// A lead longer than its kind bears.
    static void tooLong(Cable cable, Optional<LeadKind> kind, List<Fault> faults) {
        if (kind.isEmpty() || cable.metres() <= kind.get().longestM()) return;
        faults.add(
                new Fault(
                        Fault.Kind.LENGTH,
                        Severity.CAUTION,
                        "%s m is long for this kind of lead; %s m is about the most"
                                .formatted(
                                        Words.signed(cable.metres(), 0),
                                        Words.signed(kind.get().longestM(), 0)),
                        cable.metres(),
                        "metres"));
    }
}
