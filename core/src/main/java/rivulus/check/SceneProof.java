package rivulus.check;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import rivulus.gear.Knob;
import rivulus.hearing.Hearing;
import rivulus.hearing.Tracer;
import rivulus.show.Brief;
import rivulus.show.Ear;
import rivulus.show.Scene;
import rivulus.show.Show;
import rivulus.show.Source;

/// What every ear hears in one scene, against what it wishes.
public final class SceneProof {
    private final Show show;
    private final Scene scene;
    private final Tracer tracer;
    private final Map<String, Map<String, Heard>> heard = new LinkedHashMap<>();
    private final List<Heard> all = new ArrayList<>();
    private final Map<String, Tracer> muted = new LinkedHashMap<>();
    private List<Finding> findings = List.of();

    /// One cell of the hearing chart.
    public record Heard(Ear ear, Source source, Brief.Standing standing, Hearing hearing) {}

    /// @param sameWishes a proof of the same scene of a show with the same brief, or null
    SceneProof(Show show, Brief brief, Scene scene, Tracer tracer, SceneProof sameWishes) {
        this.show = show;
        this.scene = scene;
        this.tracer = tracer;
        boolean known = sameWishes != null && sameWishes.scene.quiet().equals(scene.quiet());
        for (Ear ear : show.ears()) {
            Map<String, Heard> row = new LinkedHashMap<>();
            for (Source source : show.sources()) {
                Hearing hearing = tracer.hearing(ear.id(), source.id());
                Brief.Standing standing =
                        known
                                ? sameWishes.of(ear.id(), source.id()).standing()
                                : brief.wish(ear, source, scene);
                row.put(source.id(), new Heard(ear, source, standing, hearing));
            }
            heard.put(ear.id(), row);
        }
        for (Map<String, Heard> row : heard.values()) all.addAll(row.values());
    }

    void found(List<Finding> list) {
        findings = List.copyOf(list);
    }

    void muted(String key, Tracer counterfactual) {
        muted.put(key, counterfactual);
    }

    /// What would be heard with that mute key pressed; absent where it already is.
    Map<String, Tracer> muted() {
        return muted;
    }

    /// The show it is about.
    public Show show() {
        return show;
    }

    /// The scene it is about.
    public Scene scene() {
        return scene;
    }

    /// The traced graph.
    public Tracer tracer() {
        return tracer;
    }

    /// Every ear with every source, in the order of the show.
    public List<Heard> all() {
        return Collections.unmodifiableList(all);
    }

    /// What one ear hears of every source.
    public List<Heard> of(String ear) {
        return List.copyOf(heard.getOrDefault(ear, Map.of()).values());
    }

    /// What one ear hears of one source.
    ///
    /// @throws IllegalArgumentException if the show has no such ear or source
    public Heard of(String ear, String source) {
        Heard cell = heard.getOrDefault(ear, Map.of()).get(source);
        if (cell == null)
            throw new IllegalArgumentException(
                    "no ear \"%s\" or source \"%s\"".formatted(ear, source));
        return cell;
    }

    /// What is wrong in this scene, worst first.
    public List<Finding> findings() {
        return findings;
    }

    /// What is to be said of one ear and one source.
    public Verdict verdict(String ear, String source) {
        Verdict worst = plain(of(ear, source));
        for (Finding finding : findings) {
            boolean here = finding.key().ear().equals(ear) && finding.key().source().equals(source);
            if (here && finding.verdict().compareTo(worst) > 0) worst = finding.verdict();
        }
        return worst;
    }

    /// The closed mute or fader that a source stands behind, with its setting in words; empty where
    /// there is none.
    public String gate(String source) {
        return ClosedGate.nearest(tracer.live(), source)
                .map(
                        use ->
                                "%s is %s"
                                        .formatted(
                                                use.knob().label(),
                                                use.knob() instanceof Knob.Level ? "down" : "on"))
                .orElse("");
    }

    private static Verdict plain(Heard cell) {
        return switch (cell.standing().wish()) {
            case MUST -> Verdict.AS_WISHED;
            case MAY -> cell.hearing().isHeard() ? Verdict.ALLOWED : Verdict.SILENT;
            case MUST_NOT -> Verdict.KEPT_OUT;
        };
    }
}
