package rivulus.cli;

import java.io.IOException;
import java.io.InputStream;
import java.io.PrintWriter;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import rivulus.disk.FileTrouble;
import rivulus.disk.JsonText;
import rivulus.file.Templates;
import rivulus.page.Reading;
import rivulus.say.Answers;
import rivulus.say.Page;
import rivulus.say.Said;
import rivulus.show.Show;

/// Reads an evening as somebody wrote it down, in words of their own.
@Command(
        name = "say",
        description =
                "What a page in one's own words says. Exit 0: nothing is left open; 1: something is asked; 2: the page cannot be used.")
final class SayCommand implements Callable<Integer> {
    private static final long MOST_BYTES = 100_000;
    private static final String PIPED = "-";

    @Parameters(
            index = "0",
            arity = "0..1",
            defaultValue = PIPED,
            paramLabel = "PAGE",
            description = "The page, a text file; piped in where none is named.")
    private String file = PIPED;

    @Option(names = "--json", description = "The facts as JSON.")
    private boolean json;

    @Option(
            names = "--answers",
            paramLabel = "first",
            description = "Takes what a line leaves open as it is likeliest meant.")
    private String answers = "";

    @Option(names = "--out", paramLabel = "SHOW", description = "Where to write the show.")
    private Path out;

    @Mixin private Force force;

    @Spec private CommandSpec spec;

    @Override
    public Integer call() throws Exception {
        force.mayWrite(out);
        Answers answered = answered();
        String page = page();
        Page read = Page.written(page, Show.untitled(), Templates.shipped(), answered);
        PrintWriter print = spec.commandLine().getOut();
        if (json)
            print.print(
                    JsonText.of(Reading.of(page, List.of(), _ -> answered.all(), true).plain()));
        else write(print, read);
        if (out != null) force.save(read.edit().after(), out);
        return read.open() == 0 ? Main.FINE : Main.FOUND;
    }

    private Answers answered() throws FileTrouble {
        if (answers.isEmpty()) return Answers.NONE;
        if (answers.equals("first")) return Answers.FIRST;
        throw new FileTrouble("--answers: say \"first\", or leave it out");
    }

    private String page() throws FileTrouble {
        try {
            byte[] bytes;
            if (file.equals(PIPED)) {
                InputStream in = System.in;
                bytes = in.readNBytes((int) MOST_BYTES + 1);
            } else {
                Path path = Path.of(file);
                if (!Files.isRegularFile(path))
                    throw new FileTrouble(file + ": there is no such file");
                bytes =
                        Files.size(path) > MOST_BYTES
                                ? new byte[(int) MOST_BYTES + 1]
                                : Files.readAllBytes(path);
            }
            if (bytes.length > MOST_BYTES)
                throw new FileTrouble(
                        file + ": a page has %,d bytes at most".formatted(MOST_BYTES));
            return StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(bytes)).toString();
        } catch (CharacterCodingException none) {
            throw new FileTrouble(file + ": this is no text in UTF-8");
        } catch (IOException unreadable) {
            throw new FileTrouble(file + ": this cannot be read");
        }
    }

    private static void write(PrintWriter print, Page page) {
        String line = "";
        for (Said said : page.lines()) {
            if (!said.line().equals(line)) print.printf("%s%n", said.line());
            line = said.line();
            String mark = !said.isClear() ? "  ?" : said.assumed() ? "  ~" : "   ";
            String trouble = said.trouble();
            print.printf("%s %s%n", mark, trouble.isEmpty() ? said.words() : trouble);
            List<String> first = page.choices().getOrDefault(said.line(), List.of());
            if (!first.isEmpty()) print.printf("      likeliest: %s%n", String.join("; ", first));
        }
        print.printf("%n%d to answer, %d assumed (~)%n", page.open(), page.assumed());
    }
}
