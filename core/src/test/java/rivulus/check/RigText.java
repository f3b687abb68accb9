package rivulus.check;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import rivulus.disk.FileTrouble;
import rivulus.disk.JsonText;
import rivulus.file.ShowFile;
import rivulus.show.Show;

/// Shows in a few words, for tests. One thing a line:
///
/// ```
/// place hall                              a place with soft walls
/// person maren host hall                  somebody
/// near maren mic                          at the mouth of
/// apart maren ivo 2                       so many metres from each other
/// ear stream stream prog/stream           who listens, and where
/// scene tales 40                          a scene of so many minutes
/// own 2 XLR lead 5                        what is in the cupboard
/// desk show-desk @hall mic4.gain=12       a device; with runs:, on:, outlet:, worn:, buy
/// mic/out desk/mic1 5                     a lead; with its metres, and buy
/// ```
public final class RigText {
    private final List<Object> people = new ArrayList<>();
    private final List<Object> playback = new ArrayList<>();
    private final List<Object> places = new ArrayList<>();
    private final List<Object> ears = new ArrayList<>();
    private final List<Object> scenes = new ArrayList<>();
    private final List<Object> stock = new ArrayList<>();
    private final List<Object> devices = new ArrayList<>();
    private final List<Object> cables = new ArrayList<>();

    private RigText() {}

    /// The show that a text says.
    ///
    /// @param kinds templates of its own, as files write them
    public static Show show(String text, String... kinds) {
        RigText said = new RigText();
        text.lines().map(String::strip).filter(line -> !line.isEmpty()).forEach(said::line);
        String written = JsonText.of(said.written());
        String own = "{\"templates\": [" + String.join(",", kinds) + "],";
        try {
            return ShowFile.parse(
                    written.replaceFirst("\\{", Matcher.quoteReplacement(own)),
                    "rig",
                    Demo.PROVER.catalogue());
        } catch (FileTrouble broken) {
            throw new IllegalArgumentException(broken);
        }
    }

    private Map<String, Object> written() {
        return map(
                "rivulus",
                1,
                "title",
                "A rig",
                "cast",
                map("people", people, "playback", playback),
                "places",
                places,
                "ears",
                ears,
                "scenes",
                scenes,
                "rig",
                map("devices", devices, "cables", cables, "stock", stock));
    }

    private static Map<String, Object> map(Object... namesAndValues) {
        Map<String, Object> map = new LinkedHashMap<>();
        for (int i = 0; i < namesAndValues.length; i += 2)
            map.put((String) namesAndValues[i], namesAndValues[i + 1]);
        return map;
    }

    private void line(String line) {
        String[] w = line.split("\\s+");
        switch (w[0]) {
            case "place" -> places.add(map("id", w[1], "name", w[1], "room", "room-soft"));
            case "near" -> distance(map("from", w[1], "to", w[2], "word", "at the mouth"));
            case "apart" -> distance(map("from", w[1], "to", w[2], "m", Double.valueOf(w[3])));
            case "person" -> people.add(map("id", w[1], "name", w[1], "role", w[2], "place", w[3]));
            case "plays" -> playback.add(map("id", w[1], "name", w[1], "kind", w[2], "at", w[3]));
            case "ear" -> ears.add(ear(w));
            case "scene" ->
                    scenes.add(map("id", w[1], "name", w[1], "minutes", Double.valueOf(w[2])));
            case "own" -> own(w);
            default -> {
                if (w[0].contains("/")) cables.add(cable(w));
                else devices.add(device(w));
            }
        }
    }

    /// The last place that was named holds the two.
    @SuppressWarnings("unchecked")
    private void distance(Map<String, Object> distance) {
        Map<String, Object> place = (Map<String, Object>) places.getLast();
        ((List<Object>) place.computeIfAbsent("distances", _ -> new ArrayList<>())).add(distance);
    }

    private static Map<String, Object> ear(String[] w) {
        Map<String, Object> ear = map("id", w[1], "name", w[1], "kind", w[2]);
        if (w[2].equals("person")) ear.put("of", w[3]);
        else ear.put("at", List.of(w[3]));
        return ear;
    }

    private void own(String[] w) {
        boolean long_ = w[w.length - 1].matches("[0-9.]+");
        int end = long_ ? w.length - 1 : w.length;
        Map<String, Object> owned =
                map(
                        "what",
                        String.join(" ", List.of(w).subList(2, end)),
                        "pieces",
                        Integer.valueOf(w[1]));
        if (long_) owned.put("metres", Double.valueOf(w[end]));
        stock.add(owned);
    }

    private Map<String, Object> cable(String[] w) {
        Map<String, Object> cable = map("id", "c" + (cables.size() + 1), "from", w[0], "to", w[1]);
        for (int i = 2; i < w.length; i++) {
            if (w[i].equals("buy")) cable.put("toBuy", true);
            else cable.put("metres", Double.valueOf(w[i]));
        }
        return cable;
    }

    private static Map<String, Object> device(String[] w) {
        Map<String, Object> device = map("id", w[0], "name", w[0], "template", w[1]);
        Map<String, Object> knobs = new LinkedHashMap<>();
        for (int i = 2; i < w.length; i++) {
            String word = w[i];
            String after = word.substring(word.indexOf(':') + 1);
            if (word.contains("=")) knob(knobs, word);
            else if (word.startsWith("@")) device.put("place", word.substring(1));
            else if (word.startsWith("runs:")) device.put("power", after);
            else if (word.equals("buy")) device.put("toBuy", true);
            else device.put(word.substring(0, word.indexOf(':')), after);
        }
        if (!knobs.isEmpty()) device.put("knobs", knobs);
        return device;
    }

    private static void knob(Map<String, Object> knobs, String word) {
        String value = word.substring(word.indexOf('=') + 1);
        String name = word.substring(0, word.indexOf('='));
        if (value.equals("true") || value.equals("false")) knobs.put(name, Boolean.valueOf(value));
        else if (value.startsWith("\"")) knobs.put(name, value.replace("\"", ""));
        else if (value.matches("-?[0-9.]+")) knobs.put(name, Double.valueOf(value));
        else knobs.put(name, value);
    }
}
