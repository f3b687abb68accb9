package rivulus.file;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import rivulus.gear.Catalogue;
import rivulus.show.Show;

class ShowFileTest {
    private final Catalogue catalogue = Templates.shipped();

    @Test
    void writingAndReadingGivesTheSameShowAndTheSameText() throws FileTrouble {
        Show show = DemoShows.open(DemoShows.LANTERN_HOUR, catalogue);
        String text = ShowFile.write(show);
        Show again = ShowFile.parse(text, "again.rivulus", catalogue);
        assertThat(again).isEqualTo(show);
        assertThat(ShowFile.write(again)).isEqualTo(text);
    }
}
