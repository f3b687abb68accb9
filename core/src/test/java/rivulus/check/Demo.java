package rivulus.check;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import rivulus.file.DemoShows;
import rivulus.gear.Setting;
import rivulus.rule.Rules;
import rivulus.show.Ref;
import rivulus.show.Show;

/// The shows of the demo world, to be turned wrong in tests.
public final class Demo {
    public static final Prover PROVER = Rules.prover();

    private Demo() {}

    public static Show show(String name) {
        return DemoShows.open(name, PROVER.catalogue());
    }

    /// Every third of many in an ordinary run, all of them at night (docs/testing.md).
    public static <T> List<T> some(Collection<T> all) {
        int step = Boolean.getBoolean("rivulus.night") ? 1 : 3;
        List<T> some = new ArrayList<>();
        int at = 0;
        for (T one : all) if (at++ % step == 0) some.add(one);
        return some;
    }

    /// The Lantern Hour with all its mistakes mended.
    public static Show lanternMended() {
        Show show = show(DemoShows.LANTERN_HOUR);
        show = choose(show, "desk/usb1chat.feed", "mix-minus");
        show = choose(show, "desk/usb2.tap", "post");
        show = choose(show, "stream-program/desktop.of", "none");
        show = choose(show, "desk/phones4.feed", "custom");
        show = level(show, "desk/phones4.pick.mic3", Double.NEGATIVE_INFINITY);
        return level(show, "desk/phones3.pick.phone", 0);
    }

    /// The mended Lantern Hour with the loudspeakers far too loud for Maren's microphone.
    public static Show howling() {
        Show show = level(lanternMended(), "house-speakers/volume", 10);
        return level(level(show, "desk/speakers.level", 10), "desk/mic1.gain", 30);
    }

    public static Show choose(Show show, String knob, String option) {
        return show.withKnob(Ref.of(knob), new Setting.Choice(option));
    }

    public static Show level(Show show, String knob, double db) {
        return show.withKnob(Ref.of(knob), new Setting.Level(db));
    }

    public static Show turn(Show show, String knob, boolean on) {
        return show.withKnob(Ref.of(knob), new Setting.Switch(on));
    }

    /// Everything wrong with what is heard, as "rule ear source", each once.
    public static List<String> findings(Show show) {
        return PROVER.prove(show).heard().stream()
                .map(f -> (f.rule() + " " + f.key().ear() + " " + f.key().source()).strip())
                .distinct()
                .toList();
    }
}
