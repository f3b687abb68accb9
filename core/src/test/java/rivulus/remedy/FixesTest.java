package rivulus.remedy;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import rivulus.check.Demo;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.check.Trouble;
import rivulus.file.DemoShows;
import rivulus.file.ShowFile;
import rivulus.show.Show;

/// Every fix that is offered in every third shipped show (at night in every one), carried out as it
/// is offered and proven from nothing: it ends what it is for, and brings nothing that was not
/// there.
class FixesTest {
    static List<String> evenings() {
        return Demo.some(DemoShows.all().keySet());
    }

    private static Set<Finding.Key> serious(List<Finding> findings) {
        return findings.stream()
                .filter(finding -> finding.severity().isSerious())
                .map(Finding::key)
                .collect(Collectors.toSet());
    }

    @ParameterizedTest
    @MethodSource("evenings")
    void everyFixEndsWhatItIsForAndBringsNothing(String name) throws Exception {
        Show show = Demo.show(name);
        Proof before = Demo.PROVER.prove(show);
        for (Trouble trouble : Trouble.of(before)) {
            List<String> sentences = new ArrayList<>();
            for (Remedy fix : Remedies.of(Demo.PROVER, before, trouble, 3).all()) {
                String as = trouble.headline() + ": " + fix.sentence();
                sentences.add(fix.sentence());
                Show mended = fix.change().on(show, Demo.PROVER.catalogue());
                assertThat(mended).as(as).isEqualTo(fix.after().show());
                assertThat(ShowFile.again(mended, Demo.PROVER.catalogue())).isEqualTo(mended);
                Proof after = Demo.PROVER.prove(mended);
                Set<Finding.Key> left = new HashSet<>();
                for (Finding finding : after.findings()) left.add(finding.key());
                if (!trouble.first().isOfTheRig())
                    for (Finding finding : trouble.findings())
                        assertThat(left).as(as).doesNotContain(finding.key());
                Set<Finding.Key> more = serious(after.findings());
                more.removeAll(serious(before.findings()));
                assertThat(more).as(as).isEmpty();
            }
            assertThat(sentences).doesNotHaveDuplicates();
        }
    }
}
