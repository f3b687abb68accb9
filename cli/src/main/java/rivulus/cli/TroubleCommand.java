package rivulus.cli;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.function.Function;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;
import rivulus.check.Proof;
import rivulus.check.SceneProof;
import rivulus.disk.FileTrouble;
import rivulus.disk.Worded;
import rivulus.show.Ear;
import rivulus.show.Symptom;
import rivulus.trouble.Diagnosis;
import rivulus.trouble.Fault;
import rivulus.trouble.Question;
import rivulus.trouble.Reply;
import rivulus.trouble.Simulated;
import rivulus.trouble.Suspect;

/// A dialogue that finds what is broken.
@Command(
        name = "trouble",
        description =
                "Finds what is broken, question by question. Exit 0: it was found; 1: it was not.")
final class TroubleCommand implements Callable<Integer> {
    private static final int MOST = 40;
    private static final int SHOWN = 3;

    @Mixin private ShowArgument show;

    @Option(names = "--ear", paramLabel = "ID", description = "Who hears something amiss.")
    private String ear = "";

    @Option(names = "--source", paramLabel = "ID", description = "Of whom, or of what.")
    private String source = "";

    @Option(
            names = "--heard",
            paramLabel = "WORD",
            description = "How: not, soft, loud, twice, late, hollow, one-side, hum, crackle, …")
    private String heard = "";

    @Option(names = "--faults", description = "List what may break, and ask nothing.")
    private boolean faults;

    @Option(
            names = "--break",
            paramLabel = "FAULT",
            description = "Break this, and let the simulated people of the show answer.")
    private String broken = "";

    @Spec private CommandSpec spec;

    private PrintWriter print;
    private BufferedReader answers;

    @Override
    public Integer call() throws Exception {
        print = spec.commandLine().getOut();
        answers = new BufferedReader(new InputStreamReader(System.in, StandardCharsets.UTF_8));
        Proof proof = show.proof();
        List<SceneProof> scenes = show.scenes(proof);
        SceneProof scene = scenes.size() == 1 ? scenes.getFirst() : proof.fullest();
        Diagnosis search = Diagnosis.of(show.prover(), proof, scene.scene().id(), () -> false);
        if (faults) {
            for (Fault fault : search.faults())
                print.printf("%s%n  %s%n", fault.id(), fault.words());
            return Main.FINE;
        }
        Function<Question, Optional<Reply>> says = this::asked;
        if (!broken.isEmpty()) {
            show.known("fault", broken, search.faults().stream().map(Fault::id));
            Simulated people = Simulated.of(search, broken, 0, 1);
            says = question -> Optional.of(people.answer(question));
            if (ear.isEmpty()) {
                ear = people.first().ear().id();
                source = people.first().source().id();
            }
        }
        print.printf(
                "%s, %d faults that would be noticed.%n", scene.scene().name(), search.noticed());
        Optional<Diagnosis> begun = begun(search, says);
        return begun.isPresent() ? ended(dialogue(begun.get(), says)) : Main.FOUND;
    }

    /// The search after what is reported first.
    private Optional<Diagnosis> begun(Diagnosis search, Function<Question, Optional<Reply>> says)
            throws FileTrouble {
        List<Question.Ask> all = search.reports();
        if (ear.isEmpty()) {
            List<Ear> ears = all.stream().map(Question.Ask::ear).distinct().toList();
            Optional<Ear> whose = picked("Who hears something amiss?", ears, Ear::name);
            if (whose.isEmpty()) return Optional.empty();
            ear = whose.get().id();
        } else show.known("ear", ear, all.stream().map(ask -> ask.ear().id()).distinct());
        List<Question.Ask> sources =
                all.stream().filter(ask -> ask.ear().id().equals(ear)).toList();
        if (source.isEmpty()) {
            Optional<Question.Ask> what =
                    picked("Of whom, or of what?", sources, ask -> ask.source().name());
            if (what.isEmpty()) return Optional.empty();
            source = what.get().source().id();
        } else show.known("source", source, sources.stream().map(ask -> ask.source().id()));
        Question.Ask ask = search.about(ear, source).orElseThrow();
        Optional<Reply> reply =
                heard.isEmpty() ? said(ask, says) : Optional.of(new Reply.Heard(symptom()));
        return reply.map(first -> search.after(ask, first));
    }

    private Symptom symptom() throws FileTrouble {
        var words = Worded.words(Symptom.class);
        show.known("way to hear", heard, words.keySet().stream());
        return words.get(heard);
    }

    private Diagnosis dialogue(Diagnosis search, Function<Question, Optional<Reply>> says) {
        Diagnosis now = search;
        while (now.found().isEmpty() && now.answers().size() < MOST) {
            Optional<Diagnosis.Next> next = now.next();
            if (next.isEmpty()) break;
            print.printf("%n%s  (%s)%n", next.get().question().words(), next.get().why());
            Optional<Reply> reply = says.apply(next.get().question());
            if (reply.isEmpty()) break;
            if (!broken.isEmpty()) print.printf("  %s.%n", reply.get().words());
            now = now.after(next.get().question(), reply.get());
        }
        return now;
    }

    private int ended(Diagnosis search) {
        print.printf("%n%s%n", search.words());
        Optional<Suspect> found = search.found().filter(suspect -> !suspect.faults().isEmpty());
        if (found.isPresent()) print.println(found.get().todo());
        else
            search.suspects().stream()
                    .limit(SHOWN)
                    .filter(suspect -> !suspect.faults().isEmpty())
                    .forEach(
                            suspect ->
                                    print.printf(
                                            "  %2.0f %%  %s%n",
                                            100 * suspect.chance(), suspect.words()));
        return found.isPresent() ? Main.FINE : Main.FOUND;
    }

    private Optional<Reply> said(Question question, Function<Question, Optional<Reply>> says) {
        print.println(question.words());
        Optional<Reply> reply = says.apply(question);
        if (!broken.isEmpty()) reply.ifPresent(said -> print.printf("  %s.%n", said.words()));
        return reply;
    }

    private Optional<Reply> asked(Question question) {
        return picked("", question.replies(), Reply::words);
    }

    /// One of several, by its number; empty where nothing more is typed.
    private <T> Optional<T> picked(String about, List<T> all, Function<T, String> words) {
        if (!about.isEmpty()) print.println(about);
        for (int i = 0; i < all.size(); i++)
            print.printf("  %d  %s%n", i + 1, words.apply(all.get(i)));
        while (true) {
            print.print("> ");
            print.flush();
            String typed = line();
            if (typed == null) return Optional.empty();
            try {
                int at = Integer.parseInt(typed.strip());
                if (at >= 1 && at <= all.size()) return Optional.of(all.get(at - 1));
            } catch (NumberFormatException none) {
                // said below
            }
            print.printf("A number from 1 to %d, please.%n", all.size());
        }
    }

    private String line() {
        try {
            return answers.readLine();
        } catch (IOException gone) {
            return null;
        }
    }
}
