package rivulus.chart;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import rivulus.leads.LeadReport;
import rivulus.show.Owned;
import rivulus.words.Words;

/// What is laid and joined, and what is in the cupboard.
final class LeadsPage extends LayerPage {
    LeadsPage(RigPages.Asked asked) {
        super(asked);
    }

    @Override
    RigPage page() {
        Map<String, String> tags = RigDrawing.tags(survey);
        List<RigPage.Row> laid = new ArrayList<>();
        List<RigPage.Row> other = new ArrayList<>();
        survey.leads().stream()
                .sorted(Comparator.comparing(lead -> tags.get(lead.cable().id())))
                .forEach(
                        lead ->
                                (RigDrawing.isLaid(survey, lead) ? laid : other)
                                        .add(row(lead, tags.get(lead.cable().id()))));
        List<RigPage.Section> sections = new ArrayList<>();
        add(sections, "Leads to lay", laid);
        add(sections, "Networks and radio", other);
        add(sections, "In the cupboard", cupboard());
        return new RigPage(sections);
    }

    private RigPage.Row row(LeadReport lead, String tag) {
        List<String> words = new ArrayList<>();
        String metres =
                lead.cable().metres() == 0
                        ? ""
                        : ", " + Words.signed(lead.cable().metres(), 1) + Words.THIN + "m";
        words.add(lead.kindInWords() + metres + (lead.cable().toBuy() ? ", to buy" : ""));
        words.addAll(lead.facts().subList(1, lead.facts().size()));
        return new RigPage.Row(
                "%s  %s → %s".formatted(tag, lead.a().words(), lead.b().words()),
                String.join("; ", words),
                worst(proof.ofLead(lead.cable().id())),
                lead.a().device().id(),
                Optional.empty());
    }

    private List<RigPage.Row> cupboard() {
        List<RigPage.Row> rows = new ArrayList<>();
        for (Owned owned : proof.show().rig().stock())
            rows.add(
                    RigPage.Row.of(
                            "%d × %s".formatted(owned.pieces(), what(owned)),
                            owned.metres() == 0
                                    ? ""
                                    : Words.signed(owned.metres(), 1) + Words.THIN + "m",
                            ""));
        return rows;
    }

    private String what(Owned owned) {
        return catalogue.find(owned.what()).map(t -> t.name()).orElse(owned.what());
    }
}
