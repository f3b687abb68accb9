package rivulus.leads;

import java.util.List;
import java.util.Optional;
import rivulus.gear.Electric;
import rivulus.gear.LeadKind;
import rivulus.gear.Signal;
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

    /// 48 V wanted and nowhere, or where it harms.
    ///
    /// @param gear what it would be fed into
    /// @param from the end of the lead that it would come from
    void phantom(Cable lead, End gear, End from, Optional<LeadKind> kind, List<Fault> faults) {
        Electric.Phantom wish = gear.port().electric().phantom();
        if (wish == Electric.Phantom.GIVES || wish == Electric.Phantom.PASSES) return;
        if (gear.port().gives() == 0) return;
        List<Phantom.Source> sources = new Phantom(reader).into(lead, from);
        Optional<Phantom.Source> on = sources.stream().filter(Phantom.Source::isEverOn).findFirst();
        boolean balanced = kind.map(LeadKind::balanced).orElse(false);
        if (wish == Electric.Phantom.WANTS) {
            if (on.isPresent()) return;
            Fault unfed = fault(Severity.PROBLEM, unfed(gear, from, sources));
            faults.add(sources.isEmpty() ? unfed : unfed.bySwitch());
        } else if (on.isEmpty()) {
            return;
        } else if (wish == Electric.Phantom.HARMED) {
            faults.add(
                    fault(
                            Severity.DANGER,
                            "48 V is %s and can damage %s; %s"
                                    .formatted(
                                            on.get().words(),
                                            gear.device().name(),
                                            on.get().isAlways()
                                                    ? "take another input, or a transformer between"
                                                    : "levels down, then switch it off")));
        } else if (!balanced) {
            faults.add(
                    fault(
                            Severity.DANGER,
                            "48 V is %s and goes through an unbalanced lead into %s"
                                    .formatted(on.get().words(), gear.words())));
        } else if (gear.port().carries() == Signal.LINE && !reader.isPassive(gear.device())) {
            faults.add(
                    fault(
                            Severity.PROBLEM,
                            "48 V is %s and goes into %s, a line output, which is not made for it"
                                    .formatted(on.get().words(), gear.words())));
        }
    }

    private static String unfed(End gear, End from, List<Phantom.Source> sources) {
        return "%s wants 48 V and %s"
                .formatted(
                        gear.device().name(),
                        sources.isEmpty()
                                ? from.words() + " gives none"
                                : "it is off at " + sources.getFirst().end().words());
    }

    private static Fault fault(Severity severity, String words) {
        return new Fault(Fault.Kind.PHANTOM, severity, words);
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
