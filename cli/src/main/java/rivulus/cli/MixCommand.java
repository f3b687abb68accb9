package rivulus.cli;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;
import rivulus.check.Proof;
import rivulus.disk.FileTrouble;
import rivulus.disk.JsonText;
import rivulus.mix.Feed;
import rivulus.mix.Feeds;
import rivulus.mix.MixLanguage;
import rivulus.mix.MixReport;
import rivulus.mix.MixWriting;
import rivulus.search.Budget;
import rivulus.show.Ear;

/// What every feed carries and is to carry; a sentence for one of them, or for all from the brief,
/// carried out.
@Command(
        name = "mix",
        description =
                "What every feed carries, as a sentence; with --says or --from-brief, turns knobs so that it carries that.")
final class MixCommand implements Callable<Integer> {
    @Mixin private ShowArgument show;

    @Option(names = "--feed", paramLabel = "ID", description = "The feed: desk/out.usb1chat")
    private String feed = "";

    @Option(names = "--says", paramLabel = "SENTENCE", description = "everything but Nadia")
    private String says;

    @Option(names = "--from-brief", description = "Every feed carries what the brief asks for.")
    private boolean fromBrief;

    @Option(names = "--out", paramLabel = "FILE", description = "Where to write the new show.")
    private Path out;

    @Mixin private Thoroughness how;

    @Mixin private Force force;

    @Spec private CommandSpec spec;

    @Override
    public Integer call() throws Exception {
        if (out != null && says == null && !fromBrief)
            throw new FileTrouble(
                    "--out says where the show goes in which a mix is written; say which with --says or --from-brief");
        force.mayWrite(out, show.file());
        PrintWriter print = spec.commandLine().getOut();
        Proof proof = show.proof();
        List<Feed> feeds = Feeds.of(show.prover(), proof);
        MixLanguage language = new MixLanguage(proof.show().cast());
        if (says == null && !fromBrief) {
            List<Feed> shown = feed.isEmpty() ? feeds : List.of(named(feeds));
            if (show.json()) print.print(JsonText.of(MixReport.of(shown, language)));
            else for (Feed one : shown) write(print, one, language);
            return shown.stream().anyMatch(f -> f.state() == Feed.State.OTHERWISE)
                    ? Main.FOUND
                    : Main.FINE;
        }
        MixWriting writing = new MixWriting(show.prover(), Budget.of(how.steps(MixWriting.STEPS)));
        MixWriting.Written written;
        if (fromBrief) {
            written = writing.all(proof, _ -> {});
        } else {
            Feed one = named(feeds);
            written =
                    switch (language.read(says)) {
                        case MixLanguage.Says(var steps) ->
                                writing.one(proof, one, Optional.of(steps));
                        case MixLanguage.Mistake mistake ->
                                throw new FileTrouble(
                                        "\"%s\", %s".formatted(says, mistake.sentence()));
                    };
        }
        if (show.json()) print.print(JsonText.of(MixReport.of(written, language)));
        else for (MixWriting.Line line : written.lines()) write(print, line);
        if (!show.json() && !written.isComplete()) print.println(Thoroughness.SEARCHES_ON);
        if (out != null) force.save(written.proof().show(), out);
        return written.lines().stream().allMatch(MixWriting.Line::carried) ? Main.FINE : Main.FOUND;
    }

    private Feed named(List<Feed> feeds) throws FileTrouble {
        return feeds.stream()
                .filter(one -> one.at().toString().equals(feed))
                .findFirst()
                .orElseThrow(
                        () ->
                                show.unknown(
                                        "feed",
                                        feed,
                                        feeds.stream().map(one -> one.at().toString()).toList()));
    }

    private static void write(PrintWriter print, Feed feed, MixLanguage language) {
        print.printf("%s (%s)%n", feed.name(), feed.at());
        List<String> listeners = feed.listeners().stream().map(Ear::name).toList();
        print.printf(
                "  for:     %s%n",
                listeners.isEmpty() ? "nobody, as the knobs stand" : String.join(", ", listeners));
        feed.says()
                .ifPresent(
                        mix ->
                                print.printf(
                                        "  says:    %s%s%n",
                                        language.print(mix.steps()),
                                        feed.state() == Feed.State.OTHERWISE
                                                ? ", and carries something else"
                                                : ""));
        print.printf("  carries: %s%n", language.print(feed.carries()));
        feed.asked().ifPresent(asked -> print.printf("  asked:   %s%n", language.print(asked)));
        for (String torn : feed.torn()) print.printf("  torn:    %s%n", torn);
    }

    private static void write(PrintWriter print, MixWriting.Line line) {
        String words = line.words().isEmpty() ? "carries it already" : line.words();
        print.printf("%s: %s%n", line.feed().name(), words);
    }
}
