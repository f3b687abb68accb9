package rivulus.disk;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FileNamesTest {
    @ParameterizedTest
    @CsvSource({
        "Tide 2.5 – final.v3, Tide 2.5 – final.v3",
        "Language café, Language café",
        "'a/b\\c: what? \"so\" <x> | *', a b c what so x",
        "..hidden, hidden",
        "'...', show",
        "'', show",
        "ends., ends",
        "'two\nlines', two lines"
    })
    void aTitleMakesANameThatEverySystemTakes(String title, String name) {
        assertThat(FileNames.of(title)).isEqualTo(name);
    }

    @ParameterizedTest
    @CsvSource({
        "show, show.rivulus",
        "Evening 1.5, Evening 1.5.rivulus",
        "a.rivulus, a.rivulus",
        "A.RIVULUS, A.RIVULUS",
        "a.json, a.json",
        ".rivulus, .rivulus.rivulus",
        "a., a..rivulus"
    })
    void aNameEndsAsItOught(String name, String file) {
        Path folder = Path.of("Folder.v2");
        assertThat(FileNames.ending(folder.resolve(name), ".rivulus", List.of(".json")))
                .isEqualTo(folder.resolve(file));
    }

    @ParameterizedTest
    @CsvSource({"1000"})
    void aLongTitleIsCut(int length) {
        assertThat(FileNames.of("ä".repeat(length))).hasSizeLessThanOrEqualTo(80);
    }
}
