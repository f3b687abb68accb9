package rivulus.check;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import rivulus.hearing.Tracer;
import rivulus.show.Device;
import rivulus.show.Ear;
import rivulus.show.Source;
import rivulus.show.Wish;
import rivulus.words.Words;

/// Who loses whom when a device fails, with whatever runs on it.
///
/// @param losses ears that lose somebody they must hear, in the order of the show
public record Failure(Device device, List<Loss> losses) {
    public Failure {
        losses = List.copyOf(losses);
    }

    /// One ear.
    ///
    /// @param lost the sources it must hear, heard, and no longer hears
    /// @param everything whether that is all it must hear
    public record Loss(Ear ear, List<Source> lost, boolean everything) {
        public Loss {
            lost = List.copyOf(lost);
        }
    }

    /// What the failure of a device does in a scene. Costs a tracing of what lies around it.
    public static Failure of(SceneProof scene, Device device, Limits limits) {
        Set<String> dead = new HashSet<>(Set.of(device.id()));
        for (Device other : scene.show().rig().devices())
            if (other.on().equals(device.id())) dead.add(other.id());
        Tracer with = scene.tracer();
        Tracer without = Tracer.after(with.live().without(dead), List.of(with));
        List<Loss> losses = new ArrayList<>();
        for (Ear ear : scene.show().ears()) {
            List<Source> lost = new ArrayList<>();
            int heard = 0;
            for (SceneProof.Heard cell : scene.of(ear.id())) {
                boolean wanted = cell.standing().wish() == Wish.MUST;
                if (!wanted || cell.hearing().levelDb() < limits.heardDb()) continue;
                heard++;
                double left = without.hearing(ear.id(), cell.source().id()).levelDb();
                if (left < limits.heardDb()) lost.add(cell.source());
            }
            if (!lost.isEmpty()) losses.add(new Loss(ear, lost, lost.size() == heard));
        }
        return new Failure(device, losses);
    }

    /// "If Show desk fails, the stream loses all there is to hear; Nadia no longer hears Maren."
    public String words() {
        if (losses.isEmpty()) return "If %s fails, nobody misses anybody.".formatted(device.name());
        List<String> deaf = new ArrayList<>();
        Map<String, List<String>> without = new LinkedHashMap<>();
        for (Loss loss : losses) {
            String ear = Names.of(loss.ear());
            if (loss.everything()) deaf.add(ear);
            else
                without.computeIfAbsent(
                                Words.list(loss.lost().stream().map(Names::of).toList()),
                                _ -> new ArrayList<>())
                        .add(ear);
        }
        List<String> clauses = new ArrayList<>();
        if (!deaf.isEmpty()) clauses.add(clause(deaf, "loses", "lose", "all there is to hear"));
        without.forEach(
                (whom, ears) ->
                        clauses.add(clause(ears, "no longer hears", "no longer hear", whom)));
        return "If %s fails, %s.".formatted(device.name(), String.join("; ", clauses));
    }

    private static String clause(List<String> ears, String one, String many, String what) {
        return "%s %s %s".formatted(Words.list(ears), ears.size() == 1 ? one : many, what);
    }
}
