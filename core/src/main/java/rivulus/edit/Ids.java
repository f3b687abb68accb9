package rivulus.edit;

import java.text.Normalizer;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import rivulus.disk.Entry;
import rivulus.disk.Extras;
import rivulus.disk.Line;
import rivulus.show.Device;
import rivulus.show.Ear;
import rivulus.show.Place;
import rivulus.show.Scene;
import rivulus.show.Show;

/// Ids that nothing has yet, made of names.
public final class Ids {
    private static final int LONGEST = 60;
    private static final int LONGEST_NUMBER = 6;

    private Ids() {}

    /// For somebody, something that plays, or a device.
    public static String ofThing(Show in, String name) {
        String stem = stem(name);
        return in.has(stem) ? in.freeId(stem, 2) : stem;
    }

    /// For an ear among others.
    public static String ofEar(List<Ear> ears, String name) {
        Set<String> taken = new HashSet<>();
        for (Ear ear : ears) taken.add(ear.id());
        return free(name, taken);
    }

    /// For a scene among others.
    public static String ofScene(List<Scene> scenes, String name) {
        Set<String> taken = new HashSet<>();
        for (Scene scene : scenes) taken.add(scene.id());
        return free(name, taken);
    }

    /// A new place of that name.
    ///
    /// @param room the id of how it sounds
    static Place place(Show in, String name, String room) {
        Set<String> taken = new HashSet<>();
        for (Place place : in.places()) taken.add(place.id());
        return new Place(free(name, taken), name, room, List.of(), Extras.NONE);
    }

    /// A name that no device has: with a number behind it where one has it.
    public static String nameOfDevice(Show in, String name) {
        Set<String> names = new HashSet<>();
        for (Device device : in.rig().devices()) names.add(device.name());
        String clipped = Line.clipped(name, Entry.LONGEST_NAME);
        if (!names.contains(clipped)) return clipped;
        String stem = Line.clipped(name, Entry.LONGEST_NAME - LONGEST_NUMBER);
        int n = 2;
        while (names.contains(stem + " " + n)) n++;
        return stem + " " + n;
    }

    static String free(String name, Set<String> taken) {
        String stem = stem(name);
        if (!taken.contains(stem)) return stem;
        int n = 2;
        while (taken.contains(stem + "-" + n)) n++;
        return stem + "-" + n;
    }

    private static String stem(String name) {
        String stem =
                Normalizer.normalize(name, Normalizer.Form.NFD)
                        .toLowerCase(Locale.ROOT)
                        .replaceAll("\\p{M}|'", "")
                        .replaceAll("[^a-z0-9]+", "-")
                        .replaceAll("^-+|-+$", "");
        return stem.isEmpty() ? "one" : stem.substring(0, Math.min(LONGEST, stem.length()));
    }
}
