package rivulus.rig;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SequencedMap;
import rivulus.check.Severity;
import rivulus.show.Cable;
import rivulus.show.Ref;
import rivulus.show.Show;

/// A port that more leads are meant for than the one it takes.
final class PortsUsedTwice implements RigCheck {
    @Override
    public void check(
            Show show, LeadReader reader, List<LeadReport> leads, List<RigFinding> findings) {
        Map<Ref, List<Cable>> inPort = new LinkedHashMap<>();
        for (Cable cable : show.rig().cables()) {
            inPort.computeIfAbsent(cable.from(), _ -> new ArrayList<>()).add(cable);
            inPort.computeIfAbsent(cable.to(), _ -> new ArrayList<>()).add(cable);
        }
        inPort.forEach(
                (port, cables) -> {
                    if (cables.size() < 2) return;
                    End end = reader.end(port);
                    List<String> about = new ArrayList<>();
                    for (Cable cable : cables.reversed()) about.add(cable.id());
                    SequencedMap<String, Double> figures = new LinkedHashMap<>();
                    figures.put("leads", (double) cables.size());
                    findings.add(
                            new RigFinding(
                                    "port-twice",
                                    Severity.PROBLEM,
                                    about,
                                    "%d leads are meant for %s, which takes one."
                                            .formatted(cables.size(), end.words()),
                                    figures));
                });
    }
}
