package rivulus.trouble;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import rivulus.check.Demo;
import rivulus.disk.Extras;
import rivulus.recording.Remark;
import rivulus.recording.Track;
import rivulus.show.Answer;
import rivulus.show.Ear;
import rivulus.show.Now;
import rivulus.show.Show;
import rivulus.show.Symptom;
import rivulus.words.Severity;

class SoundcheckTest {
    private static final Show PLAN = Demo.lanternMended();

    private static Soundcheck of(Show show) {
        return Soundcheck.of(Demo.PROVER.prove(show));
    }

    private static Show answered(Show show, Soundcheck.Check check, Symptom heard) {
        return show.withDay(
                show.day()
                        .with(
                                new Answer(
                                        check.ask().ear().id(),
                                        check.ask().source().id(),
                                        check.scene(),
                                        heard,
                                        Now.by(LocalDateTime.of(2026, 12, 1, 18, 40)).moment(),
                                        Extras.NONE)));
    }

    @Test
    void whatMostWouldHearComesFirstAndEveryoneIsAsked() {
        Soundcheck check = of(PLAN);
        List<String> ears = check.rows().stream().map(row -> row.ear().id()).toList();
        assertThat(ears.getFirst()).isEqualTo("stream");
        assertThat(ears).containsAll(PLAN.ears().stream().map(Ear::id).toList());
        assertThat(check.next().orElseThrow().ask().ear().id()).isEqualTo("stream");
        assertThat(check.words()).startsWith("0 of ");
    }

    @Test
    void aCallerIsAskedHowTheyHearThemselves() {
        Soundcheck.Row nadia = of(PLAN).row("nadia").orElseThrow();
        Soundcheck.Check own =
                nadia.checks().stream()
                        .filter(check -> check.ask().source().id().equals("nadia"))
                        .findFirst()
                        .orElseThrow();
        assertThat(own.ask().words()).isEqualTo("Nadia, how do you hear yourself?");
        assertThat(own.ask().words(Symptom.AS_WISHED)).isEqualTo("not at all, as it should be");
    }

    @Test
    void anAnswerIsKeptAndTheNextIsAskedUntilAllIsWell() {
        Show show = PLAN;
        Soundcheck now = of(show);
        int asked = 0;
        while (now.next().isPresent()) {
            show = answered(show, now.next().get(), Symptom.AS_WISHED);
            now = of(show);
            asked++;
        }
        assertThat(asked).isEqualTo(now.rows().stream().mapToInt(r -> r.checks().size()).sum());
        assertThat(now.words()).isEqualTo("Everything was asked and is well");
        Soundcheck.Check first = now.rows().getFirst().checks().getFirst();
        Soundcheck amiss = of(answered(show, first, Symptom.TWICE));
        assertThat(amiss.rows().getFirst().isWell()).isFalse();
        assertThat(amiss.rows().getFirst().words()).isEqualTo("Maren twice");
        assertThat(amiss.words()).endsWith(", 1 not as it should be");
    }

    /// One track is as it should be, one hums; a mix answers nothing of single voices.
    @Test
    void aTestRecordingAnswersForTheTracksOfSingleVoices() {
        Soundcheck check = of(PLAN);
        List<Track> tracks = List.of(track("track-maren", "maren"), track("track-ivo", "ivo"));
        Remark hum =
                new Remark(
                        Remark.Kind.HUM,
                        Severity.PROBLEM,
                        "Ivo's track hums.",
                        List.of("track-ivo"),
                        Optional.empty(),
                        List.of(),
                        Map.of(),
                        Map.of());
        assertThat(check.answeredBy(tracks, List.of(hum)).values())
                .containsExactly(Symptom.AS_WISHED, Symptom.HUM);
    }

    private static Track track(String ear, String source) {
        return new Track(
                Path.of(ear + ".wav"),
                0,
                null,
                PLAN.ear(ear),
                PLAN.cast().source(source),
                false,
                false);
    }
}
