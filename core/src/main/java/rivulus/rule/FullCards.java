package rivulus.rule;

import java.util.ArrayList;
import java.util.List;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.keeping.Room;
import rivulus.show.Limits;
import rivulus.words.Severity;
import rivulus.words.Words;

/// A card or disk that does not hold the evening: a problem where it ends within the scenes, a
/// caution where an overrun would fill it. Told only where somebody said what it holds.
final class FullCards implements Rule {
    @Override
    public String id() {
        return "card";
    }

    @Override
    public List<Finding.Draft> inRig(Proof proof, Limits limits) {
        List<Finding.Draft> findings = new ArrayList<>();
        if (proof.show().going().cards().isEmpty() || proof.scenes().isEmpty()) return findings;
        for (Room room : Room.all(proof.scenes().getFirst(), proof.survey())) {
            if (room.lasts() >= room.minutes() + room.overrun()) continue;
            boolean within = room.lasts() < room.minutes();
            findings.add(
                    finding(
                                    within ? Severity.PROBLEM : Severity.CAUTION,
                                    "The card of %s is full after %s of %s%s: %s are wanted"
                                            .formatted(
                                                    room.machine().name(),
                                                    Words.minutes(room.lasts()),
                                                    Words.minutes(room.minutes()),
                                                    within ? "" : " and the overrun",
                                                    Room.bytes(room.gb() * 1e9)))
                            .gear(room.machine().id())
                            .figure("lastsMinutes", room.lasts())
                            .figure("wantedGb", room.gb()));
        }
        return findings;
    }
}
