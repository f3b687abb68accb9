package rivulus.cli;

import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import rivulus.check.Proof;
import rivulus.check.Prover;
import rivulus.check.SceneProof;
import rivulus.disk.FileTrouble;
import rivulus.file.ShowFile;
import rivulus.rule.Rules;
import rivulus.show.Show;

/// The show file that every command takes, and what is asked of it.
final class ShowArgument {
    @Parameters(index = "0", paramLabel = "FILE", description = "The show file.")
    private Path file;

    @Option(names = "--json", description = "Write JSON for other programs.")
    private boolean json;

    @Option(names = "--scene", paramLabel = "ID", description = "Only this scene.")
    private String scene = "";

    private final Prover prover = Rules.prover();

    boolean json() {
        return json;
    }

    Prover prover() {
        return prover;
    }

    Path file() {
        return file;
    }

    Proof proof() throws FileTrouble {
        return prover.prove(show());
    }

    Show show() throws FileTrouble {
        return ShowFile.open(file, prover.catalogue());
    }

    /// The scenes that were asked for: one, or all.
    List<SceneProof> scenes(Proof proof) throws FileTrouble {
        if (scene.isEmpty()) return proof.scenes();
        List<String> known = proof.scenes().stream().map(s -> s.scene().id()).toList();
        return List.of(proof.scene(scene).orElseThrow(() -> unknown("scene", scene, known)));
    }

    /// Makes sure that there is something of that name.
    void known(String what, String name, Stream<String> names) throws FileTrouble {
        List<String> all = names.toList();
        if (!all.contains(name)) throw unknown(what, name, all);
    }

    FileTrouble unknown(String what, String name, List<String> known) {
        return unknown(file, what, name, known);
    }

    /// That a show has nothing of that name, and what it has.
    static FileTrouble unknown(Path file, String what, String name, List<String> known) {
        return new FileTrouble(
                "%s: there is no %s \"%s\"; there is %s"
                        .formatted(file.getFileName(), what, name, String.join(", ", known)));
    }
}
