package rivulus.intake;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import rivulus.file.Change;
import rivulus.gear.Catalogue;
import rivulus.gear.Leads;
import rivulus.gear.Port;
import rivulus.gear.Template;
import rivulus.show.Device;
import rivulus.show.Show;

/// Takes a list into a show, row by row; a row that cannot be taken is left out with the reason.
public final class Intake {
    private final Show show;
    private final Catalogue catalogue;
    private final Leads leads;

    /// Into a show whose templates are in the catalogue or in the show itself.
    public Intake(Show show, Catalogue catalogue, Leads leads) {
        this.show = show;
        this.catalogue = show.kinds(catalogue);
        this.leads = leads;
    }

    /// The mixers that an input list may be meant for, the one with the most inputs first.
    public List<Device> mixers() {
        List<Device> mixers = new ArrayList<>();
        for (Device device : show.rig().devices())
            if (inputs(catalogue.get(device.template())) > 1) mixers.add(device);
        mixers.sort(Comparator.comparingLong(d -> -inputs(catalogue.get(d.template()))));
        return mixers;
    }

    private static long inputs(Template template) {
        return template.ports().stream().filter(InputRows::isInput).count();
    }

    /// What a list would change.
    ///
    /// @param into the id of the mixer that an input list is meant for where no column says so
    public Plan plan(Listing list, Matching matching, String into) {
        Rows rows =
                switch (matching.listed()) {
                    case INPUTS -> new InputRows(show, catalogue, leads, into);
                    case LEADS -> new LeadRows(show, catalogue, leads);
                    case PEOPLE -> new PeopleRows(show, catalogue);
                };
        List<Plan.Line> lines = new ArrayList<>();
        for (int r = 0; r < list.rows().size(); r++) {
            List<String> row = list.rows().get(r);
            if (row.stream().allMatch(String::isBlank)) continue;
            int number = r + 2;
            try {
                rows.take(meaning -> matching.cell(list, row, meaning))
                        .ifPresent(done -> lines.add(done.at(number)));
            } catch (Refusal refusal) {
                lines.add(new Plan.Line(number, Plan.Outcome.REFUSED, refusal.getMessage()));
            }
        }
        return new Plan(new Change(show, rows.show()), lines);
    }

    /// What is said in a row.
    interface Row {
        /// The cell of that meaning, stripped; empty where there is none.
        String at(Meaning meaning);
    }

    /// What was done with a row.
    record Done(Plan.Outcome outcome, String words) {
        Plan.Line at(int row) {
            return new Plan.Line(row, outcome, words);
        }
    }

    /// Takes rows one after the other.
    interface Rows {
        /// Takes a row; empty where it says nothing.
        Optional<Done> take(Row row) throws Refusal;

        /// The show with every row so far.
        Show show();
    }

    /// A row that cannot be taken, and why.
    static final class Refusal extends Exception {
        private static final long serialVersionUID = 1;

        Refusal(String why, Object... values) {
            super(values.length == 0 ? why : why.formatted(values));
        }
    }

    static boolean same(String a, String b) {
        return a.strip().toLowerCase(Locale.ROOT).equals(b.strip().toLowerCase(Locale.ROOT));
    }

    /// A port by its label or id.
    static Optional<Port> port(Template template, String name) {
        return template.ports().stream()
                .filter(port -> same(port.label(), name) || same(port.id(), name))
                .findFirst();
    }

    /// A length in metres; 0 where none is said.
    static double metres(String words) throws Refusal {
        String figure = words.replace(',', '.').replaceFirst("m(et(re|er)s?)?$", "").strip();
        if (figure.isBlank()) return 0;
        try {
            double metres = Double.parseDouble(figure);
            if (metres >= 0 && metres <= 1000) return metres;
        } catch (NumberFormatException noNumber) {
            // told below
        }
        throw new Refusal("\"%s\" is no length in metres from 0 to 1000", words);
    }
}
