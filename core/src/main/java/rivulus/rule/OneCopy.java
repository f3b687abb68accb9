package rivulus.rule;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.show.Device;
import rivulus.show.Ear;
import rivulus.show.Limits;
import rivulus.show.Ref;
import rivulus.words.Severity;

/// All that is kept of an evening kept by one machine: what cannot be repeated wants a second copy.
final class OneCopy implements Rule {
    @Override
    public String id() {
        return "copy";
    }

    @Override
    public List<Finding.Draft> inRig(Proof proof, Limits limits) {
        Set<String> machines =
                proof.show().ears().stream()
                        .filter(Ear::isKept)
                        .flatMap(ear -> ear.at().stream())
                        .map(Ref::device)
                        .map(id -> machine(proof, id))
                        .collect(Collectors.toSet());
        if (machines.size() != 1) return List.of();
        Optional<Device> only = proof.survey().device(machines.iterator().next());
        return only.map(
                        machine ->
                                List.of(
                                        finding(
                                                        Severity.NOTE,
                                                        "All that is kept of this evening is on %s alone: if it stops, nothing is left. What cannot be repeated wants a second recorder, on a machine of its own"
                                                                .formatted(machine.name()))
                                                .gear(machine.id())))
                .orElse(List.of());
    }

    /// The machine that keeps what a program writes.
    private static String machine(Proof proof, String id) {
        return proof.survey().device(id).map(Device::on).filter(host -> !host.isEmpty()).orElse(id);
    }
}
