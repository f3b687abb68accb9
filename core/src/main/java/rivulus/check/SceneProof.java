package rivulus.check;

import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.function.Function;
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
    private final Heard[] cells;
    private final int sources;
    private Function<SceneProof, List<Finding>> checks;
    private List<Finding> findings;

    /// One cell of the hearing chart.
    public record Heard(Ear ear, Source source, Brief.Standing standing, Hearing hearing) {}

    /// @param checks what finds the findings, asked once, when they are first wanted
    SceneProof(
            Show show,
            Brief brief,
            Scene scene,
            Tracer tracer,
            Function<SceneProof, List<Finding>> checks) {
        this.checks = checks;
        this.show = show;
        this.scene = scene;
        this.tracer = tracer;
        List<Source> heard = show.sources();
        sources = heard.size();
        List<Brief.Standing> wishes = brief.wishes(scene);
        cells = new Heard[show.ears().size() * sources];
        for (int s = 0; s < sources; s++) {
            Source source = heard.get(s);
            List<Hearing> everywhere = tracer.hearings(source.id());
            for (int e = 0; e < show.ears().size(); e++) {
                Ear ear = show.ears().get(e);
                int cell = e * sources + s;
                cells[cell] = new Heard(ear, source, wishes.get(cell), everywhere.get(e));
            }
        }
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
        return Collections.unmodifiableList(Arrays.asList(cells));
    }

    /// What one ear hears of every source.
    public List<Heard> of(String ear) {
        int e = tracer.live().graph().earIndex(ear);
        return e < 0 ? List.of() : all().subList(e * sources, (e + 1) * sources);
    }

    /// What one ear hears of one source.
    ///
    /// @throws IllegalArgumentException if the show has no such ear or source
    public Heard of(String ear, String source) {
        int e = tracer.live().graph().earIndex(ear);
        int s = tracer.live().graph().sourceIndex(source);
        if (e < 0 || s < 0)
            throw new IllegalArgumentException(
                    "no ear \"%s\" or source \"%s\"".formatted(ear, source));
        return cells[e * sources + s];
    }

    /// What is wrong in this scene, worst first.
    public synchronized List<Finding> findings() {
        if (findings == null) {
            findings = List.copyOf(checks.apply(this));
            checks = null;
        }
        return findings;
    }

    /// What is to be said of one ear and one source.
    public Verdict verdict(String ear, String source) {
        Verdict worst = plain(of(ear, source));
        for (Finding finding : findings()) {
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
