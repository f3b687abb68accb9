package rivulus.rule;

import rivulus.check.Finding;
import rivulus.show.Ear;
import rivulus.show.Names;
import rivulus.show.Show;
import rivulus.show.Source;

/// What somebody wishes to hear, or not, in words.
final class Wished {
    private Wished() {}

    /// "Nadia hears Bram".
    static String of(Finding finding, Show show, String hears) {
        Ear ear = show.ear(finding.key().ear()).orElseThrow();
        Source source = show.cast().source(finding.key().source()).orElseThrow();
        String whom = ear.of().equals(source.id()) ? source.self() : Names.of(source);
        return "%s %s %s".formatted(Names.of(ear), hears, whom);
    }
}
