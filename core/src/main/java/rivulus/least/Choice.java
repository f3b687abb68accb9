package rivulus.least;

import java.util.List;
import java.util.Optional;
import rivulus.gear.Setting;
import rivulus.show.Turn;

/// A set of turns that does everything that is known to be a must.
///
/// @param cost the efforts of the knobs turned, each setting of a knob once, and one more for each
///     scene that gets a setting of its own
public record Choice(List<Turn> turns, int cost, List<Turned> turned) {
    public Choice {
        turns = List.copyOf(turns);
        turned = List.copyOf(turned);
    }

    /// Whether a knob stands so in a scene once everything is turned.
    boolean stands(Dials dials, int scene, Stand stand) {
        Setting stands =
                to(scene, stand.knob())
                        .or(() -> dials.own(scene, stand.knob()))
                        .or(() -> to(Turned.FOR_ALL, stand.knob()))
                        .orElseGet(() -> dials.standing(stand.knob()));
        return stands.equals(stand.setting());
    }

    private Optional<Setting> to(int scene, int knob) {
        return turned.stream()
                .filter(one -> one.scene() == scene && one.knob() == knob)
                .map(Turned::to)
                .findFirst();
    }
}
