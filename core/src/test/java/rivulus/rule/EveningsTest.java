package rivulus.rule;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import rivulus.check.Demo;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.check.Trouble;
import rivulus.remedy.Remedies;
import rivulus.remedy.Remedy;
import rivulus.show.Show;

/// Evenings at Tern Quay Library, each as it was first built, with the usual mistakes, and
/// repaired.
class EveningsTest {

    private static List<String> serious(Show show) {
        List<String> found = new ArrayList<>();
        for (Finding finding : Demo.PROVER.prove(show).findings()) {
            if (finding.severity().isSerious())
                found.add(
                        "%s %s %s"
                                .formatted(
                                        finding.rule(), finding.key().ear(), finding.key().source())
                                .strip());
        }
        for (Finding finding : Demo.PROVER.prove(show).ofTheRig())
            if (finding.severity().isSerious()) found.add(finding.rule());
        return found.stream().distinct().sorted().toList();
    }

    @ParameterizedTest(name = "{0}")
    @CsvSource(
            delimiter = ';',
            value = {
                "spring-lectures; missing stream clip, missing stream ivo, missing stream maren",
                "choir-night; clipping stream choir, ground-loop, level",
                "doorstep-talks; leak track-ivo maren, leak track-maren ivo, missing ivo nadia, power",
                "map-room-screening; doubled stream film",
                "letters-from-afar; ground-loop, polarity",
                "twin-tables; doubled stream ivo, ground-loop, loop, missing ivo maren, missing maren ivo",
                "harbour-hotline; battery, echo nadia nadia, missing bram maren, missing bram nadia, phantom, polarity",
                "lute-evening; doubled stream ivo, late-own-voice ivo ivo, one-side stream ivo, phantom",
                "lute-lesson; clean-up nadia lute, missing ivo lute, missing nadia ivo",
                "puzzle-relay; doubled stream alerts, ground-loop, missing ivo puzzle, missing stream puzzle",
                "harbour-quest; missing stream quest, picture",
                "tide-watch; clean-up edda cue-pads, clean-up nadia cue-pads, leak edda harbour-film, leak nadia harbour-film, leak voice-over cue-pads, leak voice-over edda, leak voice-over harbour-film, leak voice-over nadia",
                "lute-by-the-mixer; doubled ada ivo, doubled ivo ada, doubled stream ada, doubled stream ivo, late-own-voice ada ada, late-own-voice ivo ivo, one-side stream ada, one-side stream ivo, polarity",
                "lute-in-tracks; balance stream backing, clipping ada edda, clipping ada ivo, doubled stream backing, leak track-ada backing, leak track-ada edda, leak track-ada ivo, leak track-edda ada, leak track-edda backing, leak track-edda ivo, leak track-ivo ada, leak track-ivo backing, leak track-ivo edda, too-loud ada backing",
                "harbour-radio; mute stream ivo, mute stream maren, mute stream nadia",
                "harvest-concert; leak house audience, missing lobby band, missing lobby choir, missing lobby maren, uneven record, uneven stream",
                "long-read; ",
                "quay-market; balance copy music-bed, balance stream music-bed, leak copy music-bed, missing stream cue-pads",
                "new-desk; clipping maren ivo, doubled stream cue-pads, doubled stream ivo, doubled stream maren, doubled stream music-bed, doubled stream nadia, echo nadia nadia, ground-loop, phantom, soft nadia maren, uneven stream",
                "ferry-log; doubled stream log-sound, ground-loop",
                "round-table; doubled stream maren, doubled stream sunniva, missing stream sunniva"
            })
    void anEveningHasTheMistakesPeopleMake(String name, String mistakes) {
        assertThat(serious(Demo.show(name)))
                .isEqualTo(mistakes == null ? List.of() : Arrays.asList(mistakes.split(", ")));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "spring-lectures",
                "choir-night",
                "doorstep-talks",
                "map-room-screening",
                "letters-from-afar",
                "twin-tables",
                "harbour-hotline",
                "lute-evening",
                "lute-lesson",
                "puzzle-relay",
                "harbour-quest",
                "tide-watch",
                "lute-by-the-mixer",
                "lute-in-tracks",
                "harbour-radio",
                "harvest-concert",
                "quay-market",
                "long-read",
                "new-desk",
                "ferry-log",
                "round-table"
            })
    void repairedItHasNone(String name) {
        assertThat(serious(Demo.show(name + "-repaired"))).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "spring-lectures",
                "map-room-screening",
                "lute-evening",
                "lute-lesson",
                "puzzle-relay",
                "harbour-quest",
                "ferry-log",
                "round-table"
            })
    void everyTroubleOfHearingHasACureThatWasTried(String name) {
        Proof proof = Demo.PROVER.prove(Demo.show(name));
        for (Trouble trouble : Trouble.of(proof)) {
            if (!trouble.severity().isSerious()) continue;
            assertThat(Remedies.of(Demo.PROVER, proof, trouble, 3).all())
                    .as(trouble.headline())
                    .isNotEmpty();
        }
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "choir-night",
                "letters-from-afar",
                "lute-evening",
                "twin-tables",
                "lantern-hour",
                "puzzle-relay",
                "harbour-quest",
                "ferry-log",
                "lute-lesson"
            })
    void everySeriousFindingOfTheRigHasAFixThatEndsIt(String name) {
        Show show = Demo.show(name);
        Proof proof = Demo.PROVER.prove(show);
        for (Finding finding : proof.ofTheRig()) {
            if (!finding.severity().isSerious()) continue;
            List<Remedy> fixes = Remedies.of(Demo.PROVER, proof, finding, 3).all();
            assertThat(fixes).as(finding.sentence()).isNotEmpty();
            for (Remedy fix : fixes)
                assertThat(Demo.PROVER.prove(fix.change().after()).ofTheRig())
                        .extracting(Finding::id)
                        .doesNotContain(finding.id());
        }
    }
}
