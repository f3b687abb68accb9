package rivulus.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.PrintWriter;
import java.io.StringWriter;
import org.junit.jupiter.api.Test;

class MainTest {
    private final StringWriter out = new StringWriter();
    private final StringWriter err = new StringWriter();

    private int run(String... args) {
        return Main.run(new PrintWriter(out), new PrintWriter(err), args);
    }

    @Test
    void checkSaysWhatIsWrongAndWhatCuresItAndEndsWithOne() {
        assertThat(run("check", "../shows/first-call.rivulus")).isEqualTo(1);
        assertThat(out.toString())
                .contains(
                        "Nadia hears herself 296",
                        "cure: Set Show desk · USB 1 chat feed to mix-minus.");
    }

    @Test
    void aFileThatIsNotThereIsNamedInOneLineAndEndsWithTwo() {
        assertThat(run("check", "nowhere.rivulus")).isEqualTo(2);
        assertThat(err.toString().strip()).isEqualTo("nowhere.rivulus: there is no such file");
    }
}
