package rivulus.power;

import rivulus.gear.LeadKind;
import rivulus.leads.LeadReport;

/// How loud a ring of grounds may hum in one lead of it.
///
/// An estimate for judging rings against each other, not a measurement: between two machines that
/// are earthed at different outlets lies a voltage; it drives a current round the ring, and the
/// share of it that falls along the shield of an unbalanced lead is added to the signal. A balanced
/// input takes most of it out again. All figures are rules of thumb.
///
/// @param humMv the hum that is added, in mV
/// @param belowDb how far it lies under the signal at its nominal level, in dB
public record Hum(double humMv, double belowDb) {
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
        /// Under 40 dB below the signal.
        PLAIN("hums plainly"),
        /// 40 to 60 dB.
        AUDIBLE("hums audibly in pauses"),
        /// 60 to 80 dB.
        FAINT("may hum faintly"),
        /// Over 80 dB.
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
    static Hum in(LeadReport lead, double betweenMv) {
        double metres = lead.cable().metres() == 0 ? USUAL_M : lead.cable().metres();
        double shield = CONTACT_OHMS + SHIELD_OHMS * metres;
        double hum = betweenMv * shield / (shield + REST_OHMS);
        if (isBalanced(lead)) hum *= Math.pow(10, -REJECTION_DB / 20);
        double level =
                lead.passages().stream()
                        .mapToDouble(LeadReport.Passage::arrivesDbu)
                        .min()
                        .orElse(0);
        return new Hum(hum, 20 * Math.log10(DBU_MV * Math.pow(10, level / 20) / hum));
    }

    /// Whether a lead carries its signal balanced from end to end.
    static boolean isBalanced(LeadReport lead) {
        return lead.kind().map(LeadKind::balanced).orElse(false)
                && lead.a().port().electric().balanced()
                && lead.b().port().electric().balanced();
    }

    /// How it sounds.
    public Grade grade() {
        if (belowDb < 40) return Grade.PLAIN;
        if (belowDb < 60) return Grade.AUDIBLE;
        return belowDb < 80 ? Grade.FAINT : Grade.INAUDIBLE;
    }
}
