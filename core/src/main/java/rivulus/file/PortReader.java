package rivulus.file;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import rivulus.disk.Entry;
import rivulus.disk.FileTrouble;
import rivulus.gear.Electric;
import rivulus.gear.PictureFormat;
import rivulus.gear.Port;
import rivulus.gear.Signal;

/// Reads one port of a template; what is not said follows from its connector and signal.
final class PortReader {
    private static final List<String> WIRINGS = List.of("CTIA", "OMTP");

    private PortReader() {}

    static Port read(Entry item) throws FileTrouble {
        Port port =
                new Port(
                        item.text("id"),
                        item.text("label", ""),
                        item.field("connector").oneOf("connector", Templates.connectors()),
                        item.field("carries").word("kind of signal", Signal.class),
                        item.whole("takes", 0, 64, 0),
                        item.whole("gives", 0, 64, 0),
                        item.truth("host", false),
                        item.truth("plug", false),
                        picture(item),
                        item.text("pictureKnob", ""),
                        electric(item));
        item.nothingElse();
        return port;
    }

    private static Optional<PictureFormat> picture(Entry item) throws FileTrouble {
        Optional<Entry> said = item.maybe("picture");
        if (said.isEmpty()) return Optional.empty();
        Optional<PictureFormat> format = PictureFormat.of(said.get().text());
        if (format.isEmpty())
            throw said.get()
                    .trouble(
                            "\"%s\" should be lines and pictures a second, like \"1080p60\"",
                            said.get().text());
        return format;
    }

    private static Electric electric(Entry item) throws FileTrouble {
        boolean gives = item.whole("gives", 0, 64, 0) > 0;
        String connector = item.text("connector");
        boolean usuallyBalanced = connector.startsWith("XLR") || connector.contains("balanced");
        boolean balanced = item.truth("balanced", usuallyBalanced);
        Electric usual =
                Electric.usual(
                        item.field("carries").word("kind of signal", Signal.class),
                        balanced,
                        gives);
        String knob = item.text("phantomKnob", "");
        double level = item.number("levelDbu", -80, 60, usual.levelDbu());
        double most = item.number("mostDbu", -60, 80, usual.mostDbu());
        if (most < level)
            throw item.trouble("the most of %s dBu lies under the level of %s dBu", most, level);
        double takes = item.number("takesDbu", -80, 60, level);
        double takesMost = item.number("takesMostDbu", -60, 80, most);
        if (takesMost < takes)
            throw item.trouble(
                    "the most of %s dBu that it takes lies under the %s dBu it wants",
                    takesMost, takes);
        return new Electric(
                level,
                most,
                takes,
                takesMost,
                balanced,
                item.number("ohms", 0.01, 100e6, usual.ohms()),
                phantom(item, usual.phantom()),
                knob,
                item.truth("floating", usual.floating()),
                wiring(item),
                item.whole("drawsMa", 0, 20_000, 0),
                item.whole("givesMa", 0, 20_000, item.truth("host", false) ? 500 : 0),
                item.number("noiseDbu", -140, 20, usual.noiseDbu()));
    }

    private static String wiring(Entry item) throws FileTrouble {
        Optional<Entry> said = item.maybe("wiring");
        return said.isPresent() ? said.get().oneOf("wiring of a 4-pole jack", WIRINGS) : "";
    }

    private static Electric.Phantom phantom(Entry item, Electric.Phantom usual) throws FileTrouble {
        Optional<Entry> said = item.maybe("phantom");
        if (said.isEmpty()) return usual;
        List<String> words =
                Arrays.stream(Electric.Phantom.values())
                        .map(p -> p.name().toLowerCase(Locale.ROOT))
                        .toList();
        return Electric.Phantom.valueOf(
                said.get().oneOf("setting", words).toUpperCase(Locale.ROOT));
    }
}
