package rivulus.rule;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import rivulus.check.Finding;
import rivulus.check.SceneProof;
import rivulus.hearing.Hearing;
import rivulus.hearing.Ways;
import rivulus.show.Limit;
import rivulus.show.Limits;
import rivulus.show.Mix;
import rivulus.show.Names;
import rivulus.show.Person;
import rivulus.show.Ref;
import rivulus.show.Show;
import rivulus.show.Source;
import rivulus.signal.SignalGraph;
import rivulus.words.Severity;
import rivulus.words.Words;

/// A feed that does not carry what its mix says.
///
/// Somebody in the room bleeds into every microphone there: of them only what is nearly as loud as
/// the mix counts. Who rests in a scene may be in it or not.
final class Mixed implements Rule {
    private static final String OVER = "overDb";
    private static final String WANTED = "wantedDb";

    @Override
    public String id() {
        return "mix";
    }

    @Override
    public Need need(Finding finding) {
        if (finding.figures().containsKey(OVER)) return Need.LESS;
        return finding.figures().containsKey(WANTED) ? Need.OTHER : Need.MORE;
    }

    @Override
    public double overDb(Finding finding, Limits limits) {
        return finding.figures().get(OVER);
    }

    @Override
    public String listener(Finding finding) {
        return Mix.earAt(finding.key().about());
    }

    @Override
    public String wish(Finding finding, Show show) {
        String feed = feed(finding.live().graph(), Ref.of(finding.key().about()));
        String source = Names.of(show.cast().source(finding.key().source()).orElseThrow());
        return "%s %s %s"
                .formatted(
                        feed,
                        finding.figures().containsKey(OVER) ? "leaves out" : "carries",
                        source);
    }

    @Override
    public List<Finding.Draft> inScene(SceneProof scene, Limits limits) {
        List<Finding.Draft> findings = new ArrayList<>();
        SignalGraph graph = scene.tracer().live().graph();
        for (Mix mix : scene.show().mixes()) {
            if (graph.earIndex(mix.ear()) < 0) continue;
            var carried = mix.carried(scene.show().cast());
            for (Source source : scene.show().sources())
                if (!scene.scene().quiet().contains(source.id()))
                    off(scene, mix, source, Optional.ofNullable(carried.get(source.id())), limits)
                            .ifPresent(findings::add);
        }
        return findings;
    }

    private Optional<Finding.Draft> off(
            SceneProof scene, Mix mix, Source source, Optional<Double> wanted, Limits limits) {
        Hearing hearing = scene.tracer().hearing(mix.ear(), source.id());
        double db = hearing.levelDb();
        if (wanted.isEmpty()) {
            double over = db - limits.get(isHere(source) ? Limit.BLEED : Limit.LEAK);
            return over > 0
                    ? Optional.of(
                            finding(
                                            scene,
                                            mix,
                                            source,
                                            "%s carries %s, and should not by its mix",
                                            db)
                                    .figure(OVER, over))
                    : Optional.empty();
        }
        double faint = limits.get(Limit.FAINT);
        if (db < faint + Math.min(0, wanted.get()))
            return mix.names(source) || mix.asksFor(source) && isAtHand(scene, mix, source, faint)
                    ? Optional.of(
                            finding(
                                    scene,
                                    mix,
                                    source,
                                    "%s does not carry %s, and should by its mix",
                                    db))
                    : Optional.empty();
        boolean said = wanted.get() != 0;
        return said && Math.abs(db - wanted.get()) > limits.get(Limit.BALANCE)
                ? Optional.of(
                        finding(
                                        scene,
                                        mix,
                                        source,
                                        "%s carries %s "
                                                + "at %s, and should by its mix at %s"
                                                        .formatted(
                                                                Words.db(db),
                                                                Words.db(wanted.get())),
                                        db)
                                .figure(WANTED, wanted.get()))
                : Optional.empty();
    }

    private static boolean isAtHand(SceneProof scene, Mix mix, Source source, double faintDb) {
        return scene.tracer().live().comesTo(source.id(), mix.at().device(), faintDb);
    }

    private static boolean isHere(Source source) {
        return source instanceof Person person && !person.isCaller();
    }

    private Finding.Draft finding(
            SceneProof scene, Mix mix, Source source, String words, double db) {
        SignalGraph graph = scene.tracer().live().graph();
        String headline = words.formatted(feed(graph, mix.at()), Names.of(source));
        return finding(Severity.CAUTION, headline)
                .in(scene, scene.tracer().live())
                .carried(source)
                .about(mix.at().toString())
                .figure("levelDb", db)
                .because(
                        () ->
                                new Finding.Evidence(
                                        "",
                                        Ways.of(scene.tracer().live())
                                                .strongest(source.id(), mix.ear(), 2)
                                                .all()));
    }

    /// "Show desk · USB 1 call"
    private static String feed(SignalGraph graph, Ref at) {
        return graph.nodes().get(graph.nodesOf(at)[0]).words();
    }

    @Override
    public List<Idea> ideas(Finding finding, Workshop workshop) {
        Double wanted = finding.figures().get(WANTED);
        return wanted == null
                ? List.of()
                : workshop.graph()
                        .turned(
                                finding,
                                listener(finding),
                                wanted - finding.figures().get("levelDb"));
    }
}
