package rivulus.app.session;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import rivulus.show.Show;

class HistoryTest {
    @Test
    void undoEndsWhereEverythingBegan() {
        History history = new History();
        List<Show> shows = new ArrayList<>(List.of(Show.untitled()));
        for (int edit = 1; edit <= 1010; edit++) {
            Show after = shows.getLast().titled("Number " + edit);
            history.add(new History.Step("Title " + edit, shows.getLast(), after));
            shows.add(after);
        }
        Show at = shows.getLast();
        int steps = 0;
        String last = "";
        for (var step = history.undo(); step.isPresent(); step = history.undo(), steps++) {
            assertThat(step.get().after()).isSameAs(at);
            at = step.get().before();
            last = step.get().name();
        }
        assertThat(at).isSameAs(shows.getFirst());
        assertThat(steps).isEqualTo(1000);
        assertThat(last).isEqualTo("the first 11 changes");
        Optional<History.Step> again = history.redo();
        assertThat(again.orElseThrow().after()).isSameAs(shows.get(11));
        while (history.nextRedo().isPresent()) again = history.redo();
        assertThat(again.orElseThrow().after()).isSameAs(shows.getLast());
    }
}
