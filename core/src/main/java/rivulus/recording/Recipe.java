package rivulus.recording;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Stream;
import rivulus.disk.FileTrouble;
import rivulus.disk.Json;
import rivulus.file.Templates;
import rivulus.show.Show;
import rivulus.sound.Loudness;
import rivulus.sound.Talk;
import rivulus.sound.WavFormat;
import rivulus.sound.WavWriter;

/// A test recording that is made when it is wanted: who talks in which track, how loud, and with
/// what faults. It travels with the program as a page of data.
public final class Recipe {
    /// The recording of the tide-table talk.
    public static final String TIDE_TABLE_TALK = "tide-table-talk";

    private static final int RATE = 48_000;

    private final Map<?, ?> page;
    private final Map<String, double[]> voices = new LinkedHashMap<>();

    private Recipe(Map<?, ?> page) {
        this.page = page;
    }

    /// A recipe that ships.
    public static Recipe shipped(String name) {
        try {
            String text = Templates.resource("/rivulus/recordings/" + name + ".json");
            return new Recipe((Map<?, ?>) Json.parse(text, name).plain());
        } catch (FileTrouble broken) {
            throw new IllegalStateException(
                    "the program is damaged: " + broken.getMessage(), broken);
        }
    }

    /// What it is, and what is wrong with it.
    public String about() {
        return (String) page.get("about");
    }

    /// Whether it is of a show: whether that has its scene, and somebody for every file.
    public boolean isOf(Show show) {
        Matching matching = Matching.with(show);
        return show.scene((String) page.get("scene")).isPresent()
                && tracks().allMatch(track -> matching.knows(Path.of((String) track.get("file"))));
    }

    private Stream<Map<?, ?>> tracks() {
        return ((List<?>) page.get("tracks")).stream().map(track -> (Map<?, ?>) track);
    }

    /// Makes the files in a folder.
    public List<Path> make(Path folder) throws IOException {
        Files.createDirectories(folder);
        List<Path> files = new ArrayList<>();
        for (Map<?, ?> track : tracks().toList()) {
            double[] sound = sound(track);
            Path file = folder.resolve((String) track.get("file"));
            double late = number(track, "cameraLateMs", 0);
            if (late == 0) {
                write(file, sound);
            } else {
                double[] camera = later(sound, (int) Math.round(late * RATE / 1000), 0.4);
                addNoise(camera, -50, 7);
                write(file, camera, sound);
            }
            files.add(file);
        }
        return files;
    }

    private static double number(Map<?, ?> from, String name, double otherwise) {
        return from.get(name) instanceof Number number ? number.doubleValue() : otherwise;
    }

    private static double size(double db) {
        return Math.pow(10, db / 20);
    }

    private double[] sound(Map<?, ?> track) {
        String name = (String) track.get("file");
        double[] sound =
                track.get("voice") instanceof Map<?, ?> voice
                        ? talk(voice)
                        : mix((List<?>) track.get("mixOf"));
        scale(sound, size(number(track, "lufs", -23) - Loudness.of(sound, RATE)));
        if (track.get("voice") != null) voices.put(name, sound.clone());
        if (track.get("voice") != null)
            addNoise(sound, number(track, "noiseDbfs", -80), name.hashCode());
        if (track.get("clipDb") != null) {
            double up = size(number(track, "clipDb", 0));
            for (int i = 0; i < sound.length; i++) sound[i] = Math.clamp(sound[i] * up, -1, 1);
        }
        double ceiling = size(number(track, "ceilingDbfs", 0));
        for (int i = 0; i < sound.length; i++) sound[i] = limited(sound[i], ceiling);
        if (track.get("echo") instanceof Map<?, ?> echo) add(sound, echo);
        if (track.get("hum") instanceof Map<?, ?> hum)
            for (int i = 0; i < sound.length; i++)
                for (int h = 1; h <= 4; h++)
                    sound[i] +=
                            size(number(hum, "dbfs", -60))
                                    / h
                                    * Math.sin(
                                            2 * Math.PI * h * number(hum, "hz", 50) * i / RATE + h);
        return sound;
    }

    /// Somebody who talks from one time to another, and listens else.
    private double[] talk(Map<?, ?> voice) {
        double[] sound = new double[(int) (number(page, "seconds", 20) * RATE)];
        double from = number(voice, "from", 0);
        double to = number(voice, "to", number(page, "seconds", 20));
        double[] talk =
                Talk.of(number(voice, "hz", 120), (long) number(voice, "seed", 1), to - from, RATE);
        System.arraycopy(talk, 0, sound, (int) (from * RATE), talk.length);
        return sound;
    }

    /// Rounds what comes near the ceiling, so that nothing goes over it.
    private static double limited(double x, double ceiling) {
        double knee = ceiling / 2;
        double over = Math.abs(x) - knee;
        if (over <= 0) return x;
        return Math.signum(x) * (knee + (ceiling - knee) * Math.tanh(over / (ceiling - knee)));
    }

    private void add(double[] sound, Map<?, ?> echo) {
        double[] of = voices.get((String) echo.get("of"));
        int late = (int) Math.round(number(echo, "ms", 0) * RATE / 1000);
        double[] comes = later(of, late, size(number(echo, "db", -30)));
        for (int i = 0; i < sound.length; i++) sound[i] += comes[i];
    }

    private static double[] later(double[] sound, int samples, double gain) {
        double[] late = new double[sound.length];
        for (int i = samples; i < late.length; i++) late[i] = gain * sound[i - samples];
        return late;
    }

    private double[] mix(List<?> names) {
        double[] mix = null;
        for (Object name : names) {
            double[] voice = voices.get((String) name);
            if (mix == null) mix = new double[voice.length];
            for (int i = 0; i < mix.length; i++) mix[i] += voice[i];
        }
        return mix;
    }

    private static void scale(double[] sound, double by) {
        for (int i = 0; i < sound.length; i++) sound[i] *= by;
    }

    private static void addNoise(double[] sound, double dbfs, long seed) {
        Random random = new Random(seed);
        for (int i = 0; i < sound.length; i++) sound[i] += size(dbfs) * random.nextGaussian();
    }

    private static void write(Path file, double[]... channels) throws IOException {
        WavFormat format = new WavFormat(channels.length, RATE, 24, false);
        try (WavWriter out =
                new WavWriter(
                        new BufferedOutputStream(Files.newOutputStream(file)),
                        format,
                        channels[0].length)) {
            out.write(channels, channels[0].length);
        }
    }
}
