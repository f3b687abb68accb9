package rivulus.form;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.gear.Catalogue;
import rivulus.gear.Template;
import rivulus.show.Cable;
import rivulus.show.Device;
import rivulus.show.Ear;
import rivulus.show.Show;
import rivulus.words.Words;

/// The way from an empty show to one that is proven, in the order in which people think, each step
/// with what there is of it now.
public final class Steps {
    private Steps() {}

    /// A step.
    ///
    /// @param title "Who"
    /// @param words what there is: "5 people"
    /// @param isDone whether nothing is missing of it
    /// @param line how it is said; empty where it is looked at
    public record Step(String id, String title, String words, boolean isDone, String line) {}

    /// The five steps: who, listens, gear, join, look.
    public static List<Step> of(Proof proof, Catalogue catalogue) {
        long wrong =
                proof.findings().stream()
                        .filter(finding -> finding.severity().isSerious())
                        .map(Finding::id)
                        .distinct()
                        .count();
        return of(proof.show(), wrong, catalogue);
    }

    /// The steps of a show in which so much is wrong.
    public static List<Step> of(Show show, long wrong, Catalogue catalogue) {
        int people = show.cast().people().size();
        long nowhere = show.ears().stream().filter(Ear::isNowhere).count();
        int machines = show.rig().devices().size();
        List<String> alone = alone(show, show.kinds(catalogue));
        boolean listens = !show.ears().isEmpty();
        return List.of(
                new Step(
                        "who",
                        "Who",
                        people == 1 ? "1 person" : people + " people",
                        people > 0,
                        "Maren, host, Reading Room"),
                new Step(
                        "listens",
                        "Listens",
                        nowhere == 0
                                ? Words.count(show.ears().size(), "ear")
                                : nowhere + " nowhere yet",
                        listens && nowhere == 0,
                        "stream"),
                new Step(
                        "gear",
                        "Gear",
                        Words.count(machines, "piece"),
                        machines > 0,
                        "mic for everybody here"),
                new Step(
                        "join",
                        "Join",
                        alone.isEmpty()
                                ? Words.count(show.rig().cables().size(), "lead")
                                : "not yet " + Words.few(alone, 2),
                        machines > 0 && alone.isEmpty(),
                        "mics > Show desk"),
                new Step(
                        "look",
                        "Look",
                        !listens
                                ? "nobody listens"
                                : wrong == 0 ? "all is well" : Words.count((int) wrong, "problem"),
                        listens && wrong == 0,
                        ""));
    }

    /// Machines that have ports and no lead in any.
    private static List<String> alone(Show show, Catalogue catalogue) {
        Set<String> joined = new HashSet<>();
        for (Cable cable : show.rig().cables()) {
            joined.add(cable.from().device());
            joined.add(cable.to().device());
        }
        List<String> alone = new ArrayList<>();
        for (Device device : show.rig().devices()) {
            boolean joins =
                    catalogue
                            .find(device.template())
                            .filter(kind -> !kind.isComputer())
                            .filter(Steps::hasPorts)
                            .isPresent();
            if (joins && !joined.contains(device.id())) alone.add(device.name());
        }
        return alone;
    }

    private static boolean hasPorts(Template kind) {
        return kind.ports().stream().anyMatch(port -> port.takes() + port.gives() > 0);
    }
}
