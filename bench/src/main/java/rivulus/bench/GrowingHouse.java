package rivulus.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import rivulus.disk.FileTrouble;
import rivulus.file.ShowFile;
import rivulus.gear.Catalogue;
import rivulus.show.Show;

/// A house of studios: in each a console of 32 channels with a microphone in every one, a laptop by
/// USB, loudspeakers, and people who talk and listen by headphones; each console's second main goes
/// to a line input of the next, so that what is earthed stands in rings.
///
/// @param studios two machines and 36 leads each
/// @param talkers in each, at most 32
/// @param scenes in each, somebody is quiet
record GrowingHouse(int studios, int talkers, int scenes) {
    private static final int CHANNELS = 32;

    Show show(Catalogue catalogue) {
        try {
            return ShowFile.parse(text(), toString(), catalogue);
        } catch (FileTrouble broken) {
            throw new IllegalStateException(broken);
        }
    }

    private String text() {
        List<String> people = new ArrayList<>();
        List<String> places = new ArrayList<>();
        List<String> ears = new ArrayList<>();
        List<String> devices = new ArrayList<>();
        List<String> cables = new ArrayList<>();
        for (int s = 1; s <= studios; s++) {
            List<String> near = new ArrayList<>();
            for (int t = 1; t <= talkers; t++) {
                people.add(
                        "{\"id\": \"v%1$d-%2$d\", \"name\": \"Voice %1$d %2$d\", \"role\": \"guest\", \"place\": \"r%1$d\"}"
                                .formatted(s, t));
                near.add(
                        "{\"from\": \"v%1$d-%2$d\", \"to\": \"m%1$d-%2$d\", \"word\": \"at the mouth\"}"
                                .formatted(s, t));
            }
            places.add(
                    "{\"id\": \"r%1$d\", \"name\": \"Studio %1$d\", \"room\": \"room-soft\", \"distances\": [%2$s]}"
                            .formatted(s, String.join(", ", near)));
            ears.add(
                    "{\"id\": \"v%1$d-1\", \"name\": \"Voice %1$d 1\", \"kind\": \"person\", \"of\": \"v%1$d-1\"}"
                            .formatted(s));
            ears.add(
                    "{\"id\": \"t%1$d\", \"name\": \"Track %1$d\", \"kind\": \"on-demand\", \"at\": [\"d%1$d/main-out.out\"]}"
                            .formatted(s));
            devices.add(device("d" + s, "digital-console", "\"place\": \"r%d\"".formatted(s)));
            devices.add(device("k" + s, "laptop", "\"place\": \"r%d\"".formatted(s)));
            devices.add(device("w" + s, "loudspeaker-pair", "\"place\": \"r%d\"".formatted(s)));
            devices.add(device("h" + s, "headphones", "\"worn\": \"v%d-1\"".formatted(s)));
            for (int m = 1; m <= CHANNELS; m++) {
                devices.add(
                        device(
                                "m%d-%d".formatted(s, m),
                                "dynamic-mic",
                                "\"place\": \"r%d\"".formatted(s)));
                cables.add(cable(cables, "m%d-%d/out".formatted(s, m), "d%d/ch%d".formatted(s, m)));
            }
            cables.add(cable(cables, "d%d/usb".formatted(s), "k%d/usb-1".formatted(s)));
            cables.add(cable(cables, "d%d/main-out".formatted(s), "w%d/in".formatted(s)));
            cables.add(cable(cables, "d%d/phones".formatted(s), "h%d/in".formatted(s)));
            if (s > 1)
                cables.add(cable(cables, "d%d/main2-out".formatted(s - 1), "d%d/st1".formatted(s)));
        }
        return """
        {"rivulus": 1, "title": "A growing house",
         "cast": {"people": [%s]}, "places": [%s], "ears": [%s],
         "rig": {"devices": [%s], "cables": [%s]},
         "scenes": [%s]}
        """
                .formatted(
                        String.join(", ", people),
                        String.join(", ", places),
                        String.join(", ", ears),
                        String.join(", ", devices),
                        String.join(", ", cables),
                        String.join(
                                ", ",
                                IntStream.rangeClosed(1, scenes)
                                        .mapToObj(
                                                i ->
                                                        "{\"id\": \"s%1$d\", \"name\": \"Scene %1$d\", \"quiet\": [\"v%2$d-1\"]}"
                                                                .formatted(
                                                                        i, (i - 1) % studios + 1))
                                        .toList()));
    }

    private static String device(String id, String template, String rest) {
        return "{\"id\": \"%1$s\", \"name\": \"%1$s\", \"template\": \"%2$s\", %3$s}"
                .formatted(id, template, rest);
    }

    private static String cable(List<String> before, String from, String to) {
        return "{\"id\": \"c%d\", \"from\": \"%s\", \"to\": \"%s\"}"
                .formatted(before.size() + 1, from, to);
    }
}
