package rivulus.power;

import rivulus.gear.LeadKind;
import rivulus.leads.LeadReport;
import rivulus.show.Limit;
import rivulus.show.Limits;

/// How loud a ring of grounds may hum in one lead of it.
///
/// An estimate for judging rings against each other, not a measurement: between two machines that
/// are earthed at different outlets lies a voltage; it drives a current round the ring, and the
/// share of it that falls along the shield of an unbalanced lead is added to the signal. A balanced
/// input takes most of it out again. All figures are rules of thumb.
///
/// @param humMv the hum that is added, in mV
/// @param belowDb how far it lies under the signal at its nominal level, in dB
/// @param grade how it sounds
public record Hum(double humMv, double belowDb, Grade grade) {
    /// Between outlets of one strip, in mV ~.
    static final double SAME_STRIP_MV = 0.2;

    /// Between outlets of one place, or where no outlet is part of the ring, in mV ~.
    static final double SAME_PLACE_MV = 10;

    /// Between outlets of two places, in mV ~.
    static final double TWO_PLACES_MV = 50;

    /// Resistance of a shield, in Ω for each metre ~.
    private static final double SHIELD_OHMS = 0.02;

    /// Resistance of the contacts of a lead, in Ω ~.
    private static final double CONTACT_OHMS = 0.02;

    /// Resistance of the rest of the ring, in Ω ~.
    private static final double REST_OHMS = 0.1;

    /// What a balanced input takes out of what both legs have in common, in dB ~.
    private static final double REJECTION_DB = 60;

    /// The voltage that dBu are counted from, in mV (REFERENCE).
    private static final double DBU_MV = 774.6;

    /// A lead nobody has measured is taken to be so long.
    private static final double USUAL_M = 3;

    /// How it sounds.
    public enum Grade {
        /// Less than [Limit#HUM_PLAIN] below the signal.
        PLAIN("hums plainly"),
        /// Less than [Limit#HUM_AUDIBLE].
        AUDIBLE("hums audibly in pauses"),
        /// Less than [Limit#HUM_FAINT].
        FAINT("may hum faintly"),
        /// More than that.
        INAUDIBLE("hums too little to be heard");

        private final String words;

        Grade(String words) {
            this.words = words;
        }

        /// The grade as what the lead does.
        public String words() {
            return words;
        }
    }

    /// The hum in a lead that closes a ring.
    ///
    /// @param betweenMv the voltage between the outlets of the two machines
    static Hum in(LeadReport lead, double betweenMv, Limits limits) {
        double metres = lead.cable().metres() == 0 ? USUAL_M : lead.cable().metres();
        double shield = CONTACT_OHMS + SHIELD_OHMS * metres;
        double hum = betweenMv * shield / (shield + REST_OHMS);
        if (isBalanced(lead)) hum *= Math.pow(10, -REJECTION_DB / 20);
        double level =
                lead.passages().stream()
                        .mapToDouble(LeadReport.Passage::arrivesDbu)
                        .min()
                        .orElse(0);
        double below = 20 * Math.log10(DBU_MV * Math.pow(10, level / 20) / hum);
        return new Hum(hum, below, grade(below, limits));
    }

    /// Whether a lead carries its signal balanced from end to end.
    static boolean isBalanced(LeadReport lead) {
        return lead.kind().map(LeadKind::balanced).orElse(false)
                && lead.a().port().electric().balanced()
                && lead.b().port().electric().balanced();
    }

    private static Grade grade(double below, Limits limits) {
        if (below < limits.get(Limit.HUM_PLAIN)) return Grade.PLAIN;
        if (below < limits.get(Limit.HUM_AUDIBLE)) return Grade.AUDIBLE;
        return below < limits.get(Limit.HUM_FAINT) ? Grade.FAINT : Grade.INAUDIBLE;
    }

    /// How far it lies under the signal, to a tenth of a dB.
    public double belowDbInTenths() {
        return Math.round(belowDb * 10) / 10.0;
    }
}
